/** Everything that can be put into a write-up from the study, by name. */
import { type Piece, numberParts } from '../../core/write-up/document';
import { type StudyPieces, readingOf, seenAs } from '../../core/write-up/piece';

export interface Insertable {
  /** What it is: "results", "figure". */
  what: string;
  /** What it is of: the question's name. */
  of: string;
  /** Id of what it is of. */
  from: string;
  piece: Piece;
}

const sentences = { results: 'results', methods: 'methods', headline: 'in one sentence', legend: 'legend' } as const;
const numbers = { estimate: 'estimate', interval: 'interval', test: 'test', p: 'p', n: 'n' } as const;

/** @param order questions in the order they were asked, with the figures made of each */
export function insertables(
  order: readonly { id: string; figures: readonly string[] }[],
  pieces: StudyPieces,
): Insertable[] {
  const out = order.flatMap(({ id, figures }): Insertable[] => {
    const found = pieces.questions[id];
    if (!found) return [];
    const all: Insertable[] = [];
    const add = (what: string, piece: Piece) => {
      const now = readingOf(piece, pieces);
      if (!now) return;
      all.push({
        what,
        of: found.name,
        from: id,
        piece: { ...piece, attrs: { ...piece.attrs, seen: seenAs(now) } } as Piece,
      });
    };
    for (const [part, what] of Object.entries(sentences) as [keyof typeof sentences, string][])
      add(what, { type: 'sentence', attrs: { question: id, part, seen: '' } });
    for (const figure of figures) add('figure', { type: 'liveFigure', attrs: { figure, seen: '' } });
    found.tables.forEach((table, place) =>
      add(`table: ${table.title}`, { type: 'answerTable', attrs: { question: id, place, seen: '' } }),
    );
    for (const part of numberParts) add(numbers[part], { type: 'liveNumber', attrs: { question: id, part, seen: '' } });
    return all;
  });
  const log: Piece = { type: 'shortLog', attrs: { seen: pieces.log.join('\n') } };
  return [...out, { what: 'log in short', of: 'the study', from: '', piece: log }];
}

/** Those that hold every word asked for. */
export function matching(all: readonly Insertable[], query: string): Insertable[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return all.filter(({ what, of }) => words.every((w) => `${what} ${of}`.toLowerCase().includes(w)));
}
