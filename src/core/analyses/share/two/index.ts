import { countChecks, expectedOf } from '../../../answer/count-checks';
import { partOf } from '../../../answer/group-part';
import { twoOf } from '../../../answer/two-of';
import { shareParts } from '../../../answer/shares';
import { countsToPermute } from '../../../answer/counts-to-permute';
import { worked } from '../../../answer/worked';
import { there } from '../../../numeric/there';
import { choicesOf } from '../../../question/choices';
import { fisherWorking, twoProportionsWorking } from '../../../working/counts';
import { sharesLook } from '../../../scenes/groups-look';
import type { OfCounts } from '../../analysis';
import { compare } from './compare';
import { words } from './words';

/** The shares found in two groups. */
export const analysis: OfCounts = {
  from: 'counts',
  words,
  look: sharesLook,
  figures: ['shares'],
  groups: (question, counted) => {
    const all = shareParts(counted, question);
    return [partOf(all, question.a), partOf(all, question.b)];
  },
  compare: (question, counted) => {
    const all = shareParts(counted, question);
    return compare(question, ...twoOf([partOf(all, question.a), partOf(all, question.b)]));
  },
  checked: () => [],
  checks: (answer) => countChecks(answer, expectedOf(answer)),
  permuted: (answer) => countsToPermute(answer, 'share'),
  working: ({ answer: { question, groups } }) => {
    const [x, y] = groups.map((g) => ({ successes: there(g.share, 'The share').successes, n: g.n }));
    const [a, b] = [there(x, 'The first share'), there(y, 'The second share')];
    return [
      ...worked('The shares and their test', () =>
        twoProportionsWorking(a.successes, a.n, b.successes, b.n, question.direction),
      ),
      ...(choicesOf(question).method === 'exact'
        ? worked('The exact test', () =>
            fisherWorking([
              [a.successes, a.n - a.successes],
              [b.successes, b.n - b.successes],
            ]),
          )
        : []),
    ];
  },
};
