import { useMemo } from 'react';
import { type WayOut, waysOut } from '../../core/answering/ways-out';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';

/** What could be asked instead, where there is a reason why there is no answer. */
export const useWaysOut = (reason: string, question: Question, table: Table): WayOut[] =>
  useMemo(() => (reason === '' ? [] : waysOut(question, table)), [reason, question, table]);
