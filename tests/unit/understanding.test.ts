import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { openDoubts } from '../../src/core/understanding/doubts/open-doubts';
import { intake } from '../../src/core/understanding/intake';
import { blockFromText } from '../../src/formats/clipboard';
import { openFile } from '../../src/formats/open-file';
import { type Case, missed } from '../understanding/hold';
import { random } from '../../src/core/numeric/random';
import { nth } from '../../src/core/numeric/nth';
import { understoodCase } from '../../src/server/understood-case';
import { formsFrom } from '../understanding/forms';
import { moreCases, moreCasesFrom } from '../understanding/more-cases';

const { cases } = JSON.parse(readFileSync('tests/understanding/cases.json', 'utf8')) as { cases: Case[] };

/** The same table, and what is expected of it, with other words for groups, measures and identifiers. */
function inOtherWords(one: Case, words: readonly [string, string][]): Case {
  const said = (text: string): string => words.reduce((t, [from, to]) => t.split(from).join(to), text);
  const exact = (name: string): string => words.find(([from]) => from === name)?.[1] ?? name;
  const { groups, notGroups, subject, labels, ...rest } = one.expect;
  return {
    ...one,
    text: said(one.text),
    expect: {
      ...rest,
      ...(groups ? { groups: groups.map(exact) } : {}),
      ...(notGroups ? { notGroups: notGroups.map(exact) } : {}),
      ...(subject === undefined ? {} : { subject: exact(subject) }),
      ...(labels === undefined ? {} : { labels: exact(labels) }),
    },
  };
}
const wordings: [groups: string[], measure: string, subject: string, by: string][] = [
  [['control', 'treated', 'recovered'], 'glucose', 'mouse', 'Group'],
  [['strain A', 'strain B', 'wild'], 'weight', 'patient', 'condition'],
  [['A', 'B', 'C'], 'yield', 'Mouse ID', 'arm'],
  [['Type 1', 'Type 2', 'Type 3'], 'response', 'plant', 'genotype'],
  [['North Bay', 'South Bay', 'Outer Reef'], 'y', 'sample', 'site'],
  [['vehicle', '10 mg/kg', '30 mg/kg'], 'reaction time', 'subject', 'diet'],
  [['low dose', 'mid dose', 'high dose'], 'OD600', 'ID', 'Treatment group'],
  [['male', 'female', 'juvenile'], 'plasma insulin', 'fish', 'cohort'],
  [['0 µM', '10 µM', '50 µM'], 'blade_length', 'animal no', 'class'],
  [['Monday', 'Tuesday', 'Friday'], 'value', 'tube', 'trt'],
];
/** Slips of the hand that change nothing of what a table says. */
const slips: Record<string, (text: string) => string> = {
  'empty columns to the right': (text) => text.replace(/$/gm, '\t\t'),
  'an empty column to the left': (text) => text.replace(/^/gm, '\t'),
  'spaces, and line ends of another system': (text) => `${text.replace(/$/gm, ' ').replaceAll('\n', '\r\n')}\r\n`,
  'empty rows below': (text) => `${text}\n\t\n\n`,
};

describe('what a careful colleague understands of a pasted table', () => {
  for (const one of [...cases, ...moreCases])
    it(`${one.why} (${one.id})`, () => {
      expect(missed(one)).to.deep.equal([]);
    });
});

/** What stands in a cell by a slip: letters, marks, errors of a spreadsheet. */
const oddTexts = ['abc', '#DIV/0!', '?', '12.5*', '1O.5', '12..5', '3.4.5', '12,5 ?', 'see note', '-', 'x'];
/** Tables so small, or so bare, that a slip there is not told yet, or is in sight as the name of a group. */
const tooBare = ['counts-at-depths', 'doses-down-under-one-head'];

describe('the same tables', () => {
  it('are never taken for others without a word, whatever slips into one cell', () => {
    const drawn = random(7);
    const among = <T>(all: readonly T[]): T => nth(all, Math.floor(drawn.uniform() * all.length));
    const misread = [...cases, ...moreCases].flatMap(({ id, text }) => {
      const separator = ['\t', ';', ','].find((s) => text.includes(s)) ?? '\t';
      const rows = text.split('\n').map((line) => line.split(separator));
      const spots = rows.flatMap((row, i) =>
        row.flatMap((cell, k) => (i > 1 && /^\s*-?\d+([.,]\d+)?\s*$/.test(cell) ? [{ i, k }] : [])),
      );
      if (spots.length < 6 || tooBare.includes(id)) return [];
      const { layout, groups } = understoodCase(text);
      return Array.from({ length: 3 }, () => ({ at: among(spots), odd: among(oddTexts) })).flatMap(({ at, odd }) => {
        // As whatever wrote the table would put a cell that holds its mark.
        const written = odd.includes(separator) ? `"${odd}"` : odd;
        const slipped = rows.map((row, i) => row.map((cell, k) => (i === at.i && k === at.k ? written : cell)));
        const now = understoodCase(slipped.map((row) => row.join(separator)).join('\n'));
        const same = now.layout === layout && now.groups.join() === groups.join();
        return same || now.doubts.length > 0 || now.sentence.includes('not read')
          ? []
          : [`${id}: ${odd} in row ${at.i}`];
      });
    });
    expect(misread).to.deep.equal([]);
  });

  it('stand in the same columns whether they are pasted or opened as a file', async () => {
    const trimmed = (rows: readonly (readonly string[])[]): string[] =>
      rows
        .map((row) =>
          row
            .map((cell) => cell.trim())
            .join('\t')
            .trimEnd(),
        )
        .filter((row) => row !== '');
    for (const { id, text } of [...cases, ...moreCases]) {
      const opened = await openFile(new TextEncoder().encode(text));
      expect(trimmed(opened.sheets[0]?.rows ?? []), id).to.deep.equal(trimmed(blockFromText(text)));
    }
  });

  it('are understood alike whatever readings they hold', () => {
    const misread = [1, 2, 14, 16].flatMap((seed) =>
      moreCasesFrom(seed).flatMap((one) => missed(one).map((what) => `${one.id}, seed ${seed}: ${what}`)),
    );
    expect(misread).to.deep.equal([]);
  });

  for (const [groups, measure, subject, by] of wordings)
    it(`are understood with ${groups.join(', ')}, ${measure}, ${subject} and ${by}`, () => {
      const words: [string, string][] = [
        ...(['red lamp', 'white lamp', 'blue lamp'] as const).map((from, i): [string, string] => [
          from,
          groups[i] ?? '',
        ]),
        ['blade length', measure],
        ['frond', subject],
        ['treatment', by],
      ];
      for (const one of cases) expect(missed(inOtherWords(one, words)), one.id).to.deep.equal([]);
    });

  for (const [slip, made] of Object.entries(slips))
    it(`are understood with ${slip}`, () => {
      for (const one of [...cases, ...moreCases])
        if (one.text.includes('\t')) expect(missed({ ...one, text: made(one.text) }), one.id).to.deep.equal([]);
    });
});

describe('one experiment', () => {
  it('raises its question however it is written, or what is unclear is said', () => {
    let clear = 0;
    for (const seed of [1, 2, 3, 4, 5, 6, 7, 8])
      for (const { form, text, asks } of formsFrom(seed)) {
        const found = understoodCase(text);
        if (asks.includes(found.asks ?? '')) clear++;
        else expect(found.doubts, `${form}, seed ${seed}: ${found.sentence}\n${text}`).to.not.deep.equal([]);
      }
    expect(clear).to.be.greaterThan(385);
  });
});

describe('values told by name', () => {
  it('keep their rows where a cell holds several lines', () => {
    const block = [
      ['sample', 'note', 'analyte', 'value'],
      ...['S1', 'S2', 'S3'].flatMap((sample, i) => [
        [sample, 'kept\ncold', 'Na', String(140 + i)],
        [sample, 'kept\ncold', 'K', `4.${i}`],
      ]),
    ];
    const { columns } = intake(block).table;
    expect(columns.map((c) => [c.name, ...c.cells])).to.deep.equal([
      ['sample', 'S1', 'S2', 'S3'],
      ['note', 'kept\ncold', 'kept\ncold', 'kept\ncold'],
      ['Na', '140', '141', '142'],
      ['K', '4.0', '4.1', '4.2'],
    ]);
  });
});

describe('figures that follow from readings', () => {
  const rows = [
    ['lamp', 'r1', 'r2', 'r3', 'mean', 'SD'],
    ['red', '20', '21', '22', '21.00', '1.00'],
    ['white', '18', '19', '23', '20.00', '2.65'],
    ['dark', '15', '16', '71', '16.00', '1.00'],
  ];
  it('are left out with the place where they contradict a reading, which may be a slip', () => {
    const right = [...rows.slice(0, 3), ['dark', '15', '16', '17', '16.00', '1.00']];
    expect(intake(right).notes.join(' ')).to.match(/“mean” and “SD” follow .*were left out\.$/);
    expect(intake(rows).notes.join(' ')).to.include('The mean of “dark” is another: check the readings there.');
  });

  it('stand as they are where they do not follow', () => {
    const others = rows.map((row, i) => (i === 0 ? row : row.map((cell, k) => (k === 4 ? '7.00' : cell))));
    expect(intake(others).notes.join(' ')).not.to.include('left out');
  });

  it('of logarithms have no width where their limits are turned round', () => {
    const spreadOf = (low: string, high: string): string[] | undefined =>
      intake([
        ['lamp', 'n', 'GM', 'lower', 'upper'],
        ['red', '12', '20', '10', '40'],
        ['white', '11', '18', low, high],
      ])
        .table.columns.find((c) => c.role === 'spread')
        ?.cells.map((cell) => cell.slice(0, 6));
    expect(spreadOf('9', '36')).to.deep.equal([String(Math.log(2)).slice(0, 6), String(Math.log(2)).slice(0, 6)]);
    expect(spreadOf('36', '9')?.[1]).to.equal('');
  });
});

describe('replicates beside one another', () => {
  const put = (text: string, arranged?: boolean) =>
    intake(blockFromText(text), arranged === undefined ? {} : { arranged });
  const tanks =
    'tank\tlamp\trep 1\trep 2\trep 3\nT1\tred\t1\t2\t3\nT2\tred\t4\tn/a\t6\nT3\twhite\t7\t8\t9\nT4\twhite\t5\t5\t5';

  it('stand below one another, each with its sample, and nothing is lost', () => {
    const { table, times, notes } = put(tanks);
    expect(times).to.equal(3);
    expect(table).to.include({ shape: 'rows', rowCount: 12 });
    expect(table.columns.map((c) => [c.name, c.role])).to.deep.equal([
      ['tank', 'subject'],
      ['lamp', 'group'],
      ['reading', 'measure'],
    ]);
    expect(table.columns[2]?.cells.join(' ')).to.equal('1 2 3 4 n/a 6 7 8 9 5 5 5');
    expect(table.columns[0]?.cells.slice(2, 5)).to.deep.equal(['T1', 'T2', 'T2']);
    expect(notes.join(' ')).to.contain('3 readings of each row');
    // Their samples are known, so the page asks what counts once.
    const doubts = openDoubts({ id: '', name: '', ...table });
    expect(doubts.map((d) => d.code)).to.deep.equal(['replicates']);
    expect(doubts[0]?.text).to.contain('11 readings come from 4 tanks');
  });

  it('are given a sample where none is named, and stay beside one another where that is chosen', () => {
    const unnamed = tanks.replace(/^[^\t\n]*\t/gm, '');
    const { table } = put(unnamed);
    expect(table.columns.map((c) => c.name)).to.deep.equal(['sample', 'lamp', 'reading']);
    expect(table.columns[0]?.cells[3]).to.equal('sample 2');
    expect(put(tanks, false).table.columns.length).to.equal(5);
  });

  it('are none where they are numbered times, of different units, or each row is a group', () => {
    for (const [heads, lamps] of [
      ['week 1\tweek 2\tweek 3', 'red red white white'],
      ['rep 1 (mm)\trep 2 (g)\trep 3 (mm)', 'red red white white'],
      ['rep 1\trep 2\trep 3', 'red blue white green'],
    ]) {
      const rows = (lamps ?? '').split(' ').map((lamp, i) => `${lamp}\t${i}.5\t${i + 2}\t${3 * i + 1}`);
      expect(put([`lamp\t${heads ?? ''}`, ...rows].join('\n')).times, heads).to.equal(1);
    }
  });
});
