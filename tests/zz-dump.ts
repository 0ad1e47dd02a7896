import { writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { cases } from './golden/cases';
import { answer } from '../src/core/answering/answer';
import { checksOf } from '../src/core/answering/checks-of';
import { lookScene } from '../src/core/telling/look';
import { kindsFor, usualStyle } from '../src/core/figures/kinds';
import { figure } from '../src/core/figures/figure';
import { plate } from '../src/core/figures/plate';
import { layout } from '../src/charts/layout';
import { curveScene } from '../src/core/scenes/curve';
import { checkPicture } from '../src/core/scenes/check-picture';
import { readerScene } from '../src/core/scenes/reader';
import { planScene } from '../src/core/scenes/plan-picture';
import { simulatedScene } from '../src/core/scenes/simulated';
import { levelsScene } from '../src/core/scenes/levels-picture';
import { atLevels } from '../src/core/answering/at-levels';
import { besideScene } from '../src/core/scenes/beside';
import { valuesOf } from '../src/core/answer/group-part';
import { chanceOf, strayOf } from '../src/core/answering/chance';
import { Gathered } from '../src/core/procedures/gathered';
import { arrangement, blockOf, observedOf, slackOf } from '../src/core/procedures/shuffling';
import { measuresAxis, measuresOverview, effectDomain } from '../src/core/scenes/measures-overview';
import { measureScene } from '../src/core/scenes/measure-picture';
import { usualPlan } from '../src/core/planning/plan';
import { simulator } from '../src/core/planning/simulate';
import { meanOf } from '../src/core/answer/group-part';
import { demoTables } from '../demo/skerrow';
import { arrangementScene, gatheredScene } from '../src/core/scenes/chance';
const out: Record<string, string> = {};
const round = (_: string, x: unknown) =>
  typeof x === 'number'
    ? Number.isFinite(x)
      ? Object.is(Math.round(x * 1e4) / 1e4, -0)
        ? 0
        : Math.round(x * 1e4) / 1e4
      : String(x)
    : x;
const canon = (s: any): string => {
  const { shapes, ...rest } = layout(s);
  return JSON.stringify(
    {
      ...rest,
      shapes: shapes.map((sh: any) =>
        Object.fromEntries(
          Object.entries({ ...sh, title: sh.title, cells: sh.cells })
            .filter(([, v]) => v !== undefined && v !== false && v !== 0)
            .sort(([a], [b]) => (a < b ? -1 : 1)),
        ),
      ),
    },
    round,
  );
};
const put = (key: string, make: () => any) => {
  let text: string;
  try {
    const s = make();
    text = s === undefined ? 'undefined' : canon(s);
  } catch (e) {
    text = `threw ${(e as Error).message}`;
  }
  out[key] = text;
};
const variants: Record<string, any> = {
  usual: {},
  points: { marks: 'points', readings: true, valueLabels: true },
  solid: { marks: 'columns', fill: 'solid', readings: true, barSide: 'outer', columnWidth: 70, valueLabels: true },
  bare: {
    marks: 'columns',
    fill: 'none',
    readings: false,
    names: 'key',
    sizes: true,
    scatter: 'random',
    rules: [{ at: 50, name: 'a line' }],
  },
};
let prev: any;
for (const [kind, list] of Object.entries(cases))
  for (const { situation, table, question } of list) {
    const found = answer(question, table);
    if (!found.ok) continue;
    const a = found.value;
    const k0 = `${kind}/${situation}`;
    for (const width of [760, 380]) {
      for (const view of ['points', 'box', 'histogram', 'quantile', 'change', 'stacked'] as const)
        put(`${k0}/look/${width}/${view}`, () => lookScene(a, width, { sorted: width === 380 }, view));
      if (prev)
        put(`${k0}/beside/${width}`, () => {
          const b = besideScene(prev, a, width);
          return b && b.ok ? b.value : undefined;
        });
    }
    let kinds: any[] = [];
    try {
      kinds = kindsFor(a);
    } catch {
      /* */
    }
    for (const fk of kinds)
      for (const [vn, v] of Object.entries(variants))
        put(`${k0}/figure/${fk}/${vn}`, () => figure(a, { ...usualStyle(a), kind: fk, ...v }).scene);
    if (prev)
      put(
        `${k0}/plate`,
        () => plate({ answer: a, style: usualStyle(a) }, [{ answer: prev, style: usualStyle(prev) }]).scene,
      );
    if (a.comparison.ok)
      for (const [i, r] of (a.comparison.value.reference ?? []).entries())
        put(`${k0}/curve/${i}`, () => curveScene(r, [-2, 2], 500, 1.5));
    try {
      const values = a.groups.map(valuesOf);
      for (const c of checksOf(a)) put(`${k0}/check/${c.about}`, () => checkPicture(c, values));
    } catch {
      /* */
    }
    put(`${k0}/levels`, () => levelsScene(atLevels(question, table) as any, 0.95, a.unit, 600, 0));
    for (const of of ['chance', 'stray'] as const) {
      try {
        const c = of === 'chance' ? chanceOf(a) : strayOf(a);
        const obs = observedOf(c.what);
        put(`${k0}/${of}/arrangement`, () => arrangementScene(c, arrangement(c.what, 5, 3), 640));
        for (const many of [9, 3000])
          put(`${k0}/${of}/gathered/${many}`, () => {
            const g = new Gathered(obs, slackOf(c.what, obs));
            g.add(blockOf(c.what, 5, 0, 0, many));
            return gatheredScene(
              c,
              g,
              many > 9 && of === 'chance' ? g.cut('either', 0.05) : undefined,
              of === 'stray' ? { low: obs - 1, high: obs + 1 } : undefined,
              640,
            );
          });
      } catch {
        /* */
      }
    }
    if (a.comparison.ok && a.comparison.value.effect) {
      const e = a.comparison.value.effect;
      const m: any = {
        place: 1,
        significant: e.estimate > 0,
        name: 'm',
        unit: a.unit,
        patch: {},
        n: a.groups.map((g) => g.n),
        estimate: e.estimate,
        interval: e.interval,
        ratio: e.ratio,
        p: a.comparison.value.p,
        groups: a.groups.map((g) => ({ colour: g.colour, mean: meanOf(g), sd: 1, interval: g.interval })),
      };
      put(`${k0}/measures`, () => measuresOverview([m], measuresAxis([m]), 600));
      put(
        `${k0}/measure-effect`,
        () => measureScene(m, measuresAxis([m]), effectDomain([m], measuresAxis([m]))).effect,
      );
      put(
        `${k0}/measure-groups`,
        () => measureScene(m, measuresAxis([m]), effectDomain([m], measuresAxis([m]))).groups,
      );
    }
    prev = a;
  }
for (const { table: t, questions } of demoTables())
  for (const [i, { question }] of questions.entries()) {
    const table = { ...t, id: 'demo' };
    const found = answer(question, table);
    if (!found.ok) continue;
    for (const view of ['points', 'box', 'histogram', 'quantile', 'change', 'stacked'] as const)
      put(`demo/${t.name}/${i}/${view}`, () => lookScene(found.value, 900, { sorted: false }, view));
    for (const fk of kindsFor(found.value))
      put(
        `demo/${t.name}/${i}/figure/${fk}`,
        () => figure(found.value, { ...usualStyle(found.value), kind: fk, widthMm: 85 }).scene,
      );
  }
for (const width of [400, 900]) put(`plan/${width}`, () => planScene(usualPlan, 20, 0.8, 'mm', width));
{
  const run = simulator(usualPlan, 20, 3);
  put('simulated', () => simulatedScene(Array.from({ length: 60 }, run), 5, 'difference', 600));
}
for (const area of ['left', 'right', 'between', 'outside'] as const)
  for (const curve of ['normal', 't', 'F', 'chi-square', 'binomial', 'poisson'] as any[])
    put(`reader/${area}/${curve}`, () =>
      readerScene(
        [
          { curve, parameters: { mean: 0, sd: 1, df: 5, df1: 3, df2: 8, n: 12, p: 0.3, lambda: 4 } as any, label: 'z' },
          { curve: 'normal', parameters: { mean: 0, sd: 1 } as any, label: 'w' },
        ],
        { a: 1, b: 2, area, statistic: 2 },
        600,
      ),
    );
put('reader', () =>
  readerScene(
    [{ curve: 'normal', parameters: { mean: 0, sd: 1 } as any, label: 'z' }],
    { a: -1, b: 1, area: 'between', statistic: 2 },
    600,
  ),
);
const hash = createHash('sha1').update(JSON.stringify(out)).digest('hex');
writeFileSync(process.argv[2]!, JSON.stringify(out));
console.log(
  Object.keys(out).length,
  hash,
  Object.values(out).filter((t) => t.startsWith('threw')).length,
  Object.values(out).filter((t) => t === 'undefined').length,
);
