import { type PointerEvent, useEffect, useMemo, useRef, useState } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import {
  type KnownSpread,
  type Plan,
  type PlanDesign,
  effectFor,
  planDesigns,
  powerAt,
  sampleFor,
  begunWith,
  isUneven,
  totalOf,
  usualPlan,
} from '../../core/planning/plan';
import { chiSquare } from '../../core/distributions/chi-square';
import { planOfSpread } from '../../core/answering/known-spread';
import { attempt } from '../../core/numeric/domain-error';
import { planScene } from '../../core/scenes/plan-picture';
import { fixed, percent, plural, significant } from '../../core/words/numbers';
import { listed } from '../../core/words/sentences';
import { protocolSentence } from '../../core/words/protocol';
import { html, plain } from '../../core/words/text';
import { inWords, send } from '../shared/api';
import { Accepted } from '../kit/Accepted';
import { CopyButton } from '../shared/CopyButton';
import { NumberField } from '../kit/NumberField';
import { Choose, byName } from '../kit/Parts';
import { RichText } from '../shared/RichText';
import { type Query, asQuery, numberOf, useAddress } from './address';
import { BackTo, questionIn } from './BackTo';
import { HandOver, toWriteUp } from './HandOver';
import { Gain, Spendings } from './Spendings';
import { Simulation } from './Simulation';
import { Value } from './Value';

/** What is found from the rest. */
const asks = {
  n: 'how many to take',
  power: 'how surely it is found',
  difference: 'how small a difference is found',
} as const;
type Ask = keyof typeof asks;

const directions = { either: 'two-sided', greater: 'greater', less: 'less' } as const;

/** The plan its address describes. */
function planOf(query: Query): Plan {
  const design = (query['design'] ?? '') in planDesigns ? (query['design'] as PlanDesign) : 'two-groups';
  const shares = design === 'shares';
  const whole = (key: string, usual: number): number => Math.max(2, Math.round(numberOf(query, key) ?? usual));
  return {
    design,
    difference: numberOf(query, 'difference') ?? (shares ? 0.2 : usualPlan.difference),
    sd: numberOf(query, 'sd') ?? usualPlan.sd,
    alpha: numberOf(query, 'alpha') ?? usualPlan.alpha,
    direction: (query['direction'] ?? '') in directions ? (query['direction'] as Plan['direction']) : 'either',
    groups: whole(
      'groups',
      design === 'nested' || design === 'adjusted'
        ? 2
        : design === 'factorial' || design === 'repeated' || design === 'mixed' || design === 'blocked'
          ? 3
          : usualPlan.groups,
    ),
    levels: whole('levels', usualPlan.levels),
    ratio: numberOf(query, 'ratio') ?? 1,
    correlation: numberOf(query, 'correlation') ?? usualPlan.correlation,
    readings: Math.max(1, Math.round(numberOf(query, 'readings') ?? (design === 'blocked' ? 1 : usualPlan.readings))),
    share: numberOf(query, 'share') ?? usualPlan.share,
  };
}

/** Both power curves, their points to be dragged. */
function PowerPicture({
  asked,
  onTake,
  onDrag,
}: {
  asked: string;
  onTake: (part: Partial<Query>) => void;
  onDrag: (part: Partial<Query>) => void;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(880);
  const [grip, setGrip] = useState<number>();
  useEffect(() => {
    if (!frame.current) return;
    const watcher = new ResizeObserver(
      ([entry]) => entry && setWidth(Math.max(280, Math.floor(entry.contentRect.width))),
    );
    watcher.observe(frame.current);
    return () => watcher.disconnect();
  }, []);
  const { scene, drawing } = useMemo(() => {
    const made = planScene(...(JSON.parse(asked) as [Plan, number, number, string]), width);
    return { scene: made, drawing: layout(made) };
  }, [asked, width]);
  const at = (event: PointerEvent, k: number): Partial<Query> => {
    const panel = scene.panels[k];
    const box = frame.current?.getBoundingClientRect();
    if (!panel || !box) return {};
    const [from, to] = panel.x.domain;
    const share = Math.min(1, Math.max(0, (event.clientX - box.left - panel.left) / panel.width));
    const value = from + share * (to - from);
    return k === 0
      ? { ask: 'power', n: String(Math.max(2, Math.round(value))) }
      : { ask: 'power', difference: String(Number(value.toPrecision(3))) };
  };
  const take = (event: PointerEvent) => {
    const box = frame.current?.getBoundingClientRect();
    const second = scene.panels[1];
    if (!box || !second) return;
    const below = event.clientY - box.top > second.top - 20;
    const k = below && event.clientX - box.left > second.left - 40 ? 1 : 0;
    setGrip(k);
    event.currentTarget.setPointerCapture(event.pointerId);
    onTake(at(event, k));
  };
  return (
    <div
      ref={frame}
      className="mt-3 max-w-5xl cursor-ew-resize touch-none"
      data-testid="power"
      onPointerDown={take}
      onPointerMove={(event) => grip !== undefined && onDrag(at(event, grip))}
      onPointerUp={() => setGrip(undefined)}
    >
      <DrawingView drawing={drawing} />
    </div>
  );
}

/** What a small pilot does not know of the SD: how far above it the true one may lie, and what that costs. */
function PilotNote({ plan, wanted, readings }: { plan: Plan; wanted: number; readings: number }) {
  const factor = attempt(() => Math.sqrt((readings - 1) / chiSquare(readings - 1).quantile(0.2)));
  if (!factor.ok || readings < 2) return <p className="text-error">A pilot has two readings at least.</p>;
  const careful = sampleFor({ ...plan, sd: plan.sd * factor.value }, wanted);
  return (
    <p className="text-muted" data-testid="pilot">
      An SD from {readings} readings is itself uncertain: one time in five the true one is more than{' '}
      {fixed(factor.value, 2)} times as large. {careful.ok && `To be safe against that, take ${careful.value}. `}And a
      difference seen in a pilot was likely seen because it came out large: plan for the smallest that would matter, not
      for the one that was seen.
    </p>
  );
}

/** Takes the spread from a question that was asked: fetched when it is wanted. */
function KnownSpreads({ onTake }: { onTake: (part: Partial<Query>) => void }) {
  const [known, setKnown] = useState<KnownSpread[]>();
  const [trouble, setTrouble] = useState('');
  const open = () =>
    void send<KnownSpread[]>('GET', '/api/bench/spreads').then(setKnown, (e: unknown) => setTrouble(inWords(e)));
  if (trouble) return <p className="text-error">{trouble}</p>;
  if (!known)
    return (
      <button type="button" className="plain-button" onClick={open}>
        Take it from a question of a study
      </button>
    );
  if (known.length === 0) return <p className="text-muted">No question on the shelf knows a spread yet.</p>;
  return (
    <Choose
      label="Take the SD from"
      value={undefined}
      prompt="from which question …"
      autoFocus
      options={byName(known, (k) => `${k.name}, ${k.study}`)}
      onChange={(id) => {
        const chosen = known.find((k) => k.id === id);
        if (chosen) onTake(planOfSpread(chosen));
      }}
    />
  );
}

/** How many to take, how surely it is found, how small a difference is found: each from the other two. */
export function Planner() {
  const { query, change, drag } = useAddress();
  const plan = planOf(query);
  const ask: Ask = (query['ask'] ?? '') in asks ? (query['ask'] as Ask) : 'n';
  const wanted = (numberOf(query, 'power') ?? 80) / 100;
  const loss = Math.min(0.9, Math.max(0, (numberOf(query, 'loss') ?? 0) / 100));
  const pilot = numberOf(query, 'pilot');
  const unit = query['unit'] ?? '';
  const subject = query['subject'] ?? '';
  const given = Math.max(2, Math.round(numberOf(query, 'n') ?? 20));
  // Some plans take their time: found anew only when the plan has changed.
  const found = useFound(JSON.stringify([plan, ask, wanted, given]));
  const n = found.ok && ask === 'n' ? found.value : given;
  const shown: Plan =
    found.ok && ask === 'difference'
      ? { ...plan, difference: (plan.direction === 'less' ? -1 : 1) * found.value }
      : plan;
  const power = found.ok && ask === 'power' ? found : powerAt(shown, n);
  const field = (label: string, key: string, value: number, step = 0.1, least?: number, most?: number) => (
    <Value
      label={label}
      value={value}
      step={step}
      width="min-w-14"
      optional={false}
      unit={/percent/i.test(label) ? '%' : unit}
      {...(least === undefined ? {} : { least })}
      {...(most === undefined ? {} : { most })}
      onChange={(x) => change({ [key]: asQuery(x) })}
    />
  );
  const back = questionIn(query);
  const numbers = totalOf(shown, n);
  const begun = begunWith(shown, n, loss);
  const uneven = isUneven(numbers);
  const two = plan.design === 'two-groups' || plan.design === 'shares';
  const directed = two || plan.design === 'paired' || plan.design === 'one-sample';
  const answered = (words: string) => (
    <strong className="font-semibold" data-testid="planned">
      {words}
    </strong>
  );
  const sentence = power.ok ? protocolSentence({ plan: shown, n, power: power.value, unit, subject, loss }) : undefined;
  const differenceName = ['several', 'factorial', 'repeated', 'nested', 'adjusted', 'blocked'].includes(plan.design)
    ? 'Difference of the largest and smallest mean'
    : 'Difference';
  const noun = (
    <Accepted
      className="part w-24"
      aria-label="What one sample is"
      placeholder="samples"
      value={subject}
      onAccept={(text) => change({ subject: text })}
    />
  );
  return (
    <div className="flex max-[1100px]:flex-col">
      <article className="min-w-0 grow px-6 pb-16">
        <h1 className="prose-serif mt-4 text-[23px] leading-relaxed">
          For{' '}
          <Choose
            label="Design"
            value={plan.design}
            options={planDesigns}
            onChange={(design) => change({ design, difference: undefined, groups: undefined, readings: undefined })}
          />
          {['several', 'nested', 'adjusted', 'blocked'].includes(plan.design) && (
            <>, {field('Groups', 'groups', plan.groups, 1, 2, 200)} of them</>
          )}
          {(plan.design === 'repeated' || plan.design === 'mixed') && (
            <> {field('Conditions', 'groups', plan.groups, 1, 2, 100)} conditions</>
          )}
          {plan.design === 'factorial' && (
            <>
              {' '}
              of {field('Levels of the first factor', 'groups', plan.groups, 1, 2, 50)} by{' '}
              {field('Levels of the second factor', 'levels', plan.levels, 1, 2, 50)} levels
            </>
          )}
          , to find{' '}
          {plan.design === 'shares' ? (
            <>
              a share that differs from {field('Share in the first group', 'share', plan.share, 0.01, 0.001, 0.999)}{' '}
              by{' '}
            </>
          ) : (
            'a difference of '
          )}
          {ask === 'difference'
            ? answered(found.ok ? `${significant(Math.abs(shown.difference), 3)}${unit && ` ${unit}`}` : '…')
            : field(differenceName, 'difference', plan.difference, plan.design === 'shares' ? 0.01 : 0.1)}{' '}
          {plan.design !== 'shares' && ask !== 'difference' && (
            <Accepted
              className="part w-12"
              aria-label="Unit"
              placeholder="unit"
              value={unit}
              onAccept={(text) => change({ unit: text })}
            />
          )}
          {plan.design !== 'shares' && (
            <>
              {' '}
              where {plan.design === 'paired' ? 'differences' : 'readings'} have an SD of{' '}
              {field('SD expected', 'sd', plan.sd)}
            </>
          )}
          , with a power of{' '}
          {ask === 'power' ? (
            answered(power.ok ? `${fixed(100 * power.value, 1)} %` : '…')
          ) : (
            <>{field('Power wanted in percent', 'power', Number((100 * wanted).toPrecision(8)), 1, 1, 99.99)} %</>
          )}
          , take{' '}
          {ask === 'n'
            ? answered(found.ok ? listed(uneven ? numbers.each.map(String) : [String(n)]) : '…')
            : field(uneven ? 'Number in the first group' : 'Number in each group', 'n', given, 1, 2, 1e6)}
          {uneven && ask !== 'n' && ` and ${numbers.each.slice(1).join(', ')}`}{' '}
          {plan.design === 'blocked' ? 'blocks' : noun}{' '}
          {plan.design === 'blocked'
            ? ''
            : plan.design === 'factorial'
              ? 'a cell'
              : directed && !two
                ? ''
                : plan.design === 'repeated'
                  ? ''
                  : uneven
                    ? 'in the first group and the second'
                    : 'in each group'}
          .
        </h1>
        <p className="prose-serif text-[17px] text-muted">
          Asked is{' '}
          <Choose
            label="What is asked"
            value={ask}
            options={asks}
            onChange={(next) => change({ ask: next, ...(next === 'n' ? {} : { n: String(n) }) })}
          />
          , tested{' '}
          {directed && (
            <Choose
              label="Direction"
              value={plan.direction}
              options={directions}
              onChange={(direction) => change({ direction })}
            />
          )}{' '}
          at the{' '}
          <Value
            label="Level of significance in percent"
            value={Number((100 * plan.alpha).toPrecision(8))}
            step={1}
            width="min-w-14"
            optional={false}
            unit="%"
            least={0.0001}
            most={49}
            onChange={(x) => change({ alpha: asQuery(x === undefined ? x : Number((x / 100).toPrecision(8))) })}
          />{' '}
          % level
          {two && (
            <>
              ; the second group {field('Second group as a multiple of the first', 'ratio', plan.ratio, 0.1, 0.05, 20)}{' '}
              times the first
            </>
          )}
          {(plan.design === 'repeated' || plan.design === 'mixed') && (
            <>
              ; readings of one subject correlate by{' '}
              {field('Correlation', 'correlation', plan.correlation, 0.05, 0, 0.99)}
            </>
          )}
          {plan.design === 'nested' && (
            <>
              ; each {subject || 'sample'} is read{' '}
              {field('Readings of each sample', 'readings', plan.readings, 1, 1, 1000)} times, and two of its readings
              correlate by {field('Intraclass correlation', 'correlation', plan.correlation, 0.05, 0, 0.99)}
            </>
          )}
          {plan.design === 'blocked' && (
            <>
              ; each block has {field('Readings of each group in a block', 'readings', plan.readings, 1, 1, 1000)}{' '}
              {noun} of each group, and readings of one block correlate by{' '}
              {field('Correlation', 'correlation', plan.correlation, 0.05, 0, 0.99)}
            </>
          )}
          {plan.design === 'adjusted' && (
            <>
              ; readings correlate with the covariate by{' '}
              {field('Correlation', 'correlation', plan.correlation, 0.05, -0.99, 0.99)}
            </>
          )}
          ; a loss of {field('Loss expected in percent', 'loss', Number((100 * loss).toPrecision(6)), 1, 0, 90)} % is
          expected.
        </p>
        <BackTo query={query} before="Planned for">
          {found.ok &&
            (uneven ? (
              '. A registration takes one number for all groups: these differ.'
            ) : (
              <>
                :{' '}
                <a className="plain-button font-semibold" href={`${back}?planned=${n}`}>
                  Take {n} as planned in each group
                </a>
              </>
            ))}
        </BackTo>
        {!found.ok && (
          <p role="alert" className="mt-2 text-error">
            {found.reason}
          </p>
        )}
        {found.ok && power.ok && (
          <>
            <p className="mt-2" data-testid="total">
              {numbers.total} {plural(subject || 'sample')} in all
              {loss > 0 &&
                `, ${begun.total} to begin with${isUneven(begun) ? ` (${listed(begun.each.map(String))})` : ''}, so that ${percent(loss)} may be lost`}
              .
            </p>
            {plan.design === 'nested' && (
              <Spendings
                plan={plan}
                wanted={wanted}
                costs={{ sample: numberOf(query, 'sampleCost') ?? 10, reading: numberOf(query, 'readingCost') ?? 1 }}
                subject={subject || 'sample'}
                onTake={change}
              />
            )}
            {(plan.design === 'adjusted' || plan.design === 'blocked') && <Gain plan={plan} wanted={wanted} n={n} />}
            <PowerPicture
              asked={JSON.stringify([shown, n, wanted, plan.design === 'shares' ? '' : unit])}
              onTake={change}
              onDrag={drag}
            />
            {sentence && (
              <>
                <h2 className="mt-4 flex items-baseline gap-4 font-sans text-sm font-semibold">
                  For the protocol{' '}
                  <CopyButton
                    copied={() => ({ plain: plain(sentence), html: html(sentence) })}
                    label="Copy the protocol sentence"
                  />
                  <HandOver words="Put it into a write-up" give={(study) => toWriteUp(study, plain(sentence))} />
                </h2>
                <p className="prose-serif max-w-[68ch] text-[16px]" data-testid="protocol">
                  <RichText text={sentence} />
                </p>
              </>
            )}
            <Simulation
              key={JSON.stringify([shown, n])}
              plan={shown}
              n={n}
              seed={Math.round(numberOf(query, 'seed') ?? 1)}
              unit={plan.design === 'shares' ? '' : unit}
              expected={power.value}
              onSeed={(seed) => change({ seed })}
            />
          </>
        )}
      </article>
      <aside
        aria-label="Margin notes"
        className="w-60 shrink-0 space-y-4 py-4 pr-6 text-sm max-[1100px]:w-full max-[1100px]:pl-6"
      >
        <section className="note">
          <h2 className="part-of-page">Where the SD comes from</h2>
          {plan.design === 'shares' ? (
            <p className="text-muted">Shares bring their own spread: none is asked.</p>
          ) : (
            <>
              <p>
                From a pilot of{' '}
                <NumberField
                  label="Readings in the pilot"
                  className="part w-10"
                  placeholder="…"
                  value={pilot}
                  least={2}
                  whole
                  onChange={(x) => change({ pilot: asQuery(x) })}
                />{' '}
                readings
              </p>
              <KnownSpreads onTake={change} />
              {pilot !== undefined && <PilotNote plan={plan} wanted={wanted} readings={Math.round(pilot)} />}
            </>
          )}
        </section>
        <section className="note">
          <h2 className="part-of-page">What power is</h2>
          <p className="text-muted">
            Of many experiments like this one, with a true difference of just this size, the share whose test finds it.
            The others find nothing, and nothing tells them that they missed it.
          </p>
        </section>
      </aside>
    </div>
  );
}

/** What the plan asks for. */
function useFound(key: string) {
  return useMemo(() => {
    const [plan, ask, wanted, n] = JSON.parse(key) as [Plan, Ask, number, number];
    return ask === 'n' ? sampleFor(plan, wanted) : ask === 'power' ? powerAt(plan, n) : effectFor(plan, n, wanted);
  }, [key]);
}
