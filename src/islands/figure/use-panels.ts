import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { type DrawnPlate, drawnPlate } from '../../charts/drawn-plate';
import { answer } from '../../core/answering/answer';
import { isQuick } from '../../core/answering/weight';
import type { FigureStyle } from '../../core/figures/figure-style';
import type { PlatePart } from '../../core/figures/plate';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { Desk } from '../question/desk';
import { fetchTable } from '../shared/fetch-table';
import { followTable, tableStore } from '../shared/table-store';

/** A figure of the study with the question it shows. */
export interface StudyFigure {
  id: string;
  label: string;
  style: FigureStyle;
  asked: { id: string; tableId: string; question: Question };
}

/** A panel with the readings it is of. */
interface PanelAsked {
  label: string;
  style: FigureStyle;
  question: Question;
  table: Table;
}

/** Several figures drawn as one, and what stands in the way of those that are not drawn with them. */
interface Panels {
  made: DrawnPlate | undefined;
  troubles: string[];
}

const trouble = ({ label }: PanelAsked, reason: string): string => `${label}: ${reason}`;

/** Drawn at once, from answers worked out here. Undefined where the first has none: its page says why. */
function drawnHere(panels: readonly PanelAsked[]): Panels {
  const parts: PlatePart[] = [];
  const troubles: string[] = [];
  for (const [i, panel] of panels.entries()) {
    const found = answer(panel.question, panel.table);
    if (found.ok) parts.push({ answer: found.value, style: panel.style });
    else if (i === 0) return { made: undefined, troubles };
    else troubles.push(trouble(panel, found.reason));
  }
  const [first, ...others] = parts;
  return { made: first && drawnPlate(first, others), troubles };
}

/** The tables of the figures, fetched and followed like the page's own. */
function useTables(ids: readonly string[]): ReadonlyMap<string, Table> {
  const [tables, setTables] = useState<ReadonlyMap<string, Table>>(new Map());
  const key = ids.join(' ');
  useEffect(() => {
    const stops: (() => void)[] = [];
    let gone = false;
    for (const id of key === '' ? [] : key.split(' '))
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
  }, [key]);
  return tables;
}

/**
 * A figure with those named drawn beside it: here where each answer takes less than a frame, else at a desk, which works
 * out the answers that changed and draws. Undefined until all tables are there, and where none is named.
 */
export function usePanels(
  own: Omit<PanelAsked, 'label'>,
  ids: readonly string[],
  figures: readonly StudyFigure[],
): Panels | undefined {
  const { style, question, table } = own;
  const wanted = useMemo(() => ids.flatMap((id) => figures.find((f) => f.id === id) ?? []), [ids, figures]);
  const tables = useTables([...new Set(wanted.map((f) => f.asked.tableId).filter((id) => id !== table.id))]);
  const panels = useMemo(() => {
    if (ids.length === 0) return undefined;
    const beside = wanted.flatMap(({ label, style: its, asked }): PanelAsked[] => {
      const of = asked.tableId === table.id ? table : tables.get(asked.tableId);
      return of ? [{ label, style: its, question: asked.question, table: of }] : [];
    });
    return beside.length === wanted.length ? [{ label: '', style, question, table }, ...beside] : undefined;
  }, [ids, wanted, tables, style, question, table]);
  const light = panels?.every((panel) => isQuick(panel.question, panel.table));
  const here = useMemo(() => (panels && light ? drawnHere(panels) : undefined), [panels, light]);

  const desk = useRef<Desk | undefined>(undefined);
  const [there, setThere] = useState<{ panels: readonly PanelAsked[] } & Panels>();
  useEffect(() => () => desk.current?.end(), []);
  useEffect(() => {
    if (!panels || light) return;
    let left = false;
    const at = (desk.current ??= new Desk());
    void at
      .plate(panels, () => left)
      .then((found) => {
        if (left || !found) return;
        const troubles = panels.flatMap((panel, i) =>
          i > 0 && found.reasons[i] ? trouble(panel, found.reasons[i]) : [],
        );
        startTransition(() => setThere({ panels, made: found.made, troubles }));
      });
    return () => {
      left = true;
    };
  }, [panels, light]);
  return here ?? (panels && there);
}
