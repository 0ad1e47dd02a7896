import { type DesignFacts, effectsOfMeans } from '../facts';

/** Groups of subjects, each subject under every condition. */
export const facts: DesignFacts = {
  compares: 'factors',
  sampling: 'within',
  effects: effectsOfMeans,
  invitation: 'Ask what groups and conditions do',
  samples: 'subjects',
  testsAlone: true,
  // The conditions follow one another, and each group has its line through them.
  along: 'b',
  within: 'is measured under every condition',
  follows: 'conditions',
  methods: ['means', 'mixed-model'],
  // Huynh and Feldt's ε is for one group of subjects.
  sphericities: ['greenhouse-geisser', 'assumed'],
};
