/** The write-up a study's questions and figures give before a word is typed. */
import { type Block, type Inline, type WriteUp, piecesOf } from './document';
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

/** A figure as it is now. */
function figureIn(pieces: StudyPieces, figure: string): Block[] {
  const now = readingOf({ type: 'liveFigure', attrs: { figure, seen: '' } }, pieces);
  return now ? [{ type: 'liveFigure', attrs: { figure, seen: seenAs(now) } }] : [];
}

/**
 * Methods, results with each figure after its question, the first table of each question without a figure, the works
 * behind the methods, and the log in short and in full.
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
      ...figures.flatMap((figure) => figureIn(pieces, figure)),
      ...(figures.length === 0 && table
        ? [{ type: 'answerTable' as const, attrs: { question: id, place: 0, seen: seenAs({ kind: 'table', table }) } }]
        : []),
    ];
  });
  const wholeLog = { kind: 'table' as const, table: pieces.notebook, seen: `${pieces.notebook.rows.length} lines` };
  return {
    type: 'doc',
    content: [
      heading(1, title),
      heading(2, 'Methods'),
      ...shown.flatMap(({ id }) => sentence(pieces, id, 'methods')),
      heading(2, 'Results'),
      ...results,
      heading(2, 'References'),
      { type: 'listing', attrs: { of: 'references' } },
      heading(2, 'Appendix: what was done to the readings'),
      { type: 'shortLog', attrs: { seen: pieces.log.join('\n') } },
      { type: 'wholeLog', attrs: { seen: seenAs(wholeLog) } },
    ],
  };
}

/** Figures of questions the text speaks of that are not in it yet, as those made after it was drafted. */
export function figuresLeftOut(writeUp: WriteUp, pieces: StudyPieces): { id: string; question: string }[] {
  const there = writeUp.content.flatMap(piecesOf);
  const told = new Set(there.flatMap(({ attrs }) => ('question' in attrs ? [attrs.question] : [])));
  const shown = new Set(there.flatMap(({ attrs }) => ('figure' in attrs ? [attrs.figure] : [])));
  return Object.entries(pieces.figures).flatMap(([id, { question, drawn }]) =>
    drawn && told.has(question) && !shown.has(id) ? [{ id, question }] : [],
  );
}

/** The text with each of these figures put in behind the last that it says of the figure’s question. */
export function withFigures(
  writeUp: WriteUp,
  figures: readonly { id: string; question: string }[],
  pieces: StudyPieces,
): WriteUp {
  const content = [...writeUp.content];
  for (const { id, question } of figures) {
    const isOf = (block: Block): boolean =>
      piecesOf(block).some(({ attrs }) =>
        'question' in attrs
          ? attrs.question === question
          : 'figure' in attrs && pieces.figures[attrs.figure]?.question === question,
      );
    content.splice(content.findLastIndex(isOf) + 1, 0, ...figureIn(pieces, id));
  }
  return { ...writeUp, content };
}
