import { expect } from 'chai';
import { strFromU8, unzipSync } from 'fflate';
import mammoth from 'mammoth';
import * as v from 'valibot';
import { type WriteUp as Doc, WriteUp, piecesIn } from '../../src/core/write-up/document';
import { draftOf } from '../../src/core/write-up/draft';
import { lastOf, readingOf, seenAs, whyLast } from '../../src/core/write-up/piece';
import { settled } from '../../src/core/write-up/settled';
import { loosely, plain } from '../../src/core/words/text';
import { columnWidths, docxFile } from '../../src/formats/docx';
import { htmlDocument } from '../../src/formats/html-document';
import { markdownDocument, markdownFile } from '../../src/formats/markdown';
import { startDemo } from '../../src/server/demo-study';
import { studyPieces } from '../../src/server/pieces';
import { figuresOf } from '../../src/store/figures';
import { type Db, openDb } from '../../src/store/open';
import { questionsOf, removeQuestion } from '../../src/store/questions';
import { editTable } from '../../src/store/change-table';
import { readWriteUp } from '../../src/store/write-ups';

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
    const now = pieces();
    for (const piece of all) expect(seenAs(readingOf(piece, now)!), piece.type).to.equal(piece.attrs.seen);
  });

  it('renews numbers when readings change, and keeps the last text of a removed question, saying why', () => {
    const { writeUp } = readWriteUp(db, study)!;
    const [question] = questionsOf(db, study);
    const before = pieces();
    const stale = () => {
      const given = pieces();
      return piecesIn(writeUp).filter((p) => {
        const now = readingOf(p, given);
        return now !== undefined && seenAs(now) !== p.attrs.seen;
      });
    };
    expect(stale()).to.deep.equal([]);
    editTable(db, question!.tableId, 0, [{ kind: 'write', row: 0, columns: ['red'], texts: [['99']] }], moment(1));
    expect(stale().map((p) => p.type)).to.include.members(['sentence', 'liveNumber', 'liveFigure', 'shortLog']);
    removeQuestion(db, question!.id, { at: moment(2) });
    const after = pieces();
    const gone = piecesIn(writeUp).filter((p) => readingOf(p, after) === undefined);
    expect(gone.length).to.be.greaterThan(4);
    for (const piece of gone) {
      expect(whyLast(piece, after)).to.match(/was removed/);
      const last = lastOf(piece, after);
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
    const file = await docxFile({ title: 'Kelp', author: 'M. Tangle' }, blocks, () =>
      Promise.resolve(new Uint8Array(pixel)),
    );
    const { value: read } = await mammoth.convertToHtml({ buffer: Buffer.from(await file.arrayBuffer()) });
    const html = htmlDocument({ title: 'Kelp', author: 'M. Tangle' }, blocks, () => '<svg></svg>');
    const markdown = markdownDocument(blocks, () => 'figures/01.svg');
    const bare = (markup: string): string =>
      markup
        .replace(/<[^>]+>/g, '')
        .replaceAll('&lt;', '<')
        .replaceAll('&gt;', '>')
        .replaceAll('&amp;', '&');
    for (const text of [bare(read), bare(html), markdown.replaceAll('*', '').replaceAll('\\', '')].map(loosely)) {
      expect(text).to.include(loosely(results));
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
    // Numbers are fields, which a word processor counts anew; tables stand as wide as their words; all of it is English.
    const xml = strFromU8(unzipSync(new Uint8Array(await file.arrayBuffer()))['word/document.xml']!);
    expect(xml.match(/ SEQ Figure \\\* ARABIC /g)?.length).to.equal(4);
    expect(xml)
      .to.match(/ SEQ Table [^<]+<\/w:instrText><w:fldChar w:fldCharType="separate"\/><w:t[^>]*>1</)
      .and.include('<w:tblLayout w:type="fixed"');
    // Every caption begins with a capital.
    for (const block of blocks)
      if (block.kind === 'table') expect(block.table.title).to.match(/^\P{Ll}/u);
      else if (block.kind === 'figure' && !block.caption[0]?.italic)
        expect(block.caption[0]?.text).to.match(/^\P{Ll}/u);
    // Markdown comes with its figures as files that it points at.
    const packed = unzipSync(markdownFile('Kelp', blocks, (figure) => `<svg>${figure.widthMm}</svg>`));
    const places = [...strFromU8(packed['Kelp.md']!).matchAll(/\]\((figures\/\d+\.svg)\)/g)].map((m) => m[1]);
    expect(places).to.have.lengthOf(4);
    expect(Object.keys(packed).sort()).to.deep.equal(['Kelp.md', ...places].sort());
    // What a person types is text, never markup.
    const typed: Doc = { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: '<b>&*x*' }] }] };
    expect(htmlDocument({ title: '<x>' }, settled(typed, given), () => ''))
      .to.include('<p>&lt;b&gt;&amp;*x*</p>')
      .and.include('<title>&lt;x&gt;');
    expect(markdownDocument(settled(typed, given), () => '')).to.equal('\\<b>&\\*x\\*\n');
  });

  it('gives each column of a table room for its longest word, and no more than the page has', () => {
    const sum = (all: number[]) => all.reduce((a, b) => a + b, 0);
    const narrow = columnWidths({ head: [['source'], ['df']], rows: [[['temperature'], ['2']]] });
    expect(sum(narrow)).to.be.lessThan(5000);
    expect(narrow[0]!).to.be.greaterThan(3 * narrow[1]!);
    const text = 'grown at the surface in the outer sound under light from above '.repeat(3);
    const wide = columnWidths({
      head: [['temperature'], ['what was done'], ['p']],
      rows: [[['surface'], [text], ['0.04']]],
    });
    expect(sum(wide)).to.be.within(9000, 9026);
    expect(wide[0]! / 118).to.be.greaterThan('temperature'.length);
    expect(wide[1]!).to.be.greaterThan(wide[0]! + wide[2]!);
    // More words than a page is wide share it evenly.
    const many = columnWidths({ head: Array.from({ length: 20 }, () => ['temperature']), rows: [] });
    expect(sum(many)).to.be.within(8990, 9026);
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
