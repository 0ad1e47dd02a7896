/**
 * A study as one ZIP of open formats: a Data Package (frictionlessdata.io, version 2) whose tables are CSV, questions with
 * their answers and figures' styles as JSON under a JSON Schema, figures as SVG, the write-up as HTML and Markdown, the
 * log. Others read it without Divide; Divide opens it to the same state.
 */
import { toJsonSchema } from '@valibot/to-json-schema';
import { type Zippable, strFromU8, strToU8, zipSync } from 'fflate';
import Papa from 'papaparse';
import * as v from 'valibot';
import { DomainError, demand } from '../core/numeric/domain-error';
import { withDerived } from '../core/readings/derive';
import { readColumn } from '../core/readings/read-column';
import { isMeasured, type Column, type Table } from '../core/readings/table';
import { StudyContent, dangling } from '../core/study/content';
import { safeCsv, unmarked } from './safe-csv';
import { type Unpacked, unpacked } from './unpacked';

/** The version of the format this writes; older ones are brought up to it when they are opened. */
export const bundleVersion = 3;

/** What a bundle holds beside the study itself: everything for readers without Divide. */
export interface BundleExtras {
  /** Answer of each question as JSON, by the question's id. */
  answers: Record<string, unknown>;
  /** SVG of each figure, by its id. */
  figures: Record<string, string>;
  writeUp?: { html: string; markdown: string };
  /** The log, a line a change. */
  log: { at: string; by: string; where: string; what: string; undone: boolean }[];
}

const csv = (rows: readonly (readonly string[])[]): string => `${safeCsv(rows, ',', '\n')}\n`;

/** Where the files of a table stand: one that was taken out stands apart. */
const tablePath = ({ table, removed }: StudyContent['tables'][number], i: number): string =>
  `${removed === undefined ? 'data' : 'removed'}/${fileName(table.name, i)}`;

/** A file’s name from a table’s, safe on every system. */
const fileName = (name: string, i: number): string =>
  `${String(i + 1).padStart(2, '0')}-${
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 40) || 'table'
  }`;

/** How a Data Package describes a column. */
function fieldOf(column: Column, title: string) {
  const measured = isMeasured(column.role);
  const texts = [...new Set(column.cells.filter((c) => c.trim() !== ''))];
  const read = measured ? readColumn(column) : undefined;
  const unread = read ? [...new Set(read.unread.map((r) => column.cells[r.row] ?? ''))] : [];
  const numbers =
    measured &&
    texts.length > 0 &&
    texts.filter((t) => !unread.includes(t)).every((t) => /^\s*[-+−]?[\d.,\s]+(e[-+]?\d+)?\s*$/i.test(t));
  const commas = texts.some((t) => t.includes(','));
  return {
    name: title,
    type: numbers ? 'number' : 'string',
    ...(numbers && commas ? { decimalChar: ',', groupChar: '.' } : {}),
    missingValues: ['', ...unread],
    ...(column.unit ? { unit: column.unit } : {}),
    role: column.role,
    ...(column.formula ? { derived: true } : {}),
  };
}

/** Names of columns, each only once, as the head of a CSV needs them. */
function titlesOf(table: Pick<Table, 'columns'>): string[] {
  const given = table.columns.map((c, i) => c.name.trim() || `column ${i + 1}`);
  const seen = new Set<string>();
  return given.map((name) => {
    // A number that makes it another name than any column has of its own.
    let title = name;
    for (let k = 2; seen.has(title) || (title !== name && given.includes(title)); k++) title = `${name} (${k})`;
    seen.add(title);
    return title;
  });
}

function tableFiles(table: Table, path: string): { files: Zippable; resources: unknown[] } {
  const titles = titlesOf(table);
  const filled = withDerived(table);
  const rows = Array.from({ length: table.rowCount }, (_, row) => filled.columns.map((c) => c.cells[row] ?? ''));
  const aside = table.columns.flatMap((c, i) =>
    Object.entries(c.aside).map(([row, reason]) => [String(Number(row) + 1), titles[i] ?? '', reason]),
  );
  const files: Zippable = { [`${path}.csv`]: strToU8(csv([titles, ...rows])) };
  const resources: unknown[] = [
    {
      name: path.replace('data/', ''),
      title: table.name,
      path: `${path}.csv`,
      format: 'csv',
      mediatype: 'text/csv',
      encoding: 'utf-8',
      dialect: { delimiter: ',', header: true },
      schema: { fields: table.columns.map((c, i) => fieldOf(c, titles[i] ?? '')) },
      measure: table.measure,
      subject: table.subject,
      layout: table.shape,
    },
  ];
  if (aside.length > 0) {
    files[`${path}-set-aside.csv`] = strToU8(csv([['row', 'column', 'reason'], ...aside]));
    resources.push({
      name: `${path.replace('data/', '')}-set-aside`,
      title: `${table.name}: cells set aside, with the reason`,
      path: `${path}-set-aside.csv`,
      format: 'csv',
      mediatype: 'text/csv',
      encoding: 'utf-8',
      schema: {
        fields: [
          { name: 'row', type: 'integer' },
          { name: 'column', type: 'string' },
          { name: 'reason', type: 'string' },
        ],
      },
    });
  }
  return { files, resources };
}

type Draft = StudyContent['tables'][number]['table'];

const withoutCells = (table: Draft): Draft => ({
  ...table,
  columns: table.columns.map((c) => ({ ...c, cells: [], aside: {} })),
});

/** A CSV file of the bundle: its head and its rows, whichever delimiter an editor left it with. @throws DomainError naming the file */
function csvOf(files: Unpacked, path: string, version: number): { head: string[]; rows: string[][] } {
  const file = files[path];
  demand(file !== undefined, `“${path}” is missing in it: the bundle is not whole.`);
  const text = strFromU8(file).replace(/^\ufeff/, '');
  // A file without a character but its line's end has one row, its only cell empty.
  const { data } = Papa.parse<string[]>(text.replace(/\r?\n$/, ''), {
    delimiter: ',',
    ...(/^[^"\r\n]*\r\n/.test(text) ? {} : { newline: '\n' as const }),
  });
  // The first version wrote texts as they were, whatever a spreadsheet would make of them.
  const [head = [], ...rows] = version < 2 ? data : data.map((row) => row.map(unmarked));
  return { head, rows };
}

const listedTitles = (titles: readonly string[]): string => titles.map((t) => `“${t}”`).join(', ');

/** A table with its cells and what was set aside, from their files: columns go by their names, wherever they stand. */
function withCells(table: Draft, files: Unpacked, path: string, version: number): Draft {
  const file = `${path}.csv`;
  const { head, rows } = csvOf(files, file, version);
  const titles = titlesOf(table);
  const places = titles.map((title) => head.indexOf(title));
  const missing = titles.filter((_, i) => places[i] === -1);
  const surplus = head.filter((title, i) => !titles.includes(title) || head.indexOf(title) !== i);
  demand(
    titles.length === 0 || (missing.length === 0 && surplus.length === 0),
    `The columns of “${file}” are not those the study knows: ${[
      ...(missing.length > 0 ? [`${listedTitles(missing)} missing`] : []),
      ...(surplus.length > 0 ? [`${listedTitles(surplus)} not known, or twice`] : []),
    ].join(
      '; ',
    )}. Its first line names them, parted by commas. To take in a table changed by hand, open the CSV file by itself.`,
  );
  demand(
    rows.length === table.rowCount || (table.rowCount === 0 && rows.length <= 1),
    `“${file}” has ${rows.length} rows and should have ${table.rowCount}: take the bundle as it was saved, or open the CSV file by itself.`,
  );
  const width = head.length;
  const odd = titles.length === 0 ? -1 : rows.findIndex((row) => row.length !== width);
  demand(
    odd === -1 || table.rowCount === 0,
    `Row ${odd + 1} of “${file}” has ${rows[odd]?.length ?? 0} cells and its head ${width}: quotes or commas were changed in it.`,
  );
  const aside = files[`${path}-set-aside.csv`]
    ? asideOf(csvOf(files, `${path}-set-aside.csv`, version).rows, `${path}-set-aside.csv`, titles, table.rowCount)
    : [];
  return {
    ...table,
    columns: table.columns.map((column, j) => {
      if (column.formula) return column;
      const cells = rows.slice(0, table.rowCount).map((row) => row[places[j] ?? -1] ?? '');
      while (cells.at(-1) === '') cells.pop();
      return { ...column, cells, aside: aside[j] ?? {} };
    }),
  };
}

/** What was set aside in each column, by row. @throws DomainError naming the line */
function asideOf(
  rows: readonly string[][],
  file: string,
  titles: readonly string[],
  rowCount: number,
): Record<string, string>[] {
  const aside = titles.map((): Record<string, string> => ({}));
  rows.forEach(([row = '', title = '', reason = ''], i) => {
    const column = aside[titles.indexOf(title)];
    const place = Number(row);
    demand(
      column !== undefined && /^\d+$/.test(row) && place >= 1 && place <= rowCount,
      `Line ${i + 2} of “${file}” sets aside row “${row.slice(0, 40)}” of “${title.slice(0, 80)}”, and there is no such reading in the table.`,
    );
    column[String(place - 1)] = reason;
  });
  return aside;
}

const readMe = (title: string): string => `${title}

This is one study: readings, questions, figures, the write-up and the log.

datapackage.json   describes the tables (a Data Package, frictionlessdata.io)
data/              the tables as CSV; cells set aside, with their reasons, beside them
answers/           each question with its answer, as JSON
figures/           each figure as SVG
write-up.html, .md the write-up with what was computed put in
log.csv            what was done, and when
removed/           tables that were taken out, which going back may bring back
manifest.json      the SHA-256 of every other file: what was changed since is told when the study is opened
study.json         everything needed to open the study again; study.schema.json says what it may hold
`;

const asJson = (value: unknown): Uint8Array => strToU8(`${JSON.stringify(value, null, 1)}\n`);

/** Writes a study as a bundle. The same study gives the same bytes. */
export async function writeBundle(content: StudyContent, extras: BundleExtras): Promise<Uint8Array> {
  const files: Zippable = {};
  const resources: unknown[] = [];
  content.tables.forEach((kept, i) => {
    const made = tableFiles({ ...(kept.table as Omit<Table, 'id'>), id: kept.id }, tablePath(kept, i));
    Object.assign(files, made.files);
    if (kept.removed === undefined) resources.push(...made.resources);
  });
  content.questions.forEach(({ id, table, question }, i) => {
    if (extras.answers[id] === undefined) return;
    files[`answers/${String(i + 1).padStart(2, '0')}.json`] = asJson({
      id,
      table,
      question,
      ...(extras.answers[id] as object),
    });
  });
  content.figures.forEach(({ id }, i) => {
    const svg = extras.figures[id];
    if (svg) files[`figures/${String(i + 1).padStart(2, '0')}.svg`] = strToU8(svg);
  });
  if (extras.writeUp) {
    files['write-up.html'] = strToU8(extras.writeUp.html);
    files['write-up.md'] = strToU8(extras.writeUp.markdown);
  }
  files['log.csv'] = strToU8(
    csv([
      ['when', 'who', 'where', 'what', 'taken back'],
      ...extras.log.map((l) => [l.at, l.by, l.where, l.what, l.undone ? 'yes' : '']),
    ]),
  );
  files['datapackage.json'] = asJson({
    $schema: 'https://datapackage.org/profiles/2.0/datapackage.json',
    name: fileName(content.title, 0).slice(3),
    title: content.title,
    resources,
  });
  // Cells stand in the CSV files alone: nothing is written twice.
  const tables = content.tables.map(({ table, ...rest }) => ({ ...rest, table: withoutCells(table) }));
  files['study.json'] = asJson({ format: 'divide-study', version: bundleVersion, study: { ...content, tables } });
  files['study.schema.json'] = schemaFile();
  files['README.txt'] = strToU8(readMe(content.title));
  files['manifest.json'] = asJson(await sumsOf(files as Unpacked));
  // Dates within the archive are fixed, so that the same study gives the same bytes. It is made in a thread of its own, and
  // those that a zip on many threads would start cost more than they save.
  return zipSync(files, { mtime: new Date('2020-01-01T00:00:00Z'), level: 6 });
}

let schema: Uint8Array | undefined;
/** The shape of study.json for other programs: the same for every study, and slow to write. */
const schemaFile = () => (schema ??= asJson(toJsonSchema(Bundled, { errorMode: 'ignore' })));

const Bundled = v.object({
  format: v.literal('divide-study', 'It is not a study of Divide.'),
  version: v.pipe(v.number(), v.integer(), v.minValue(1)),
  study: StudyContent,
});

/** Most that an archive may hold, unpacked, in bytes and files. */
const limits = { bytes: 512 * 1024 * 1024, files: 10_000 };

/** The files of a bundle. @throws DomainError in words */
export const filesOf = (bytes: Uint8Array): Promise<Unpacked> => unpacked(bytes, limits);

/** The SHA-256 of each file, by its name. */
async function sumsOf(files: Unpacked): Promise<Record<string, string>> {
  const sums: Record<string, string> = {};
  for (const name of Object.keys(files).sort()) {
    const sum = await crypto.subtle.digest('SHA-256', (files[name] ?? new Uint8Array()) as Uint8Array<ArrayBuffer>);
    sums[name] = Array.from(new Uint8Array(sum), (byte) => byte.toString(16).padStart(2, '0')).join('');
  }
  return sums;
}

const Manifest = v.record(v.string(), v.string());

/** The files that are not as the bundle was saved: changed, missing or put in since. @throws DomainError when its list cannot be read */
async function changedSince({ 'manifest.json': list, ...files }: Unpacked): Promise<string[]> {
  demand(list !== undefined, 'Its manifest.json is missing, so that what was changed in it cannot be told.');
  const kept = v.safeParse(Manifest, parsedJson(list, 'manifest.json'));
  demand(
    kept.success,
    'Its manifest.json is no list of files with their sums: save the bundle anew where it was made.',
  );
  const now = await sumsOf(files);
  return [...new Set([...Object.keys(kept.output), ...Object.keys(now)])]
    .filter((name) => kept.output[name] !== now[name])
    .sort();
}

function parsedJson(file: Uint8Array, name: string): unknown {
  try {
    return JSON.parse(strFromU8(file));
  } catch {
    throw new DomainError(
      `Its ${name} is not JSON: it is damaged, or was edited. Save the bundle anew where it was made.`,
    );
  }
}

/** Brings the content of an older version up to the one after it. */
/** What was assumed of one group, by what a question was about. */
const assumed: Readonly<Record<string, number>> = { value: 0, share: 0.5, spread: 1 };

const OlderQuestion = v.looseObject({
  question: v.looseObject({
    design: v.string(),
    about: v.optional(v.string(), 'value'),
    value: v.optional(v.number()),
  }),
});
const Older = v.looseObject({ study: v.looseObject({ questions: v.array(OlderQuestion) }) });

/** Questions with the value their answers were given against. */
function withStatedValues(raw: unknown): unknown {
  const older = v.safeParse(Older, raw);
  if (!older.success) return raw;
  const { study, ...rest } = older.output;
  const stated = ({ question, ...kept }: v.InferOutput<typeof OlderQuestion>) => {
    const value = question.design === 'one-sample' ? (question.value ?? assumed[question.about]) : undefined;
    return { ...kept, question: value === undefined ? question : { ...question, value } };
  };
  return { ...rest, study: { ...study, questions: study.questions.map(stated) } };
}

const migrations: Readonly<Record<number, (raw: unknown) => unknown>> = {
  // Lines of the log are numbered, and tables taken out are kept: what is missing is filled in when it is taken in.
  1: (raw) => raw,
  // What one group was held against where nobody had said was assumed then, and is asked for now.
  2: withStatedValues,
};

/** A bundle as it was opened. */
export interface OpenedBundle {
  content: StudyContent;
  /** Files changed, missing or put in since it was saved; undefined in a bundle from before they were listed. */
  changed: string[] | undefined;
}

/**
 * Reads a bundle. Only `study.json` and the tables' CSV files count, and nothing in it is ever run; the rest is for readers
 * without Divide.
 * @throws DomainError that names the place and the mend
 */
export async function readBundle(bytes: Uint8Array): Promise<OpenedBundle> {
  demand(
    bytes.length > 3 && bytes[0] === 0x50 && bytes[1] === 0x4b,
    'This is not a ZIP file, so it is no bundled study.',
  );
  const files = await filesOf(bytes);
  const study = files['study.json'];
  if (!study)
    throw new DomainError('It holds no study.json, so it is no bundled study, or was packed again without it.');
  let raw = parsedJson(study, 'study.json');
  const saved = Number((raw as { version?: unknown } | null)?.version);
  demand(
    !(saved > bundleVersion),
    `It was made by a newer Divide (format ${saved}, and this one knows up to ${bundleVersion}): bring this Divide up to date.`,
  );
  for (let version = saved; version < bundleVersion && migrations[version]; version++) raw = migrations[version]?.(raw);
  const parsed = v.safeParse(Bundled, raw);
  if (!parsed.success) {
    const [issue] = parsed.issues;
    throw new DomainError(`Its study.json cannot be read at ${v.getDotPath(issue) ?? 'the top'}: ${issue.message}`);
  }
  const content = parsed.output.study;
  const [loose] = dangling(content);
  if (loose) throw new DomainError(`Its parts do not fit together: ${loose}.`);
  const tables = content.tables.map((kept, i) => ({
    ...kept,
    table: withCells(kept.table, files, tablePath(kept, i), saved),
  }));
  return { content: { ...content, tables }, changed: saved < 2 ? undefined : await changedSince(files) };
}
