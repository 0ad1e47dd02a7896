import { type APIResponse, expect } from '@playwright/test';
import { red, white, test } from './steps';

const detail = async (response: APIResponse): Promise<string> => {
  expect(response.headers()['content-type']).toContain('application/problem+json');
  return ((await response.json()) as { detail: string }).detail;
};

test('endpoints say where a request is wrong, and write nothing', async ({ request }) => {
  const { id: study } = (await (await request.post('/api/studies', { data: { title: 'Endpoints' } })).json()) as {
    id: string;
  };
  const home = await request.get(`/studies/${study}`);
  const table = home.url().split('/').at(-1) ?? '';
  const read = async () =>
    (await (await request.get(`/api/tables/${table}`)).json()) as { revision: number; table: { rowCount: number } };
  const edit = (edits: unknown, revision = 0) =>
    request.post(`/api/tables/${table}/edits`, { data: { revision, edits } });

  const bad: [unknown, number, string][] = [
    [[], 422, 'edits: '],
    [[{ kind: 'paint' }], 422, 'edits.0'],
    [[{ kind: 'write', row: -1, columns: ['a'], texts: [['1']] }], 422, 'edits.0.row'],
    [
      [{ kind: 'write', row: 0, columns: ['a'], texts: [['x'.repeat(2001)]] }],
      422,
      'A cell holds at most 2000 characters.',
    ],
    [[{ kind: 'write', row: 0, columns: ['none'], texts: [['1']] }], 422, 'no longer in the table'],
    [[{ kind: 'write', row: 200_000, columns: ['a'], texts: [['1'], ['2']] }], 422, 'at most 200000 rows'],
    [[{ kind: 'remove-rows', at: 5, count: 1 }], 422, 'no longer in the table'],
    [[{ kind: 'describe-column', column: 'a', unit: 'm'.repeat(41) }], 422, 'at most 40 characters'],
  ];
  for (const [edits, status, said] of bad) {
    const response = await edit(edits);
    expect(response.status(), said).toBe(status);
    expect(await detail(response)).toContain(said);
  }
  expect(await read()).toMatchObject({ revision: 0, table: { rowCount: 0 } });
  const notJson = await request.post(`/api/tables/${table}/edits`, {
    headers: { 'content-type': 'application/json' },
    data: Buffer.from('{'),
  });
  expect(await detail(notJson)).toBe('The body is not JSON.');

  expect((await edit([{ kind: 'write', row: 0, columns: ['a'], texts: [['1.50']] }])).status()).toBe(200);
  const stale = await edit([{ kind: 'write', row: 0, columns: ['a'], texts: [['2']] }]);
  expect(stale.status()).toBe(409);
  expect(await detail(stale)).toContain('Nothing of yours was written.');
  const undo = await request.post(`/api/tables/${table}/step`, { data: { revision: 1, step: 'undo' } });
  expect(await undo.json()).toMatchObject({ revision: 2, canUndo: false, canRedo: true });
});

test('questions and figures are validated, kept with a revision, and removed together', async ({ request }) => {
  const { id: study } = (await (await request.post('/api/studies/demo')).json()) as { id: string };
  const page = await request.get(`/studies/${study}`);
  const question = page.url().split('/').at(-1) ?? '';
  const asked = { design: 'two-groups', a: 'red', b: 'white', direction: 'either', level: 0.9, spread: 'pooled' };
  const put = (path: string, data: unknown) => request.put(path, { data });

  const wrong = await put(`/api/questions/${question}`, { revision: 0, question: { ...asked, level: 1.5 } });
  expect(await detail(wrong)).toContain('question.level: No interval is certain');
  expect((await put(`/api/questions/${question}`, { revision: 0, question: asked })).status()).toBe(200);
  // The same once more is the same change, whose reply may have been lost; another one is refused.
  expect(await (await put(`/api/questions/${question}`, { revision: 0, question: asked })).json()).toEqual({
    revision: 1,
  });
  const other = { revision: 0, question: { ...asked, level: 0.8 } };
  expect((await put(`/api/questions/${question}`, other)).status()).toBe(409);

  // An order names questions; a table that is not there has none.
  expect(await detail(await put('/api/tables/never/questions', { order: question }))).toContain('order');
  expect((await put('/api/tables/never/questions', { order: [question] })).status()).toBe(404);

  const style = { marks: 'columns', bars: 'sd', readings: true, widthMm: 85, heightMm: 60, fontPt: 8 };
  const made = await request.post('/api/figures', { data: { question, style } });
  expect(made.status()).toBe(201);
  const { id: figure } = (await made.json()) as { id: string };
  const thin = await put(`/api/figures/${figure}`, { revision: 0, style: { ...style, widthMm: 3 } });
  expect(await detail(thin)).toBe('style.widthMm: The width in millimetres must be at least 30.');
  expect((await request.delete(`/api/questions/${question}`)).status()).toBe(200);
  expect((await put(`/api/figures/${figure}`, { revision: 0, style })).status()).toBe(410);
  expect((await put('/api/figures/never', { revision: 0, style })).status()).toBe(404);
  expect((await request.get(`/studies/${study}/figures/${figure}`)).status()).toBe(404);

  expect((await request.delete(`/api/studies/${study}`)).status()).toBe(200);
  expect((await request.get(`/studies/${study}`)).status()).toBe(404);
  expect(await detail(await request.delete(`/api/studies/${study}`))).toContain('the shelf brings it back');
  expect((await request.post(`/api/studies/${study}/restore`)).status()).toBe(200);
  expect((await request.get(`/studies/${study}`)).status()).toBe(200);
});

test('POST /api/answer: question and readings in, whole answer out, or the field and the mend', async ({ request }) => {
  const columns = [
    { name: 'Red lamp', unit: 'mm', values: [...red, 'torn', 'n/a', null] },
    { name: 'White lamp', unit: 'mm', values: white },
  ];
  const readings = { measure: 'blade length', subject: 'seedling', columns };
  const ask = (question: object, more: object = {}) =>
    request.post('/api/answer', {
      data: { question: { a: 'Red lamp', b: 'White lamp', ...question }, readings: { ...readings, ...more } },
    });
  const full = (await (await ask({})).json()) as {
    answer: {
      comparison: { value: { effect: { estimate: number; df: number } } };
      groups: { readings: { unread: unknown[] } }[];
    };
    words: { results: string };
  };
  // The reference case's own figures.
  expect(full.answer.comparison.value.effect.estimate).toBeCloseTo(7.052222222222222, 10);
  expect(full.answer.groups[0]?.readings.unread).toHaveLength(1);
  expect(full.words.results).toContain('Blade length was greater in Red lamp');
  const level = await ask({ level: 1.2 });
  expect(level.status()).toBe(422);
  expect(((await level.json()) as { detail: string }).detail).toBe(
    'question.level: No interval is certain: choose a level of at most 99.99 %.',
  );
  const gone = await ask({ b: 'Blue lamp' });
  expect(((await gone.json()) as { detail: string }).detail).toContain('no longer in the readings');
  const one = await ask({}, { columns: [columns[0], { name: 'White lamp', unit: 'mm', values: [3] }] });
  expect(((await one.json()) as { answer: { comparison: { reason: string } } }).answer.comparison.reason).toContain(
    'has one reading',
  );
  const schema = (await (await request.get('/api/openapi.json')).json()) as {
    paths: Record<string, { post: { requestBody: { content: Record<string, { schema: { properties: object } }> } } }>;
  };
  const described = schema.paths['/api/answer']?.post.requestBody.content['application/json']?.schema.properties;
  expect(Object.keys(described ?? {})).toEqual(['question', 'readings']);
});

test('a long answer keeps nobody else waiting', async ({ request }) => {
  const many = (by: number) => Array.from({ length: 5000 }, (_, i) => ((i * by) % 977) / 10);
  const columns = [
    { name: 'A', values: many(7) },
    { name: 'B', values: many(11) },
  ];
  const order: string[] = [];
  const long = request
    .post('/api/answer', {
      data: { question: { a: 'A', b: 'B', method: 'shuffle', statistic: 'median' }, readings: { columns } },
    })
    .then((response) => {
      order.push('long');
      return response;
    });
  for (let i = 0; i < 3; i++) {
    expect((await request.get('/api/studies')).status()).toBe(200);
    order.push('shelf');
  }
  const small = await request.post('/api/answer', {
    data: {
      question: { a: 'A', b: 'B' },
      readings: { columns: columns.map((c) => ({ ...c, values: c.values.slice(0, 9) })) },
    },
  });
  expect(small.status()).toBe(200);
  order.push('small');
  expect((await long).status()).toBe(200);
  expect(order).toEqual(['shelf', 'shelf', 'shelf', 'small', 'long']);
});

test('a write-up is validated and kept with a revision; text is handed to it; a study goes back to a line', async ({
  request,
}) => {
  const { id: study } = (await (await request.post('/api/studies', { data: { title: 'Words' } })).json()) as {
    id: string;
  };
  const path = `/api/studies/${study}/write-up`;
  const said = (text: string) => ({ type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text }] }] });
  const put = (revision: number, writeUp: unknown) => request.put(path, { data: { revision, writeUp } });
  const wrong = await put(0, { type: 'doc', content: [{ type: 'script', text: 'x' }] });
  expect(wrong.status()).toBe(422);
  expect(await detail(wrong)).toContain('writeUp.content.0');
  expect(await (await put(0, said('first'))).json()).toEqual({ revision: 1 });
  const stale = await put(0, said('other'));
  expect(stale.status()).toBe(409);
  expect(await detail(stale)).toContain('The write-up was changed in another window');
  const handed = await request.post(`${path}/append`, { data: { text: '  handed over  ' } });
  expect(await handed.json()).toEqual({ revision: 2 });
  expect((await request.post(`${path}/append`, { data: { text: ' ' } })).status()).toBe(422);
  const pieces = (await (await request.get(`${path}/pieces`)).json()) as { questions: object; log: string[] };
  expect(Object.keys(pieces.questions)).toEqual([]);
  expect(pieces.log[0]).toContain('Readings: ');

  const back = (line: unknown) => request.post(`/api/studies/${study}/restore-to`, { data: { line } });
  expect(await detail(await back('yesterday'))).toContain('is a number, as the log counts them');
  expect(await detail(await back(-1))).toContain('The log begins at line 1');
  // Line 1 made the table, line 2 began the write-up.
  expect((await back(2)).status()).toBe(200);
  expect(await (await put(3, said('again'))).json()).toEqual({ revision: 4 });
  for (const of of ['/api/studies/none/bundle', '/api/figures/none/pdf', '/api/studies/none/write-up/pieces'])
    expect((await request.get(of)).status(), of).toBe(404);
  expect((await request.post('/api/studies/none/restore-to', { data: { line: 0 } })).status()).toBe(404);
});

test('a bundle is opened from its bytes, and nothing of a bad one is kept', async ({ request }) => {
  const { id: study } = (await (await request.post('/api/studies/demo')).json()) as { id: string };
  const shelf = async () => ((await (await request.get('/api/studies')).json()) as { id: string }[]).length;
  const bundle = await request.get(`/api/studies/${study}/bundle`);
  expect(bundle.headers()['content-type']).toBe('application/zip');
  const bytes = await bundle.body();
  const before = await shelf();
  const send = (data: Buffer) =>
    request.post('/api/studies/bundle', { data, headers: { 'content-type': 'application/zip' } });
  expect((await send(bytes)).status()).toBe(201);
  expect(await shelf()).toBe(before + 1);
  for (const [bad, words] of [
    [bytes.subarray(0, 900), 'cannot be unpacked'],
    [Buffer.from('lamp;length'), 'not a ZIP file'],
    [Buffer.alloc(0), 'not a ZIP file'],
  ] as const) {
    const answer = await send(bad);
    expect(answer.status()).toBe(422);
    expect(await detail(answer)).toContain(words);
  }
  expect(await shelf()).toBe(before + 1);
});
