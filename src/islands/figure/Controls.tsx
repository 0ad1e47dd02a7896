/** What can be changed of a figure, part by part: the same controls in the list beside it and where the part was clicked. */
import { X } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import type { Answer } from '../../core/answer/answer';
import { comparedAs } from '../../core/figures/comparison-band';
import { comparisonsMade, lettersMade } from '../../core/figures/comparisons-made';
import { styleNames } from '../../core/figures/style-names';
import type { FigureStyle } from '../../core/figures/figure-style';
import { kindNames, kindOf, kindsFor } from '../../core/figures/kinds';
import { slotsOf } from '../../core/figures/slots';
import { percent } from '../../core/words/numbers';
import { Accepted } from '../kit/Accepted';
import { NumberField } from '../kit/NumberField';
import { Choose } from '../kit/Parts';
import { IconButton } from '../kit/IconButton';

export interface ControlProps {
  answer: Answer;
  style: FigureStyle;
  set: (part: Partial<FigureStyle>) => void;
}

/** A line of the list: what it is, and its control. */
export function Choice({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[6.2rem_1fr] items-baseline border-b border-line py-1.5">
      <span className="text-muted">{name}</span>
      <span className="min-w-0">{children}</span>
    </div>
  );
}

/** A number that is kept when it lies where it may; left empty it may go back to what Divide chooses. */
function Measure({
  label,
  unit = '',
  value,
  least = -Infinity,
  most = Infinity,
  empty,
  onChange,
}: {
  label: string;
  unit?: string;
  value: number | undefined;
  least?: number;
  most?: number;
  /** What an empty field stands for, where it may be empty. */
  empty?: string;
  onChange: (value: number | undefined) => void;
}) {
  return (
    <NumberField
      label={label}
      unit={unit}
      value={value}
      least={least}
      most={most}
      optional={empty !== undefined}
      placeholder={empty ?? ''}
      after={unit}
      onChange={onChange}
    />
  );
}

/** Parts of a style that are shown or not. */
type Switched = {
  [K in keyof FigureStyle]-?: NonNullable<FigureStyle[K]> extends boolean ? K : never;
}[keyof FigureStyle];
type Counted = {
  [K in keyof FigureStyle]-?: NonNullable<FigureStyle[K]> extends number ? K : never;
}[keyof FigureStyle];

/** A part chosen from a few words. @param usual what it is where nobody chose: then nothing is kept */
export function Chosen({
  label,
  part,
  options = styleNames[part],
  usual,
  style,
  set,
}: Pick<ControlProps, 'style' | 'set'> & {
  label: string;
  part: keyof typeof styleNames;
  /** Where they are called otherwise than everywhere. */
  options?: Readonly<Record<string, string>>;
  usual?: string;
}) {
  return (
    <Choose<string>
      label={label}
      value={style[part] ?? usual ?? ''}
      options={options}
      onChange={(next) => set({ [part]: next === usual ? undefined : next })}
    />
  );
}

/** A part that is there or not. @param words for the one and the other; @param kept whether it says so even where it is not */
export function Switch({
  label,
  part,
  words: [off, on],
  kept = false,
  style,
  set,
}: Pick<ControlProps, 'style' | 'set'> & {
  label: string;
  part: Switched;
  words: readonly [off: string, on: string];
  kept?: boolean;
}) {
  return (
    <Choose
      label={label}
      value={style[part] ? 'shown' : 'hidden'}
      options={{ hidden: off, shown: on }}
      onChange={(next) => set({ [part]: next === 'shown' ? true : kept ? false : undefined })}
    />
  );
}

/** A number of the style. @param usual what it is where nobody chose */
export function Numbered({
  part,
  usual,
  empty,
  style,
  set,
  ...field
}: Pick<ControlProps, 'style' | 'set'> & {
  label: string;
  part: Counted;
  unit?: string;
  least?: number;
  most?: number;
  usual?: number;
  empty?: string;
}) {
  return (
    <Measure
      {...field}
      {...(empty === undefined ? {} : { empty })}
      value={style[part] ?? usual}
      onChange={(value) => (value !== undefined || empty !== undefined) && set({ [part]: value })}
    />
  );
}

export function KindControl({ answer, style, set }: ControlProps) {
  const all = kindsFor(answer);
  return (
    <Choice name="Shows">
      <Choose
        label="What the figure shows"
        value={kindOf(answer, style)}
        options={Object.fromEntries(all.map((k) => [k, kindNames[k]]))}
        onChange={(kind) => set({ kind })}
      />
    </Choice>
  );
}

export const MeansControl = (props: ControlProps) => (
  <Choice name="Means as">
    <Chosen label="Means as" part="marks" {...props} />
  </Choice>
);

export const BarsControl = (props: ControlProps) => (
  <Choice name="Error bars">
    <Chosen
      label="Error bars"
      part="bars"
      options={{ ...styleNames.bars, interval: `${percent(props.answer.question.level)} CI` }}
      {...props}
    />
  </Choice>
);

export const ReadingsControl = (props: ControlProps) => (
  <Choice name="Each reading">
    <Switch label="Each reading" part="readings" words={['not shown', 'shown']} kept {...props} />
  </Choice>
);

/** What changes of the same subjects are taken from. */
export function ChangeControl({ answer, style, set }: ControlProps) {
  const [first] = answer.groups;
  return (
    <Choice name="Changes from">
      <Choose
        label="Changes from"
        value={style.changeFrom ?? first?.id ?? ''}
        options={Object.fromEntries(answer.groups.map((g) => [g.id, g.name]))}
        onChange={(from) => set({ changeFrom: from === first?.id ? undefined : from })}
      />
    </Choice>
  );
}

/** Whether n stands under each name. */
export const SizesControl = (props: ControlProps) => (
  <Choice name="n of each">
    <Switch label="n of each" part="sizes" words={['in the legend', 'under its name']} {...props} />
  </Choice>
);

/** Only comparisons that were made can be shown; where there were none, it says so. */
export function ComparedControl(props: ControlProps) {
  const { answer, style, set } = props;
  const made = comparisonsMade(answer, slotsOf(answer, style).slots);
  const letters = lettersMade(answer).length > 0;
  if (made.length === 0)
    return (
      <Choice name="Comparisons">
        <span className="text-muted">none was made between two of these</span>
      </Choice>
    );
  const as = style.compared ?? 'usual';
  const brackets = comparedAs(answer, style, made) === 'brackets';
  return (
    <>
      <Choice name="Comparisons">
        <Choose
          label="Comparisons"
          value={as}
          options={{
            usual: 'as fits',
            brackets: styleNames.compared.brackets,
            ...(letters ? { letters: styleNames.compared.letters } : {}),
            none: styleNames.compared.none,
          }}
          onChange={(compared) => set({ compared: compared === 'usual' ? undefined : compared })}
        />
      </Choice>
      {brackets && (
        <Choice name="Brackets for">
          {made.length > 1 && (
            <>
              <Chosen
                label="Brackets for"
                part="bracketsFor"
                options={{ ...styleNames.bracketsFor, all: `all ${made.length} made` }}
                usual="significant"
                {...props}
              />
              {', '}
            </>
          )}
          <Chosen label="p as" part="pAs" usual="exact" {...props} />
        </Choice>
      )}
    </>
  );
}

export function ValueTitleControl({ style, set }: ControlProps) {
  return (
    <Choice name="Title">
      <Accepted
        className="part w-full"
        aria-label="Title of the value axis"
        placeholder="as the readings say"
        value={style.yTitle ?? ''}
        onAccept={(yTitle) => set({ yTitle: yTitle === '' ? undefined : yTitle })}
      />
    </Choice>
  );
}

export function GroupTitleControl({ style, set }: ControlProps) {
  return (
    <Choice name="Under names">
      <Accepted
        className="part w-full"
        aria-label="Title of the axis of groups"
        placeholder="nothing"
        value={style.xTitle ?? ''}
        onAccept={(xTitle) => set({ xTitle: xTitle === '' ? undefined : xTitle })}
      />
    </Choice>
  );
}

/** Why an axis is never broken here. */
const broken =
  'An axis with a piece cut out makes lengths and distances that no longer stand for the values, and readers do not see it. Divide does not draw one: use a logarithmic axis, points in place of columns with an axis that starts later, or two panels.';

const axisKinds = { linear: 'linear', log: 'logarithmic', broken: 'broken' } as const;
type AxisKind = keyof typeof axisKinds;

export function ValueAxisControl(props: ControlProps) {
  const { style, set } = props;
  const [asked, setAsked] = useState(false);
  const now = (style.log ? 'log' : 'linear') as AxisKind;
  return (
    <>
      <Choice name="Axis">
        <Choose
          label="Value axis"
          value={now}
          options={axisKinds}
          onChange={(kind: AxisKind) => {
            setAsked(kind === 'broken');
            if (kind !== 'broken') set({ log: kind === 'log' ? true : undefined });
          }}
        />
        , from <Numbered label="Axis from" part="from" empty="auto" {...props} /> to{' '}
        <Numbered label="Axis to" part="to" empty="auto" {...props} />
        {asked && (
          <span role="alert" className="mt-1 block text-[13px] text-warning">
            {broken}
          </span>
        )}
      </Choice>
    </>
  );
}

export function RulesControl({ style, set }: ControlProps) {
  const rules = style.rules ?? [];
  const keep = (next: typeof rules) => set({ rules: next.length > 0 ? next : undefined });
  const change = (i: number, part: Partial<(typeof rules)[number]>) =>
    keep(rules.map((r, k) => (k === i ? { ...r, ...part } : r)));
  return (
    <Choice name="Lines across">
      {rules.map((rule, i) => (
        <span key={i} className="mb-1 block">
          <Accepted
            className="part"
            aria-label={`Name of line ${i + 1}`}
            placeholder="its name"
            value={rule.name}
            onAccept={(name) => change(i, { name })}
          />{' '}
          at <Measure label={`Value of line ${i + 1}`} value={rule.at} onChange={(at) => change(i, { at: at ?? 0 })} />
          <IconButton name={`Remove line ${i + 1}`} icon={X} onClick={() => keep(rules.filter((_, k) => k !== i))} />
        </span>
      ))}
      {rules.length < 12 && (
        <button type="button" className="plain-button" onClick={() => keep([...rules, { at: 0, name: '' }])}>
          Add a line
        </button>
      )}
    </Choice>
  );
}

export function NamesControl(props: ControlProps) {
  const { answer, style } = props;
  const kind = kindOf(answer, style);
  const cells = answer.layout && ['means', 'boxes', 'interaction'].includes(kind);
  if (!cells && kind !== 'stacked') return null;
  return (
    <Choice name="Names">
      <Chosen label="Names of the second factor" part="names" usual="direct" {...props} />
    </Choice>
  );
}

/** Widths of a column and of a page of many journals. */
const widths = { one: 85, two: 174 } as const;

export function SizeControls(props: ControlProps) {
  const { style, set } = props;
  const named = style.widthMm === widths.one ? 'one' : style.widthMm === widths.two ? 'two' : 'own';
  return (
    <>
      <Choice name="Width">
        <Choose
          label="Columns of the journal"
          value={named}
          options={{ one: 'one column', two: 'two columns', own: 'custom' }}
          onChange={(w) => w !== 'own' && set({ widthMm: widths[w] })}
        />
        {', '}
        <Numbered label="Width in millimetres" unit="mm" part="widthMm" least={30} most={250} {...props} />
      </Choice>
      <Choice name="Height">
        <Numbered label="Height in millimetres" unit="mm" part="heightMm" least={30} most={250} {...props} />
      </Choice>
    </>
  );
}
