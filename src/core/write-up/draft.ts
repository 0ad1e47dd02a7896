/** The write-up a study's questions and figures give before a word is typed. */
import type { Block, Inline, WriteUp } from './document';
import { type StudyPieces, readingOf, seenAs } from './piece';

const heading = (level: number, text: string): Block => ({
  type: 'heading',
  attrs: { level },
  content: [{ type: 'text', text }],
});

/** A piece that counts as seen: the draft is what it reads now. */
function sentence(pieces: StudyPieces, question: string, part: 'methods' | 'results'): Block[] {
  const piece: Inline & { type: 'sentence' } = { type: 'sentence', attrs: { question, part, seen: '' } };
  const now = readingOf(piece, pieces);
  return now ? [{ type: 'paragraph', content: [{ ...piece, attrs: { ...piece.attrs, seen: seenAs(now) } }] }] : [];
}

/**
 * Methods, results with each figure after its question, the first table of each question without a figure, and the log
 * in short.
 * @param order questions in the order they were asked, with the figures made of each
 */
export function draftOf(
  title: string,
  order: readonly { id: string; figures: readonly string[] }[],
  pieces: StudyPieces,
): WriteUp {
  const shown = order.filter(({ id }) => pieces.questions[id]);
  const results = shown.flatMap(({ id, figures }): Block[] => {
    const found = pieces.questions[id];
    const [table] = found?.tables ?? [];
    return [
      ...sentence(pieces, id, 'results'),
      ...figures.flatMap((figure): Block[] => {
        const now = readingOf({ type: 'liveFigure', attrs: { figure, seen: '' } }, pieces);
        return now ? [{ type: 'liveFigure', attrs: { figure, seen: seenAs(now) } }] : [];
      }),
      ...(figures.length === 0 && table
        ? [{ type: 'answerTable' as const, attrs: { question: id, place: 0, seen: JSON.stringify(table) } }]
        : []),
    ];
  });
  return {
    type: 'doc',
    content: [
      heading(1, title),
      heading(2, 'Methods'),
      ...shown.flatMap(({ id }) => sentence(pieces, id, 'methods')),
      heading(2, 'Results'),
      ...results,
      heading(2, 'What was done to the readings'),
      { type: 'shortLog', attrs: { seen: pieces.log.join('\n') } },
    ],
  };
}
