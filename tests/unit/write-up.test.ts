import { expect } from 'chai';
import mammoth from 'mammoth';
import * as v from 'valibot';
import { type WriteUp as Doc, WriteUp, piecesIn } from '../../src/core/write-up/document';
import { draftOf } from '../../src/core/write-up/draft';
import { lastOf, readingOf, seenAs, whyLast } from '../../src/core/write-up/piece';
import { settled } from '../../src/core/write-up/settled';
import { eventWords } from '../../src/core/words/events';
import { plain } from '../../src/core/words/text';
import { docxFile } from '../../src/formats/docx';
import { htmlDocument } from '../../src/formats/html-document';
import { markdownDocument } from '../../src/formats/markdown';
import { startDemo } from '../../src/server/demo-study';
import { studyPieces } from '../../src/server/pieces';
import { logLines, shortLog } from '../../src/server/study-log';
import { figuresOf, makeFigure, updateFigure } from '../../src/store/figures';
import { type Db, openDb } from '../../src/store/open';
import { questionsOf, removeQuestion, updateQuestion } from '../../src/store/questions';
import { restoreStudyTo } from '../../src/store/restore';
import { readContent, readStudy, renameStudy, tableIdsOf } from '../../src/store/studies';
import { addTable, deleteTable, editTable, readTable } from '../../src/store/tables';
import { readWriteUp, updateWriteUp } from '../../src/store/write-ups';

const moment = (minute: number): string => `2026-01-02T03:${String(minute).padStart(2, '0')}:00.000Z`;
/** A pixel, as a picture that takes no drawing. */
const pixel = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

describe('the write-up', () => {
  let db: Db;
  let study: string;
  beforeEach(() => {
    db = openDb(':memory:', process.cwd());
    study = startDemo(db, moment(0));
  });
  afterEach(() => db.$client.close());
  const pieces = () => studyPieces(db, study);

  it('is drafted from the questions: methods, results, figures, tables, all of it seen', () => {
    const order = questionsOf(db, study).map(({ id }) => ({
      id,
      figures: figuresOf(db, study).flatMap((f) => (f.questionId === id ? [f.id] : [])),
    }));
    const draft = draftOf('Kelp', order, pieces());
    expect(v.parse(WriteUp, draft)).to.deep.equal(draft);
    const all = piecesIn(draft);
    const of = (type: string) => all.filter((p) => p.type === type).length;
    expect(of('liveFigure')).to.equal(figuresOf(db, study).length);
    expect(of('sentence')).to.equal(2 * order.length);
    expect(of('answerTable')).to.equal(order.filter((q) => q.figures.length === 0).length);
    for (const piece of all) expect(seenAs(readingOf(piece, pieces())!), piece.type).to.equal(piece.attrs.seen);
  });

  it('renews numbers when readings change, and keeps the last text of a removed question, saying why', () => {
    const { writeUp } = readWriteUp(db, study)!;
    const [question] = questionsOf(db, study);
    const before = pieces();
    const stale = () =>
      piecesIn(writeUp).filter((p) => {
        const now = readingOf(p, pieces());
        return now !== undefined && seenAs(now) !== p.attrs.seen;
      });
    expect(stale()).to.deep.equal([]);
    editTable(db, question!.tableId, 0, [{ kind: 'write', row: 0, columns: ['red'], texts: [['99']] }], moment(1));
    expect(stale().map((p) => p.type)).to.include.members(['sentence', 'liveNumber', 'liveFigure', 'shortLog']);
    removeQuestion(db, question!.id, { at: moment(2) });
    const gone = piecesIn(writeUp).filter((p) => readingOf(p, pieces()) === undefined);
    expect(gone.length).to.be.greaterThan(4);
    for (const piece of gone) {
      expect(whyLast(piece, pieces())).to.match(/was removed/);
      const last = lastOf(piece);
      const was = readingOf(piece, before)!;
      // Of a figure the legend is left, of everything else what it read.
      if (last.kind === 'text') expect(plain(last.text)).to.equal(seenAs(was));
    }
  });

  it('leaves as DOCX, HTML and Markdown with headings, tables, captions and the same numbers', async () => {
    const { writeUp } = readWriteUp(db, study)!;
    const given = pieces();
    const blocks = settled(writeUp, given);
    const [first] = questionsOf(db, study);
    const results = plain(given.questions[first!.id]!.sentences.results!);
    const { numbers } = given.questions[first!.id]!;
    const file = await docxFile('Kelp', blocks, () => Promise.resolve(new Uint8Array(pixel)));
    const { value: read } = await mammoth.convertToHtml({ buffer: Buffer.from(await file.arrayBuffer()) });
    const html = htmlDocument('Kelp', blocks, () => '<svg></svg>');
    const markdown = markdownDocument(blocks, () => 'figures/01.svg');
    const bare = (markup: string): string =>
      markup
        .replace(/<[^>]+>/g, '')
        .replaceAll('&lt;', '<')
        .replaceAll('&gt;', '>')
        .replaceAll('&amp;', '&');
    for (const text of [bare(read), bare(html), markdown.replaceAll('*', '').replaceAll('\\', '')]) {
      expect(text).to.include(results);
      expect(text).to.include(`seedlings grew ${numbers.estimate!} longer`);
      expect(text).to.include('Figure 1.').and.include('Table 1.');
    }
    expect(read)
      .to.match(/<h1>(<a[^>]*><\/a>)?Light, warmth/)
      .and.match(/<h2>.*Results/);
    expect(read.match(/<img/g)?.length).to.equal(4);
    expect(read.match(/<tr>/g)?.length).to.be.greaterThan(4);
    expect(markdown)
      .to.include('## Results')
      .and.include('![')
      .and.match(/\| source +\|/);
    // What a person types is text, never markup.
    const typed: Doc = { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: '<b>&*x*' }] }] };
    expect(htmlDocument('<x>', settled(typed, given), () => ''))
      .to.include('<p>&lt;b&gt;&amp;*x*</p>')
      .and.include('<title>&lt;x&gt;');
    expect(markdownDocument(settled(typed, given), () => '')).to.equal('\\<b>&\\*x\\*\n');
  });

  it('takes no node it does not know, nor a script by another name', () => {
    const taken = (block: unknown): boolean => v.safeParse(WriteUp, { type: 'doc', content: [block] }).success;
    expect(taken({ type: 'paragraph', content: [{ type: 'text', text: 'x', marks: [{ type: 'bold' }] }] })).to.equal(
      true,
    );
    expect(taken({ type: 'html', content: [] })).to.equal(false);
    expect(
      taken({
        type: 'paragraph',
        content: [{ type: 'text', text: 'x', marks: [{ type: 'link', attrs: { href: 'javascript:' } }] }],
      }),
    ).to.equal(false);
    expect(taken({ type: 'heading', attrs: { level: 7 } })).to.equal(false);
  });
});

describe('the log of a study', () => {
  let db: Db;
  let study: string;
  beforeEach(() => {
    db = openDb(':memory:', process.cwd());
    study = startDemo(db, moment(0));
  });
  afterEach(() => db.$client.close());

  it('goes back to a point: readings, questions, figures, words, tables and title; and forward again', () => {
    const state = () => {
      const { title, tables, questions, figures, writeUp } = readContent(db, study);
      return { title, tables: tables.map((t) => t.table), questions, figures, writeUp };
    };
    const start = state();
    const [table = '', second = ''] = tableIdsOf(db, study);
    const [question, other] = questionsOf(db, study);
    const [figure] = figuresOf(db, study);
    const { writeUp, revision } = readWriteUp(db, study)!;
    editTable(db, table, 0, [{ kind: 'write', row: 0, columns: ['red'], texts: [['1']] }], moment(2));
    const middle = state();
    updateQuestion(db, question!.id, 0, { ...question!.question, level: 0.99 }, { at: moment(4) });
    updateFigure(db, figure!.id, 0, { ...figure!.style, bars: 'sem' }, { at: moment(5) });
    editTable(db, table, 1, [{ kind: 'remove-column', column: 'white' }], moment(6));
    removeQuestion(db, other!.id, { at: moment(7) });
    makeFigure(db, 'new', study, question!.id, figure!.style, { at: moment(8) });
    updateWriteUp(db, study, revision, { ...writeUp, content: writeUp.content.slice(0, 2) }, { at: moment(9) });
    renameStudy(db, study, 'Another', { at: moment(10) });
    deleteTable(db, second, { at: moment(11) });
    addTable(db, study, readTable(db, table).table, { at: moment(12), origin: 'again' });
    const end = state();
    const back = (point: string, minute: number) => restoreStudyTo(db, study, point, { at: moment(minute), by: 'me' });
    const sorted = (s: ReturnType<typeof state>) => ({
      ...s,
      questions: [...s.questions].sort((a, b) => a.id.localeCompare(b.id)),
      figures: [...s.figures].sort((a, b) => a.id.localeCompare(b.id)),
    });
    back(moment(3), 20);
    expect(sorted(state())).to.deep.equal(sorted(middle));
    back(moment(1), 30);
    expect(sorted(state())).to.deep.equal(sorted(start));
    // What was gone back from stands in the log, and can be gone back to.
    back(moment(12), 40);
    expect(sorted(state())).to.deep.equal(sorted(end));
    expect(readStudy(db, study).title).to.equal('Another');
    const words = logLines(db, study).map((l) => `${l.where}: ${l.words}`);
    for (const told of ['error bars now “sem”', 'confidence level now 99 %', 'study now called “Another”'])
      expect(words.join('\n')).to.include(told);
  });

  it('counts what follows quickly as one change, and tells each kind in words', () => {
    const [question] = questionsOf(db, study);
    const at = (second: number) => ({ at: `2026-01-02T04:00:${String(second).padStart(2, '0')}.000Z` });
    [0.9, 0.95, 0.99].forEach((level, i) =>
      updateQuestion(db, question!.id, i, { ...question!.question, level }, at(i)),
    );
    const told = logLines(db, study).filter((l) => l.kind === 'question');
    expect(told.length).to.equal(1);
    const event = { at: '', by: '', subject: 'x' };
    expect(eventWords({ ...event, kind: 'figure', before: null, after: {} })).to.equal('figure made');
    expect(eventWords({ ...event, kind: 'table', before: 'a', after: null })).to.equal('table taken out');
    expect(
      eventWords({
        ...event,
        kind: 'figure',
        before: { style: { widthMm: 85 } },
        after: { style: { widthMm: 174, looks: {} } },
      }),
    ).to.equal('width now 174 mm, names and colours changed');
    expect(shortLog(db, study)[0]).to.equal(
      'Lamp trial: 33 readings used, made up for the demo study; 1 cell set aside (tag lost).',
    );
  });
});
