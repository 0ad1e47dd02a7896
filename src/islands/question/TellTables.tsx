import type { Answer } from '../../core/answer/answer';
import { resultTables } from '../../core/words/result-table';
import type { TextTable } from '../../core/words/subject-tables';
import { htmlTable } from '../../formats/html-document';
import { CopyButton } from '../shared/CopyButton';
import { TextTableView } from '../shared/TextTableView';

/** A table as rich text and as tab-separated text. */
const copiedTable = (table: TextTable) => ({
  plain: [table.title, table.head.join('\t'), ...table.rows.map((r) => r.join('\t'))].join('\n'),
  html: htmlTable(table),
});

/** A table as it will stand in the paper. */
function ShownTable({ table }: { table: TextTable }) {
  return (
    <div className="overflow-x-auto pb-2 pl-4">
      <TextTableView
        head={table.head}
        rows={table.rows}
        caption={table.title}
        captionShown={false}
        testId="tell-table"
      />
      <CopyButton copied={() => copiedTable(table)} label={`Copy the table: ${table.title}`} />
    </div>
  );
}

/** The tables that go with an answer, each as it will stand in the paper. */
export default function TellTables({ answer }: { answer: Answer }) {
  return resultTables(answer).map((table) => (
    <details key={table.title} className="py-0.5" open>
      <summary className="w-fit cursor-pointer text-[14.5px]">{table.title}</summary>
      <ShownTable table={table} />
    </details>
  ));
}
