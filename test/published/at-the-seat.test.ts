/** What is checked at the seat, against published ranges and fractions. All from memory. */
import { expect } from 'chai';
import { NO_REMEDIES, solve, type Problem } from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import { judged, standingAfter, stepWords, walkOf, type WalkEvent } from '../../src/core/walk';
import { FULL, PADS, adjustment, bodyWith, problemFor, seatWith, slides, steps } from '../support/inputs';

/** Winter, Biomechanics and Motor Control of Human Movement (2009), Table 4.1; from memory. */
const HEAD_ARMS_TRUNK = 0.678;
const CENTRE = 0.626;
const HIP_TO_SHOULDER = 0.288;
const G = 9.81;

const momentNm = (massKg: number, statureMm: number, deg: number): number =>
  HEAD_ARMS_TRUNK *
  massKg *
  G *
  CENTRE *
  HIP_TO_SHOULDER *
  (statureMm / 1000) *
  Math.sin((deg * Math.PI) / 180);

const AT_DEG = 15;
const LIGHTEST_NM = 10;
const STIFFEST_NM = 58;
const STOPS = 7;

const chair = (massKg: number, statureMm: number, method = 'open-hip'): Problem =>
  problemFor({
    seat: seatWith(
      [
        adjustment('seatHeight', slides(380, 530)),
        adjustment('seatDepth', slides(370, 460)),
        adjustment('backAngle', slides(0, 25)),
        adjustment('tiltTension', steps(1, STOPS, STOPS), {
          unit: 'step',
          effort: { by: 'moment', lightestNm: LIGHTEST_NM, stiffestNm: STIFFEST_NM, atDeg: AT_DEG },
        }),
        adjustment('armHeight', slides(170, 310)),
      ],
      { arms: PADS },
    ),
    body: bodyWith({ ...FULL, bodyMass: massKg, stature: statureMm }),
    method: SHIPPED_METHODS.find((m) => m.id === method)!,
  });

/** The last state that a walk shows, and what its step to an adjustment said. */
function walked(p: Problem) {
  const base = solve(p, { remedies: NO_REMEDIES }).settings;
  const events: WalkEvent[] = [];
  const said = new Map<string, ReturnType<typeof stepWords>>();
  for (let n = 0; n < 60; n++) {
    const walk = walkOf(p, base, events);
    if (!walk.next) return { said, at: judged(p, walk.standing) };
    const { id } = walk.next;
    said.set(id, stepWords(p, walk, walk.next));
    const kind = id.split(':')[1] as keyof typeof walk.target.positions | undefined;
    const position = kind && standingAfter(walk, walk.next).positions[kind];
    events.push({ step: id, answer: 'done', ...(position !== undefined && { position }) });
  }
  throw new Error('a walk that does not end');
}

describe('what is checked at the seat', () => {
  it('asks for the tension that Winter’s fractions give for mass and stature', () => {
    for (const [mass, stature] of [
      [52, 1580],
      [70, 1700],
      [95, 1860],
    ] as const) {
      const share = (momentNm(mass, stature, AT_DEG) - LIGHTEST_NM) / (STIFFEST_NM - LIGHTEST_NM);
      const wanted = 1 + Math.round(share * (STOPS - 1));
      const words = walked(chair(mass, stature)).said.get('set:tiltTension')!.main;
      expect(words.values.number, `${mass} kg`).to.deep.equal({ count: wanted });
    }
  });

  it('ends in a posture within the ranges of HFES 100 and ISO 11226', () => {
    // A low seat closes the hip beyond them on purpose.
    for (const method of ['right-angle', 'open-hip']) {
      const { at } = walked(chair(70, 1700, method));
      const deg = (id: string): number => at.angles.find((a) => a.id === id)!.deg!;
      // ANSI/HFES 100-2007: trunk against thigh 90 to 120°.
      expect(deg('trunkThigh'), method).to.be.within(90, 120);
      // ISO 11226:2000: a trunk that leans back on a full support is acceptable, and so is a knee of
      // 90 to 135°.
      expect(at.values.backAngle, method).to.be.within(0, 25);
      expect(deg('knee'), method).to.be.within(90, 135);
    }
  });

  it('finds by tape what stands: the gap behind the knee is what the fingers are asked for', () => {
    // Common practice, no source: three fingers of a hand are about 50 mm, four about 70.
    const p = chair(70, 1700);
    const { said } = walked(p);
    const depth = said.get('set:seatDepth')!;
    const room = depth.check!.values.room as { mm: number };
    const fingers = (depth.tells!.values.fingers as { count: number }).count;
    expect(fingers === 4 ? 70 : 50).to.be.at.most(room.mm + 2.5);
    if (fingers === 3) expect(70).to.be.greaterThan(room.mm + 1.5);
  });
});
