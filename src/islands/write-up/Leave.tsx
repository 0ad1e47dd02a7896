import { useStore } from '@nanostores/react';
import { Download, Printer } from 'lucide-react';
import type { WriteUp } from '../../core/write-up/document';
import type { DrawnPiece } from '../../core/write-up/piece';
import { settled } from '../../core/write-up/settled';
import { families, svgFile } from '../../formats/svg';
import { tell, untell } from '../kit/tell';
import { save } from '../shared/save';
import type { PiecesStore } from './pieces-store';

/** A figure as SVG without its font, to stand within a document. */
const svg = ({ drawing, widthMm, heightMm, font }: DrawnPiece): string =>
  svgFile(drawing, { widthMm, heightMm, face: { family: families[font] } }).replace(/^<\?xml[^>]*\?>\s*/, '');

interface Props {
  title: string;
  writeUp: () => WriteUp;
  author: string;
  onAuthor: (author: string) => void;
  store: PiecesStore;
}

/** The write-up as files; each format comes in a script of its own when it is asked for. */
export function Leave({ title, writeUp, author, onAuthor, store }: Props) {
  const pieces = useStore(store);
  const name = title.replace(/[^\p{L}\p{N} ._-]+/gu, ' ').trim() || 'write-up';
  const making = (ending: string, make: () => Promise<Blob>) => {
    untell();
    make().then(
      (blob) => save(blob, `${name}.${ending}`),
      (error: unknown) =>
        tell({ text: error instanceof Error ? error.message : 'The file could not be made.', stays: true }),
    );
  };
  const blocks = () => settled(writeUp(), pieces);
  const docx = () =>
    making('docx', async () => {
      const [{ docxFile }, { pngBlob }] = await Promise.all([
        import('../../formats/docx'),
        import('../figure/download'),
      ]);
      return docxFile(
        { title, author },
        blocks(),
        async (figure) => new Uint8Array(await (await pngBlob(figure.drawing, figure, 300, figure.font)).arrayBuffer()),
      );
    });
  const html = () =>
    making('html', async () => {
      const { htmlDocument } = await import('../../formats/html-document');
      return new Blob([htmlDocument({ title, author }, blocks(), svg)], { type: 'text/html' });
    });
  const markdown = () =>
    making('zip', async () => {
      const { markdownFile } = await import('../../formats/markdown');
      return new Blob([markdownFile(name, blocks(), svg)], { type: 'application/zip' });
    });
  return (
    <section aria-label="Export" className="space-y-1">
      <h2 className="part-of-page">Export</h2>
      <label className="block pb-1">
        Authors{' '}
        <input
          className="part w-full text-left"
          value={author}
          maxLength={300}
          placeholder="for the properties of the files"
          onChange={(e) => onAuthor(e.target.value)}
        />
      </label>
      {(
        [
          ['as DOCX', docx],
          ['as HTML', html],
          ['as Markdown with figures', markdown],
        ] as const
      ).map(([words, go]) => (
        <p key={words}>
          <button type="button" className="plain-button" onClick={go}>
            <Download size={15} aria-hidden /> Download {words}
          </button>
        </p>
      ))}
      <p>
        <button type="button" className="plain-button" onClick={() => window.print()}>
          <Printer size={15} aria-hidden /> Print, or keep as PDF
        </button>
      </p>
    </section>
  );
}
