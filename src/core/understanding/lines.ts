/** Numbers that stand many to a cell, as they come from a text or a message. */
import { nth } from '../numeric/nth';
import { widthOf } from '../numeric/width-of';
import { valueOf } from './sums';
import { cellAt } from '../readings/cell-at';

type Rows = readonly (readonly string[])[];

const isNumber = (text: string): boolean => valueOf(text) !== undefined;

/** The numbers of a line, or undefined where it is no list of at least three. */
export function listed(text: string): string[] | undefined {
  for (const between of [/\s*[;|]\s*/, /\s*,\s+/, /\s+\/\s+/, /\s+/, /\s*,\s*/]) {
    const words = text.split(between).filter((w) => w !== '');
    // "12 500" and "1 234 567" are single numbers, and "1,5" is one with a decimal comma.
    const many = between.source === '\\s+' ? !/^\d{1,3}(?: \d{3}){1,3}$/.test(text.trim()) : true;
    if (words.length > 2 && many && words.every(isNumber)) return words;
  }
  return undefined;
}

/** "red lamp: 21.2 31.6 32.5" as a name and its numbers, which may stand in brackets: "red = [21.2, 31.6, 32.5]". */
function named(text: string): { name: string; numbers: string[] } | undefined {
  const [, name = '', rest = ''] = /^\s*([^:=]*\p{L}[^:=]*?)\s*[:=]\s*(.+)$/u.exec(text) ?? [];
  const bare = /^[([{](.+)[)\]}][;,]?$/u.exec(rest.trim())?.[1] ?? rest;
  const numbers = name ? listed(bare.trim()) : undefined;
  return numbers && { name, numbers };
}

/** Groups at most of which each has a line. */
const mostNamed = 200;

const upright = (lists: readonly (readonly string[])[]): string[][] =>
  Array.from({ length: Math.max(0, ...lists.map((l) => l.length)) }, (_, i) => lists.map((l) => cellAt(l, i)));

/**
 * A block of single cells that hold many numbers each, taken apart: lists with names as a column each; short lines of as
 * many numbers as one another as rows; a few long ones as a column each, unless they are one list broken into lines. Undefined where nothing is to be taken apart.
 */
export function linesApart(block: Rows): string[][] | undefined {
  // Commas may have parted such a line into cells.
  const joined = block.length > mostNamed ? [] : block.map((row) => row.filter((c) => c.trim() !== '').join(', '));
  const told = joined.filter((line) => line !== '').map(named);
  if (told.length > 1 && told.every((t) => t !== undefined))
    return [told.map((t) => t.name), ...upright(told.map((t) => t.numbers))];
  // A row of several cells, and more rows: a table.
  const several = (row: readonly string[]): boolean => row.filter((cell) => cell.trim() !== '').length > 1;
  if (block.length > 1 && block.slice(0, 50).filter(several).length > 1) return undefined;
  const filled = block.flatMap((row) => {
    const cells = row.filter((cell) => cell.trim() !== '');
    return cells.length === 0 ? [] : [cells];
  });
  const lines = filled.flatMap((cells) => (cells.length === 1 ? cells : []));
  if (filled.length === 1 && lines.length === 0) {
    // One row of numbers across, nothing else.
    const [row = []] = filled;
    return row.length > 2 && row.every(isNumber) ? row.map((text) => [text]) : undefined;
  }
  if (lines.length === 0 || lines.length < filled.length) return undefined;
  // "21.2," on each line: the mark parts them as the line does.
  const bare = lines.map((line) => line.trim().replace(/[,;]$/, ''));
  const ended = lines.slice(0, -1).filter((line) => /[,;]\s*$/.test(line)).length;
  // One that is none among many is said where it stands.
  const most = (count: number, of: number): boolean => count >= of - (of > 4 ? 1 : 0);
  if (lines.length > 2 && most(ended, lines.length - 1) && most(bare.filter(isNumber).length, lines.length))
    return bare.map((text) => [text]);
  const [head = '', ...rest] = lines;
  const lists = lines.map(listed);
  const together = (texts: readonly string[][]): string[][] => {
    const [first = []] = texts;
    const even = texts.every((t) => t.length === first.length);
    // Few numbers a line, line under line: rows of a table.
    if (texts.length > 2 && even && first.length <= 8) return texts.map((t) => [...t]);
    // One list broken where the line ended: all lines but the last are full.
    const full = first.length > 8 && texts.slice(0, -1).every((t) => t.length === first.length);
    const broken = texts.length > 2 && full && nth(texts, texts.length - 1).length <= first.length;
    if (texts.length > 1 && texts.length <= 6 && !broken) return upright(texts);
    return texts.flat().map((text) => [text]);
  };
  if (lists.every((l) => l !== undefined)) return together(lists);
  // A name over lines of numbers.
  const below = rest.map(listed);
  if (rest.length > 0 && listed(head) === undefined && below.every((l) => l !== undefined)) {
    const rows = together(below);
    const width = widthOf(rows);
    if (width === 1) return [[head.trim()], ...rows];
    const names = [/\s*[;|,]\s*/, /\s{2,}/, /\s+/].map((by) => head.trim().split(by)).find((n) => n.length === width);
    return names ? [names, ...rows] : rows;
  }
  return undefined;
}
