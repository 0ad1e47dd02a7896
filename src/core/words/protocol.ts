/** The plan as a protocol tells it: what is to be found, how surely, with how many, and how many are begun with. */
import { type Plan, begunWith, isDirected, isUneven, totalOf } from '../planning/plan';
import { given, percent, plural, powerPercent } from './numbers';
import { listed, valued } from './sentences';
import { type Text, text } from './text';

export interface Protocol {
  plan: Plan;
  n: number;
  power: number;
  unit: string;
  /** The noun for one sample: "seedling". */
  subject: string;
  /** Share expected to be lost. */
  loss: number;
}

/** Who is taken: "29 seedlings in each of two groups". */
function taken({ plan, n, subject }: Protocol): string {
  const noun = (k: number): string => (k === 1 ? subject || 'sample' : plural(subject || 'sample'));
  const numbers = totalOf(plan, n);
  switch (plan.design) {
    case 'two-groups':
    case 'shares':
      return isUneven(numbers)
        ? `${listed(numbers.each.map(String))} ${noun(2)} in two groups`
        : `${n} ${noun(n)} in each of two groups`;
    case 'several':
      return `${n} ${noun(n)} in each of ${plan.groups} groups`;
    case 'factorial':
      return `${n} ${noun(n)} in each cell of ${plan.groups} by ${plan.levels} levels`;
    case 'mixed':
      return `${n} ${noun(n)} in each of two groups, each read under ${plan.groups} conditions`;
    case 'nested':
      return `${n} ${noun(n)} in each of ${plan.groups} groups, each read ${times(plan.readings)}`;
    case 'adjusted':
      return `${n} ${noun(n)} in each of ${plan.groups} groups`;
    case 'blocked':
      return `${n} blocks, each with ${plan.readings} ${noun(plan.readings)} of each of ${plan.groups} groups`;
    case 'repeated':
      return `${n} ${noun(n)}, each read under ${plan.groups} conditions`;
    case 'paired':
      return `${n} ${noun(n)}, each read twice`;
    case 'one-sample':
      return `${n} ${noun(n)}`;
  }
}

const tests: Record<Plan['design'], string> = {
  'two-groups': 't-test',
  paired: 'paired t-test',
  'one-sample': 'one-sample t-test',
  several: 'one-way analysis of variance',
  factorial: 'main effect in a two-way analysis of variance',
  repeated: 'repeated-measures analysis of variance, sphericity holding,',
  mixed: 'test of the interaction of groups and conditions, sphericity holding,',
  nested: 'nested analysis of variance',
  adjusted: 'analysis of covariance',
  blocked: 'analysis of variance of randomized blocks',
  shares: 'large-sample test of two proportions',
};

const times = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

/** What else the plan rests on: how readings go together. */
const correlationWords = ({ design, correlation }: Plan): string =>
  design === 'repeated' || design === 'mixed'
    ? ` and readings of one subject correlate by ${given(correlation)}`
    : design === 'nested'
      ? ` and readings of one sample correlate by ${given(correlation)} (intraclass)`
      : design === 'blocked'
        ? ` and readings of one block correlate by ${given(correlation)}`
        : design === 'adjusted'
          ? ` and readings correlate with the covariate by ${given(correlation)}`
          : '';

/** The sentences for a protocol. */
export function protocolSentence(protocol: Protocol): Text {
  const { plan, n, power, unit, loss } = protocol;
  const directed = isDirected(plan.design);
  const sided = !directed
    ? `a${/^(?!one)[aeiou]/.test(tests[plan.design]) ? 'n' : ''}`
    : plan.direction === 'either'
      ? 'a two-sided'
      : 'a one-sided';
  const what =
    plan.design === 'shares'
      ? `a share of ${percent(plan.share)} against one of ${percent(Number((plan.share + plan.difference).toPrecision(10)))}`
      : plan.design === 'mixed'
        ? `groups that part in equal steps by ${valued(given(plan.difference), unit)}`
        : !directed && plan.groups > 2
          ? `means in equal steps whose ends are ${valued(given(plan.difference), unit)} apart`
          : `a difference of ${valued(given(plan.difference), unit)}`;
  const spread =
    plan.design === 'shares'
      ? ''
      : `, if the standard deviation${plan.design === 'paired' ? ' of the differences' : ''} is ${valued(given(plan.sd), unit)}${correlationWords(plan)}`;
  const begun = begunWith(plan, n, loss);
  const lost =
    loss > 0
      ? ` To allow for a loss of ${percent(loss)}, ${begun.total} are begun with in all${isUneven(begun) ? `: ${listed(begun.each.map(String))}` : ''}.`
      : '';
  return text`With ${taken(protocol)}, ${sided} ${tests[plan.design]} at the ${percent(plan.alpha)} level finds ${what} with a power of ${powerPercent(power, power > 0.995 ? 2 : 0)}${spread}.${lost}`;
}
