import type { Question } from '../../core/question/question';
import { listed } from '../../core/words/sentences';

interface Props {
  choices: readonly { id: string; name: string }[];
  question: Question;
  onChange: (question: Question) => void;
}

/** Which of several groups are compared: named in the sentence, ticked in a list that opens from it. */
export function GroupsPart({ choices, question, onChange }: Props) {
  const { known } = question;
  const there = choices.map((g) => g.id);
  // Groups that are named stand in the order they are named in.
  const chosen =
    question.groups?.filter((id) => there.includes(id)) ?? there.filter((id) => known?.includes(id) ?? true);
  const named = chosen.flatMap((id) => choices.find((g) => g.id === id)?.name ?? []);
  const set = (ids: string[]) => {
    const all = ids.length === choices.length;
    const { groups: _, ...rest } = question;
    // Whoever chooses has seen them all.
    const seen = known ? { known: there } : {};
    const groups = question.groups ? ids : there.filter((id) => ids.includes(id));
    onChange(all ? { ...rest, ...seen } : { ...question, ...seen, groups });
  };
  return (
    <details className="relative inline-block">
      <summary className="part list-none" aria-label="Groups compared">
        {named.length <= 4
          ? listed(named) || 'no groups'
          : named.length === choices.length
            ? `all ${choices.length} groups`
            : `${named.length} of ${choices.length} groups`}
      </summary>
      <fieldset className="absolute z-30 max-h-80 min-w-52 overflow-y-auto border border-line bg-base-100 px-3 py-2 font-sans text-sm">
        <legend className="sr-only">Groups compared</legend>
        {choices.map((g) => (
          <label key={g.id} className="flex items-baseline gap-2 py-0.5">
            <input
              type="checkbox"
              checked={chosen.includes(g.id)}
              onChange={(e) => set(e.target.checked ? [...chosen, g.id] : chosen.filter((id) => id !== g.id))}
            />
            {g.name}
          </label>
        ))}
      </fieldset>
    </details>
  );
}
