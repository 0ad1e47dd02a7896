/** A table read as the figures of groups: mean, spread and n, one group a row. */
import type { Role } from '../readings/table';
import type { Evidence } from './evidence';
import { type Interpretation, type Looked, interpretation } from './interpretation';
import type { Seen } from './seen';
import { countName, figureName, lowerName, meanName, sizeName, spreadKind, subjectName, upperName } from './vocabulary';

const isLimit = (c: Seen): boolean => lowerName.test(c.name) || upperName.test(c.name);

/** Each tank's own mean, beside a lamp that comes again, is a reading of that lamp rather than the figure of a group. */
function ofSubjects({ columns, parts }: Pick<Looked, 'columns' | 'parts'>, name: Seen | undefined): Evidence[] {
  const groups = columns.find((c, i) => parts[i]?.role === 'group' && c.distinct < c.texts.length);
  return groups && name?.unique && subjectName.test(name.name)
    ? [{ weight: -4.5, why: `“${name.name}” names subjects, and “${groups.name}” groups them` }]
    : [];
}

/**
 * Figures of groups among which none says the spread of a mean: a median with its quartiles, a mean alone. They are no
 * readings, and what lacks is told where they are compared.
 */
function withoutSpread(columns: readonly Seen[], parts: Looked['parts']): Interpretation[] {
  const numbers = columns.filter((c, i) => c.kind === 'numbers' && parts[i]?.role !== 'group');
  const figures = numbers.filter((c) => figureName.test(c.name) || isLimit(c));
  const others = numbers.filter((c) => !figures.includes(c));
  const limits = [lowerName, upperName].every((name) => figures.some((c) => name.test(c.name)));
  const middle =
    figures.find((c) => meanName.test(c.name)) ??
    figures.find((c) => /^med/i.test(c.name)) ??
    (limits && others.length === 1 ? others[0] : undefined);
  const name = columns.find((c) => c.kind === 'text' && c.unique);
  if (!middle || !name || figures.length < 2 || figures.length < numbers.length - 1) return [];
  const n = figures.find((c) => c.whole && sizeName.test(c.name));
  return [
    interpretation(
      'summary',
      columns.map((c): Role => (c === middle ? 'measure' : c === n ? 'count' : c === name ? 'group' : 'label')),
      [
        { weight: 9, why: `“${figures.map((c) => c.name).join('”, “')}” are figures of groups` },
        ...ofSubjects({ columns, parts }, name),
      ],
    ),
  ];
}

export function asFigures({ columns, parts, rows }: Looked): Interpretation[] {
  const numbers = columns.filter((c) => c.kind === 'numbers');
  const spreads = numbers.filter((c) => spreadKind(c.name) !== null && !isLimit(c));
  // An SD rather than an SEM, where both are given.
  const spread = spreads.find((c) => spreadKind(c.name) === 'sd') ?? spreads[0];
  if (rows > 200) return [];
  if (!spread) return withoutSpread(columns, parts);
  const n =
    numbers.find((c) => c.whole && sizeName.test(c.name)) ?? numbers.find((c) => c.whole && countName.test(c.name));
  const others = numbers.filter((c) => c !== n && !spreads.includes(c) && !isLimit(c));
  const mean =
    others.find((c) => meanName.test(c.name)) ??
    (others.length === 1 || (n && others.length > 0) ? others[0] : undefined);
  // An interval around what is called by its own name says that it is a mean.
  if (!n && !(mean && (meanName.test(mean.name) || spreadKind(spread.name) === 'interval'))) return [];
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
      ...ofSubjects({ columns, parts }, name),
    ]),
  ];
}
