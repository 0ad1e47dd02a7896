import { Download, Printer } from 'lucide-react';
import type { TextTable } from '../../core/words/tables/result-table';
import { plain } from '../../core/words/text';
import { htmlDocument, htmlTable } from '../../formats/html-document';
import { CopyButton } from '../shared/CopyButton';
import { save } from '../shared/save';
import { TextTableView } from '../shared/TextTableView';

/** A registered question on a page of its own: to print, to copy, or as a file. */
export function RegistrationPage({ title, sentence, table }: { title: string; sentence: string; table: TextTable }) {
  const lines = [sentence, ...table.rows.map((row) => row.map(plain).join('\t'))];
  const download = () => {
    const blocks = [
      { kind: 'heading' as const, level: 1, runs: [{ text: sentence }] },
      { kind: 'table' as const, table },
    ];
    save(
      new Blob([htmlDocument({ title: `Registration, ${title}` }, blocks, () => '')], { type: 'text/html' }),
      'registration.html',
    );
  };
  return (
    <article className="px-6 py-5">
      <p className="part-of-page">Registration · {title}</p>
      <h1 className="prose-serif max-w-[60ch] text-[23px] leading-9">{sentence}</h1>
      <div className="mt-4 max-w-[80ch]">
        <TextTableView {...table} captionShown={false} caption={table.title} testId="registration-table" />
      </div>
      <p className="not-print mt-5 flex flex-wrap gap-x-6 gap-y-1">
        <button type="button" className="plain-button" onClick={() => window.print()}>
          <Printer size={15} aria-hidden /> Print, or keep as PDF
        </button>
        <button type="button" className="plain-button" onClick={download}>
          <Download size={15} aria-hidden /> Download as HTML
        </button>
        <CopyButton copied={() => ({ plain: lines.join('\n'), html: htmlTable(table) })} />
      </p>
    </article>
  );
}
