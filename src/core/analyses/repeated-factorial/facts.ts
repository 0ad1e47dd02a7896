import { type DesignFacts, effectsOfMeans } from '../facts';

/** Two factors, each subject under every combination of their levels. */
export const facts: DesignFacts = {
  compares: 'factors',
  sampling: 'crossed',
  effects: effectsOfMeans,
  invitation: 'Ask what the two factors do',
  samples: 'subjects',
  testsAlone: true,
  along: 'b',
  within: 'is measured under every combination',
  follows: 'levels',
  methods: ['means', 'mixed-model'],
  sphericities: ['greenhouse-geisser', 'assumed'],
};
