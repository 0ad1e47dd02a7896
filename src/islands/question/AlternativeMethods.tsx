import { factsOf } from '../../core/analyses/kinds';
import { useRef } from 'react';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { alternativeName } from '../../core/telling/method';
import { foremost } from '../../core/answer/foremost';
import { tellingDecimals } from '../../core/words/numbers';
import { effectPhrases, statisticPhrase, testPhrase } from '../../core/words/phrases';
import { choicesOf } from '../../core/question/choices';
import { RichText } from '../shared/RichText';
import { FullP } from './Figures';
import { useAlternativeMethods } from './use-alternative-methods';

interface Props {
  question: Question;
  table: Table;
  onChange: (question: Question) => void;
}

/** What the answer would be under the other reasonable methods: one line each, the chosen one marked. */
export function AlternativeMethods({ question, table, onChange }: Props) {
  const place = useRef<HTMLElement>(null);
  const others = useAlternativeMethods(question, table, place);
  if (others?.length === 1) return null;
  const tops = (others ?? []).map(({ found }) =>
    found.ok && found.value.comparison.ok ? foremost(found.value.comparison.value) : undefined,
  );
  const decimals = tellingDecimals(tops.map((top) => top ?? { estimate: 0 }));
  const { testsAlone: factors, follows } = factsOf(question);
  const estimate = question.design === 'estimate';
  return (
    <section aria-label="Other methods" ref={place}>
      <h3 className="prose-serif mb-1 text-[17px]">Under other methods</h3>
      <table className="figures-table text-[14.5px]" data-testid="other-methods">
        <caption className="sr-only">The same question under other reasonable methods</caption>
        <thead>
          <tr>
            <th scope="col">method</th>
            {!factors && <th scope="col">{estimate ? 'estimate' : 'effect'}</th>}
            {!factors && <th scope="col">interval</th>}
            {!estimate && <th scope="col">{factors ? 'tests' : 'test'}</th>}
            {!factors && !estimate && (
              <th scope="col">
                <i>p</i>
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {others === undefined && (
            <tr>
              <td colSpan={5} className="!text-left text-muted">
                Working them out …
              </td>
            </tr>
          )}
          {others?.map(({ asked: other, chosen, found, patch }, i) => {
            const comparison = found.ok && found.value.comparison.ok ? found.value.comparison.value : undefined;
            const reason = !found.ok ? found.reason : found.value.comparison.ok ? '' : found.value.comparison.reason;
            const top = tops[i];
            const single = comparison?.effect !== undefined;
            const ranked = !single && choicesOf(other).method === 'ranks';
            const said =
              top && found.ok
                ? effectPhrases(top, top.ratio ? '' : ranked ? 'ranks' : found.value.unit, other.level, decimals[i])
                : undefined;
            const [test] = comparison?.tests ?? [];
            return (
              <tr key={alternativeName(other)} className="align-top" data-testid="other-method">
                <th scope="row">
                  {chosen ? (
                    <span className="font-semibold">{alternativeName(other)} · chosen</span>
                  ) : (
                    <button
                      type="button"
                      className="plain-button text-left"
                      title="Answer by this method"
                      onClick={() => onChange({ ...question, ...patch })}
                    >
                      {alternativeName(other)}
                    </button>
                  )}
                </th>
                {comparison ? (
                  factors ? (
                    <td className="!whitespace-normal">
                      {comparison.tests.map((t) => (
                        <span key={t.of} className="block">
                          {t.of} <RichText text={testPhrase(t)} />
                        </span>
                      ))}
                    </td>
                  ) : (
                    <>
                      <td title={top?.name}>{said?.estimate}</td>
                      <td>{said?.interval.replace(/^.* CI /, '').replace(/ \(.*\)$/, '')}</td>
                      {test && (
                        <td>
                          {test.symbol ? (
                            <RichText text={statisticPhrase(test)} />
                          ) : other.about !== 'value' ? (
                            'exact'
                          ) : (
                            'permutation'
                          )}
                        </td>
                      )}
                      {comparison.p !== undefined && (
                        <td>
                          <FullP p={comparison.p} />
                        </td>
                      )}
                    </>
                  )
                ) : (
                  <td colSpan={4} className="!whitespace-normal text-muted">
                    {reason}
                  </td>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
      {follows === 'by-choice' || follows === 'pairs' ? (
        <p className="text-[13px] text-muted">The effect is the largest difference of a pair under each method.</p>
      ) : null}
    </section>
  );
}
