import {
  AlignmentType,
  BorderStyle,
  Document,
  HeadingLevel,
  type IRunOptions,
  ImageRun,
  LevelFormat,
  LineRuleType,
  Packer,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
  WidthType,
} from 'docx';
import type { TextTable } from '../core/words/tables/result-table';
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

const caption = (label: string, runs: readonly Run[]): Paragraph =>
  new Paragraph({
    style: 'Caption',
    children: [textRun({ text: `${label} `, bold: true }), ...runs.map(textRun)],
  });

/** A table as journals set it: rules above and below the head and at the foot, none between. */
function tableOf({ head, rows }: TextTable): Table {
  const rule = { style: BorderStyle.SINGLE, size: 6, color: '1d1f1c' };
  const none = { style: BorderStyle.NONE, size: 0, color: 'auto' };
  const cell = (text: string, column: number, bold = false) =>
    new TableCell({
      children: [
        new Paragraph({
          alignment: column === 0 ? AlignmentType.LEFT : AlignmentType.RIGHT,
          children: [textRun({ text, bold })],
        }),
      ],
      ...(bold ? { borders: { bottom: rule } } : {}),
      margins: { left: 60, right: 60, top: 30, bottom: 30 },
    });
  return new Table({
    width: { size: 100, type: WidthType.PERCENTAGE },
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
export async function docxFile(title: string, blocks: readonly SettledBlock[], picture: Pictured): Promise<Blob> {
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
              children: block.runs.map(textRun),
            }),
          );
          break;
        case 'paragraph':
          out.push(new Paragraph({ children: block.runs.map(textRun), ...(list ? { numbering: list } : {}) }));
          break;
        case 'quote':
          for (const inner of block.blocks)
            if (inner.kind === 'paragraph')
              out.push(new Paragraph({ indent: { left: 500 }, children: inner.runs.map(textRun) }));
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
            caption(`Table ${block.number}.`, [{ text: block.table.title }]),
            tableOf(block.table),
            ...(block.table.notes ?? ['']).map(
              (note) => new Paragraph({ style: 'Caption', children: [textRun({ text: note })] }),
            ),
          );
          break;
        case 'figure':
          if (block.figure) out.push(await figureOf(block.figure, picture));
          out.push(caption(`Figure ${block.number}.`, block.caption));
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
    creator: 'Divide',
    styles: {
      default: {
        document: {
          run: { font: face, size: 22 },
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
