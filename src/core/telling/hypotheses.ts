/** The hypotheses in symbols (TeX) and in words. */
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import { tellsRatios } from '../question/choices';
import type { Hypotheses } from '../words/hypothesis';
import { given } from '../words/numbers';
import { valued } from '../words/sentences';

/** The hypothesis of no effect, and what stands against it; undefined of an estimate. */
export const hypotheses = (answer: Answer): Hypotheses | undefined =>
  analysisOf(answer.question).words.hypotheses?.(answer);

/** What the two one-sided tests of equivalence judge; undefined where no margin is given. */
export function equivalenceHypotheses(answer: Answer): Hypotheses | undefined {
  const { bounds } = answer.question;
  const delta = analysisOf(answer.question).words.equivalenceOf?.(answer);
  if (!bounds || delta === undefined) return undefined;
  const ratios = tellsRatios(answer.question);
  const margin = valued(`${given(bounds.low)} to ${given(bounds.high)}`, ratios ? '' : answer.unit);
  return {
    none: {
      tex: `H_0\\colon ${delta} \\le ${bounds.low} \\text{ or } ${delta} \\ge ${bounds.high}`,
      words: `Of equivalence: the ${ratios ? 'ratio' : 'difference'} lies outside ${margin}.`,
    },
    some: { tex: `H_1\\colon ${bounds.low} < ${delta} < ${bounds.high}`, words: `It lies within ${margin}.` },
  };
}
