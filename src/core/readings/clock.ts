/** Durations written as clocks do, "5:12", "0:05:12.4", or spelled out, "5 min 12 s". */

const clock = /^(\d+):([0-5]\d)(?::([0-5]\d(?:[.,]\d+)?))?$/;
const spelled =
  /^(?:(\d+) ?h(?:ours?|rs?)? ?)?(?:(\d+) ?m(?:ins?|inutes?)? ?)?(?:(\d+(?:[.,]\d+)?) ?s(?:ecs?|econds?)?)?$/i;

/** Hours, minutes and seconds of a duration that is spelled out in two parts or three; undefined of any other text. */
export function spelledOut(text: string): [hours: number, minutes: number, seconds: number] | undefined {
  const parts: (string | undefined)[] = spelled.exec(text.trim())?.slice(1) ?? [];
  if (parts.filter((part) => part !== undefined).length < 2) return undefined;
  const [hours, minutes, seconds] = parts.map((part) => Number(part?.replace(',', '.') ?? 0));
  return [hours ?? 0, minutes ?? 0, seconds ?? 0];
}

/** How many parts a text has that is such a duration, three where it says which they are; undefined of any other. */
export function clockParts(text: string): 2 | 3 | undefined {
  if (!text.includes(':')) return spelledOut(text) ? 3 : undefined;
  const found = clock.exec(text.trim());
  return found ? (found[3] === undefined ? 2 : 3) : undefined;
}

/** Seconds in each unit durations are read in, and in the larger of two parts: "5:12" are minutes and seconds unless read in hours. */
const units: readonly { pattern: RegExp; seconds: number; larger: number }[] = [
  { pattern: /^(?:s|sec|seconds)$/, seconds: 1, larger: 60 },
  { pattern: /^(?:min|mins|minutes?)$/, seconds: 60, larger: 60 },
  { pattern: /^(?:h|hrs?|hours?)$/, seconds: 3600, larger: 3600 },
];

/** A duration in a unit of time; undefined where the text is none, or the unit another. */
export function durationIn(text: string, unit: string): number | undefined {
  const of = units.find(({ pattern }) => pattern.test(unit.trim()));
  if (!of) return undefined;
  const told = spelledOut(text);
  if (told) return (told[0] * 3600 + told[1] * 60 + told[2]) / of.seconds;
  const [, first = '', second = '', third] = clock.exec(text.trim()) ?? [];
  if (first === '') return undefined;
  const larger = third === undefined ? of.larger : 3600;
  const rest = third === undefined ? 0 : Number(third.replace(',', '.'));
  return (Number(first) * larger + (Number(second) * larger) / 60 + rest) / of.seconds;
}
