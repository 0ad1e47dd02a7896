import { expect } from 'chai';
import { demoTables } from '../../demo/skerrow';
import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import type { Check } from '../../src/core/answer/checks';
import { checksOf } from '../../src/core/answering/checks-of';
import { random } from '../../src/core/numeric/random';
import { choicesOf } from '../../src/core/question/choices';
import { type Design, type Question, questionOf } from '../../src/core/question/question';
import { type Column, type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { checkNames, checkSentence, remedyOffer, verdictWords } from '../../src/core/words/checks';

const answered = (question: Question, table: Table): Answer => {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  return found.value;
};
const check = (question: Question, table: Table, about: Check['about']): { check: Check; says: string } => {
  const given = answered(question, table);
  const found = checksOf(given).find((c) => c.about === about);
  if (!found) throw new Error(`no check of ${about}`);
  return { check: found, says: checkSentence(found, given) };
};
const column = (id: string, cells: readonly (number | string)[], more: Partial<Column> = {}): Column => ({
  ...emptyColumn(id, id, 'mm'),
  cells: cells.map(String),
  ...more,
});
const asked = (design: Design, more: Partial<Question> = {}): Question =>
  questionOf(design, { a: 'red', b: 'white', ...more });

const { normal } = random(3);
const sample = (n: number, mean: number, sd: number): string[] =>
  Array.from({ length: n }, () => (mean + sd * normal()).toFixed(2));
const skewed = (n: number): string[] => Array.from({ length: n }, () => Math.exp(1.4 * normal()).toFixed(3));

/** Readings with one trouble each, and the check that is to find it. */
const troubled: {
  name: string;
  question: Question;
  table: Table;
  about: Check['about'];
  verdict: string;
  says: RegExp;
}[] = [
  {
    name: 'a reading far off',
    question: asked('two-groups'),
    table: tableOf([column('red', [10, 11, 10.5, 10.8, 11.2, 10.1, 25]), column('white', [9, 9.8, 9.3, 10.1, 9.6])]),
    about: 'unusual-points',
    verdict: 'matters',
    says: /^1 reading lies further from the others than the furthest of so many normal readings often would\./,
  },
  {
    name: 'skewed readings in small groups',
    question: asked('two-groups'),
    table: tableOf([column('red', skewed(14)), column('white', skewed(14))]),
    about: 'normality',
    verdict: 'matters',
    says: /^The residuals do not look normal \(Shapiro–Wilk in each group, taken together, p < 0\.001\), and the groups are small/,
  },
  {
    name: 'skewed readings in large groups',
    question: asked('two-groups'),
    table: tableOf([column('red', skewed(60)), column('white', skewed(60))]),
    about: 'normality',
    verdict: 'weigh',
    says: /; with n this large the t-test is robust to this\.$/,
  },
  {
    name: 'spreads that differ under a pooled test',
    question: asked('several', { spread: 'pooled' }),
    table: tableOf([
      column('red', sample(14, 20, 1)),
      column('white', sample(14, 21, 8)),
      column('c', sample(14, 22, 2)),
    ]),
    about: 'equal-spread',
    verdict: 'matters',
    says: /^The spreads differ: the largest SD is [\d.]+ times the smallest .* The method chosen takes them as equal\.$/,
  },
  {
    name: 'replicates counted as samples',
    question: asked('two-groups'),
    table: tableOf(
      [
        { ...emptyColumn('tank', 'tank', '', 'subject'), cells: ['K1', 'K1', 'K2', 'K2', 'K3', 'K3'] },
        column('red', [1, 1.1, 2, 2.1, 3, '']),
        column('white', ['', '', 3.5, '', '', 4]),
      ],
      { subject: 'tank' },
    ),
    about: 'independence',
    verdict: 'matters',
    says: /tank.*(counted one by one they make the answer look surer|compared as strangers)/,
  },
  {
    name: 'few pairs',
    question: asked('paired'),
    table: tableOf([column('red', [1, 2, 4.5]), column('white', [2, 2.5, 6])]),
    about: 'sample-size',
    verdict: 'weigh',
    says: /^There are only 3 pairs: the spread of the differences is hardly known/,
  },
  {
    name: 'small expected counts',
    question: questionOf('several', { about: 'table' }),
    table: tableOf(
      [
        { ...emptyColumn('depth', 'depth', '', 'group'), cells: ['1 m', '3 m'] },
        { ...emptyColumn('grazed', 'grazed', '', 'count'), cells: ['1', '4'] },
        { ...emptyColumn('whole', 'whole', '', 'count'), cells: ['6', '3'] },
      ],
      { shape: 'counts' },
    ),
    about: 'expected-counts',
    verdict: 'matters',
    says: /under 5; the smallest is 2\.5\. With so small ones the large-sample p is not to be trusted\.$/,
  },
];

describe('what an answer rests on', () => {
  for (const { name, question, table, about, verdict, says } of troubled)
    it(`is told of ${name}`, () => {
      const found = check(question, table, about);
      expect(found.check.verdict).to.equal(verdict);
      expect(found.says).to.match(says);
    });

  it('is mended by each remedy offered: the question it leads to has an answer, and the finding no longer stands against it', () => {
    let offers = 0;
    for (const { name, question, table, about } of troubled)
      for (const remedy of check(question, table, about).check.remedies) {
        const patch = remedyOffer(remedy, question)?.patch;
        if (!patch) continue;
        offers += 1;
        const then = { ...question, ...patch };
        const { comparison } = answered(then, table);
        expect(comparison.ok, `${name}, ${remedy}: ${comparison.ok ? '' : comparison.reason}`).to.equal(true);
        if (about === 'normality' || about === 'equal-spread' || about === 'expected-counts')
          expect(check(then, table, about).check.verdict, `${name}, ${remedy}`).to.be.oneOf(['fine', 'free']);
        // What was chosen is chosen: the same remedy is not offered again.
        expect(remedyOffer(remedy, then)?.patch, `${name}, ${remedy}`).to.equal(undefined);
      }
    expect(offers).to.be.at.least(7);
  });

  it('lets subjects in several groups be compared with themselves', () => {
    const tanks = ['K1', 'K2', 'K3', 'K4', 'K5', 'K6'];
    const rows = ['9', '12', '15'].flatMap((t, j) =>
      tanks.map((k, i) => [k, t, (2 + i + j * 0.7 + ((i * j) % 3) / 5).toFixed(2)]),
    );
    const at = (k: number): string[] => rows.map((r) => r[k] ?? '');
    const table = tableOf(
      [
        { ...emptyColumn('tank', 'tank', '', 'subject'), cells: at(0) },
        { ...emptyColumn('warmth', 'warmth', '°C', 'group'), cells: at(1) },
        { ...emptyColumn('growth', 'growth', 'mm'), cells: at(2) },
      ],
      { shape: 'rows', subject: 'tank' },
    );
    const several = questionOf('several');
    const found = check(several, table, 'independence');
    expect(found.says).to.equal(
      '6 tanks have readings in more than one group, but the groups are compared as strangers.',
    );
    expect(found.check.remedies).to.deep.equal(['pair-by-subject']);
    const offer = remedyOffer('pair-by-subject', several)!;
    expect(offer.words).to.equal('Compare each with itself');
    const within = answered({ ...several, ...offer.patch }, table);
    expect(within.question.design).to.equal('repeated');
    expect(within.comparison.ok && within.comparison.value.complete?.rows.length).to.equal(6);
    expect(checksOf(within).map((c) => c.about))
      .to.include('sphericity')
      .and.not.include('independence');
  });

  it('does not hold against a method what that method does not need', () => {
    const [, { question, table }] = troubled as [unknown, (typeof troubled)[number]];
    for (const method of ['ranks', 'shuffle'] as const) {
      const found = check({ ...question, method }, table, 'normality');
      expect(found.check.verdict).to.equal('free');
      expect(found.says).to.match(/are not normal \(.+\); a (rank|permutation) test does not need them to be\./);
    }
    const counts = troubled.at(-1)!;
    expect(check({ ...counts.question, method: 'exact' }, counts.table, 'expected-counts').says).to.match(
      /The exact test does not need them large\.$/,
    );
  });

  it('is said for every question of the demo study, each line with its name, its verdict and whole words', () => {
    const seen = new Set<string>();
    for (const { table, questions } of demoTables())
      for (const { question } of questions) {
        const given = answered(question, table);
        for (const c of checksOf(given)) {
          seen.add(c.about);
          const says = checkSentence(c, given);
          expect(says, checkNames[c.about]).to.match(/^[A-Z0-9].*[.]$/s);
          expect(says).not.to.match(/undefined|NaN|Infinity|\bnull\b/);
          expect(verdictWords[c.verdict]).to.be.a('string');
          for (const remedy of c.remedies) {
            const offer = remedyOffer(remedy, question);
            // Nothing is offered that would change nothing.
            if (!offer?.patch) continue;
            const { design = question.design, repeats } = offer.patch;
            if (design === question.design && repeats === undefined)
              expect(choicesOf({ ...question, ...offer.patch })).not.to.deep.equal(choicesOf(question));
          }
        }
      }
    expect([...seen].sort()).to.deep.equal([
      'additivity',
      'covariate',
      'equal-spread',
      'expected-counts',
      'independence',
      'limits',
      'normality',
      'parallel-slopes',
      'sample-size',
      'sphericity',
      'unusual-points',
    ]);
  });
});
