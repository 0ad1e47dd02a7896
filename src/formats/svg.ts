import type { Drawing, Shape } from '../core/drawing/drawing';
import { onPaper } from '../core/drawing/colours';

const escaped = (raw: string): string =>
  raw
    // Control characters may not stand in XML at all.
    // eslint-disable-next-line no-control-regex
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;');

const number = (x: number): string => String(Math.round(x * 1e4) / 1e4);

function element(tag: string, attributes: Record<string, string | number | undefined>, inner?: string): string {
  const list = Object.entries(attributes)
    .filter((pair): pair is [string, string | number] => pair[1] !== undefined)
    .map(([key, value]) => ` ${key}="${typeof value === 'number' ? number(value) : escaped(value)}"`)
    .join('');
  return inner === undefined ? `<${tag}${list}/>` : `<${tag}${list}>${inner}</${tag}>`;
}

function shapeElement(shape: Shape): string {
  const colour = onPaper(shape.ink);
  switch (shape.shape) {
    case 'line': {
      const { x1, y1, x2, y2, weight, dash, name } = shape;
      return element('line', {
        x1,
        y1,
        x2,
        y2,
        stroke: colour,
        'stroke-width': weight,
        'stroke-dasharray': dash ? '3 3' : undefined,
        'data-mark': name,
      });
    }
    case 'rect': {
      const { x, y, width, height, tint, name } = shape;
      return element('rect', { x, y, width, height, fill: colour, 'fill-opacity': tint, 'data-mark': name });
    }
    case 'path':
      return element(
        'path',
        {
          d: shape.d,
          fill: shape.open ? 'none' : shape.filled ? colour : onPaper('paper'),
          'fill-opacity': shape.tint,
          'stroke-dasharray': shape.dash ? '3 3' : undefined,
          stroke: shape.weight ? colour : undefined,
          'stroke-width': shape.weight || undefined,
          'data-mark': shape.name,
        },
        shape.title ? element('title', {}, escaped(shape.title)) : undefined,
      );
    case 'text':
      return element(
        'text',
        {
          x: shape.x,
          y: shape.y,
          fill: colour,
          'font-size': shape.size,
          'font-weight': shape.bold ? 600 : undefined,
          'text-anchor': shape.anchor,
          'data-mark': shape.name,
          ...(shape.halo ? { stroke: onPaper('paper'), 'stroke-width': 4, 'paint-order': 'stroke' } : {}),
          transform: shape.turn ? `rotate(${shape.turn} ${number(shape.x)} ${number(shape.y)})` : undefined,
        },
        escaped(shape.text),
      );
  }
}

/** What an exported file needs besides its shapes. */
export interface SvgOptions {
  widthMm: number;
  heightMm: number;
  /** The face texts are set in; with its file as base64 WOFF2, which makes the picture look the same everywhere. */
  face?: { family: string; file?: string };
  /** Whether nothing lies behind it. */
  bare?: boolean;
}

/** The faces figures are set in. */
export const families = { sans: 'Source Sans 3', serif: 'Source Serif 4' } as const;

/** A drawing as a stand-alone SVG file: true size in millimetres, text as text, on white paper unless `bare`. */
export function svgFile(drawing: Drawing, { widthMm, heightMm, face, bare = false }: SvgOptions): string {
  const family = face?.family ?? families.sans;
  const style = face?.file
    ? element(
        'style',
        {},
        `@font-face{font-family:'${family}';font-weight:200 900;src:url(data:font/woff2;base64,${face.file}) format('woff2')}`,
      )
    : '';
  const body = drawing.shapes.map(shapeElement).join('\n');
  return `<?xml version="1.0" encoding="UTF-8"?>\n${element(
    'svg',
    {
      xmlns: 'http://www.w3.org/2000/svg',
      width: `${number(widthMm)}mm`,
      height: `${number(heightMm)}mm`,
      viewBox: `0 0 ${number(drawing.width)} ${number(drawing.height)}`,
      'font-family': `'${family}', ${family === families.serif ? 'serif' : 'sans-serif'}`,
      role: 'img',
    },
    `${element('title', {}, escaped(drawing.alt))}${style}\n${bare ? '' : element('rect', { width: '100%', height: '100%', fill: '#ffffff' })}\n${body}\n`,
  )}\n`;
}
