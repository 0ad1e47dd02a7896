/** The question in words. */
import { choicesOf } from '../question/choices';
import type { Named } from '../question/naming';
import { withUnit } from '../readings/table';
import { wordsAbout } from './about';
import { countingWords } from './counting';
import { given } from './numbers';
import { listed, unitAfter, valued } from './sentences';

/** The measure as a sentence's subject. */
export const measureOf = (answer: Named): string => answer.measure || 'the reading';
/** The measure without an article, to follow "mean". */
export const bareMeasure = (answer: Named): string => answer.measure || 'reading';

/** What the two factors of a layout are called. */
export const namedFactors = (answer: Named): readonly [string, string] => {
  const { layout } = answer;
  return [layout?.a.name ?? 'the first factor', layout?.b.name ?? 'the second factor'];
};

/** "Red lamp minus White lamp": the order of subtraction, spelled out. */
export function subtraction({ groups, question }: Pick<Named, 'groups' | 'question'>): string {
  const [a, b] = groups;
  return question.design === 'one-sample'
    ? `${a?.name ?? ''} minus ${given(choicesOf(question).value)}`
    : `${a?.name ?? ''} minus ${b?.name ?? ''}`;
}

/** "Red lamp minus White lamp is greater than −5 kg", "it is greater in Red lamp": what a one-sided test claims. */
export function claimOf({ groups, question, unit }: Pick<Named, 'groups' | 'question' | 'unit'>): string {
  const { value } = choicesOf(question);
  const way = question.direction;
  if (question.design === 'one-sample') return `it is ${way} than ${valued(given(value), unit)}`;
  return value === 0
    ? `it is ${way} in ${groups[0]?.name ?? ''}`
    : `${subtraction({ groups, question })} is ${way} than ${valued(given(value), unit)}`;
}

/** Whether readings of one subject are counted one by one, as far as the readings are known. */
export const isNested = ({ repeats, averaged, question }: Pick<Named, 'repeats' | 'averaged' | 'question'>): boolean =>
  repeats !== undefined &&
  repeats.subjects < repeats.readings &&
  !averaged &&
  countingWords[question.design] === 'counts once';

/** The question as one sentence of plain text. */
export function questionSentence(answer: Named): string {
  const about = wordsAbout(answer.question);
  if (about) return about.question(answer);
  const { question, groups, subject, unit } = answer;
  const { value } = choicesOf(question);
  const measure = withUnit(measureOf(answer), unit);
  const [a, b] = groups.map((g) => g.name);
  const way = question.direction;
  const each = `when each ${isNested(answer) ? 'reading, not each ' : ''}${subject || (question.design === 'two-groups' || question.design === 'one-sample' ? 'reading' : 'subject')}${isNested(answer) ? ',' : ''} ${countingWords[question.design]}`;
  const names = listed(groups.map((g) => g.name));
  switch (question.design) {
    case 'one-sample': {
      const against = valued(given(value), unit);
      return way === 'either'
        ? `Does ${measure} of ${a ?? ''} differ from ${against}, ${each}?`
        : `Is ${measure} of ${a ?? ''} ${way} than ${against}, ${each}?`;
    }
    case 'two-groups':
    case 'paired': {
      const away = `${measure} in ${a ?? ''} less that in ${b ?? ''}`;
      if (value !== 0)
        return way === 'either'
          ? `Does ${away} differ from ${valued(given(value), unit)}, ${each}?`
          : `Is ${away} ${way} than ${valued(given(value), unit)}, ${each}?`;
      return way === 'either'
        ? `Does ${measure} differ between ${a ?? ''} and ${b ?? ''}, ${each}?`
        : `Is ${measure} ${way} in ${a ?? ''} than in ${b ?? ''}, ${each}?`;
    }
    case 'several':
    case 'repeated':
      return `Does ${measure} differ among ${names}, ${each}?`;
    case 'factorial':
    case 'mixed': {
      const [first, second] = namedFactors(answer);
      return `Does ${measure} depend on ${first} and ${second}, ${each}?`;
    }
  }
}

/** The groups or factors in a few words, for a list. */
export function shortQuestion(answer: Named): string {
  const about = wordsAbout(answer.question);
  if (about) return about.short(answer);
  const { question, groups } = answer;
  switch (question.design) {
    case 'one-sample':
      return `${groups[0]?.name ?? ''} · ${given(choicesOf(question).value)}${unitAfter(answer.unit)}`;
    case 'factorial':
    case 'mixed':
      return answer.layout ? namedFactors(answer).join(' × ') : 'two factors';
    default:
      return groups.length > 3
        ? `${groups[0]?.name ?? ''} · … · ${groups.at(-1)?.name ?? ''}`
        : groups.map((g) => g.name).join(' · ');
  }
}
