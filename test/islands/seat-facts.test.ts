import { expect } from 'chai';
import '../../src/words/pages';
import { DEMO_SEATS } from '../../src/demo/seats';
import { v7 } from 'uuid';
import { type SeatModel, endsOf } from '../../src/core/seat';
import { controlOf, movesOf, rangeOf, workedAs } from '../../src/islands/seats/seat-facts';
import { DEFAULT_READING, sayRange } from '../../src/words';

const INCHES = { ...DEFAULT_READING, length: 'in', mass: 'lb' } as const;

describe('what a page says of a seat', () => {
  const all = DEMO_SEATS.map((seat): SeatModel => ({ ...seat, id: v7() })).flatMap((seat) =>
    seat.adjustments.map((adjustment) => ({ seat, adjustment })),
  );
  const ofKind = (kind: string) => all.find(({ adjustment }) => adjustment.kind === kind)!;
  const range = (kind: string, reading = DEFAULT_READING) => rangeOf(ofKind(kind).adjustment, reading);

  it('has words for everything, and never a key', () => {
    expect(all.length).to.be.greaterThan(50);
    for (const { seat, adjustment } of all)
      for (const text of [
        rangeOf(adjustment, DEFAULT_READING),
        movesOf(adjustment),
        controlOf(seat, adjustment),
        workedAs(seat, adjustment, DEFAULT_READING),
      ])
        expect(text, `${seat.name} ${adjustment.kind}`).not.to.match(/\b[a-z]+\.[a-zA-Z]+|undefined|NaN|\{/);
  });

  it('counts each adjustment in its own unit', () => {
    expect(range('suspensionWeight')).to.match(/^\d+–\d+ kg$/);
    expect(range('seatHeight')).to.match(/^\d+–\d+ mm$/);
    expect(range('backAngle')).to.match(/°$/);
    const { adjustment } = ofKind('suspensionWeight');
    expect(rangeOf(adjustment, INCHES)).to.match(/lb$/);
    const { lowest, highest } = endsOf(adjustment.travel);
    expect(range('suspensionWeight')).to.equal(`${lowest}–${highest} kg`);
    const pumped = all.find(({ adjustment: a }) => a.unit === 'pump');
    expect(pumped && rangeOf(pumped.adjustment, DEFAULT_READING)).to.match(/^\d+–\d+ strokes$/);
  });

  it('names positions that have names', () => {
    expect(range('tiltLock'))
      .to.match(/^[a-z][a-z ]+ · [a-z][a-z ]+/i)
      .and.not.to.match(/\d/);
  });

  it('says how it is worked both ways', () => {
    const { seat, adjustment } = ofKind('seatHeight');
    expect(workedAs(seat, adjustment, DEFAULT_READING)).to.match(/To raise: .*\. To lower: /);
  });

  it('writes the unit of a range once, and never a minus beside a dash', () => {
    expect(sayRange('415 mm', '525 mm')).to.equal('415–525 mm');
    expect(sayRange('0 strokes', '8 strokes')).to.equal('0–8 strokes');
    expect(sayRange('−4°', '6°')).to.equal('−4° to 6°');
    expect(sayRange('16 1/2 in', '20 in')).to.equal('16 1/2–20 in');
    expect(sayRange('1/4 turn', '2 turns')).to.equal('1/4 turn–2 turns');
  });
});
