import {
  AlignmentType,
  Bookmark,
  BorderStyle,
  BuilderElement,
  Document,
  ExternalHyperlink,
  HeadingLevel,
  LeaderType,
  Tab,
  TabStopType,
  type IRunOptions,
  type ParagraphChild,
  ImageRun,
  LevelFormat,
  LineRuleType,
  Packer,
  Paragraph,
  Table,
  TableCell,
  TableLayoutType,
  TableRow,
  TextRun,
  WidthType,
} from 'docx';
import type { TextTable } from '../core/words/tables/result-table';
import { type Text, plain } from '../core/words/text';
import type { DrawnPiece } from '../core/write-up/piece';
import type { Run, SettledBlock } from '../core/write-up/settled';

/** The picture of a figure, as PNG at its true size. */
export type Pictured = (figure: DrawnPiece) => Promise<Uint8Array>;

const headings = [HeadingLevel.HEADING_1, HeadingLevel.HEADING_2, HeadingLevel.HEADING_3];
const face = 'Georgia';

function textRun({ text, bold = false, italic = false, subscript, superscript, break: ends }: Run): TextRun {
  const options: IRunOptions = {
    text,
    bold,
    italics: italic,
    ...(subscript ? { subScript: true } : {}),
    ...(superscript ? { superScript: true } : {}),
    ...(ends ? { break: 1 } : {}),
  };
  return new TextRun(options);
}

const fieldMark = (type: 'begin' | 'separate' | 'end', dirty = false) =>
  new BuilderElement({
    name: 'w:fldChar',
    attributes: {
      type: { key: 'w:fldCharType', value: type },
      ...(dirty ? { dirty: { key: 'w:dirty', value: 'true' } } : {}),
    },
  });

/** A field of a word processor, showing what it came to here; a dirty one is worked out when the file is opened. */
function field(instruction: string, shown: string, { bold = false, dirty = false } = {}): TextRun {
  const says = (name: string, text: string) =>
    new BuilderElement({
      name,
      attributes: { space: { key: 'xml:space', value: 'preserve' } },
      children: [text as unknown as BuilderElement],
    });
  const parts = [
    fieldMark('begin', dirty),
    says('w:instrText', ` ${instruction} `),
    fieldMark('separate'),
    says('w:t', shown),
    fieldMark('end'),
  ];
  // The library takes its own fields alone by type, and any element in fact.
  const options: IRunOptions = { bold, children: parts };
  return new TextRun(options);
}

/** The place of a caption's name and number, to be referred to. */
const bookmark = (kind: 'figure' | 'table', number: number): string => `${kind}_${number}`;

/** A run as it stands in a paragraph: a reference to a number is a field, an address a link. */
function childOf(run: Run): ParagraphChild {
  if (!run.link) return textRun(run);
  if ('to' in run.link) return field(`REF ${bookmark(run.link.to, run.link.number)} \\h`, run.text);
  return new ExternalHyperlink({ link: run.link.href, children: [textRun(run)] });
}

/** A line of a list of figures or tables: dots lead to its page, which the program that opens it fills in. */
const listingLine = (runs: readonly Run[], { to, number }: { to: 'figure' | 'table'; number: number }): Paragraph =>
  new Paragraph({
    tabStops: [{ type: TabStopType.RIGHT, position: page.text, leader: LeaderType.DOT }],
    children: [
      ...runs.map(childOf),
      new TextRun({ children: [new Tab()] }),
      field(`PAGEREF ${bookmark(to, number)} \\h`, '…', { dirty: true }),
    ],
  });

/** A caption, its number a field: what is put in between later is counted anew by the program that opens it. */
const caption = (kind: 'Table' | 'Figure', number: number, runs: readonly Run[], keepNext = false): Paragraph =>
  new Paragraph({
    style: 'Caption',
    keepNext,
    children: [
      new Bookmark({
        id: bookmark(kind === 'Table' ? 'table' : 'figure', number),
        children: [
          textRun({ text: `${kind}\u00a0`, bold: true }),
          field(`SEQ ${kind} \\* ARABIC`, String(number), { bold: true }),
        ],
      }),
      textRun({ text: '. ', bold: true }),
      ...runs.map(childOf),
    ],
  });

/**
 * The text's width between the margins of an A4 page, and what a letter and a cell's edges take, in twentieths of a point;
 * with room for the wider face and the bold heads of a computer that lacks the one asked for.
 */
const page = { text: 9026, letter: 140, edges: 170 };

/**
 * How wide each column is: as its longest line, and where all of them do not fit beside one another, no narrower than
 * its longest word, which is never broken.
 */
export function columnWidths({ head, rows }: Pick<TextTable, 'head' | 'rows'>): number[] {
  const lines = head.map((h, j) => [plain(h), ...rows.map((row) => plain(row[j] ?? []))]);
  const wide = (letters: number) => letters * page.letter + page.edges;
  const whole = lines.map((column) => wide(Math.max(...column.map((text) => text.length), 2)));
  // A head is bold, and so an eighth wider.
  const words = lines.map((column) =>
    wide(
      Math.max(
        ...column.flatMap((text, row) => text.split(/[ \n-]/).map((w) => w.length * (row === 0 ? 1.125 : 1))),
        2,
      ),
    ),
  );
  const sum = (all: readonly number[]) => all.reduce((a, b) => a + b, 0);
  if (sum(whole) <= page.text) return whole;
  const room = page.text - sum(words);
  if (room <= 0) return words.map((w) => Math.floor((w * page.text) / sum(words)));
  const more = whole.map((w, j) => w - (words[j] ?? 0));
  return words.map((w, j) => Math.floor(w + (room * (more[j] ?? 0)) / sum(more)));
}

/** A table as journals set it: rules above and below the head and at the foot, none between. */
function tableOf(table: TextTable): Table {
  const { head, rows, words = [] } = table;
  const widths = columnWidths(table);
  const rule = { style: BorderStyle.SINGLE, size: 6, color: '1d1f1c' };
  const none = { style: BorderStyle.NONE, size: 0, color: 'auto' };
  const cell = (text: Text, column: number, bold = false) =>
    new TableCell({
      children: [
        new Paragraph({
          spacing: { after: 0, line: 260 },
          alignment: column === 0 || words.includes(column) ? AlignmentType.LEFT : AlignmentType.RIGHT,
          children: text.map((p) =>
            textRun(typeof p === 'string' ? { text: p, bold } : { text: p.symbol, bold, italic: true }),
          ),
        }),
      ],
      ...(bold ? { borders: { bottom: rule } } : {}),
      width: { size: widths[column] ?? 0, type: WidthType.DXA },
      margins: { left: 60, right: 60, top: 30, bottom: 30 },
    });
  return new Table({
    layout: TableLayoutType.FIXED,
    columnWidths: widths,
    width: { size: widths.reduce((a, b) => a + b, 0), type: WidthType.DXA },
    borders: { top: rule, bottom: rule, left: none, right: none, insideHorizontal: none, insideVertical: none },
    rows: [
      new TableRow({ tableHeader: true, children: head.map((h, j) => cell(h, j, true)) }),
      ...rows.map((row) => new TableRow({ cantSplit: true, children: row.map((c, j) => cell(c, j)) })),
    ],
  });
}

async function figureOf(figure: DrawnPiece, picture: Pictured): Promise<Paragraph> {
  // Pictures are measured in pixels of 1/96 inch; one wider than the text is brought to its width.
  const across = Math.min(figure.widthMm, 170);
  const width = (across / 25.4) * 96;
  const { alt } = figure.drawing;
  return new Paragraph({
    keepNext: true,
    children: [
      new ImageRun({
        type: 'png',
        data: await picture(figure),
        transformation: { width, height: (width * figure.heightMm) / figure.widthMm },
        altText: { title: 'Figure', description: alt, name: 'Figure' },
      }),
    ],
  });
}

/** A write-up as a DOCX document: headings, tables, pictures and captions of their own kind. */
export async function docxFile(
  { title, author = '' }: { title: string; author?: string | undefined },
  blocks: readonly SettledBlock[],
  picture: Pictured,
): Promise<Blob> {
  let lists = 0;
  const paragraphs = async (
    all: readonly SettledBlock[],
    list?: { reference: string; level: number },
  ): Promise<(Paragraph | Table)[]> => {
    const out: (Paragraph | Table)[] = [];
    for (const block of all)
      switch (block.kind) {
        case 'heading':
          out.push(
            new Paragraph({
              heading: headings[block.level - 1] ?? HeadingLevel.HEADING_3,
              children: block.runs.map(childOf),
            }),
          );
          break;
        case 'paragraph':
          out.push(
            block.page
              ? listingLine(block.runs, block.page)
              : new Paragraph({ children: block.runs.map(childOf), ...(list ? { numbering: list } : {}) }),
          );
          break;
        case 'quote':
          for (const inner of block.blocks)
            if (inner.kind === 'paragraph')
              out.push(new Paragraph({ indent: { left: 500 }, children: inner.runs.map(childOf) }));
            else out.push(...(await paragraphs([inner])));
          break;
        case 'list': {
          // Each numbered list starts anew, so each has a numbering of its own.
          const reference = block.ordered ? `ordered-${lists++ % 100}` : 'bullets';
          const level = list ? Math.min(8, list.level + 1) : 0;
          for (const item of block.items) out.push(...(await paragraphs(item, { reference, level })));
          break;
        }
        case 'rule':
          out.push(new Paragraph({ border: { bottom: { style: BorderStyle.SINGLE, size: 4, color: '999999' } } }));
          break;
        case 'table':
          out.push(
            ...(block.number === undefined
              ? []
              : [caption('Table', block.number, [{ text: block.table.title }], true)]),
            tableOf(block.table),
            ...(block.table.notes ?? ['']).map(
              (note) => new Paragraph({ style: 'Caption', children: [textRun({ text: note })] }),
            ),
          );
          break;
        case 'figure':
          if (block.figure) out.push(await figureOf(block.figure, picture));
          out.push(caption('Figure', block.number, block.caption));
      }
    return out;
  };
  const children = await paragraphs(blocks);
  const levels = (format: (typeof LevelFormat)[keyof typeof LevelFormat], text: (level: number) => string) =>
    Array.from({ length: 9 }, (_, level) => ({
      level,
      format,
      text: text(level),
      alignment: AlignmentType.LEFT,
      style: { paragraph: { indent: { left: 500 * (level + 1), hanging: 260 } } },
    }));
  const document = new Document({
    title,
    creator: author || 'Divide',
    lastModifiedBy: author || 'Divide',
    styles: {
      default: {
        document: {
          run: { font: face, size: 22, language: { value: 'en-GB' } },
          paragraph: { spacing: { after: 140, line: 300, lineRule: LineRuleType.AUTO } },
        },
        heading1: {
          run: { font: face, size: 34, bold: true, color: '1d1f1c' },
          paragraph: { spacing: { before: 240, after: 160 } },
        },
        heading2: {
          run: { font: face, size: 26, bold: true, color: '1d1f1c' },
          paragraph: { spacing: { before: 240, after: 120 } },
        },
        heading3: {
          run: { font: face, size: 23, bold: true, color: '1d1f1c' },
          paragraph: { spacing: { before: 200, after: 100 } },
        },
      },
      paragraphStyles: [
        {
          id: 'Caption',
          name: 'caption',
          basedOn: 'Normal',
          run: { size: 19 },
          paragraph: { spacing: { before: 80, after: 160 } },
        },
      ],
    },
    numbering: {
      config: [
        { reference: 'bullets', levels: levels(LevelFormat.BULLET, () => '•') },
        ...Array.from({ length: Math.min(100, Math.max(1, lists)) }, (_, i) => ({
          reference: `ordered-${i}`,
          levels: levels(LevelFormat.DECIMAL, (level) => `%${level + 1}.`),
        })),
      ],
    },
    sections: [{ children }],
  });
  return Packer.toBlob(document);
}
