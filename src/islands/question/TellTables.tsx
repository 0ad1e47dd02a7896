import type { Answer } from '../../core/answer/answer';
import { asText } from '../../core/words/tables/result-table';
import { resultTables } from '../../core/words/tables/tables';
import { copiedTable } from '../../formats/copied-table';
import { CopyButton } from '../shared/CopyButton';
import { TextTableView } from '../shared/TextTableView';

/** The tables that go with an answer, each as it will stand in the paper. */
export default function TellTables({ answer }: { answer: Answer }) {
  return resultTables(answer).map((table) => {
    const text = asText(table);
    return (
      <details key={table.title} className="py-0.5" open>
        <summary className="w-fit cursor-pointer text-[14.5px]">{table.title}</summary>
        <div className="overflow-x-auto pb-2 pl-4">
          <TextTableView {...text} caption={table.title} captionShown={false} testId="tell-table" />
          <CopyButton copied={() => copiedTable(table)} label={`Copy the table: ${table.title}`} />
        </div>
      </details>
    );
  });
}
