import type { Facts } from '../../facts';

export const facts: Facts = {
  invitation: 'Ask for its share with an interval',
  methods: ['score'],
};
