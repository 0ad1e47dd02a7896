import { type Facts, adjustments } from '../facts';

export const facts: Facts = {
  invitation: 'Ask whether the conditions differ',
  samples: 'subjects',
  within: 'is measured under every condition',
  follows: 'by-choice',
  methods: ['means', 'mixed-model', 'ranks'],
  followUps: ({ method }) => (method === 'ranks' ? ['nemenyi'] : adjustments),
  sphericities: ['greenhouse-geisser', 'huynh-feldt', 'assumed'],
};
