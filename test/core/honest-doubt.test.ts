import { expect } from 'chai';
import { drawsOf } from '../../src/core/certainty';
import { ESTIMATES_TOGETHER } from '../../src/core/fit/cost/doubt';
import { errorsOf } from '../../src/core/population/errors';
import {
  NO_REMEDIES,
  assess,
  computableConditions,
  residualSds,
  solve,
  withBody,
  type Problem,
} from '../../src/core/fit';
import type { Body, DimensionId } from '../../src/core/body';
import { BRITISH, filledBody, populationFor } from '../../src/core/population';
import {
  FULL,
  adjustment,
  bodyWith,
  listed,
  placeWith,
  problemFor,
  q,
  seatWith,
  slides,
} from '../support/inputs';

const MAN = { sex: 'men', ageYears: 40 } as const;

describe('the doubt of a residual', () => {
  it('counts estimates as they hang together: beside drawn bodies', () => {
    const read: Body = {
      stature: { ...q(1740, 9), basis: 'measured' },
      bodyMass: { ...q(75, 0.5), basis: 'measured' },
      shoeHeel: { ...q(25, 3), basis: 'measured' },
    };
    const body = filledBody(read, MAN, BRITISH);
    const p = problemFor({
      body,
      seat: seatWith([
        adjustment('seatHeight', slides(400, 520)),
        adjustment('backAngle', listed(15)),
        adjustment('armHeight', slides(180, 280)),
      ]),
      place: placeWith(slides(620, 850)),
    });
    const { values } = assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
    const draws = drawsOf(body, { seed: 3, count: 4000 });
    const at = (d: number): Problem => {
      const there: Partial<Record<DimensionId, Body[DimensionId]>> = { ...body };
      draws.ids.forEach((id, i) => {
        there[id] = { ...body[id]!, value: body[id]!.value + draws.off[d * draws.ids.length + i]! };
      });
      return withBody(p, there);
    };
    // Elbow and shoulder, both estimated from one stature, come into it together.
    for (const id of ['armHeight', 'deskTop'] as const) {
      const c = computableConditions(p).find((x) => x.id === id)!;
      const residuals = Array.from({ length: draws.count }, (_, d) => c.residual(at(d), values));
      const mean = residuals.reduce((sum, r) => sum + r, 0) / residuals.length;
      const sd = Math.sqrt(residuals.reduce((sum, r) => sum + (r - mean) ** 2, 0) / residuals.length);
      // The seat's own 3 mm and 1°, and what lies on the desk, come beside the body's.
      expect(residualSds(p)[id], id).to.be.within(sd * 0.97, Math.hypot(sd, 7) * 1.03);
    }
  });
});

describe('somebody over 65', () => {
  it('is told to sit lower, and less surely, than somebody of 60 with the same stature', () => {
    const read: Body = { stature: { ...q(1740, 9), basis: 'measured' } };
    const [old, young] = [70, 60].map((ageYears) => filledBody(read, { sex: 'men', ageYears }, BRITISH));
    for (const id of ['elbowHeightSitting', 'sittingHeight', 'eyeHeightSitting'] as const) {
      expect(old![id]!.value, id).to.be.lessThan(young![id]!.value - 10);
      expect(old![id]!.spread, id).to.be.greaterThan(1.2 * young![id]!.spread);
    }
    expect(old!.poplitealHeight!.value).to.be.closeTo(young!.poplitealHeight!.value, 0.2);
    expect(old!.elbowHeightSitting!.source).to.match(/over 65 \(assumed\)/);
    expect(populationFor({ sex: 'men', ageYears: 65 }, BRITISH)!.table).to.equal(BRITISH);
  });
});

describe('a belly at the desk', () => {
  const check = (abdominalDepth: number | null) => {
    const { abdominalDepth: own, ...rest } = bodyWith({ ...FULL, elbowGripLength: 340 });
    expect(own).to.not.equal(undefined);
    const body = abdominalDepth === null ? rest : { ...rest, abdominalDepth: q(abdominalDepth) };
    const p = problemFor({ body, place: placeWith(listed(720), { keysFromEdgeMm: 120 }) });
    return assess(p, solve(p, { remedies: NO_REMEDIES, budget: 100 }).settings).checks.find(
      (c) => c.id === 'belly',
    );
  };

  it('has room where the forearms reach the keys before it, by hand', () => {
    // 340 to the grip, the edge 120 before it; a belly of 320 stands 180 before the shoulder: 40 are left.
    expect(check(320)).to.deep.include({ verdict: 'passes' });
    expect(check(320)!.reason.values).to.deep.include({ room: { mm: 40 } });
    expect(check(345)).to.deep.include({ verdict: 'close' });
    expect(check(345)!.reason.values).to.deep.include({ room: { mm: 15 }, by: { sizeMm: 5 } });
  });

  it('is not spoken of where nobody measured it', () => expect(check(null)).to.equal(undefined));
});

describe('pads over thighs', () => {
  const contact = (armHeight: number, clear: number) => {
    const seat = seatWith([
      adjustment('seatHeight', listed(440)),
      adjustment('armHeight', listed(armHeight)),
      adjustment('armWidth', listed(clear)),
    ]);
    const p = problemFor({ seat, body: bodyWith({ ...FULL, thighClearance: 170, hipBreadthSitting: 400 }) });
    const a = assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
    return a.outcomes.flatMap((o) => o.conditions).find((c) => c.id === 'padContact')!;
  };

  it('meet them where they are neither above nor beside them, though they cannot be moved', () => {
    // 190 less 30 is 10 below the top of the thigh.
    expect(contact(190, 380).outside).to.equal(-10);
    expect(contact(210, 380).outside).to.equal(0);
    expect(contact(190, 440).outside).to.equal(0);
  });
});

describe('how estimates hang together', () => {
  it('is as the factors have it for somebody of whom stature and mass are known', () => {
    const read: Body = {
      stature: { ...q(1740, 9), basis: 'measured' },
      bodyMass: { ...q(75, 0.5), basis: 'measured' },
    };
    const { ids, covariance } = errorsOf(filledBody(read, MAN, BRITISH));
    for (const [one, other, r] of ESTIMATES_TOGETHER) {
      const [i, j] = [ids.indexOf(one), ids.indexOf(other)];
      const apart = Math.sqrt(covariance.get(i, i) * covariance.get(j, j));
      expect(covariance.get(i, j) / apart, `${one} and ${other}`).to.be.closeTo(r, 0.02);
    }
  });
});
