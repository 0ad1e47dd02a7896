import type { Facts } from '../../facts';

export const facts: Facts = {
  invitation: 'Ask whether the counts follow stated proportions',
  testsAlone: true,
  namesTest: true,
  methods: ['chi-square'],
};
