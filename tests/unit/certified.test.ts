import { expect } from 'chai';
import { oneWayAnova } from '../../src/core/procedures/one-way-anova';

/** NIST Statistical Reference Datasets, analysis of variance. */
const certified: [name: string, groups: number[][], f: number, relative: number][] = [
  [
    'SiRstv',
    [
      [196.3052, 196.124, 196.189, 196.2569, 196.3403],
      [196.3042, 196.3825, 196.1669, 196.3257, 196.0422],
      [196.1303, 196.2005, 196.2889, 196.0343, 196.1811],
      [196.2795, 196.1748, 196.1494, 196.1485, 195.9885],
      [196.2119, 196.1051, 196.185, 196.0052, 196.209],
    ],
    1.18046237440255,
    1e-13,
  ],
  [
    'AtmWtAg',
    [
      '8681568 8681465 8681572 8681785 8681446 8681903 8681526 8681494 8681616 8681587 8681519 8681486 8681419 8681569 8681508 8681672 8681385 8681518 8681662 8681424 8681360 8681333 8681610 8681477',
      '8681079 8681344 8681513 8681197 8681604 8681385 8681642 8681365 8681151 8681082 8681517 8681448 8681198 8681482 8681334 8681609 8681101 8681512 8681469 8681360 8681254 8681261 8681450 8681368',
    ].map((digits) => digits.split(' ').map((d) => Number(`107.${d}`))),
    15.946733567793,
    1e-13,
  ],
];

/** The simulated sets by their rule: nine treatments about the same few values, on ever larger constants. */
const steps = [4, 3, 5, 3, 5, 3, 5, 3, 5];
[0, 1e6, 1e12].forEach((constant, block) => {
  [21, 201, 2001].forEach((n, size) => {
    // Written as text and read again, so that each value is the number its decimals name.
    const value = (tenths: number) => Number(`${(constant || 1) + Math.floor(tenths / 10)}.${tenths % 10}`);
    const groups = steps.map((middle) =>
      Array.from({ length: n }, (_, i) => value(middle + (i === 0 ? 0 : i % 2 ? -1 : 1))),
    );
    certified.push([`SmLs0${block * 3 + size + 1}`, groups, n, 1e-13]);
  });
});

describe('certified analysis of variance', () => {
  for (const [name, groups, f, relative] of certified)
    it(`${name}: F to ${relative}`, () => {
      expect(oneWayAnova(groups).f / f - 1).to.be.within(-relative, relative);
    });
});
