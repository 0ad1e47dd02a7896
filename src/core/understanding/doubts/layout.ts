/** What the table as a whole may be. */
import { levelSizes } from '../../readings/levels';
import { rowAsNamesEdits } from '../../readings/row-as-names';
import { holdsShares } from '../../readings/share-cell';
import { type Column, type Table, called, columnsOf, isMeasured } from '../../readings/table';
import { isMirrored } from '../mirrored';
import type { TableEdit } from '../../readings/table-edit';
import { layoutNames } from '../../readings/layouts';
import type { Interpretation } from '../interpretation';
import { attempt } from '../../numeric/domain-error';
import { turnRoundEdits } from '../turn-round';
import { answersBelowEdits } from '../answers-below';
import { likelier, interpretedEdits } from '../read-as';
import { likeliestCrossing, likeliestOutcome } from '../likeliest';
import { arePlate, groupName, meanName, spreadKind } from '../vocabulary';
import { type Mend, type TableDoubt, asItIs, isSettled, settle, some } from './doubt';

/** Measures offered one by one. */
const offered = 6;

/** Several measures beside each other: which one is compared? */
export function whichOutcome(table: Table): TableDoubt[] {
  const measures = columnsOf(table, 'measure');
  if (table.shape !== 'rows' || measures.length < 2 || isSettled(table, 'which-outcome')) return [];
  const likeliest = likeliestOutcome(table);
  return [
    {
      code: 'which-outcome',
      text: `Which is the outcome? The columns ${some(
        measures.map((c) => c.name || 'unnamed'),
        5,
      )} are different variables, and one at a time is compared${likeliest ? `: ${likeliest.name || 'the first'} unless you choose another` : ''}.`,
      where: [],
      mends: measures
        .slice(0, offered)
        .map((c): Mend => ({ label: c.name || 'unnamed', edits: [settle(table, 'which-outcome', c.id)] })),
    },
  ];
}

/** Figures of several variables, each with its spread: which are compared? */
export function whichFigures(table: Table): TableDoubt[] {
  const [measure] = columnsOf(table, 'measure');
  const [spread] = columnsOf(table, 'spread');
  if (table.shape !== 'summary' || !measure || !spread || isSettled(table, 'which-outcome')) return [];
  const { columns } = table;
  // Each mean has its spread to the right of it.
  const others = columns.flatMap((mean, k) => {
    const beside = columns[k + 1];
    if (mean.role !== 'label' || beside?.role !== 'label') return [];
    const isMean = meanName.test(mean.name) || (beside.name.trim().startsWith('±') && spreadKind(mean.name) === null);
    return isMean && spreadKind(beside.name) !== null ? [{ mean, spread: beside }] : [];
  });
  if (others.length === 0) return [];
  const choose = (chosen: { mean: Column; spread: Column }): TableEdit[] =>
    chosen.mean === measure
      ? [settle(table, 'which-outcome', measure.id)]
      : [
          { kind: 'describe-column', column: measure.id, role: 'label' },
          { kind: 'describe-column', column: spread.id, role: 'label' },
          { kind: 'describe-column', column: chosen.mean.id, role: 'measure' },
          { kind: 'describe-column', column: chosen.spread.id, role: 'spread' },
          settle(table, 'which-outcome', chosen.mean.id),
        ];
  const all = [{ mean: measure, spread }, ...others];
  return [
    {
      code: 'which-outcome',
      text: `Which is the outcome? ${some(
        all.map(({ mean }) => mean.name),
        5,
      )} are figures of different variables, and one at a time is compared: ${measure.name} unless you choose another.`,
      where: [],
      mends: all.slice(0, offered).map((chosen): Mend => ({ label: chosen.mean.name, edits: choose(chosen) })),
    },
  ];
}

/** Several columns of shares written out beside each other: which is compared? */
export function whichShares(table: Table): TableDoubt[] {
  const shares = table.columns.filter((c) => (c.role === 'count' || c.role === 'label') && holdsShares(c.cells));
  const now = shares.find((c) => c.role === 'count');
  if (table.shape !== 'counts' || !now || shares.length < 2 || isSettled(table, 'which-outcome')) return [];
  const choose = (chosen: Column): TableEdit[] => [
    ...(chosen === now
      ? []
      : ([
          { kind: 'describe-column', column: now.id, role: 'label' },
          { kind: 'describe-column', column: chosen.id, role: 'count' },
        ] satisfies TableEdit[])),
    settle(table, 'which-outcome', chosen.id),
  ];
  const names = shares.map((c) => called(c, 'unnamed'));
  return [
    {
      code: 'which-outcome',
      text: `Which is the outcome? ${some(names, 5)} were counted of the same, and one at a time is compared: ${called(now, 'unnamed')} unless you choose another.`,
      where: [],
      mends: shares.slice(0, offered).map((c): Mend => ({ label: called(c, 'unnamed'), edits: choose(c) })),
    },
  ];
}

/** Several columns of categories beside each other: which is the outcome, and by which is it parted? */
export function whichCategory(table: Table): TableDoubt[] {
  const groups = columnsOf(table, 'group');
  if (table.shape !== 'categories' || groups.length < 3 || isSettled(table, 'which-outcome')) return [];
  const { by, outcome } = likeliestCrossing(table);
  const called = (id: string | undefined): string => groups.find((c) => c.id === id)?.name ?? 'unnamed';
  return [
    {
      code: 'which-outcome',
      text: `Which is the outcome? The columns ${some(
        groups.map((c) => c.name || 'unnamed'),
        5,
      )} are categories, and two at a time are crossed: ${called(outcome)} by ${called(by)} unless you choose another.`,
      where: [],
      mends: groups
        .slice(0, offered)
        .map((c): Mend => ({ label: c.name || 'unnamed', edits: [settle(table, 'which-outcome', c.id)] })),
    },
  ];
}

/** Whether a table of columns as groups has rows A, B, C … and columns 1, 2, 3 …. */
function standsAsPlate(table: Table): boolean {
  const measures = columnsOf(table, 'measure');
  const names = table.columns.find((c) => c.role === 'label' || c.role === 'group');
  const rows = names?.cells.slice(0, 20).flatMap((c) => (c.trim() === '' ? [] : [c.trim()])) ?? [];
  return (
    table.shape === 'columns' &&
    measures.length > 2 &&
    rows.length > 2 &&
    arePlate(
      rows,
      measures.map((c) => c.name),
    )
  );
}

/** A plate of wells, rows A, B, C … and columns 1, 2, 3 …: what stands in which well? */
export function wellsOfPlate(table: Table): TableDoubt[] {
  if (!standsAsPlate(table) || isSettled(table, 'ambiguous-layout')) return [];
  const measures = columnsOf(table, 'measure');
  const turned = attempt(() => turnRoundEdits(table));
  return [
    {
      code: 'ambiguous-layout',
      text: `Rows from A on and columns 1 to ${measures.length} are the wells of a plate. What stood in which well the table does not say: each column is read as a group. Where groups are otherwise, a row a well with its group beside it says so.`,
      where: [],
      mends: [
        ...(turned.ok
          ? [{ label: 'Each row is a group', edits: [...turned.value, settle(table, 'ambiguous-layout', 'turned')] }]
          : []),
        asItIs(table, 'ambiguous-layout', 'Each column is a group'),
      ],
    },
  ];
}

/** The same names at both sides and the same figures across the diagonal: these are no readings. */
export function mirroredTable(table: Table): TableDoubt[] {
  const figures = table.columns.filter((c) => isMeasured(c.role));
  const names = table.columns.find((c) => !isMeasured(c.role));
  const rows = names?.cells.filter((cell) => cell.trim() !== '') ?? [];
  if (isSettled(table, 'ambiguous-layout') || !isMirrored(rows, figures)) return [];
  return [
    {
      code: 'ambiguous-layout',
      text: 'Rows and columns have the same names, and the table is the same across its diagonal: these are distances or correlations between them rather than readings, and there is nothing in them to compare.',
      where: [],
      mends: [asItIs(table, 'ambiguous-layout', 'They are readings')],
    },
  ];
}

/** Categories of which each row has one of its own: there is nothing to count. */
export function namesAlone(table: Table): TableDoubt[] {
  if (table.shape !== 'categories' || isSettled(table, 'ambiguous-layout')) return [];
  const { by, outcome } = likeliestCrossing(table);
  const alone = columnsOf(table, 'group').filter((c) => {
    const sizes = levelSizes(c).filter((n) => n > 0);
    return (c.id === by || c.id === outcome) && sizes.length > 1 && sizes.every((n) => n === 1);
  });
  if (alone.length === 0) return [];
  const names = alone.flatMap((c) => (c.name ? [`“${c.name}”`] : []));
  const under = names.length > 0 ? ` under ${some(names)}` : '';
  const headed = table.columns.every((c) => c.name === '') ? attempt(() => rowAsNamesEdits(table, 0)) : undefined;
  return [
    {
      code: 'ambiguous-layout',
      text: `No two rows hold the same${under}: there is nothing to count. If these are readings, each cell should hold one number.`,
      where: [],
      mends: [
        ...(headed?.ok ? [{ label: 'The first row holds the names', edits: headed.value }] : []),
        asItIs(table, 'ambiguous-layout', 'They are categories'),
      ],
    },
  ];
}

/** The same answers in each column: of the same subjects, or of the groups that the columns name? */
export function answersOfGroups(table: Table): TableDoubt[] {
  const edits = isSettled(table, 'ambiguous-layout') ? undefined : answersBelowEdits(table);
  if (!edits) return [];
  const names = some(columnsOf(table, 'group').map((c) => `“${c.name}”`));
  return [
    {
      code: 'ambiguous-layout',
      text: `Each row is read as one subject that has an answer under each of ${names}. Were these groups, each cell would be a subject of its own.`,
      where: [],
      mends: [
        { label: 'They are groups', edits: [...edits, settle(table, 'ambiguous-layout', 'groups')] },
        asItIs(table, 'ambiguous-layout', 'Each row is one subject'),
      ],
    },
  ];
}

/** Counts of more than two categories, of which two are crossed. */
export function whichCategories(table: Table): TableDoubt[] {
  const [a, b] = columnsOf(table, 'group');
  const others = columnsOf(table, 'label').filter((c) => {
    const texts = c.cells.filter((t) => t.trim() !== '');
    return texts.length > 0 && new Set(texts).size <= texts.length / 2;
  });
  if (table.shape !== 'counts' || !a || others.length === 0 || isSettled(table, 'which-outcome')) return [];
  const named = a.cells.filter((t) => t.trim() !== '');
  // Outcomes beside each other, or a part of a total, of groups that come again in each of the others.
  const ofAll = columnsOf(table, 'total').length > 0 || columnsOf(table, 'count').length > 1;
  if (b ? ofAll : !ofAll || new Set(named).size === named.length) return [];
  const names = (columns: readonly { name: string }[]): string => some(columns.map((c) => c.name || 'unnamed'));
  return [
    {
      code: 'which-outcome',
      text: b
        ? `The counts are of more than two categories. ${a.name || 'The first'} is crossed with ${b.name || 'the last'}, over all of ${names(others)}.`
        : `The counts are of more than one category. ${a.name || 'The last'} is compared, the counts of all of ${names(others)} taken together: within each the difference may be another.`,
      where: [],
      mends: [
        ...others.map((c): Mend => ({
          label: b ? `Cross ${c.name || 'unnamed'} with ${b.name || 'the last'}` : `Compare ${c.name || 'unnamed'}`,
          edits: [
            { kind: 'describe-column', column: a.id, role: 'label' },
            { kind: 'describe-column', column: c.id, role: 'group' },
          ],
        })),
        asItIs(table, 'which-outcome'),
      ],
    },
  ];
}

/** Groups a table of one figure each has at most. */
const mostGroups = 12;

/** One percentage of each group, and nothing of how many: no share can be compared so. */
export function sharesWithoutTotal(table: Table): TableDoubt[] {
  const [measure, more] = columnsOf(table, 'measure');
  const names = table.columns.find((c) => c !== measure && groupName.test(c.name));
  const levels = names?.cells.filter((t) => t.trim() !== '') ?? [];
  if (!measure || more || measure.unit !== '%' || !names || isSettled(table, 'spread-kind')) return [];
  if (table.columns.length > 2 || levels.length > mostGroups || new Set(levels).size < levels.length) return [];
  return [
    {
      code: 'spread-kind',
      text: `Each ${names.name} has one percentage, and nothing says of how many. To compare them add a column with what each is out of; as they stand they are ${levels.length} readings of one group.`,
      where: [],
      mends: [asItIs(table, 'spread-kind')],
    },
  ];
}

/** A mean with ± something. */
export function unknownSpread(table: Table): TableDoubt[] {
  const [spread] = columnsOf(table, 'spread');
  if (table.shape !== 'summary' || isSettled(table, 'spread-kind')) return [];
  if (!spread) {
    const figures = table.columns.filter((c) => c.role !== 'group' && c.name !== '');
    return [
      {
        code: 'spread-kind',
        text: `These are figures of groups (${some(figures.map((c) => c.name))}), and none of them is the spread of a mean. To compare groups add a column with each SD, variance, SEM or half-width of an interval.`,
        where: [],
        mends: [asItIs(table, 'spread-kind')],
      },
    ];
  }
  if (spreadKind(spread.name)) return [];
  const is = (
    kind: Table['spread'],
    label: string,
    more: Partial<Extract<TableEdit, { kind: 'describe-table' }>> = {},
  ): Mend => ({
    label,
    edits: [{ kind: 'describe-table', spread: kind, ...more, settled: { ...table.settled, 'spread-kind': kind } }],
  });
  return [
    {
      code: 'spread-kind',
      text: `What “${spread.name || '±'}” is, the table does not say. It is taken as the SD; were it the SEM, the test would be another.`,
      where: [],
      mends: [
        is('sd', 'It is the SD'),
        is('sem', 'It is the SEM'),
        is('interval', 'Half of a 95 % interval', { level: 0.95 }),
      ],
    },
  ];
}

/** The two strongest reasons for an interpretation. */
const reasons = ({ evidence }: Interpretation): string =>
  evidence
    .filter((e) => e.weight > 0)
    .sort((a, b) => b.weight - a.weight)
    .slice(0, 2)
    .map((e) => e.why)
    .join(' and ');

/** Another way to read the table that is about as likely. */
export function ambiguousLayout(table: Table): TableDoubt[] {
  if (isSettled(table, 'ambiguous-layout') || table.rowCount < 2 || table.columns.some((c) => c.formula)) return [];
  if (standsAsPlate(table)) return [];
  const { best, others } = likelier(table);
  const all = [best, ...others];
  const here = all.find((i) => i.shape === table.shape);
  if (!here || all.length < 2) return [];
  return [
    {
      code: 'ambiguous-layout',
      text: `This may be ${all.map((i) => layoutNames[i.shape]).join(', or ')}. It is read as ${layoutNames[table.shape]}, because ${reasons(here)}.`,
      where: [],
      mends: all.map((i): Mend =>
        i === here
          ? asItIs(table, 'ambiguous-layout', `Read it as ${layoutNames[i.shape]}`)
          : {
              label: `Read it as ${layoutNames[i.shape]}`,
              edits: [...interpretedEdits(table, i), settle(table, 'ambiguous-layout', i.shape)],
            },
      ),
    },
  ];
}
