import { expect } from 'chai';
import fc from 'fast-check';
import cases from '../reference/cases.json';
import { alternativeMethods, answered, reasonOf } from './asked';
import { answer } from '../../src/core/answering/answer';
import { checksOf } from '../../src/core/answering/checks-of';
import { workingOf } from '../../src/core/answering/working-of';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { figure } from '../../src/core/figures/figure';
import { kindsFor } from '../../src/core/figures/kinds';
import { normal } from '../../src/core/distributions/normal';
import { asDesign } from '../../src/core/question/asking';
import { adjustedFor } from '../../src/core/question/covariate';
import { firstQuestion } from '../../src/core/question/first';
import { namesOf } from '../../src/core/question/naming';
import { type Question, questionOf } from '../../src/core/question/question';
import { type Column, type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { covariateLook } from '../../src/core/scenes/covariate-look';
import { covariates } from '../../src/core/telling/controls';
import { remedyOffer } from '../../src/core/words/checks';

const column = (id: string, role: Column['role'], cells: readonly (string | number)[], unit = ''): Column => ({
  ...emptyColumn(id, id, unit, role),
  cells: cells.map(String),
});
const blades = (group: readonly string[], x: readonly (number | string)[], y: readonly number[], unit = 'g'): Table =>
  tableOf([column('bay', 'group', group), column('before', 'measure', x, unit), column('after', 'measure', y, 'g')], {
    shape: 'rows',
  });
const asked = (design: 'adjusted-two' | 'adjusted', more: Partial<Question> = {}): Question =>
  questionOf(design, { measure: 'after', by: 'bay', covariate: 'before', ...more });
const group = [...Array<string>(5).fill('north'), ...Array<string>(5).fill('south')];
const x = [10.2, 11.4, 12.1, 9.8, 13.4, 12.7, 11.1, 10.5, 9.6, 13.0];
const y = [14.9, 15.6, 16.4, 14.1, 18.2, 15.3, 13.4, 12.6, 11.8, 15.9];
const two = asked('adjusted-two', { a: 'north', b: 'south' });

interface CovarianceCase {
  procedure: string;
  given: { group: string[]; covariate: number[]; values: number[]; level: number };
  expected: Record<string, number>;
}

describe('means adjusted for a covariate', () => {
  it('agree with the references, asked as anyone asks them', () => {
    let seen = 0;
    for (const { procedure, given, expected } of (cases as unknown as { cases: CovarianceCase[] }).cases) {
      if (procedure !== 'means.ancova') continue;
      const table = blades(given.group, given.covariate, given.values);
      const { comparison, groups } = answered(asked('adjusted', { level: given.level }), table);
      const [groupLine, covariateLine] = comparison.table ?? [];
      expect(groupLine?.f).to.be.closeTo(expected['F_group'] ?? NaN, 1e-8);
      expect(covariateLine?.p).to.be.closeTo(expected['p_covariate'] ?? NaN, 1e-9);
      expect(comparison.covariate?.slope.se).to.be.closeTo(expected['se_slope'] ?? NaN, 1e-9);
      expect(groups[0]?.description?.mean).to.be.closeTo(expected['adjusted_mean_1'] ?? NaN, 1e-9);
      expect(groups[1]?.description?.mean).to.be.closeTo(expected['adjusted_mean_2'] ?? NaN, 1e-9);
      expect(groups[0]?.se).to.be.closeTo(expected['se_adjusted_mean_1'] ?? NaN, 1e-9);
      if (comparison.covariate?.slopes)
        expect(comparison.covariate.slopes.p).to.be.closeTo(expected['p_slopes'] ?? NaN, 1e-9);
      seen++;
    }
    expect(seen).to.equal(4);
  });

  it('are of two groups just what they are of several', () => {
    const pair = answered(two, blades(group, x, y)).comparison;
    const all = answered(asked('adjusted'), blades(group, x, y)).comparison;
    expect((pair.effect?.statistic?.value ?? NaN) ** 2).to.be.closeTo(all.tests[0]?.value ?? NaN, 1e-9);
    expect(pair.p).to.be.closeTo(all.p ?? NaN, 1e-12);
    const follow = all.follow?.ok ? all.follow.value[0]?.effects[0] : undefined;
    expect(follow?.estimate).to.be.closeTo(pair.effect?.estimate ?? NaN, 1e-12);
  });

  it('do not change where the covariate has another zero or unit, nor with the order of the rows', () => {
    const table = blades(group, x, y);
    const plain = answered(two, table).comparison.effect;
    fc.assert(
      fc.property(
        fc.integer({ min: -1000, max: 1000 }),
        fc.constantFrom(0.01, 3, 250),
        fc.shuffledSubarray([0, 1, 2, 3, 4, 5, 6, 7, 8, 9], { minLength: 10 }),
        (zero, unit, order) => {
          const moved = blades(
            order.map((i) => group[i] ?? ''),
            order.map((i) => unit * (x[i] ?? 0) + zero),
            order.map((i) => y[i] ?? 0),
          );
          const { effect } = answered(two, moved).comparison;
          expect(effect?.estimate).to.be.closeTo(plain?.estimate ?? NaN, 1e-8);
          expect(effect?.interval?.low).to.be.closeTo(plain?.interval?.low ?? NaN, 1e-8);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('of a covariate of noise are as right as the plain means: over many draws the difference keeps its mean and its level', () => {
    let state = 20261123;
    const draw = (): number => {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      return normal.quantile((state + 0.5) / 2 ** 32);
    };
    const runs = 400;
    const found = Array.from({ length: runs }, () => {
      const readings = group.map((g) => (g === 'north' ? 3 : 0) + draw());
      const { effect } = answered(two, blades(group, group.map(draw), readings)).comparison;
      return {
        estimate: effect?.estimate ?? NaN,
        holds: (effect?.interval?.low ?? NaN) < 3 && (effect?.interval?.high ?? NaN) > 3,
      };
    });
    const mean = found.reduce((s, f) => s + f.estimate, 0) / runs;
    // The standard error of one is about √(2/5 · 9/7): of the mean of all 0.036.
    expect(mean).to.be.closeTo(3, 4 * 0.036);
    const share = found.filter((f) => f.holds).length / runs;
    expect(share).to.be.closeTo(0.95, 4 * Math.sqrt((0.95 * 0.05) / runs));
  });

  it('are read at a value one cares about; parallel lines lie equally far apart everywhere', () => {
    const table = blades(group, x, y);
    const at = (value: number) => answered({ ...two, covariateAt: value }, table);
    expect(at(0).comparison.effect?.estimate).to.be.closeTo(at(12).comparison.effect?.estimate ?? NaN, 1e-10);
    const slope = at(0).comparison.covariate?.slope.estimate ?? NaN;
    expect((at(12).groups[0]?.description?.mean ?? NaN) - (at(11).groups[0]?.description?.mean ?? NaN)).to.be.closeTo(
      slope,
      1e-10,
    );
    // Outside what was read, a check says so.
    const outside = answer({ ...two, covariateAt: 40 }, table);
    const check = outside.ok ? checksOf(outside.value).find((c) => c.about === 'covariate') : undefined;
    expect(check).to.deep.include({ verdict: 'matters', figures: { at: 40, outside: 2, groups: 2 } });
  });

  it('leave out what has no covariate, and say how many; refuse what cannot be adjusted, each in its own words', () => {
    const gap = answered(
      two,
      blades(
        group,
        x.map((v, i) => (i === 2 ? 'lost' : v)),
        y,
      ),
    );
    expect(gap.comparison.covariate?.lost).to.equal(1);
    expect(gap.groups.map((g) => g.n)).to.deep.equal([4, 5]);
    expect(gap.comparison.remarks).to.deep.equal(['One reading has no value of before and is left out.']);
    expect(
      reasonOf(
        two,
        blades(
          group,
          x.map(() => 7),
          y,
        ),
      ),
    ).to.contain('same value throughout');
    expect(
      reasonOf(
        two,
        blades(
          group,
          group.map((g) => (g === 'north' ? 1 : 2)),
          y,
        ),
      ),
    ).to.contain('cannot be told from the group');
    expect(
      reasonOf(
        two,
        blades(
          group,
          x.map((v, i) => (i < 5 ? '' : v)),
          y,
        ),
      ),
    ).to.contain('No reading of north has a value of before');
    expect(reasonOf({ ...two, covariate: 'gone' }, blades(group, x, y))).to.contain(
      'is no longer there: choose another',
    );
    expect(reasonOf({ ...two, covariate: 'after' }, blades(group, x, y))).to.contain('cannot be adjusted for itself');
    const [bay, , after] = blades(group, x, y).columns;
    const { covariate: _, ...unchosen } = two;
    expect(
      reasonOf(
        unchosen,
        tableOf(
          [bay, after].flatMap((c) => c ?? []),
          { shape: 'rows' },
        ),
      ),
    ).to.contain('no other column');
    expect(reasonOf({ ...two, method: 'change' }, blades(group, x, y, 'mm'))).to.contain(
      'there is no change from one to the other',
    );
  });

  it('warn of slopes that differ, and offer the comparison without adjusting', () => {
    const crossing = y.map((v, i) => (i < 5 ? v : 40 - 2 * (x[i] ?? 0)));
    const found = answer(two, blades(group, x, crossing));
    if (!found.ok) throw new Error(found.reason);
    const check = checksOf(found.value).find((c) => c.about === 'parallel-slopes');
    expect(check?.verdict).to.equal('matters');
    const patch = remedyOffer('unadjusted', two)?.patch;
    const plain = answered({ ...two, ...patch }, blades(group, x, crossing));
    expect(plain.question.design).to.equal('two-groups');
    expect(plain.comparison.covariate).to.equal(undefined);
  });

  it('stand beside the change and the plain readings, the one taken marked', () => {
    const all = alternativeMethods(two, blades(group, x, y));
    expect(all.map(({ asked: { design, method } }) => `${design} ${method ?? ''}`.trim())).to.deep.equal([
      'adjusted-two means',
      'adjusted-two change',
      'two-groups means',
      'adjusted-two means',
    ]);
    expect(all.map((m) => m.chosen)).to.deep.equal([true, false, false, false]);
    const change = answered({ ...two, method: 'change' }, blades(group, x, y));
    const plain = answered(
      questionOf('two-groups', { measure: 'd', by: 'bay', a: 'north', b: 'south' }),
      tableOf(
        [
          column('bay', 'group', group),
          column(
            'd',
            'measure',
            y.map((v, i) => (v - (x[i] ?? 0)).toFixed(1)),
            'g',
          ),
        ],
        { shape: 'rows' },
      ),
    );
    expect(change.comparison.p).to.be.closeTo(plain.comparison.p ?? NaN, 1e-12);
    expect(change.measure).to.equal('change from before to after');
  });

  it('are worked out to the very numbers of the answer, of two groups and of a pair among several', () => {
    const table = blades(group, x, y);
    for (const question of [two, asked('adjusted')]) {
      const found = answer(question, table);
      if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
      const { effect, follow, p } = found.value.comparison.value;
      const parts = workingOf(found.value, table);
      const results = parts.flatMap(({ steps }) => steps.map((s) => s.result));
      const one = effect ?? (follow?.ok ? follow.value[0]?.effects[0] : undefined);
      for (const number of [p, one?.estimate, one?.se, one?.interval?.low, one?.interval?.high])
        expect(Math.min(...results.map((r) => Math.abs(r - (number ?? NaN)))), String(number)).to.be.below(1e-9);
    }
  });

  it('are drawn against the covariate: each reading at its place, the difference where it is read; so is the figure', () => {
    const found = answer(two, blades(group, x, y));
    if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
    const { covariate } = found.value.comparison.value;
    const [panel] = covariateLook(found.value, 700, { sorted: false }).panels;
    const points =
      panel?.marks.flatMap((m) => (m.mark === 'dots' && m.name?.startsWith('readings') ? m.points : [])) ?? [];
    expect(points.map((p) => [p.across, p.at])).to.deep.equal(x.map((v, i) => [v, y[i]]));
    const difference = panel?.marks.find((m) => m.mark === 'rule' && m.name === 'adjusted-difference');
    if (difference?.mark !== 'rule') throw new Error('no difference drawn');
    expect(difference.x1).to.equal(covariate?.at);
    expect(difference.y2 - difference.y1).to.be.closeTo(
      Math.abs(found.value.comparison.value.effect?.estimate ?? NaN),
      1e-12,
    );
    expect(kindsFor(found.value)[0]).to.equal('covariate');
    const drawn = figure(found.value, { ...defaultFigureStyle, kind: 'covariate' });
    expect(drawn.scene.panels[0]?.y.title).to.equal('after (g)');
    expect(drawn.scene.alt).to.contain('adjusted means at');
  });

  it('are the first question of two groups read before and after, and one choice away wherever there is another measure', () => {
    const repeated = tableOf(
      [
        column(
          'line',
          'subject',
          group.map((_, i) => `L${i}`),
        ),
        column('bay', 'group', group),
        column('before', 'measure', x, 'g'),
        column('after', 'measure', y, 'g'),
      ],
      { shape: 'repeated', measure: 'frond mass', subject: 'line' },
    );
    const first = firstQuestion(repeated);
    expect(first).to.deep.include({
      design: 'adjusted-two',
      measure: 'after',
      by: 'bay',
      covariate: 'before',
      a: 'north',
      b: 'south',
    });
    if (!first) return;
    expect(namesOf(first, repeated)).to.deep.include({
      measure: 'frond mass (after)',
      covariate: 'frond mass (before)',
    });
    expect(answered(first, repeated).comparison.p).to.equal(answered(two, blades(group, x, y)).comparison.p);
    // Neither is at another time than before: who they are and when they were read are asked about together.
    const named = repeated.columns.map((c) =>
      c.id === 'before' ? { ...c, name: 'red lamp' } : c.id === 'after' ? { ...c, name: 'white lamp' } : c,
    );
    expect(firstQuestion({ ...repeated, columns: named })?.design).to.equal('mixed');
    // Asked otherwise, columns are groups again.
    const paired = asDesign(first, repeated, 'paired');
    expect([paired.measure, paired.by, paired.a, paired.b]).to.deep.equal([undefined, undefined, 'before', 'after']);
    // Of rows with two measures.
    const plain = questionOf('two-groups', { measure: 'after', by: 'bay', a: 'north', b: 'south' });
    const control = covariates(plain, blades(group, x, y));
    expect(control?.options.map((o) => o.words)).to.deep.equal(['before', 'nothing']);
    expect(control?.chosen).to.equal('nothing');
    const adjusted = control?.options[0]?.ask() ?? plain;
    expect(adjusted).to.deep.include({
      design: 'adjusted-two',
      covariate: 'before',
      measure: 'after',
      a: 'north',
      b: 'south',
    });
    expect(adjustedFor(adjusted, blades(group, x, y), undefined)).to.deep.equal(plain);
  });
});
