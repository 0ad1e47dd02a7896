import type { Facts } from '../../facts';

export const facts: Facts = {
  invitation: 'Ask whether what was found depends on the rows',
  testsAlone: true,
  namesTest: true,
  methods: ['chi-square', 'g', 'exact', 'shuffle'],
};
