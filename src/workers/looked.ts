import type { Area } from '../core/readings/block';
import type { Intake, IntakeChoice } from '../core/understanding/intake';
import type { Delimiter } from '../formats/delimited';
import type { Encoding } from '../formats/text-encoding';

/** How a file is to be looked at, as far as the person has decided. */
export interface LookChoice extends IntakeChoice {
  sheet?: number;
  area?: Area;
}

/** A table as understood, its columns cut to the rows shown. */
export interface Looked {
  sheets: string[];
  sheet: number;
  areas: Area[];
  area: Area;
  encoding: Encoding | undefined;
  delimiter: Delimiter | undefined;
  notes: string[];
  /** What of the table is unclear, in words: to be settled on the readings page, or here by choosing otherwise. */
  unclear: string[];
  intake: Intake;
}

/** Where a table was taken in. */
export interface Taken {
  study: string;
  /** None of a new study. */
  table: string;
}
