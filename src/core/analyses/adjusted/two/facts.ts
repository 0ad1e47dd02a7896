import { type Facts, effectsOfMeans } from '../../facts';

export const facts: Facts = {
  effects: effectsOfMeans,
  invitation: 'Ask whether two groups differ',
  methods: ['means', 'change'],
  order: 'minus',
  differences: true,
  equivalence: true,
  adjusts: 'covariate',
};
