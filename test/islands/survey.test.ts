import { expect } from 'chai';
import '../../src/words/pages';
import { gapsOf, placeholderSeat, seatDoubts } from '../../src/core/seat';
import { surveyPaper } from '../../src/api/survey-sheet';
import { movesOffered, newControl, newMove } from '../../src/islands/seats/control-form';
import { takesOf, wantsThird, withTakes } from '../../src/islands/seats/survey/takes';
import { SURVEY_PLACES, controlSpots, surveyView } from '../../src/core/scene';
import { FEEL_SPOTS } from '../../src/core/scene/survey-questions';
import { readSeat } from '../../src/islands/seats/read-seat';
import { newSeatText, type SeatText } from '../../src/islands/seats/seat-text';
import { SURVEY_STEPS, oneEnded, stepsFor, withoutEmpty } from '../../src/islands/seats/survey/survey';
import { DEFAULT_READING, t } from '../../src/words';

const ID = '01990000-0000-7000-8000-000000000001';
const empty = { ...newSeatText(DEFAULT_READING), name: 'Quay stool' };
const answered = (answers: Readonly<Record<string, string>>): SeatText =>
  SURVEY_STEPS.reduce<SeatText>(
    (text, step) =>
      answers[step.id] === undefined ? text : { ...text, ...step.put(text, answers[step.id]!) },
    empty,
  );
const QUICK = {
  ratedLoad: '120',
  heightLow: '410',
  heightHigh: '520',
  depthShort: '400',
  depthLong: '450',
  width: '480',
  armLow: '190',
};

describe('the survey of a seat', () => {
  it('asks for the seven values that decide in a hurry, and for the cushion only where nobody sat on it', () => {
    expect(stepsFor(empty, true).map((s) => s.id)).to.deep.equal(Object.keys(QUICK));
    expect(stepsFor(empty, false).map((s) => s.id)).not.to.include('sink');
    expect(stepsFor({ ...empty, heightsAre: 'empty' }, false).map((s) => s.id)).to.include('sink');
  });

  it('has words and a picture for every question', () => {
    for (const { id, place } of SURVEY_STEPS) {
      expect(t(`survey.${id}`)).to.match(/^[A-Z]/);
      expect(t(`survey.${id}.how`)).to.match(/\.$/);
      expect(SURVEY_PLACES).to.include(place);
    }
    for (const place of SURVEY_PLACES) {
      const { tape, primitives, bounds } = surveyView(placeholderSeat('office'), place);
      expect(primitives.length).to.be.greaterThan(1);
      for (const p of tape ? [tape.from, tape.to] : []) {
        expect(p.x, place).to.be.within(bounds.lowX, bounds.highX);
        expect(p.z, place).to.be.within(bounds.lowZ, bounds.highZ);
      }
    }
  });

  it('ends in a seat that can be used, and lists what is missing', () => {
    const { seat, faults } = readSeat(ID, answered(QUICK), DEFAULT_READING, null);
    expect(faults).to.deep.equal({});
    expect(seat!.ratedLoadKg?.value).to.equal(120);
    expect(seat!.seatWidthMm?.value).to.equal(480);
    const height = seat!.adjustments.find((a) => a.kind === 'seatHeight')!;
    expect(height.travel).to.include({ type: 'continuous' });
    expect(gapsOf(seat!)).to.include('lumbarApex');
    // One end alone is no range.
    expect(oneEnded(answered(QUICK))).to.deep.equal(['armHeight']);
    expect(seat!.adjustments.find((a) => a.kind === 'armHeight')!.travel).to.include({ type: 'listed' });
  });

  it('takes the same number at both ends as fixed, and another one as moving again', () => {
    const fixed = answered({ ...QUICK, depthLong: '400' });
    const depth = (text: SeatText) => text.adjustments.find((a) => a.kind === 'seatDepth')!;
    expect(depth(fixed).move).to.equal('fixed');
    const long = SURVEY_STEPS.find((s) => s.id === 'depthLong')!;
    expect(long.valueOf(fixed)).to.equal('400');
    expect(depth({ ...fixed, ...long.put(fixed, '450') })).to.include({ move: 'slides', highest: '450' });
  });

  it('counts positions, and slides where none were counted', () => {
    const stops = SURVEY_STEPS.find((s) => s.id === 'armStops')!;
    const text = answered({ ...QUICK, armHigh: '290', armStops: '5' });
    const arm = (of: SeatText) => of.adjustments.find((a) => a.kind === 'armHeight')!;
    expect(arm(text)).to.include({ move: 'clicks', count: '5', lowest: '190', highest: '290' });
    expect(arm({ ...text, ...stops.put(text, '') }).move).to.equal('slides');
  });

  it('describes nothing by what was skipped', () => {
    const begun = answered({ ...QUICK, armLow: '', headLow: '', depthStops: '' });
    const kept = withoutEmpty(begun);
    expect(kept.adjustments.map((a) => a.kind)).to.deep.equal(['seatHeight', 'seatDepth']);
    expect(kept.hasArms).to.equal(false);
  });

  it('settles two readings by their mean and three by the one in the middle, and says how sure that is', () => {
    const step = SURVEY_STEPS.find((q) => q.id === 'heightLow')!;
    const who = { by: 'Hedda Kvist', at: '2026-11-25T09:30:00Z' };
    const read = (typed: readonly string[]) => {
      const text = { ...answered(QUICK), ...withTakes(answered(QUICK), step, typed, who, DEFAULT_READING) };
      const { travel } = readSeat(ID, text, DEFAULT_READING, null).seat!.adjustments[0]!;
      return travel.type === 'continuous' ? travel.lowest : null;
    };
    expect(read(['412'])).to.deep.include({
      value: 412,
      basis: 'measured',
      spread: 3,
      takenBy: 'Hedda Kvist',
    });
    expect(read(['412', '414'])).to.deep.include({ value: 413, spread: 2.4 });
    // As unsure as they lie apart.
    expect(read(['412', '424'])).to.deep.include({ value: 418, spread: 6 });
    expect(read(['412', '424', '413'])?.value).to.equal(413);
    expect(read(['412', '424', '413'])!.spread).to.be.within(3, 6);
    const typed = (all: readonly string[]) => wantsThird(all, 'mm', DEFAULT_READING);
    expect([
      typed(['412', '420']),
      typed(['412', '421']),
      typed(['412']),
      typed(['1', '99', '2']),
    ]).to.deep.equal([false, true, false, false]);
  });

  it('keeps readings in every unit, and lets go of them where another value was typed', () => {
    const step = SURVEY_STEPS.find((q) => q.id === 'width')!;
    const inches = { ...DEFAULT_READING, length: 'in' } as const;
    const begun = { ...newSeatText(inches), name: 'Quay stool' };
    const whole = { ...begun, ...SURVEY_STEPS[1]!.put(begun, '16'), heightsAre: 'loaded' as const };
    const text = {
      ...whole,
      ...withTakes(whole, step, ['18.5', '18.7'], { by: null, at: '2026-11-25T09:30:00Z' }, inches),
    };
    const width = readSeat(ID, text, inches, null).seat!.seatWidthMm!;
    expect(width.value).to.be.closeTo(472.4, 0.3);
    expect(width).to.include({ basis: 'measured', source: 'survey, mean of two readings' });
    const other = readSeat(ID, { ...text, width: '20' }, inches, null).seat!.seatWidthMm!;
    expect(other).to.include({ basis: 'stated', spread: 0 });
    const wrong = { ...text, ...withTakes(text, step, ['18.5', 'x'], { by: null, at: '' }, inches) };
    expect(readSeat(ID, wrong, inches, null).faults).to.have.property('width');
    expect(takesOf(wrong, step)).to.deep.equal(['18.5', 'x']);
  });

  it('feels at places that a control can be at, each once', () => {
    const seat = placeholderSeat('office');
    const places = FEEL_SPOTS.map(({ side, zone }) => `${side} ${zone}`);
    expect(new Set(places).size).to.equal(FEEL_SPOTS.length);
    for (const { id, side, zone } of FEEL_SPOTS) {
      expect(t(`survey.feel.${id}`)).to.match(/^(Feel|Look) /);
      const controls = [newControl([], side, zone)];
      expect(controlSpots({ ...seat, controls })[0]!.fromAbove.length, id).to.be.greaterThan(0);
    }
  });

  it('offers the other pull of a control that does two things to one adjustment', () => {
    const { seat } = readSeat(ID, answered(QUICK), DEFAULT_READING, null);
    const { adjustments } = seat!;
    const height = adjustments.find((a) => a.kind === 'seatHeight')!;
    const lever = newControl([], 'right', 'frontCorner');
    const once = { ...lever, moves: [newMove(lever, height)] };
    const offered = (control: typeof lever) => movesOffered(control, adjustments).map((o) => [o.id, o.pull]);
    expect(offered(lever)).to.deep.include(['seatHeight', undefined]);
    expect(offered(once).map(([id]) => id)).not.to.include('seatHeight');
    const short = { ...once, moves: [{ ...once.moves[0]!, pull: 'short' as const }] };
    expect(offered(short)).to.deep.include(['seatHeight', 'long']);
    const both = { ...short, moves: [...short.moves, { ...once.moves[0]!, pull: 'long' as const }] };
    expect(offered(both).map(([id]) => id)).not.to.include('seatHeight');
    expect(seatDoubts({ ...seat!, controls: [both] })).to.deep.equal([]);
  });

  it('is there on paper, in two pages', async () => {
    const { value } = (await surveyPaper(
      { now: () => new Date('2026-11-25T09:30:00Z') } as never,
      DEFAULT_READING,
      'Letter',
      'full',
    )) as { value: { bytes: Uint8Array } };
    expect(
      Buffer.from(value.bytes)
        .toString('latin1')
        .match(/\/Type \/Page\b(?!s)/g),
    ).to.have.length(2);
  });
});
