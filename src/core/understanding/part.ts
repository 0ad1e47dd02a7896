import type { Role } from '../readings/table';

/** What a column was taken for, and why where a person may wonder. */
export interface Part {
  role: Role;
  /** What kind of label or subject: what a doubt may be about. */
  as?: 'calendar' | 'running-number' | 'identifier' | 'name' | 'replicate';
}
