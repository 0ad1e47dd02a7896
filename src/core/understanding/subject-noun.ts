/** What one subject is called, by the column that names them. */
import { singular } from '../readings/counted';
import { idName, numberName, spoken, turnName } from './vocabulary';

/** "mouse" of "Mouse ID" and of "Mice"; nothing where the column's name is of a number or a time alone. */
export function subjectNoun(name: string): string {
  const words = spoken(name).toLowerCase();
  if (numberName.test(words) || turnName.test(words)) return '';
  return singular(words.replace(idName, '').trim() || words);
}
