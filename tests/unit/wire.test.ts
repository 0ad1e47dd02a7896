import { expect } from 'chai';
import fc from 'fast-check';
import { answer, described } from '../../src/core/answering/answer';
import { questionOf } from '../../src/core/question/question';
import { tableOf } from '../../src/core/readings/table';
import { answerView } from '../../src/workers/answer-views';
import { pack, unpack } from '../../src/formats/wire';

/** What another thread would get of it. */
const sent = (value: unknown): unknown => unpack(structuredClone(pack(value)));

/** The same list so many times over, so that it is long enough to be packed. */
const long = <T>(list: readonly T[]): T[] => Array.from({ length: 300 }, (_, i) => list[i % list.length] as T);

describe('what travels between threads', () => {
  it('arrives as it was: numbers, texts of any kind, records within records', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double(), { minLength: 1 }),
        fc.array(fc.string(), { minLength: 1 }),
        fc.array(fc.record({ row: fc.nat(), value: fc.double(), inner: fc.record({ name: fc.string() }) }), {
          minLength: 1,
        }),
        fc.array(fc.record({ row: fc.nat(), limited: fc.constant('half') }, { requiredKeys: ['row'] }), {
          minLength: 1,
        }),
        (numbers, texts, records, uneven) => {
          const value = {
            numbers: long(numbers),
            texts: long(texts),
            records: long(records),
            uneven: long(uneven),
            short: numbers,
            nothing: undefined,
          };
          expect(sent(value)).to.deep.equal(value);
        },
      ),
    );
  });

  it('takes texts with every sign that could part them', () => {
    const texts = long(['a\nb', '\u0001', '\u0002', '\u0003']);
    expect(sent({ texts })).to.deep.equal({ texts });
  });

  it('keeps what is the same the same, and sends it once', () => {
    const readings = long([{ row: 1, value: 2 }]);
    const { one, other } = unpack(structuredClone(pack({ one: { readings }, other: { readings } })));
    expect(one.readings).to.deep.equal(readings);
    expect(one.readings).to.equal(other.readings);
    // Looked at twice, it is made once.
    expect(one.readings).to.equal(one.readings);
  });

  it('carries no object a reading', () => {
    const readings = Array.from({ length: 5000 }, (_, row) => ({ row, value: row / 2 }));
    const size = (value: unknown): number =>
      typeof value === 'object' && value !== null && !ArrayBuffer.isView(value)
        ? 1 + Object.values(value).reduce<number>((sum, one) => sum + size(one), 0)
        : 1;
    expect(size(pack({ readings }))).to.be.below(40);
  });
});

describe('an answer from a desk', () => {
  const cells = (shift: number): string[] => Array.from({ length: 400 }, (_, i) => String(((i * 37) % 101) + shift));
  const column = (id: string, name: string, shift: number) => ({
    id,
    name,
    unit: 'mm',
    role: 'measure' as const,
    decimal: 'auto' as const,
    cells: cells(shift),
    aside: { 3: 'torn' },
  });
  const table = tableOf([column('a', 'still', 0), column('b', 'pulsed', 5)], { measure: 'length', subject: 'blade' });
  const question = questionOf('two-groups', { a: 'a', b: 'b' });

  it('says and shows what the page itself would', () => {
    const here = answer(question, table);
    const there = sent(here) as typeof here;
    expect(there).to.deep.equal(here);
    if (!here.ok || !there.ok) throw new Error('no answer');
    expect(answerView('look', there.value, [690, false, 'points'])).to.deep.equal(
      answerView('look', here.value, [690, false, 'points']),
    );
    expect(answerView('checks', there.value, [])).to.deep.equal(answerView('checks', here.value, []));
  });

  it('describes the groups before they are compared', () => {
    const before = described(question, table);
    const after = answer(question, table);
    if (!before.ok || !after.ok) throw new Error('no answer');
    expect(before.value.groups).to.deep.equal(after.value.groups);
    expect(before.value.comparison).to.deep.equal({ ok: false, reason: 'They are not compared yet.' });
    const marks = answerView('look', before.value, [690, false, 'points']).shapes.flatMap((s) => s.name ?? []);
    expect(marks).to.include.members(['readings-0', 'mean-0', 'mean-1', 'interval-1']);
  });
});
