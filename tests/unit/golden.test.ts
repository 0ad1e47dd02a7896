import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import katex from 'katex';
import { cases } from '../golden/cases';
import { answer as ask } from '../../src/core/answering/answer';
import { checksOf } from '../../src/core/answering/checks-of';
import { workingOf } from '../../src/core/answering/working-of';
import { passes } from '../../src/core/procedures/interval';
import { questionOf } from '../../src/core/question/question';
import { pByDirection } from './asked';
import { methodsSentence } from '../../src/core/telling/report';
import { plain } from '../../src/core/words/text';
import { choicesOf } from '../../src/core/question/choices';
import { checkSentence, remedyOffer } from '../../src/core/words/checks';
import { golden, goldenFile, told } from '../golden/telling';

describe('what Divide says', () => {
  for (const kind of Object.keys(cases))
    it(`of ${kind} is what the golden text says (npm run golden writes it anew, to be read through)`, () => {
      expect(golden(kind)).to.equal(readFileSync(goldenFile(kind), 'utf8'));
    });

  const all = Object.entries(cases).flatMap(([kind, some]) =>
    some.map((one) => ({ name: `${kind}: ${one.situation}`, one, ...told(one) })),
  );
  const part = (parts: [string, string][], name: string): string => parts.find(([n]) => n === name)?.[1] ?? '';
  /** A number as it is written. */
  const read = (text: string): number => {
    const [, mantissa = '', exponent = '0'] = /^(−?[\d.]+)(?: × 10([⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+))?/.exec(text) ?? [];
    const power = Array.from(exponent, (c) =>
      '⁻⁰¹²³⁴⁵⁶⁷⁸⁹'.includes(c) ? '-0123456789'['⁻⁰¹²³⁴⁵⁶⁷⁸⁹'.indexOf(c)] : c,
    ).join('');
    return Number(`${mantissa.replace('−', '-')}e${power}`);
  };

  it('is of nothing that could not be computed that it was done', () => {
    const unmade = all.flatMap(({ name, one }) => {
      const emptied = one.table.columns.map((c) => ({ ...c, cells: c.cells.map((t) => (/\d/.test(t) ? '' : t)) }));
      const found = ask(one.question, { ...one.table, columns: emptied });
      return found.ok && !found.value.comparison.ok ? [{ name, found: found.value }] : [];
    });
    expect(unmade.length).to.be.greaterThan(40);
    for (const { name, found } of unmade) {
      const reason = found.comparison.ok ? '' : found.comparison.reason;
      expect(plain(methodsSentence(found)), name).to.match(/^The following could not be carried out\. /);
      expect(plain(methodsSentence(found)), name).to.include(reason);
    }
    const [made] = all;
    expect(made && plain(methodsSentence(made.answer))).to.not.include('carried out');
  });

  it('goes by one verdict for each p: whether it is below α, and letters with it', () => {
    let [below, above] = [0, 0];
    for (const { name, answer } of all) {
      if (!answer.comparison.ok) continue;
      const { value } = answer.comparison;
      const parts = value.follow?.ok ? value.follow.value : [];
      const effects = [
        ...(value.effect ? [value.effect] : []),
        ...(value.also ?? []),
        ...parts.flatMap((f) => f.effects),
      ];
      for (const { p, significant } of [value, ...value.tests, ...effects]) {
        expect(significant, name).to.equal(p === undefined ? undefined : p < 1 - answer.question.level);
        if (significant !== undefined) [below, above] = significant ? [below + 1, above] : [below, above + 1];
      }
      for (const { letters, effects: pairs } of parts)
        for (const { pair, significant } of letters ? pairs : []) {
          const [a, b] = (pair ?? []).map((id) => letters?.find((l) => l.id === id)?.letters ?? '');
          const shared = Array.from(a ?? '').some((letter) => b?.includes(letter));
          expect(shared, `${name}: ${a} and ${b}`).to.equal(!significant);
        }
    }
    expect([below, above].every((n) => n > 50)).to.equal(true);
  });

  it('calls nothing of no concern that the readings speak against, and says what the method does not need', () => {
    const seen = new Set<string>();
    for (const { name, answer } of all)
      for (const check of checksOf(answer)) {
        const said = checkSentence(check, answer);
        const { p, ratio = 1 } = check.figures;
        if (check.about !== 'normality' && check.about !== 'equal-spread') continue;
        if (p === undefined) continue;
        const against = p < 0.05 || ratio > 3;
        seen.add(`${check.about} ${check.verdict}`);
        if (check.verdict === 'fine') expect(against, `${name}: ${said}`).to.equal(false);
        if (against) expect(said, name).to.not.match(/look as normal|No difference of the spreads/);
        if (check.verdict === 'free') expect(said, name).to.match(/does not need/);
      }
    expect([...seen]).to.include.members([
      'normality fine',
      'normality free',
      'normality matters',
      'equal-spread fine',
      'equal-spread free',
      'equal-spread weigh',
    ]);
  });

  it('has a p for each direction: the one asked is the answer’s, and the two sides share what there is', () => {
    let seen = 0;
    for (const { name, one, answer } of all) {
      const directed = pByDirection(one.question, one.table);
      if (directed.length === 0 || !answer.comparison.ok) continue;
      const asked = directed.find((d) => d.asked);
      const { p = NaN } = answer.comparison.value;
      expect(asked?.p, name).to.be.closeTo(p, 1e-12);
      const [both, greater, less] = directed.map((d) => d.p);
      if (both === undefined || greater === undefined || less === undefined) {
        expect(directed.flatMap((d) => d.why ?? []).length, name).to.be.greaterThan(0);
        continue;
      }
      seen++;
      // Of one side or the other, where each counts what was seen itself.
      expect(greater + less, name).to.be.at.least(1 - 1e-9);
      expect(Math.min(greater, less), name).to.be.at.most(both + 1e-12);
    }
    expect(seen).to.be.greaterThan(25);
    expect(pByDirection(questionOf('several'), cases['several groups']![0]!.table)).to.deep.equal([]);
  });

  it('offers no mend that would change nothing', () => {
    let offered = 0;
    for (const { name, answer } of all)
      for (const check of checksOf(answer))
        for (const remedy of check.remedies) {
          const offer = remedyOffer(remedy, answer.question);
          if (!offer?.patch) continue;
          offered++;
          const then = choicesOf({ ...answer.question, ...offer.patch });
          const changed =
            'design' in offer.patch ||
            (offer.patch.repeats !== undefined && offer.patch.repeats !== answer.question.repeats) ||
            JSON.stringify(then) !== JSON.stringify(choicesOf(answer.question));
          expect(changed, `${name}: ${offer.words}`).to.equal(true);
        }
    expect(offered).to.be.greaterThan(5);
  });

  it('asserts no difference, and no direction, that the test did not show', () => {
    for (const { name, answer, parts } of all) {
      const results = part(parts, 'Results');
      const { about } = answer.question;
      if (
        !answer.comparison.ok ||
        answer.comparison.value.effect === undefined ||
        answer.comparison.value.p === undefined ||
        !(about === 'value' || about === 'spread')
      )
        continue;
      const shown = passes(answer.comparison.value.p, answer.question.level);
      expect(results.includes('this does not show'), name).to.equal(!shown);
    }
  });

  it('prints a difference that its means give, to the precision printed', () => {
    let seen = 0;
    for (const { name, answer, parts } of all) {
      const { question, comparison } = answer;
      if (
        !comparison.ok ||
        question.about !== 'value' ||
        !comparison.value.effect ||
        choicesOf(question).method === 'ranks'
      )
        continue;
      if (question.design !== 'two-groups' && question.design !== 'paired') continue;
      const results = part(parts, 'Results');
      const [a, b] = [...results.matchAll(/\(mean ([^,]+?) (?:mm|g), SD/g)].map((m) => read(m[1] ?? ''));
      const [, estimate = ''] = /difference ([^, ]+(?: × 10[⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+)?) (?:mm|g)\b/.exec(results) ?? [];
      if (a === undefined || b === undefined) continue;
      seen += 1;
      const half = 0.5 * 10 ** -(/\.(\d+)/.exec(estimate)?.[1]?.length ?? 0) * (estimate.includes('×') ? 1e-10 : 1);
      expect(Math.abs(a - b - read(estimate)), `${name}: ${results}`).to.be.at.most(
        half + 0.011 * (estimate.includes('×') ? 1e-10 : 1),
      );
    }
    expect(seen).to.be.above(14);
  });

  it('works out the comparison chosen to the p it was judged by', () => {
    let seen = 0;
    for (const { name, one, answer } of all) {
      const follow = answer.comparison.ok ? answer.comparison.value.follow : undefined;
      const effect = follow?.ok && follow.value.length === 1 ? follow.value[0]?.effects[0] : undefined;
      const steps = workingOf(answer, one.table).find((w) => w.title === effect?.name)?.steps;
      if (!effect || !steps) continue;
      seen += 1;
      const ps = steps.filter((s) => s.name === 'p').map((s) => s.result);
      expect(
        ps.some((p) => Math.abs(p - (effect.alone ?? effect.p)) <= 1e-6 * p),
        `${name}: ${effect.alone ?? effect.p} among ${ps.join(', ')}`,
      ).to.equal(true);
      // The interval it ends at is the one in the table, where that has ends of its own.
      for (const end of ['low', 'high'] as const) {
        const worked = steps.find((s) => s.name === `\\text{${end}}`)?.result;
        const printed = effect.interval?.[end];
        if (worked !== undefined && printed !== undefined)
          expect(worked, `${name}: ${end}`).to.be.closeTo(printed, 1e-6 * Math.abs(printed));
      }
    }
    expect(seen).to.be.above(10);
  });

  it('writes every formula so that it can be set', () => {
    for (const { name, one, answer } of all)
      for (const { steps } of workingOf(answer, one.table))
        for (const { name: left, formula, numbers } of steps)
          expect(
            () => katex.renderToString(`${left} = ${formula} = ${numbers}`, { strict: false }),
            `${name}: ${left} = ${formula}`,
          ).not.to.throw();
  });

  it('works out the p of the test that was made, one-sided, exact or permuted as it was', () => {
    for (const { name, one, answer } of all) {
      if (!answer.comparison.ok || answer.question.design === 'mixed') continue;
      const { tests } = answer.comparison.value;
      const steps = workingOf(answer, one.table).flatMap((w) => w.steps);
      const ps = steps.filter((s) => s.name.startsWith('p')).map((s) => s.result);
      if (ps.length === 0) continue;
      for (const { p } of tests.slice(0, 1))
        expect(
          ps.some((found) => Math.abs(found - p) <= 1e-6 * p),
          `${name}: p ${p} among ${ps.join(', ')}`,
        ).to.equal(true);
    }
  });
});
