/** What is computed off the server's own thread: whatever may take longer than another request should wait. */
import { answer } from '../../core/answering/answer';
import { checksOf } from '../../core/answering/checks-of';
import { workingOf } from '../../core/answering/working-of';
import { AnswerRequest, tableOfRequest } from '../../core/question/answer-request';
import { checkNames, checkSentence } from '../../core/words/checks';
import { headline } from '../../core/telling/headline';
import { hypotheses } from '../../core/telling/hypotheses';
import { methodElse, methodOf, methodReason } from '../../core/telling/method';
import { questionSentence } from '../../core/telling/question';
import { methodsSentence, resultsSentence } from '../../core/telling/report';
import { plain } from '../../core/words/text';
import { duplicateStudy, readStudy } from '../../store/studies';
import { allBundles, bundleOf, openBundle, safeName } from '../bundle';
import { bringBack } from '../backup';
import { db, now } from '../db';
import { startDemo } from '../demo-study';
import { drawnFigure, pdfOf } from '../drawn-figure';
import { knownSpreads } from '../known-spreads';
import { studyPieces } from '../pieces';
import { answering, json, parsed, problem } from '../problem';

/** The version of the response; it grows when a field changes its meaning or goes. */
const answerVersion = 1;

/** Answers a question from the readings sent with it. @param body the request's body as it came */
function askedOnce(body: Uint8Array): Response {
  const asked = parsed(body, AnswerRequest);
  const table = tableOfRequest(asked);
  const found = answer(asked.question, table);
  if (!found.ok) return problem(422, 'Not possible', found.reason);
  const { comparison, question, spreadBy } = found.value;
  const stated = hypotheses(found.value);
  const checks = checksOf(found.value);
  return json({
    version: answerVersion,
    answer: found.value,
    checks: checks.map(({ about, verdict, figures, remedies }) => ({ about, verdict, figures, remedies })),
    working: workingOf(found.value, table),
    words: {
      question: questionSentence(found.value),
      method: methodOf(found.value),
      reason: methodReason(question, spreadBy),
      alsoReasonable: methodElse(question),
      ...(stated ? { hypothesisOfNoEffect: stated.none.words, hypothesisAgainst: stated.some.words } : {}),
      checks: Object.fromEntries(checks.map((c) => [checkNames[c.about], checkSentence(c, found.value)])),
      methods: plain(methodsSentence(found.value)),
      ...(comparison.ok
        ? {
            headline: plain(headline(found.value, comparison.value).sentence),
            results: plain(resultsSentence(found.value, comparison.value)),
          }
        : {}),
    },
  });
}

async function studyBundle(id: string): Promise<Response> {
  const { title } = readStudy(db(), id);
  const bytes = await bundleOf(db(), id);
  const name = encodeURIComponent(`${safeName(title)}.zip`);
  return new Response(bytes as BodyInit, {
    headers: { 'content-type': 'application/zip', 'content-disposition': `attachment; filename*=UTF-8''${name}` },
  });
}

async function everyBundle(): Promise<Response> {
  return new Response((await allBundles(db())) as BodyInit, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="divide-studies-${now().slice(0, 10)}.zip"`,
    },
  });
}

/** Each task by name: a response from what the request brought. */
export const tasks = {
  answer: askedOnce,
  bundle: studyBundle,
  bundles: everyBundle,
  pdf: async (id: string) => {
    const file = await pdfOf(drawnFigure(db(), id));
    return new Response(file as BodyInit, { headers: { 'content-type': 'application/pdf' } });
  },
  pieces: (id: string) => {
    readStudy(db(), id);
    return json(studyPieces(db(), id));
  },
  bringBack: async (file: Uint8Array) =>
    json({ titles: await bringBack(db(), file, now(), process.env['DIVIDE_ROOT'] ?? process.cwd()) }, 201),
  demo: () => json({ id: startDemo(db(), now()) }, 201),
  duplicate: (id: string) => json({ id: duplicateStudy(db(), id, now()) }, 201),
  open: async (file: Uint8Array) => json(await openBundle(db(), file, now()), 201),
  spreads: () => json(knownSpreads(db())),
} satisfies Record<string, (given: never) => Response | Promise<Response>>;
export type TaskName = keyof typeof tasks;
export type Given<T extends TaskName> = Parameters<(typeof tasks)[T]>[0];

/** Runs a task; what it throws is told in words. */
export const runTask = <T extends TaskName>(name: T, given: Given<T>): Promise<Response> =>
  answering(() => (tasks[name] as (given: Given<T>) => Response | Promise<Response>)(given));
