/**
 * A write-up: the person's own words with live pieces between them. A piece names the question or figure it comes from
 * and the text it had when it was last seen; what it reads now is computed, never kept.
 */
import * as v from 'valibot';

const Id = v.pipe(v.string(), v.minLength(1), v.maxLength(40));
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
export const Inline = v.variant('type', [Words, Break, Sentence, LiveNumber]);
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
  /** The table by its place among those of the answer; `seen` holds it as JSON. */
  attrs: v.object({ question: Id, place: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(50)), seen: Seen }),
});
const LiveFigure = v.object({ type: v.literal('liveFigure'), attrs: v.object({ figure: Id, seen: Seen }) });
const ShortLog = v.object({ type: v.literal('shortLog'), attrs: v.object({ seen: Seen }) });

export type Block =
  | v.InferOutput<typeof Paragraph>
  | v.InferOutput<typeof Heading>
  | v.InferOutput<typeof Rule>
  | v.InferOutput<typeof AnswerTable>
  | v.InferOutput<typeof LiveFigure>
  | v.InferOutput<typeof ShortLog>
  | { type: 'blockquote'; content: Block[] }
  | { type: 'bulletList' | 'orderedList'; content: { type: 'listItem'; content: Block[] }[] };

const Blocks = v.lazy(
  (): v.GenericSchema<Block[]> => v.pipe(v.array(Block), v.maxLength(4000)) as v.GenericSchema<Block[]>,
);
const Items = v.lazy(() =>
  v.pipe(v.array(v.object({ type: v.literal('listItem'), content: Blocks })), v.maxLength(4000)),
);
export const Block: v.GenericSchema<Block> = v.variant('type', [
  Paragraph,
  Heading,
  Rule,
  AnswerTable,
  LiveFigure,
  ShortLog,
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
  v.object({ type: v.literal('doc'), content: v.pipe(v.array(Block), v.maxLength(4000)) }),
);
export type WriteUp = v.InferOutput<typeof WriteUp>;

/** Inlines or blocks that come from elsewhere in the study. */
export type Piece = Extract<Inline | Block, { attrs: { seen: string } }>;

function withinBlock(block: Block): Piece[] {
  switch (block.type) {
    case 'paragraph':
    case 'heading':
      return (block.content ?? []).filter(
        (i): i is Extract<Inline, Piece> => i.type === 'sentence' || i.type === 'liveNumber',
      );
    case 'blockquote':
      return block.content.flatMap(withinBlock);
    case 'bulletList':
    case 'orderedList':
      return block.content.flatMap((item) => item.content.flatMap(withinBlock));
    case 'horizontalRule':
      return [];
    default:
      return [block];
  }
}

/** Every live piece of a write-up, in order. */
export const piecesIn = (writeUp: WriteUp): Piece[] => writeUp.content.flatMap(withinBlock);
