import { expect } from 'chai';
import '../../src/words/pages';
import { gapsOf, placeholderSeat } from '../../src/core/seat';
import { SURVEY_PLACES, surveyView } from '../../src/core/scene';
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
});
