/** How degrees of freedom within subjects are taken, as an alternative is named. */
export const sphericityName = {
  'greenhouse-geisser': 'Corrected by Greenhouse and Geisser',
  'huynh-feldt': 'Corrected by Huynh and Feldt',
  assumed: 'Sphericity assumed',
} as const;
