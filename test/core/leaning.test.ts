import { expect } from 'chai';
import {
  NO_REMEDIES,
  assess,
  costOf,
  remediesFor,
  solve,
  type Problem,
  type Settings,
} from '../../src/core/fit';
import { LOCK_USES, SHIPPED_METHODS, type Method } from '../../src/core/method';
import { cardOf } from '../../src/core/card';
import type { LockState } from '../../src/core/seat';
import { DEFAULT_READING, say } from '../../src/words';
import {
  FULL,
  OPEN_HIP,
  adjustment,
  bodyWith,
  listed,
  placeWith,
  problemFor,
  seatWith,
  slides,
  steps,
} from '../support/inputs';

const HEADER = { sitter: 'A', seat: 'B', place: null, method: 'C', fitter: 'D', date: '2026-11-29' };
const shipped = (id: string): Method => SHIPPED_METHODS.find((m) => m.id === id)!;
const solved = (p: Problem): Settings => solve(p, { remedies: NO_REMEDIES }).settings;
const TENSION = adjustment('tiltTension', slides(0, 2), {
  effort: { by: 'moment', lightestNm: 20, stiffestNm: 80, atDeg: 15 },
});
const HEIGHT = adjustment('seatHeight', slides(400, 520));
const lockWith = (...states: LockState[]) =>
  adjustment('tiltLock', listed(...states.map((_, i) => i)), { lock: { states } });

describe('a back that is free against its spring', () => {
  const seat = seatWith([HEIGHT, adjustment('backAngle', slides(0, 25)), TENSION]);
  const p = problemFor({ seat, body: bodyWith(FULL), method: OPEN_HIP });

  it('works at the method’s aim, between its stops, and is asked for no angle', () => {
    const a = assess(p, solved(p));
    expect(a.values.backAngle).to.equal(10);
    const row = cardOf(a, HEADER, null).rows.find((r) => r.kind === 'backAngle')!;
    expect(say(row.setting, DEFAULT_READING)).to.equal('Free against its spring, usually at about 10°');
    expect([row.check, row.tolerance]).to.deep.equal([null, null]);
    const short = seatWith([HEIGHT, adjustment('backAngle', slides(0, 6)), TENSION]);
    const q = problemFor({ seat: short, body: bodyWith(FULL), method: OPEN_HIP });
    expect(assess(q, solved(q)).values.backAngle).to.equal(6);
  });

  it('is set like anything else where it has notches and no lock, or nothing that springs', () => {
    for (const adjustments of [
      [HEIGHT, adjustment('backAngle', steps(0, 24, 9)), TENSION],
      [HEIGHT, adjustment('backAngle', slides(0, 24))],
    ]) {
      const held = problemFor({ seat: seatWith(adjustments), body: bodyWith(FULL), method: OPEN_HIP });
      expect(held.leaning).to.equal(null);
      const row = cardOf(assess(held, solved(held)), HEADER, null).rows.find((r) => r.kind === 'backAngle')!;
      expect(row.setting.key).not.to.equal('position.leans');
    }
  });

  it('is looked at at both ends, for solid things and feet alone', () => {
    // The pan tips with the back, about its rear: leaning back the knees come up to the desk.
    const tied = seatWith(
      [
        adjustment('seatHeight', listed(440)),
        adjustment('backAngle', slides(0, 30)),
        TENSION,
        adjustment('seatDepth', listed(430)),
      ],
      { back: { topMm: 600, synchroRatio: 2 } },
    );
    const body = bodyWith(FULL);
    const q = problemFor({ seat: tied, body, method: OPEN_HIP, place: placeWith(listed(690)) });
    const checks = assess(q, solved(q)).checks.map((c) => c.reason);
    const back = checks.find((m) => m.key === 'check.lean.back');
    expect(say(back!, DEFAULT_READING)).to.match(/^At 30°, fully reclined, these do not fit: /);
    const words = back!.values.list as { readonly words: readonly string[] };
    expect(words.words).to.include('condition.deskContact');
    // A limiter ends the swing before it comes to that.
    const limited = { ...tied, adjustments: [...tied.adjustments, adjustment('tiltLimiter', listed(12))] };
    const r = problemFor({ seat: limited, body, method: OPEN_HIP });
    expect(assess(r, solved(r)).checks.map((c) => c.id)).not.to.include('leanBack');
  });
});

describe('a lock', () => {
  const seat = (...states: LockState[]) =>
    seatWith([HEIGHT, adjustment('backAngle', slides(0, 25)), TENSION, lockWith(...states)]);
  const stateFor = (method: Method, states: LockState[], task?: 'handwork' | 'keyboard') => {
    const place = task ? placeWith(listed(720), { task }) : null;
    const p = problemFor({ seat: seat(...states), body: bodyWith(FULL), method, place });
    const { values } = assess(p, solved(p));
    return [states[values.tiltLock], values.backAngle];
  };

  it('follows the method first', () => {
    const by = LOCK_USES.map((lock) => stateFor({ ...OPEN_HIP, lock }, ['free', 'anywhere'], 'keyboard')[0]);
    expect(by).to.deep.equal(['free', 'free', 'anywhere', 'anywhere']);
  });

  it('follows the task where the method locks for short intensive work', () => {
    const lock = 'shortWork';
    expect(stateFor({ ...OPEN_HIP, lock }, ['free', 'anywhere'], 'handwork')[0]).to.equal('anywhere');
    expect(stateFor({ ...OPEN_HIP, lock: 'never' }, ['free', 'anywhere'], 'handwork')[0]).to.equal('free');
  });

  it('that holds upright alone is used where the method sits upright, else the back stays free', () => {
    const breaks = shipped('recline-for-breaks');
    expect(stateFor(breaks, ['free', 'upright'], 'keyboard')).to.deep.equal(['upright', 0]);
    const [state, lean] = stateFor({ ...OPEN_HIP, lock: 'freeInBreaks' }, ['free', 'upright'], 'keyboard');
    expect([state, lean]).to.deep.equal(['free', 10]);
  });

  it('is put on for whoever asks for an angle of their own', () => {
    const p = problemFor({ seat: seat('free', 'anywhere'), body: bodyWith(FULL), method: OPEN_HIP });
    const held = solve(p, { remedies: NO_REMEDIES, held: { backAngle: 30 } }).settings;
    const a = assess(p, held);
    expect([a.values.backAngle, a.values.tiltLock]).to.deep.equal([15, 1]);
    expect(a.outcomes.find((o) => o.kind === 'backAngle')!.words.key).not.to.equal('position.leans');
  });
});

describe('what tips with the sitter', () => {
  const passive = adjustment('forwardTilt', slides(-10, 0), { holds: { how: 'passive' } });
  const seat = seatWith(
    [adjustment('seatHeight', steps(400, 520, 25)), passive, adjustment('seatDepth', listed(400))],
    {
      pan: { axisFromRearMm: 200, recessMm: 0, frontEdgeRadiusMm: 0 },
    },
  );
  const p = problemFor({ seat, body: bodyWith(FULL) });

  it('counts at its dearer end: no other height is milder at its own dearer end', () => {
    const found = solve(p, { remedies: NO_REMEDIES });
    const dearest = (seatHeight: number): number =>
      Math.max(
        ...[0, p.variables.forwardTilt!.values.length - 1].map(
          (forwardTilt) =>
            costOf(p, { positions: { seatHeight, forwardTilt, seatDepth: 0 }, remedies: NO_REMEDIES })
              .penalty,
        ),
      );
    expect(found.penalty).to.equal(dearest(found.settings.positions.seatHeight!));
    const others = p.variables.seatHeight!.values.map((_, at) => dearest(at));
    expect(found.bound).to.be.at.most(Math.min(...others));
    expect(found.penalty).to.equal(Math.min(...others));
  });

  it('opens no more boxes than each search may, the one between the ends included', () => {
    for (const budget of [1, 20, 200]) {
      const found = solve(p, { remedies: NO_REMEDIES, budget });
      // Both ends, and what lies between; a search ends with the box that it has open.
      expect(found.nodes).to.be.at.most(3 * (budget + 4));
      expect(found.penalty).to.be.at.least(found.bound);
    }
    const [few, all] = [20, 60_000].map((budget) => solve(p, { remedies: NO_REMEDIES, budget }));
    expect(all!.penalty).to.be.at.most(few!.penalty);
  });

  it('is no setting', () => {
    const row = cardOf(assess(p, solved(p)), HEADER, null).rows.find((r) => r.kind === 'forwardTilt')!;
    expect(say(row.setting, DEFAULT_READING)).to.match(/^Follows the sitter/);
    expect([row.check, row.tolerance]).to.deep.equal([null, null]);
  });
});

describe('half sitting', () => {
  const method = shipped('half-sitting');
  const perch = (seatClass: 'perching' | 'office') =>
    problemFor({
      seat: seatWith([adjustment('seatHeight', slides(450, 800)), adjustment('seatDepth', listed(320))], {
        seatClass,
        seatWidthMm: null,
        arms: null,
      }),
      body: bodyWith(FULL),
      method,
      place: placeWith(slides(650, 1250)),
    });

  it('lets the thighs fall off a perch until the feet stand, and takes the desk up with the sitter', () => {
    const p = perch('perching');
    const a = assess(p, solved(p));
    const thigh = a.outcomes.flatMap((o) => o.conditions).find((c) => c.id === 'thigh')!;
    expect(thigh.residual).to.be.within(-40, -20);
    expect(a.outcomes.map((o) => [o.kind, o.verdict])).to.deep.equal([
      ['seatDepth', 'fits'],
      ['seatHeight', 'fits'],
      ['deskHeight', 'fits'],
    ]);
    // The hip is a good hand's breadth above where it sits on a chair.
    const chair = problemFor({ seat: p.inputs.seat, body: p.inputs.body });
    expect(a.values.seatHeight - assess(chair, solved(chair)).values.seatHeight).to.be.greaterThan(100);
    expect(remediesFor(p).offered).to.deep.equal([]);
  });

  it('finds no chair to perch on', () => {
    const p = perch('office');
    expect(p.isPerched).to.equal(false);
    const thigh = assess(p, solved(p))
      .outcomes.flatMap((o) => o.conditions)
      .find((c) => c.id === 'thigh')!;
    expect(thigh.outside).to.not.equal(0);
  });
});
