import type { APIRoute } from 'astro';
import { answer } from '../../core/answer/answer';
import { checksOf } from '../../core/answer/checks-of';
import { workingOf } from '../../core/answer/working-of';
import { AnswerRequest, tableOfRequest } from '../../core/question/answer-request';
import { checkNames, checkSentence } from '../../core/words/checks';
import { headline } from '../../core/words/headline';
import { hypotheses } from '../../core/words/hypotheses';
import { methodElse, methodName, methodReason } from '../../core/words/method';
import { questionSentence } from '../../core/words/question';
import { methodsSentence, resultsSentence } from '../../core/words/report';
import { plain } from '../../core/words/text';
import { answering, body, json, problem } from '../../server/problem';

/** Answers a question from the readings sent with it. Keeps nothing. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const asked = await body(request, AnswerRequest);
    const table = tableOfRequest(asked);
    const found = answer(asked.question, table);
    if (!found.ok) return problem(422, 'Not possible', found.reason);
    const { comparison } = found.value;
    const { none, some } = hypotheses(found.value);
    return json({
      answer: found.value,
      checks: checksOf(found.value).map(({ about, verdict, figures, remedies }) => ({
        about,
        verdict,
        figures,
        remedies,
      })),
      working: workingOf(found.value, table),
      words: {
        question: questionSentence(found.value),
        method: methodName(found.value.question),
        reason: methodReason(found.value.question, found.value.spreadBy),
        alsoReasonable: methodElse(found.value.question),
        hypothesisOfNoEffect: none.words,
        hypothesisAgainst: some.words,
        checks: Object.fromEntries(
          checksOf(found.value).map((c) => [checkNames[c.about], checkSentence(c, found.value)]),
        ),
        methods: plain(methodsSentence(found.value)),
        ...(comparison.ok
          ? {
              headline: plain(headline(found.value, comparison.value).sentence),
              results: plain(resultsSentence(found.value, comparison.value)),
            }
          : {}),
      },
    });
  });
