/** Permutation and bootstrap distributions, shown with the person's own readings: fetched when it is opened. */
import { useStore } from '@nanostores/react';
import { useEffect, useMemo, useState } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import type { Answer } from '../../core/answer/answer';
import type { Chance as Chances } from '../../core/answer/chance';
import { chanceOf, chancesOf, strayOf } from '../../core/answering/chance';
import { type Outcome, attempt } from '../../core/numeric/domain-error';
import { fromResamples, jackknifeAcceleration } from '../../core/procedures/bootstrap';
import { alphaOf } from '../../core/procedures/interval';
import type { ShuffleTest } from '../../core/procedures/shuffle-means';
import { type Shuffling, centreDifference } from '../../core/procedures/shuffling';
import { choicesOf, methodsFor } from '../../core/question/choices';
import type { Question } from '../../core/question/question';
import { arrangementScene, gatheredScene } from '../../core/scenes/chance';
import {
  chanceCut,
  chanceIdea,
  chanceResult,
  exactResult,
  shownResult,
  statisticName,
  strayResult,
  tooMany,
} from '../../core/words/chance';
import type { ShuffleCalls } from '../../workers/shuffle.worker';
import { callerOf } from '../shared/caller';
import { Choose } from '../kit/Parts';
import { RichText } from '../shared/RichText';
import { SeedPart, StatisticPart } from './StatisticPart';
import { shuffleRun } from './shuffle-run';
import { Hint } from '../kit/Hint';

interface Props {
  answer: Answer;
  onChange: (question: Question) => void;
}

const width = 640;
/** Readings drawn again at least this often before an interval is read off. */
const enough = 1000;

type Mode = 'shuffle' | 'stray';

/** Every arrangement counted, in a worker; undefined until it is known, or where there are too many. */
function useExact(what: Shuffling): ShuffleTest | undefined {
  const [found, setFound] = useState<{ what: Shuffling; test: ShuffleTest | undefined }>();
  useEffect(() => {
    const { calls, end } = callerOf<ShuffleCalls>(
      new Worker(new URL('../../workers/shuffle.worker.ts', import.meta.url), { type: 'module' }),
    );
    void calls.exactly(what).then((test) => setFound({ what, test }));
    return end;
  }, [what]);
  return found?.what === what ? found.test : undefined;
}

function Run({ chance, answer, onChange, mode }: Props & { chance: Chances; mode: Mode }) {
  const { question, subject } = answer;
  const { level } = question;
  const { seed } = choicesOf(question);
  const { what } = chance;
  const run = useMemo(() => shuffleRun(what, seed), [what, seed]);
  useEffect(() => () => run.stop(), [run]);
  const { gathered, n, goal, last } = useStore(run.$state);
  const exact = useExact(what);
  const alpha = alphaOf(level);
  const cut = useMemo(
    () => (mode === 'shuffle' && n > 0 ? gathered.cut(chance.tail, alpha, goal === undefined) : undefined),
    [mode, n, gathered, chance.tail, alpha, goal],
  );
  const resampled = useMemo(() => {
    if (mode !== 'stray' || n < enough || goal !== undefined || what.kind !== 'resample') return undefined;
    const of = (groups: readonly Float64Array[]): number => centreDifference(groups, what.statistic);
    const groups = what.groups.map((g) => new Float64Array(g));
    return fromResamples(gathered.values(), gathered.observed, jackknifeAcceleration(groups, of), level);
  }, [mode, n, goal, what, gathered, level]);
  const permuted = useMemo(() => {
    const scene = arrangementScene(chance, last, width);
    return scene && layout(scene);
  }, [chance, last]);
  const grown = useMemo(
    // n is what changes when more have come.
    () => layout(gatheredScene(chance, gathered, cut, resampled?.percentile, width, n)),
    [chance, gathered, cut, resampled, n],
  );
  const readings =
    what.kind === 'signs' ? what.differences.length : what.kind === 'counts' ? 0 : what.groups.flat().length;
  const running = goal !== undefined;
  const verb = mode === 'shuffle' ? 'Shuffle' : 'Draw';
  const button = (words: string, title: string, act: () => void) => (
    <Hint says={title}>
      <button type="button" className="plain-button" onClick={act} disabled={running}>
        {words}
      </button>
    </Hint>
  );
  return (
    <>
      <p className="prose-serif max-w-[70ch] text-[15.5px]">{chanceIdea(chance, subject)}</p>
      <p className="prose-serif mt-2 text-[16px] leading-7 text-muted">
        The {mode === 'shuffle' ? 'labels are shuffled' : 'readings are drawn again'} by the seed{' '}
        <SeedPart question={question} onChange={onChange} />, looking at{' '}
        {what.kind === 'counts' ? (
          <b className="font-semibold">
            {what.statistic === 'share' ? 'the ' : ''}
            {statisticName(chance)}
          </b>
        ) : (
          <StatisticPart question={question} onChange={onChange} resampled={mode === 'stray'} />
        )}
        .
      </p>
      <p className="mt-1 flex flex-wrap items-baseline gap-x-4">
        <span className="text-sm text-muted">{verb}</span>
        {button('once', `${verb} once, and see where each reading goes`, () => run.some(1))}
        {button('ten times', `${verb} ten times`, () => run.some(10))}
        {button('1,000 times', `${verb} a thousand times`, () => run.many(1_000))}
        {button('10,000 times', `${verb} ten thousand times`, () => run.many(10_000))}
        {button('a million times', `${verb} a million times`, () => run.many(1_000_000))}
        {n > 0 && button('From the start', 'Forget these and begin with the first again', run.again)}
        <span className="min-w-24 text-sm tabular-nums text-muted" role="status" data-testid="shuffles-made">
          {running
            ? `${n.toLocaleString('en')} of ${goal.toLocaleString('en')}`
            : n > 0
              ? `${n.toLocaleString('en')} so far`
              : ''}
        </span>
        {running && (
          // Stop has a place of its own: a click that comes as the last shuffle falls forgets none.
          <>
            <progress className="progress w-28" aria-label="How far it has come" value={n} max={goal} />
            <button type="button" className="plain-button" onClick={run.stop}>
              Stop
            </button>
          </>
        )}
      </p>
      <p className="mt-1 text-sm tabular-nums" data-testid="permuted-result">
        {shownResult(chance, gathered.observed, n, last?.statistic)}
      </p>
      <div className="mt-1" data-testid="permuted">
        {permuted ? (
          <DrawingView drawing={permuted} />
        ) : (
          <p className="text-sm text-muted">{tooMany(readings, subject)}</p>
        )}
      </div>
      <div data-testid="gathered">
        <DrawingView drawing={grown} />
      </div>
      <div className="prose-serif max-w-[72ch] space-y-1 text-[15.5px]" data-testid="chance-result">
        {n > 0 && mode === 'shuffle' && (
          <>
            <p>
              <RichText text={chanceResult(chance, gathered, level)} />
            </p>
            <p>{chanceCut(chance, gathered, cut, level)}</p>
          </>
        )}
        {n > 0 && mode === 'stray' && <p>{strayResult(chance, gathered, resampled, level, enough)}</p>}
        {exact && (
          <p>
            <RichText text={exactResult(chance, exact)} />
          </p>
        )}
      </div>
    </>
  );
}

export default function Chance({ answer, onChange }: Props) {
  const { question } = answer;
  const { permuting: shuffles, drawing: strays } = chancesOf(answer);
  const [wanted, setMode] = useState<Mode>('shuffle');
  const mode: Mode = !shuffles ? 'stray' : strays ? wanted : 'shuffle';
  const chance = useMemo(
    (): Outcome<Chances> => attempt(() => (mode === 'shuffle' ? chanceOf(answer) : strayOf(answer))),
    [answer, mode],
  );
  const byShuffles = shuffles && methodsFor(question).includes('shuffle') && choicesOf(question).method !== 'shuffle';
  return (
    <div data-testid="chance">
      {shuffles && strays && (
        <p className="prose-serif mb-1 text-[16px] text-muted">
          See{' '}
          <Choose
            label="Distribution"
            value={mode}
            options={{
              shuffle: 'the null distribution, by permutation',
              stray: 'the bootstrap distribution',
            }}
            onChange={setMode}
          />
          .
        </p>
      )}
      {chance.ok ? (
        <Run chance={chance.value} answer={answer} onChange={onChange} mode={mode} />
      ) : (
        <p className="text-sm text-muted">{chance.reason}</p>
      )}
      {byShuffles && mode === 'shuffle' && chance.ok && (
        <p className="mt-1">
          <button type="button" className="plain-button" onClick={() => onChange({ ...question, method: 'shuffle' })}>
            Answer the question by this
          </button>
        </p>
      )}
    </div>
  );
}
