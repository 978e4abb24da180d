import { expect } from 'chai';
import { canBeWritten, compare } from '../../bench/general-solver';
import { PLAIN_WORK, makeInputs, type FitInputs } from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import type { Adjustment, SeatModel } from '../../src/core/seat';
import { buildDemo } from '../../src/demo/build';
import { bodyWith, placeWith, slides } from '../support/inputs';

/** Coarser travels, so that the general solver takes a fraction of a second for each. */
const COUNT = 7;
function coarse(seat: SeatModel): SeatModel {
  const adjustments = seat.adjustments.map((a): Adjustment =>
    a.travel.type === 'continuous' ? { ...a, travel: { ...a.travel, type: 'steps', count: COUNT } } : a,
  );
  return { ...seat, adjustments };
}

function casesOf(count: number): FitInputs[] {
  const demo = buildDemo(29, new Date('2026-11-25T09:30:00Z'), { sitters: 80, seats: 70 });
  const sitters = demo.sitters.filter((s) => s.readings.length >= 14);
  const cases: FitInputs[] = [];
  for (let n = 0; cases.length < count; n++) {
    const sitter = sitters[n % sitters.length]!;
    const inputs = makeInputs({
      sitter: { ageYears: null },
      body: bodyWith(Object.fromEntries(sitter.readings.map((r) => [r.dimension, r.value]))),
      seat: coarse(demo.seats[(n * 11) % demo.seats.length]!.seat),
      place: placeWith(slides(640, 800), n % 3 === 0 ? { drawerMm: 70 } : {}),
      method: SHIPPED_METHODS[n % SHIPPED_METHODS.length]!,
      work: PLAIN_WORK,
    });
    if (canBeWritten(inputs)) cases.push(inputs);
  }
  return cases;
}

describe('the solver beside a general one for mixed-integer linear programmes (HiGHS)', function () {
  this.timeout(600_000);

  it('is never dearer on 200 cases, and as a rule the same', async () => {
    const compared = await compare(casesOf(200));
    expect(compared.filter((c) => c.general < c.ours)).to.deep.equal([]);
    const same = compared.filter((c) => c.general - c.ours < 5e4);
    expect(same.length).to.be.at.least(190);
    // The rest lies between two lines that touch a curve: a tenth of a point at most.
    expect(compared.filter((c) => c.general - c.ours > 1e5)).to.deep.equal([]);
  });
});
