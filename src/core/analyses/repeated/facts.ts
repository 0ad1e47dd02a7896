import { type Facts, adjustments } from '../facts';

export const facts: Facts = {
  methods: ['means', 'ranks'],
  followUps: ({ method }) => (method === 'ranks' ? ['nemenyi'] : adjustments),
  sphericities: ['greenhouse-geisser', 'huynh-feldt', 'assumed'],
};
