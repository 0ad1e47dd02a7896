/** An answer reached on the logarithms of readings, told in the readings' own scale: geometric means, and ratios of them. */
import { demand } from '../numeric/domain-error';
import { ratioInterval } from '../procedures/geometric';
import type { Question } from '../question/question';
import { sentenceCase } from '../readings/counted';
import type { Factors } from '../readings/factors';
import type { Answer } from './answer';
import type {
  CellMean,
  Comparison,
  BlocksPart,
  CovariatePart,
  Effect,
  FollowUpPart,
  JudgedEffect,
  ModelPart,
  SampleMean,
  TwoWayCells,
} from './comparison';
import { type GroupPart, cellParts, describedBy, meanOf } from './group-part';

/** Back from a logarithm, without the dust of the way there. */
const back = (log: number): number => Number(Math.exp(log).toPrecision(14));

/** The question as it stands on logarithms: a ratio is a difference there. */
export function onLogarithms(question: Question): Question {
  const { effect: _, value, bounds, ...rest } = question;
  demand(value === undefined || value > 0, 'A ratio is tested against a number above 0; 1 is no difference.');
  demand(bounds === undefined || bounds.low > 0, 'Bounds of a ratio lie above 0: 0.8 to 1.25, say.');
  return {
    ...rest,
    ...(value === undefined ? {} : { value: Math.log(value) }),
    ...(bounds ? { bounds: { low: Math.log(bounds.low), high: Math.log(bounds.high) } } : {}),
  };
}

/** Every reading above 0. @throws DomainError naming the first that is not */
export function demandPositive(groups: readonly GroupPart[], layout: Factors | undefined): void {
  const found = layout
    ? layout.readings.flatMap(({ row, value }) => (value > 0 ? [] : [{ row, value, where: '' }]))
    : groups.flatMap((g) =>
        g.readings.used.flatMap(({ row, value }) => (value > 0 ? [] : [{ row, value, where: ` of ${g.name}` }])),
      );
  const [first] = found;
  if (!first) return;
  const more = found.length > 1 ? `, and ${found.length - 1} more like it` : '';
  const place = sentenceCase(`row ${first.row + 1}${first.where}`);
  demand(
    false,
    `${place} is ${first.value}${more}: a ratio needs every reading above 0. Set them against each other by their difference, or compare ranks.`,
  );
}

/** A group as its own readings, with the geometric mean in the place of the mean. */
function backGroup(group: GroupPart, level: number): GroupPart {
  const { readings, summary, interval, description, se, adjusted, ...rest } = group;
  const used = readings.used.map((r) => ({ ...r, value: back(r.value) }));
  const mean = meanOf(group);
  const told = describedBy(
    {
      ...rest,
      readings: {
        ...readings,
        used,
        aside: readings.aside.map((r) => (r.value === undefined ? r : { ...r, value: back(r.value) })),
      },
    },
    used.map((r) => r.value),
    level,
  );
  const { interval: _, ...shown } = told;
  return {
    ...shown,
    n: group.n,
    ...(adjusted ? { adjusted: { ...adjusted, unadjusted: Math.exp(adjusted.unadjusted) } } : {}),
    ...(interval ? { interval: ratioInterval(interval) } : {}),
    geometric: summary
      ? { sd: Math.exp(Math.sqrt(summary.variance)), se: Math.exp(se ?? Math.sqrt(summary.variance / summary.n)) }
      : {},
    ...(mean !== undefined && told.description ? { description: { ...told.description, mean: Math.exp(mean) } } : {}),
    ...(mean !== undefined && (told.summary ?? told.below)
      ? { summary: { n: group.n, variance: told.summary?.variance ?? NaN, mean: Math.exp(mean) } }
      : {}),
  };
}

/** "Red lamp minus White lamp" as "Red lamp over White lamp", also where differences differ. */
const over = (name: string): string => name.replaceAll(' minus ', ' over ');

function backEffect<E extends Effect>(effect: E): E {
  const { se: _, smallest, ...rest } = effect;
  return {
    ...rest,
    name: over(effect.name),
    estimate: Math.exp(effect.estimate),
    none: 1,
    ratio: true,
    ...(effect.interval ? { interval: ratioInterval(effect.interval) } : {}),
    ...(smallest === undefined ? {} : { smallest: Math.exp(smallest) }),
  } as E;
}

const backFollow = (part: FollowUpPart): FollowUpPart => ({
  ...part,
  effects: part.effects.map((e): JudgedEffect => backEffect(e)),
});

const backMean = ({ sd, ...cell }: CellMean): CellMean => ({
  ...cell,
  mean: Math.exp(cell.mean),
  ...(cell.interval ? { interval: ratioInterval(cell.interval) } : {}),
  ...(sd === undefined ? {} : { sd: Math.exp(sd) }),
});

const backCells = ({ cells, margins, ...rest }: TwoWayCells): TwoWayCells => ({
  ...rest,
  cells: cells.map(backMean),
  margins: [margins[0].map(backMean), margins[1].map(backMean)],
});

const backSamples = (samples: readonly SampleMean[]): SampleMean[] =>
  samples.map((s) => ({ ...s, mean: Math.exp(s.mean) }));

const backModel = ({ samples, inner, groups, ...rest }: ModelPart): ModelPart => ({
  ...rest,
  samples: backSamples(samples),
  ...(inner ? { inner: { ...inner, samples: backSamples(inner.samples) } } : {}),
  groups: groups.map((g) => ({ ...g, mean: Math.exp(g.mean), interval: ratioInterval(g.interval) })),
});

const backRow = (row: readonly (number | undefined)[]): (number | undefined)[] =>
  row.map((x) => (x === undefined ? undefined : back(x)));

function backCovariate({ logged, at, groups, ...rest }: CovariatePart): CovariatePart {
  const x = logged ? back : (value: number): number => value;
  return {
    ...rest,
    ...(logged ? { logged } : {}),
    at: x(at),
    groups: groups.map(({ mean, se, interval, unadjusted, covariate, points }) => ({
      se,
      mean: Math.exp(mean),
      interval: ratioInterval(interval),
      unadjusted: Math.exp(unadjusted),
      covariate: x(covariate),
      points: points.map((p) => ({ ...p, x: x(p.x), y: back(p.y) })),
    })),
  };
}

const backBlocks = ({ cells, means, ...rest }: BlocksPart): BlocksPart => ({
  ...rest,
  cells: cells.map((c) => ({ ...c, mean: Math.exp(c.mean) })),
  means: means.map(({ mean, interval, unadjusted, points, ...of }) => ({
    ...of,
    mean: Math.exp(mean),
    interval: ratioInterval(interval),
    unadjusted: Math.exp(unadjusted),
    points: points.map((p) => ({ ...p, y: back(p.y) })),
  })),
});

/** What the comparison of logarithms says of the readings; tests, their table and sizes stay those of the logarithms. */
function backComparison(found: Comparison, value: number): Comparison {
  const {
    effect,
    follow,
    equivalence,
    bounds,
    pairing,
    complete,
    everyone,
    model,
    covariate,
    blocks,
    likelihood,
    cells,
    also,
    ...rest
  } = found;
  return {
    ...rest,
    ...(effect ? { effect: { ...backEffect(effect), none: Number(Math.exp(value).toPrecision(14)) } } : {}),
    ...(also ? { also: also.map(backEffect) } : {}),
    ...(follow ? { follow: follow.ok ? { ok: true, value: follow.value.map(backFollow) } : follow } : {}),
    ...(equivalence
      ? {
          equivalence: equivalence.ok
            ? { ok: true, value: { ...equivalence.value, interval: ratioInterval(equivalence.value.interval) } }
            : equivalence,
        }
      : {}),
    ...(bounds ? { bounds: ratioInterval(bounds) } : {}),
    ...(pairing
      ? {
          pairing: {
            ...pairing,
            pairs: pairing.pairs.map(({ a, b, ...pair }) => ({
              ...pair,
              a: { ...a, value: back(a.value) },
              b: { ...b, value: back(b.value) },
            })),
          },
        }
      : {}),
    ...(complete ? { complete: { ...complete, rows: complete.rows.map((row) => row.map(back)) } } : {}),
    ...(everyone ? { everyone: { ...everyone, rows: everyone.rows.map(backRow) } } : {}),
    ...(model ? { model: backModel(model) } : {}),
    ...(covariate ? { covariate: backCovariate(covariate) } : {}),
    ...(blocks ? { blocks: backBlocks(blocks) } : {}),
    ...(likelihood ? { likelihood: { ...likelihood, means: likelihood.means.map(Math.exp) } } : {}),
    ...(cells ? { cells: backCells(cells) } : {}),
  };
}

/**
 * The answer in the readings' own scale: an effect on logarithms is a ratio of geometric means, its ends the ends of the
 * interval of the logarithms taken back.
 * @param logs the answer on the logarithms; it stays for the checks and the working
 */
export const asRatios = (asked: Question, logs: Answer, layout: Factors | undefined): Answer => ({
  ...logs,
  question: { ...logs.question, ...pick(asked) },
  groups: logs.groups.map((g) => backGroup(g, asked.level)).map(withCovariateBack(logs)),
  ...(layout ? { layout } : {}),
  comparison: logs.comparison.ok
    ? { ok: true, value: backComparison(logs.comparison.value, logs.question.value ?? 0) }
    : logs.comparison,
  logs,
});

/** The cells of a two-way answer as groups, described as it tells them; none without two factors. */
export function cellsOf({ layout, logs, question: { level } }: Answer): GroupPart[] {
  if (!layout) return [];
  const parts = cellParts(logs?.layout ?? layout, level);
  return logs ? parts.map((part) => backGroup(part, level)) : parts;
}

/** The covariate of each group as it was read. */
const withCovariateBack =
  ({ comparison }: Answer) =>
  (group: GroupPart): GroupPart => {
    const { adjusted } = group;
    const logged = comparison.ok && comparison.value.covariate?.logged;
    return adjusted?.covariate !== undefined && logged
      ? { ...group, adjusted: { ...adjusted, covariate: Math.exp(adjusted.covariate) } }
      : group;
  };

/** What of a question is told on its own scale. */
const pick = ({ effect, value, bounds, covariateAt }: Question): Partial<Question> => ({
  ...(covariateAt === undefined ? {} : { covariateAt }),
  ...(effect ? { effect } : {}),
  ...(value === undefined ? {} : { value }),
  ...(bounds ? { bounds } : {}),
});
