/** Every procedure by its name: what it is for, what else would be reasonable, and where it was first described. */
import { subjects } from '../question/options';
import { factsOf, hasKind } from '../analyses/kinds';
import { methodsFor } from '../question/choices';
import { type Question, designs, questionOf } from '../question/question';
import { type Reference, referencesFor } from '../words/references';
import { methodElse, methodName, methodReason } from './method';

export interface GuideEntry {
  name: string;
  /** Where it stands on the page of methods. */
  anchor: string;
  reason: string;
  also: string;
  references: Reference[];
}

/** What is asked, as the guide heads its parts. */
const headings: Record<Question['about'], string> = {
  value: 'How large readings are',
  share: 'Shares',
  table: 'Counts in categories',
  spread: 'How far readings scatter',
};

/** A name as the anchor of an address. */
export const anchorOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');

/** What of two groups can be compared under permuted labels. */
const permuted = ['median', 'trimmed', 't'] as const;

/** Each way a kind of question can be answered. */
function waysOf(about: Question['about']): Question[] {
  return designs
    .filter((design) => hasKind(about, design))
    .map((design) => questionOf(design, { about }))
    .flatMap((question) => {
      const { spreads, statistics, rankTrend } = factsOf(question);
      const further: Partial<Question>[] = [
        ...(spreads ? [{ spread: 'separate' as const }, { spread: 'pooled' as const }] : [{}]),
        ...(statistics === 'of-two' ? permuted.map((statistic) => ({ statistic })) : []),
        ...(rankTrend ? [{ compare: 'trend' as const }] : []),
      ];
      // Where populations' SDs are known, a further test can be used.
      return [question, { ...question, knownSd: 1 }].flatMap((asked) =>
        methodsFor(asked).flatMap((method) => further.map((more) => ({ ...asked, method, ...more }))),
      );
    });
}

/** The guide, part by part; a procedure that serves several designs stands once. */
export const methodGuide = (): { heading: string; entries: GuideEntry[] }[] => {
  const known = new Set<string>();
  return subjects.map((about) => ({
    heading: headings[about],
    entries: waysOf(about).flatMap((question): GuideEntry[] => {
      const name = methodName(question);
      if (known.has(name)) return [];
      known.add(name);
      return [
        {
          name,
          anchor: anchorOf(name),
          reason: methodReason(question),
          also: methodElse(question),
          references: referencesFor(name),
        },
      ];
    }),
  }));
};
