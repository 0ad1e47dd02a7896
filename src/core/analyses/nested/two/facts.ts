import { type Facts, effectsOfMeans } from '../../facts';

export const facts: Facts = {
  effects: effectsOfMeans,
  invitation: 'Ask whether two groups differ',
  asWithin: { design: 'paired', words: 'Compare them in pairs' },
  methods: ['means'],
  order: 'minus',
  differences: true,
  equivalence: true,
  samples: 'nested',
  nests: true,
};
