/** Answers questions off the page's thread, where they may take longer than a frame. Stopped by ending the worker. */
import { expose } from 'comlink';
import { answer } from '../core/answer/answer';
import type { Question } from '../core/question/question';
import type { Table } from '../core/readings/table';

const calls = { answer: (question: Question, table: Table) => answer(question, table) };
export type AnswerCalls = typeof calls;
expose(calls);
