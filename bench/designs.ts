/** What each design's answer costs at a size: tables made anew for every run, so that nothing is remembered. */
import { answer } from '../src/core/answering/answer';
import { eachMethod } from '../src/core/answering/alternative-methods';
import { random } from '../src/core/numeric/random';
import { type Question, questionOf } from '../src/core/question/question';
import { type Column, type Role, type Table, emptyColumn, tableOf } from '../src/core/readings/table';

const { normal, below } = random(7);
const cells = (n: number): string[] => Array.from({ length: n }, () => (20 + 4 * normal()).toFixed(2));
const levels = (n: number, k: number): string[] => Array.from({ length: n }, () => `L${below(k)}`);
const column = (id: string, role: Role, of: string[]): Column => ({ ...emptyColumn(id, id, '', role), cells: of });
const wide = (n: number, k: number, more: Partial<Table> = {}): Table =>
  tableOf(
    Array.from({ length: k }, (_, i) => column(`c${i}`, 'measure', cells(n / k))),
    more,
  );
const byFactors = (n: number, a: number, b: number): Table =>
  tableOf([column('f', 'group', levels(n, a)), column('g', 'group', levels(n, b)), column('y', 'measure', cells(n))], {
    shape: 'rows',
  });
const ofSubjects = (n: number): Table =>
  tableOf(
    [
      column(
        's',
        'subject',
        Array.from({ length: n / 4 }, (_, i) => `s${i}`),
      ),
      column(
        'g',
        'group',
        Array.from({ length: n / 4 }, (_, i) => `g${i % 3}`),
      ),
      ...Array.from({ length: 4 }, (_, i) => column(`c${i}`, 'measure', cells(n / 4))),
    ],
    { shape: 'repeated', subject: 's' },
  );

const two = { a: 'c0', b: 'c1' };

/** Each design by name, with the table it is asked of. */
export const designsAt = (n: number): [string, Question, Table][] => [
  ['one group against a value', questionOf('one-sample', { a: 'c0', value: 20 }), wide(n, 1)],
  ['two groups', questionOf('two-groups', two), wide(n, 2)],
  ['two groups by ranks', questionOf('two-groups', { ...two, method: 'ranks' }), wide(n, 2)],
  ['pairs', questionOf('paired', two), wide(n, 2)],
  ['five groups', questionOf('several'), wide(n, 5)],
  ['two factors, 3 × 4', questionOf('factorial'), byFactors(n, 3, 4)],
  ['the same subjects four times', questionOf('repeated'), wide(n, 4, { shape: 'repeated' })],
  ['groups of subjects four times', questionOf('mixed'), ofSubjects(n)],
  ['two spreads', questionOf('two-groups', { ...two, about: 'spread', method: 'brown-forsythe' }), wide(n, 2)],
  ['a share by a limit', questionOf('two-groups', { ...two, about: 'share', cut: 20, found: 'below' }), wide(n, 2)],
];

export const fifteen = (): [Question, Table] => [questionOf('factorial'), byFactors(20_000, 15, 15)];
export const manyLevels = (): [Question, Table] => [questionOf('factorial'), byFactors(100_000, 40_000, 4)];

/** Nothing of an earlier run is remembered of a copy. */
export const afresh = (table: Table): Table => ({ ...table, columns: table.columns.map((c) => ({ ...c })) });

export const asked = (question: Question, table: Table) => answer(question, afresh(table));
export const otherMethods = (n: number): (() => unknown) => {
  const table = wide(n, 2);
  return () => [...eachMethod(questionOf('two-groups', two), afresh(table))];
};

/** A hundred thousand readings under each model: in five thousand samples of different sizes, in blocks, with a covariate. */
export function models(): [string, Question, Table][] {
  const rows = Array.from({ length: 5000 }, (_, s) => {
    const own = 20 + 2 * normal();
    return Array.from({ length: 12 + (s % 17) }, () => [
      `s${s}`,
      `i${below(4)}`,
      `g${s % 4}`,
      (own + 3 * normal()).toFixed(2),
    ]);
  }).flat();
  const of = (k: number): string[] => rows.map((r) => r[k] ?? '');
  const samples = tableOf(
    [
      column('s', 'subject', of(0)),
      column('i', 'label', of(1)),
      column('g', 'group', of(2)),
      column('y', 'measure', of(3)),
    ],
    { shape: 'rows', subject: 's' },
  );
  const n = 100_000;
  const before = cells(n);
  const rest = tableOf(
    [
      column('g', 'group', levels(n, 4)),
      column('b', 'group', levels(n, 1000)),
      column('x', 'measure', before),
      column(
        'y',
        'measure',
        before.map((x) => (Number(x) + 2 * normal()).toFixed(2)),
      ),
    ],
    { shape: 'rows' },
  );
  const asked = { by: 'g', measure: 'y' };
  return [
    ['in 5,000 samples', questionOf('nested'), samples],
    ['in samples of 5,000 samples', questionOf('nested', { inner: 'i' }), samples],
    ['in 1,000 blocks, fixed', questionOf('blocked', { ...asked, block: 'b' }), rest],
    ['in 1,000 blocks, random', questionOf('blocked', { ...asked, block: 'b', method: 'mixed-model' }), rest],
    ['adjusted for a covariate', questionOf('adjusted', { ...asked, covariate: 'x' }), rest],
    ['four groups by ratios', questionOf('several', { ...asked, effect: 'ratio' }), rest],
  ];
}
