import { expect } from 'chai';
import { FITTING_DIMENSIONS, pairDoubts, rangeDoubt } from '../../src/core/body';
import { SEAT_CLASSES, endsOf, positionCount, type Adjustment, type SeatModel } from '../../src/core/seat';
import { SeatSchema, PlaceSchema } from '../../src/contract';
import { buildDemo, type DemoRecords } from '../../src/demo/build';
import { bodyWith } from '../support/inputs';

const NOW = new Date('2026-11-25T09:30:00Z');

function expectPossible(sitter: DemoRecords['sitters'][number]): void {
  const measures = Object.fromEntries(sitter.readings.map((r) => [r.dimension, r.value]));
  expect(pairDoubts(bodyWith(measures)), sitter.name).to.deep.equal([]);
  for (const { dimension, value } of sitter.readings)
    expect(rangeDoubt(dimension, value), `${sitter.name} ${dimension}`).to.equal(null);
}

describe('the demo records', () => {
  const demo = buildDemo(7, NOW);

  it('are the same for the same seed and time, and others for another seed', () => {
    expect(buildDemo(7, NOW)).to.deep.equal(demo);
    expect(buildDemo(8, NOW).sitters[0]?.id).not.to.equal(demo.sitters[0]?.id);
  });

  it('have ids of their own', () => {
    const ids = [
      ...demo.fitters.map((f) => f.id),
      ...demo.seats.flatMap((s) => [s.versionId, s.seat.id]),
      ...demo.places.map((p) => p.versionId),
      ...demo.sitters.flatMap((s) => [s.id, ...s.readings.map((r) => r.id)]),
    ];
    expect(new Set(ids).size).to.equal(ids.length);
  });

  it('show sixteen seats of every class, and places', () => {
    expect(new Set(demo.seats.map((s) => s.seat.seatClass)).size).to.equal(SEAT_CLASSES.length);
    expect(demo.seats).to.have.length(16);
    expect(demo.places).to.have.length(8);
    for (const { seat } of demo.seats) expect(SeatSchema.safeParse(seat).success, seat.name).to.equal(true);
    for (const { place } of demo.places)
      expect(PlaceSchema.safeParse(place).success, place.name).to.equal(true);
  });

  it('show every mechanism that a seat can have', () => {
    const seats = demo.seats.map(({ seat }) => seat);
    const some = (has: (a: Adjustment, seat: SeatModel) => boolean) =>
      seats.some((seat) => seat.adjustments.some((a) => has(a, seat)));
    const count = (a: Adjustment) => positionCount(a);
    expect(some((a) => a.kind === 'seatDepth' && count(a) === 3)).to.equal(true);
    expect(
      some((a) => a.kind === 'tiltTension' && a.unit === 'turn' && endsOf(a.travel).highest === 2),
    ).to.equal(true);
    for (const stops of [4, 5, 6])
      expect(
        some((a) => a.kind === 'backAngle' && count(a) === stops),
        `${stops} stops`,
      ).to.equal(true);
    expect(some((a) => a.effort?.by === 'weighing')).to.equal(true);
    expect(some((a) => a.kind === 'suspensionWeight' && a.holds.how === 'passive')).to.equal(true);
    expect(some((a) => a.kind === 'forwardTilt' && a.holds.how === 'passive')).to.equal(true);
    expect(some((a) => a.kind === 'seatAngle' && count(a) === 1 && endsOf(a.travel).lowest < 0)).to.equal(
      true,
    );
    expect(some((a) => a.kind === 'backReach')).to.equal(true);
    expect(some((a) => a.kind === 'lumbarDepth' && a.unit === 'pump')).to.equal(true);
    expect(some((a) => a.kind === 'upperLumbar')).to.equal(true);
    const dials = seats.flatMap((s) =>
      s.controls.flatMap((c) => (c.scale.type === 'dial' ? [c.scale.labels.length] : [])),
    );
    expect(dials).to.include(7);
    expect(seats.some((s) => s.controls.some((c) => c.kind === 'ratchet'))).to.equal(true);
    expect(seats.some((s) => s.controls.some((c) => c.kind === 'bulb'))).to.equal(true);
    expect(seats.some((s) => s.arms?.turnsRightRound)).to.equal(true);
    expect(seats.some((s) => s.states.some((state) => state.kind === 'armsFolded'))).to.equal(true);
    expect(seats.some((s) => s.strappedCushions.length > 0)).to.equal(true);
    expect(seats.some((s) => s.offers.includes('harness'))).to.equal(true);
    expect(Math.max(...seats.map((s) => s.ratedLoadKg?.value ?? 0))).to.equal(360);
  });

  it('describe for each control a hand, a place and a direction', () => {
    for (const { seat } of demo.seats) {
      for (const control of seat.controls) {
        expect(control.place, `${seat.name}: ${control.name}`).not.to.equal('');
        for (const move of control.moves) expect(move.directionForMore).not.to.equal('unknown');
      }
    }
  });

  it('measure people whom a body can have', () => demo.sitters.forEach(expectPossible));

  it('know somebody measured in full, in part and not at all', () => {
    const counts = demo.sitters.map((s) => s.readings.length);
    expect(counts).to.include(FITTING_DIMENSIONS.length);
    expect(counts).to.include(0);
    expect(counts.some((n) => n > 0 && n < FITTING_DIMENSIONS.length)).to.equal(true);
  });

  it('lie around now', () => {
    for (const sitter of demo.sitters) {
      if (sitter.fitting)
        expect(NOW.getTime() - sitter.fitting.at.getTime()).to.be.within(0, 30 * 86_400_000);
    }
  });

  it('can be fewer', () => expect(buildDemo(7, NOW, { sitters: 2 }).sitters).to.have.length(2));

  describe('made larger', () => {
    const large = buildDemo(7, NOW, { sitters: 900, seats: 300 });

    it('are the same for the same seed, and others for another', () => {
      expect(buildDemo(7, NOW, { sitters: 900, seats: 300 })).to.deep.equal(large);
      const other = buildDemo(8, NOW, { sitters: 900, seats: 300 });
      expect(other.sitters.at(-1)?.readings.map((r) => r.value)).not.to.deep.equal(
        large.sitters.at(-1)?.readings.map((r) => r.value),
      );
    });

    it('have as many as asked for, with ids and names of their own, after those that are always there', () => {
      expect(large.sitters).to.have.length(900);
      expect(large.seats).to.have.length(300);
      expect(new Set(large.sitters.map((s) => s.id)).size).to.equal(900);
      expect(new Set(large.sitters.map((s) => s.name)).size).to.equal(900);
      expect(new Set(large.seats.map((s) => s.seat.name)).size).to.equal(300);
      expect(large.sitters.slice(0, demo.sitters.length).map((s) => s.name)).to.deep.equal(
        demo.sitters.map((s) => s.name),
      );
    });

    it('are bodies that can be, and seats that can be computed with', () => {
      large.sitters.forEach(expectPossible);
      for (const { seat } of large.seats)
        expect(SeatSchema.safeParse(seat).success, seat.name).to.equal(true);
      expect(new Set(large.seats.map((s) => JSON.stringify(s.seat.adjustments))).size).to.be.greaterThan(280);
    });
  });
});
