import { expect } from 'chai';
import { countBetween, type Counted, type Limits } from '../../src/core/crowd';
import { BRITISH, populationOf, valueAtShare, type BodyDimension } from '../../src/core/population';

const population = populationOf(BRITISH, 'mixed');
const middle = (dimension: BodyDimension): Limits => ({
  dimension,
  lo: valueAtShare(population, dimension, 0.05),
  hi: valueAtShare(population, dimension, 0.95),
});

function count(limits: readonly Limits[], seed = 1, people = 40_000): Counted[] {
  return [...countBetween(population, limits, { seed, count: people, batch: 10_000 })];
}

describe('people between limits', () => {
  const ids: readonly BodyDimension[] = ['poplitealHeight', 'buttockPoplitealLength', 'kneeHeight'];

  it('are nine in ten between 5th and 95th centile of each, and fewer of all at once', () => {
    const { people, all, each } = count(ids.map(middle)).at(-1)!;
    expect(people).to.equal(40_000);
    const error = Math.sqrt((0.9 * 0.1) / people);
    for (const n of each) expect(n / people).to.be.closeTo(0.9, 4 * error);
    expect(all).to.be.lessThan(Math.min(...each));
    // Independent dimensions would let 0.729 in, one and the same 0.9; parts of a leg hang together.
    expect(all / people).to.be.within(0.76, 0.88);
  });

  it('are told batch by batch, the same for the same seed', () => {
    const batches = count([middle('stature')]);
    expect(batches.map((b) => b.people)).to.deep.equal([10_000, 20_000, 30_000, 40_000]);
    expect(count([middle('stature')])).to.deep.equal(batches);
    expect(count([middle('stature')], 2)).not.to.deep.equal(batches);
  });

  it('are everybody between ends that leave out nobody, and nobody past the tallest', () => {
    const far = { dimension: 'stature', lo: 0, hi: 3000 } as const;
    expect(count([far]).at(-1)).to.deep.equal({ people: 40_000, all: 40_000, each: [40_000] });
    expect(count([far, { ...far, lo: 2600 }]).at(-1)).to.deep.include({ all: 0, each: [40_000, 0] });
  });

  it('are counted at the value that a share does not exceed', () => {
    for (const share of [0.05, 0.5, 0.95]) {
      const hi = valueAtShare(population, 'bodyMass', share);
      const { people, all } = count([{ dimension: 'bodyMass', lo: 0, hi }]).at(-1)!;
      expect(all / people).to.be.closeTo(share, 4 * Math.sqrt((share * (1 - share)) / people));
    }
  });
});
