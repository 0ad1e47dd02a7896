import { type DesignFacts, adjustments, effectsOfMeans } from '../facts';

/** Three or more independent groups. */
export const facts: DesignFacts = {
  compares: 'several',
  sampling: 'once',
  effects: effectsOfMeans,
  invitation: 'Ask whether the groups differ',
  asWithin: 'Compare each with itself',
  methods: ['means', 'ranks', 'shuffle', 'likelihood'],
  spreads: true,
  follows: 'by-choice',
  rankTrend: true,
  spreadBySizes: true,
  followUps: ({ method, spread, compare }) => {
    if (method === 'ranks') return ['dunn'];
    if (method === 'likelihood') return adjustments;
    if (compare === 'trend' && spread === 'separate') return ['unadjusted'];
    if (spread === 'separate')
      return {
        all: ['games-howell', 'dunnett-t3', ...adjustments] as const,
        control: adjustments,
        chosen: [...adjustments, 'dunnett-t3'] as const,
        steps: [...adjustments, 'dunnett-t3'] as const,
        trend: adjustments,
        contrasts: adjustments,
      }[compare];
    return {
      all: ['tukey', ...adjustments, 'scheffe'] as const,
      control: ['dunnett', ...adjustments] as const,
      chosen: [...adjustments, 'scheffe'] as const,
      steps: [...adjustments, 'scheffe'] as const,
      trend: ['unadjusted', 'scheffe'] as const,
      contrasts: ['holm', 'scheffe', ...adjustments.slice(1)] as const,
    }[compare];
  },
};
