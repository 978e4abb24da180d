import { expect } from 'chai';
import fc from 'fast-check';
import { DIMENSIONS, DIMENSION_IDS, type DimensionId } from '../../src/core/body';
import {
  KEYS,
  NEW_TOUR,
  isComplete,
  nextStep,
  pressed,
  progressOf,
  selectionOf,
  ownSingleSd,
  settleTakes,
  takesOf,
  takesWanted,
  withSkipped,
  withTake,
  withoutLast,
  withoutTakes,
  type Tour,
} from '../../src/core/measuring';

describe('readings of one dimension', () => {
  it('come to themselves, their mean, their median', () => {
    expect(settleTakes('poplitealHeight', [])).to.equal(null);
    expect(settleTakes('poplitealHeight', [445])).to.deep.equal({ value: 445, spread: 6, how: 'single' });
    expect(settleTakes('poplitealHeight', [445, 448])).to.deep.include({ value: 446.5, how: 'meanOfTwo' });
    expect(settleTakes('poplitealHeight', [445, 455, 447])).to.deep.include({
      value: 447,
      how: 'medianOfThree',
    });
  });

  it('are three where two differ by more than the tolerance, on it two', () => {
    expect(takesWanted('poplitealHeight', [445])).to.equal(2);
    expect(takesWanted('poplitealHeight', [445, 450])).to.equal(2);
    expect(takesWanted('poplitealHeight', [445, 450.1])).to.equal(3);
    expect(takesWanted('hipBreadthSitting', [380, 390])).to.equal(2);
    expect(takesWanted('bodyMass', [70.1, 70.6])).to.equal(2);
    expect(takesWanted('bodyMass', [70.1, 70.7])).to.equal(3);
  });

  it('are surer the more there are, unless they lie apart', () => {
    const spread = (...takes: number[]) => settleTakes('elbowHeightSitting', takes)!.spread;
    expect(spread(245)).to.equal(9);
    expect(spread(245, 248)).to.be.closeTo(0.8 * 9, 1e-9);
    expect(spread(245, 248, 247)).to.be.within(0.77 * 9, 0.78 * 9);
    expect(spread(245, 275, 257)).to.be.greaterThan(spread(245));
    expect(spread(245, 265, 247)).to.be.closeTo(Math.hypot(0.28 ** 0.5 * 9, 0.6698 * 11.015), 0.01);
  });

  it('err by what a fitter’s own pairs tell, and by what no pair tells', () => {
    expect(ownSingleSd('elbowHeightSitting', 0)).to.be.closeTo(9 * 0.28 ** 0.5, 1e-9);
    expect(ownSingleSd('elbowHeightSitting', 9 * 0.72 ** 0.5)).to.be.closeTo(9, 1e-9);
    const own = settleTakes('elbowHeightSitting', [240, 244], 12)!;
    expect(own.spread).to.be.closeTo(0.8 * 12, 1e-9);
  });

  it('settle within what was read, whatever was read', () => {
    const read = fc.integer({ min: 2000, max: 8000 }).map((tenths) => tenths / 10);
    fc.assert(
      fc.property(fc.array(read, { minLength: 1, maxLength: 3 }), (takes) => {
        const { value, spread } = settleTakes('kneeHeight', takes)!;
        expect(value).to.be.within(Math.min(...takes) - 0.05, Math.max(...takes) + 0.05);
        expect(spread).to.be.greaterThan(0);
      }),
      { seed: 3 },
    );
  });
});

/** Measures on, with what `read` gives, until nothing is left. */
function measured(tour: Tour, read: (id: DimensionId, reading: number) => number) {
  const steps: string[] = [];
  let now = tour;
  for (let step = nextStep(now); step; step = nextStep(now)) {
    steps.push(`${step.dimension} ${step.reading}`);
    now = withTake(now, { dimension: step.dimension, value: read(step.dimension, step.reading) });
  }
  return { tour: now, steps };
}

describe('a tour of measuring', () => {
  const steady = (id: DimensionId) => DIMENSIONS[id].lowest + 1;

  it('takes everything of one posture twice before the sitter moves', () => {
    const { steps } = measured(NEW_TOUR, steady);
    expect(steps).to.deep.equal([
      'stature 1',
      'bodyMass 1',
      'stature 2',
      'bodyMass 2',
      'shoeHeel 1',
      'shoeHeel 2',
      'poplitealHeight 1',
      'buttockPoplitealLength 1',
      'elbowHeightSitting 1',
      'hipBreadthSitting 1',
      'poplitealHeight 2',
      'buttockPoplitealLength 2',
      'elbowHeightSitting 2',
      'hipBreadthSitting 2',
    ]);
  });

  it('asks for a third at once where two differ', () => {
    const { steps, tour } = measured(NEW_TOUR, (id, reading) =>
      id === 'poplitealHeight' ? 400 + 8 * reading : steady(id),
    );
    const second = steps.indexOf('poplitealHeight 2');
    expect(steps[second + 1]).to.equal('poplitealHeight 3');
    expect(settleTakes('poplitealHeight', takesOf(tour, 'poplitealHeight'))!.value).to.equal(416);
  });

  it('ends, in whatever selection, with two or three readings of each and none of what was skipped', () => {
    fc.assert(
      fc.property(
        fc.subarray([...DIMENSION_IDS], { minLength: 1 }),
        fc.integer({ min: 0, max: 28 }),
        fc.infiniteStream(fc.integer({ min: -12, max: 12 })),
        (selection, skip, noise) => {
          const skipped = selection[skip % selection.length]!;
          const read = (id: DimensionId) => DIMENSIONS[id].lowest + 20 + (noise.next().value as number);
          const { tour } = measured(withSkipped({ ...NEW_TOUR, selection }, skipped), read);
          for (const id of DIMENSION_IDS) {
            const count = takesOf(tour, id).length;
            if (id === skipped || !selection.includes(id)) expect(count).to.equal(0);
            else expect(count).to.equal(takesWanted(id, takesOf(tour, id)));
          }
          const { taken, of } = progressOf(tour);
          expect(taken).to.equal(of);
        },
      ),
      { seed: 4, numRuns: 60 },
    );
  });

  it('goes back one reading at a time, and measures one anew', () => {
    const begun = withTake(withTake(NEW_TOUR, { dimension: 'stature', value: 1700 }), {
      dimension: 'bodyMass',
      value: 70,
    });
    expect(nextStep(withoutLast(begun))).to.deep.equal({ dimension: 'bodyMass', reading: 1 });
    expect(nextStep(withoutTakes(begun, 'stature'))).to.deep.equal({ dimension: 'stature', reading: 1 });
    expect(withoutLast(NEW_TOUR)).to.deep.equal(NEW_TOUR);
  });

  it('has the quick set in the full one', () => {
    expect(selectionOf('quick')).to.have.length(7);
    expect(selectionOf('full')).to.include.members([...selectionOf('quick')]);
    expect(selectionOf('full')).not.to.include('footLength');
  });
});

describe('the keypad', () => {
  const type = (keys: string) =>
    [...keys].reduce((text, key) => pressed(text, key as (typeof KEYS)[number]), '');

  it('writes numbers, one point at most and no leading nought', () => {
    expect(type('445')).to.equal('445');
    expect(type('68.5.2')).to.equal('68.52');
    expect(type('.5')).to.equal('0.5');
    expect(type('05')).to.equal('5');
    expect(pressed('44', 'back')).to.equal('4');
    expect(pressed('', 'back')).to.equal('');
  });

  it('knows when nothing more can follow', () => {
    expect(isComplete('poplitealHeight', '44')).to.equal(false);
    expect(isComplete('poplitealHeight', '445')).to.equal(true);
    expect(isComplete('stature', '174')).to.equal(false);
    expect(isComplete('stature', '1740')).to.equal(true);
    expect(isComplete('shoeHeel', '25')).to.equal(true);
    // A kilogram may have a fraction, and so may a length that has begun one.
    expect(isComplete('bodyMass', '68')).to.equal(false);
    expect(isComplete('poplitealHeight', '44.5')).to.equal(false);
  });
});
