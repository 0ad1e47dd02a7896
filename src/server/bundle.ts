import { zipSync } from 'fflate';
import { answer } from '../core/answering/answer';
import { DomainError } from '../core/numeric/domain-error';
import { headline } from '../core/telling/headline';
import { questionSentence } from '../core/telling/question';
import { methodsSentence, resultsSentence } from '../core/telling/report';
import { plain } from '../core/words/text';
import type { DrawnPiece } from '../core/write-up/piece';
import { settled } from '../core/write-up/settled';
import { htmlDocument } from '../formats/html-document';
import { markdownDocument } from '../formats/markdown';
import { type BundleExtras, readBundle, writeBundle } from '../formats/study-bundle';
import { families, svgFile } from '../formats/svg';
import type { Db } from '../store/open';
import { allStudies, createStudy, readContent } from '../store/studies';
import { drawnFigure, svgOf } from './drawn-figure';
import { studyPieces } from './pieces';
import { logLines } from './study-log';
import { nameless } from './who';

/** A question's answer with its words, as another program may read it. */
function toldAnswer(question: Parameters<typeof answer>[0], table: Parameters<typeof answer>[1]): unknown {
  const found = answer(question, table);
  if (!found.ok) return { reason: found.reason };
  const { comparison } = found.value;
  return {
    words: {
      question: questionSentence(found.value),
      methods: plain(methodsSentence(found.value)),
      ...(comparison.ok
        ? {
            headline: plain(headline(found.value, comparison.value).sentence),
            results: plain(resultsSentence(found.value, comparison.value)),
          }
        : { reason: comparison.reason }),
    },
    answer: found.value,
  };
}

/** A study as one file of open formats. @throws NotFound */
export function bundleOf(db: Db, studyId: string): Promise<Uint8Array> {
  const content = readContent(db, studyId);
  const there = content.tables.filter((t) => t.removed === undefined);
  const tables = new Map(there.map(({ id, table }) => [id, { ...table, id }]));
  const answers = Object.fromEntries(
    content.questions.flatMap(({ id, table, question }) => {
      const asked = tables.get(table);
      return asked ? [[id, toldAnswer(question, asked)]] : [];
    }),
  );
  const figures: Record<string, string> = {};
  for (const { id } of content.figures)
    try {
      figures[id] = svgOf(drawnFigure(db, id));
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
    }
  const inline = ({ drawing, widthMm, heightMm, font }: DrawnPiece): string =>
    svgFile(drawing, { widthMm, heightMm, face: { family: families[font] } }).replace(/^<\?xml[^>]*\?>\s*/, '');
  const pieces = content.writeUp && studyPieces(db, studyId);
  const blocks = content.writeUp && pieces && settled(content.writeUp, pieces);
  // Markdown points at the pictures beside it.
  const place = (drawn: DrawnPiece): string => {
    const i = content.figures.findIndex((f) => pieces?.figures[f.id]?.drawn === drawn);
    return `figures/${String(i + 1).padStart(2, '0')}.svg`;
  };
  const extras: BundleExtras = {
    answers,
    figures,
    ...(blocks
      ? {
          writeUp: {
            html: htmlDocument({ title: content.title, author: content.writeUp?.author }, blocks, inline),
            markdown: markdownDocument(blocks, place),
          },
        }
      : {}),
    log: nameless(logLines(db, studyId)).map(({ at, by, where, words, undone }) => ({
      at,
      by,
      where,
      what: words,
      undone,
    })),
  };
  return writeBundle(
    {
      ...content,
      tables: content.tables.flatMap((t) => nameless([{ ...t, by: t.by ?? '', changes: nameless(t.changes ?? []) }])),
      events: nameless(content.events ?? []),
    },
    extras,
  );
}

/** All studies on the shelf in one archive, each as its bundle. */
export async function allBundles(db: Db): Promise<Uint8Array> {
  const files: Record<string, Uint8Array> = {};
  for (const [i, { id, title }] of allStudies(db).entries())
    files[`${String(i + 1).padStart(2, '0')} ${safeName(title)}.zip`] = await bundleOf(db, id);
  // Each is packed already.
  return zipSync(files, { level: 0 });
}

/** A title as the name of a file. */
export const safeName = (title: string): string => title.replace(/[^\p{L}\p{N}._-]+/gu, ' ').trim() || 'study';

/** Puts a bundled study on the shelf. @returns its id, and what was changed in the file since it was saved @throws DomainError in words */
export async function openBundle(
  db: Db,
  bytes: Uint8Array,
  at: string,
): Promise<{ id: string; changed: string[] | undefined }> {
  const { content, changed } = await readBundle(bytes);
  return { id: createStudy(db, content, at), changed };
}
