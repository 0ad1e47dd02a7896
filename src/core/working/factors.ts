/** The working of analyses with two factors, or with the same subjects under every condition. */
import { widthOf } from '../numeric/width-of';
import { nth } from '../numeric/nth';
import { fisherF } from '../distributions/f';
import type { RepeatedMeasures } from '../procedures/repeated-measures';
import { type ModelPart, type TwoWayAnova, unexplained } from '../procedures/two-way-anova';
import type { WithinBetween } from '../procedures/within-between';
import type { WithinEffect, WithinTwoFactors } from '../procedures/within-two-factors';
import { type Step, type Term, Working, constant, symbol, total } from './term';

const one = constant(1);

/** A line of a table of analysis: mean squares, F and its tail. */
function judged(w: Working, mark: string, what: string, ss: Term, df: Term, msError: Term, dfError: Term): void {
  const ms = w.let(`mean square, ${what}`, `MS_{${mark}}`, ss.over(df));
  const f = w.let(`test statistic, ${what}`, `F_{${mark}}`, ms.over(msError));
  w.look(
    `p, ${what}`,
    `p_{${mark}}`,
    `P\\left(F_{${df.tex},${dfError.tex}} \\ge F_{${mark}}\\right)`,
    fisherF(df.value, dfError.value).upper(f.value),
  );
}

/** Which parts each effect is judged after, by the type of sums of squares. */
function others(effect: ModelPart, type: TwoWayAnova['type'], interactive: boolean): ModelPart[] {
  if (effect === 'ab') return ['a', 'b'];
  const other = effect === 'a' ? 'b' : 'a';
  if (type === 3) return interactive ? [other, 'ab'] : [other];
  return type === 1 && effect === 'a' ? [] : [other];
}

/**
 * Two-way analysis of variance by comparing models: what leaving an effect out adds to the unexplained sum of squares is
 * its own. With equal cells this is the sum of squared departures of the level means, times their readings.
 * Source: Fisher (1925), Yates (1934).
 */
export function twoWayWorking(table: TwoWayAnova): Step[] {
  const w = new Working();
  const interactive = table.interaction !== undefined;
  const known = new Map<string, Term>();
  const nameOf: Record<ModelPart, string> = { a: 'A', b: 'B', ab: 'AB' };
  const left = (parts: ModelPart[]): Term => {
    const mark = parts.length > 0 ? parts.map((x) => nameOf[x]).join(',\\,') : '1';
    const before = known.get(mark);
    if (before) return before;
    const made = w.look(
      parts.length > 0
        ? `left unexplained with ${parts.map((x) => nameOf[x]).join(', ')} in the model`
        : 'left unexplained by the mean alone',
      `R(${mark})`,
      '\\sum (y - \\hat{y})^2',
      unexplained(table, parts),
    );
    known.set(mark, made);
    return made;
  };
  left([]);
  const residual = left(interactive ? ['a', 'b', 'ab'] : ['a', 'b']);
  const dfError = w.look('degrees of freedom left', '\\nu_E', 'N - \\text{rank}', table.residual.df);
  const msError = w.let('mean square left', 'MS_E', residual.over(dfError));
  const lines: [ModelPart, TwoWayAnova['a'] | undefined, string][] = [
    ['a', table.a, 'first factor'],
    ['b', table.b, 'second factor'],
    ['ab', table.interaction, 'interaction'],
  ];
  for (const [part, effect, what] of lines) {
    if (!effect) continue;
    const after = others(part, table.type, interactive);
    const ss = w.let(
      `sum of squares, ${what}`,
      `SS_{${nameOf[part]}}`,
      left(after).minus(left((['a', 'b', 'ab'] as const).filter((x) => x === part || after.includes(x)))),
    );
    const df = symbol(`\\nu_{${nameOf[part]}}`, effect.df);
    judged(w, nameOf[part], what, ss, df, msError, dfError);
    w.let(`partial eta squared, ${what}`, `\\eta^2_{${nameOf[part]}}`, ss.over(ss.plus(residual)));
  }
  return w.steps;
}

const meanOf = (values: readonly number[]): number => values.reduce((s, x) => s + x, 0) / values.length;

/** Repeated measures on one factor, with both corrections. Source: Fisher (1925), Greenhouse & Geisser (1959). */
export function repeatedWorking(rows: readonly (readonly number[])[], found: RepeatedMeasures): Step[] {
  const w = new Working();
  const [n, k] = [symbol('n', rows.length), symbol('k', widthOf(rows))];
  const grand = w.look('grand mean', '\\bar{y}', '\\frac{1}{nk}\\sum y_{ij}', meanOf(rows.flat()));
  const spread = (means: readonly number[], mark: string): Term =>
    total(`\\sum (\\bar{y}_{${mark}} - \\bar{y})^2`, means, (m, i) =>
      symbol(`\\bar{y}_{${i + 1}}`, m)
        .minus(grand)
        .squared(),
    );
  const conditions = Array.from({ length: k.value }, (_, j) => meanOf(rows.map((r) => nth(r, j))));
  const ssC = w.let('sum of squares, conditions', 'SS_C', n.times(spread(conditions, '\\cdot j')));
  const ssS = w.let('sum of squares, subjects', 'SS_S', k.times(spread(rows.map(meanOf), 'i\\cdot')));
  const ssT = w.let(
    'total sum of squares',
    'SS_T',
    total('\\sum (y_{ij} - \\bar{y})^2', rows.flat(), (y) => symbol('y', y).minus(grand).squared()),
  );
  const ssE = w.let('residual', 'SS_E', ssT.minus(ssC).minus(ssS));
  const dfC = w.let('degrees of freedom, conditions', '\\nu_C', k.minus(one));
  const dfE = w.let('degrees of freedom left', '\\nu_E', n.minus(one).times(k.minus(one)));
  const msE = w.let('mean square left', 'MS_E', ssE.over(dfE));
  judged(w, 'C', 'conditions', ssC, dfC, msE, dfE);
  const correct = (name: string, mark: string, formula: string, { epsilon, p }: { epsilon: number; p: number }) => {
    w.look(`ε of ${name}`, `\\varepsilon_{${mark}}`, formula, epsilon);
    w.look(
      `p corrected by ${name}`,
      `p_{${mark}}`,
      `P\\left(F_{\\varepsilon\\nu_C,\\,\\varepsilon\\nu_E} \\ge F_C\\right)`,
      p,
    );
  };
  correct(
    'Greenhouse and Geisser',
    'GG',
    '\\frac{(\\operatorname{tr} S)^2}{(k-1)\\operatorname{tr} S^2}',
    found.greenhouseGeisser,
  );
  correct(
    'Huynh and Feldt',
    'HF',
    '\\min\\left(1, \\frac{n(k-1)\\varepsilon - 2}{(k-1)(n-1-(k-1)\\varepsilon)}\\right)',
    found.huynhFeldt,
  );
  w.let('partial eta squared', '\\eta^2', ssC.over(ssC.plus(ssE)));
  return w.steps;
}

/** One factor between subjects, one within: each line with the error it is judged by. Source: Winer (1962). */
export function withinBetweenWorking(found: WithinBetween): Step[] {
  const w = new Working();
  const dfS = symbol('\\nu_S', found.subjects.df);
  const ssS = symbol('SS_S', found.subjects.ss);
  const msS = w.let('mean square, subjects within groups', 'MS_S', ssS.over(dfS));
  judged(w, 'G', 'groups', symbol('SS_G', found.group.ss), symbol('\\nu_G', found.group.df), msS, dfS);
  const dfE = symbol('\\nu_E', found.error.df);
  const msE = w.let('mean square left within subjects', 'MS_E', symbol('SS_E', found.error.ss).over(dfE));
  const { condition, interaction, greenhouseGeisser } = found;
  judged(w, 'C', 'conditions', symbol('SS_C', condition.ss), symbol('\\nu_C', condition.df), msE, dfE);
  judged(w, 'GC', 'interaction', symbol('SS_{GC}', interaction.ss), symbol('\\nu_{GC}', interaction.df), msE, dfE);
  w.look(
    'ε of Greenhouse and Geisser',
    '\\varepsilon',
    '\\frac{(\\operatorname{tr} S)^2}{(k-1)\\operatorname{tr} S^2}',
    greenhouseGeisser.epsilon,
  );
  w.look(
    'corrected p, conditions',
    "p'_C",
    'P(F_{\\varepsilon\\nu_C,\\,\\varepsilon\\nu_E} \\ge F_C)',
    greenhouseGeisser.conditionP,
  );
  w.look(
    'corrected p, interaction',
    "p'_{GC}",
    'P(F_{\\varepsilon\\nu_{GC},\\,\\varepsilon\\nu_E} \\ge F_{GC})',
    greenhouseGeisser.interactionP,
  );
  return w.steps;
}

/** Both factors within subjects: each line with the error it is judged by. Source: Winer (1962). */
export function withinTwoFactorsWorking(found: WithinTwoFactors): Step[] {
  const w = new Working();
  const line = (mark: string, what: string, { ss, df, error, epsilon, corrected, partialEtaSquared }: WithinEffect) => {
    const dfError = symbol(`\\nu_{${mark}S}`, error.df);
    const ssError = symbol(`SS_{${mark}S}`, error.ss);
    const msError = w.let(`mean square, ${what} by subject`, `MS_{${mark}S}`, ssError.over(dfError));
    const [ssEffect, dfEffect] = [symbol(`SS_{${mark}}`, ss), symbol(`\\nu_{${mark}}`, df)];
    judged(w, mark, what, ssEffect, dfEffect, msError, dfError);
    if (df > 1) {
      w.look(
        `ε of Greenhouse and Geisser, ${what}`,
        `\\varepsilon_{${mark}}`,
        '\\frac{(\\operatorname{tr} S)^2}{\\nu\\operatorname{tr} S^2}',
        epsilon,
      );
      w.look(
        `corrected p, ${what}`,
        `p'_{${mark}}`,
        `P(F_{\\varepsilon\\nu_{${mark}},\\varepsilon\\nu_{${mark}S}} \\ge F_{${mark}})`,
        corrected,
      );
    }
    w.look(
      `partial eta squared, ${what}`,
      `\\eta^2_{${mark}}`,
      `\\frac{SS_{${mark}}}{SS_{${mark}} + SS_{${mark}S}}`,
      partialEtaSquared,
    );
  };
  line('A', 'first factor', found.a);
  line('B', 'second factor', found.b);
  line('AB', 'interaction', found.interaction);
  return w.steps;
}
