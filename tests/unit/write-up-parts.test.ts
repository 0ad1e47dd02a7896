import { readFileSync, readdirSync } from 'node:fs';
import { expect } from 'chai';
import fc from 'fast-check';
import { strFromU8, unzipSync } from 'fflate';
import * as v from 'valibot';
import { withIds } from '../../src/core/study/content';
import { referencesFor } from '../../src/core/words/references';
import { loosely, plain, text, symbol, unbroken, unbrokenText } from '../../src/core/words/text';
import { type Block, type Inline, type WriteUp as Doc, WriteUp, piecesIn } from '../../src/core/write-up/document';
import { draftOf, figuresLeftOut, withFigures } from '../../src/core/write-up/draft';
import { numbered, referenceWords } from '../../src/core/write-up/numbered';
import { lastOf, readingOf, seenAs } from '../../src/core/write-up/piece';
import { type Run, type SettledBlock, settled } from '../../src/core/write-up/settled';
import { docxFile } from '../../src/formats/docx';
import { htmlDocument } from '../../src/formats/html-document';
import { markdownDocument } from '../../src/formats/markdown';
import { changedWords } from '../../src/formats/merge-words';
import { fromText, insertables, matching } from '../../src/islands/write-up/insertables';
import { standingOf } from '../../src/islands/write-up/nodes';
import { startDemo } from '../../src/server/demo-study';
import { studyPieces } from '../../src/server/pieces';
import { studySpine } from '../../src/server/study-page';
import { figuresOf } from '../../src/store/figures';
import { type Db, openDb } from '../../src/store/open';
import { questionsOf, removeQuestion } from '../../src/store/questions';
import { editTable } from '../../src/store/change-table';

const moment = (minute: number): string => `2026-01-02T03:${String(minute).padStart(2, '0')}:00.000Z`;
const doc = (...content: Block[]): Doc => ({ type: 'doc', content });
const paragraph = (...content: Inline[]): Block => ({ type: 'paragraph', content });
const words = (said: string): Inline => ({ type: 'text', text: said });
const wordsOf = (runs: readonly Run[]): string => runs.map((r) => r.text).join('');
const said = (blocks: readonly SettledBlock[]): string[] =>
  blocks.map((b) => (b.kind === 'paragraph' ? loosely(wordsOf(b.runs)) : b.kind));
const cellOf = (
  question: string,
  place: number,
  row: string,
  column: string,
  seen = '',
): Extract<Inline, { type: 'liveCell' }> => ({ type: 'liveCell', attrs: { question, place, row, column, seen } });

describe('the parts of a write-up', () => {
  let db: Db;
  let study: string;
  before(() => {
    db = openDb(':memory:', process.cwd());
    study = startDemo(db, moment(0));
  });
  after(() => db.$client.close());
  const pieces = () => studyPieces(db, study);
  const first = () => questionsOf(db, study)[0]!;
  it('go by names of their own, as they do in the spine, whatever they are asked of', () => {
    const names = Object.values(pieces().questions).map((q) => q.name);
    const spine = studySpine(db, study).questions.map((q) => q.label);
    expect(new Set(names).size).to.equal(names.length);
    expect(names).to.have.members(spine);
  });
  const figure = (question = first().id): string => figuresOf(db, study).find((f) => f.questionId === question)!.id;
  const figureBlock = (id: string): Block => ({ type: 'liveFigure', attrs: { figure: id, seen: '' } });
  const tableBlock = (question: string, place: number): Block => ({
    type: 'answerTable',
    attrs: { question, place, seen: '' },
  });
  const reference = (of: 'figure' | 'table', source: string, place = 0): Inline => ({
    type: 'reference',
    attrs: { of, source, place },
  });

  it('counts figures and tables as they stand, and says of each reference which it is, wherever it stands', async () => {
    const [one, two] = questionsOf(db, study).filter((q) => figuresOf(db, study).some((f) => f.questionId === q.id));
    const text = doc(
      paragraph(words('see '), reference('figure', figure(two!.id)), words(' and '), reference('table', one!.id, 1)),
      figureBlock(figure(one!.id)),
      { type: 'blockquote', content: [figureBlock(figure(two!.id)), tableBlock(one!.id, 0)] },
      tableBlock(one!.id, 1),
      paragraph(reference('figure', figure(one!.id)), words(' '), reference('table', two!.id)),
    );
    expect(v.parse(WriteUp, text)).to.deep.equal(text);
    const given = pieces();
    expect(numbered(text, given).map(({ of, number }) => `${of} ${number}`)).to.deep.equal([
      'figure 1',
      'figure 2',
      'table 1',
      'table 2',
    ]);
    const blocks = settled(text, given);
    expect(said(blocks)).to.deep.equal([
      'see Figure 2 and Table 2',
      'figure',
      'quote',
      'table',
      'Figure 1 Table ? [not in the text]',
    ]);
    // In a word processor it is a field on the caption it names; in a page a link to it.
    const file = await docxFile({ title: 'Kelp', author: 'M. Tangle' }, blocks, () =>
      Promise.resolve(new Uint8Array([1])),
    );
    const parts = unzipSync(new Uint8Array(await file.arrayBuffer()));
    const xml = strFromU8(parts['word/document.xml']!);
    expect(xml).to.include(' REF figure_2 \\h ').and.include(' REF table_2 \\h ');
    for (const name of ['figure_1', 'figure_2', 'table_1', 'table_2'])
      expect(xml.split(`w:name="${name}"`).length, name).to.equal(2);
    expect(strFromU8(parts['docProps/core.xml']!)).to.include('<dc:creator>M. Tangle</dc:creator>');
    const html = htmlDocument({ title: 'Kelp', author: 'M. <Tangle>' }, blocks, () => '<svg/>');
    expect(html)
      .to.include('<a href="#figure-2">')
      .and.include('<figure id="figure-2">')
      .and.include('<table id="table-2">')
      .and.include('<meta name="author" content="M. &lt;Tangle&gt;">');
    // A copy of the study has other ids, and its references follow.
    const copied = withIds(text, (old) => `new-${old}`);
    expect(JSON.stringify(copied)).to.include(`"source":"new-${figure(two!.id)}"`);
    expect(referenceWords(numbered(text, given), { of: 'log', source: '', place: 0 })).to.include('not in the text');
  });

  it('puts any number of any table into a sentence, by the heads of its row and column', () => {
    const given = pieces();
    const { tables } = given.questions[first().id]!;
    for (const [place, { head, rows }] of tables.entries())
      for (const [name, ...cells] of rows)
        for (const [j, cell] of cells.entries()) {
          const found = readingOf(cellOf(first().id, place, plain(name!), plain(head[j + 1]!)), given);
          expect(found, plain(name!)).to.deep.equal({ kind: 'text', text: cell });
        }
    const gone = cellOf(first().id, 0, 'Green lamp', 'mean (mm)', '12.3');
    expect(readingOf(gone, given)).to.equal(undefined);
    // What it came from is gone: the last number stays, with a note that leaves with every file.
    expect(said(settled(doc(paragraph(words('It was '), gone)), given))).to.deep.equal([
      'It was 12.3 [its question no longer gives this: kept as it last read]',
    ]);
  });

  it('names the works behind the methods it names, each once, with its DOI', () => {
    const methods = readdirSync('tests/golden')
      .filter((name) => name.endsWith('.txt'))
      .flatMap((name) => readFileSync(`tests/golden/${name}`, 'utf8').match(/^Methods: .*$/gm) ?? []);
    expect(methods.length).to.be.greaterThan(60);
    const bare = methods.filter((m) => referencesFor(m).length === 0);
    // Known variances and the F test of two are in every textbook; all else was somebody's.
    for (const m of bare)
      expect(m).to.match(
        /z-test|F test of two variances|chi-square test of one variance|the chi-square distribution|known SD|two proportions|summary|paper/,
      );
    for (const m of methods)
      for (const { text: work, href } of referencesFor(m)) {
        expect(work).to.match(/^[^()]+ \((1[89]|20)\d\d\) .+\.$/);
        if (href !== undefined) expect(href).to.match(/^https:\/\/doi\.org\/10\.\d{4}\/\S+$/);
      }
    const named = (m: string) => referencesFor(m).map((r) => r.text.slice(0, r.text.indexOf(')') + 1));
    expect(named('by Welch’s analysis of variance. All pairs by the Games–Howell method')).to.deep.equal([
      'Games PA, Howell JF (1976)',
      'Welch BL (1951)',
    ]);
    expect(named('compared with the control by the Dunnett method')).to.deep.equal(['Dunnett CW (1955)']);
    expect(named('by mean ranks (Dunn, adjusted by Holm)')).to.deep.equal(['Dunn OJ (1964)', 'Holm S (1979)']);
    expect(named('intervals are those of the paired t-test')).to.deep.equal([]);
    // The list stands in the text and leaves with it: what the text names, its own words among them.
    const list: Block = { type: 'listing', attrs: { of: 'references' } };
    const blocks = settled(doc(paragraph(words('We also tried the Mann–Whitney test.')), list), pieces());
    expect(said(blocks)[1]).to.match(/^Mann HB, Whitney DR \(1947\) .* https:\/\/doi\.org\/10\.1214/);
    expect(markdownDocument(blocks, () => '')).to.include('<https://doi.org/10.1214/aoms/1177730491>');
  });

  it('lists its figures and tables, each by the first sentence of its caption and the page it stands on', async () => {
    const text = doc(
      { type: 'listing', attrs: { of: 'figures' } },
      { type: 'listing', attrs: { of: 'tables' } },
      figureBlock(figure()),
      tableBlock(first().id, 0),
      { type: 'wholeLog', attrs: { seen: '' } },
    );
    const [one, two, three] = said(settled(text, pieces()));
    expect(one).to.match(/^Figure 1\. [A-Z][^.]*\.$/);
    expect(two).to.match(/^Table 1\. /);
    expect(three).to.equal('Table 2. Log of the study');
    const file = await docxFile({ title: 'Kelp' }, settled(text, pieces()), () => Promise.resolve(new Uint8Array([1])));
    const xml = strFromU8(unzipSync(new Uint8Array(await file.arrayBuffer()))['word/document.xml']!);
    for (const place of ['figure_1', 'table_1', 'table_2']) expect(xml).to.include(` PAGEREF ${place} \\h `);
    // Pages are counted by the program that opens it, at once.
    expect(xml.match(/w:fldCharType="begin" w:dirty="true"/g)).to.have.length(3);
  });

  it('takes a pasted table as a table, with its statistics in italics', () => {
    const cell = (type: 'tableCell' | 'tableHeader', ...content: Inline[]) => ({
      type,
      content: [paragraph(...content)],
    });
    const text = doc({
      type: 'table',
      content: [
        { type: 'tableRow', content: [cell('tableHeader', words('rope')), cell('tableHeader', words('mass (g)'))] },
        {
          type: 'tableRow',
          content: [
            cell('tableHeader', words('coir')),
            cell('tableCell', { type: 'text', text: 'p', marks: [{ type: 'italic' }] }, words(' = 0.04')),
          ],
        },
      ],
    });
    expect(v.parse(WriteUp, text)).to.deep.equal(text);
    const [block] = settled(text, pieces());
    expect(block).to.deep.equal({
      kind: 'table',
      table: { title: '', head: [['rope'], ['mass (g)']], rows: [[['coir'], [{ symbol: 'p' }, ' = 0.04']]] },
    });
    const html = htmlDocument({ title: 'x' }, [block!], () => '');
    expect(html).to.include('<td><i>p</i> = 0.04</td>').and.not.include('<caption>');
    expect(markdownDocument([block!], () => '')).to.match(/\| rope \| +mass \(g\) \|[^]*\*p\* = 0\.04/);
  });

  it('tells the figures of what it speaks of that are not in it, and puts each behind its question', () => {
    const given = pieces();
    const [one, two] = [...new Set(figuresOf(db, study).map((f) => f.questionId))];
    const speaks = (question: string): Block =>
      paragraph({ type: 'sentence', attrs: { question, part: 'results', seen: '' } });
    const text = doc(speaks(one!), paragraph(words('between')), speaks(two!), paragraph(words('the end')));
    const left = figuresLeftOut(text, given);
    expect(left.map((f) => f.question)).to.include.members([one, two]);
    expect(left.every((f) => f.question === one || f.question === two)).to.equal(true);
    const whole = withFigures(text, left, given);
    expect(figuresLeftOut(whole, given)).to.deep.equal([]);
    expect(whole.content.map((b) => b.type).slice(0, 3)).to.deep.equal(['paragraph', 'liveFigure', 'paragraph']);
    expect(whole.content.at(-1)).to.deep.equal(paragraph(words('the end')));
    for (const piece of piecesIn(whole))
      if (piece.type === 'liveFigure') expect(seenAs(readingOf(piece, given)!)).to.equal(piece.attrs.seen);
    // A study that is not told of is not asked about.
    expect(figuresLeftOut(doc(paragraph(words('nothing'))), given)).to.deep.equal([]);
  });

  it('offers every number, description, list and reference by name', () => {
    const given = pieces();
    const order = questionsOf(db, study).map(({ id }) => ({ id, figures: [] }));
    const all = [...insertables(order, given), ...fromText(doc(figureBlock(figure())), given)];
    const what = (query: string): string[] => matching(all, query).map((i) => i.piece.type);
    expect(what('red lamp: mean (mm) red lamp · white lamp')[0]).to.equal('liveCell');
    expect(what('descriptions lamp trial')).to.deep.equal(['description']);
    expect(what('lamp trial of descriptions')).to.deep.equal(['description']);
    expect(what('figure 1 this text')).to.deep.equal(['reference']);
    expect(what('references of the methods')).to.deep.equal(['listing']);
    expect(what('log, every line')).to.deep.equal(['wholeLog']);
    // Each can be kept as it is offered, and counts as seen.
    for (const { piece, what: name } of all) {
      const block = ['sentence', 'liveNumber', 'liveCell', 'reference'].includes(piece.type)
        ? paragraph(piece as Inline)
        : (piece as Block);
      expect(v.safeParse(WriteUp, doc(block)).success, name).to.equal(true);
      if ('seen' in piece.attrs) expect(standingOf(piece as never, given).standing, name).to.equal('seen');
    }
  });

  it('holds a number to its unit, its sign and its percent, whatever stands around it', () => {
    expect(unbroken('5 mm in 95 % of mmHg', 'mm')).to.equal('5\u00a0mm in 95\u00a0% of mmHg');
    expect(unbroken('3.5 g/m² and 12 g', 'g/m²')).to.equal('3.5\u00a0g/m² and 12 g');
    expect(plain(unbrokenText(text`${symbol('p')} = 0.04, n = 5`))).to.equal('p\u00a0=\u00a00.04, n\u00a0=\u00a05');
    fc.assert(
      fc.property(fc.string(), fc.string({ maxLength: 6 }), (sentence, unit) => {
        expect(loosely(unbroken(sentence, unit))).to.equal(loosely(sentence));
      }),
    );
  });

  it('shows old beside new: the old words are all there, and the new', () => {
    const sentence = fc
      .array(fc.constantFrom('mean', 'was', '7.1', '8.2', 'mm', 'in', 'Red lamp', '(95 % CI', '2 to 5)'), {
        maxLength: 14,
      })
      .map((parts) => parts.join(' '));
    fc.assert(
      fc.property(sentence, sentence, (old, now) => {
        const parts = changedWords(old, now);
        const of = (...kinds: string[]) => parts.flatMap((p) => (kinds.includes(p.change) ? [p.text] : [])).join('');
        expect(of('kept', 'old')).to.equal(old);
        expect(of('kept', 'new')).to.equal(now);
        if (old === now) expect(parts.every((p) => p.change === 'kept')).to.equal(true);
      }),
    );
  });

  it('keeps the whole log as an appendix: each line with when, where and what, and what was taken back', () => {
    const other = openDb(':memory:', process.cwd());
    const id = startDemo(other, moment(0));
    const { tableId } = questionsOf(other, id)[0]!;
    editTable(other, tableId, 0, [{ kind: 'write', row: 0, columns: ['red'], texts: [['99']] }], moment(1));
    const { notebook } = studyPieces(other, id);
    expect(notebook.head.map(plain)).to.deep.equal(['line', 'when', 'where', 'what was done']);
    const last = notebook.rows.at(-1)!.map(plain);
    expect(last[1]).to.match(/^2 Jan 2026, \d\d:\d\d UTC/);
    expect(last[3]).to.match(/99, was /);
    expect(notebook.words).to.deep.equal([1, 2, 3]);
    const numbers = notebook.rows.map(([line]) => Number(plain(line!)));
    expect(numbers).to.deep.equal([...numbers].sort((a, b) => a - b));
    // It is in the draft, and a draft is valid.
    const order = questionsOf(other, id).map((q) => ({ id: q.id, figures: [] }));
    const draft = draftOf('Kelp', order, studyPieces(other, id));
    expect(v.parse(WriteUp, draft)).to.deep.equal(draft);
    expect(draft.content.at(-1)?.type).to.equal('wholeLog');
    other.$client.close();
  });

  it('shows a table that was renewed with what stood in its cells, also one kept by an older version', () => {
    const other = openDb(':memory:', process.cwd());
    const id = startDemo(other, moment(0));
    const [question] = questionsOf(other, id);
    const table = studyPieces(other, id).questions[question!.id]!.tables[0]!;
    const piece = {
      type: 'answerTable' as const,
      attrs: { question: question!.id, place: 0, seen: seenAs({ kind: 'table', table }) },
    };
    expect(standingOf(piece, studyPieces(other, id)).standing).to.equal('seen');
    editTable(other, question!.tableId, 0, [{ kind: 'write', row: 0, columns: ['red'], texts: [['99']] }], moment(1));
    const found = standingOf(piece, studyPieces(other, id));
    expect(found.standing).to.equal('fresh');
    const last = lastOf(piece, studyPieces(other, id));
    expect(last.kind === 'table' && last.table.rows.map((r) => r.map(plain))).to.deep.equal(
      table.rows.map((r) => r.map(plain)),
    );
    expect(found.old).to.deep.equal(last);
    removeQuestion(other, question!.id, { at: moment(2) });
    const [block] = settled(doc(piece), studyPieces(other, id));
    expect(block).to.have.property('kind', 'table');
    if (block?.kind === 'table')
      expect(block.table.notes?.at(-1)).to.equal('[its question was removed: kept as it last read]');
    other.$client.close();
  });
});
