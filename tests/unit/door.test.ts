import { type IncomingHttpHeaders, type Server, createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { type DoorOptions, door, nameHeader } from '../../src/server/door/door';
import { knownAs, who } from '../../src/server/who';

interface Said {
  status: number;
  headers: IncomingHttpHeaders;
  body: string;
}

describe('the door before the server', () => {
  let server: Server | undefined;
  const open = async (options: DoorOptions): Promise<void> => {
    server = createServer(
      door((given, response) => response.end(`let in as ${given.headers[nameHeader] as string | undefined}`), options),
    );
    await new Promise<void>((ready) => server?.listen(0, '127.0.0.1', ready));
  };
  afterEach(() => server?.close());

  const ask = (path: string, headers: Record<string, string> = {}, method = 'GET', body = ''): Promise<Said> =>
    new Promise((resolve, reject) => {
      const { port } = server?.address() as AddressInfo;
      const sent = request({ port, path, method, headers: { host: `localhost:${port}`, ...headers } }, (response) => {
        let text = '';
        response.on('data', (part) => (text += String(part)));
        response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, body: text }));
      });
      sent.on('error', reject);
      sent.end(body);
    });
  const form = (fields: Record<string, string>): [string, Record<string, string>, string, string] => [
    '/key',
    { 'content-type': 'application/x-www-form-urlencoded' },
    'POST',
    new URLSearchParams(fields).toString(),
  ];
  const jar = ({ headers }: Said): string => (headers['set-cookie'] ?? []).map((c) => c.split(';')[0]).join('; ');

  it('answers to its own names only, for files as for pages', async () => {
    await open({ hosts: ['localhost'] });
    expect((await ask('/')).body).to.equal('let in as undefined');
    for (const host of ['elsewhere.example', 'localhost.elsewhere.example', '127.0.0.1'])
      expect((await ask('/favicon.svg', { host })).status, host).to.equal(421);
  });

  it('refuses what another site asks for, whatever it is, and takes a page’s own', async () => {
    await open({ hosts: ['localhost'] });
    for (const path of ['/', '/api/studies', '/_astro/x.js'])
      expect((await ask(path, { 'sec-fetch-site': 'cross-site' })).status, path).to.equal(403);
    for (const site of ['same-origin', 'same-site', 'none'])
      expect((await ask('/', { 'sec-fetch-site': site })).status, site).to.equal(200);
  });

  it('takes what its own pages send, also where TLS ends before it, and refuses any other origin', async () => {
    await open({ hosts: ['localhost'] });
    const sent = async (origin: string) => (await ask('/api/studies', { origin }, 'POST', '{}')).status;
    const host = `localhost:${(server?.address() as AddressInfo).port}`;
    for (const own of [`http://${host}`, `https://${host}`]) expect(await sent(own), own).to.equal(200);
    for (const other of ['https://elsewhere.example', 'null', `https://${host}.elsewhere.example`, `ftp://${host}`])
      expect(await sent(other), other).to.equal(403);
  });

  it('has nothing that changes pictures, however it is written', async () => {
    await open({ hosts: ['localhost'] });
    for (const path of ['/_image', '/_image?href=/x.png&w=9000', '/_image/x', '/%5Fimage', '/_%69mage?x'])
      expect((await ask(path)).status, path).to.equal(404);
    expect((await ask('/_images')).status).to.equal(200);
  });

  it('takes no name from outside', async () => {
    await open({ hosts: ['localhost'] });
    expect((await ask('/', { [nameHeader]: 'Someone' })).body).to.equal('let in as undefined');
  });

  it('lets in whoever shows the key and gives a name, and tells the rest what is missing', async () => {
    await open({ hosts: ['localhost'], key: 'tide' });
    const page = await ask('/studies/s1');
    expect([page.status, page.headers['content-type']]).to.deep.equal([401, 'text/html; charset=utf-8']);
    expect(page.body).to.include('name="key"').and.include('value="/studies/s1"');
    expect((await ask('/api/studies')).status).to.equal(401);
    expect((await ask('/api/studies', {}, 'POST', '{}')).status).to.equal(401);
    // The printed address: a cookie of its own, then the name.
    const shown = await ask('/?key=tide');
    expect(shown.headers['set-cookie']?.[0]).to.match(
      /^divide_key=[0-9a-f]{64}; Path=\/; .*HttpOnly; SameSite=Strict$/,
    );
    expect(shown.body).to.not.include('name="key"').and.not.include('tide');
    const cookie = jar(shown);
    expect((await ask('/', { cookie })).body).to.include('Who is working here?');
    const [path, headers, method, body] = form({ name: ' Runa \u200b Ólafs\u0000dóttir ', to: '/studies/s1' });
    const named = await ask(path, { ...headers, cookie }, method, body);
    expect([named.status, named.headers.location]).to.deep.equal([303, '/studies/s1']);
    const all = `${cookie}; ${jar(named)}`;
    expect((await ask('/api/studies', { cookie: all })).body).to.equal(
      `let in as ${encodeURIComponent('Runa Ólafs dóttir')}`,
    );
    // Key and name at once, from the page; a path that leads elsewhere is not followed.
    const both = await ask(...form({ key: 'tide', name: 'Bo', to: '//elsewhere.example/' }));
    expect([both.status, both.headers.location]).to.deep.equal([303, '/']);
    expect((await ask('/', { cookie: jar(both) })).body).to.equal('let in as Bo');
    // The address again, once the name is known.
    expect((await ask('/figures?key=tide', { cookie: jar(both) })).headers.location).to.equal('/figures');
  });

  it('refuses a wrong key, later with each', async () => {
    await open({ hosts: ['localhost'], key: 'tide' });
    const wrong = await ask(...form({ key: 'ebb', name: '<b>', to: '/"><script>' }));
    expect(wrong.status).to.equal(401);
    expect(wrong.body).to.include('That is not the key').and.include('&lt;b&gt;').and.not.include('<script>');
    expect(wrong.headers['set-cookie']).to.equal(undefined);
    const forged = jar(wrong) || `divide_key=${'0'.repeat(64)}; divide_name=Bo`;
    expect((await ask('/api/studies', { cookie: forged })).status).to.equal(401);
    const times: number[] = [];
    for (let i = 0; i < 2; i++) {
      const begun = Date.now();
      await ask('/?key=ebb');
      times.push(Date.now() - begun);
    }
    // The second and third guess: a second, a second and a half.
    expect(times[0]).to.be.at.least(990);
    expect(times[1]).to.be.at.least(1490);
  });
});

describe('who does something', () => {
  it('is the one who gave a name, within that request alone', async () => {
    const own = who();
    const said = await Promise.all([
      knownAs('Runa', async () => {
        await new Promise((resolve) => setTimeout(resolve, 5));
        return who();
      }),
      knownAs('Bo', () => Promise.resolve(who())),
      knownAs(undefined, () => Promise.resolve(who())),
    ]);
    expect(said).to.deep.equal(['Runa', 'Bo', own]);
    expect(who()).to.equal(own);
  });
});
