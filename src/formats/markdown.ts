import { strToU8, zipSync } from 'fflate';
import type { BlockContent, PhrasingContent, Root, RootContent } from 'mdast';
import { gfmTableToMarkdown } from 'mdast-util-gfm-table';
import { toMarkdown } from 'mdast-util-to-markdown';
import type { Text } from '../core/words/text';
import type { DrawnPiece } from '../core/write-up/piece';
import type { Run, SettledBlock } from '../core/write-up/settled';

function phrasing({ text, bold, italic, subscript, superscript, break: ends, link }: Run): PhrasingContent[] {
  if (ends) return [{ type: 'break' }];
  if (text === '') return [];
  let out: PhrasingContent[] = [{ type: 'text', value: text }];
  if (subscript) out = [{ type: 'html', value: '<sub>' }, ...out, { type: 'html', value: '</sub>' }];
  if (superscript) out = [{ type: 'html', value: '<sup>' }, ...out, { type: 'html', value: '</sup>' }];
  if (italic) out = [{ type: 'emphasis', children: out }];
  if (bold) out = [{ type: 'strong', children: out }];
  if (link && 'href' in link) out = [{ type: 'link', url: link.href, children: out }];
  return out;
}

/** A cell of a table, its statistics in italics. */
const cellOf = (text: Text): PhrasingContent[] =>
  text.flatMap((p) => phrasing(typeof p === 'string' ? { text: p } : { text: p.symbol, italic: true }));

/** A write-up as Markdown in an archive, with each figure as a file of its own that it points at. */
export function markdownFile(
  name: string,
  blocks: readonly SettledBlock[],
  svg: (figure: DrawnPiece) => string,
): Uint8Array<ArrayBuffer> {
  const files: Record<string, Uint8Array> = {};
  const text = markdownDocument(blocks, (figure) => {
    const place = `figures/${String(Object.keys(files).length + 1).padStart(2, '0')}.svg`;
    files[place] = strToU8(svg(figure));
    return place;
  });
  return zipSync({ [`${name}.md`]: strToU8(text), ...files });
}

/** A write-up as Markdown with tables. @param picture where a figure’s picture is found */
export function markdownDocument(blocks: readonly SettledBlock[], picture: (figure: DrawnPiece) => string): string {
  const runs = (all: readonly Run[]): PhrasingContent[] => all.flatMap(phrasing);
  const node = (of: SettledBlock): RootContent[] => {
    switch (of.kind) {
      case 'heading':
        return [{ type: 'heading', depth: of.level as 1 | 2 | 3, children: runs(of.runs) }];
      case 'paragraph':
        return [{ type: 'paragraph', children: runs(of.runs) }];
      case 'quote':
        return [{ type: 'blockquote', children: of.blocks.flatMap(node) as BlockContent[] }];
      case 'list':
        return [
          {
            type: 'list',
            ordered: of.ordered,
            spread: false,
            children: of.items.map((item) => ({
              type: 'listItem' as const,
              spread: false,
              children: item.flatMap(node) as BlockContent[],
            })),
          },
        ];
      case 'rule':
        return [{ type: 'thematicBreak' }];
      case 'table':
        return [
          ...(of.number === undefined
            ? []
            : [
                {
                  type: 'paragraph' as const,
                  children: [
                    { type: 'strong' as const, children: [{ type: 'text' as const, value: `Table ${of.number}.` }] },
                    { type: 'text' as const, value: ` ${of.table.title}` },
                  ],
                },
              ]),
          {
            type: 'table',
            align: of.table.head.map((_, j) => (j === 0 || of.table.words?.includes(j) ? 'left' : 'right')),
            children: [of.table.head, ...of.table.rows].map((row) => ({
              type: 'tableRow' as const,
              children: row.map((value) => ({
                type: 'tableCell' as const,
                children: cellOf(value),
              })),
            })),
          },
          ...(of.table.notes ?? []).map((value) => ({
            type: 'paragraph' as const,
            children: [{ type: 'text' as const, value }],
          })),
        ];
      case 'figure':
        return [
          ...(of.figure
            ? [
                {
                  type: 'paragraph' as const,
                  children: [{ type: 'image' as const, url: picture(of.figure), alt: of.figure.drawing.alt }],
                },
              ]
            : []),
          {
            type: 'paragraph',
            children: [
              { type: 'strong', children: [{ type: 'text', value: `Figure ${of.number}.` }] },
              { type: 'text', value: ' ' },
              ...runs(of.caption),
            ],
          },
        ];
    }
  };
  const root: Root = { type: 'root', children: blocks.flatMap(node) };
  return toMarkdown(root, { bullet: '-', extensions: [gfmTableToMarkdown()] });
}
