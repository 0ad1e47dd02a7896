/** Everything that can be put into a write-up from the study, by name. */
import { plain } from '../../core/words/text';
import { type Insert, type Piece, type WriteUp, listings, numberParts } from '../../core/write-up/document';
import { numbered } from '../../core/write-up/numbered';
import { type StudyPieces, readingOf, seenAs } from '../../core/write-up/piece';

export interface Insertable {
  /** What it is: "results", "figure". */
  what: string;
  /** What it is of: the question's name. */
  of: string;
  /** Id of what it is of. */
  from: string;
  /** The table it is a number of. */
  within?: string;
  piece: Insert;
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
    const add = (what: string, piece: Piece, within?: string) => {
      const now = readingOf(piece, pieces);
      if (!now) return;
      all.push({
        what,
        of: found.name,
        from: id,
        ...(within === undefined ? {} : { within }),
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
    found.tables.forEach(({ title, head, rows }, place) => {
      for (const [name, ...cells] of rows)
        cells.forEach((cell, j) => {
          const [row, column] = [plain(name ?? []), plain(head[j + 1] ?? [])];
          if (row && column && plain(cell))
            add(
              `${row}: ${column} ${plain(cell)}`,
              { type: 'liveCell', attrs: { question: id, place, row, column, seen: '' } },
              title,
            );
        });
    });
    return all;
  });
  const described = Object.entries(pieces.descriptions).flatMap(([table, { name, table: now }]): Insertable[] => {
    if (now.rows.length === 0) return [];
    const seen = seenAs({ kind: 'table', table: now });
    return [
      { what: name, of: 'descriptions', from: 'descriptions', piece: { type: 'description', attrs: { table, seen } } },
    ];
  });
  const study = { of: 'the study', from: '' };
  const log: Piece = { type: 'shortLog', attrs: { seen: pieces.log.join('\n') } };
  const whole: Piece = { type: 'wholeLog', attrs: { seen: `${pieces.notebook.rows.length} lines` } };
  return [
    ...out,
    ...described,
    { ...study, what: 'log in short', piece: log },
    { ...study, what: 'log, every line', piece: whole },
  ];
}

const listingNames = { figures: 'list of figures', tables: 'list of tables', references: 'references of the methods' };

/** What is made from the text itself: the numbers of its figures and tables, and lists of them. */
export function fromText(writeUp: WriteUp, pieces: StudyPieces): Insertable[] {
  const text = { of: 'this text', from: 'text' };
  return [
    ...numbered(writeUp, pieces).map(({ of, number, caption, source }): Insertable => {
      const short = plain(caption);
      return {
        ...text,
        what: `“${of === 'figure' ? 'Figure' : 'Table'} ${number}” (${short.length > 60 ? `${short.slice(0, 57)}…` : short})`,
        piece: { type: 'reference', attrs: source },
      };
    }),
    ...listings.map((of): Insertable => ({
      ...text,
      what: listingNames[of],
      piece: { type: 'listing', attrs: { of } },
    })),
  ];
}

/** Those that hold every word asked for. */
export function matching(all: readonly Insertable[], query: string): Insertable[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return all.filter(({ what, of }) => words.every((w) => `${what} of ${of}`.toLowerCase().includes(w)));
}
