import { useEffect, useMemo, useState } from 'react';
import { answer } from '../../core/answer/answer';
import type { FigureStyle } from '../../core/figures/figure-style';
import type { PlatePart } from '../../core/figures/plate';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { fetchTable } from '../shared/fetch-table';
import { followTable, tableStore } from '../shared/table-store';

/** A figure of the study with the question it shows. */
export interface StudyFigure {
  id: string;
  label: string;
  style: FigureStyle;
  asked: { id: string; tableId: string; question: Question };
}

/**
 * The figures drawn beside one, answered from their own tables, which are fetched and followed like the page's own.
 * Undefined until all are there; those that cannot be answered give their reason instead.
 */
export function usePanels(
  ids: readonly string[],
  figures: readonly StudyFigure[],
  own: Table,
): { parts: PlatePart[]; troubles: string[] } | undefined {
  const [tables, setTables] = useState<ReadonlyMap<string, Table>>(new Map());
  const wanted = useMemo(() => ids.flatMap((id) => figures.find((f) => f.id === id) ?? []), [ids, figures]);
  const others = [...new Set(wanted.map((f) => f.asked.tableId).filter((id) => id !== own.id))].join(' ');
  useEffect(() => {
    const stops: (() => void)[] = [];
    let gone = false;
    for (const id of others === '' ? [] : others.split(' '))
      void fetchTable(id).then((kept) => {
        if (gone) return;
        const store = tableStore(kept);
        stops.push(
          followTable(store),
          store.$table.subscribe((table) => setTables((before) => new Map(before).set(id, table))),
        );
      });
    return () => {
      gone = true;
      for (const stop of stops) stop();
    };
  }, [others]);
  return useMemo(() => {
    const parts: PlatePart[] = [];
    const troubles: string[] = [];
    for (const { style, asked, label } of wanted) {
      const table = asked.tableId === own.id ? own : tables.get(asked.tableId);
      if (!table) return undefined;
      const found = answer(asked.question, table);
      if (found.ok) parts.push({ answer: found.value, style });
      else troubles.push(`${label}: ${found.reason}`);
    }
    return { parts, troubles };
  }, [wanted, tables, own]);
}
