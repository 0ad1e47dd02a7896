import { mostOf } from '../../core/numeric/extremes';
import { useState } from 'react';
import {
  type AreaKind,
  type CurveName,
  type Parameters,
  areaKinds,
  areasOf,
  boundariesOf,
  curveNames,
  curves,
  parametersOf,
} from '../../core/planning/curve-reading';
import { named } from '../../core/distributions/named';
import { typedNumbers } from '../../core/readings/typed-number';
import type { ReadCurve, Reading } from '../../core/scenes/reader';
import { decisionOf } from '../../core/telling/decision';
import { stepsTold } from '../../core/words/curve-steps';
import { given as asGiven, significant } from '../../core/words/numbers';
import { NumberField } from '../kit/NumberField';
import { NumbersField } from '../kit/NumbersField';
import { Choose } from '../kit/Parts';
import { type Query, asQuery, numberOf, useAddress } from './address';
import { BackTo } from './BackTo';
import { CurvePicture } from './CurvePicture';
import { HandOver, toWriteUp } from './HandOver';
import { PrintedTable } from './PrintedTable';
import { Value } from './Value';

const areaNames = { left: 'left', between: 'between', right: 'right', outside: 'outside' } as const;
type AreaName = keyof typeof areaNames;

const curveOf = (raw: string | undefined): CurveName =>
  (curveNames as readonly string[]).includes(raw ?? '') ? (raw as CurveName) : 't';

/** The parameters of a curve as the address gives them. */
const given = (query: Query, curve: CurveName, prefix = ''): Parameters =>
  Object.fromEntries(
    curves[curve].parameters.flatMap(({ key }) => {
      const value = numberOf(query, prefix + key);
      return value === undefined ? [] : [[key, value]];
    }),
  );

/** As many curves as a picture can tell by their colours. */
const mostLaidOver = 7;

/** Parameters of the curves laid over: as many curves as a parameter has values, the last standing for those it lacks. */
function manyOf(query: Query, curve: CurveName): Parameters[] {
  const lists = curves[curve].parameters.map(({ key, usual }) => {
    const { values } = typedNumbers(query[`o-${key}`] ?? '');
    return { key, values: values.length > 0 ? values.slice(0, mostLaidOver) : [usual] };
  });
  const count = mostOf(lists.map((l) => l.values.length));
  return Array.from({ length: count }, (_, i) =>
    Object.fromEntries(lists.map(({ key, values }) => [key, values[Math.min(i, values.length - 1)] ?? 0])),
  );
}

/** Parameters of a curve, each typed in the sentence. */
function ParameterFields({
  curve,
  query,
  prefix = '',
  onChange,
}: {
  curve: CurveName;
  query: Query;
  prefix?: string;
  onChange: (part: Partial<Query>) => void;
}) {
  const now = parametersOf(curve, given(query, curve, prefix));
  const whyNot =
    (key: string) =>
    (x: number): string | undefined => {
      const made = named(curve, { ...now, [key]: x });
      return made.ok ? undefined : made.reason.replace(/\.$/, '');
    };
  return (
    <>
      {curves[curve].parameters.map(({ key, name }, i) => (
        <span key={key}>
          {i > 0 && name !== 'and' ? ', ' : i > 0 || prefix === '' ? ' ' : ''}
          {name === 'and' ? 'and ' : ''}
          {prefix === '' ? (
            <Value
              label={`${curves[curve].name}: ${name === 'and' ? 'second degrees of freedom' : name}`}
              value={now[key]}
              step={key === 'p' ? 0.01 : 1}
              optional={false}
              unit={key === 'p' ? null : ''}
              refuse={(x) => {
                const why = whyNot(key)(x);
                return why && `${asGiven(x)}: ${why}`;
              }}
              onChange={(x) => onChange({ [key]: asQuery(x) })}
            />
          ) : (
            <NumbersField
              label={`${curves[curve].name} laid over: ${name === 'and' ? 'second degrees of freedom' : name}`}
              value={query[prefix + key] ?? String(now[key])}
              most={mostLaidOver}
              refuse={whyNot(key)}
              onChange={(text) => onChange({ [prefix + key]: text })}
            />
          )}
          {name === 'and' ? '' : ` ${name}`}
        </span>
      ))}
    </>
  );
}

/** A reference curve read both ways: from boundaries to areas, and from an area to its boundaries. */
export function CurveReader() {
  const { query, change, drag } = useAddress();
  const [trouble, setTrouble] = useState('');
  const curve = curveOf(query['curve']);
  const parameters = parametersOf(curve, given(query, curve));
  const fallback = boundariesOf(curve, parameters, 'right', 0.05);
  const a = numberOf(query, 'a') ?? (fallback.ok ? Number(fallback.value.a.toPrecision(6)) : 0);
  const b = numberOf(query, 'b');
  const statistic = numberOf(query, 'statistic');
  const found = areasOf(curve, parameters, a, b);
  const shaded: AreaName =
    query['shade'] !== undefined &&
    query['shade'] in areaNames &&
    (b !== undefined || query['shade'] === 'left' || query['shade'] === 'right')
      ? (query['shade'] as AreaName)
      : b === undefined
        ? 'right'
        : 'outside';
  const otherCurve = query['with'] === undefined ? undefined : curveOf(query['with']);
  const label = (name: CurveName, p: Parameters): string =>
    `${curves[name].name} (${curves[name].parameters.map(({ key }) => asGiven(p[key] ?? NaN)).join(', ')})`;
  // Several values of a parameter lay several curves over the one read: "2 5 30" degrees of freedom.
  const others = otherCurve ? manyOf(query, otherCurve).map((p) => ({ curve: otherCurve, parameters: p })) : [];
  const shown = JSON.stringify([
    [{ curve, parameters }, ...others].map((c): ReadCurve => ({ ...c, label: label(c.curve, c.parameters) })),
    {
      a,
      ...(b === undefined ? {} : { b }),
      area: shaded,
      ...(statistic === undefined ? {} : { statistic }),
    } satisfies Reading,
  ]);
  const area = numberOf(query, 'area');
  const kind: AreaKind =
    query['take'] !== undefined && query['take'] in areaKinds ? (query['take'] as AreaKind) : 'right';
  const byArea = (asked: number, of: AreaKind) => {
    const made = boundariesOf(curve, parameters, of, asked);
    setTrouble(made.ok ? '' : made.reason);
    if (!made.ok) return;
    change({
      area: asQuery(asked),
      take: of,
      a: String(Number(made.value.a.toPrecision(8))),
      b: made.value.b === undefined ? undefined : String(Number(made.value.b.toPrecision(8))),
      shade: of,
    });
  };
  const typed = (key: string) => (x: number | undefined) => change({ [key]: asQuery(x) });
  /** A boundary put elsewhere cuts off another area than was asked. */
  const moved = (key: 'a' | 'b', to: string | undefined) => ({ [key]: to, area: undefined });
  const alpha = numberOf(query, 'alpha') ?? 0.05;
  const decision = statistic === undefined ? undefined : decided(statistic);
  /** The verdict is by the tails that are shaded. */
  function decided(x: number): string {
    const tail = areasOf(curve, parameters, x);
    if (!tail.ok) return tail.reason;
    const { left, right } = tail.value;
    const [direction, p] =
      shaded === 'left'
        ? (['less', left] as const)
        : shaded === 'right'
          ? (['greater', right] as const)
          : (['either', Math.min(1, 2 * Math.min(left, right))] as const);
    const { symbol } = curves[curve];
    const reference = { distribution: curve, parameters, symbol, statistic: x, direction };
    return decisionOf(reference, p, 1 - alpha)?.words.join(' ') ?? 'This curve has no critical value here.';
  }
  const steps =
    area !== undefined && (b === undefined) === (kind === 'left' || kind === 'right')
      ? stepsTold(curve, parameters, kind, area, { a, ...(b === undefined ? {} : { b }) })
      : undefined;
  return (
    <div className="px-6 pb-16">
      <h1 className="prose-serif not-print mt-4 text-[24px] leading-relaxed">
        The{' '}
        <Choose
          label="Curve"
          value={curve}
          options={Object.fromEntries(curveNames.map((c) => [c, curves[c].name]))}
          onChange={(next) => change({ curve: next, a: undefined, b: undefined, area: undefined, shade: undefined })}
        />{' '}
        curve with
        <ParameterFields curve={curve} query={query} onChange={change} />
      </h1>
      <p className="prose-serif not-print text-[17px] text-muted">
        read at{' '}
        <Value
          label="Boundary"
          value={a}
          placeholder="…"
          step={curve === 'binomial' ? 1 : 0.01}
          onChange={(x) => change(moved('a', asQuery(x)))}
        />{' '}
        and{' '}
        <Value
          label="Second boundary"
          value={b}
          placeholder="…"
          step={curve === 'binomial' ? 1 : 0.01}
          onChange={(x) => change(moved('b', asQuery(x)))}
        />
        , or where an area of{' '}
        <NumberField
          label="Area"
          placeholder="0.05"
          value={area}
          unit={null}
          refuse={(x) => (x > 0 && x < 1 ? undefined : `${asGiven(x)}: an area under the curve lies between 0 and 1`)}
          onChange={(x) => (x === undefined ? change({ area: undefined }) : byArea(x, kind))}
        />{' '}
        lies{' '}
        <Choose
          label="Where the area lies"
          value={kind}
          options={areaKinds}
          onChange={(of) => (area === undefined ? change({ take: of }) : byArea(area, of))}
        />
        ; a statistic of <Value label="Statistic" value={statistic} placeholder="…" onChange={typed('statistic')} /> at
        the{' '}
        <Value
          label="Level of significance"
          value={alpha}
          unit={null}
          optional={false}
          refuse={(x) => (x > 0 && x < 1 ? undefined : `${asGiven(x)}: a level lies between 0 and 1`)}
          onChange={typed('alpha')}
        />{' '}
        level; with{' '}
        <Choose
          label="Curve laid over it"
          value={otherCurve ?? 'none'}
          options={{
            none: 'no other curve',
            ...Object.fromEntries(
              curveNames.filter((c) => c !== 'binomial').map((c) => [c, `the ${curves[c].name} curve`]),
            ),
          }}
          onChange={(next) => change({ with: next === 'none' ? undefined : next })}
        />
        {otherCurve && (
          <>
            {' '}
            (<ParameterFields curve={otherCurve} query={query} prefix="o-" onChange={change} />)
          </>
        )}{' '}
        over it.
      </p>
      <BackTo query={query} before="The curve of" />
      {trouble && (
        <p role="alert" className="text-error">
          {trouble}
        </p>
      )}
      <CurvePicture
        asked={shown}
        whole={curve === 'binomial'}
        onTake={(key, value) => change(moved(key, value))}
        onDrag={(key, value) => drag(moved(key, value))}
      />
      {steps && (
        <p role="status" className="text-sm text-muted">
          {steps}
        </p>
      )}
      {found.ok ? (
        <dl className="mt-1 flex max-w-4xl flex-wrap gap-x-10 gap-y-1" data-testid="areas">
          {(Object.keys(areaNames) as AreaName[]).flatMap((name) => {
            const share = found.value[name];
            if (share === undefined) return [];
            return [
              <div key={name}>
                <dt className="text-sm text-muted">
                  <button
                    type="button"
                    className="plain-button"
                    aria-pressed={shaded === name}
                    onClick={() => change({ shade: name })}
                  >
                    {curve === 'binomial' && name === 'left'
                      ? `up to ${asGiven(Math.min(a, b ?? a))}`
                      : curve === 'binomial' && name === 'right'
                        ? `${asGiven(Math.max(a, b ?? a))} and more`
                        : areaNames[name]}
                  </button>
                </dt>
                <dd
                  className={`prose-serif text-[22px] ${shaded === name ? 'text-primary' : ''}`}
                  data-testid={`area-${name}`}
                >
                  {significant(share, 5)}
                </dd>
              </div>,
            ];
          })}
        </dl>
      ) : (
        <p role="alert" className="text-error">
          {found.reason}
        </p>
      )}
      {decision && (
        <p className="prose-serif mt-3 max-w-[68ch] text-[17px]">
          <span data-testid="decision">{decision}</span>{' '}
          <HandOver words="Put it into a write-up" give={(study) => toWriteUp(study, decision)} />
        </p>
      )}
      {curve !== 'binomial' && (
        <details
          className="mt-6"
          open={query['table'] === 'open'}
          onToggle={(e) =>
            e.currentTarget.open !== (query['table'] === 'open') &&
            change({ table: e.currentTarget.open ? 'open' : undefined })
          }
        >
          <summary className="prose-serif w-fit cursor-pointer text-[17px]">A page of critical values</summary>
          {query['table'] === 'open' && (
            <PrintedTable curve={curve} parameters={parameters} query={query} onChange={change} />
          )}
        </details>
      )}
    </div>
  );
}
