/** What the terms of an answer mean, for whoever asks: each in a few lines, with its formula and where it comes from. */

export interface Term {
  name: string;
  /** In TeX. */
  formula?: string;
  meaning: string;
  /** Author and year. */
  source?: string;
}

export const terms: readonly Term[] = [
  {
    name: 'Mean and median',
    formula: String.raw`\bar y = \frac{1}{n}\sum y_i`,
    meaning:
      'The mean is the sum of the readings over their number: every reading pulls at it. The median is the reading with as many above as below: single far readings do not move it. In a skewed group the two part, and the median tells what is usual.',
  },
  {
    name: 'SD (standard deviation)',
    formula: String.raw`s = \sqrt{\frac{\sum (y_i - \bar y)^2}{n - 1}}`,
    meaning:
      'How far single readings lie from their mean, in their own unit. It does not shrink when more are read: it describes the readings, not how well their mean is known.',
  },
  {
    name: 'SEM (standard error of the mean)',
    formula: String.raw`\mathrm{SEM} = \frac{s}{\sqrt n}`,
    meaning:
      'How far the mean of such a sample would stray from sample to sample. It shrinks with the number of independent samples. Error bars of one SEM are about half as long as those of a 95 % confidence interval, shorter still with few readings: a legend must say which they are.',
  },
  {
    name: 'Confidence interval',
    formula: String.raw`\bar y \pm t_{1-\alpha/2,\,n-1} \cdot \mathrm{SEM}`,
    meaning:
      'Values of the true mean, or difference, that these readings are compatible with. Of many experiments, 95 % give a 95 % interval that holds the true value. An interval that holds no difference shows none, and shows as well how large a one may be.',
    source: 'Neyman (1937)',
  },
  {
    name: 'Independent sample',
    meaning:
      'What was assigned to its group by itself, and could have come out otherwise whatever the others did: a tank, not each snail in it. n counts these. Several readings of one sample tell more of that sample, not of more samples.',
    source: 'Hurlbert (1984)',
  },
  {
    name: 'Degrees of freedom (df)',
    meaning:
      'How much the readings tell of their own spread: n − 1 in one group, for the mean took one. The fewer, the wider an interval has to be. Where groups keep spreads of their own, df need not be whole.',
    source: 'Satterthwaite (1946)',
  },
  {
    name: 'p-value',
    formula: String.raw`p = P(\,|T| \ge |t| \mid H_0\,)`,
    meaning:
      'How often a statistic as far out as this one comes about when there is no effect. It is not the chance that there is none, and it says nothing of how large the effect is: that is what the difference and its interval are for.',
    source: 'Fisher (1925)',
  },
  {
    name: 'Level of significance (α)',
    meaning:
      'The share of experiments without any effect that would be called significant all the same. It is chosen before the readings are seen. An interval at 95 % and a two-sided test at α = 0.05 decide alike.',
    source: 'Neyman and Pearson (1933)',
  },
  {
    name: 'Adjusted p',
    meaning:
      'Where several comparisons are made, one of them is easily far out by chance. An adjusted p allows for their number: it is below α in at most that share of families without an effect. Which comparisons are one family belongs to the question.',
    source: 'Holm (1979); Tukey (1953)',
  },
  {
    name: 'Hedges’ g',
    formula: String.raw`g = \left(1 - \frac{3}{4\,df - 1}\right)\frac{\bar y_A - \bar y_B}{s_p}`,
    meaning:
      'The difference in pooled standard deviations, its small-sample bias removed. It sets experiments in different units side by side; in one unit the difference itself says more.',
    source: 'Hedges (1981)',
  },
  {
    name: 'Power',
    meaning:
      'Of many experiments with a true difference of a stated size, the share whose test finds it. It is planned before an experiment. Worked out afterwards from the difference seen it only says p once more.',
    source: 'Cohen (1988)',
  },
  {
    name: 'Equivalence margin',
    formula: String.raw`H_0\colon |\mu_A - \mu_B| \ge \Delta`,
    meaning:
      'The largest difference that does not matter. Groups are equivalent when the difference is shown to lie within the margin on both sides: two one-sided tests. That no difference is shown is not yet that there is none.',
    source: 'Schuirmann (1987)',
  },
  {
    name: 'Permutation test',
    meaning:
      'If groups do not matter, any reading could have borne any label. Labels are permuted, in all ways or many of them, and p is the share of permutations that give a difference as large. Nothing is assumed of the shape of the readings.',
    source: 'Fisher (1935); Pitman (1937)',
  },
  {
    name: 'Bootstrap interval',
    meaning:
      'Samples are drawn anew from the readings themselves, with each put back. How their differences spread stands in for how the difference would spread over new experiments. With few readings it is too narrow.',
    source: 'Efron (1979, 1987)',
  },
  {
    name: 'Sphericity',
    meaning:
      'That differences between any two conditions of the same subjects have one spread. Where they do not, the test of repeated measures is too sure; its degrees of freedom are reduced by a factor estimated from the readings.',
    source: 'Greenhouse and Geisser (1959)',
  },
  {
    name: 'Intraclass correlation',
    formula: String.raw`\rho = \frac{\sigma^2_{\text{between}}}{\sigma^2_{\text{between}} + \sigma^2_{\text{within}}}`,
    meaning:
      'How alike two readings of one sample are: 0 where the sample makes no difference, near 1 where one reading tells all. The higher it is, the less more readings of the same samples are worth.',
    source: 'Fisher (1925)',
  },
  {
    name: 'Outlier',
    meaning:
      'A reading further from the others than the furthest of so many normal readings often is. It is looked at: a slip is mended, a reading that is not of what was measured is set aside with its reason. Being far out is no reason.',
    source: 'Grubbs (1950)',
  },
];
