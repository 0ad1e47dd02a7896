import { expect } from 'chai';
import fc from 'fast-check';
import { analysisOf } from '../../src/core/analyses/registry';
import { answer } from '../../src/core/answering/answer';
import { waysOut } from './asked';
import { orthonormalContrasts } from '../../src/core/procedures/orthonormal-contrasts';
import { pairedT } from '../../src/core/procedures/paired-t';
import { repeatedMeasures } from '../../src/core/procedures/repeated-measures';
import { withinTwoFactors } from '../../src/core/procedures/within-two-factors';
import { firstQuestion } from '../../src/core/question/first';
import { namesOf } from '../../src/core/question/naming';
import { type Question, questionOf } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { controlsOf } from '../../src/core/telling/controls';
import { openDoubts } from '../../src/core/understanding/doubts/open-doubts';

const mean = (xs: readonly number[]): number => xs.reduce((s, x) => s + x, 0) / xs.length;

/** Subjects' readings under a × b combinations. */
const layouts = fc
  .record({ a: fc.integer({ min: 2, max: 4 }), b: fc.integer({ min: 2, max: 4 }), n: fc.integer({ min: 3, max: 8 }) })
  .chain(({ a, b, n }) =>
    fc.record({
      a: fc.constant(a),
      b: fc.constant(b),
      rows: fc.array(fc.array(fc.integer({ min: -999, max: 999 }), { minLength: a * b, maxLength: a * b }), {
        minLength: n,
        maxLength: n,
      }),
    }),
  );
/** Each subject's means over the second factor. */
const overSecond = (rows: readonly (readonly number[])[], a: number, b: number): number[][] =>
  rows.map((row) => Array.from({ length: a }, (_, i) => mean(row.slice(i * b, (i + 1) * b))));
const spreads = (rows: readonly (readonly number[])[]): boolean => {
  try {
    repeatedMeasures(rows);
    return true;
  } catch {
    return false;
  }
};
const near = (found: number, wanted: number): void => {
  expect(found).to.be.closeTo(wanted, 1e-8 * Math.max(1, Math.abs(wanted)));
};

describe('two factors within subjects', () => {
  it('judge each factor as an analysis of subjects’ means over the other does, with its ε and Mauchly’s test', () => {
    fc.assert(
      fc.property(layouts, ({ a, b, rows }) => {
        const first = overSecond(rows, a, b);
        fc.pre(spreads(first) && spreads(rows));
        const alone = repeatedMeasures(first);
        const { a: found } = withinTwoFactors(rows, a, b);
        near(found.f, alone.f);
        near(found.p, alone.p);
        near(found.epsilon, alone.greenhouseGeisser.epsilon);
        near(found.corrected, alone.greenhouseGeisser.p);
        expect(found.error.df).to.equal(alone.error.df);
        expect(found.mauchly === undefined).to.equal(alone.mauchly === undefined);
        if (found.mauchly && alone.mauchly) near(found.mauchly.w, alone.mauchly.w);
      }),
    );
  });

  it('judge the interaction of a factor of two levels as an analysis of subjects’ differences between them does', () => {
    fc.assert(
      fc.property(layouts, ({ b, rows }) => {
        const pairs = rows.map((row) => row.slice(0, 2 * b));
        const differences = pairs.map((row) => Array.from({ length: b }, (_, j) => (row[j] ?? 0) - (row[b + j] ?? 0)));
        fc.pre(spreads(differences) && spreads(pairs) && spreads(overSecond(pairs, 2, b)));
        const alone = repeatedMeasures(differences);
        const { interaction } = withinTwoFactors(pairs, 2, b);
        near(interaction.f, alone.f);
        near(interaction.corrected, alone.greenhouseGeisser.p);
      }),
    );
  });

  it('share out all there is: subjects, effects and what each is judged by', () => {
    fc.assert(
      fc.property(layouts, ({ a, b, rows }) => {
        fc.pre(spreads(rows) && spreads(overSecond(rows, a, b)));
        const found = withinTwoFactors(rows, a, b);
        const parts = [found.a, found.b, found.interaction];
        const ss = parts.reduce((s, e) => s + e.ss + e.error.ss, found.subjects.ss);
        const df = parts.reduce((s, e) => s + e.df + e.error.df, found.subjects.df);
        near(ss / found.total.ss, 1);
        expect(df).to.equal(found.total.df);
      }),
    );
  });

  it('of two levels each are the paired t of the subjects’ means, squared', () => {
    const rows = [
      [10.2, 11.4, 10.9, 12.6],
      [11.0, 11.9, 11.5, 13.8],
      [9.8, 11.3, 10.1, 12.0],
      [10.7, 11.6, 11.9, 13.1],
    ];
    const found = withinTwoFactors(rows, 2, 2);
    const means = overSecond(rows, 2, 2);
    const t = pairedT(
      means.map((m) => m[0] ?? 0),
      means.map((m) => m[1] ?? 0),
      0.95,
    );
    near(found.a.f, t.t ** 2);
    near(found.a.p, t.p.either);
    expect(found.a.epsilon).to.equal(1);
    expect(found.a.mauchly).to.equal(undefined);
  });

  it('refuse gaps, one subject, one level, and subjects who all change alike', () => {
    expect(() => withinTwoFactors([[1, 2, 3, 4]], 2, 2)).to.throw(/two subjects/);
    expect(() =>
      withinTwoFactors(
        [
          [1, 2],
          [2, 3],
        ],
        1,
        2,
      ),
    ).to.throw(/two levels/);
    expect(() =>
      withinTwoFactors(
        [
          [1, 2, 3, 4],
          [1, 2, 3],
        ],
        2,
        2,
      ),
    ).to.throw(/every combination/);
    expect(() =>
      withinTwoFactors(
        [
          [1, 2, 3, 5],
          [2, 3, 4, 6],
        ],
        2,
        2,
      ),
    ).to.throw(/by the same amounts/);
  });

  it('rest on contrasts of length 1, at right angles to each other and to the mean', () => {
    for (const k of [2, 3, 5, 9]) {
      const contrasts = orthonormalContrasts(k);
      expect(contrasts.length).to.equal(k - 1);
      contrasts.forEach((x, i) => {
        near(
          x.reduce((s, v) => s + v, 0),
          0,
        );
        contrasts.forEach((y, j) => {
          near(
            x.reduce((s, v, at) => s + v * (y[at] ?? 0), 0),
            Number(i === j),
          );
        });
      });
    }
  });
});

/** Lines, or what else is read, under every combination of two depths and three weeks: a row a reading. */
function readUnderAll(names: readonly string[], called = 'line', lost: readonly number[] = []): Table {
  const rows = names.flatMap((name, i) =>
    ['shallow', 'deep'].flatMap((depth, d) =>
      ['0', '2', '4'].map((week, w) => ({
        name,
        depth,
        week,
        value: (20 + i + 2 * d + 1.5 * w + ((i * 7 + d * 5 + w * 3) % 4) / 3).toFixed(2),
      })),
    ),
  );
  const column = (id: string, name: string, role: 'subject' | 'group' | 'measure', cells: string[]) => ({
    ...emptyColumn(id, name, '', role),
    cells,
  });
  return tableOf(
    [
      column(
        's',
        called,
        'subject',
        rows.map((r) => r.name),
      ),
      column(
        'd',
        'depth',
        'group',
        rows.map((r) => r.depth),
      ),
      column(
        'w',
        'week',
        'group',
        rows.map((r) => r.week),
      ),
      column(
        'y',
        'length',
        'measure',
        rows.map((r, i) => (lost.includes(i) ? '' : r.value)),
      ),
    ],
    { measure: 'length', subject: called, shape: 'rows' },
  );
}
const lines = readUnderAll(['L1', 'L2', 'L3', 'L4', 'L5', 'L6']);
/** The same, what each line has at one depth moved by something of its own, so that depth and week have a spread. */
const withOffsets = (table: Table): Table => ({
  ...table,
  columns: table.columns.map((c) =>
    c.id === 'y'
      ? {
          ...c,
          cells: c.cells.map((cell, row) => {
            const [line, deep, week] = [Math.floor(row / 6), Math.floor(row / 3) % 2, row % 3];
            return String(Number(cell) + deep * ((line * 5) % 7) + (week === 1 ? (line * 3) % 5 : 0));
          }),
        }
      : c,
  ),
});
const asked = (more: Partial<Question> = {}): Question =>
  questionOf('repeated-factorial', { measure: 'y', by: 'd', by2: 'w', ...more });
const compared = (question: Question, table: Table) => {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  if (!found.value.comparison.ok) throw new Error(found.value.comparison.reason);
  return { of: found.value, found: found.value.comparison.value };
};

describe('subjects under every combination of two factors', () => {
  it('are asked about so first, with no alarm, later weeks set against earlier ones', () => {
    const question = firstQuestion(lines);
    expect(question).to.include({ design: 'repeated-factorial', by: 'd', by2: 'w', turned: 'all' });
    expect(openDoubts(lines).map((d) => d.code)).to.deep.equal([]);
    const { found } = compared({ ...asked({ within: 'b' }), turned: 'all' }, lines);
    if (!found.follow?.ok) throw new Error('nothing follows');
    expect(found.follow.value[0]?.effects.map((e) => e.name)).to.deep.equal(['2 minus 0', '4 minus 0', '4 minus 2']);
  });

  it('are taken as others in each where bare numbers may begin anew; blocks and times number the same', () => {
    const numbered = (called: string) => readUnderAll(['1', '2', '3', '4', '5', '6'], called);
    const withoutTime = (table: Table): Table => ({
      ...table,
      columns: table.columns.map((c) =>
        c.id === 'w'
          ? { ...c, name: 'flow', cells: c.cells.map((x) => (x === '0' ? 'still' : x === '2' ? 'slow' : 'fast')) }
          : c,
      ),
    });
    expect(firstQuestion(numbered('plant'))?.design).to.equal('repeated-factorial');
    expect(firstQuestion(withoutTime(numbered('plant')))?.design).to.equal('factorial');
    expect(firstQuestion(withoutTime(numbered('block')))).to.include({
      design: 'repeated-factorial',
      method: 'mixed-model',
    });
  });

  it('as blocks give the classical analysis of complete blocks', () => {
    const { found } = compared(asked({ method: 'mixed-model' }), lines);
    // As one factor of six levels in blocks, the effects together and what is left are the same.
    const values = lines.columns[3]?.cells.map(Number) ?? [];
    const blocks = Array.from({ length: 6 }, (_, i) => values.slice(i * 6, (i + 1) * 6));
    const { error } = repeatedMeasures(blocks);
    const { a, b, interaction } = withinTwoFactors(blocks, 2, 3);
    for (const [i, e] of [a, b, interaction].entries()) {
      near(found.tests[i]?.value ?? NaN, e.ss / e.df / (error.ss / error.df));
      near(found.tests[i]?.df[1] ?? NaN, error.df);
    }
  });

  it('count once each, and take a lost reading without losing the line', () => {
    const { of } = compared(asked(), lines);
    expect(of.groups.map((g) => g.n)).to.deep.equal([6, 6]);
    const someLost = readUnderAll(['L1', 'L2', 'L3', 'L4', 'L5', 'L6'], 'line', [4, 9]);
    const { found } = compared(asked(), someLost);
    expect(found.model?.of).to.equal('line');
    expect(found.remarks.join(' ')).to.include('2 lines of 6 lack a reading');
    const classical = compared(asked({ method: 'means' }), someLost).found;
    expect(classical.complete?.subjects).to.deep.equal(['L3', 'L4', 'L5', 'L6']);
    expect(classical.remarks.join(' ')).to.include('L1 (no deep 2); L2 (no deep 0)');
  });

  it('have a difference of differences that is the same in all left out by itself, with the reason', () => {
    // From week 0 to 2 each line gains alike at both depths.
    const alike: Table = {
      ...lines,
      columns: lines.columns.map((c) =>
        c.id === 'y'
          ? { ...c, cells: c.cells.map((_, row) => String([1, 2, 3, 2, 3, (row * row) % 11][row % 6] ?? 0)) }
          : c,
      ),
    };
    const { found } = compared(asked({ method: 'means', within: 'interaction', by2: 'w' }), withOffsets(alike));
    if (!found.follow?.ok) throw new Error('nothing follows');
    const [part] = found.follow.value;
    expect(part?.effects.map((e) => e.name)).to.deep.equal([
      'shallow minus deep, in 0 minus in 4',
      'shallow minus deep, in 2 minus in 4',
    ]);
    expect(part?.left?.map((l) => l.name)).to.deep.equal(['shallow minus deep, in 0 minus in 2']);
  });

  it('lead to and fro where subjects are under one level of the first factor after all', () => {
    const depths = lines.columns[1]?.cells ?? [];
    const ofDepths: Table = {
      ...lines,
      columns: lines.columns.map((c) =>
        c.id === 's' ? { ...c, cells: c.cells.map((name, row) => `${name} ${depths[row] ?? ''}`) } : c,
      ),
    };
    const refused = answer(asked(), ofDepths);
    expect(refused.ok && !refused.value.comparison.ok && refused.value.comparison.reason).to.equal(
      'No line was read under every combination of depth and week.',
    );
    expect(waysOut(asked({ method: 'means' }), ofDepths).map((w) => w.words)).to.include(
      'Each line is measured under every condition',
    );
    const mixed = questionOf('mixed', { measure: 'y', by: 'd', by2: 'w' });
    expect(waysOut(mixed, lines).map((w) => [w.words, w.asked.design])).to.deep.include([
      'Each line is measured under every combination',
      'repeated-factorial',
    ]);
  });

  it('are a choice in the sentence beside once and under every condition', () => {
    const { counting } = controlsOf(asked(), lines, analysisOf(asked()).words.sentence(namesOf(asked(), lines)));
    expect(counting?.chosen).to.equal('crossed');
    expect(counting?.options.map((o) => [o.id, o.ask().design])).to.deep.equal([
      ['once', 'factorial'],
      ['within', 'mixed'],
      ['crossed', 'repeated-factorial'],
    ]);
  });
});
