/** Seats beside published sets of dimensions, and the figures of these sets. */
import { expect } from 'chai';
import { stated } from '../../src/core/quantity';
import {
  SCHOOL_SIZES,
  orientationOf,
  schoolSizesOf,
  type AdjustmentKind,
  type SeatModel,
  type Travel,
} from '../../src/core/seat';
import { DEMO_SEATS } from '../../src/demo/seats';

const q = (value: number) => stated(value, 'test');
const slides = (lowest: number, highest: number): Travel => ({
  type: 'continuous',
  lowest: q(lowest),
  highest: q(highest),
});
const fixed = (value: number): Travel => ({ type: 'listed', values: [q(value)] });

const base: SeatModel = { ...DEMO_SEATS[1], id: '01990000-0000-7000-8000-000000001335' };
const seatWith = (
  travels: Partial<Record<AdjustmentKind, Travel>>,
  more: Partial<SeatModel> = {},
): SeatModel => ({
  ...base,
  ...more,
  adjustments: Object.entries(travels).map(([kind, travel]) => ({
    id: kind,
    kind: kind as AdjustmentKind,
    side: 'both',
    unit: /Angle$/.test(kind) ? 'deg' : 'mm',
    travel,
    holds: { how: 'free' },
  })),
});
const verdict = (seat: SeatModel, set: 'en1335' | 'hfes100', of: string, at = 0) =>
  orientationOf(seat, set).filter((row) => row.of === of)[at]!.meets;

describe('EN 1335-1:2000, type A; from memory, not verified against source', () => {
  it('seat height 400–510 is covered, not merely met', () => {
    expect(verdict(seatWith({ seatHeight: slides(400, 510) }), 'en1335', 'seatHeight')).to.equal(true);
    expect(verdict(seatWith({ seatHeight: slides(401, 520) }), 'en1335', 'seatHeight')).to.equal(false);
    expect(verdict(seatWith({ seatHeight: slides(390, 509) }), 'en1335', 'seatHeight')).to.equal(false);
  });

  it('seat depth covers 400–420 and is adjustable over 50 mm', () => {
    const seat = (lo: number, hi: number) =>
      seatWith({ seatHeight: slides(400, 510), seatDepth: slides(lo, hi) });
    expect([0, 1].map((i) => verdict(seat(390, 440), 'en1335', 'seatDepth', i))).to.deep.equal([true, true]);
    expect([0, 1].map((i) => verdict(seat(395, 430), 'en1335', 'seatDepth', i))).to.deep.equal([true, false]);
  });

  it('armrests 200–250 above the seat, 460–510 apart; a fixed one lies within', () => {
    const seat = seatWith({
      seatHeight: slides(400, 510),
      armHeight: fixed(230),
      armWidth: slides(450, 520),
    });
    expect(verdict(seat, 'en1335', 'armHeight')).to.equal(true);
    expect(verdict(seat, 'en1335', 'armWidth')).to.equal(true);
    expect(
      verdict(seatWith({ seatHeight: slides(400, 510), armHeight: fixed(260) }), 'en1335', 'armHeight'),
    ).to.equal(false);
  });

  it('armrests are at least 200 mm long and 40 mm wide; the back reaches 360 mm', () => {
    const arms = { ...base.arms!, lengthMm: 199, widthMm: 40 };
    const seat = seatWith({ seatHeight: slides(400, 510) }, { arms, back: { ...base.back, topMm: 360 } });
    expect(['padLength', 'padWidth', 'backTop'].map((of) => verdict(seat, 'en1335', of))).to.deep.equal([
      false,
      true,
      true,
    ]);
  });
});

describe('ANSI/HFES 100-2007; from memory, not verified against source', () => {
  it('seat height is adjustable over 114 mm within 380–560', () => {
    expect(verdict(seatWith({ seatHeight: slides(400, 514) }), 'hfes100', 'seatHeight')).to.equal(true);
    expect(verdict(seatWith({ seatHeight: slides(500, 700) }), 'hfes100', 'seatHeight')).to.equal(false);
  });

  it('a fixed depth is at most 430, an adjustable one goes through 430', () => {
    const seat = (travel: Travel) => seatWith({ seatHeight: slides(400, 514), seatDepth: travel });
    expect(verdict(seat(fixed(430)), 'hfes100', 'seatDepth')).to.equal(true);
    expect(verdict(seat(fixed(431)), 'hfes100', 'seatDepth')).to.equal(false);
    expect(verdict(seat(slides(440, 480)), 'hfes100', 'seatDepth')).to.equal(false);
  });

  it('the seat pan goes through 3° reclined, over 6°', () => {
    const seat = seatWith({ seatHeight: slides(400, 514), seatAngle: slides(-2, 5) });
    expect([0, 1].map((i) => verdict(seat, 'hfes100', 'seatAngle', i))).to.deep.equal([true, true]);
  });
});

describe('EN 1729-1 (2006; 2015); from memory, not verified against source', () => {
  it('has seat heights 210 … 510 and depths 225 … 460, rising with the mark', () => {
    expect(SCHOOL_SIZES.map((s) => s.heightMm)).to.deep.equal([210, 260, 310, 350, 380, 430, 460, 510]);
    expect(SCHOOL_SIZES.map((s) => s.depthMm)).to.deep.equal([225, 250, 270, 300, 340, 380, 420, 460]);
  });

  it('reaches a mark whose height is within 10 mm', () => {
    const marks = (lo: number, hi: number) =>
      schoolSizesOf(seatWith({ seatHeight: slides(lo, hi) })).map((s) => s.mark);
    expect(marks(320, 360)).to.deep.equal([2, 3]);
    expect(marks(321, 339)).to.deep.equal([]);
  });
});
