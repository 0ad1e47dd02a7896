/** Where the methods that a text names were first described: its list of references. */

/** A work, with the name under which a methods section speaks of what it describes. */
interface Work {
  /** Whether a text names it. */
  named: RegExp;
  authors: string;
  year: number;
  title: string;
  where: string;
  doi?: string;
}

const works: readonly Work[] = [
  {
    named: /Jonckheere–Terpstra/,
    authors: 'Jonckheere AR',
    year: 1954,
    title: 'A distribution-free k-sample test against ordered alternatives',
    where: 'Biometrika 41, 133–145',
    doi: '10.1093/biomet/41.1-2.133',
  },
  {
    named: /Cochran–Armitage/,
    authors: 'Armitage P',
    year: 1955,
    title: 'Tests for linear trends in proportions and frequencies',
    where: 'Biometrics 11, 375–386',
    doi: '10.2307/3001775',
  },
  {
    named: /Dunnett T3/,
    authors: 'Dunnett CW',
    year: 1980,
    title: 'Pairwise multiple comparisons in the unequal variance case',
    where: 'Journal of the American Statistical Association 75, 796–800',
    doi: '10.1080/01621459.1980.10477552',
  },
  {
    named: /detection censored/,
    authors: 'Cohen AC',
    year: 1959,
    title: 'Simplified estimators for the normal distribution when samples are singly censored or truncated',
    where: 'Technometrics 1, 217–237',
    doi: '10.1080/00401706.1959.10489859',
  },
  {
    named: /randomized blocks/,
    authors: 'Yates F',
    year: 1936,
    title: 'Incomplete randomized blocks',
    where: 'Annals of Eugenics 7, 121–140',
    doi: '10.1111/j.1469-1809.1936.tb02134.x',
  },
  {
    named: /analysis of covariance/i,
    authors: 'Cochran WG',
    year: 1957,
    title: 'Analysis of covariance: its nature and uses',
    where: 'Biometrics 13, 261–281',
    doi: '10.2307/2527916',
  },
  {
    named: /Kenward–Roger/,
    authors: 'Kenward MG, Roger JH',
    year: 1997,
    title: 'Small sample inference for fixed effects from restricted maximum likelihood',
    where: 'Biometrics 53, 983–997',
    doi: '10.2307/2533558',
  },
  {
    named: /restricted maximum likelihood/,
    authors: 'Patterson HD, Thompson R',
    year: 1971,
    title: 'Recovery of inter-block information when block sizes are unequal',
    where: 'Biometrika 58, 545–554',
    doi: '10.1093/biomet/58.3.545',
  },
  {
    named: /Welch’s (two-sample )?t-test/,
    authors: 'Welch BL',
    year: 1947,
    title: 'The generalization of ‘Student’s’ problem when several different population variances are involved',
    where: 'Biometrika 34, 28–35',
    doi: '10.1093/biomet/34.1-2.28',
  },
  {
    named: /Welch’s (one-way )?analysis of variance/,
    authors: 'Welch BL',
    year: 1951,
    title: 'On the comparison of several mean values: an alternative approach',
    where: 'Biometrika 38, 330–336',
    doi: '10.1093/biomet/38.3-4.330',
  },
  {
    named: /Student’s (two-sample )?t-test|(?<!those of the )paired t-test|one-sample t-test|Student’s t distribution/i,
    authors: 'Student',
    year: 1908,
    title: 'The probable error of a mean',
    where: 'Biometrika 6, 1–25',
    doi: '10.1093/biomet/6.1.1',
  },
  {
    named: /Mann–Whitney/,
    authors: 'Mann HB, Whitney DR',
    year: 1947,
    title: 'On a test of whether one of two random variables is stochastically larger than the other',
    where: 'Annals of Mathematical Statistics 18, 50–60',
    doi: '10.1214/aoms/1177730491',
  },
  {
    named: /Wilcoxon|signed-rank/,
    authors: 'Wilcoxon F',
    year: 1945,
    title: 'Individual comparisons by ranking methods',
    where: 'Biometrics Bulletin 1, 80–83',
    doi: '10.2307/3001968',
  },
  {
    named: /order statistics/,
    authors: 'Thompson WR',
    year: 1936,
    title:
      'On confidence ranges for the median and other expectation distributions for populations of unknown distribution form',
    where: 'Annals of Mathematical Statistics 7, 122–128',
    doi: '10.1214/aoms/1177732502',
  },
  {
    named: /Hodges–Lehmann/,
    authors: 'Hodges JL, Lehmann EL',
    year: 1963,
    title: 'Estimates of location based on rank tests',
    where: 'Annals of Mathematical Statistics 34, 598–611',
    doi: '10.1214/aoms/1177704172',
  },
  {
    named: /Kruskal–Wallis/,
    authors: 'Kruskal WH, Wallis WA',
    year: 1952,
    title: 'Use of ranks in one-criterion variance analysis',
    where: 'Journal of the American Statistical Association 47, 583–621',
    doi: '10.1080/01621459.1952.10483441',
  },
  {
    named: /Friedman/,
    authors: 'Friedman M',
    year: 1937,
    title: 'The use of ranks to avoid the assumption of normality implicit in the analysis of variance',
    where: 'Journal of the American Statistical Association 32, 675–701',
    doi: '10.1080/01621459.1937.10503522',
  },
  {
    named: /(?<!Welch’s )(one-way|two-way|repeated-measures) analysis of variance|randomization test of F/i,
    authors: 'Fisher RA',
    year: 1925,
    title: 'Statistical Methods for Research Workers',
    where: 'Edinburgh: Oliver & Boyd',
  },
  {
    named: /Greenhouse/,
    authors: 'Greenhouse SW, Geisser S',
    year: 1959,
    title: 'On methods in the analysis of profile data',
    where: 'Psychometrika 24, 95–112',
    doi: '10.1007/BF02289823',
  },
  {
    named: /Huynh/,
    authors: 'Huynh H, Feldt LS',
    year: 1976,
    title:
      'Estimation of the Box correction for degrees of freedom from sample data in randomized block and split-plot designs',
    where: 'Journal of Educational Statistics 1, 69–82',
    doi: '10.3102/10769986001001069',
  },
  {
    named: /Tukey/,
    authors: 'Kramer CY',
    year: 1956,
    title: 'Extension of multiple range tests to group means with unequal numbers of replications',
    where: 'Biometrics 12, 307–310',
    doi: '10.2307/3001469',
  },
  {
    named: /Tukey/,
    authors: 'Tukey JW',
    year: 1949,
    title: 'Comparing individual means in the analysis of variance',
    where: 'Biometrics 5, 99–114',
    doi: '10.2307/3001913',
  },
  {
    named: /Games[–-]Howell|Games and Howell/,
    authors: 'Games PA, Howell JF',
    year: 1976,
    title: 'Pairwise multiple comparison procedures with unequal n’s and/or variances: a Monte Carlo study',
    where: 'Journal of Educational Statistics 1, 113–125',
    doi: '10.3102/10769986001002113',
  },
  {
    named: /Dunnett(?! T3)/,
    authors: 'Dunnett CW',
    year: 1955,
    title: 'A multiple comparison procedure for comparing several treatments with a control',
    where: 'Journal of the American Statistical Association 50, 1096–1121',
    doi: '10.1080/01621459.1955.10501294',
  },
  {
    named: /\bDunn(’s|\b)(?!ett)/,
    authors: 'Dunn OJ',
    year: 1964,
    title: 'Multiple comparisons using rank sums',
    where: 'Technometrics 6, 241–252',
    doi: '10.1080/00401706.1964.10490181',
  },
  {
    named: /Nemenyi/,
    authors: 'Nemenyi PB',
    year: 1963,
    title: 'Distribution-free multiple comparisons',
    where: 'PhD thesis, Princeton University',
  },
  {
    named: /Holm/,
    authors: 'Holm S',
    year: 1979,
    title: 'A simple sequentially rejective multiple test procedure',
    where: 'Scandinavian Journal of Statistics 6, 65–70',
  },
  {
    named: /Bonferroni/,
    authors: 'Dunn OJ',
    year: 1961,
    title: 'Multiple comparisons among means',
    where: 'Journal of the American Statistical Association 56, 52–64',
    doi: '10.1080/01621459.1961.10482090',
  },
  {
    named: /Šidák/,
    authors: 'Šidák Z',
    year: 1967,
    title: 'Rectangular confidence regions for the means of multivariate normal distributions',
    where: 'Journal of the American Statistical Association 62, 626–633',
    doi: '10.1080/01621459.1967.10482935',
  },
  {
    named: /Scheffé/,
    authors: 'Scheffé H',
    year: 1953,
    title: 'A method for judging all contrasts in the analysis of variance',
    where: 'Biometrika 40, 87–104',
    doi: '10.1093/biomet/40.1-2.87',
  },
  {
    named: /Benjamini/,
    authors: 'Benjamini Y, Hochberg Y',
    year: 1995,
    title: 'Controlling the false discovery rate: a practical and powerful approach to multiple testing',
    where: 'Journal of the Royal Statistical Society B 57, 289–300',
    doi: '10.1111/j.2517-6161.1995.tb02031.x',
  },
  {
    named: /Cohen’s/,
    authors: 'Cohen J',
    year: 1988,
    title: 'Statistical Power Analysis for the Behavioral Sciences',
    where: '2nd edition. Hillsdale: Erlbaum',
  },
  {
    named: /Hedges’/,
    authors: 'Hedges LV',
    year: 1981,
    title: 'Distribution theory for Glass’s estimator of effect size and related estimators',
    where: 'Journal of Educational Statistics 6, 107–128',
    doi: '10.3102/10769986006002107',
  },
  {
    named: /two one-sided tests/i,
    authors: 'Schuirmann DJ',
    year: 1987,
    title:
      'A comparison of the two one-sided tests procedure and the power approach for assessing the equivalence of average bioavailability',
    where: 'Journal of Pharmacokinetics and Biopharmaceutics 15, 657–680',
    doi: '10.1007/BF01068419',
  },
  {
    named: /randomization test/i,
    authors: 'Pitman EJG',
    year: 1937,
    title: 'Significance tests which may be applied to samples from any populations',
    where: 'Supplement to the Journal of the Royal Statistical Society 4, 119–130',
    doi: '10.2307/2984124',
  },
  {
    named: /Wilson/,
    authors: 'Wilson EB',
    year: 1927,
    title: 'Probable inference, the law of succession, and statistical inference',
    where: 'Journal of the American Statistical Association 22, 209–212',
    doi: '10.1080/01621459.1927.10502953',
  },
  {
    named: /Clopper|exact binomial test|% exact intervals/,
    authors: 'Clopper CJ, Pearson ES',
    year: 1934,
    title: 'The use of confidence or fiducial limits illustrated in the case of the binomial',
    where: 'Biometrika 26, 404–413',
    doi: '10.1093/biomet/26.4.404',
  },
  {
    named: /Newcombe intervals for paired proportions/,
    authors: 'Newcombe RG',
    year: 1998,
    title: 'Improved confidence intervals for the difference between binomial proportions based on paired data',
    where: 'Statistics in Medicine 17, 2635–2650',
    doi: '10.1002/(SICI)1097-0258(19981130)17:22<2635::AID-SIM954>3.0.CO;2-C',
  },
  {
    named: /Newcombe(?! intervals for paired)/,
    authors: 'Newcombe RG',
    year: 1998,
    title: 'Interval estimation for the difference between independent proportions: comparison of eleven methods',
    where: 'Statistics in Medicine 17, 873–890',
    doi: '10.1002/(SICI)1097-0258(19980430)17:8<873::AID-SIM779>3.0.CO;2-I',
  },
  {
    named: /Pearson’s chi-square/i,
    authors: 'Pearson K',
    year: 1900,
    title:
      'On the criterion that a given system of deviations from the probable in the case of a correlated system of variables is such that it can be reasonably supposed to have arisen from random sampling',
    where: 'Philosophical Magazine 50, 157–175',
    doi: '10.1080/14786440009463897',
  },
  {
    named: /Fisher’s exact|Fisher exact/i,
    authors: 'Fisher RA',
    year: 1922,
    title: 'On the interpretation of χ² from contingency tables, and the calculation of P',
    where: 'Journal of the Royal Statistical Society 85, 87–94',
    doi: '10.2307/2340521',
  },
  {
    named: /McNemar/,
    authors: 'McNemar Q',
    year: 1947,
    title: 'Note on the sampling error of the difference between correlated proportions or percentages',
    where: 'Psychometrika 12, 153–157',
    doi: '10.1007/BF02295996',
  },
  {
    named: /Cochran’s Q/,
    authors: 'Cochran WG',
    year: 1950,
    title: 'The comparison of percentages in matched samples',
    where: 'Biometrika 37, 256–266',
    doi: '10.1093/biomet/37.3-4.256',
  },
  {
    named: /Brown–Forsythe|Brown and Forsythe/,
    authors: 'Brown MB, Forsythe AB',
    year: 1974,
    title: 'Robust tests for the equality of variances',
    where: 'Journal of the American Statistical Association 69, 364–367',
    doi: '10.1080/01621459.1974.10482955',
  },
  {
    named: /Levene/,
    authors: 'Levene H',
    year: 1960,
    title: 'Robust tests for equality of variances',
    where: 'In: Olkin I (ed) Contributions to Probability and Statistics. Stanford University Press, 278–292',
  },
  {
    named: /Bartlett/,
    authors: 'Bartlett MS',
    year: 1937,
    title: 'Properties of sufficiency and statistical tests',
    where: 'Proceedings of the Royal Society of London A 160, 268–282',
    doi: '10.1098/rspa.1937.0109',
  },
  {
    named: /Pitman–Morgan|Pitman and Morgan/,
    authors: 'Morgan WA',
    year: 1939,
    title:
      'A test for the significance of the difference between the two variances in a sample from a normal bivariate population',
    where: 'Biometrika 31, 13–19',
    doi: '10.1093/biomet/31.1-2.13',
  },
  {
    named: /Shapiro/,
    authors: 'Shapiro SS, Wilk MB',
    year: 1965,
    title: 'An analysis of variance test for normality (complete samples)',
    where: 'Biometrika 52, 591–611',
    doi: '10.1093/biomet/52.3-4.591',
  },
  {
    named: /\bBCa\b|bias-corrected and accelerated/,
    authors: 'Efron B',
    year: 1987,
    title: 'Better bootstrap confidence intervals',
    where: 'Journal of the American Statistical Association 82, 171–185',
    doi: '10.1080/01621459.1987.10478410',
  },
];

/** A work as a list of references gives it. */
export interface Reference {
  text: string;
  /** Where it is found on the web, where it has a DOI. */
  href?: string;
}

/** The works behind the methods that a text names, by author and year. */
export const referencesFor = (said: string): Reference[] =>
  works
    .filter(({ named }) => named.test(said))
    .sort((a, b) => (a.authors < b.authors ? -1 : a.authors > b.authors ? 1 : a.year - b.year))
    .map(({ authors, year, title, where, doi }) => ({
      text: `${authors} (${year}) ${title}. ${where}.`,
      ...(doi === undefined ? {} : { href: `https://doi.org/${encodeURI(doi)}` }),
    }));
