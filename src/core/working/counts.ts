/** The working of tests on proportions and tables of counts. */
import { there } from '../numeric/there';
import { nth } from '../numeric/nth';
import { chiSquare } from '../distributions/chi-square';
import { hypergeometric } from '../distributions/hypergeometric';
import { normal } from '../distributions/normal';
import { type TwoByTwo, fisherExact } from '../procedures/fisher-exact';
import type { Direction } from '../procedures/direction';
import type { Share } from '../procedures/one-proportion';
import { type Step, type Term, Working, constant, symbol, total } from './term';
import { wilsonInterval } from './intervals';
import { tailOf } from './tail';

const one = constant(1);
const two = constant(2);

/** One proportion against a value: z with its p, and Wilson's interval. Source: Wilson (1927). */
export function oneProportionWorking(
  count: number,
  of: number,
  value: number,
  level: number,
  direction: Direction = 'either',
): Step[] {
  const w = new Working();
  const n = symbol('n', of);
  const p0 = symbol('\\pi_0', value);
  const share = w.let('observed proportion', '\\hat{p}', symbol('x', count).over(n));
  const se = w.let('standard error under the value', 'SE_0', p0.times(one.minus(p0)).over(n).root());
  const z = w.let('test statistic', 'z', share.minus(p0).over(se));
  tailOf(w, 'Z', z, normal, direction);
  return wilsonInterval(w, share, n, level);
}

/** Two proportions: z with the pooled proportion, risk ratio and odds ratio. */
export function twoProportionsWorking(
  countA: number,
  nA: number,
  countB: number,
  nB: number,
  direction: Direction = 'either',
): Step[] {
  const w = new Working();
  const [xa, na, xb, nb] = [symbol('x_a', countA), symbol('n_a', nA), symbol('x_b', countB), symbol('n_b', nB)];
  const pa = w.let('first proportion', '\\hat{p}_a', xa.over(na));
  const pb = w.let('second proportion', '\\hat{p}_b', xb.over(nb));
  const d = w.let('difference', 'd', pa.minus(pb));
  const pooled = w.let('pooled proportion', '\\bar{p}', xa.plus(xb).over(na.plus(nb)));
  const se = w.let(
    'standard error under no difference',
    'SE_0',
    pooled
      .times(one.minus(pooled))
      .times(one.over(na).plus(one.over(nb)))
      .root(),
  );
  const z = w.let('test statistic', 'z', d.over(se));
  tailOf(w, 'Z', z, normal, direction);
  w.let('risk ratio', 'RR', pa.over(pb));
  w.let('odds ratio', 'OR', xa.times(nb.minus(xb)).over(xb.times(na.minus(xa))));
  return w.steps;
}

/** The chi-square and G tests of a table of counts against expected ones. */
function againstExpected(w: Working, cells: { observed: Term; expected: Term }[], df: Term): void {
  const chi2 = w.let(
    'test statistic',
    'X^2',
    total('\\sum \\frac{(O - E)^2}{E}', cells, ({ observed, expected }) =>
      observed.minus(expected).squared().over(expected),
    ),
  );
  w.look('p', 'p', 'P\\left(\\chi^2_{\\nu} \\ge X^2\\right)', chiSquare(df.value).upper(chi2.value));
  const g = w.let(
    'likelihood-ratio statistic',
    'G',
    two.times(
      total('\\sum O \\ln\\frac{O}{E}', cells, ({ observed, expected }) =>
        observed.value === 0 ? constant(0) : observed.times(observed.over(expected).logarithm()),
      ),
    ),
  );
  w.look(
    'p of the likelihood-ratio test',
    'p_G',
    'P\\left(\\chi^2_{\\nu} \\ge G\\right)',
    chiSquare(df.value).upper(g.value),
  );
}

/** Chi-square test of independence. Source: Pearson (1900). */
export function independenceWorking(table: readonly (readonly number[])[]): Step[] {
  const w = new Working();
  const rows = table.map((row) => row.reduce((a, b) => a + b, 0));
  const columns = (table[0] ?? []).map((_, j) => table.reduce((s, row) => s + nth(row, j), 0));
  const n = w.let(
    'all counts',
    'N',
    total('\\sum O', rows, (r, i) => symbol(`R_{${i + 1}}`, r)),
  );
  const [r, c] = [symbol('r', rows.length), symbol('c', columns.length)];
  const cells = table.flatMap((row, i) =>
    row.map((count, j) => {
      const at = `{${i + 1}${j + 1}}`;
      const rowTotal = symbol(`R_{${i + 1}}`, nth(rows, i));
      const columnTotal = symbol(`C_{${j + 1}}`, nth(columns, j));
      const expected = rowTotal.times(columnTotal).over(n);
      return {
        observed: symbol(`O_${at}`, count),
        // A table of more cells than are read is shown by its first.
        expected:
          i + j === 0 || rows.length * columns.length <= 9
            ? w.let(`expected count, row ${i + 1}, column ${j + 1}`, `E_${at}`, expected)
            : symbol(`E_${at}`, expected.value),
      };
    }),
  );
  const df = w.let('degrees of freedom', '\\nu', r.minus(one).times(c.minus(one)));
  againstExpected(w, cells, df);
  const chi2 = there(w.steps.find((s) => s.name === 'X^2')?.result, 'X²');
  const least = Math.min(rows.length, columns.length) - 1;
  w.let(
    'Cramér’s V',
    'V',
    symbol('X^2', chi2)
      .over(n.times(symbol('(\\min(r,c)-1)', least)))
      .root(),
  );
  return w.steps;
}

/** Goodness of fit to given proportions. Source: Pearson (1900). */
export function goodnessOfFitWorking(counts: readonly number[], shares: readonly number[]): Step[] {
  const w = new Working();
  const whole = shares.reduce((a, b) => a + b, 0);
  const n = w.let(
    'all counts',
    'N',
    total('\\sum O_i', counts, (x, i) => symbol(`O_{${i + 1}}`, x)),
  );
  const cells = counts.map((count, i) => ({
    observed: symbol(`O_{${i + 1}}`, count),
    expected: w.let(
      `expected count ${i + 1}`,
      `E_{${i + 1}}`,
      n.times(symbol(`\\pi_{${i + 1}}`, nth(shares, i) / whole)),
    ),
  }));
  const df = w.let('degrees of freedom', '\\nu', symbol('k', counts.length).minus(one));
  againstExpected(w, cells, df);
  return w.steps;
}

/** Paired proportions, from the two kinds of pairs that changed. Source: McNemar (1947). */
export function mcnemarWorking(b: number, c: number): Step[] {
  const w = new Working();
  const [B, C] = [symbol('b', b), symbol('c', c)];
  const chi2 = w.let('test statistic', 'X^2', B.minus(C).squared().over(B.plus(C)));
  w.look('p', 'p', 'P\\left(\\chi^2_1 \\ge X^2\\right)', chiSquare(1).upper(chi2.value));
  const corrected = w.let(
    'with continuity correction',
    'X_c^2',
    B.minus(C).magnitude().minus(one).squared().over(B.plus(C)),
  );
  w.look('p of the corrected test', 'p_c', 'P\\left(\\chi^2_1 \\ge X_c^2\\right)', chiSquare(1).upper(corrected.value));
  return w.steps;
}

/** Fisher's exact test: the chance of each table with these margins, and the sum of those no likelier than the one seen. */
export function fisherWorking(table: TwoByTwo): Step[] {
  const w = new Working();
  const [[a, b], [c, d]] = table;
  const n = a + b + c + d;
  const { from, masses } = hypergeometric(a + b, a + c, n);
  const seen = w.look(
    'chance of the table seen',
    'P(a)',
    '\\binom{a+c}{a}\\binom{b+d}{b}\\Big/\\binom{N}{a+b}',
    nth(masses, a - from),
  );
  // A long list of tables is told by its likeliest.
  const listed = [...masses.keys()].sort((x, y) => nth(masses, y) - nth(masses, x)).slice(0, 12);
  for (const k of listed.sort((x, y) => x - y))
    if (k + from !== a)
      w.look(
        `chance with ${k + from} in the first cell${nth(masses, k) <= seen.value * (1 + 1e-7) ? ', counted' : ''}`,
        `P(${k + from})`,
        '\\binom{a+c}{x}\\binom{b+d}{a+b-x}\\Big/\\binom{N}{a+b}',
        nth(masses, k),
      );
  const p = fisherExact(table);
  w.look('two-sided p', 'p', '\\sum_{P(x) \\le P(a)} P(x)', p.either);
  w.look('upper tail', 'p_>', '\\sum_{x \\ge a} P(x)', p.greater);
  w.look('lower tail', 'p_<', '\\sum_{x \\le a} P(x)', p.less);
  return w.steps;
}

/** A trend of proportions across ordered groups. Source: Cochran (1954), Armitage (1955). */
export function proportionTrendWorking(shares: readonly Share[], scores: readonly number[]): Step[] {
  const w = new Working();
  const g = shares.map((s, i) => ({
    x: symbol(`x_{${i + 1}}`, s.successes),
    n: symbol(`n_{${i + 1}}`, s.n),
    score: symbol(`d_{${i + 1}}`, nth(scores, i)),
  }));
  const n = w.let(
    'all counts',
    'N',
    total('\\sum n_i', g, (s) => s.n),
  );
  const p = w.let('pooled proportion', '\\bar{p}', total('\\sum x_i', g, (s) => s.x).over(n));
  const mean = w.let('mean score', '\\bar{d}', total('\\sum n_i d_i', g, (s) => s.n.times(s.score)).over(n));
  const slope = w.let(
    'slope sum',
    'T',
    total('\\sum (x_i - n_i \\bar{p})(d_i - \\bar{d})', g, (s) => s.x.minus(s.n.times(p)).times(s.score.minus(mean))),
  );
  const variance = w.let(
    'its variance',
    'V',
    p
      .times(one.minus(p))
      .times(total('\\sum n_i (d_i - \\bar{d})^2', g, (s) => s.n.times(s.score.minus(mean).squared()))),
  );
  const z = w.let('test statistic', 'z', slope.over(variance.root()));
  tailOf(w, 'Z', z, normal, 'either');
  return w.steps;
}
