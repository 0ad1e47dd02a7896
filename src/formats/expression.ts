import jsep from 'jsep';
import { DomainError, demand } from '../core/numeric/domain-error';
import { type Expression, type OperationName, operations } from '../core/readings/formula';
import type { Column } from '../core/readings/table';

/** Stands for a column within the text given to the parser; the number is its place. */
const token = (place: number): string => `column$${place}`;

/** How people write operators; the parser knows the plain ones. */
const plainSigns: Record<string, string> = { '×': '*', '·': '*', '÷': '/', '−': '-', '–': '-', '√': 'sqrt' };

/**
 * Puts each column's name aside before parsing, so that any name works: in quotes or brackets, or bare where it stands
 * between operators. Longer names go first, so that "lamp 1" is not read out of "lamp 12".
 */
function withTokens(text: string, columns: readonly Column[]): string {
  const named = columns
    .map((column, place) => ({ name: column.name.trim(), place }))
    .filter(({ name }) => name !== '')
    .sort((a, b) => b.name.length - a.name.length);
  let out = '';
  let at = 0;
  const wordEdge = (i: number): boolean => !/[\p{L}\p{N}_$]/u.test(text[i] ?? ' ');
  while (at < text.length) {
    const rest = text.slice(at);
    const quoted = /^(?:"([^"]*)"|“([^”]*)”|\[([^\]]*)\])/.exec(rest);
    if (quoted) {
      const wanted = (quoted[1] ?? quoted[2] ?? quoted[3] ?? '').trim();
      const found = named.find((n) => n.name === wanted);
      if (!found) throw new DomainError(`There is no column called “${wanted}”.`);
      out += token(found.place);
      at += quoted[0].length;
      continue;
    }
    // A bare name that could be a number is one: 48 is 48, "48" in quotes the column.
    const bare = named.find(
      ({ name }) =>
        rest.toLowerCase().startsWith(name.toLowerCase()) &&
        !/^[\d.]+$/.test(name) &&
        wordEdge(at - 1) &&
        wordEdge(at + name.length) &&
        !(name.toLowerCase() in operations && /^\s*\(/.test(rest.slice(name.length))),
    );
    if (bare) {
      out += token(bare.place);
      at += bare.name.length;
      continue;
    }
    const char = text[at] ?? '';
    out += plainSigns[char] ?? char;
    at += 1;
  }
  return out;
}

const words: Record<string, OperationName> = {
  log: 'log10',
  lg: 'log10',
  ln: 'ln',
  log10: 'log10',
  log2: 'log2',
  exp: 'exp',
  sqrt: 'sqrt',
  abs: 'abs',
  round: 'round',
  min: 'min',
  max: 'max',
};
const two = new Set<OperationName>(['round', 'min', 'max']);

function call(name: string, args: Expression[]): Expression {
  const operation = words[name.toLowerCase()];
  if (!operation) throw new DomainError(`“${name}” is not known here. There are ${Object.keys(words).join(', ')}.`);
  const given = operation === 'round' && args.length === 1 ? [...args, { kind: 'number' as const, value: 0 }] : args;
  demand(
    given.length === (two.has(operation) ? 2 : 1),
    `“${name}” takes ${two.has(operation) ? 'two values' : 'one value'}, and is given ${args.length}.`,
  );
  return { kind: 'apply', name: operation, args: given };
}

function build(node: jsep.Expression, columns: readonly Column[]): Expression {
  const next = (n: unknown): Expression => build(n as jsep.Expression, columns);
  switch (node.type) {
    case 'Literal': {
      const { value } = node as jsep.Literal;
      if (typeof value !== 'number')
        throw new DomainError(`Only numbers and columns can stand here, not “${String(value)}”.`);
      return { kind: 'number', value };
    }
    case 'Identifier': {
      const { name } = node as jsep.Identifier;
      const column = name.startsWith('column$') ? columns[Number(name.slice(7))] : undefined;
      if (!column)
        throw new DomainError(
          `There is no column called “${name}”. Write names of several words in quotes: "tank volume".`,
        );
      return { kind: 'column', column: column.id };
    }
    case 'UnaryExpression': {
      const { operator, argument } = node as jsep.UnaryExpression;
      if (operator === '+') return next(argument);
      demand(operator === '-', `“${operator}” cannot be used here.`);
      return { kind: 'apply', name: 'negative', args: [next(argument)] };
    }
    case 'BinaryExpression': {
      const { operator, left, right } = node as jsep.BinaryExpression;
      demand(
        ['+', '-', '*', '/', '^'].includes(operator),
        `“${operator}” cannot be used here: there are +, −, ×, ÷ and ^.`,
      );
      return { kind: 'apply', name: operator as OperationName, args: [next(left), next(right)] };
    }
    case 'CallExpression': {
      const { callee, arguments: args } = node as jsep.CallExpression;
      if (callee.type !== 'Identifier')
        throw new DomainError('Something stands before a bracket that cannot be applied.');
      return call((callee as jsep.Identifier).name, args.map(next));
    }
    case 'Compound':
      throw new DomainError('Two things stand side by side without an operator between them.');
    default:
      throw new DomainError('Only numbers, columns, + − × ÷ ^, brackets and the named functions can be used.');
  }
}

let prepared = false;

/**
 * Reads an expression written with column names, such as `"blade length" / "tank volume"` or `log(length)`.
 * @returns the expression as data: nothing in it can reach anything but numbers
 * @throws DomainError saying what in the text is not understood
 */
export function parseExpression(text: string, columns: readonly Column[]): Expression {
  if (!prepared) {
    jsep.addBinaryOp('^', 15, true);
    for (const op of [
      '**',
      '&&',
      '||',
      '??',
      '|',
      '&',
      '==',
      '!=',
      '===',
      '!==',
      '<',
      '>',
      '<=',
      '>=',
      '<<',
      '>>',
      '>>>',
    ])
      jsep.removeBinaryOp(op);
    prepared = true;
  }
  demand(text.trim() !== '', 'Write what is to be computed, such as length / width.');
  demand(text.length <= 1000, 'This expression is too long: split it over two columns.');
  // A minus before a power takes the power's result: −x² is −(x²).
  const tokens = withTokens(text, columns).replace(/(^|[-+*/^(,]\s*)-\s*([\w$.]+\s*\^\s*[\w$.]+)/g, '$1-($2)');
  let tree: jsep.Expression;
  try {
    tree = jsep(tokens);
  } catch {
    throw new DomainError(`“${text.trim().slice(0, 60)}” cannot be read: check its operators and brackets.`);
  }
  return build(tree, columns);
}
