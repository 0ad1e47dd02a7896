/** A question that was fixed before it was answered: what it was, and every way in which its answer is another. */
import { analysisOf } from '../analyses/registry';
import { factsOf } from '../analyses/kinds';
import type { GroupPart } from '../answer/group-part';
import type { Registered } from '../answer/registered';
import { alphaOf } from '../procedures/interval';
import { choicesOf, tellsRatios } from '../question/choices';
import { groupChoices, isBlocked } from '../question/asking';
import { blockOf } from '../question/block';
import { innerOf } from '../question/inner';
import { namesOf } from '../question/naming';
import { includedWords } from '../question/included';
import type { Question, Registration } from '../question/question';
import { underLetters } from '../readings/blind';
import { type Table, called } from '../readings/table';
import { choiceNames } from '../words/choice-names';
import { counted, given, percent } from '../words/numbers';
import { listed } from '../words/sentences';
import { plainly } from '../words/segments';

/** What decides an answer, part by part, each in words; parts that a kind of question does not have are left out. */
function partsOf(question: Question, table: Table): Map<string, string> {
  const facts = factsOf(question);
  const choices = choicesOf(question);
  const { words } = analysisOf(question);
  const lettered = underLetters(table);
  const parts: [string, string | undefined][] = [
    // Its direction is told by itself.
    ['question', plainly(words.sentence(namesOf({ ...question, direction: 'either' }, table)))],
    ['direction', choiceNames.direction[question.direction]],
    ['method', words.methodName(question)],
    ['spreads', facts.spreads ? choiceNames.spread[choices.spread] : undefined],
    ['set against each other by', facts.effects?.[choices.effect]],
    ['level', `${percent(question.level)} (α = ${alphaOf(question.level)})`],
    [
      tellsRatios(question) ? 'ratio tested against' : 'difference tested against',
      facts.differences ? given(choices.value) : undefined,
    ],
    [
      'equivalence margin',
      question.bounds ? `${given(question.bounds.low)} to ${given(question.bounds.high)}` : undefined,
    ],
    [
      'comparisons',
      facts.follows ? `${choiceNames.compare[choices.compare]}, ${choiceNames.follow[choices.follow]}` : undefined,
    ],
    [
      'contrasts',
      question.contrasts
        ?.map((c) => `${lettered(c.name)}: ${Object.values(c.weights).map(given).join(', ')}`)
        .join('; '),
    ],
    ['control', groupChoices(table, question).find((g) => g.id === question.control)?.name ?? question.control],
    ['sums of squares', facts.sums ? choiceNames.sums[choices.sums] : undefined],
    ['sphericity', facts.sphericities ? choiceNames.sphericity[choices.sphericity] : undefined],
    ['statistic', choices.method === 'shuffle' ? choiceNames.statistic[choices.statistic] : undefined],
    ['adjusted to', question.covariateAt === undefined ? undefined : given(question.covariateAt)],
    ['samples within samples', innerOf(question, table)?.name],
    ['blocks', isBlocked(question.design) ? called(blockOf(question, table), 'block') : undefined],
    [
      'known SD',
      question.knownSd === undefined
        ? undefined
        : [question.knownSd, question.knownSdB].flatMap((sd) => (sd === undefined ? [] : [given(sd)])).join(' and '),
    ],
    ['rows', rowsTold(question, table)],
    ['readings set aside', question.withAside ? 'included' : undefined],
  ];
  return new Map(parts.flatMap(([name, told]) => (told === undefined ? [] : [[name, told]])));
}

const rowsTold = ({ only, rows }: Question, table: Table): string | undefined =>
  only ? `those at ${only.level}` : rows?.length ? `those where ${includedWords({ rows }, table)}` : undefined;

/** What a registered question was to be, part by part. */
export const registeredParts = ({ question }: Registration, table: Table): [string, string][] => [
  ...partsOf(question, table),
];

/** Parts whose words would be long: of these it is said that they are others. */
const unspoken = new Set(['contrasts', 'sphericity']);

const thenWords = {
  registered: { question: 'the question was registered as', without: 'registered without one' },
  before: { question: 'the question was', without: 'before without one' },
};

/** Choices that are another now than they were when it was registered, or before groups were named, in words. */
export function changesSince(before: Question, now: Question, table: Table, then: keyof typeof thenWords): string[] {
  const parts = partsOf(before, table);
  const is = partsOf(now, table);
  const { question, without } = thenWords[then];
  return [...new Set([...parts.keys(), ...is.keys()])].flatMap((part) => {
    const [was, told] = [parts.get(part), is.get(part)];
    if (was === told) return [];
    if (part === 'question') return [`${question} “${was ?? ''}”`];
    return unspoken.has(part)
      ? [`${part} not as ${then}`]
      : [`${part} ${told ?? 'not given'}, ${was === undefined ? without : `${then} ${was}`}`];
  });
}

/** "n 14 of 16 planned in Red lamp": groups that are of another size than planned. */
function sizes(planned: number | undefined, groups: readonly GroupPart[]): string[] {
  // While no reading has come there is nothing to be short of.
  const begun = groups.some((g) => g.n > 0);
  const other = planned === undefined || !begun ? [] : groups.filter((g) => g.n !== planned);
  if (other.length === 0) return [];
  const told = other.slice(0, 6).map((g) => `${g.n} in ${g.name}`);
  return [
    `n ${listed(told)}${other.length > 6 ? ` and ${other.length - 6} more` : ''}, ${planned ?? 0} planned in each group`,
  ];
}

/** @param now the question answered, with what the sizes of its groups decided @param groups those compared, as the answer has them */
export function registeredPart(
  registration: Registration,
  now: Question,
  table: Table,
  groups: readonly GroupPart[],
): Registered {
  const aside = groups.reduce((n, g) => n + g.readings.aside.length, 0) - registration.aside;
  const { at, planned, readings } = registration;
  return {
    at,
    ...(planned === undefined ? {} : { planned }),
    readings,
    deviations: [
      ...sizes(planned, groups),
      ...changesSince(registration.question, now, table, 'registered'),
      ...(aside > 0 ? [`${counted(aside, 'reading')} set aside since`] : []),
    ],
  };
}
