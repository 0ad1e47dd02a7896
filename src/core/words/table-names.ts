import { layoutNames } from '../readings/layouts';
import type { Column, Table } from '../readings/table';

/** Colours a group can have, by their number, and ink. */
export const colourNames = ['plum', 'moss', 'olive', 'sky', 'navy', 'umber', 'wine', 'teal', 'ink'] as const;

/** What the choices of a table and of its columns are called, in their controls and in the log. */
export const tableNames = {
  shape: layoutNames,
  spread: { sd: 'an SD', variance: 'a variance', sem: 'a standard error', interval: 'half the width of an interval' },
  decimal: { auto: 'by the readings', point: '1.5', comma: '1,5' },
  limits: {
    leave: 'are left out',
    censored: 'count as lying below it',
    at: 'count as the limit',
    half: 'count as half the limit',
  },
} as const satisfies {
  [Part in keyof (Table & Column)]?: Readonly<Record<(Table & Required<Column>)[Part] & string, string>>;
};
