/** The parts of a question's sentence that are choices: what each may be, and the question that then is asked. */
import { factsOf } from '../analyses/kinds';
import { attempt } from '../numeric/domain-error';
import {
  type Kind,
  asDesign,
  designOf,
  isAdjusted,
  isBlocked,
  groupChoices,
  isThroughout,
  isWithin,
  kindOf,
  samplingOf,
  ofOneGroup,
  kindsFor,
  sameOutcomes,
} from '../question/asking';
import { blockOf, blocksFor, canBlock, withinBlocks } from '../question/block';
import { innerFor, innerOf } from '../question/inner';
import { adjustedFor, canAdjust, covariateOf, covariatesFor } from '../question/covariate';
import { columnNamed } from '../question/naming';
import type { Question } from '../question/question';
import { type Counting, countingOf, countingWays } from '../question/counting';
import type { CountTable } from '../readings/counts';
import { countTable, holdsCounts } from '../readings/count-table';
import { factorColumns } from '../readings/factors';
import { columnsAreGroups } from '../readings/groups';
import { type Repeats } from '../readings/repeats';
import { type Column, type Table, called, columnsOf } from '../readings/table';
import { type PartName, type Segment, isPart } from '../words/segments';

export interface Option {
  id: string;
  words: string;
  /** The question as it would then be asked: made when it is chosen, for that may look at every reading. */
  ask: () => Question;
}

/** A part of the sentence with what it may be. */
export interface Control {
  label: string;
  chosen: string | undefined;
  options: Option[];
}

export type Controls = Partial<Record<PartName, Control>>;

/** What another kind of comparison is called among the choices. */
const kindWords: Record<'readings' | 'share' | 'table', Partial<Record<Kind, string>>> = {
  readings: {
    estimate: 'on its own: an estimate,',
    value: 'from a fixed value,',
    two: 'between two groups,',
    several: 'among several groups,',
    factors: 'with two factors,',
  },
  share: {
    estimate: 'on its own: an estimate,',
    value: 'from a stated share,',
    two: 'between two groups,',
    several: 'among several groups,',
  },
  table: { value: 'stated proportions,', several: 'on the rows,' },
};
const oneSided: Partial<Record<Kind, string>> = {
  estimate: 'on its own: an estimate,',
  value: 'than a fixed value,',
  two: 'in one group than in another,',
};

/** A group picked for one side: where it stands on the other, the two change places. */
function exchanged(question: Question, mine: 'a' | 'b', id: string): Question {
  const other = mine === 'a' ? 'b' : 'a';
  const swap = id === question[other] && question[mine] !== undefined ? { [other]: question[mine] } : {};
  return { ...question, [mine]: id, ...swap };
}

/** One chosen with the answer in sight is remembered as such. */
function directions(question: Question, said: string): Control {
  const { afterLooking: _, ...rest } = question;
  const to = (direction: Question['direction']): Question =>
    direction === 'either' ? { ...rest, direction } : { ...rest, direction, afterLooking: true };
  return {
    label: 'Direction',
    chosen: question.direction,
    options: [
      {
        id: 'either',
        words: question.direction === 'either' ? said : 'different (two-sided)',
        ask: () => to('either'),
      },
      { id: 'greater', words: 'greater', ask: () => to('greater') },
      { id: 'less', words: 'less', ask: () => to('less') },
    ],
  };
}

function kinds(question: Question, table: Table, said: string): Control {
  const { design, direction, about } = question;
  const now = kindOf[design];
  const words = about === 'share' || about === 'table' ? kindWords[about] : kindWords.readings;
  const counts = words !== kindWords.readings;
  const nameOf = (kind: Kind): string =>
    (!counts && direction !== 'either' ? oneSided[kind] : undefined) ?? words[kind] ?? '';
  return {
    label: 'What is compared',
    chosen: now,
    options: [...new Set([...kindsFor(table, question), now])].map((kind) => ({
      id: kind,
      words: kind === now ? said : nameOf(kind),
      ask: () =>
        kind === now ? question : asDesign(question, table, designOf(kind, counts ? 'once' : samplingOf(design))),
    })),
  };
}

const countingWords: Record<Counting, string> = {
  nested: 'counts once, with its readings within it',
  average: 'counts once, by the mean of its readings',
  each: 'counts once for each of its readings',
};

/** How subjects were measured, where the table leaves that open. */
function countings(
  question: Question,
  table: Table,
  counted: CountTable | undefined,
  repeats: Repeats | undefined,
  said: string,
): Control | undefined {
  const { design, about, cut } = question;
  const kind = kindOf[design];
  const within = isWithin(design);
  const throughout = isThroughout(design);
  const control = (label: string, of: Kind): Control => {
    const withinOptions = (['within', 'crossed'] as const)
      .map((sampling) => ({ sampling, next: designOf(of, sampling) }))
      .filter(({ sampling, next }) => samplingOf(next) === sampling)
      .map(({ sampling, next }): Option => ({
        id: sampling,
        words: factsOf({ ...question, design: next }).within ?? 'counts once',
        ask: () => (next === design ? question : asDesign(question, table, next)),
      }));
    const repeated = countingWays(question, table, repeats);
    const now = countingOf(question, table);
    if (repeated.length > 0)
      return {
        label,
        chosen: throughout ? samplingOf(design) : now,
        options: [
          ...repeated.map(({ counting, asked }) => ({
            id: counting,
            words: counting === now && !throughout ? said : countingWords[counting],
            ask: () => asked,
          })),
          ...withinOptions,
        ],
      };
    const once = designOf(of, 'once');
    return {
      label,
      chosen: throughout ? samplingOf(design) : 'once',
      options: [
        {
          id: 'once',
          words: throughout ? (factsOf({ ...question, design: once }).within ?? 'counts once') : said,
          ask: () => (throughout ? asDesign(question, table, once) : question),
        },
        ...withinOptions,
      ],
    };
  };
  if (about === 'table') return undefined;
  if (about !== 'share')
    return ofOneGroup(design) || table.shape === 'summary' ? undefined : control('How subjects were measured', kind);
  const twice = counted !== undefined && sameOutcomes(counted);
  return twice || within || (cut !== undefined && kind === 'two')
    ? control('How subjects were looked at', 'two')
    : undefined;
}

/** What the means are adjusted for: another column of measurements, blocks that another column names, or nothing. */
export function covariates(question: Question, table: Table): Control | undefined {
  const [adjusted, blocked] = [isAdjusted(question.design), isBlocked(question.design)];
  const chosen = adjusted ? covariateOf(question, table)?.id : blocked ? blockOf(question, table)?.id : undefined;
  const by = (columns: readonly Column[], to: (id: string) => Question): Option[] =>
    columns.map((c) => ({
      id: c.id,
      words: columnNamed(c, table),
      ask: () => (chosen === c.id ? question : to(c.id)),
    }));
  const columns = [
    ...(canAdjust(question, table) ? by(covariatesFor(question, table), (id) => adjustedFor(question, table, id)) : []),
    ...(canBlock(question, table) ? by(blocksFor(question, table), (id) => withinBlocks(question, table, id)) : []),
  ];
  if (columns.length === 0) return undefined;
  const nothing = () => (adjusted ? adjustedFor : withinBlocks)(question, table, undefined);
  return {
    label: blocked ? 'Compared within' : 'Adjusted for',
    chosen: chosen ?? 'nothing',
    options: [...columns, { id: 'nothing', words: 'nothing', ask: () => (adjusted || blocked ? nothing() : question) }],
  };
}

/** What readings stand in within their samples: samples that another column names, or nothing more. */
export function innerSamples(question: Question, table: Table): Control | undefined {
  const columns = innerFor(question, table);
  if (columns.length === 0) return undefined;
  const { inner: _, ...rest } = question;
  return {
    label: 'Samples within samples',
    chosen: innerOf(question, table)?.id ?? 'nothing',
    options: [
      ...columns.map((c) => ({
        id: c.id,
        words: `${called(c)} by ${called(c)}`,
        ask: () => ({ ...question, inner: c.id }),
      })),
      { id: 'nothing', words: 'all alike', ask: () => rest },
    ],
  };
}

/** Two columns by which readings are sorted: one chosen that stands in the other place changes places with it. */
function columnControl(
  label: string,
  columns: readonly Column[],
  chosen: Column | undefined,
  to: (id: string) => Question,
): Control | undefined {
  if (columns.length < 2) return undefined;
  return {
    label,
    chosen: chosen?.id,
    options: columns.map((c) => ({ id: c.id, words: called(c), ask: () => to(c.id) })),
  };
}

function factors(question: Question, table: Table): Controls {
  if (columnsAreGroups(table) || kindOf[question.design] !== 'factors') return {};
  const [first, second] = factorColumns(table, question);
  const columns = columnsOf(table, 'group');
  const place = (mine: 'by' | 'by2') => {
    const [own, other] = mine === 'by' ? [first, second] : [second, first];
    return (id: string): Question => {
      const rest = other?.id === id ? own?.id : other?.id;
      return { ...question, [mine]: id, ...(rest ? { [mine === 'by' ? 'by2' : 'by']: rest } : {}) };
    };
  };
  return controls({
    factor: columnControl('First factor', columns, first, place('by')),
    'second-factor': columnControl('Second factor', columns, second, place('by2')),
  });
}

/** Of counts: which columns are crossed, and which outcome the share is of. */
function crossed(question: Question, table: Table, counted: CountTable | undefined): Controls {
  if (question.cut !== undefined || !counted) return {};
  const outcomes = counted.columns.categories;
  const found: Control = {
    label: 'What was found',
    chosen: question.found ?? outcomes[0]?.id,
    options: outcomes.map((o) => ({ id: o.id, words: o.name, ask: () => ({ ...question, found: o.id }) })),
  };
  const groups = columnsOf(table, 'group');
  const crossable = (!holdsCounts(table) || table.shape === 'categories') && groups.length > 2;
  if (question.about === 'share') return { found };
  if (!crossable) return {};
  const by = (label: string, which: 'by' | 'outcome', name: string): Control | undefined =>
    columnControl(
      label,
      groups,
      groups.find((c) => c.name === name),
      (id) => {
        const { found: _, groups: __, a: ___, b: ____, ...rest } = question;
        const other = which === 'by' ? 'outcome' : 'by';
        const swapped = question[other] === id && question[which] ? { [other]: question[which] } : {};
        const next = { ...rest, [which]: id, ...swapped };
        const again = attempt(() => countTable(table, next));
        const [x, y] = again.ok ? again.value.rows.categories : [];
        return { ...next, ...(x ? { a: x.id } : {}), ...(y ? { b: y.id } : {}) };
      },
    );
  const alone = outcomes.length === 1;
  const fit = kindOf[question.design] === 'value';
  return controls({
    rows: by(
      fit ? 'What was counted' : 'What it may depend on',
      'by',
      fit && !alone ? counted.columns.name : counted.rows.name,
    ),
    outcome: by('What was found', 'outcome', counted.columns.name),
  });
}

const controls = (all: Partial<Record<PartName, Control | undefined>>): Controls =>
  Object.fromEntries(Object.entries(all).filter(([, control]) => control !== undefined));

/**
 * What each part of a question's sentence may be.
 * @param sentence as it now stands
 * @param repeats how readings repeat subjects, as far as it is known
 */
export function controlsOf(
  question: Question,
  table: Table,
  sentence: readonly Segment[],
  repeats?: Repeats,
): Controls {
  const { about, design } = question;
  const said = (name: PartName): string => sentence.flatMap((s) => (isPart(s, name) ? s.said : []))[0] ?? '';
  const ofCounts = about === 'share' || about === 'table';
  const crossing = ofCounts ? attempt(() => countTable(table, question)) : undefined;
  const counted = crossing?.ok ? crossing.value : undefined;
  const groups = ofCounts ? (counted?.rows.categories ?? []) : groupChoices(table, question);
  // Of the same subjects twice, the two looks are columns, and not groups to choose from.
  const fixed = about === 'share' && design === 'paired';
  const group = (which: 'a' | 'b'): Control | undefined =>
    fixed
      ? undefined
      : {
          label: which === 'a' ? 'First group' : 'Second group',
          chosen: question[which] ?? (ofCounts && which === 'a' ? groups[0]?.id : undefined),
          options: groups.map(({ id, name }) => ({
            id,
            words: name,
            ask: () => (kindOf[design] === 'two' ? exchanged(question, which, id) : { ...question, [which]: id }),
          })),
        };
  const all: Controls = {
    ...controls({
      direction: directions(question, said('direction')),
      compares: kinds(question, table, said('compares')),
      covariate: covariates(question, table),
      inner: innerSamples(question, table),
      counting: countings(question, table, counted, repeats, said('counting')),
      a: group('a'),
      b: group('b'),
    }),
    ...factors(question, table),
    ...(ofCounts ? crossed(question, table, counted) : {}),
  };
  const there = new Set(sentence.flatMap((s) => (typeof s === 'string' ? [] : s.part)));
  return Object.fromEntries(Object.entries(all).filter(([name]) => there.has(name as PartName)));
}
