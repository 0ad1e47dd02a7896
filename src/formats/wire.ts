/**
 * Large values on their way between threads, and texts on their way into a page: lists of many like objects travel as one
 * list a field, numbers as typed arrays, texts as one text. Copying a hundred thousand readings takes a page hundreds of
 * milliseconds, copying three arrays none.
 */

declare const holds: unique symbol;
/** What travels in place of a value. */
export interface Packed<T> {
  readonly [holds]?: T;
}

/** Lists shorter than this travel as they are. */
const fewest = 32;
const mark = '\u0000packed';

interface PackedList {
  [mark]: 'numbers' | 'texts' | 'records';
  length: number;
  numbers?: Float64Array;
  texts?: string;
  by?: string;
  fields?: (readonly [name: string, values: unknown])[];
}

const isPacked = (value: object): value is PackedList => mark in value;
const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;

/** A sign that occurs in none of the texts, to part them by; undefined where all are taken. */
const partedBy = (texts: readonly string[]): string | undefined =>
  ['\n', '\u0001', '\u0002', '\u0003'].find((sign) => texts.every((text) => !text.includes(sign)));

/** The fields the objects of a list have in common, where they have the same ones. */
function fieldsOf(list: readonly unknown[]): string[] | undefined {
  const [first] = list;
  if (!isPlain(first)) return undefined;
  const fields = Object.keys(first);
  const same = (one: unknown): boolean => {
    if (!isPlain(one)) return false;
    const own = Object.keys(one);
    return own.length === fields.length && own.every((field, i) => field === fields[i]);
  };
  return list.every(same) ? fields : undefined;
}

function packedList(list: readonly unknown[], known: Map<object, unknown>): unknown {
  const { length } = list;
  if (length >= fewest) {
    if (list.every((x) => typeof x === 'number')) return { [mark]: 'numbers', length, numbers: new Float64Array(list) };
    if (list.every((x) => typeof x === 'string')) {
      const by = partedBy(list);
      if (by !== undefined) return { [mark]: 'texts', length, texts: list.join(by), by };
    }
    const fields = fieldsOf(list);
    if (fields)
      return {
        [mark]: 'records',
        length,
        fields: fields.map((field) => [
          field,
          packedWith(
            list.map((one) => (one as Record<string, unknown>)[field]),
            known,
          ),
        ]),
      };
  }
  return list.map((one) => packedWith(one, known));
}

function packedWith(value: unknown, known: Map<object, unknown>): unknown {
  const list = Array.isArray(value);
  if (!list && !isPlain(value)) return value;
  const before = known.get(value);
  if (before !== undefined) return before;
  const made = list
    ? packedList(value, known)
    : Object.fromEntries(Object.entries(value).map(([key, one]) => [key, packedWith(one, known)]));
  known.set(value, made);
  return made;
}

/** A value of plain objects, lists, texts and numbers, ready to travel. What it holds twice travels once. */
export const pack = <T>(value: T): Packed<T> => packedWith(value, new Map()) as Packed<T>;

function listOf({ length, numbers, texts, by = '', fields = [] }: PackedList, known: Map<object, unknown>): unknown[] {
  if (numbers) return Array.from(numbers);
  if (texts !== undefined) return texts.split(by);
  const columns = fields.map(([field, values]) => [field, unpackedWith(values, known) as unknown[]] as const);
  const list = new Array<Record<string, unknown>>(length);
  for (let i = 0; i < length; i++) {
    const one: Record<string, unknown> = {};
    for (const [field, values] of columns) one[field] = values[i];
    list[i] = one;
  }
  return list;
}

function unpackedWith(value: unknown, known: Map<object, unknown>): unknown {
  const list = Array.isArray(value);
  if (!list && !isPlain(value)) return value;
  const before = known.get(value);
  if (before !== undefined) return before;
  if (!list && isPacked(value)) {
    const made = listOf(value, known);
    known.set(value, made);
    return made;
  }
  if (list) {
    const made = value.map((one) => unpackedWith(one, known));
    known.set(value, made);
    return made;
  }
  const made: Record<string, unknown> = {};
  known.set(value, made);
  for (const [key, one] of Object.entries(value)) {
    if (isPlain(one) && isPacked(one)) later(made, key, () => unpackedWith(one, known));
    else made[key] = unpackedWith(one, known);
  }
  return made;
}

/** A field that is made when it is first looked at: most of what travels is never looked at there. */
function later(object: Record<string, unknown>, key: string, make: () => unknown): void {
  Object.defineProperty(object, key, {
    enumerable: true,
    configurable: true,
    get() {
      const value = make();
      Object.defineProperty(object, key, { value, enumerable: true, configurable: true, writable: true });
      return value;
    },
  });
}

/** A packed value as it was. Long lists are made when they are first looked at, and then stay the same list. */
export const unpack = <T>(packed: Packed<T>): T => unpackedWith(packed, new Map()) as T;
