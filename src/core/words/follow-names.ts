/** How comparisons are judged together: the field's names, and why one would choose each. */

/** The field's names for how comparisons are judged together. */
export const followNames: Record<FollowUp, string> = {
  tukey: 'Tukey–Kramer',
  'games-howell': 'Games–Howell',
  'dunnett-t3': 'Dunnett T3',
  dunnett: 'Dunnett',
  dunn: 'Dunn, by Holm',
  nemenyi: 'Nemenyi',
  bonferroni: 'Bonferroni',
  holm: 'Holm',
  sidak: 'Šidák',
  scheffe: 'Scheffé',
  'benjamini-hochberg': 'Benjamini–Hochberg',
  unadjusted: 'not adjusted',
};

/** Why comparisons are judged this way. */
export const followReasons: Record<FollowUp, string> = {
  tukey: 'made for all pairs with one shared spread; its intervals are simultaneous',
  'games-howell': 'made for all pairs when spreads differ; its intervals are simultaneous',
  'dunnett-t3':
    'for pairs when spreads differ and groups are small: never claims too much, where Games–Howell may by a little',
  dunnett: 'made for each group against one control, and sharper there than all pairs',
  dunn: 'pairs by the mean ranks the overall test used',
  nemenyi: 'pairs by mean ranks within subjects',
  bonferroni: 'right for any few comparisons, and cautious; its intervals are simultaneous',
  holm: 'right for any few comparisons and never less sharp than Bonferroni; its intervals are individual',
  sidak: 'a hair sharper than Bonferroni; its intervals are simultaneous',
  scheffe: 'right for every contrast one may think of, also after looking; the most cautious for pairs',
  'benjamini-hochberg': 'holds the share of false findings rather than the chance of any; its intervals are individual',
  unadjusted: 'each comparison as if it were the only one: with many, some will seem to differ by luck',
};
import type { FollowUp } from '../question/options';
