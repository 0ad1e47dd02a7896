import { PencilLine, Undo2 } from 'lucide-react';
import { useState } from 'react';
import type { Answer } from '../../core/answer/answer';
import type { Question } from '../../core/question/question';
import { type Text, html, plain } from '../../core/words/text';
import { useFocusBack } from '../kit/focus-back';
import { CopyButton } from '../shared/CopyButton';
import { RichText } from '../shared/RichText';
import { useMerged } from './use-merged';
import { useView } from './use-view';
import TellTables from './TellTables';

type Kind = keyof NonNullable<Question['own']>;

interface LineProps {
  name: string;
  kind: Kind;
  text: Text;
  question: Question;
  /** Whether groups stand under letters: one’s own wording may name them, and is not shown then. */
  hidden: boolean;
  /** Whether newer words are on their way: older ones are not shown, but what is being typed stays. */
  late: boolean;
  onChange: (question: Question) => void;
}

interface RewordingProps {
  label: string;
  draft: string;
  onDraft: (text: string) => void;
  onAccept: () => void;
  onLeave: () => void;
}

/** A sentence while it is worded anew: Escape lets it go; leaving it, or Ctrl+Enter, accepts it. */
function Rewording({ label, draft, onDraft, onAccept, onLeave }: RewordingProps) {
  useFocusBack();
  return (
    <textarea
      className="prose-serif w-full max-w-[68ch] border border-line bg-base-100 p-2 text-[15.5px]"
      aria-label={label}
      rows={5}
      autoFocus
      value={draft}
      onChange={(e) => onDraft(e.target.value)}
      onBlur={onAccept}
      onKeyDown={(e) => {
        if (e.key === 'Escape') onLeave();
        if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) onAccept();
      }}
    />
  );
}

/** A sentence for the paper: as it follows from the answer, or in the person's own words with its numbers renewed. */
function TellLine({ name, kind, text, question, hidden, late, onChange }: LineProps) {
  const [draft, setDraft] = useState<string>();
  const now = plain(text);
  const kept = hidden ? undefined : question.own?.[kind];
  const merged = useMerged(kept, now);
  const wording = merged ? merged.pieces.map((p) => p.text).join('') : now;
  const renewed = merged?.pieces.some((p) => p.fresh) ?? false;
  const keep = (own: { text: string; from: string } | undefined) => {
    const { [kind]: _, ...others } = question.own ?? {};
    const { own: __, ...rest } = question;
    const all = own ? { ...others, [kind]: own } : others;
    onChange(Object.keys(all).length > 0 ? { ...rest, own: all } : rest);
  };
  const accept = () => {
    if (draft === undefined) return;
    const typed = draft.trim();
    keep(typed === '' || typed === now ? undefined : { text: typed, from: now });
    setDraft(undefined);
  };
  if (late && draft === undefined) return <p className="mb-3 text-sm text-muted">{name} …</p>;
  return (
    <div className="mb-3">
      <h3 className="flex flex-wrap items-baseline gap-x-4 text-sm font-semibold">
        {name}{' '}
        <CopyButton
          copied={() => ({ plain: wording, html: merged ? undefined : html(text) })}
          label={`Copy the ${name.toLowerCase()}`}
        />
        <button
          type="button"
          className="plain-button text-[13px] font-normal"
          onClick={() => setDraft(wording)}
          aria-label={`Reword the ${name.toLowerCase()}`}
        >
          <PencilLine size={14} aria-hidden /> Reword
        </button>
        {kept && (
          <button type="button" className="plain-button text-[13px] font-normal" onClick={() => keep(undefined)}>
            <Undo2 size={14} aria-hidden /> Back to Divide’s words
          </button>
        )}
      </h3>
      {draft === undefined ? (
        <p className="prose-serif max-w-[68ch] text-[15.5px]" data-testid={`tell-${kind}`}>
          {merged ? (
            merged.pieces.map((piece, i) =>
              piece.fresh ? (
                <mark key={i} className="bg-transparent underline decoration-warning decoration-2 text-inherit">
                  {piece.text}
                </mark>
              ) : (
                <span key={i}>{piece.text}</span>
              ),
            )
          ) : (
            <RichText text={text} />
          )}
        </p>
      ) : (
        <Rewording
          label={`${name}, in your own words`}
          draft={draft}
          onDraft={setDraft}
          onAccept={accept}
          onLeave={() => setDraft(undefined)}
        />
      )}
      {renewed && (
        <p className="text-[13px] text-muted">
          What is underlined was renewed since you reworded it.{' '}
          <button type="button" className="plain-button" onClick={() => keep({ text: wording, from: now })}>
            Mark as reviewed
          </button>
        </p>
      )}
      {merged?.clash && (
        <p className="text-[13px] text-warning" role="status">
          The answer changed just where you reworded it. Your words stand; now it would read: “{now}”{' '}
          <button type="button" className="plain-button" onClick={() => keep({ text: wording, from: now })}>
            Keep mine
          </button>
        </p>
      )}
    </div>
  );
}

interface Props {
  answer: Answer;
  onChange: (question: Question) => void;
}

/** What the answer tells the paper: methods, results, legend, tables. */
export function TellPart({ answer, onChange }: Props) {
  const [tables, setTables] = useState(false);
  const { view: telling, late } = useView('telling', answer);
  const shared = {
    question: answer.question,
    hidden: answer.blind !== undefined && answer.blind.to === undefined,
    late,
    onChange,
  };
  if (!telling) return <p className="text-sm text-muted">Putting it into words …</p>;
  const { methods, results, legend } = telling;
  return (
    <>
      <TellLine name="Methods" kind="methods" text={methods} {...shared} />
      {results && <TellLine name="Results" kind="results" text={results} {...shared} />}
      <TellLine name="Legend" kind="legend" text={legend} {...shared} />
      <details onToggle={(e) => setTables(e.currentTarget.open)}>
        <summary className="w-fit cursor-pointer text-sm font-semibold">Tables</summary>
        {tables && <TellTables answer={answer} />}
      </details>
    </>
  );
}
