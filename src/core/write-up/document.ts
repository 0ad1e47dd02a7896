/**
 * A write-up: the person's own words with live pieces between them. A piece names the question or figure it comes from
 * and the text it had when it was last seen; what it reads now is computed, never kept.
 */
import * as v from 'valibot';

const Id = v.pipe(v.string(), v.minLength(1), v.maxLength(40));
/** A table by its place among those of an answer. */
const Place = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(50));
const Label = v.pipe(v.string(), v.maxLength(1000));
/** Long enough for any table a page shows. */
const Seen = v.pipe(v.string(), v.maxLength(60_000));

/** Sentences of an answer. */
export const sentenceParts = ['methods', 'results', 'legend', 'headline'] as const;
export type SentencePart = (typeof sentenceParts)[number];

/** Single numbers of an answer. */
export const numberParts = ['estimate', 'interval', 'test', 'p', 'n'] as const;
export type NumberPart = (typeof numberParts)[number];

const Marks = v.optional(
  v.pipe(v.array(v.object({ type: v.picklist(['bold', 'italic', 'subscript', 'superscript']) })), v.maxLength(4)),
);
const Words = v.object({
  type: v.literal('text'),
  text: v.pipe(v.string(), v.minLength(1), v.maxLength(100_000)),
  marks: Marks,
});
const Break = v.object({ type: v.literal('hardBreak'), marks: Marks });
const Sentence = v.object({
  type: v.literal('sentence'),
  attrs: v.object({ question: Id, part: v.picklist(sentenceParts), seen: Seen }),
  marks: Marks,
});
const LiveNumber = v.object({
  type: v.literal('liveNumber'),
  attrs: v.object({ question: Id, part: v.picklist(numberParts), seen: Seen }),
  marks: Marks,
});
/** A number of a table, by what stands at the head of its row and of its column. */
const LiveCell = v.object({
  type: v.literal('liveCell'),
  attrs: v.object({ question: Id, place: Place, row: Label, column: Label, seen: Seen }),
  marks: Marks,
});
/** The number of a figure or a table of this text: where it comes from tells which. */
const Reference = v.object({
  type: v.literal('reference'),
  attrs: v.object({
    of: v.picklist(['figure', 'table', 'description', 'log']),
    source: v.pipe(v.string(), v.maxLength(40)),
    place: Place,
  }),
  marks: Marks,
});
export const Inline = v.variant('type', [Words, Break, Sentence, LiveNumber, LiveCell, Reference]);
export type Inline = v.InferOutput<typeof Inline>;

const inlines = v.optional(v.pipe(v.array(Inline), v.maxLength(2000)));
const Paragraph = v.object({ type: v.literal('paragraph'), content: inlines });
const Heading = v.object({
  type: v.literal('heading'),
  attrs: v.object({ level: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(3)) }),
  content: inlines,
});
const Rule = v.object({ type: v.literal('horizontalRule') });
const AnswerTable = v.object({
  type: v.literal('answerTable'),
  /** `seen` holds the table as JSON. */
  attrs: v.object({ question: Id, place: Place, seen: Seen }),
});
/** The description of a table of readings. */
const Description = v.object({ type: v.literal('description'), attrs: v.object({ table: Id, seen: Seen }) });
const LiveFigure = v.object({ type: v.literal('liveFigure'), attrs: v.object({ figure: Id, seen: Seen }) });
const ShortLog = v.object({ type: v.literal('shortLog'), attrs: v.object({ seen: Seen }) });
/** Every line of the log, as an appendix. */
const WholeLog = v.object({ type: v.literal('wholeLog'), attrs: v.object({ seen: Seen }) });
/** A list made from the text itself: its figures, its tables, the works behind the methods it names. */
export const listings = ['figures', 'tables', 'references'] as const;
const Listing = v.object({ type: v.literal('listing'), attrs: v.object({ of: v.picklist(listings) }) });

/** A row of a table that was pasted or typed. */
export interface TableRow {
  type: 'tableRow';
  content: {
    type: 'tableCell' | 'tableHeader';
    attrs?:
      | { colspan?: number | undefined; rowspan?: number | undefined; colwidth?: number[] | null | undefined }
      | undefined;
    content: Block[];
  }[];
}

export type Block =
  | v.InferOutput<typeof Paragraph>
  | v.InferOutput<typeof Heading>
  | v.InferOutput<typeof Rule>
  | v.InferOutput<typeof AnswerTable>
  | v.InferOutput<typeof Description>
  | v.InferOutput<typeof LiveFigure>
  | v.InferOutput<typeof ShortLog>
  | v.InferOutput<typeof WholeLog>
  | v.InferOutput<typeof Listing>
  | { type: 'table'; content: TableRow[] }
  | { type: 'blockquote'; content: Block[] }
  | { type: 'bulletList' | 'orderedList'; content: { type: 'listItem'; content: Block[] }[] };

const Blocks = v.lazy(
  (): v.GenericSchema<Block[]> => v.pipe(v.array(Block), v.maxLength(4000)) as v.GenericSchema<Block[]>,
);
const span = v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000)));
const Rows = v.lazy(() =>
  v.pipe(
    v.array(
      v.object({
        type: v.literal('tableRow'),
        content: v.pipe(
          v.array(
            v.object({
              type: v.picklist(['tableCell', 'tableHeader']),
              attrs: v.optional(
                v.object({
                  colspan: span,
                  rowspan: span,
                  colwidth: v.nullish(v.pipe(v.array(v.number()), v.maxLength(1000))),
                }),
              ),
              content: Blocks,
            }),
          ),
          v.maxLength(200),
        ),
      }),
    ),
    v.maxLength(4000),
  ),
);
const Items = v.lazy(() =>
  v.pipe(v.array(v.object({ type: v.literal('listItem'), content: Blocks })), v.maxLength(4000)),
);
export const Block: v.GenericSchema<Block> = v.variant('type', [
  Paragraph,
  Heading,
  Rule,
  AnswerTable,
  Description,
  LiveFigure,
  ShortLog,
  WholeLog,
  Listing,
  v.object({ type: v.literal('table'), content: Rows }),
  v.object({ type: v.literal('blockquote'), content: Blocks }),
  v.object({ type: v.literal('bulletList'), content: Items }),
  v.object({ type: v.literal('orderedList'), content: Items }),
]);

/** Most that quotes and lists may stand within each other. */
const deepest = 24;

/** Whether something is nested no deeper than any write-up is; looked at layer by layer, however deep it goes. */
function isShallow(value: unknown): boolean {
  let layer: unknown[] = [value];
  // A quote or an item is an object and the list of what is in it.
  for (let depth = 0; layer.length > 0; depth++) {
    if (depth > 4 * deepest) return false;
    layer = layer.flatMap((one) => (typeof one === 'object' && one !== null ? (Object.values(one) as unknown[]) : []));
  }
  return true;
}

export const WriteUp = v.pipe(
  v.unknown(),
  v.check(isShallow, `Quotes and lists may stand ${deepest} deep within each other.`),
  v.object({
    type: v.literal('doc'),
    /** Who wrote it, for the properties of the files it leaves as. */
    author: v.optional(v.pipe(v.string(), v.maxLength(300))),
    content: v.pipe(v.array(Block), v.maxLength(4000)),
  }),
);
export type WriteUp = v.InferOutput<typeof WriteUp>;

/** Inlines or blocks that come from elsewhere in the study. */
export type Piece = Extract<Inline | Block, { attrs: { seen: string } }>;

/** What can be put into a text from the study: a live piece, or what is made from the text itself. */
export type Insert = Piece | Extract<Inline, { type: 'reference' }> | Extract<Block, { type: 'listing' }>;

/** A block with all blocks in it, in order. */
export function blocksWithin(block: Block): Block[] {
  switch (block.type) {
    case 'blockquote':
      return [block, ...block.content.flatMap(blocksWithin)];
    case 'bulletList':
    case 'orderedList':
      return [block, ...block.content.flatMap((item) => item.content.flatMap(blocksWithin))];
    case 'table':
      return [
        block,
        ...block.content.flatMap((row) => row.content.flatMap((cell) => cell.content.flatMap(blocksWithin))),
      ];
    default:
      return [block];
  }
}

const asPieces = (one: Inline | Block): Piece[] => ('attrs' in one && 'seen' in one.attrs ? [one as Piece] : []);

/** Every live piece of a block, in order. */
export const piecesOf = (block: Block): Piece[] =>
  blocksWithin(block).flatMap((b) =>
    b.type === 'paragraph' || b.type === 'heading' ? (b.content ?? []).flatMap(asPieces) : asPieces(b),
  );

/** Every live piece of a write-up, in order. */
export const piecesIn = (writeUp: WriteUp): Piece[] => writeUp.content.flatMap(piecesOf);

/** What was typed into a write-up by hand, a paragraph or heading each. */
export const ownWords = (writeUp: WriteUp): string[] =>
  writeUp.content.flatMap(blocksWithin).flatMap((block) => {
    if (block.type !== 'paragraph' && block.type !== 'heading') return [];
    const words = (block.content ?? []).map((one) => (one.type === 'text' ? one.text : ' ')).join('');
    return words.trim() === '' ? [] : [words];
  });
