import { type Facts, effectsOfMeans } from '../facts';

export const facts: Facts = {
  effects: effectsOfMeans,
  invitation: 'Ask whether two groups differ',
  asWithin: { design: 'paired', words: 'Compare them in pairs' },
  methods: (question) => [
    'means',
    ...(question.knownSd === undefined || question.effect === 'ratio' ? [] : (['z'] as const)),
    'ranks',
    'shuffle',
    'likelihood',
  ],
  knownSd: true,
  statistics: 'of-two',
  spreads: true,
  order: 'minus',
  differences: true,
  equivalence: true,
};
