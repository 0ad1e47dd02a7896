import type { APIRoute } from 'astro';
import { answer } from '../../core/answer/answer';
import { AnswerRequest, tableOfRequest } from '../../core/question/answer-request';
import { plain } from '../../core/words/text';
import { headline } from '../../core/words/headline';
import { methodName, methodReason } from '../../core/words/method';
import { questionSentence } from '../../core/words/question';
import { methodsSentence, resultsSentence } from '../../core/words/report';
import { answering, body, json, problem } from '../../server/problem';

/** Answers a question from the readings sent with it. Keeps nothing. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const asked = await body(request, AnswerRequest);
    const found = answer(asked.question, tableOfRequest(asked));
    if (!found.ok) return problem(422, 'Not possible', found.reason);
    const { comparison } = found.value;
    const said = comparison.ok ? headline(found.value, comparison.value) : undefined;
    return json({
      answer: found.value,
      words: {
        question: questionSentence(found.value),
        method: methodName(asked.question),
        reason: methodReason(asked.question),
        methods: plain(methodsSentence(found.value)),
        ...(comparison.ok && said
          ? { headline: plain(said.sentence), results: plain(resultsSentence(found.value, comparison.value)) }
          : {}),
      },
    });
  });
