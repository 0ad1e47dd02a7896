import { Copy, Download } from 'lucide-react';
import { useState } from 'react';
import type { Drawing } from '../../core/drawing/drawing';
import { Choose, asTheyRead } from '../kit/Parts';
import { tell, untell } from '../kit/tell';
import { save } from '../shared/save';
import { pngBlob, svgBlob, tiffBlob } from './download';

interface Props {
  drawing: Drawing;
  size: { widthMm: number; heightMm: number };
  family: 'sans' | 'serif';
  name: string;
  /** Where the server draws the same figure as PDF; it draws what is kept, so everything must be. */
  pdf: string;
  saved: boolean;
}

/** The figure as files and for the clipboard, all from one drawing. */
export function Downloads({ drawing, size, family, name, pdf, saved }: Props) {
  const [dpi, setDpi] = useState(300);
  const [bare, setBare] = useState(false);
  const trying = (run: () => Promise<string>) => {
    untell();
    run().then(
      (text) => text && tell({ text }),
      (error: unknown) =>
        tell({ text: error instanceof Error ? error.message : 'The file could not be made.', stays: true }),
    );
  };
  const download = (make: () => Promise<Blob>, ending: string) =>
    trying(async () => {
      save(await make(), `${name}.${ending}`);
      return '';
    });
  const copy = () =>
    trying(async () => {
      // The item is made at once, while the click still counts, and filled when the picture is there.
      await navigator.clipboard.write([new ClipboardItem({ 'image/png': pngBlob(drawing, size, dpi, family) })]);
      return 'Copied as a picture';
    });
  return (
    <div className="mt-5 space-y-1.5">
      <p>
        <button
          type="button"
          className="plain-button"
          onClick={() => download(() => svgBlob(drawing, size, family, bare), 'svg')}
        >
          <Download size={15} aria-hidden /> Download as SVG
        </button>
      </p>
      <p>
        {saved ? (
          <a className="plain-button" href={pdf} download={`${name}.pdf`}>
            <Download size={15} aria-hidden /> Download as PDF
          </a>
        ) : (
          <span className="text-muted">PDF once everything is saved</span>
        )}
      </p>
      <p>
        <button
          type="button"
          className="plain-button"
          onClick={() => download(() => pngBlob(drawing, size, dpi, family, bare), 'png')}
        >
          <Download size={15} aria-hidden /> Download as PNG
        </button>{' '}
        or{' '}
        <button
          type="button"
          className="plain-button"
          onClick={() => download(() => tiffBlob(drawing, size, dpi, family, bare), 'tiff')}
        >
          as TIFF
        </button>
        , at <Choose label="Dots per inch" value={dpi} options={asTheyRead([150, 300, 600, 1200])} onChange={setDpi} />{' '}
        dots per inch,{' '}
        <Choose
          label="Ground"
          value={bare ? 'bare' : 'white'}
          options={{ white: 'on white', bare: 'transparent' }}
          onChange={(ground) => setBare(ground === 'bare')}
        />
      </p>
      <p>
        <button type="button" className="plain-button" onClick={copy}>
          <Copy size={15} aria-hidden /> Copy the picture
        </button>
      </p>
    </div>
  );
}
