/** Durations written as clocks do: "5:12", "0:05:12.4". */

const clock = /^(\d+):([0-5]\d)(?::([0-5]\d(?:[.,]\d+)?))?$/;

/** How many parts a text has that is such a duration; undefined of any other. */
export const clockParts = (text: string): 2 | 3 | undefined => {
  const found = clock.exec(text.trim());
  return found ? (found[3] === undefined ? 2 : 3) : undefined;
};

/** Seconds in each unit durations are read in, and in the larger of two parts: "5:12" are minutes and seconds unless read in hours. */
const units: readonly { pattern: RegExp; seconds: number; larger: number }[] = [
  { pattern: /^(?:s|sec|seconds)$/, seconds: 1, larger: 60 },
  { pattern: /^(?:min|mins|minutes?)$/, seconds: 60, larger: 60 },
  { pattern: /^(?:h|hrs?|hours?)$/, seconds: 3600, larger: 3600 },
];

/** A duration in a unit of time; undefined where the text is none, or the unit another. */
export function durationIn(text: string, unit: string): number | undefined {
  const [, first = '', second = '', third] = clock.exec(text.trim()) ?? [];
  const of = first === '' ? undefined : units.find(({ pattern }) => pattern.test(unit.trim()));
  if (!of) return undefined;
  const larger = third === undefined ? of.larger : 3600;
  const rest = third === undefined ? 0 : Number(third.replace(',', '.'));
  return (Number(first) * larger + (Number(second) * larger) / 60 + rest) / of.seconds;
}
