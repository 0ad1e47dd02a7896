import { useStore } from '@nanostores/react';
import { Copy, Trash2 } from 'lucide-react';
import { type MouseEvent, type ReactNode, useCallback, useEffect, useState } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import type { FigureStyle } from '../../core/figures/figure-style';
import { isLaid, kindNames, kindOf, paints, places, showsGroups } from '../../core/figures/kinds';
import type { Question } from '../../core/question/question';
import { shortQuestion } from '../../core/telling/question';
import { counted } from '../../core/words/numbers';
import { html, plain } from '../../core/words/text';
import { WorkingOut } from '../question/WorkingOut';
import { useAnswer } from '../question/use-answer';
import { useView } from '../question/use-view';
import { tell } from '../kit/tell';
import { inWords, send } from '../shared/api';
import { CopyButton } from '../shared/CopyButton';
import { useKeptValue } from '../shared/kept-value';
import { NewerElsewhere } from '../shared/NewerElsewhere';
import { Choose } from '../kit/Parts';
import { RichText } from '../shared/RichText';
import { SaveState } from '../shared/SaveState';
import { type Packed } from '../../formats/wire';
import type { Kept } from '../shared/fetch-table';
import { followTable, tableStore } from '../shared/table-store';
import { WithTable } from '../shared/WithTable';
import {
  BarsControl,
  Choice,
  ComparedControl,
  GroupTitleControl,
  KindControl,
  MeansControl,
  NamesControl,
  ReadingsControl,
  RulesControl,
  SizeControls,
  SizesControl,
  ChangeControl,
  ValueAxisControl,
  ValueTitleControl,
} from './Controls';
import { MarksControls, TypeControls } from './MarkControls';
import { GroupsControl } from './GroupControl';
import { Downloads } from './Downloads';
import { type Clicked, InPlace, controlsFor } from './InPlace';
import { PanelsControl } from './PanelsControl';
import { StylesControl } from './StylesControl';
import { type StudyFigure, usePanels } from './use-panels';
import { Hint } from '../kit/Hint';

interface Shown {
  study: string;
  figure: { id: string; style: FigureStyle; revision: number };
  asked: { id: string; tableId: string; question: Question };
  /** All other figures of the study, to be set beside this one. */
  figures: StudyFigure[];
}

const noPanels: string[] = [];

function Page({ study, figure, asked, figures, readings }: Shown & { readings: Kept }) {
  const kept = useKeptValue(`/api/figures/${figure.id}`, 'style', figure.style, figure.revision);
  const { value: style, change, saving } = kept;
  const [store] = useState(() => tableStore(readings));
  const table = useStore(store.$table);
  useEffect(() => followTable(store), [store]);
  const [zoom, setZoom] = useState('fit');
  const [clicked, setClicked] = useState<Clicked>();
  const [trouble, setTrouble] = useState('');
  const close = useCallback(() => setClicked(undefined), []);
  const answering = useAnswer(asked.question, table);
  const { result } = answering;
  const panels = usePanels({ style, question: asked.question, table }, style.beside ?? noPanels, figures);
  const found = result?.ok ? result.value : undefined;
  const { view: alone } = useView('figure', style.beside?.length ? undefined : found, style);
  const drawn = style.beside?.length ? panels?.made : alone;
  if (!result) return <WorkingOut {...answering} />;
  if (!result.ok)
    return (
      <p className="prose-serif p-6" role="status">
        {result.reason}
      </p>
    );
  const shown = result.value;
  const set = (part: Partial<FigureStyle>) =>
    change(Object.fromEntries(Object.entries({ ...style, ...part }).filter(([, v]) => v !== undefined)) as FigureStyle);
  const props = { answer: shown, style, set };
  const kind = kindOf(shown, style);
  const legend = drawn?.legend ?? [];
  // A file goes by its question and what it shows, without blanks.
  const name =
    `${shortQuestion(shown)} ${kindNames[kind]}`
      .toLowerCase()
      .match(/[\p{L}\p{N}]+/gu)
      ?.join('-')
      .slice(0, 80) ?? 'figure';
  const click = (event: MouseEvent) => {
    const mark = (event.target as Element).closest('[data-mark]')?.getAttribute('data-mark');
    if (!mark) return setClicked(undefined);
    const panel = /^(\d+)\//.exec(mark)?.[1];
    if (panel !== undefined) {
      const other = style.beside?.[Number(panel) - 1];
      if (other) window.location.assign(`/studies/${study}/figures/${other}`);
      return;
    }
    if (!controlsFor(props, mark)) return setClicked(undefined);
    setClicked({ mark, at: new DOMRect(event.clientX, event.clientY, 0, 0) });
  };
  /** The log can take it back. */
  const likeThis = () => {
    send<{ changed: number }>('POST', `/api/figures/${figure.id}/like`).then(
      ({ changed }) =>
        tell({
          text:
            changed === 0
              ? 'All are drawn like this one already.'
              : `${counted(changed, 'figure')} drawn like this one.`,
        }),
      (error: unknown) => setTrouble(inWords(error)),
    );
  };
  /** The log can bring it back. */
  const remove = () => {
    send('DELETE', `/api/figures/${figure.id}`).then(
      () => window.location.assign(`/studies/${study}/log`),
      (error: unknown) => setTrouble(inWords(error)),
    );
  };
  const size = drawn && { widthMm: drawn.widthMm, heightMm: drawn.heightMm };
  // As large as fits is four times its size at the most, which the page narrows to the room there is.
  const scale = zoom === 'fit' ? 4 : Number(zoom);
  const upright = !isLaid(kind);
  const ofReadings = kind === 'means' || kind === 'boxes' || kind === 'lines' || kind === 'interaction';
  return (
    <div className="min-[1100px]:grid min-[1100px]:grid-cols-[minmax(0,1fr)_20rem]">
      <article className="min-w-0 px-6 pb-12">
        <div className="flex h-7 items-end justify-end">
          <SaveState saving={saving} />
        </div>
        <NewerElsewhere kept={kept} what="figure" />
        <h1 className="prose-serif text-[23px]">{shortQuestion(shown)}</h1>
        <p className="text-sm text-muted">
          {size ? `${size.widthMm} by ${size.heightMm} mm` : 'Drawing'}, shown{' '}
          <Choose
            label="Zoom"
            value={zoom}
            options={{
              fit: 'as large as fits',
              1: 'at true size',
              1.5: 'half as large again',
              2: 'twice as large',
              3: 'three times as large',
            }}
            onChange={setZoom}
          />
          . Click a part of it to change it.{' '}
          <a className="plain-button" href={`/studies/${study}/questions/${asked.id}`}>
            Open question
          </a>
        </p>
        <div className="relative my-4">
          <div className="overflow-x-auto" data-testid="figure">
            {/* The same parts can be changed from the list at the side, by keyboard. */}
            <div
              className={`w-fit bg-white p-3 ${style.font === 'serif' ? 'figure-serif' : ''} figure-parts ${zoom === 'fit' ? 'figure-fitting' : ''}`}
              data-theme="page"
              onClick={click}
            >
              {drawn && size ? (
                <DrawingView
                  drawing={drawn.drawing}
                  physical={{ widthMm: size.widthMm * scale, heightMm: size.heightMm * scale }}
                />
              ) : (
                <p role="status" className="p-4 text-muted">
                  Drawing …
                </p>
              )}
            </div>
          </div>
          {clicked && <InPlace {...props} clicked={clicked} onClose={close} />}
        </div>
        {[...(drawn?.remarks ?? []), ...(panels?.troubles ?? [])].map((remark) => (
          <p key={remark} role="status" className="max-w-[68ch] text-sm text-warning">
            {remark}
          </p>
        ))}
        <h2 className="mt-3 flex items-baseline gap-4 text-sm font-semibold font-sans">
          Legend <CopyButton copied={() => ({ plain: plain(legend), html: html(legend) })} label="Copy the legend" />
        </h2>
        <p className="prose-serif max-w-[68ch] text-[15.5px]" data-testid="legend">
          <RichText text={legend} />
        </p>
      </article>
      <aside aria-label="How it is drawn" className="py-6 pr-6 text-sm max-[1100px]:pl-6">
        <KindControl {...props} />
        {(kind === 'means' || kind === 'shares') && <MeansControl {...props} />}
        {ofReadings && kind !== 'boxes' && <BarsControl {...props} />}
        {ofReadings && kind !== 'lines' && !shown.reported && <ReadingsControl {...props} />}
        {(ofReadings || kind === 'shares') && kind !== 'interaction' && <ComparedControl {...props} />}
        {kind === 'changes' && <ChangeControl {...props} />}
        <SizeControls {...props} />
        {upright && (
          <>
            <ValueTitleControl {...props} />
            <GroupTitleControl {...props} />
            {ofReadings && <ValueAxisControl {...props} />}
            <RulesControl {...props} />
          </>
        )}
        {(ofReadings || kind === 'shares') && (
          <Folded name="Marks" {...props} of={markParts}>
            <MarksControls {...props} />
          </Folded>
        )}
        {showsGroups(kind) && (
          <Folded
            name={places(kind) ? 'Names, colours, order' : paints(kind) ? 'Names and colours' : 'Names'}
            {...props}
            of={nameParts}
          >
            {upright && (
              <>
                <NamesControl {...props} />
                <SizesControl {...props} />
              </>
            )}
            <Choice name="Groups">
              <GroupsControl {...props} />
            </Choice>
          </Folded>
        )}
        <Folded name="Text and line weight" {...props} of={typeParts}>
          <TypeControls {...props} />
        </Folded>
        <StylesControl style={style} onTake={change} />
        <PanelsControl
          style={style}
          set={set}
          others={figures.map(({ id, label }) => ({ id, label, href: `/studies/${study}/figures/${id}` }))}
        />
        {drawn && size && (
          <Downloads
            drawing={drawn.drawing}
            size={size}
            family={style.font ?? 'sans'}
            name={name}
            pdf={`/api/figures/${figure.id}/pdf`}
            saved={saving.state === 'saved'}
          />
        )}
        {figures.length > 0 && (
          <p className="mt-1.5">
            <Hint says="Size, letters, lines, means, bars and comparisons; what each shows stays its own">
              <button type="button" className="plain-button" disabled={saving.state !== 'saved'} onClick={likeThis}>
                <Copy size={15} aria-hidden /> Draw all figures like this one
              </button>
            </Hint>
          </p>
        )}
        <p className="mt-1.5">
          <button type="button" className="plain-button" onClick={remove}>
            <Trash2 size={15} aria-hidden /> Remove this figure
          </button>
        </p>
        {trouble && (
          <p role="alert" className="text-error">
            {trouble}
          </p>
        )}
      </aside>
    </div>
  );
}

/** What stands in each folded part: told in its line where it is chosen. */
const markParts = [
  'fill',
  'columnWidth',
  'groupGap',
  'meanPt',
  'readingPt',
  'scatter',
  'barSide',
  'valueLabels',
] as const;
const nameParts = ['names', 'sizes', 'looks', 'order'] as const;
const typeParts = ['font', 'linePt'] as const;

/** Choices that are made now and then: folded, with how many of them are made. */
function Folded({
  name,
  style,
  of,
  children,
}: {
  name: string;
  style: FigureStyle;
  of: readonly (keyof FigureStyle)[];
  children: ReactNode;
}) {
  const chosen = of.filter((part) => style[part] !== undefined).length;
  return (
    <details className="border-b border-line py-1.5">
      <summary className="cursor-pointer text-muted hover:text-primary">
        {name}
        {chosen > 0 && <span className="ml-2 text-[13px]">{chosen} chosen</span>}
      </summary>
      <div className="pt-1 [&>*:last-child]:border-b-0">{children}</div>
    </details>
  );
}

/** A figure for the paper at its true size, how it is drawn beside it, its legend below. */
export const FigurePage = ({ kept, ...shown }: Shown & { kept: Packed<Kept> | undefined }) => (
  <WithTable id={shown.asked.tableId} kept={kept}>
    {(found) => <Page {...shown} readings={found} />}
  </WithTable>
);
