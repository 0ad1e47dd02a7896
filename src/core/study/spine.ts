/** What a study holds, as its pages list it. */

/** A line of the list. */
export interface SpineEntry {
  id: string;
  /** Its name wherever it stands alone. */
  label: string;
  href: string;
  /** What it belongs to: the table a question is asked of, the question a figure shows. */
  of?: string;
  /** Its name under what it belongs to. */
  short?: string;
}

export interface SpineLists {
  readings: SpineEntry[];
  questions: SpineEntry[];
  figures: SpineEntry[];
  /** Questions asked of every measure at once, each under its question. */
  measures?: SpineEntry[];
}

/** An entry with what belongs to it. */
export interface Branch {
  entry: SpineEntry;
  of: 'Readings' | 'Questions' | 'Figures';
  under: Branch[];
}

/** Tables, under each the questions asked of it, under each of those its figures. */
export function branches({ readings, questions, figures, measures = [] }: SpineLists): Branch[] {
  const under = (all: readonly SpineEntry[], of: string): SpineEntry[] => all.filter((e) => e.of === of);
  return readings.map((entry) => ({
    entry,
    of: 'Readings',
    under: under(questions, entry.id).map((question) => ({
      entry: question,
      of: 'Questions',
      under: [
        ...under(figures, question.id).map((figure): Branch => ({ entry: figure, of: 'Figures', under: [] })),
        ...under(measures, question.id).map((every): Branch => ({ entry: every, of: 'Questions', under: [] })),
      ],
    })),
  }));
}

const isIn = (branch: Branch, id: string): boolean => branch.entry.id === id || branch.under.some((b) => isIn(b, id));

/** The branch of the list that holds an entry. */
export const branchOf = (all: readonly Branch[], id: string): Branch | undefined => all.find((b) => isIn(b, id));

const holds = ({ entry }: Branch, words: readonly string[]): boolean =>
  words.every((w) => `${entry.label} ${entry.short ?? ''}`.toLowerCase().includes(w));

/** What is left of the list where only entries with every word typed are wanted, each with what it belongs to. */
export function sought(all: readonly Branch[], typed: string): Branch[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const kept = (branch: Branch): Branch[] => {
    if (holds(branch, words)) return [branch];
    const under = branch.under.flatMap(kept);
    return under.length > 0 ? [{ ...branch, under }] : [];
  };
  return all.flatMap(kept);
}
