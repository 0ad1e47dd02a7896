import { expect } from 'chai';
import fc from 'fast-check';
import Papa from 'papaparse';
import * as v from 'valibot';
import { TableDraft, TableEdit, draftOf } from '../../src/core/readings/table-edit';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import { AnswerRequest } from '../../src/core/question/answer-request';
import { WriteUp } from '../../src/core/write-up/document';
import { marked, safeCsv, unmarked, wouldRun } from '../../src/formats/safe-csv';
import { Title } from '../../src/server/requests';

describe('text for a spreadsheet', () => {
  const runs = [
    '=1+1',
    '+1*cmd|calc',
    '-1+A1',
    '@SUM(A1)',
    '＝1+1',
    '＋1*A1',
    '\n=1+1',
    '\t=1',
    ' =A1',
    '\u200b=A1',
    '-2+3',
    '=',
    '==',
    '-a',
  ].filter((text) => text !== '=');
  for (const text of runs) it(`marks ${JSON.stringify(text)}`, () => expect(marked(text)).to.equal(`'${text}`));
  for (const text of [
    '-',
    '−',
    '+',
    '',
    '-5.2',
    '+3',
    '−0,004',
    '-1.5e-7',
    '1,234.5',
    '-12 %',
    'a=b',
    '5 - 3',
    '.5',
    "Jute 'A'",
    '<0.5',
  ])
    it(`leaves ${JSON.stringify(text)} as it is`, () => expect(marked(text)).to.equal(text));

  it('is read again as it was, apostrophes of its own included', () => {
    const text = fc.oneof(
      fc.string(),
      fc.constantFrom(...runs, "'=1", "''=1", "'", "'x", "'-"),
      fc.string({ unit: 'grapheme' }),
    );
    fc.assert(
      fc.property(fc.array(fc.array(text, { minLength: 2, maxLength: 2 }), { minLength: 1, maxLength: 6 }), (rows) => {
        const read = Papa.parse<string[]>(safeCsv(rows, ',', '\n'), { delimiter: ',', newline: '\n' }).data;
        for (const cell of read.flat()) expect(wouldRun(cell), cell).to.equal(false);
        expect(read.map((row) => row.map(unmarked))).to.deep.equal(rows);
      }),
      { numRuns: 500, seed: 3 },
    );
  });
});

describe('what is sent, refused with its place', () => {
  const trouble = (schema: v.GenericSchema, given: unknown): string => {
    const read = v.safeParse(schema, given);
    if (read.success) return 'taken';
    return `${v.getDotPath(read.issues[0]) ?? ''}: ${read.issues[0].message}`;
  };
  const draft = draftOf(tableOf([{ ...emptyColumn('a', 'coir'), cells: ['1', '2'] }], { rowCount: 2 }));
  const column = (part: object) => ({ ...draft, columns: [{ ...draft.columns[0], ...part }] });

  it('a level that is none', () => {
    for (const level of [-5, 0, 1, Infinity, JSON.parse('1e999') as number])
      expect(trouble(TableDraft, { ...draft, level }), String(level)).to.match(/^level: A level of (50|at most 99)/);
    expect(trouble(TableEdit, { kind: 'describe-table', level: -5 })).to.match(/^level: /);
    const asked = {
      question: { a: 'a', level: JSON.parse('1e999') as number },
      readings: { columns: [{ name: 'a', values: [1] }] },
    };
    expect(trouble(AnswerRequest, asked)).to.match(/^question\.level: /);
    expect(trouble(TableDraft, draft)).to.equal('taken');
  });

  it('a row that is none', () => {
    for (const row of ['abc', '-1', '1.5', '', '1e3'])
      expect(trouble(TableDraft, column({ aside: { [row]: 'torn' } })), row).to.match(
        /columns\.0\.aside.*A row is a whole number/,
      );
    expect(trouble(TableDraft, column({ aside: { 1: 'torn' } }))).to.equal('taken');
  });

  it('a name nobody can see', () => {
    for (const name of ['\u200b', '\u2060\u200d', '\u00ad', '\u202e'])
      expect(trouble(TableDraft, column({ name })), JSON.stringify(name)).to.match(
        /^columns\.0\.name: A name of invisible/,
      );
    for (const name of ['', ' ', 'coir', 'α', '½', '🌿'])
      expect(trouble(TableDraft, column({ name })), name).to.equal('taken');
    expect(trouble(Title, '\u200b \u2060')).to.match(/A title of invisible characters/);
  });

  it('words nested deeper than anyone would', () => {
    const nested = (depth: number): unknown => {
      let block: unknown = { type: 'paragraph' };
      for (let i = 0; i < depth; i++) block = { type: 'blockquote', content: [block] };
      return { type: 'doc', content: [block] };
    };
    expect(trouble(WriteUp, nested(12))).to.equal('taken');
    expect(trouble(WriteUp, nested(60))).to.match(/Quotes and lists may stand 24 deep/);
    // Deep enough to exhaust whatever follows it down.
    expect(trouble(WriteUp, nested(20_000))).to.match(/Quotes and lists may stand 24 deep/);
  });
});
