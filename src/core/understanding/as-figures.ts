/** A table read as the figures of groups: mean, spread and n, one group a row. */
import type { Role } from '../readings/table';
import { type Interpretation, type Looked, interpretation } from './interpretation';
import { countName, meanName, sizeName, spreadKind } from './vocabulary';

export function asFigures({ columns, parts, rows }: Looked): Interpretation[] {
  const numbers = columns.filter((c) => c.kind === 'numbers');
  const spreads = numbers.filter((c) => spreadKind(c.name) !== null);
  // An SD rather than an SEM, where both are given.
  const spread = spreads.find((c) => spreadKind(c.name) === 'sd') ?? spreads[0];
  if (!spread || rows > 200) return [];
  const n =
    numbers.find((c) => c.whole && sizeName.test(c.name)) ?? numbers.find((c) => c.whole && countName.test(c.name));
  const others = numbers.filter((c) => c !== n && !spreads.includes(c));
  const mean =
    others.find((c) => meanName.test(c.name)) ??
    (others.length === 1 || (n && others.length > 0) ? others[0] : undefined);
  if (!n && !(mean && meanName.test(mean.name))) return [];
  const name =
    columns.find((c) => c.kind === 'text' && c.unique) ??
    columns.find((c, i) => c.kind === 'text' && parts[i]?.role === 'group') ??
    columns.find((c) => c !== mean && c !== spread && c !== n && c.kind === 'numbers' && c.unique && c.place === 0);
  const roles = columns.map((c): Role =>
    c === mean && c !== name ? 'measure' : c === spread ? 'spread' : c === n ? 'count' : c === name ? 'group' : 'label',
  );
  const named = name?.unique === true;
  return [
    interpretation('summary', roles, [
      { weight: 5, why: `“${spread.name}” is a measure of spread` },
      ...(mean && mean !== name ? [{ weight: 3, why: `“${mean.name}” is what it is the spread of` }] : []),
      ...(n ? [{ weight: 2, why: `“${n.name}” is how many there were` }] : []),
      ...(named || rows === 1
        ? [{ weight: 1, why: 'each row is named once' }]
        : [{ weight: -4, why: 'rows of one name come again' }]),
    ]),
  ];
}
