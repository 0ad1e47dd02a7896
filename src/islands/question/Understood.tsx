/** What is behind the parts one opens: loaded with them, not with the page. */
import { useMemo, useState } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import type { Answer } from '../../core/answer/answer';
import type { Comparison, Reference } from '../../core/answer/comparison';
import { factsOf } from '../../core/analyses/kinds';
import type { Beside, BesideName } from '../../core/answering/asked-beside';
import { hasDirection } from '../../core/answering/directions';
import { workingOf } from '../../core/answering/working-of';
import { named } from '../../core/distributions/named';
import type { Table } from '../../core/readings/table';
import { choicesOf } from '../../core/question/choices';
import { levelsScene } from '../../core/scenes/levels-picture';
import { curveScene } from '../../core/scenes/curve';
import { isQuick } from '../../core/answering/weight';
import { decisionOf, pOf } from '../../core/telling/decision';
import { directionsTable } from '../../core/telling/directions';
import { equivalenceHypotheses, hypotheses } from '../../core/telling/hypotheses';
import { fixed, significant } from '../../core/words/numbers';
import { later } from '../shared/later';
import { ResultTableView } from '../shared/ResultTableView';
import { CopyButton } from '../shared/CopyButton';
import { Choose } from '../kit/Parts';
import { useBeside } from './use-beside';
import { WorkingItOut } from './WorkingOut';

const Formula = later(() => import('./Formula'));

const Tex = ({ tex }: { tex: string }) => (
  <Formula tex={tex} meanwhile={<code className="text-[13px] text-muted">…</code>} />
);

/** The reference distribution: rejection region, critical values, statistic; pointing at a place reads its tails. */
function Curve({ reference, p, level, width }: { reference: Reference; p: number; level: number; width: number }) {
  const [cut, setCut] = useState<number>();
  const decision = useMemo(() => decisionOf(reference, p, level), [reference, p, level]);
  const scene = useMemo(
    () => (decision ? curveScene(reference, decision.region, width, cut) : undefined),
    [reference, decision, width, cut],
  );
  const curve = useMemo(() => named(reference.distribution, reference.parameters), [reference]);
  if (!scene || !decision) return <p className="text-sm text-muted">This distribution has no curve to show here.</p>;
  const [panel] = scene.panels;
  const read = cut ?? reference.statistic;
  const [left, right] = curve.ok ? [curve.value.lower(read), curve.value.upper(read)] : [];
  const shown = (x: { ok: boolean; value?: number } | undefined): string =>
    x?.ok ? significant(x.value ?? 0, 4) : '–';
  const point = (clientX: number, box: DOMRect) => {
    if (!panel) return;
    const [from, to] = panel.x.domain;
    const share = ((clientX - box.left) * (scene.width / box.width) - panel.left) / panel.width;
    const at = from + share * (to - from);
    setCut(share < 0 || share > 1 ? undefined : curve.ok && curve.value.discrete ? Math.round(at) : at);
  };
  return (
    <div>
      <div
        data-testid="reference-curve"
        className="w-fit"
        onPointerMove={(e) => point(e.clientX, e.currentTarget.getBoundingClientRect())}
        onPointerLeave={() => setCut(undefined)}
      >
        <DrawingView drawing={layout(scene)} />
      </div>
      <p className="text-sm" data-testid="areas">
        At {reference.symbol} = {fixed(read, Number.isInteger(read) ? 0 : 3)}: area{' '}
        {curve.ok && curve.value.discrete ? 'up to it' : 'below'} {shown(left)},{' '}
        {curve.ok && curve.value.discrete ? 'from it on' : 'above'} {shown(right)}
        {cut === undefined && <span className="text-muted"> (point at the curve to read another place)</span>}
      </p>
      <ul className="prose-serif mt-1 max-w-[70ch] list-disc pl-5 text-[15px]" data-testid="decision">
        {decision.words.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
    </div>
  );
}

interface Props {
  what: 'hypotheses' | 'decision' | 'levels' | 'working';
  answer: Answer;
  comparison: Comparison;
  table: Table;
  chosen: number;
}

/** What is asked beside the question, once it is opened. */
const useOpened = <K extends BesideName>(name: K, { question }: Answer, table: Table): Beside<K>[] | undefined =>
  useBeside(name, question, table, { quick: isQuick(question, table), wanted: true });

/** The p of all three directions. */
function Directions({ answer, table }: Pick<Props, 'answer' | 'table'>) {
  const all = useOpened('directions', answer, table);
  if (!all) return <WorkingItOut />;
  return (
    <div className="mt-3" data-testid="directions">
      <ResultTableView table={directionsTable(all)} />
    </div>
  );
}

function Hypotheses({ answer, table }: Pick<Props, 'answer' | 'table'>) {
  const stated = hypotheses(answer);
  const equivalence = equivalenceHypotheses(answer);
  return (
    <>
      <ul className="space-y-2" data-testid="hypotheses">
        {[
          ...(stated ? [stated.none, stated.some] : []),
          ...(equivalence ? [equivalence.none, equivalence.some] : []),
        ].map((h) => (
          <li key={h.tex}>
            <Tex tex={h.tex} /> <span className="prose-serif ml-3 text-[15px] text-muted">{h.words}</span>
          </li>
        ))}
      </ul>
      {hasDirection(answer.question, table) && <Directions answer={answer} table={table} />}
    </>
  );
}

function DecisionPart({ answer, comparison }: Pick<Props, 'answer' | 'comparison'>) {
  const references = comparison.reference ?? [];
  const [which, setWhich] = useState(0);
  const reference = references[Math.min(which, references.length - 1)];
  if (!reference) return null;
  return (
    <>
      {references.length > 1 && (
        <p className="mb-1 text-sm">
          Of{' '}
          <Choose
            label="Which test"
            value={String(which)}
            options={Object.fromEntries(references.map((r, i) => [String(i), r.of ?? `test ${i + 1}`]))}
            onChange={(next) => setWhich(Number(next))}
          />
        </p>
      )}
      <Curve reference={reference} p={pOf(comparison, reference)} level={answer.question.level} width={640} />
    </>
  );
}

function WorkingPart({ answer, table, chosen }: Pick<Props, 'answer' | 'table' | 'chosen'>) {
  const parts = workingOf(answer, table, chosen);
  if (parts.length === 0) return <p className="text-sm text-muted">There is no working to show for this.</p>;
  const plainSteps = parts
    .map(({ title, steps }) =>
      [
        title,
        ...steps.map((s) => `${s.what}: ${s.name} = ${s.formula} = ${s.numbers} = ${significant(s.result, 6)}`),
      ].join('\n'),
    )
    .join('\n\n');
  return (
    <div data-testid="working">
      <CopyButton copied={() => ({ plain: plainSteps })} label="Copy the working as TeX" />
      {parts.map(({ title, steps }) => (
        <section key={title} className="mb-3">
          <h4 className="text-sm font-semibold">{title}</h4>
          <table className="text-[14px]">
            <caption className="sr-only">{title}, step by step</caption>
            <tbody>
              {steps.map((s, i) => (
                <tr key={`${s.name}-${i}`} className="align-middle">
                  <th scope="row" className="max-w-52 py-1 pr-4 text-left font-normal text-muted">
                    {s.what}
                  </th>
                  <td className="py-1">
                    <Tex
                      tex={`\\displaystyle ${s.name} = ${s.formula}${s.numbers && s.numbers !== s.formula ? ` = ${s.numbers}` : ''}`}
                    />
                  </td>
                  <td className="py-1 pl-4 text-right" data-testid="step-result">
                    {!Number.isFinite(s.result)
                      ? '∞'
                      : Number.isInteger(s.result)
                        ? s.result
                        : significant(s.result, 6)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </div>
  );
}

/** The interval at the usual levels, one below the other: how it widens. */
function LevelsPart({ answer, comparison, table }: Pick<Props, 'answer' | 'comparison' | 'table'>) {
  const { question, unit } = answer;
  const found = useOpened('levels', answer, table);
  if (!found) return <WorkingItOut />;
  const { differences, effectsAre } = factsOf(question);
  const none =
    comparison.p === undefined ? undefined : (found[0]?.effect.none ?? (differences ? choicesOf(question).value : 0));
  const inUnit = effectsAre === 'difference of shares' || answer.logs ? '' : unit;
  return (
    <div data-testid="levels">
      <DrawingView drawing={layout(levelsScene(found, question.level, inUnit, 640, none))} />
    </div>
  );
}

/** One of the parts behind the answer. */
export default function Understood({ what, ...rest }: Props) {
  if (what === 'hypotheses') return <Hypotheses {...rest} />;
  if (what === 'decision') return <DecisionPart {...rest} />;
  if (what === 'levels') return <LevelsPart {...rest} />;
  return <WorkingPart {...rest} />;
}
