import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { type Case, missed } from '../understanding/hold';
import { moreCases } from '../understanding/more-cases';

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

describe('the same tables', () => {
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
