import { Download } from 'lucide-react';
import { useStore } from '@nanostores/react';
import { type ReactNode, useEffect, useMemo, useState } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import { answer } from '../../core/answer/answer';
import type { Question } from '../../core/question/question';
import { figureScene } from '../../core/scenes/figure';
import type { FigureStyle } from '../../core/scenes/figure-style';
import { percent } from '../../core/words/numbers';
import { html, plain } from '../../core/words/text';
import { shortQuestion } from '../../core/words/question';
import { figureLegend } from '../../core/words/report';
import { Accepted } from '../shared/Accepted';
import { CopyButton } from '../shared/CopyButton';
import { useKeptValue } from '../shared/kept-value';
import { RichText } from '../shared/RichText';
import { NewerElsewhere } from '../shared/NewerElsewhere';
import { SaveState } from '../shared/SaveState';
import { type Kept, followTable, tableStore } from '../shared/table-store';
import { WithTable } from '../shared/WithTable';
import { save } from '../shared/save';
import { pngBlob, svgBlob } from './download';

function Choice({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[6.2rem_1fr] items-baseline border-b border-line py-1.5">
      <span className="text-muted">{name}</span>
      <span>{children}</span>
    </div>
  );
}

function Size({
  label,
  unit,
  value,
  least,
  most,
  onChange,
}: {
  label: string;
  unit: string;
  value: number;
  least: number;
  most: number;
  onChange: (value: number) => void;
}) {
  const [trouble, setTrouble] = useState('');
  return (
    <>
      <Accepted
        className="part w-12"
        aria-label={label}
        inputMode="decimal"
        value={String(value)}
        onAccept={(text) => {
          const typed = Number(text.replace(',', '.'));
          if (text !== '' && typed >= least && typed <= most) {
            setTrouble('');
            onChange(typed);
          } else setTrouble(`“${text}” is not between ${least} and ${most}: kept at ${value}.`);
        }}
      />{' '}
      {unit}
      {trouble && (
        <span role="alert" className="block text-[13px] text-error">
          {trouble}
        </span>
      )}
    </>
  );
}

interface Shown {
  study: string;
  figure: { id: string; style: FigureStyle; revision: number };
  asked: { id: string; tableId: string; question: Question };
}

function Page({ study, figure, asked, kept }: Shown & { kept: Kept }) {
  const {
    value: style,
    change,
    saving,
  } = useKeptValue(`/api/figures/${figure.id}`, 'style', figure.style, figure.revision);
  const [store] = useState(() => tableStore(kept));
  const table = useStore(store.$table);
  useEffect(() => followTable(store), [store]);
  const [dpi, setDpi] = useState(300);
  const [trouble, setTrouble] = useState('');
  const result = useMemo(() => answer(asked.question, table), [asked, table]);
  const drawing = useMemo(() => (result.ok ? layout(figureScene(result.value, style)) : undefined), [result, style]);
  if (!result.ok || !drawing)
    return (
      <p className="prose-serif p-6" role="status">
        {result.ok ? '' : result.reason}
      </p>
    );
  const set = (part: Partial<FigureStyle>) => change({ ...style, ...part });
  const legend = figureLegend(result.value, style);
  const name =
    shortQuestion(result.value)
      .replace(/[^\p{L}\p{N} ._-]+/gu, ' ')
      .trim() || 'figure';
  const download = (make: () => Promise<Blob>, ending: string) => {
    setTrouble('');
    make()
      .then((blob) => save(blob, `${name}.${ending}`))
      .catch((error: unknown) => setTrouble(error instanceof Error ? error.message : 'The file could not be made.'));
  };

  return (
    <div className="flex max-[1100px]:flex-col">
      <article className="min-w-0 grow px-6 pb-12">
        <div className="flex h-7 items-end justify-end">
          <SaveState saving={saving} />
        </div>
        <NewerElsewhere saving={saving} what="figure" />
        <h1 className="prose-serif text-[23px]">{shortQuestion(result.value)}</h1>
        <p className="text-sm text-muted">
          At true size: {style.widthMm} by {style.heightMm} mm.{' '}
          <a className="plain-button" href={`/studies/${study}/questions/${asked.id}`}>
            To its question
          </a>
        </p>
        <div className="my-5 overflow-x-auto" data-testid="figure">
          <div className="w-fit bg-white p-3" data-theme="page">
            <DrawingView drawing={drawing} physical={style} />
          </div>
        </div>
        <h2 className="flex items-baseline gap-4 text-sm font-semibold font-sans">
          Legend <CopyButton copied={() => ({ plain: plain(legend), html: html(legend) })} label="Copy the legend" />
        </h2>
        <p className="prose-serif max-w-[68ch] text-[15.5px]" data-testid="legend">
          <RichText text={legend} />
        </p>
      </article>
      <aside
        aria-label="How it is drawn"
        className="w-72 shrink-0 py-6 pr-6 text-sm max-[1100px]:w-full max-[1100px]:pl-6"
      >
        <Choice name="Means as">
          <select
            className="part"
            aria-label="Means as"
            value={style.marks}
            onChange={(e) => set({ marks: e.target.value as FigureStyle['marks'] })}
          >
            <option value="columns">columns</option>
            <option value="points">points</option>
          </select>
        </Choice>
        <Choice name="Error bars">
          <select
            className="part"
            aria-label="Error bars"
            value={style.bars}
            onChange={(e) => set({ bars: e.target.value as FigureStyle['bars'] })}
          >
            <option value="sd">SD</option>
            <option value="sem">SEM</option>
            <option value="interval">{percent(asked.question.level)} CI</option>
          </select>
        </Choice>
        <Choice name="Each reading">
          <select
            className="part"
            aria-label="Each reading"
            value={style.readings ? 'shown' : 'hidden'}
            onChange={(e) => set({ readings: e.target.value === 'shown' })}
          >
            <option value="shown">shown</option>
            <option value="hidden">not shown</option>
          </select>
        </Choice>
        <Choice name="Width">
          <Size
            label="Width in millimetres"
            unit="mm"
            value={style.widthMm}
            least={30}
            most={250}
            onChange={(widthMm) => set({ widthMm })}
          />
        </Choice>
        <Choice name="Height">
          <Size
            label="Height in millimetres"
            unit="mm"
            value={style.heightMm}
            least={30}
            most={250}
            onChange={(heightMm) => set({ heightMm })}
          />
        </Choice>
        <Choice name="Text">
          <Size
            label="Text size in points"
            unit="pt"
            value={style.fontPt}
            least={5}
            most={14}
            onChange={(fontPt) => set({ fontPt })}
          />
        </Choice>
        <div className="mt-5 space-y-2">
          <p>
            <button
              type="button"
              className="plain-button"
              onClick={() => download(() => svgBlob(drawing, style), 'svg')}
            >
              <Download size={15} aria-hidden /> Download as SVG
            </button>
          </p>
          <p>
            <button
              type="button"
              className="plain-button"
              onClick={() => download(() => pngBlob(drawing, style, dpi), 'png')}
            >
              <Download size={15} aria-hidden /> Download as PNG
            </button>{' '}
            at{' '}
            <select
              className="part"
              aria-label="Dots per inch"
              value={dpi}
              onChange={(e) => setDpi(Number(e.target.value))}
            >
              {[150, 300, 600].map((d) => (
                <option key={d} value={d}>
                  {d}
                </option>
              ))}
            </select>{' '}
            dots per inch
          </p>
          {trouble && (
            <p role="alert" className="text-error">
              {trouble}
            </p>
          )}
        </div>
      </aside>
    </div>
  );
}

/** A figure for the paper at its true size, how it is drawn beside it, its legend below. */
export const FigurePage = ({ kept, ...shown }: Shown & { kept: Kept | undefined }) => (
  <WithTable id={shown.asked.tableId} kept={kept}>
    {(found) => <Page {...shown} kept={found} />}
  </WithTable>
);
