import PDFDocument from 'pdfkit';
import { onPaper } from '../core/drawing/colours';
import type { Drawing, Shape } from '../core/drawing/drawing';

/** What is asked of a font that the package has opened. */
interface Font {
  hasGlyphForCodePoint: (code: number) => boolean;
}

/** The files of one face, a script each: the first that has a letter sets it. */
export interface Face {
  regular: Uint8Array[];
  bold: Uint8Array[];
}

export interface PdfOptions {
  widthMm: number;
  heightMm: number;
  face: Face;
  title: string;
  /** Leaves the page's content readable, for tests. */
  plain?: boolean;
}

/** A drawing as a PDF of one page at its true size: lines and letters, no pixels; its fonts inside. */
export async function pdfFile(
  drawing: Drawing,
  { widthMm, heightMm, face, title, plain = false }: PdfOptions,
): Promise<Uint8Array> {
  const points = (mm: number): number => (mm / 25.4) * 72;
  const size: [number, number] = [points(widthMm), points(heightMm)];
  const doc = new PDFDocument({
    size,
    margin: 0,
    compress: !plain,
    info: { Title: title },
    lang: 'en',
    displayTitle: true,
  });
  const parts: Uint8Array[] = [];
  doc.on('data', (part: Uint8Array) => parts.push(part));
  const done = new Promise<void>((resolve) => doc.on('end', resolve));

  // A file is opened when a letter asks for it: only those that set something come into the document.
  const opened = new Map<string, Font>();
  const open = (weight: keyof Face, i: number): Font => {
    const name = `${weight}-${i}`;
    doc.font(name);
    const font = opened.get(name) ?? (doc as unknown as { _font: { font: Font } })._font.font;
    opened.set(name, font);
    return font;
  };
  for (const weight of ['regular', 'bold'] as const)
    face[weight].forEach((file, i) => doc.registerFont(`${weight}-${i}`, file));
  const fileFor = (letter: string, weight: keyof Face): string => {
    const i = face[weight].findIndex((_, k) => open(weight, k).hasGlyphForCodePoint(letter.codePointAt(0) ?? 0));
    return `${weight}-${Math.max(0, i)}`;
  };
  /** A text cut where another file of the face must set it. */
  const runs = (text: string, weight: keyof Face): { text: string; name: string }[] => {
    const out: { text: string; name: string }[] = [];
    for (const letter of text) {
      const name = fileFor(letter, weight);
      const last = out.at(-1);
      if (last?.name === name) last.text += letter;
      else out.push({ text: letter, name });
    }
    return out;
  };

  const setText = (shape: Extract<Shape, { shape: 'text' }>): void => {
    const pieces = runs(shape.text, shape.bold ? 'bold' : 'regular').map((run) => {
      doc.font(run.name).fontSize(shape.size);
      return { ...run, width: doc.widthOfString(run.text) };
    });
    const all = pieces.reduce((w, p) => w + p.width, 0);
    let x = shape.x - (shape.anchor === 'end' ? all : shape.anchor === 'middle' ? all / 2 : 0);
    doc.save();
    if (shape.turn) doc.rotate(shape.turn, { origin: [shape.x, shape.y] });
    for (const piece of pieces) {
      doc.font(piece.name).fontSize(shape.size).fillColor(onPaper(shape.ink), 1);
      doc.text(piece.text, x, shape.y, { lineBreak: false, baseline: 'alphabetic' });
      x += piece.width;
    }
    doc.restore();
  };

  const draw = (shape: Shape): void => {
    const colour = onPaper(shape.ink);
    switch (shape.shape) {
      case 'line':
        doc.save();
        if (shape.dash) doc.dash(3, { space: 3 });
        doc.moveTo(shape.x1, shape.y1).lineTo(shape.x2, shape.y2).lineWidth(shape.weight).stroke(colour);
        doc.restore();
        break;
      case 'rect':
        doc.save().rect(shape.x, shape.y, shape.width, shape.height).fillOpacity(shape.tint).fill(colour).restore();
        break;
      case 'path':
        doc.save();
        if (shape.dash) doc.dash(3, { space: 3 });
        doc.path(shape.d).lineWidth(shape.weight || 0);
        if (shape.open) doc.stroke(colour);
        else {
          doc.fillOpacity(shape.tint ?? 1);
          const fill = shape.filled ? colour : '#ffffff';
          if (shape.weight) doc.fillAndStroke(fill, colour);
          else doc.fill(fill);
        }
        doc.restore();
        break;
      case 'text':
        setText(shape);
    }
  };
  // A drawing's own units need not be points.
  doc.scale(size[0] / drawing.width);
  drawing.shapes.forEach(draw);
  doc.end();
  await done;
  const bytes = new Uint8Array(parts.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const part of parts) {
    bytes.set(part, at);
    at += part.length;
  }
  return bytes;
}
