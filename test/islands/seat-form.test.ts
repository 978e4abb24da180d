import { expect } from 'chai';
import { DEMO_SEATS } from '../../src/demo/seats';
import { seatDoubts, type SeatModel } from '../../src/core/seat';
import { DEFAULT_READING, type Reading } from '../../src/words';
import '../../src/words/pages';
import { readSeat } from '../../src/islands/seats/read-seat';
import { conflictRows, differingFields, mergedTexts } from '../../src/islands/seats/seat-differences';
import { NO_FILTER, queryOf } from '../../src/islands/seats/seat-query';
import {
  newAdjustment,
  newSeatText,
  textOfSeat,
  withClass,
  type AdjustmentText,
  type SeatText,
} from '../../src/islands/seats/seat-text';

const ID = '01990000-0000-7000-8000-00000000c0de';
const INCHES: Reading = { ...DEFAULT_READING, length: 'in', mass: 'lb' };
const seats: SeatModel[] = DEMO_SEATS.map((seat) => ({ ...seat, id: ID }));

const typed = (more: Partial<SeatText> = {}, height: Partial<AdjustmentText> = {}): SeatText => ({
  ...newSeatText(DEFAULT_READING),
  name: 'Loft chair',
  adjustments: [{ ...newAdjustment('seatHeight'), lowest: '420', highest: '530', ...height }],
  ...more,
});
const read = (text: SeatText, reading = DEFAULT_READING, base: SeatModel | null = null) =>
  readSeat(ID, text, reading, base);

describe('a seat as typed', () => {
  for (const seat of seats)
    it(`comes back as it was: ${seat.name}`, () => {
      const again = read(textOfSeat(seat, DEFAULT_READING), DEFAULT_READING, seat);
      expect(again.faults).to.deep.equal({});
      expect(JSON.parse(JSON.stringify(again.seat))).to.deep.equal(JSON.parse(JSON.stringify(seat)));
    });

  it('needs a name, a class and a height, and nothing else', () => {
    const { seat, faults } = read(typed());
    expect(faults).to.deep.equal({});
    expect(seatDoubts(seat!)).to.deep.equal([]);
    expect(seat!.ratedLoadKg).to.equal(null);
    expect(seat!.seatWidthMm).to.equal(null);
    expect(read(typed({ name: ' ' })).faults.name?.text).to.equal('Enter a name.');
    expect(read(typed({}, { lowest: '' })).faults['adjustments/seatHeight/lowest']?.text).to.equal(
      'Enter a number.',
    );
  });

  it('takes typical values for placeholders only', () => {
    expect(Object.values(newAdjustment('seatDepth')).filter((v) => /\d/.test(String(v)))).to.deep.equal([
      '15',
    ]);
  });

  it('is read in the units of the reader, and kept in millimetres and kilograms', () => {
    const { seat } = read(
      typed({ width: '19', ratedLoad: '300' }, { lowest: '16 1/2', highest: '21' }),
      INCHES,
    );
    const [height] = seat!.adjustments;
    expect(height!.travel).to.deep.nested.include({ 'lowest.value': 419.1, 'highest.value': 533.4 });
    expect(seat!.seatWidthMm!.value).to.be.closeTo(482.6, 0.05);
    expect(seat!.ratedLoadKg!.value).to.be.closeTo(136.08, 0.01);
  });

  const slips: readonly (readonly [string, SeatText, string, string, string])[] = [
    ['centimetres', typed({}, { lowest: '48' }), 'adjustments/seatHeight/lowest', '480', '48: centimetres?'],
    ['inches', typed({}, { lowest: '17' }), 'adjustments/seatHeight/lowest', '432', '17: inches?'],
    ['a width in centimetres', typed({ width: '49' }), 'width', '490', '49: centimetres?'],
    [
      'one digit too many',
      typed({}, { highest: '5300' }),
      'adjustments/seatHeight/highest',
      '530',
      'Did you mean 530 mm?',
    ],
  ];
  for (const [name, text, field, meant, words] of slips)
    it(`says what may have been meant: ${name}`, () => {
      const fault = read(text).faults[field]!;
      expect(fault.meant).to.equal(meant);
      expect(fault.text).to.include(words);
    });

  it('never takes a slip for what was meant', () => {
    expect(read(typed({}, { lowest: '48' })).seat).to.equal(null);
    expect(read(typed({}, { lowest: '999999' })).faults['adjustments/seatHeight/lowest']?.meant).to.equal(
      undefined,
    );
  });

  const wrong: readonly (readonly [string, Partial<AdjustmentText>, string, RegExp])[] = [
    ['reversed ends', { lowest: '530', highest: '420' }, 'highest', /above the lowest/],
    ['both ends the same', { highest: '420' }, 'highest', /Fixed/],
    ['no number of positions', { move: 'clicks' }, 'count', /how many positions/],
    ['one position', { move: 'clicks', count: '1' }, 'count', /how many positions/],
    ['half a position', { move: 'clicks', count: '2.5' }, 'count', /how many positions/],
    ['one listed position', { move: 'listed', values: '450' }, 'values', /at least two/],
    ['a listed position twice', { move: 'listed', values: '420 450 420' }, 'values', /twice/],
    ['words for a number', { lowest: 'low' }, 'lowest', /number/],
    ['a leader that is not there', { holding: 'follows', ratio: '1' }, 'leader', /which adjustment/],
    ['a start that is none', { neutral: '0' }, 'neutral', /counted from 1/],
    ['a start beyond the last', { move: 'clicks', count: '3', neutral: '9' }, 'lowest', /./],
  ];
  for (const [name, change, field, words] of wrong)
    it(`is refused where it was typed: ${name}`, () => {
      expect(read(typed({}, change)).faults[`adjustments/seatHeight/${field}`]?.text).to.match(words);
    });

  it('counts turns, weighs by itself, and says what a stroke comes to', () => {
    const { seat, faults } = read(
      typed({
        adjustments: [
          { ...newAdjustment('seatHeight'), lowest: '420', highest: '530' },
          {
            ...newAdjustment('tiltTension'),
            lowest: '0',
            highest: '2',
            effort: 'weighing',
            effortLowest: '45',
            effortHighest: '120',
            hasScale: true,
          },
          {
            ...newAdjustment('lumbarDepth'),
            unit: 'pump',
            lowest: '0',
            highest: '5',
            meansLowest: '0',
            meansHighest: '30',
          },
        ],
      }),
    );
    expect(faults).to.deep.equal({});
    expect(seat!.adjustments[1]).to.deep.include({
      unit: 'turn',
      effort: { by: 'weighing', lightestKg: 45, stiffestKg: 120, hasScale: true },
    });
    expect(seat!.adjustments[2]).to.deep.include({ unit: 'pump', means: { atLowest: 0, atHighest: 30 } });
  });

  it('lets states take out what is on the part that goes', () => {
    const { seat } = read(
      typed({
        hasArms: true,
        states: ['armsFolded', 'headrestOff'],
        adjustments: [
          { ...newAdjustment('seatHeight'), lowest: '420', highest: '530' },
          { ...newAdjustment('armHeight'), lowest: '180', highest: '280' },
          { ...newAdjustment('headHeight'), lowest: '600', highest: '700' },
        ],
      }),
    );
    expect(seat!.states).to.deep.equal([
      { id: 'arms-folded', kind: 'armsFolded', removes: ['armHeight'], removesArms: true },
      { id: 'headrest-off', kind: 'headrestOff', removes: ['headHeight'] },
    ]);
    expect(seatDoubts(seat!)).to.deep.equal([]);
  });

  it('becomes an ordinary chair on which nothing moves, and back', () => {
    const blank = { ...newSeatText(DEFAULT_READING), name: 'Kitchen chair' };
    const ordinary = withClass(blank, 'ordinary', DEFAULT_READING);
    expect(ordinary.adjustments[0]!.move).to.equal('fixed');
    const { seat } = read({ ...ordinary, adjustments: [{ ...ordinary.adjustments[0]!, lowest: '455' }] });
    expect(seat!.adjustments[0]!.travel).to.deep.nested.include({ type: 'listed', 'values[0].value': 455 });
    expect(withClass(ordinary, 'office', DEFAULT_READING).adjustments[0]!.move).to.equal('slides');
    expect(withClass(blank, 'child', DEFAULT_READING).referenceMass).to.equal('25');
  });

  it('loses a control with the last adjustment that it moved', () => {
    const seat = seats.find((s) => s.controls.length > 1)!;
    const text = textOfSeat(seat, DEFAULT_READING);
    const gone = seat.controls
      .flatMap((c) => c.moves.map((m) => m.adjustmentId))
      .find((id) => id !== 'seatHeight')!;
    const { seat: less } = read(
      { ...text, adjustments: text.adjustments.filter((a) => a.kind !== gone) },
      DEFAULT_READING,
      seat,
    );
    expect(less!.controls.length).to.equal(seat.controls.length - 1);
    expect(seatDoubts(less!)).to.deep.equal([]);
  });
});

describe('two descriptions of one seat', () => {
  const [saved] = seats as [SeatModel];
  const mine = { ...textOfSeat(saved, DEFAULT_READING), width: '470', notes: 'mine' };
  const theirs: SeatModel = { ...saved, notes: 'theirs', adjustments: saved.adjustments.slice(0, -1) };

  it('differ field by field', () => {
    expect(differingFields(mine, textOfSeat(theirs, DEFAULT_READING))).to.deep.equal([
      'width',
      'notes',
      `adjustments/${saved.adjustments.at(-1)!.kind}`,
    ]);
    const rows = conflictRows(mine, textOfSeat(saved, DEFAULT_READING), theirs, DEFAULT_READING);
    expect(rows.map((r) => [r.id, r.first])).to.deep.equal([
      ['width', 'mine'],
      ['notes', 'mine'],
      [`adjustments/${saved.adjustments.at(-1)!.kind}`, 'theirs'],
    ]);
  });

  it('are merged as picked', () => {
    const kind = saved.adjustments.at(-1)!.kind;
    const merged = mergedTexts(
      mine,
      theirs,
      { notes: 'theirs', width: 'mine', [`adjustments/${kind}`]: 'theirs' },
      DEFAULT_READING,
    );
    expect([merged.notes, merged.width]).to.deep.equal(['theirs', '470']);
    expect(merged.adjustments.map((a) => a.kind)).not.to.include(kind);
  });
});

describe('filters of seats', () => {
  it('ask for what was typed, in the units of the server', () => {
    const { query, faults } = queryOf(
      {
        ...NO_FILTER,
        adjustment: 'seatHeight',
        covers: '17',
        load: '250',
        price: '300',
        offers: ['arms', 'harness'],
      },
      INCHES,
    );
    expect(faults).to.deep.equal({});
    expect(query).to.deep.include({
      adjustment: 'seatHeight',
      covers: 431.8,
      priceTo: 300,
      offers: 'arms,harness',
    });
    expect(query.loadKg).to.be.closeTo(113.4, 0.01);
  });

  it('leave out what is no number, and say so', () => {
    const { query, faults } = queryOf(
      { ...NO_FILTER, adjustment: 'seatHeight', covers: 'tall', load: '-' },
      DEFAULT_READING,
    );
    expect(faults).to.deep.equal({ covers: true, load: true });
    expect([query.covers, query.loadKg]).to.deep.equal([undefined, undefined]);
  });
});
