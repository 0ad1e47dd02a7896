import type { BlocksPart } from '../../answer/comparison';
import { type GroupPart, demandOneUnit, demandReadings } from '../../answer/group-part';
import { weightsOf } from '../../answer/cell-weights';
import { variancesOf } from '../../answer/model-part';
import { DomainError, attempt, demand } from '../../numeric/domain-error';
import { sum } from '../../numeric/sum';
import { there } from '../../numeric/there';
import { randomIntercept } from '../../procedures/random-intercept';
import { type InBlock, randomizedBlocks } from '../../procedures/randomized-blocks';
import { blockOf } from '../../question/block';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import { sentenceCase } from '../../readings/counted';
import { displayName } from '../../readings/levels';
import type { Reading } from '../../readings/read-column';
import { type Column, type Table, called } from '../../readings/table';
import type { GroupModel } from '../by-model';
import { cellAt, textAt } from '../../readings/cell-at';

interface Placed extends InBlock {
  row: number;
}

interface Layout {
  column: Column;
  name: string;
  /** The names of the blocks that hold readings. */
  names: string[];
  readings: Placed[];
  lost: number;
}

/** The block a reading stands in; none where its row names none. */
function blockNamed(column: Column, reading: Reading, subject: string): string {
  if (!reading.rows) return textAt(column.cells, reading.row);
  const { rows } = reading;
  const names = [...new Set(rows.map((row) => textAt(column.cells, row)))].filter((name) => name !== '');
  demand(
    names.length <= 1,
    `Readings of one ${subject || 'subject'} stand in several blocks (${names.join(', ')}), and were averaged over them: count them one by one to compare within blocks.`,
  );
  return cellAt(names, 0);
}

/** Every reading with its block. @throws DomainError in words where there are none */
function laidOut(question: Question, table: Table, parts: readonly GroupPart[]): Layout {
  const column = blockOf(question, table);
  demand(
    column !== undefined,
    question.block === undefined
      ? 'No other column sorts the readings into blocks: give the column that does the role “group” in the readings.'
      : 'The column of the blocks is no longer there: choose another to compare within.',
  );
  const name = called(column);
  demandOneUnit(parts);
  demandReadings(parts, 'Comparing within blocks');
  const places = new Map<string, number>();
  const all = parts.flatMap((part, group) =>
    part.readings.used.map((reading) => ({ group, reading, block: blockNamed(column, reading, table.subject) })),
  );
  const readings = all.flatMap(({ group, reading, block }): Placed[] => {
    if (block === '') return [];
    const place = places.get(block) ?? places.size;
    places.set(block, place);
    return [{ group, block: place, value: reading.value, row: reading.row }];
  });
  const [empty] = parts.filter((part, g) => part.n > 0 && !readings.some((r) => r.group === g));
  if (empty) throw new DomainError(`No reading of ${empty.name} names its ${name}, so it stands in no block.`);
  demand(
    places.size > 1,
    `${sentenceCase(name)} is the same throughout: with one block there is nothing to compare within.`,
  );
  return {
    column,
    name,
    names: [...places.keys()].map((text) => displayName(text, column)),
    readings,
    lost: all.length - readings.length,
  };
}

const mean = (xs: readonly number[]): number => sum(xs) / xs.length;

/** The readings of each block within each group. */
function cellsOf({ readings, names }: Layout): BlocksPart['cells'] {
  const cells = new Map<string, Placed[]>();
  for (const r of readings) {
    const key = `${r.group} ${r.block}`;
    const cell = cells.get(key);
    if (cell) cell.push(r);
    else cells.set(key, [r]);
  }
  return [...cells.values()].map((cell) => {
    const { group, block } = there(cell[0], 'A cell');
    return {
      name: there(names[block], 'A block'),
      block,
      group,
      n: cell.length,
      mean: mean(cell.map((r) => r.value)),
      rows: cell.map((r) => r.row),
    };
  });
}

/** The groups compared within blocks, these as fixed or as random. */
export function fitted(question: Question, table: Table, parts: readonly GroupPart[], brief: boolean): GroupModel {
  const { level } = question;
  const layout = laidOut(question, table, parts);
  const { name, names, readings, lost } = layout;
  const k = parts.length;
  const random = choicesOf(question).method === 'mixed-model';
  const found = attempt(() => randomizedBlocks(readings, k, names.length, level));
  const residuals = found.ok
    ? parts.map((_, g) => found.value.residuals.filter((__, i) => readings[i]?.group === g))
    : [];
  const blocksBy = (groups: BlocksPart['means']): BlocksPart => ({
    name,
    count: names.length,
    names,
    lost,
    ...(random ? { random } : {}),
    ...(found.ok && found.value.additivity ? { additivity: found.value.additivity } : {}),
    cells: cellsOf(layout),
    means: groups,
    residuals,
  });
  const own = parts.map((_, g) => readings.filter((r) => r.group === g));
  const asRead = (g: number) => {
    const points = there(own[g], 'A group').map(({ value, row }) => ({ y: value, row }));
    return { unadjusted: mean(points.map((p) => p.y)), points };
  };
  const remarks =
    lost === 0
      ? []
      : [
          `${lost === 1 ? 'One reading names' : `${lost} readings name`} no ${name} and ${lost === 1 ? 'is' : 'are'} left out.`,
        ];
  if (random) {
    const fit = randomIntercept(
      readings.map((r) => r.value),
      parts.map((_, g) => readings.map((r) => Number(r.group === g))),
      readings.map((r) => r.block),
    );
    const means = parts.map((_, g) => {
      const { estimate, se, interval } = fit.effect(weightsOf(k, g), level);
      return { mean: estimate, se, interval, ...asRead(g) };
    });
    const { f, df1, df2, p } = fit.test(Array.from({ length: k - 1 }, (_, i) => weightsOf(k, 0, i + 1)));
    return {
      test: () => ({ f, df: [df1, df2], p }),
      effect: (weights) => fit.effect(weights, level),
      told: {
        blocks: blocksBy(means),
        model: {
          of: name,
          samples: [],
          ...(brief ? {} : { variances: variancesOf(fit, level) }),
          groups: means.map(({ mean: estimate, se, interval }) => ({ mean: estimate, se, interval })),
        },
        remarks,
      },
    };
  }
  if (!found.ok) throw new DomainError(found.reason);
  const fit = found.value;
  const { group, block, residual, total } = fit;
  return {
    test: () => ({ f: group.f, df: [group.df, residual.df], p: group.p }),
    effect: (weights) => fit.effect(weights, level),
    told: {
      blocks: blocksBy(fit.means.map((m, g) => ({ ...m, ...asRead(g) }))),
      table: [
        { source: 'groups', kind: 'effect', ...group },
        { source: name, kind: 'effect', ...block },
        { source: 'residual', kind: 'error', ...residual },
        { source: 'total', kind: 'total', ...total },
      ],
      remarks,
    },
  };
}
