/** What of a figure has a name, a colour and a place: groups, levels of two factors, categories of a table. */
import { colourNames } from '../../core/words/table-names';
import { factsOf } from '../../core/analyses/kinds';
import type { ReactNode } from 'react';
import { markerPath } from '../../charts/markers';
import type { Answer } from '../../core/answer/answer';
import { inTableOrder, ordered } from '../../core/answer/in-order';
import { type FigureStyle, inkColour } from '../../core/figures/figure-style';
import { isLaid, kindOf, paints, places } from '../../core/figures/kinds';
import { levelKey, lookOf } from '../../core/figures/slots';
import { groupColours } from '../../core/drawing/colours';
import { markerOf } from '../../core/drawing/marker';
import { Accepted } from '../kit/Accepted';
import { Ordered, Steps } from '../kit/Ordered';
import { Choose } from '../kit/Parts';
import type { ControlProps } from './Controls';

/** What can be named, coloured and ordered: groups, or the levels of both factors, or the categories of a table. */
export interface Named {
  key: string;
  name: string;
  colour: number;
  /** Whether colour and marker are its own. */
  painted: boolean;
}

export function namedParts(answer: Answer, style: FigureStyle): Named[] {
  const counts = answer.comparison.ok ? answer.comparison.value.counts : undefined;
  const sorted = (all: Named[]): Named[] => ordered(all, (n) => n.key, style.order);
  if (answer.layout) {
    const across = factsOf(answer.question).along === 'b' ? 'a' : 'b';
    return (['a', 'b'] as const).flatMap((factor) =>
      sorted(
        (answer.layout?.[factor].levels ?? []).map((level, i) => ({
          key: levelKey(factor, level),
          name: level.name,
          colour: level.colour ?? i,
          painted: factor === across && paints(kindOf(answer, style)),
        })),
      ),
    );
  }
  const kind = kindOf(answer, style);
  const stacked = kind === 'stacked';
  return [
    ...sorted(
      inTableOrder(answer, answer.groups).map((g) => ({
        key: g.id,
        name: g.name,
        colour: g.colour,
        painted: !stacked && paints(kind),
      })),
    ),
    ...(stacked && counts
      ? counts.columns.map((name, j) => ({ key: `category/${j}`, name, colour: j, painted: true }))
      : []),
  ];
}

const shapeNames = ['disc', 'diamond', 'triangle down', 'square', 'fork', 'triangle', 'cross', 'star'];

/** One group: its name in the figure, its colour and marker. @param moving what changes its place */
export function GroupControl({ of, moving, ...props }: ControlProps & { of: Named; moving?: ReactNode }) {
  const { answer, style, set } = props;
  const { key, name, painted } = of;
  const look = style.looks?.[key] ?? {};
  const laid = isLaid(kindOf(answer, style));
  const colour = look.colour ?? of.colour % 8;
  const shape = markerOf(lookOf(style, key, of.colour).shape);
  const change = (part: Partial<typeof look>) => {
    const next = Object.fromEntries(
      Object.entries({ ...look, ...part }).filter(([, v]) => v !== undefined && v !== ''),
    );
    const { [key]: _, ...others } = style.looks ?? {};
    const looks = Object.keys(next).length > 0 ? { ...others, [key]: next } : others;
    set({ looks: Object.keys(looks).length > 0 ? looks : undefined });
  };
  return (
    <span className="flex flex-wrap items-baseline gap-x-1.5 py-0.5" data-testid={`look-${name}`}>
      <span className="flex basis-full items-baseline">
        <Accepted
          className="part min-w-0 grow"
          aria-label={`Name of ${name} in the figure`}
          placeholder={name}
          value={look.name ?? ''}
          onAccept={(text) => change({ name: text })}
        />
        {moving ?? <Steps ids={peersOf(props, key)} id={key} name={name} onOrder={(next) => inOrder(props, next)} />}
      </span>
      {painted && (
        <>
          <svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden className="self-center">
            <path
              d={markerPath(shape, [{ x: 0, y: 0 }], 10)}
              fill={colour === inkColour ? 'var(--ink-ink)' : groupColours.page[colour]}
            />
          </svg>
          <Choose
            label={`Colour of ${name}`}
            value={String(colour)}
            options={Object.fromEntries(
              colourNames.flatMap((c, i) => (laid && i === inkColour ? [] : [[String(i), c]])),
            )}
            onChange={(c) => change({ colour: Number(c) })}
          />
          <Choose
            label={`Marker of ${name}`}
            value={String(shape)}
            options={Object.fromEntries(shapeNames.map((s, i) => [String(i), s]))}
            onChange={(s) => change({ shape: Number(s) })}
          />
        </>
      )}
    </span>
  );
}

/** What can change places with one another: groups, or the levels of one factor. A table's categories stand as they are read. */
function peersOf({ answer, style }: ControlProps, key: string): string[] {
  const kind = kindOfKey(key);
  if (kind === 'category/' || !places(kindOf(answer, style))) return [];
  return namedParts(answer, style).flatMap((p) => (kindOfKey(p.key) === kind ? [p.key] : []));
}
const kindOfKey = (key: string): string => (key.includes('/') ? key.slice(0, key.indexOf('/') + 1) : '');

const inOrder = ({ style, set }: ControlProps, next: string[]): void =>
  set({ order: [...(style.order ?? []).filter((k) => !next.includes(k)), ...next] });

/** More groups than this are named and coloured where they are clicked. */
const most = 40;

/** All groups of a figure, or the levels of each factor, in their order. */
export function GroupsControl(props: ControlProps) {
  const parts = namedParts(props.answer, props.style);
  const nameOf = (key: string): string => parts.find((p) => p.key === key)?.name ?? '';
  return [...new Set(parts.map(({ key }) => kindOfKey(key)))].map((kind) => {
    const own = parts.filter(({ key }) => kindOfKey(key) === kind).slice(0, most);
    const control = (key: string, moving?: ReactNode) =>
      own.flatMap((of) => (of.key === key ? [<GroupControl key={key} {...props} of={of} moving={moving} />] : []));
    const peers = peersOf(props, own[0]?.key ?? '');
    return peers.length === 0 || peers.length > most ? (
      own.map(({ key }) => control(key))
    ) : (
      <Ordered key={kind} ids={peers} name={nameOf} onOrder={(next) => inOrder(props, next)}>
        {control}
      </Ordered>
    );
  });
}
