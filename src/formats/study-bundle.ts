/**
 * A study as one ZIP of open formats: a Data Package (frictionlessdata.io, version 2) whose tables are CSV, questions with
 * their answers and figures' styles as JSON under a JSON Schema, figures as SVG, the write-up as HTML and Markdown, the
 * log. Others read it without Divide; Divide opens it to the same state.
 */
import { toJsonSchema } from '@valibot/to-json-schema';
import { type Unzipped, type Zippable, strFromU8, strToU8, unzip, zip } from 'fflate';
import Papa from 'papaparse';
import * as v from 'valibot';
import { DomainError, demand } from '../core/numeric/domain-error';
import { withDerived } from '../core/readings/derive';
import { readColumn } from '../core/readings/read-column';
import { isMeasured, type Column, type Table } from '../core/readings/table';
import { StudyContent, dangling } from '../core/study/content';

/** The version of the format this writes; older ones are brought up to it when they are opened. */
export const bundleVersion = 1;

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

const csv = (rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse(rows as string[][], { newline: '\n' })}\n`;

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
function titlesOf(table: Table): string[] {
  const seen = new Map<string, number>();
  return table.columns.map((c, i) => {
    const base = c.name.trim() || `column ${i + 1}`;
    const count = (seen.get(base) ?? 0) + 1;
    seen.set(base, count);
    return count === 1 ? base : `${base} (${count})`;
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

/** Rows of a CSV file of the bundle, without its head. @throws DomainError naming the file */
function csvRows(files: Unzipped, path: string): string[][] {
  const file = files[path];
  demand(file !== undefined, `“${path}” is missing in it: the bundle is not whole.`);
  const { data } = Papa.parse<string[]>(strFromU8(file).replace(/\n$/, ''), { delimiter: ',', newline: '\n' });
  return data.slice(1);
}

/** A table with its cells and what was set aside, from their files. */
function withCells(table: Draft, files: Unzipped, path: string): Draft {
  const rows = csvRows(files, `${path}.csv`);
  demand(
    rows.length === table.rowCount || (table.rowCount === 0 && rows.length <= 1),
    `“${path}.csv” has ${rows.length} rows and should have ${table.rowCount}: take the bundle as it was saved, or open the CSV file by itself.`,
  );
  const titles = titlesOf(table as unknown as Table);
  const aside = files[`${path}-set-aside.csv`] ? csvRows(files, `${path}-set-aside.csv`) : [];
  return {
    ...table,
    columns: table.columns.map((column, j) => {
      if (column.formula) return column;
      const cells = rows.slice(0, table.rowCount).map((row) => row[j] ?? '');
      while (cells.at(-1) === '') cells.pop();
      return {
        ...column,
        cells,
        aside: Object.fromEntries(
          aside
            .filter(([, title]) => title === titles[j])
            .map(([row, , reason = '']) => [String(Number(row) - 1), reason]),
        ),
      };
    }),
  };
}

const readMe = (title: string): string => `${title}

This is one study: readings, questions, figures, the write-up and the log.

datapackage.json   describes the tables (a Data Package, frictionlessdata.io)
data/              the tables as CSV; cells set aside, with their reasons, beside them
answers/           each question with its answer, as JSON
figures/           each figure as SVG
write-up.html, .md the write-up with what was computed put in
log.csv            what was done, and when
study.json         everything needed to open the study again; study.schema.json says what it may hold
`;

const asJson = (value: unknown): Uint8Array => strToU8(`${JSON.stringify(value, null, 1)}\n`);

/** Writes a study as a bundle. The same study gives the same bytes. */
export function writeBundle(content: StudyContent, extras: BundleExtras): Promise<Uint8Array> {
  const files: Zippable = {};
  const resources: unknown[] = [];
  content.tables.forEach(({ id, table }, i) => {
    const made = tableFiles({ ...(table as Omit<Table, 'id'>), id }, `data/${fileName(table.name, i)}`);
    Object.assign(files, made.files);
    resources.push(...made.resources);
  });
  content.questions.forEach(({ id, table, question }, i) => {
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
  files['study.schema.json'] = asJson(toJsonSchema(Bundled, { errorMode: 'ignore' }));
  files['README.txt'] = strToU8(readMe(content.title));
  return new Promise((resolve, reject) =>
    // Dates within the archive are fixed, so that the same study gives the same bytes.
    zip(files, { mtime: new Date('2020-01-01T00:00:00Z'), level: 6 }, (error, bytes) =>
      error ? reject(error) : resolve(bytes),
    ),
  );
}

const Bundled = v.object({
  format: v.literal('divide-study', 'It is not a study of Divide.'),
  version: v.pipe(v.number(), v.integer(), v.minValue(1)),
  study: StudyContent,
});

/** Most that an archive may hold, unpacked, in bytes and files; and how many times one file may grow. */
const limits = { bytes: 512 * 1024 * 1024, files: 10_000, growth: 200 };

const mega = (bytes: number): string => `${Math.round(bytes / 1024 / 1024)} MB`;

/** Unpacks an archive that keeps to its bounds. @throws DomainError in words */
function unpacked(bytes: Uint8Array): Promise<Unzipped> {
  let total = 0;
  let count = 0;
  let refusal = '';
  return new Promise((resolve, reject) => {
    unzip(
      bytes,
      {
        filter: ({ name, originalSize, size }) => {
          total += originalSize;
          count += 1;
          if (/(^|[\\/])\.\.([\\/]|$)/.test(name) || /^([\\/]|[a-z]:)/i.test(name))
            refusal ||= `It holds a file called “${name.slice(0, 80)}”, which points outside of it: it was not made by Divide, and nothing of it was taken in.`;
          else if (count > limits.files || total > limits.bytes)
            refusal ||= `Unpacked it would take more than ${mega(limits.bytes)} or ${limits.files} files: no study does.`;
          else if (size > 0 && originalSize > 1024 * 1024 && originalSize / size > limits.growth)
            refusal ||= `“${name.slice(0, 80)}” in it grows ${Math.round(originalSize / size)} times when unpacked, as only a file made to do harm does.`;
          return refusal === '';
        },
      },
      (error, files) => {
        if (refusal) reject(new DomainError(refusal));
        else if (error)
          reject(
            new DomainError(
              `It cannot be unpacked (${error.message}): it may be damaged or cut short. Fetch or copy it again.`,
            ),
          );
        else resolve(files);
      },
    );
  });
}

/** Active content in what a browser would show. */
const active = /<script|<foreignObject|\son[a-z]+\s*=|javascript:|<iframe|<object|<embed/i;

/** Brings the content of an older version up to the one after it. */
const migrations: Readonly<Record<number, (raw: unknown) => unknown>> = {};

/**
 * Reads a bundle. Only `study.json` and the tables' CSV files count; the rest is for readers without Divide, and is refused
 * where it holds what could act by itself.
 * @throws DomainError that names the place and the mend
 */
export async function readBundle(bytes: Uint8Array): Promise<StudyContent> {
  demand(
    bytes.length > 3 && bytes[0] === 0x50 && bytes[1] === 0x4b,
    'This is not a ZIP file, so it is no bundled study.',
  );
  const files = await unpacked(bytes);
  for (const [name, file] of Object.entries(files))
    if (/\.(svg|html?)$/i.test(name) && active.test(strFromU8(file)))
      throw new DomainError(
        `“${name}” in it holds a script or the like, which no bundle of Divide does: nothing of it was taken in.`,
      );
  const study = files['study.json'];
  if (!study)
    throw new DomainError('It holds no study.json, so it is no bundled study, or was packed again without it.');
  let raw: unknown;
  try {
    raw = JSON.parse(strFromU8(study));
  } catch {
    throw new DomainError(
      'Its study.json is not JSON: it is damaged, or was edited. Save the bundle anew where it was made.',
    );
  }
  let version = Number((raw as { version?: unknown } | null)?.version);
  demand(
    !(version > bundleVersion),
    `It was made by a newer Divide (format ${version}, and this one knows up to ${bundleVersion}): bring this Divide up to date.`,
  );
  for (; version < bundleVersion && migrations[version]; version++) raw = migrations[version]?.(raw);
  const parsed = v.safeParse(Bundled, raw);
  if (!parsed.success) {
    const [issue] = parsed.issues;
    throw new DomainError(`Its study.json cannot be read at ${v.getDotPath(issue) ?? 'the top'}: ${issue.message}`);
  }
  const [loose] = dangling(parsed.output.study);
  if (loose) throw new DomainError(`Its parts do not fit together: ${loose}.`);
  const content = parsed.output.study;
  const tables = content.tables.map((kept, i) => ({
    ...kept,
    table: withCells(kept.table, files, `data/${fileName(kept.table.name, i)}`),
  }));
  return { ...content, tables };
}
