import { mostOf } from '../numeric/extremes';
import * as v from 'valibot';
import { minus } from '../numeric/decimals';

/**
 * What a derived column is computed from, as data: a tree of numbers, columns and named operations. Whatever text it was
 * written as, nothing but these can stand in it, so it reaches nothing but numbers.
 */
export type Expression =
  | { kind: 'number'; value: number }
  | { kind: 'column'; column: string }
  | { kind: 'apply'; name: OperationName; args: Expression[] };

/** Operations of an expression, each a function of numbers; NaN stands for "no number", and becomes an empty cell. */
export const operations = {
  // As the decimals they were typed as: 1.1 − 1 is 0.1.
  '+': (a: number, b: number) => minus(a, -b),
  '-': minus,
  '*': (a: number, b: number) => a * b,
  '/': (a: number, b: number) => a / b,
  '^': (a: number, b: number) => a ** b,
  negative: (a: number) => -a,
  log10: (a: number) => Math.log10(a),
  log2: (a: number) => Math.log2(a),
  ln: (a: number) => Math.log(a),
  exp: (a: number) => Math.exp(a),
  sqrt: (a: number) => Math.sqrt(a),
  abs: (a: number) => Math.abs(a),
  round: (a: number, digits: number) => {
    const scale = 10 ** digits;
    return Math.round(a * scale) / scale;
  },
  min: (a: number, b: number) => Math.min(a, b),
  max: (a: number, b: number) => Math.max(a, b),
} as const;
export type OperationName = keyof typeof operations;

const operationNames = Object.keys(operations) as [OperationName, ...OperationName[]];
const Id = v.pipe(v.string(), v.minLength(1), v.maxLength(40));

/** Deepest nesting an expression may have. */
const deepest = 60;

const ExpressionNode: v.GenericSchema<Expression> = v.lazy(() =>
  v.variant('kind', [
    v.object({ kind: v.literal('number'), value: v.pipe(v.number(), v.finite()) }),
    v.object({ kind: v.literal('column'), column: Id }),
    v.object({
      kind: v.literal('apply'),
      name: v.picklist(operationNames),
      args: v.pipe(v.array(ExpressionNode), v.minLength(1), v.maxLength(2)),
    }),
  ]),
);

const depth = (e: Expression): number => (e.kind === 'apply' ? 1 + mostOf(e.args.map(depth)) : 1);

const Expression = v.pipe(
  ExpressionNode,
  v.check((e) => depth(e) <= deepest, 'The expression is nested too deeply: split it over two columns.'),
);

/** How a derived column is made. Columns are named by id, so that renaming one changes nothing. */
export const Formula = v.variant('kind', [
  /** A number for each row from the numbers of that row. */
  v.object({ kind: v.literal('expression'), expression: Expression }),
  /** Each reading as a percentage of the control group's mean: a level's id, or a column's where columns are groups. */
  v.object({ kind: v.literal('percent-of-control'), of: Id, by: v.nullable(Id), control: v.string() }),
  /** Standard score: distance from the column's mean in its SDs. */
  v.object({ kind: v.literal('score'), of: Id }),
  /** Bands between cut-points: a reading below a cut belongs to the band before it. */
  v.object({
    kind: v.literal('bands'),
    of: Id,
    cuts: v.pipe(v.array(v.pipe(v.number(), v.finite())), v.minLength(1), v.maxLength(12)),
    names: v.pipe(v.array(v.pipe(v.string(), v.maxLength(200))), v.minLength(2), v.maxLength(13)),
  }),
]);
export type Formula = v.InferOutput<typeof Formula>;

const columnsIn = (e: Expression): string[] =>
  e.kind === 'column' ? [e.column] : e.kind === 'apply' ? e.args.flatMap(columnsIn) : [];

/** Ids of the columns a formula reads. */
export function sourcesOf(formula: Formula): string[] {
  if (formula.kind === 'expression') return [...new Set(columnsIn(formula.expression))];
  if (formula.kind === 'percent-of-control')
    return [formula.of, ...(formula.by ? [formula.by] : formula.control === formula.of ? [] : [formula.control])];
  return [formula.of];
}

/** The value of an expression where its columns have these values; NaN where it has none. */
export function evaluate(e: Expression, valueOf: (column: string) => number): number {
  if (e.kind === 'number') return e.value;
  if (e.kind === 'column') return valueOf(e.column);
  const [a, b] = e.args.map((arg) => evaluate(arg, valueOf));
  const value = operations[e.name](a ?? NaN, b ?? NaN);
  return Number.isFinite(value) ? value : NaN;
}

const infix = new Set(['+', '-', '*', '/', '^']);
const shownAs: Record<string, string> = { '*': '×', '-': '−', '/': '÷' };
const binding: Record<string, number> = { '+': 1, '-': 1, '*': 2, '/': 2, negative: 3, '^': 4 };

/** An expression as text; `nameOf` gives a column's name. Brackets stand only where they are needed. */
export function expressionText(
  e: Expression,
  nameOf: (column: string) => string,
  sign: (operator: string) => string = (o) => shownAs[o] ?? o,
): string {
  if (e.kind === 'number') return String(e.value);
  if (e.kind === 'column') return nameOf(e.column);
  const mine = binding[e.name] ?? 5;
  const part = (arg: Expression | undefined, loose: boolean): string => {
    if (!arg) return '';
    const text = expressionText(arg, nameOf, sign);
    const theirs = arg.kind === 'apply' ? (binding[arg.name] ?? 5) : 5;
    return theirs < mine || (theirs === mine && !loose) ? `(${text})` : text;
  };
  const [a, b] = e.args;
  if (e.name === 'negative') return `${sign('-')}${part(a, true)}`;
  if (infix.has(e.name))
    return `${part(a, e.name !== '^')} ${sign(e.name)} ${part(b, e.name === '+' || e.name === '*' || e.name === '^')}`;
  return `${e.name}(${e.args.map((arg) => expressionText(arg, nameOf, sign)).join(', ')})`;
}
