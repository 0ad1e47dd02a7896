import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import { checksOf } from '../../src/core/answering/checks-of';
import { workingOf } from '../../src/core/answering/working-of';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { figureLegend } from '../../src/core/figures/legend';
import { shown } from '../../src/core/working/term';
import { checkNames, checkSentence } from '../../src/core/words/checks';
import { headline } from '../../src/core/telling/headline';
import { equivalenceHypotheses, hypotheses } from '../../src/core/telling/hypotheses';
import { questionSentence } from '../../src/core/telling/question';
import { methodsSentence, resultsSentence } from '../../src/core/telling/report';
import { textTables } from '../../src/core/words/tables/tables';
import { plain } from '../../src/core/words/text';
import { type Case, cases } from './cases';

/** All that is told of a question, part by part. */
interface Told {
  answer: Answer;
  parts: [string, string][];
}

const known = new WeakMap<Case, Told>();

/** All that is told of a case; told once, since many tests go through all of them. */
export function told(one: Case): Told {
  const found = known.get(one) ?? tell(one);
  known.set(one, found);
  return found;
}

function tell({ table, question }: Case): Told {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  const { value } = found;
  const { comparison } = value;
  const parts: [string, string][] = [['Question', questionSentence(value)]];
  if (!comparison.ok) return { answer: value, parts: [...parts, ['No answer', comparison.reason]] };
  const top = headline(value, comparison.value);
  const stated = hypotheses(value);
  const equivalence = equivalenceHypotheses(value);
  parts.push(
    ['Headline', [top.estimate, top.interval, top.order].filter((x) => x !== '').join(' · ')],
    ['', `${plain(top.sentence)} [${plain(top.test)}]`],
    ['Methods', plain(methodsSentence(value))],
    ['Results', plain(resultsSentence(value, comparison.value))],
    ['Legend', plain(figureLegend(value, defaultFigureStyle))],
    ...Object.entries(stated ? { 'H₀': stated.none, 'H₁': stated.some } : {}).map(([name, h]): [string, string] => [
      name,
      `${h.tex}  ${h.words}`,
    ]),
    ...(equivalence ? [equivalence.none, equivalence.some] : []).map((h): [string, string] => [
      'and',
      `${h.tex}  ${h.words}`,
    ]),
    ...comparison.value.remarks.map((remark): [string, string] => ['Remark', remark]),
    ...checksOf(value).map((check): [string, string] => [
      `Check, ${checkNames[check.about].toLowerCase()}`,
      `${check.verdict}: ${checkSentence(check, value)}`,
    ]),
    ...textTables(value).map(({ title, head, rows }): [string, string] => [
      `Table, ${title}`,
      `\n${[head, ...rows].map((row) => `    ${row.map(plain).join(' | ')}`).join('\n')}`,
    ]),
    ...workingOf(value, table).map(({ title, steps }): [string, string] => {
      const last = steps.at(-1);
      return [
        `Working, ${title}, at its end`,
        last ? `${last.name} = ${last.formula} = ${last.numbers} = ${shown(last.result)}` : '',
      ];
    }),
  );
  return { answer: value, parts };
}

/** The golden text of a kind: every situation with all that is told of it. */
export const golden = (kind: string): string =>
  (cases[kind] ?? [])
    .map(
      (one) =>
        `== ${kind}: ${one.situation}\n\n${told(one)
          .parts.map(([name, words]) => `${name === '' ? '' : `${name}: `}${words}`)
          .join('\n')}\n`,
    )
    .join('\n');

/** The file of a kind. */
export const goldenFile = (kind: string): string => `tests/golden/${kind.replaceAll(' ', '-')}.txt`;
