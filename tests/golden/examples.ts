/** One example of each kind of question, as another program would send it, with what it gets back. */
import type { Case } from './cases';
import { cases } from './cases';
import { runTask } from '../../src/server/threads/tasks';

export const exampleFile = 'docs/api-examples.json';

/** The first situation of each kind. */
const firsts: Record<string, Case> = Object.fromEntries(
  Object.values(cases)
    .flat()
    .map((one) => [`${one.question.about}, ${one.question.design}`, one] as const)
    .reverse(),
);

/** A table as a request brings it. */
const requestOf = ({ table, question }: Case) => ({
  question,
  readings: {
    ...(table.measure ? { measure: table.measure } : {}),
    ...(table.subject ? { subject: table.subject } : {}),
    shape: table.shape,
    columns: table.columns.map(({ id, name, unit, role, cells }) => ({
      id,
      name,
      ...(unit ? { unit } : {}),
      role,
      values: cells,
    })),
  },
});

/** Numbers to ten digits: the last ones depend on the machine. */
const rounded = (_: string, value: unknown): unknown =>
  typeof value === 'number' && Number.isFinite(value) ? Number(value.toPrecision(10)) : value;

export interface Example {
  kind: string;
  request: ReturnType<typeof requestOf>;
  response: { version: number; words: Record<string, unknown>; checks: unknown[]; comparison: unknown };
}

/** The examples as they are now answered. */
export async function examples(): Promise<Example[]> {
  const all: Example[] = [];
  for (const [kind, one] of Object.entries(firsts).sort(([a], [b]) => (a < b ? -1 : 1))) {
    const request = requestOf(one);
    const response = await runTask('answer', new TextEncoder().encode(JSON.stringify(request)));
    const { answer, version, words, checks } = (await response.json()) as Example['response'] & {
      answer: { comparison: unknown };
    };
    const kept = { version, words, checks, comparison: answer.comparison };
    all.push({ kind, request, response: JSON.parse(JSON.stringify(kept, rounded)) as Example['response'] });
  }
  return all;
}
