import { type Facts, adjustments, effectsOfMeans } from '../facts';

export const facts: Facts = {
  effects: effectsOfMeans,
  invitation: 'Ask whether the conditions differ',
  samples: 'subjects',
  within: 'is measured under every condition',
  follows: 'by-choice',
  methods: ['means', 'mixed-model', 'ranks'],
  followUps: ({ method, compare }) =>
    method === 'ranks' ? ['nemenyi'] : compare === 'trend' ? ['unadjusted'] : adjustments,
  sphericities: ['greenhouse-geisser', 'huynh-feldt', 'assumed'],
};
