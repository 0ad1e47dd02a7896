/** What was done beside the readings, in words for the log. */
import { nth } from '../numeric/nth';
import type { Kind, Sampling } from '../analyses/facts';
import { designFacts } from '../analyses/kinds';
import { kindNames } from '../figures/kinds';
import { styleNames } from '../figures/style-names';
import type { Design, Question } from '../question/question';
import { methodName } from '../telling/method';
import { choiceNames } from '../words/choice-names';
import { counted, given, percent } from '../words/numbers';
import type { StudyEvent } from './content';

const comparedWords: Record<Kind, string> = {
  estimate: 'an estimate',
  value: 'a group against a value',
  two: 'two groups',
  several: 'several groups',
  factors: 'two factors',
};
const samplingWords: Record<Sampling, string> = {
  once: '',
  nested: 'with readings within samples',
  adjusted: 'adjusted for a covariate',
  blocked: 'within blocks',
  within: 'each subject under all',
  crossed: 'each subject under every combination',
};

/** Parts of a question and of a figure as the log calls them. */
const parts: Readonly<Record<string, string>> = {
  about: 'what it is about',
  design: 'design',
  a: 'first group',
  b: 'second group',
  groups: 'groups compared',
  measure: 'measure',
  by: 'groups by',
  by2: 'second factor',
  covariate: 'adjusted for',
  covariateAt: 'adjusted to',
  block: 'blocks',
  inner: 'samples within samples',
  value: 'value compared with',
  direction: 'direction',
  afterLooking: 'direction after looking',
  level: 'confidence level',
  spread: 'spreads',
  method: 'method',
  outcome: 'outcome',
  found: 'share of',
  cut: 'cut-off',
  effect: 'effect',
  shareInterval: 'interval of a share',
  ratio: 'ratio',
  knownSd: 'known SD',
  knownSdB: 'known SD of the second group',
  bounds: 'bounds',
  compare: 'comparisons',
  spacing: 'spacing of the groups',
  repeats: 'how readings of one subject count',
  control: 'control',
  pairs: 'chosen pairs',
  turned: 'order of subtraction',
  contrasts: 'contrasts',
  follow: 'adjustment',
  within: 'levels compared',
  sums: 'type of sums of squares',
  sphericity: 'sphericity',
  only: 'rows',
  rows: 'rows',
  withAside: 'readings set aside',
  statistic: 'statistic',
  seed: 'seed',
  own: 'own words',
  name: 'name',
  kind: 'what it shows',
  marks: 'means',
  bars: 'error bars',
  readings: 'each reading',
  widthMm: 'width',
  heightMm: 'height',
  fontPt: 'text size',
  font: 'face',
  linePt: 'line weight',
  yTitle: 'title of values',
  xTitle: 'title of groups',
  log: 'logarithmic axis',
  from: 'start of the axis',
  to: 'end of the axis',
  order: 'order',
  looks: 'names and colours',
  rules: 'lines across',
  compared: 'comparisons shown',
  bracketsFor: 'brackets',
  pAs: 'p',
  names: 'names',
  beside: 'panels',
  across: 'panels in a row',
  panelLetters: 'panel letters',
  sizes: 'n under the names',
  fill: 'fill',
  meanPt: 'size of means',
  readingPt: 'size of readings',
  columnWidth: 'width of columns',
  groupGap: 'room between groups',
  scatter: 'readings of like value',
  barSide: 'side of the error bars',
  valueLabels: 'means written',
  sharedScale: 'shared scale',
  changeFrom: 'changes from',
};

/** How an experiment was made: "two groups, samples with readings within them". */
const designWords = (design: Design): string =>
  [comparedWords[designFacts[design].compares], samplingWords[designFacts[design].sampling]].filter(Boolean).join(', ');

const names: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  ...choiceNames,
  ...styleNames,
  kind: kindNames,
};

/** What a part was chosen to be; undefined where nothing is chosen, null where it would be too much to tell. */
function written(part: string, value: unknown, whole: object): string | null | undefined {
  if (value === undefined || value === null) return undefined;
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  if ((typeof value !== 'string' && typeof value !== 'number') || ids.has(part)) return null;
  if (part === 'method') return methodName(whole as Question);
  if (part === 'design') return designWords(value as Design);
  if (part === 'level') return percent(Number(value));
  if (typeof value === 'string') return names[part]?.[value] ?? `“${value}”`;
  return `${names[part]?.[value] ?? given(value)}${part.endsWith('Mm') ? ' mm' : part.endsWith('Pt') ? ' pt' : ''}`;
}

/** Ids mean nothing to a reader: of these it is said only that they changed. */
const ids = new Set([
  ...['a', 'b', 'measure', 'by', 'by2', 'outcome', 'control', 'found', 'block', 'inner', 'covariate', 'changeFrom'],
]);
/** Parts with lines of their own, and what a question notes for itself. */
const untold = new Set(['registered', 'atReveal', 'known']);

/** "confidence level now 99 %": the parts in which two differ. */
function differences(before: object, after: object): string[] {
  const [was, is] = [before as Record<string, unknown>, after as Record<string, unknown>];
  const changed = [...new Set([...Object.keys(was), ...Object.keys(is)])].filter(
    (key) => !untold.has(key) && JSON.stringify(was[key]) !== JSON.stringify(is[key]),
  );
  const said = changed.slice(0, 4).map((key) => {
    const name = parts[key] ?? key;
    const [now, then] = [written(key, is[key], after), written(key, was[key], before)];
    const asBefore = then ? `, was ${then}` : '';
    if (now === null) return `${name} changed`;
    return now === undefined ? `${name} no longer set${asBefore}` : `${name} now ${now}${asBefore}`;
  });
  return changed.length > said.length
    ? [...said.slice(0, -1), `${nth(said, said.length - 1)} and ${changed.length - said.length} more`]
    : said;
}

/** That a question was registered, or that it no longer is. */
function registration({ registered: was }: Question, { registered: is }: Question): string[] {
  if (JSON.stringify(was) === JSON.stringify(is)) return [];
  if (!is) return ['registration withdrawn'];
  const there =
    is.readings === 0 ? 'before any reading was there' : `with ${counted(is.readings, 'reading')} there already`;
  return [`registered ${there}${is.planned === undefined ? '' : `, ${is.planned} planned in each group`}`];
}

/** An event in words; its subject’s name stands beside it. @param lineTold when the line gone back to was told */
export function eventWords(event: StudyEvent, lineTold: (line: number) => string = () => ''): string {
  const { before, after } = event;
  switch (event.kind) {
    case 'question':
      return event.before === null
        ? 'asked'
        : event.after === null
          ? 'question removed'
          : [
              ...registration(event.before.question, event.after.question),
              ...differences(event.before.question, event.after.question),
            ].join(', ') || 'kept as it was';
    case 'figure':
      return event.before === null
        ? 'figure made'
        : event.after === null
          ? 'figure removed'
          : differences(event.before.style, event.after.style).join(', ') || 'kept as it was';
    case 'write-up':
      return before === null ? 'write-up begun' : after === null ? 'write-up taken back' : 'write-up changed';
    case 'table':
      return after === null ? 'table taken out' : 'table brought back';
    case 'study':
      return event.after === null
        ? 'study deleted'
        : event.before === null
          ? 'study brought back'
          : `study now called “${event.after}”, was “${event.before}”`;
    case 'restored':
      return `gone back to just after ${lineTold(event.after?.line ?? 0) || 'the beginning'}`;
  }
}
