import { expect } from 'chai';
import { demoStudy } from '../../demo/skerrow';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { bundleOf } from '../../src/server/bundle';
import { startDemo } from '../../src/server/demo-study';
import { type Rechecked, difference, recheck } from '../../src/server/recheck';
import { openDb } from '../../src/store/open';

describe('a bundle computed again', () => {
  const files: Record<string, Uint8Array> = {};
  before(async () => {
    const db = openDb(':memory:', process.cwd());
    const id = startDemo(db, '2026-01-02T03:04:05.000Z');
    Object.assign(files, unzipSync(await bundleOf(db, id)));
    db.$client.close();
  });
  const checked = (changes: Record<string, (text: string) => string> = {}): Promise<Rechecked[]> =>
    recheck(
      zipSync({
        ...files,
        ...Object.fromEntries(
          Object.entries(changes).map(([name, change]) => [name, strToU8(change(strFromU8(files[name]!)))]),
        ),
      }),
      process.cwd(),
    );
  const differing = (parts: readonly Rechecked[]): string[] => parts.filter((p) => !p.agrees).map((p) => p.part);

  it('agrees with itself: every answer, every figure, the write-up', async () => {
    const parts = await checked();
    expect(differing(parts)).to.deep.equal([]);
    expect(parts.filter((p) => p.part.startsWith('answers/')).length).to.equal(demoStudy().questions.length);
    expect(parts.filter((p) => p.part.startsWith('figures/')).length).to.equal(5);
    expect(parts.map((p) => p.part)).to.include.members(['write-up.html', 'write-up.md']);
  });

  it('tells of a reading that was changed what no longer follows from it', async () => {
    const parts = await checked({ 'data/01-lamp-trial.csv': (csv) => csv.replace(/\n[\d.]+,/, '\n99.9,') });
    expect(differing(parts)).to.include.members([
      'data/01-lamp-trial.csv',
      'answers/01.json',
      'figures/01.svg',
      'write-up.md',
    ]);
    expect(differing(parts)).to.not.include('answers/02.json');
    const answer = parts.filter((p) => p.part === 'answers/01.json');
    expect(answer[0]?.why).to.match(/is .* there, and comes to /);
  });

  it('tells of a number changed in an answer, and of a word in the text', async () => {
    const parts = await checked({
      'answers/03.json': (json) => json.replace(/"p": 0\.\d+/, '"p": 0.049'),
      'write-up.html': (html) => html.replace(/difference 5\.9(\s)mm/, 'difference 8.9$1mm'),
    });
    expect(differing(parts).sort()).to.deep.equal([
      'answers/03.json',
      'answers/03.json',
      'write-up.html',
      'write-up.html',
    ]);
    expect(parts.find((p) => p.part === 'answers/03.json' && p.why.includes('comes to'))?.why).to.match(
      /p is 0\.049 there/,
    );
    expect(parts.find((p) => p.part === 'write-up.html' && p.why.includes('8.9'))?.why).to.include('5.9');
  });

  it('minds neither the last digits another machine rounds otherwise nor anything smaller', () => {
    expect(difference({ a: [1, 2.0000000000001] }, { a: [1, 2] })).to.equal(undefined);
    expect(difference({ a: [1, 2.00001] }, { a: [1, 2] })).to.equal('a.1 is 2.00001 there, and comes to 2');
    expect(difference({ a: 1 }, { a: 1, b: null })).to.equal('b is nothing there, and comes to null');
    expect(difference('x', 1)).to.equal('it is "x" there, and comes to 1');
  });
});
