import { Fragment, type ReactNode } from 'react';
import { analysisOf } from '../../core/analyses/registry';
import { attempt } from '../../core/numeric/domain-error';
import { measureOf, namesOf } from '../../core/question/naming';
import { groupChoices } from '../../core/question/asking';
import { includedOrAll } from '../../core/question/included';
import { newGroups, withGroup } from '../../core/question/known-groups';
import { countTable } from '../../core/readings/count-table';
import { controlsOf } from '../../core/telling/controls';
import type { Part } from '../../core/words/segments';
import { Accepted } from '../kit/Accepted';
import { Choose } from '../kit/Parts';
import { AskSettings } from './AskSettings';
import { ControlPart } from './ControlPart';
import { GroupsPart } from './GroupsPart';
import { type AskProps, Measured } from './Measured';
import { NumberPart } from './NumberPart';
import { RatioPart } from './RatioPart';
import { StatedSpread } from './StatedSpread';

/** The value one group is held against: of its readings, of their spread, or a share. */
function ValuePart({ question, unit, onChange }: AskProps) {
  const { value } = question;
  const set = (next: number | undefined) => {
    const { value: _, ...rest } = question;
    onChange(next === undefined ? rest : { ...rest, value: next });
  };
  if (question.about === 'spread') return <StatedSpread sd={value} unit={unit} onChange={set} />;
  if (question.about === 'share')
    return (
      <NumberPart
        label="Stated share"
        value={value}
        unit={null}
        placeholder="a share"
        refuse={(x) => (x > 0 && x < 1 ? undefined : 'A share lies between 0 and 1, 0.4 for 40 %')}
        onChange={set}
      />
    );
  return (
    <>
      <NumberPart label="Fixed value" value={value} unit={unit} placeholder="a value" onChange={set} />
      {unit && value !== undefined && ` ${unit}`}
    </>
  );
}

/** Readings counted by the side of a limit they lie on. */
function LimitPart({ question, table, cut, onChange }: AskProps & { cut: number }) {
  const [first] = groupChoices(table, question);
  const unit = first?.unit ?? '';
  return (
    <>
      {measureOf(question, table)}{' '}
      <Choose
        label="Side of the limit"
        value={question.found === 'from' ? 'from' : 'below'}
        options={{ below: 'below', from: 'not below' }}
        onChange={(found) => onChange({ ...question, found })}
      />{' '}
      <NumberPart label="Limit" value={cut} unit={unit} onChange={(x) => onChange({ ...question, cut: x ?? cut })} />
      {unit && ` ${unit}`}
    </>
  );
}

/** Groups put in after the question was asked: they wait to be taken in. */
function NewGroups({ question, table, onChange }: Pick<AskProps, 'question' | 'table' | 'onChange'>) {
  return newGroups(question, table).map(({ id, name }) => (
    <p key={id} role="status" className="font-sans text-sm">
      {name} was put in after this was asked, and is not part of it.{' '}
      <button type="button" className="plain-button" onClick={() => onChange(withGroup(question, id))}>
        Take {name} in
      </button>
    </p>
  ));
}

/** The question as a sentence; its parts are its controls, and decide what is asked. */
export function Ask(props: AskProps) {
  const { question, table, onChange, onEdit, repeated } = props;
  const { cut, about } = question;
  const taken = includedOrAll(question, table);
  const sentence = analysisOf(question).words.sentence({ ...namesOf(question, table), ...repeated });
  const controls = controlsOf(question, taken, sentence, repeated.repeats);
  const counted = about === 'share' || about === 'table' ? attempt(() => countTable(taken, question)) : undefined;
  const counts = counted?.ok ? counted.value : undefined;
  const rows = counted ? (counts?.rows.categories ?? []) : groupChoices(taken, question);
  const groups = <GroupsPart choices={rows} question={question} onChange={onChange} />;
  const outcomes = counts?.columns.categories ?? [];
  const own: Partial<Record<Part['part'], () => ReactNode>> = {
    measure: () => <Measured {...props} />,
    value: () => <ValuePart {...props} />,
    groups: () => groups,
    kept: () => <> ({groups})</>,
    subject: () => (
      <Accepted
        className="part"
        aria-label="What counts once"
        placeholder="animal, plant, dish …"
        value={table.subject}
        onAccept={(text) => onEdit([{ kind: 'describe-table', subject: text }])}
      />
    ),
    ratio: () => (
      <RatioPart
        question={question}
        names={(outcomes.length === 1 ? rows : outcomes).map((c) => c.name)}
        onChange={onChange}
      />
    ),
    ...(cut === undefined ? {} : { found: () => <LimitPart {...props} cut={cut} /> }),
  };
  const shown = ({ part, said }: Part): ReactNode => {
    const control = controls[part];
    if (control) return <ControlPart control={control} onChange={onChange} />;
    return (
      own[part]?.() ?? (part === 'counting' || part === 'compares' ? said : <b className="font-semibold">{said}</b>)
    );
  };
  return (
    <div className="prose-serif">
      <h1 className="text-[23px] leading-9">
        {sentence.map((segment, i) => (
          <Fragment key={i}>{typeof segment === 'string' ? segment : shown(segment)}</Fragment>
        ))}
      </h1>
      <NewGroups question={question} table={table} onChange={onChange} />
      <AskSettings {...props} groups={rows} rounded={counts?.rounded ?? []} />
    </div>
  );
}
