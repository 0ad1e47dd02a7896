import { hasKind } from '../core/analyses/kinds';
import { attempt } from '../core/numeric/domain-error';
import { besideRows } from '../core/readings/beside';
import { countTable, holdsCounts } from '../core/readings/count-table';
import { factorsOf } from '../core/readings/factors';
import { groupsOf } from '../core/readings/groups';
import { repeatsOf } from '../core/readings/repeats';
import { type Table, called, columnsOf } from '../core/readings/table';
import { groupChoices, isAdjusted, isNested, kindOf, ofOneGroup, samplingOf } from '../core/question/asking';
import { firstQuestion } from '../core/question/first';
import { type Named, namesOf } from '../core/question/naming';
import type { Question } from '../core/question/question';
import type { DoubtCode } from '../core/understanding/doubts/doubt';
import { openDoubts } from '../core/understanding/doubts/open-doubts';
import { intake } from '../core/understanding/intake';
import { understoodSentence } from '../core/understanding/understood';
import { blockFromText } from '../formats/clipboard';

/** What is understood of a table as it is pasted. */
export interface UnderstoodCase {
  layout: Table['shape'];
  turned: boolean;
  groups: string[];
  unit: string;
  subject: string | undefined;
  labels: string | undefined;
  categories: string[] | undefined;
  total: number | undefined;
  shares: [number, number][] | undefined;
  readings: number;
  samples: number;
  spread: Table['spread'] | undefined;
  doubts: DoubtCode[];
  asks: string | undefined;
  sentence: string;
}

/** What a question is called: its design, or what it is about. */
const asked = ({ about, design }: Question): string =>
  about !== 'value'
    ? about
    : ofOneGroup(design)
      ? 'one-sample'
      : isNested(design)
        ? 'nested'
        : isAdjusted(design)
          ? 'ancova'
          : samplingOf(design) === 'crossed'
            ? 'factorial'
            : design;

/** How many readings a first question counts, and of how many independent samples. */
function counted(table: Table, question: Question | undefined): { readings: number; samples: number } {
  if (!question || holdsCounts(table)) return { readings: 0, samples: 0 };
  const factors = kindOf[question.design] === 'factors' ? attempt(() => factorsOf(table, question)) : undefined;
  const groups = groupsOf(table, question);
  const compared = ofOneGroup(question.design)
    ? groups.filter((g) => g.id === question.a)
    : kindOf[question.design] === 'two'
      ? groups.filter((g) => g.id === question.a || g.id === question.b)
      : groups;
  const readings = factors?.ok
    ? factors.value.readings.length
    : compared.reduce((sum, g) => sum + g.readings.used.length, 0);
  // Of adjusted means both what was there before and what came after are readings.
  const both = isAdjusted(question.design) ? 2 * readings : readings;
  const repeats = repeatsOf(table, question);
  return {
    readings: both,
    samples: repeats && hasKind('value', question.design) && table.shape === 'rows' ? repeats.subjects : readings,
  };
}

/** The groups a question names, in the table's order. */
function inOrderOf(table: Table, { question, groups }: Named): string[] {
  const order = groupChoices(table, question).map((g) => g.name);
  return groups.map((g) => g.name).sort((a, b) => order.indexOf(a) - order.indexOf(b));
}

/** Understands a pasted text, and tells what the page would. */
export function understoodCase(text: string): UnderstoodCase {
  const found = intake(blockFromText(text));
  const table: Table = { id: '', name: '', ...found.table };
  const question = firstQuestion(table);
  const names = question && namesOf(question, table);
  const counts = holdsCounts(table) ? attempt(() => countTable(table, question)) : undefined;
  const table2 = counts?.ok ? counts.value : undefined;
  const share = Math.max(0, table2?.columns.categories.findIndex((c) => c.id === question?.found) ?? 0);
  const shares =
    table2 && question?.about === 'share'
      ? table2.counts.map((row): [number, number] => [row[share] ?? 0, row.reduce((s, n) => s + n, 0)])
      : undefined;
  const beside = besideRows(table.columns);
  const [label] = columnsOf(table, 'label').filter((c) =>
    c.cells.some((t, row) => t.trim() !== '' && !beside.has(row)),
  );
  const [subject] = columnsOf(table, 'subject');
  return {
    layout: table.shape,
    turned: found.turned,
    groups: table2 ? table2.rows.categories.map((c) => c.name) : names ? inOrderOf(table, names) : [],
    unit: names?.unit ?? '',
    subject: subject && called(subject, ''),
    labels: label && called(label, ''),
    categories: table2?.columns.categories.map((c) => c.name),
    total: table2?.counts.flat().reduce((s, n) => s + n, 0),
    shares,
    ...counted(table, question),
    spread: table.shape === 'summary' ? table.spread : undefined,
    doubts: [...new Set([...(found.split ? (['split-line'] as const) : []), ...openDoubts(table).map((d) => d.code)])],
    asks: question && asked(question),
    sentence: understoodSentence(table),
  };
}
