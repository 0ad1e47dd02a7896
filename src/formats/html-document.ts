import type { TextTable } from '../core/words/tables/result-table';
import { html as textHtml } from '../core/words/text';
import type { DrawnPiece } from '../core/write-up/piece';
import type { Run, SettledBlock } from '../core/write-up/settled';

const escapedHtml = (raw: string): string =>
  raw.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** The place of a table or a figure in the file, to be led to. */
const place = (kind: 'figure' | 'table', number: number): string => `${kind}-${number}`;

function run({ text, bold, italic, subscript, superscript, break: ends, link }: Run): string {
  let out = escapedHtml(text);
  if (subscript) out = `<sub>${out}</sub>`;
  if (superscript) out = `<sup>${out}</sup>`;
  if (italic) out = `<i>${out}</i>`;
  if (bold) out = `<b>${out}</b>`;
  if (link) out = `<a href="${'to' in link ? `#${place(link.to, link.number)}` : escapedHtml(link.href)}">${out}</a>`;
  return ends ? `${out}<br>` : out;
}

const runs = (all: readonly Run[]): string => all.map(run).join('');

const left = (words: readonly number[], column: number): string => (words.includes(column) ? ' class="words"' : '');

/** A table with its head, its title as caption and its notes at the foot. */
export const htmlTable = ({ title, head, rows, notes = [], words = [] }: TextTable, label = '', id?: string): string =>
  `<table${id === undefined ? '' : ` id="${id}"`}>${label || title ? `<caption>${label}${escapedHtml(title)}</caption>` : ''}<thead><tr>${head.map((h, j) => `<th scope="col"${left(words, j)}>${textHtml(h)}</th>`).join('')}</tr></thead><tbody>${rows
    .map(
      (row) =>
        `<tr>${row.map((c, j) => (j === 0 ? `<th scope="row">${textHtml(c)}</th>` : `<td${left(words, j)}>${textHtml(c)}</td>`)).join('')}</tr>`,
    )
    .join(
      '',
    )}</tbody>${notes.length === 0 ? '' : `<tfoot>${notes.map((note) => `<tr><td colspan="${head.length}">${escapedHtml(note)}</td></tr>`).join('')}</tfoot>`}</table>`;

function block(of: SettledBlock, picture: (figure: DrawnPiece) => string): string {
  switch (of.kind) {
    case 'heading':
      return `<h${of.level}>${runs(of.runs)}</h${of.level}>`;
    case 'paragraph':
      return `<p>${runs(of.runs)}</p>`;
    case 'quote':
      return `<blockquote>${of.blocks.map((b) => block(b, picture)).join('')}</blockquote>`;
    case 'list': {
      const tag = of.ordered ? 'ol' : 'ul';
      return `<${tag}>${of.items.map((item) => `<li>${item.map((b) => block(b, picture)).join('')}</li>`).join('')}</${tag}>`;
    }
    case 'rule':
      return '<hr>';
    case 'table':
      return of.number === undefined
        ? htmlTable(of.table)
        : htmlTable(of.table, `<b>Table ${of.number}.</b> `, place('table', of.number));
    case 'figure':
      return `<figure id="${place('figure', of.number)}">${of.figure ? picture(of.figure) : ''}<figcaption><b>Figure ${of.number}.</b> ${runs(of.caption)}</figcaption></figure>`;
  }
}

const style = `body{max-width:42rem;margin:3rem auto;padding:0 1rem;font:1.05rem/1.55 'Source Serif 4',Georgia,serif;color:#1d1f1c;background:#fff}
h1,h2,h3{line-height:1.25}table{border-collapse:collapse;border-top:1px solid;border-bottom:1px solid;margin:1.5rem 0;font:.9rem/1.4 'Source Sans 3',sans-serif;font-variant-numeric:tabular-nums}
caption{text-align:left;padding-bottom:.4rem}thead th{border-bottom:1px solid}th,td{padding:.2rem .8rem .2rem 0;text-align:right;font-weight:normal}th:first-child,tfoot td,.words{text-align:left}
figure{margin:1.5rem 0}figure svg,figure img{max-width:100%;height:auto}figcaption{font-size:.92rem}blockquote{margin-left:1.5rem;color:#5a5d55}`;

/** A write-up as one HTML file that stands alone. @param picture a figure as markup: an SVG, or an image that points at a file */
export const htmlDocument = (
  { title, author = '' }: { title: string; author?: string | undefined },
  blocks: readonly SettledBlock[],
  picture: (figure: DrawnPiece) => string,
): string =>
  `<!doctype html>\n<html lang="en"><head><meta charset="utf-8">${author ? `<meta name="author" content="${escapedHtml(author)}">` : ''}<title>${escapedHtml(title)}</title><style>${style}</style></head><body>\n${blocks
    .map((b) => block(b, picture))
    .join('\n')}\n</body></html>\n`;
