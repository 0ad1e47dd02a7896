import { expect } from 'chai';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import writeXlsxFile from 'write-excel-file/universal';
import { areaName, blocksOf, cut } from '../../src/core/readings/block';
import { intake } from '../../src/core/understanding/intake';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import { delimiterOf } from '../../src/formats/delimited';
import { delimitedText, tableXlsx } from '../../src/formats/export-table';
import { type Opened, fileLimit, openFile } from '../../src/formats/open-file';
import { readXlsx } from '../../src/formats/xlsx';

const latin = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));
const utf16 = (text: string, big = false): Uint8Array => {
  const bytes = new Uint8Array(2 + 2 * text.length);
  const view = new DataView(bytes.buffer);
  view.setUint16(0, 0xfeff, !big);
  for (let i = 0; i < text.length; i++) view.setUint16(2 + 2 * i, text.charCodeAt(i), !big);
  return bytes;
};
const rowsOf = (opened: Opened): string[][] => opened.sheets[0]?.rows ?? [];
const refused = async (bytes: Uint8Array): Promise<string> => {
  try {
    await openFile(bytes);
  } catch (error) {
    expect((error as Error).name).to.equal('DomainError');
    return (error as Error).message;
  }
  throw new Error('was not refused');
};
const table = tableOf([
  { ...emptyColumn('a', 'lamp', '', 'group'), cells: ['red', '=1+1', '"quoted"', '0.5 mM'] },
  { ...emptyColumn('b', 'length', 'mm'), cells: ['12.50', '-3', '9,25', 'n/a'], aside: { 1: 'lid off' } },
]);

describe('opening files', () => {
  it('reads a cell shown as a percentage as the percentage it shows', async () => {
    const percent = { type: Number, format: '0.0%' } as const;
    const plain = { type: Number } as const;
    const blob = await writeXlsxFile(
      [
        [{ value: 'lamp' }, { value: 'settled' }, { value: 'mass' }],
        [{ value: 'red' }, { value: 0.586, ...percent }, { value: 0.25, ...plain }],
        [{ value: 'white' }, { value: 0.07, ...percent }, { value: 1.5, ...plain }],
      ],
      { sheet: 'Trial' },
    ).toBlob();
    const [sheet] = await readXlsx(new Uint8Array(await blob.arrayBuffer()));
    expect(sheet?.rows.slice(1)).to.deep.equal([
      ['red', '58.6 %', '0.25'],
      ['white', '7 %', '1.5'],
    ]);
    expect(intake(sheet?.rows ?? []).table.columns[1]).to.include({ unit: '%', role: 'measure' });
  });

  it('takes readings that go on after empty lines as one block, and others as blocks of their own', () => {
    const rows = [
      ['red', 'white'],
      ['1.5', '2.5'],
      ['', ''],
      ['', ''],
      ['3.5', '4.5'],
      ['', ''],
      ['', ''],
      ['note', 'date'],
      ['a', 'b'],
    ];
    expect(blocksOf(rows).map(areaName)).to.deep.equal(['A1 to B5', 'A8 to B9']);
  });

  it('tells encodings and delimiters apart', async () => {
    const text = 'Länge;n\n1,5;3\n2,5;4\n';
    const expected = [
      ['Länge', 'n'],
      ['1,5', '3'],
      ['2,5', '4'],
    ];
    for (const [bytes, encoding] of [
      [strToU8(text), 'utf-8'],
      [latin(text), 'windows-1252'],
      [utf16(text), 'utf-16le'],
      [utf16(text, true), 'utf-16be'],
      [utf16(text).slice(2), 'utf-16le'],
    ] as const) {
      const opened = await openFile(bytes);
      expect([opened.encoding, opened.delimiter]).to.deep.equal([encoding, ';']);
      expect(rowsOf(opened)).to.deep.equal(expected);
    }
    expect((await openFile(strToU8('a\tb\n1,5\t2,5'))).delimiter).to.equal('\t');
    expect((await openFile(strToU8('a,b\n"1,5","two\nlines"'))).sheets[0]?.rows[1]).to.deep.equal([
      '1,5',
      'two\nlines',
    ]);
  });

  it('parts by commas though a slip made one cell too many, or the head has one too few', () => {
    const rows = Array.from({ length: 8 }, (_, i) => `${i + 1},red,2${i}.5`);
    const slipped = rows.map((row, i) => (i === 4 ? '5,red,12,5 ?' : row));
    expect(delimiterOf(['lamp,length', ...rows].join('\n'))).to.equal(',');
    expect(delimiterOf(['Lines of May', 'Holm', 'no,lamp,length', ...slipped].join('\n'))).to.equal(',');
    expect(delimiterOf(['lamp length', ...rows.map((row) => row.replaceAll(',', ' '))].join('\n'))).to.equal(' ');
    expect(delimiterOf('It rained, and we waited.\nThen, at noon, we went\nout, in boats, to the lines')).to.equal(
      '\t',
    );
  });

  it('opens records and lists of a program, and the source of a typeset table', async () => {
    const rowsOf = async (text: string): Promise<string[][] | undefined> =>
      (await openFile(new TextEncoder().encode(text))).sheets[0]?.rows;
    const lamps = [
      ['lamp', 'length', 'lost'],
      ['red', '20.1', 'true'],
      ['white', '', 'false'],
    ];
    expect(
      await rowsOf('[{"lamp":"red","length":20.1,"lost":true},\n{"lamp":"white","length":null,"lost":false}]'),
    ).to.deep.equal(lamps);
    expect(
      await rowsOf('{"lamp":"red","length":20.1,"lost":true}\r\n{"lamp":"white","length":null,"lost":false}\n'),
      'a record a line',
    ).to.deep.equal(lamps);
    expect(await rowsOf(JSON.stringify(lamps))).to.deep.equal(lamps);
    expect(await rowsOf('{"red":[20.10,12345678901234567890],"white":[-1.5e-7],"no. 2":[]}')).to.deep.equal([
      ['red', 'white', 'no. 2'],
      ['20.10', '-1.5e-7', ''],
      ['12345678901234567890', '', ''],
    ]);
    expect(
      await rowsOf(
        '\\begin{tabular}{ll}\nlamp & cover (\\%) \\\\\n\\hline\nred & $20.1 \\pm 2.1$ \\\\ \n\\end{tabular}\n',
      ),
    ).to.deep.equal([
      ['lamp', 'cover (%)'],
      ['red', '20.1 ± 2.1'],
    ]);
    // What only looks so is read as text.
    expect(await rowsOf('[red,white\n1,2')).to.deep.equal([
      ['[red', 'white'],
      ['1', '2'],
    ]);
    expect(await rowsOf('{"a":{"b":1}}')).to.have.length(1);
  });

  it('finds the blocks of a sheet', () => {
    const sheet = [
      ['title'],
      [],
      ['', 'a', 'b', '', 'c'],
      ['', '1', '2', '', '3'],
      ['', '4', '', '', '5'],
      [],
      ['', '6', '7'],
    ];
    const areas = blocksOf(sheet);
    expect(areas.map(areaName)).to.deep.equal(['B3 to C7', 'E3 to E5', 'A1 to A1']);
    expect(areas[0] && cut(sheet, areas[0])).to.deep.equal([
      ['a', 'b'],
      ['1', '2'],
      ['4', ''],
      ['', ''],
      ['6', '7'],
    ]);
  });

  it('refuses what cannot be read, saying what it is and what to do', async () => {
    expect(await refused(new Uint8Array())).to.include('empty');
    expect(await refused(strToU8(' \n\n'))).to.include('nothing but empty lines');
    expect(await refused(strToU8('%PDF-1.7'))).to.include('PDF');
    expect(await refused(Uint8Array.from([0xd0, 0xcf, 0x11, 0xe0, 1, 2]))).to.include('old kind');
    expect(await refused(Uint8Array.from({ length: 4000 }, (_, i) => (i * 7919) % 251))).to.include('not a text file');
    expect(await refused(new Uint8Array(fileLimit + 1))).to.include('at most 64 MB');
    expect(await refused(strToU8('PK\u0003\u0004 no workbook'))).to.include('damaged');
    expect(await refused(zipSync({ 'other.txt': strToU8('hello') }))).to.include('could not be read');
  });

  it('does not unpack a bomb, nor run a formula, nor let an open quote swallow the file', async () => {
    const zeros = new Uint8Array(4 * 1024 * 1024);
    const bomb = zipSync({ 'xl/workbook.xml': zeros, 'xl/worksheets/sheet1.xml': zeros });
    expect(bomb.length).to.be.lessThan(20_000);
    const reason = async (bytes: Uint8Array): Promise<string> =>
      readXlsx(bytes, 5 * 1024 * 1024).then(
        () => '',
        (error: unknown) => (error as Error).message,
      );
    expect(await reason(bomb)).to.include('it would take 8 MB');
    // A cell at the far end of a sheet is a few bytes, and a table over all between would be too much for any page.
    const far = zipSync({
      'xl/worksheets/sheet1.xml': strToU8(
        '<sheetData><row r="1048576"><c r="XFD1048576"><v>1</v></c></row></sheetData>',
      ),
    });
    expect(await reason(far)).to.match(/^A sheet of this workbook reaches to XFD1048576: /);
    // The same with an index that lies about the sizes: it is unpacked no further than it claims.
    const lying = bomb.slice();
    const view = new DataView(lying.buffer);
    for (let i = 0; i < lying.length - 4; i++)
      if (view.getUint32(i, true) === 0x02014b50) view.setUint32(i + 24, 100, true);
    expect(await reason(lying)).to.include('cannot be unpacked');
    const formula = '=cmd|x!A1';
    expect(rowsOf(await openFile(strToU8(`a;b\n${formula};1`)))[1]).to.deep.equal([formula, '1']);
    const open = await openFile(strToU8('a,b\n1,"2\n3,4\n5,6'));
    expect(rowsOf(open)).to.deep.equal([
      ['a', 'b'],
      ['1', '"2'],
      ['3', '4'],
      ['5', '6'],
    ]);
    expect(open.notes[0]).to.include('opened in line 2');
  });

  it('neither crashes nor loses a cell, whatever the bytes', () =>
    fc.assert(
      fc.asyncProperty(
        fc.oneof(
          fc.uint8Array({ maxLength: 300 }),
          fc
            .string({
              unit: fc.constantFrom('a', '1', ',', ';', '\t', '"', '\n', '\r', '.', ' ', 'é', '<', '\u0000'),
              maxLength: 120,
            })
            .map(strToU8),
          fc.uint8Array({ maxLength: 80 }).map((noise) => {
            const made = zipSync({ 'xl/workbook.xml': noise, '[Content_Types].xml': noise });
            noise.forEach((b, i) => (made[(b * 31 + i * 7) % made.length] = b));
            return made;
          }),
        ),
        async (bytes) => {
          let opened: Opened;
          try {
            opened = await openFile(bytes);
          } catch (error) {
            expect((error as Error).name).to.equal('DomainError');
            return;
          }
          const rows = rowsOf(opened);
          const understood = intake(rows, { heads: { skipped: 0, names: 0, units: 0 } });
          // Rows and columns with nothing in them are left; every text is where it was among the others.
          const isFilled = (text: string): boolean => text.trim() !== '';
          const { columns, rowCount } = understood.table;
          const kept = Array.from({ length: rowCount }, (_, r) =>
            columns.map((c) => c.cells[r] ?? '').filter(isFilled),
          );
          expect(kept).to.deep.equal(rows.map((row) => row.filter(isFilled)).filter((row) => row.length > 0));
          intake(rows);
        },
      ),
      { numRuns: 3000 },
    )).timeout(120_000);

  it('brings delimited cells through unchanged', () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.string(), fc.string()), { minLength: 1, maxLength: 8 }),
        fc.constantFrom('csv' as const, 'semicolon' as const, 'tsv' as const),
        async (cells, kind) => {
          const clean = cells.map((row) => row.map((c) => `x${c.replace(/[\p{Cc}\ufeff]/gu, '')}`));
          const written = tableOf(
            [0, 1].map((k) => ({
              ...emptyColumn(`c${k}`, `name ${k}`, '', 'label'),
              cells: clean.map((r) => r[k] ?? ''),
            })),
          );
          const delimiter = ({ csv: ',', semicolon: ';', tsv: '\t' } as const)[kind];
          const opened = await openFile(strToU8(delimitedText(written, kind, { withoutAside: false })), {
            delimiter,
            encoding: 'utf-8',
          });
          expect(rowsOf(opened).slice(1)).to.deep.equal(clean);
        },
      ),
    ));
});

describe('taking tables out', () => {
  it('writes numbers exactly as typed, and no formula that a spreadsheet would run', () => {
    expect(delimitedText(table, 'csv', { withoutAside: false }).split('\r\n')).to.deep.equal([
      'lamp,length (mm)',
      'red,12.50',
      "'=1+1,-3",
      '"""quoted""","9,25"',
      '0.5 mM,n/a',
    ]);
    expect(delimitedText(table, 'tsv', { withoutAside: true })).to.include(`'=1+1\t\r\n`);
  });

  it('writes a workbook that opens again to the same table', async () => {
    const blob = await tableXlsx(table, { withoutAside: false });
    const [sheet] = await readXlsx(new Uint8Array(await blob.arrayBuffer()));
    expect(sheet?.rows).to.deep.equal([
      ['lamp', 'length (mm)'],
      ['red', '12.5'],
      ['=1+1', '-3'],
      ['"quoted"', '9.25'],
      ['0.5 mM', 'n/a'],
    ]);
  });
});
