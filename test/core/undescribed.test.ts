import { expect } from 'chai';
import type { Body } from '../../src/core/body';
import {
  NO_REMEDIES,
  assess,
  completeSettings,
  solve,
  uncalculatedOf,
  type Problem,
  type Settings,
} from '../../src/core/fit';
import { stated } from '../../src/core/quantity';
import { buildDemo } from '../../src/demo/build';
import { DEMO_SEATS } from '../../src/demo/seats';
import { ADJUSTMENT_KIND_IDS, offersOf, seatNumbers, type SeatModel } from '../../src/core/seat';
import { cardOf } from '../../src/core/card';
import {
  PADS,
  WIDE_SEAT,
  adjustment,
  listed,
  problemFor,
  seatWith,
  slides,
  steps,
  CARD_HEADER,
} from '../support/inputs';

const HEIGHT = adjustment('seatHeight', slides(380, 560));
describe('a seat that nobody described', () => {
  it('is set by its height alone', () => {
    const seat = seatWith([HEIGHT], {
      ratedLoadKg: null,
      seatWidthMm: null,
      cushion: { sinkMm: null, referenceMassKg: 75, heightsAre: 'loaded' },
      pan: { axisFromRearMm: null, recessMm: null, frontEdgeRadiusMm: null },
      back: { topMm: null, synchroRatio: null },
      arms: null,
      offers: [],
    });
    const p = problemFor({ seat });
    const { settings } = solve(p, { remedies: NO_REMEDIES });
    const a = assess(p, settings);
    // Popliteal height 420 and heel 20.
    expect(a.values.seatHeight).to.be.within(430, 440);
    expect(Object.values(seatNumbers(seat)).filter((v) => Number.isNaN(v))).to.have.length(4);
  });

  it('neither passes nor fails what its label would say', () => {
    const a = assess(problemFor({ seat: { ...WIDE_SEAT, ratedLoadKg: null, seatWidthMm: null } }), {
      positions: {},
      remedies: {},
    });
    expect(a.checks.map(({ id, verdict }) => [id, verdict])).to.deep.equal([
      ['ratedLoad', 'notDescribed'],
      ['seatWidth', 'notDescribed'],
    ]);
    expect(a.refused).to.equal(false);
    const card = cardOf(a, CARD_HEADER, null);
    expect(card.refusals.map((m) => m.key)).to.deep.equal([
      'check.ratedLoad.notDescribed',
      'check.seatWidth.notDescribed',
    ]);
  });
});

describe('what no setting is calculated for', () => {
  const tension = adjustment('tiltTension', slides(0, 2));
  const turns = adjustment('lumbarDepth', slides(0, 6), { unit: 'pump' });
  const follower = adjustment('backHeight', steps(150, 200, 3), {
    holds: { how: 'follows', leaderId: 'lumbarDepth', ratio: 0.5 },
  });

  it('is said, and is no adjustment of the computation', () => {
    const seat = seatWith([HEIGHT, tension, turns, follower], {
      arms: { ...PADS, support: 'cradle' },
      states: [{ id: 'off', kind: 'upperSupportOff', removes: [] }],
      strappedCushions: [{ id: 'neck', zone: 'neck', thicknessMm: null, belongsTo: 'sitter', slips: true }],
    });
    expect(uncalculatedOf(seat).map((m) => m.key)).to.deep.equal([
      'uncalculated.byTrial',
      'uncalculated.countUnknown',
      'uncalculated.follows',
      'uncalculated.state',
      'uncalculated.cushion',
      'uncalculated.cradle',
    ]);
    const p = problemFor({ seat });
    expect(Object.keys(p.variables)).to.deep.equal(['seatHeight']);
    const a = assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
    expect(a.outcomes.map((o) => o.kind)).to.deep.equal(['seatHeight']);
    expect(cardOf(a, CARD_HEADER, null).uncalculated).to.have.length(6);
  });

  it('leaves the settings of the rest as they are without it', () => {
    const with_ = problemFor({ seat: seatWith([...WIDE_SEAT.adjustments, turns, follower]) });
    const without = problemFor({ seat: WIDE_SEAT });
    const positions = (p: typeof with_) => solve(p, { remedies: NO_REMEDIES }).settings.positions;
    expect(positions(with_)).to.deep.equal(positions(without));
  });

  it('is nothing on a seat that is described', () => {
    expect(uncalculatedOf(WIDE_SEAT)).to.deep.equal([]);
  });
});

describe('what a seat offers', () => {
  it('follows from its parts and adjustments as well', () => {
    const seat = seatWith(
      [
        HEIGHT,
        adjustment('headHeight', steps(560, 700, 4)),
        adjustment('footRing', listed(200, 250)),
        adjustment('tiltTension', listed(0), {
          unit: 'step',
          effort: { by: 'weighing', lightestKg: 45, stiffestKg: 120 },
        }),
      ],
      { offers: ['bolted'] },
    );
    expect([...offersOf(seat)].sort()).to.deep.equal([
      'arms',
      'bolted',
      'footRing',
      'headrest',
      'noCastors',
      'selfWeighing',
    ]);
    expect([...offersOf({ ...seat, arms: null, adjustments: [HEIGHT] })].sort()).to.deep.equal([
      'bolted',
      'noCastors',
    ]);
  });
});

/** What of a seat may be left out: parts that are null, and any adjustment but its height. */
const LEFT_OUT: readonly (readonly [string, (seat: SeatModel) => SeatModel])[] = [
  ['pad width', (s) => ({ ...s, arms: s.arms && { ...s.arms, widthMm: null } })],
  ['pad length', (s) => ({ ...s, arms: s.arms && { ...s.arms, lengthMm: null } })],
  ['pads', (s) => ({ ...s, arms: s.arms && { ...s.arms, lengthMm: null, widthMm: null } })],
  ['pan', (s) => ({ ...s, pan: { axisFromRearMm: null, recessMm: null, frontEdgeRadiusMm: null } })],
  ['back', (s) => ({ ...s, back: { topMm: null, synchroRatio: null } })],
  ['width and load', (s) => ({ ...s, seatWidthMm: null, ratedLoadKg: null })],
  ...ADJUSTMENT_KIND_IDS.filter((kind) => kind !== 'seatHeight').map(
    (kind): readonly [string, (seat: SeatModel) => SeatModel] => [
      kind,
      (s) => ({ ...s, adjustments: s.adjustments.filter((a) => a.kind !== kind) }),
    ],
  ),
];

/** Everything in the middle of its travel. */
const middles = (p: Problem): Settings['positions'] =>
  Object.fromEntries(
    Object.values(p.variables).map(({ kind, values }) => [kind, Math.floor((values.length - 1) / 2)]),
  );

const isKind = (name: string): boolean => (ADJUSTMENT_KIND_IDS as readonly string[]).includes(name);

describe('a seat of which something was left out', () => {
  const demo = buildDemo(1, new Date('2026-11-25T09:30:00Z'));
  const piet = demo.sitters.find((s) => s.name === 'Piet Lunder')!;
  const body = Object.fromEntries(
    piet.readings.map(({ dimension, value }) => [dimension, stated(value, 'demo', 3)]),
  ) as Body;

  it('says nothing with a hole in it, whatever is left out', () => {
    const holes = new Set<string>();
    let looked = 0;
    const look = (value: unknown, where: string): void => {
      if (typeof value === 'number' && Number.isNaN(value)) holes.add(where);
      else if (value !== null && typeof value === 'object')
        for (const [key, inner] of Object.entries(value)) look(inner, `${where}/${key}`);
    };
    for (const seat of DEMO_SEATS)
      for (const [name, without] of LEFT_OUT) {
        const whole: SeatModel = { ...seat, id: 's' };
        const part = without(whole);
        if (part.adjustments.length === whole.adjustments.length && isKind(name)) continue;
        const { place } = demo.places[looked % demo.places.length]!;
        const p = problemFor({ seat: part, place, body });
        const a = assess(p, { positions: middles(p), remedies: NO_REMEDIES });
        look(cardOf(a, CARD_HEADER, null), `${seat.name} without ${name}`);
        looked++;
      }
    expect(looked).to.be.greaterThan(200);
    expect([...holes]).to.deep.equal([]);
  });

  it('names that nobody knows where the elbow lies on a pad of unknown width', () => {
    const seat: SeatModel = { ...DEMO_SEATS[1], id: 's' };
    const p = problemFor({ seat: { ...seat, arms: { ...seat.arms!, widthMm: null } }, body });
    const keys = cardOf(assess(p, completeSettings(p, null)), CARD_HEADER, null).uncalculated.map(
      (m) => m.key,
    );
    expect(keys).to.include('uncalculated.padWidth');
    const known = problemFor({ seat, body });
    expect(uncalculatedOf(known.inputs.seat).map((m) => m.key)).not.to.include('uncalculated.padWidth');
  });
});
