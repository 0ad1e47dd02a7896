/** A sentence as data: text, and the parts of it that are choices. */

/** What of a question a part of its sentence stands for. */
export type PartName =
  | 'measure'
  | 'direction'
  | 'compares'
  | 'a'
  | 'b'
  | 'groups'
  | 'value'
  | 'factor'
  | 'second-factor'
  | 'subject'
  | 'counting'
  | 'found'
  | 'outcome'
  | 'rows'
  | 'kept'
  | 'covariate'
  | 'inner'
  | 'ratio';

/** A part that can be chosen, with the words it has now. */
export interface Part {
  part: PartName;
  said: string;
}
export type Segment = string | Part;

/** Whether a segment is this part of a sentence. */
export const isPart = (segment: Segment, name: PartName): segment is Part =>
  typeof segment !== 'string' && segment.part === name;

export const part = (name: PartName, said: string): Part => ({ part: name, said });

/** Template tag: strings and parts in a row. */
export const asked = (strings: TemplateStringsArray, ...values: readonly (Segment | readonly Segment[])[]): Segment[] =>
  strings.flatMap((between, i): Segment[] => {
    const value = values[i];
    const own = value === undefined ? [] : isSegments(value) ? value : [value];
    return [...(between === '' ? [] : [between]), ...own];
  });
const isSegments = (x: Segment | readonly Segment[]): x is readonly Segment[] => Array.isArray(x);

/** The sentence as plain text. */
export const plainly = (segments: readonly Segment[]): string =>
  segments.map((s) => (typeof s === 'string' ? s : s.said)).join('');
