import { useState } from 'react';
import { planOfSpread } from '../../core/answering/known-spread';
import { chiSquare } from '../../core/distributions/chi-square';
import { attempt } from '../../core/numeric/domain-error';
import { type KnownSpread, type Plan, sampleFor } from '../../core/planning/plan';
import { fixed } from '../../core/words/numbers';
import { NumberField } from '../kit/NumberField';
import { Choose, byName } from '../kit/Parts';
import { inWords, send } from '../shared/api';
import { type Query, asQuery } from './address';
import type { Planned } from './planned';

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

/** A note on the SD that is planned with: a pilot's, or that of a question that was asked. */
export const WhereSpreadComesFrom = ({ plan, pilot, wanted, change }: Planned) => (
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
);
