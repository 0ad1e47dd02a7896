/** Several figures as panels of one: the same size, their axes in line, each with its letter. */
import { leastOf, mostOf } from '../numeric/extremes';
import type { Answer } from '../answer/answer';
import { bare, label } from '../drawing/marks';
import type { Panel, Scene } from '../drawing/scene';
import { figure } from './figure';
import { type Text, text } from '../words/text';
import type { FigureKind, FigureStyle } from './figure-style';
import { kindOf } from './kinds';
import { figureLegend } from './legend';
import { pointsPerMm } from './sizes';
import type { Drawn, Margins } from './upright';

export interface PlatePart {
  answer: Answer;
  style: FigureStyle;
}

export interface Plate {
  scene: Scene;
  /** Size in millimetres: of all panels together. */
  widthMm: number;
  heightMm: number;
  remarks: string[];
  /** Of each panel, its letter and how comparisons are shown in it. */
  parts: { letter: string; band: Drawn['band'] }[];
}

const letterOf = (i: number, kind: FigureStyle['panelLetters']): string =>
  kind === 'none' ? '' : String.fromCharCode((kind === 'small' ? 97 : 65) + i);

/** A panel at its place; what is drawn in it goes by the number of its figure, so that a click tells whose it is. */
const moved = (panel: Panel, x: number, y: number, i: number): Panel => ({
  ...panel,
  left: panel.left + x,
  top: panel.top + y,
  marks: i === 0 ? panel.marks : panel.marks.map((m) => (m.name ? { ...m, name: `${i}/${m.name}` } : m)),
});

const most = (drawn: readonly Drawn[]): Margins => ({
  left: mostOf(drawn.map((d) => d.margins.left)),
  right: mostOf(drawn.map((d) => d.margins.right)),
  top: mostOf(drawn.map((d) => d.margins.top)),
  bottom: mostOf(drawn.map((d) => d.margins.bottom)),
});

/** Figures whose values stand upwards on an axis that other panels can share. */
const scaled: readonly FigureKind[] = ['means', 'boxes', 'lines', 'interaction'];

/** The panels' styles with one axis of values for all of one unit: it holds what each of them shows. */
function onOneScale(all: readonly PlatePart[], styles: readonly FigureStyle[]): FigureStyle[] {
  const axes = all.map(({ answer }, i) => {
    const style = styles[i];
    if (!style || !scaled.includes(kindOf(answer, style))) return undefined;
    const axis = figure(answer, style).scene.panels[0]?.y;
    return axis && { domain: axis.domain, of: `${answer.unit}\n${String(axis.log ?? false)}` };
  });
  return styles.map((style, i) => {
    const same = axes.flatMap((axis) => (axis && axis.of === axes[i]?.of ? [axis.domain] : []));
    if (same.length < 2) return style;
    return { ...style, from: leastOf(same.map(([from]) => from)), to: mostOf(same.map(([, to]) => to)) };
  });
}

/**
 * Draws the figure, with those beside it. The first one's style gives the width of the whole, the height of a row, the
 * type and the line weight of all.
 */
export function plate(first: PlatePart, others: readonly PlatePart[] = []): Plate {
  const { style } = first;
  if (others.length === 0) {
    const { scene, remarks, band } = figure(first.answer, style);
    const { widthMm, heightMm } = style;
    return { scene, widthMm, heightMm, remarks, parts: [{ letter: '', band }] };
  }
  const all = [first, ...others];
  const across = Math.min(all.length, style.across ?? 2);
  const rows = Math.ceil(all.length / across);
  const { fontPt, font, linePt } = style;
  const widthMm = style.widthMm / across;
  const own = all.map(({ style: of }): FigureStyle => ({
    ...of,
    widthMm,
    heightMm: style.heightMm,
    fontPt,
    font,
    linePt,
  }));
  // A first drawing tells what scale each would have, the next the margins it would take; in the last, panels of one unit
  // share their scale where that is wished, and panels of a column or row keep the same margins.
  const styles = style.sharedScale ? onOneScale(all, own) : own;
  const natural = all.map((part, i) => figure(part.answer, styles[i] ?? style));
  const letterRoom = style.panelLetters === 'none' ? 0 : fontPt * 1.6;
  const drawn = all.map((part, i) => {
    const column = most(natural.filter((_, j) => j % across === i % across));
    const row = most(natural.filter((_, j) => Math.floor(j / across) === Math.floor(i / across)));
    const least = { left: column.left, right: column.right, top: row.top + letterRoom, bottom: row.bottom };
    return figure(part.answer, styles[i] ?? style, least);
  });
  const [wide, high] = [widthMm * pointsPerMm, style.heightMm * pointsPerMm];
  const panels = drawn.flatMap((d, i): Panel[] => {
    const [x, y] = [(i % across) * wide, Math.floor(i / across) * high];
    const letter = letterOf(i, style.panelLetters);
    return [
      ...d.scene.panels.map((p) => moved(p, x, y, i)),
      ...(letter
        ? [
            {
              left: x,
              top: y,
              width: wide,
              height: high,
              x: bare(0, 1),
              y: bare(0, 1),
              marks: [
                label(letter, 0, 1, {
                  dx: 1,
                  dy: fontPt * 1.25,
                  bold: true,
                  size: fontPt * 1.25,
                  name: 'panel-letter',
                }),
              ],
            },
          ]
        : []),
    ];
  });
  return {
    scene: {
      width: style.widthMm * pointsPerMm,
      height: high * rows,
      fontSize: fontPt,
      lineWeight: drawn[0]?.scene.lineWeight ?? 0.75,
      panels,
      alt: drawn.map((d, i) => `${letterOf(i, style.panelLetters)} ${d.scene.alt}`.trim()).join(' '),
    },
    widthMm: style.widthMm,
    heightMm: style.heightMm * rows,
    remarks: drawn.flatMap((d, i) => d.remarks.map((r) => `${letterOf(i, style.panelLetters)} ${r}`.trim())),
    parts: drawn.map((d, i) => ({ letter: letterOf(i, style.panelLetters), band: d.band })),
  };
}

/** The legend of a figure with those beside it, each after its letter. */
export const plateLegend = (shown: readonly PlatePart[], { parts }: Pick<Plate, 'parts'>): Text =>
  parts.flatMap(({ letter, band }, i): Text => {
    const part = shown[i];
    if (!part) return [];
    const said = figureLegend(part.answer, part.style, band);
    return letter ? text`${i === 0 ? '' : ' '}(${letter}) ${said}` : said;
  });
