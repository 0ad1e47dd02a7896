import type { Area } from '../core/readings/block';
import type { Intake, IntakeChoice } from '../core/understanding/intake';
import type { Delimiter } from '../formats/delimited';
import type { Encoding } from '../formats/text-encoding';

/** How a file is to be looked at, as far as the person has decided. */
export interface LookChoice extends IntakeChoice {
  sheet?: number;
  area?: Area;
}

/** What the page asks of the import worker. */
export type ImportRequest =
  | { ask: 'open'; file: File; encoding?: Encoding; delimiter?: Delimiter }
  | { ask: 'look'; choice: LookChoice }
  /** Sends the table to be kept, in a study or in a new one of this title. */
  | { ask: 'take'; choice: LookChoice; study: string | undefined; title: string; name: string; origin: string };

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

/** What the worker tells the page. */
export type ImportReply =
  | { told: 'progress'; share: number; doing: string }
  | { told: 'looked'; looked: Looked }
  | { told: 'taken'; study: string; table: string }
  | { told: 'trouble'; reason: string };
