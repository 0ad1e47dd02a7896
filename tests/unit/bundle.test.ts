import { expect } from 'chai';
import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { demoStudy } from '../../demo/skerrow';
import { answer } from '../../src/core/answering/answer';
import { DomainError } from '../../src/core/numeric/domain-error';
import { questionOf } from '../../src/core/question/question';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import { draftOf } from '../../src/core/readings/table-edit';
import type { StudyContent } from '../../src/core/study/content';
import { type BundleExtras, readBundle, writeBundle } from '../../src/formats/study-bundle';
import { bundleOf, openBundle } from '../../src/server/bundle';
import { computersUser } from '../../src/server/who';
import { startDemo } from '../../src/server/demo-study';
import { loosely } from '../../src/core/words/text';
import { studyPieces } from '../../src/server/pieces';
import { openDb } from '../../src/store/open';
import { questionsOf, updateQuestion } from '../../src/store/questions';
import { readContent } from '../../src/store/studies';
import { editTable, stepTable } from '../../src/store/change-table';
import { readTable } from '../../src/store/read-table';

const at = '2026-01-02T03:04:05.000Z';
const nothing: BundleExtras = { answers: {}, figures: {}, log: [] };
/** How often something is tried: in every run of the tests, and where `DIVIDE_FUZZ` asks for the long one. */
const runs = (usual: number, long: number): number => (process.env['DIVIDE_FUZZ'] ? long : usual);
/** Every number a study shows, as JSON gives it to a page. */
const shown = (content: StudyContent): unknown =>
  JSON.parse(
    JSON.stringify(
      content.questions.map(({ table, question }) =>
        answer(question, { ...content.tables.find((t) => t.id === table)!.table, id: '' }),
      ),
    ),
  );
const refused = async (bytes: Uint8Array): Promise<string> => {
  try {
    await readBundle(bytes);
  } catch (error) {
    return (error as Error).message;
  }
  return 'taken in';
};

describe('the bundle of a study', () => {
  it('opens to the same study: every answer, every word, the log, and what can be undone', async () => {
    const db = openDb(':memory:', process.cwd());
    const id = startDemo(db, at);
    const [first] = questionsOf(db, id);
    editTable(
      db,
      first!.tableId,
      0,
      [{ kind: 'write', row: 0, columns: ['red'], texts: [['  7,25 "x"\n']] }],
      at,
      'me',
    );
    const before = readContent(db, id);
    const { id: copy, changed } = await openBundle(db, await bundleOf(db, id), at);
    expect(changed).to.deep.equal([]);
    const after = readContent(db, copy);
    expect(shown(after)).to.deep.equal(shown(before));
    expect(after.figures.map((f) => f.style)).to.deep.equal(before.figures.map((f) => f.style));
    const words = (study: string) => {
      const { questions, figures, log } = studyPieces(db, study);
      // A copy's ids are its own.
      const drawn = Object.values(figures).map(({ question: _, ...figure }) => figure);
      return JSON.stringify([Object.values(questions), drawn, log]);
    };
    expect(words(copy)).to.equal(words(id));
    expect(JSON.stringify(after.writeUp)).to.include('Light, warmth and food').and.not.include(first!.id);
    const { tableId } = questionsOf(db, copy)[0]!;
    expect(readTable(db, tableId).table.columns[0]!.cells[0]).to.equal('  7,25 "x"\n');
    stepTable(db, tableId, 0, 'undo', at);
    expect(readTable(db, tableId).table.columns).to.deep.equal(demoStudy().tables[0]!.table.columns);
    // The same study gives the same bytes.
    expect(Buffer.compare(await bundleOf(db, id), await bundleOf(db, id))).to.equal(0);
    db.$client.close();
  });

  it('can be read without Divide: tables as described, figures, words, the log', async () => {
    const db = openDb(':memory:', process.cwd());
    const id = startDemo(db, at);
    const files = unzipSync(await bundleOf(db, id));
    const text = (name: string): string => strFromU8(files[name]!);
    const { resources } = JSON.parse(text('datapackage.json')) as {
      resources: {
        path: string;
        schema: { fields: { name: string; type: string; unit?: string; missingValues: string[] }[] };
      }[];
    };
    for (const { path, schema } of resources) {
      const { data } = Papa.parse<string[]>(text(path).trimEnd());
      expect(data[0], path).to.deep.equal(schema.fields.map((f) => f.name));
      schema.fields.forEach((field, j) => {
        if (field.type !== 'number') return;
        for (const row of data.slice(1))
          if (!field.missingValues.includes(row[j]!)) expect(Number(row[j]), `${path} ${field.name}`).to.be.finite;
      });
    }
    expect(resources.find((r) => r.path === 'data/01-lamp-trial.csv')!.schema.fields[0]).to.include({
      name: 'Red lamp',
      unit: 'mm',
    });
    expect(text('data/01-lamp-trial-set-aside.csv')).to.equal('row,column,reason\n7,Red lamp,tag lost\n');
    expect((JSON.parse(text('answers/01.json')) as { words: { results: string } }).words.results).to.include(
      't(26.6) = 3.88',
    );
    expect(text('figures/01.svg')).to.include('<svg').and.include('Red lamp');
    expect(loosely(text('write-up.html')))
      .to.include('difference 5.9 mm')
      .and.include('<figure id="figure-1"><svg');
    expect(loosely(text('write-up.md')))
      .to.include('difference 5.9 mm')
      .and.include('](figures/02.svg)');
    expect(text('log.csv')).to.include('made up for the demo study');
    db.$client.close();
  });

  it('brings back any readings, whatever is in their cells', async () => {
    const cell = fc.oneof(
      { weight: 3, arbitrary: fc.double({ noNaN: true, noDefaultInfinity: true }).map(String) },
      fc.constantFrom('', '', 'n/a', '<0,05', '1.234,5', ' 7 ', '"', ',', '\n', '\r\n', "'", '\ufeff', '=1+1', '−3'),
      fc.string({ unit: 'grapheme', maxLength: 12 }),
    );
    const column = fc.record({
      name: fc.string({ unit: 'grapheme', maxLength: 12 }),
      unit: fc.constantFrom('', 'mm', 'µg/g'),
      cells: fc.array(cell, { maxLength: 12 }),
      aside: fc.dictionary(fc.integer({ min: 0, max: 9 }).map(String), fc.string({ maxLength: 8 }), { maxKeys: 2 }),
    });
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.array(column, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 3 }),
        fc.string({ minLength: 1, maxLength: 20 }),
        async (tables, title) => {
          const content: StudyContent = {
            title,
            tables: tables.map((columns, i) => {
              const rows = Math.max(...columns.map((c) => c.cells.length), 0);
              const made = columns.map((c, j) => {
                const cells = [...c.cells];
                while (cells.at(-1) === '') cells.pop();
                const aside = Object.fromEntries(Object.entries(c.aside).filter(([row]) => Number(row) < rows));
                return { ...emptyColumn(`c${j}`, c.name, c.unit), cells, aside };
              });
              return {
                id: `t${i}`,
                table: draftOf(tableOf(made, { name: columns[0]!.name, rowCount: rows })),
                origin: '',
                changes: [],
              };
            }),
            questions: tables.map((_, i) => ({ id: `q${i}`, table: `t${i}`, question: questionOf('several') })),
            figures: [],
          };
          const { content: back, changed } = await readBundle(await writeBundle(content, nothing));
          expect(changed).to.deep.equal([]);
          expect(back).to.deep.equal(content);
          expect(shown(back)).to.deep.equal(shown(content));
        },
      ),
      { numRuns: runs(60, 500), seed: 11 },
    );
  });

  it('opens bundles of every version there has been', async () => {
    for (const version of [1, 2]) {
      const { content } = await readBundle(readFileSync(`tests/bundles/version-${version}.zip`));
      expect(content.title).to.equal('Skerrow Kelp Nursery');
      // The demo study has grown since, and takes what is later less what was earlier: what it held then is still told the same.
      const demo = demoStudy();
      const questions = demo.questions.map(({ question: { turned: _, ...question }, ...rest }) => ({
        ...rest,
        question,
      }));
      expect(shown({ ...demo, questions })).to.deep.include.members(shown(content) as unknown[]);
      expect(content.writeUp?.content.length).to.be.greaterThan(10);
    }
  });

  it('is refused in words where it is damaged, hostile or not one', async () => {
    const good = await writeBundle({ ...demoStudy() }, nothing);
    const files = unzipSync(good);
    const withFile = (name: string, body: string | Uint8Array) =>
      zipSync({ ...files, [name]: typeof body === 'string' ? strToU8(body) : body });
    expect(await refused(strToU8('lamp;length'))).to.include('not a ZIP file');
    expect(await refused(good.slice(0, good.length / 2))).to.match(/cannot be unpacked/);
    expect(await refused(withFile('../../etc/cron.d/x', 'x'))).to.include('points outside');
    expect(await refused(withFile('C:\\x', 'x'))).to.include('points outside');
    expect(await refused(zipSync({ 'a.txt': strToU8('a') }))).to.include('no study.json');
    expect(await refused(withFile('study.json', '{'))).to.include('not JSON');
    const study = JSON.parse(strFromU8(files['study.json']!)) as { version: number; study: StudyContent };
    const changed = (change: (s: typeof study) => void): Uint8Array => {
      const copy = structuredClone(study);
      change(copy);
      return withFile('study.json', JSON.stringify(copy));
    };
    expect(await refused(changed((s) => (s.version = 9)))).to.include('newer Divide');
    expect(
      await refused(changed((s) => ((s.study.questions[0]!.question as { level: unknown }).level = 'high'))),
    ).to.include('study.questions.0.question.level');
    expect(await refused(changed((s) => (s.study.questions[0]!.table = 'none')))).to.include('do not fit together');
    expect(await refused(withFile('data/01-lamp-trial.csv', 'Red lamp,White lamp\n1,2\n'))).to.include(
      'should have 18',
    );
    const { 'data/02-four-lamps.csv': _, ...lacking } = files;
    expect(await refused(zipSync(lacking))).to.include('“data/02-four-lamps.csv” is missing');
    expect(await refused(good)).to.equal('taken in');
  });

  it('tells what was changed in it by hand, and takes a table by its names, not by place', async () => {
    const columns = [
      { ...emptyColumn('a', 'coir', 'mm'), cells: ['1', '2', '3'] },
      { ...emptyColumn('b', 'jute', 'mm'), cells: ['4', '5', '6'], aside: { 1: 'torn' } },
      { ...emptyColumn('c', 'jute', 'mm'), cells: ['7', '8', '9'], aside: { 2: 'lost' } },
      { ...emptyColumn('d', 'jute (2)', 'mm'), cells: ['10', '11', '12'] },
    ];
    const table = draftOf(tableOf(columns, { name: 'lines', rowCount: 3 }));
    const content: StudyContent = {
      title: 'By hand',
      tables: [{ id: 't', table, origin: '', changes: [] }],
      questions: [],
      figures: [],
    };
    const files = unzipSync(await writeBundle(content, nothing));
    const csv = 'data/01-lines.csv';
    const opened = (changes: Record<string, string>) =>
      readBundle(
        zipSync({ ...files, ...Object.fromEntries(Object.entries(changes).map(([k, text]) => [k, strToU8(text)])) }),
      );
    const cells = ({ content: { tables } }: Awaited<ReturnType<typeof opened>>) => tables[0]?.table.columns;
    expect(strFromU8(files[csv]!).split('\n')[0]).to.equal('coir,jute,jute (3),jute (2)');
    expect(await opened({})).to.deep.equal({ content, changed: [] });
    // Columns that changed places, line ends of another system: the same readings, and it is told.
    const rows = Papa.parse<string[]>(strFromU8(files[csv]!).trimEnd()).data;
    const turned = await opened({ [csv]: rows.map((r) => r.toReversed().join(',')).join('\r\n') });
    expect(cells(turned)).to.deep.equal(table.columns);
    expect(turned.changed).to.deep.equal([csv]);
    const edited = await opened({ [csv]: strFromU8(files[csv]!).replace('11', '11.5'), 'notes.txt': 'mine' });
    expect(cells(edited)?.[3]?.cells).to.deep.equal(['10', '11.5', '12']);
    expect(edited.changed).to.deep.equal([csv, 'notes.txt']);
    const { 'README.txt': _, ...lacking } = files;
    expect((await readBundle(zipSync(lacking))).changed).to.deep.equal(['README.txt']);
    const trouble = async (changes: Record<string, string>): Promise<string> => {
      try {
        await opened(changes);
      } catch (error) {
        return (error as Error).message;
      }
      return 'taken in';
    };
    expect(await trouble({ [csv]: rows.map((r) => r.join(';')).join('\n') })).to.include('“coir”, “jute”');
    expect(await trouble({ [csv]: rows.map((r) => r.slice(1).join(',')).join('\n') })).to.include('“coir” missing');
    expect(await trouble({ [csv]: rows.map((r) => [...r, r[0]].join(',')).join('\n') })).to.include(
      '“coir” not known, or twice',
    );
    expect(await trouble({ [csv]: strFromU8(files[csv]!).replace('2,5', '2') })).to.match(/^Row 2 .* has 3 cells/);
    const aside = 'data/01-lines-set-aside.csv';
    for (const row of ['x', '0', '4', '1.5', ''])
      expect(await trouble({ [aside]: `row,column,reason\n${row},jute,torn\n` })).to.include(`row “${row}” of “jute”`);
    expect(await trouble({ [aside]: 'row,column,reason\n1,hemp,torn\n' })).to.include('“hemp”');
  });

  it('opens whatever stands in words, and a table of nothing but zeros', async () => {
    const zeros = Array.from({ length: 120_000 }, () => '0');
    const content: StudyContent = {
      title: 'day one = 5 mm <script>',
      tables: [
        {
          id: 't',
          table: draftOf(tableOf([{ ...emptyColumn('a', 'zeros'), cells: zeros }], { rowCount: zeros.length })),
          origin: 'onload = "x"',
          changes: [],
        },
      ],
      questions: [],
      figures: [],
    };
    const written = await writeBundle(content, {
      ...nothing,
      writeUp: { html: '<p>on day one = 5 mm, javascript: none</p>', markdown: '' },
    });
    expect((await readBundle(written)).content).to.deep.equal(content);
  });

  it('is never taken in as another study without a word, whichever bit of it is turned', async () => {
    const demo = demoStudy();
    const [first] = demo.tables;
    const content: StudyContent = {
      title: 'Bits',
      tables: [first!],
      questions: demo.questions.slice(0, 1),
      figures: [],
    };
    const good = await writeBundle(content, nothing);
    const { content: whole } = await readBundle(good);
    const turned = fc.integer({ min: 0, max: good.length * 8 - 1 });
    let refusals = 0;
    await fc.assert(
      fc.asyncProperty(turned, async (bit) => {
        const bad = good.slice();
        bad[bit >> 3]! ^= 1 << (bit & 7);
        const opened = await readBundle(bad).catch((error: unknown) => {
          refusals++;
          expect(error).to.be.instanceOf(DomainError);
        });
        // A bit in the name of a file makes it another file: what is missing then is told.
        if (opened && opened.changed?.length === 0) expect(opened.content).to.deep.equal(whole);
      }),
      { numRuns: runs(300, 1000), seed: 5 },
    );
    expect(refusals).to.be.greaterThan(200);
  });

  it('takes no garbage for events, and does not name the user of the computer', async () => {
    const db = openDb(':memory:', process.cwd());
    const id = startDemo(db, at);
    const [first] = questionsOf(db, id);
    updateQuestion(db, first!.id, 0, { ...first!.question, level: 0.9 }, { at, by: computersUser() });
    updateQuestion(db, first!.id, 1, { ...first!.question, level: 0.8 }, { at, by: 'Runa' });
    const files = unzipSync(await bundleOf(db, id));
    const study = JSON.parse(strFromU8(files['study.json']!)) as { study: { events: { by: string }[] } };
    expect(study.study.events.map((e) => e.by)).to.deep.equal(['', 'Runa']);
    const bundled = (events: unknown[]) => {
      const changed = { ...study, study: { ...study.study, events } };
      return zipSync({ ...files, 'study.json': strToU8(JSON.stringify(changed)) });
    };
    const event = { at, by: '', line: 1, subject: 'x', before: null, after: null };
    expect(await refused(bundled([{ ...event, kind: 'question' }]))).to.equal('taken in');
    expect(await refused(bundled([{ ...event, kind: 'question', after: { level: 3 } }]))).to.include(
      'study.events.0.after',
    );
    expect(await refused(bundled([{ ...event, kind: 'write-up', after: '<p>' }]))).to.include('study.events.0.after');
    expect(await refused(bundled([{ ...event, kind: 'wish' }]))).to.include('study.events.0.kind');
    db.$client.close();
  });
});
