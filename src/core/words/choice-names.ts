import type { Choices } from '../question/options';
import { intervalNames } from '../answer/shares';
import { followNames } from './follow-names';

type Names = { [Part in keyof Choices]?: Readonly<Record<Choices[Part] & (string | number), string>> };

/** What the choices of a question are called, wherever they stand: in its sentence, its registration and the log. */
export const choiceNames = {
  about: { value: 'how large readings are', share: 'a share', table: 'counts', spread: 'the spread of readings' },
  direction: { either: 'two-sided', greater: 'greater', less: 'less' },
  spread: { separate: 'may differ', pooled: 'taken as equal' },
  effect: { difference: 'difference', ratio: 'ratio', odds: 'odds ratio' },
  shareInterval: intervalNames,
  compare: {
    all: 'all pairs',
    control: 'each against the control',
    steps: 'each against the one before',
    chosen: 'chosen pairs',
    trend: 'a linear trend',
    contrasts: 'contrasts',
  },
  spacing: { named: 'placed as they are named', equal: 'equally spaced' },
  follow: followNames,
  within: {
    a: 'those of the first factor',
    b: 'those of the second factor',
    'a-within-b': 'those of the first factor within each of the second',
    'b-within-a': 'those of the second factor within each of the first',
    interaction: 'differences of differences',
  },
  sums: { 1: 'type I', 2: 'type II', 3: 'type III' },
  sphericity: {
    'greenhouse-geisser': 'corrected by Greenhouse and Geisser',
    'huynh-feldt': 'corrected by Huynh and Feldt',
    assumed: 'as they are',
  },
  repeats: { average: 'by their mean', each: 'each' },
  statistic: { mean: 'mean', median: 'median', trimmed: 'trimmed mean', t: 't' },
} as const satisfies Names & Record<string, Readonly<Record<string, string>>>;
