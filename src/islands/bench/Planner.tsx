import { againstDirectionTold, begunWith, isAgainstDirection, isUneven, totalOf } from '../../core/planning/plan';
import { choiceNames } from '../../core/words/choice-names';
import { given, percent, plural } from '../../core/words/numbers';
import { protocolSentence } from '../../core/words/protocol';
import { listed } from '../../core/words/sentences';
import { html, plain } from '../../core/words/text';
import { CopyButton } from '../shared/CopyButton';
import { RichText } from '../shared/RichText';
import { asQuery, numberOf } from './address';
import { BackTo, questionIn } from './BackTo';
import { HandOver, toWriteUp } from './HandOver';
import { PlanSentence } from './PlanSentence';
import { usePlanned } from './planned';
import { PowerPicture } from './PowerPicture';
import { Simulation } from './Simulation';
import { Gain, Spendings } from './Spendings';
import { WhereSpreadComesFrom } from './WhereSpreadComesFrom';

/** How many to take, how surely it is found, how small a difference is found: each from the other two. */
export function Planner() {
  const planned = usePlanned();
  const { query, change, drag, plan, ask, wanted, loss, unit, subject, found, n, shown, power } = planned;
  // Where the difference itself is asked, it is found the way the test looks.
  const against = ask !== 'difference' && isAgainstDirection(plan);
  const other = plan.direction === 'less' ? 'greater' : 'less';
  const back = questionIn(query);
  const numbers = totalOf(shown, n);
  const begun = begunWith(shown, n, loss);
  const uneven = isUneven(numbers);
  const sentence = power.ok ? protocolSentence({ plan: shown, n, power: power.value, unit, subject, loss }) : undefined;
  return (
    <div className="min-[1100px]:grid min-[1100px]:grid-cols-[minmax(0,1fr)_15rem]">
      <article className="min-w-0 px-6 pb-16">
        <PlanSentence {...planned} />
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
        {(!found.ok || against) && (
          <p role="alert" className="mt-2 text-error">
            {found.ok ? againstDirectionTold(plan) : found.reason}
            {against && (
              <>
                {' '}
                <button
                  type="button"
                  className="plain-button"
                  onClick={() => change({ difference: asQuery(-plan.difference) })}
                >
                  Take {given(-plan.difference)}
                </button>{' '}
                <button type="button" className="plain-button" onClick={() => change({ direction: other })}>
                  Test for {choiceNames.direction[other]}
                </button>
              </>
            )}
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
      <aside aria-label="Margin notes" className="space-y-4 py-4 pr-6 text-sm max-[1100px]:pl-6">
        <WhereSpreadComesFrom {...planned} />
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
