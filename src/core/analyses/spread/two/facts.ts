import type { Facts } from '../../facts';

export const facts: Facts = {
  effectsAre: 'ratio of SDs',
  asWithin: 'Compare them in pairs',
  namesTest: true,
  order: 'over',
  methods: ['f', 'brown-forsythe', 'levene'],
};
