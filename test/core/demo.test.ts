import { expect } from 'chai';
import { FITTING_DIMENSIONS, pairDoubts, rangeDoubt } from '../../src/core/body';
import { SEAT_CLASSES } from '../../src/core/seat';
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

  it('show ten seats of every class, and places', () => {
    expect(new Set(demo.seats.map((s) => s.seat.seatClass)).size).to.equal(SEAT_CLASSES.length);
    expect(demo.seats).to.have.length(10);
    expect(demo.places).to.have.length(8);
    for (const { seat } of demo.seats) expect(SeatSchema.safeParse(seat).success, seat.name).to.equal(true);
    for (const { place } of demo.places)
      expect(PlaceSchema.safeParse(place).success, place.name).to.equal(true);
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
