/** Cautions where they matter: what the trade warns of stands on the card of whom it concerns, and on no other. */
import { expect } from 'chai';
import { cardHeader, cardOf } from '../../src/core/card';
import { NO_REMEDIES, assess, problemOf, remediesFor, solve, type FitInputs } from '../../src/core/fit';
import type { CardMore } from '../../src/core/walk';
import type { Offer, SeatModel } from '../../src/core/seat';
import { plainSheetOf } from '../../src/drawing/card-forms';
import { askedOn, saidAsked } from '../../src/contract/asked';
import { DEFAULT_READING, say } from '../../src/words';
import '../../src/words/cards';
import {
  FULL,
  adjustment,
  bodyWith,
  inputsOf,
  listed,
  placeWith,
  q,
  seatWith,
  slides,
} from '../support/inputs';

function cardOn(inputs: FitInputs, remedies = {}) {
  const p = problemOf(inputs);
  const a = assess(p, solve(p, { remedies }).settings);
  return { a, card: cardOf(a, cardHeader(p, { sitter: 'Yrsa', fitter: '', date: '2026-12-01' }), null) };
}
const keysOn = (inputs: FitInputs, remedies = {}): string[] =>
  cardOn(inputs, remedies).card.cautions.map(({ key }) => key);

const HEIGHT = adjustment('seatHeight', slides(400, 500));
const withWork = (inputs: FitInputs, work: Partial<FitInputs['work']>): FitInputs => ({
  ...inputs,
  work: { ...inputs.work, ...work },
});

describe('a caution', () => {
  it('of a recline without a headrest counts one that has been taken off', () => {
    const headrestOff = {
      id: 'off',
      kind: 'headrestOff' as const,
      name: 'Headrest off',
      removes: [],
      addsToWidthMm: 0,
      addsToDepthMm: 0,
    };
    const seat = seatWith(
      [HEIGHT, adjustment('backAngle', listed(16)), adjustment('headHeight', slides(560, 760))],
      {
        offers: ['headrest'],
        states: [headrestOff],
      },
    );
    const inputs = inputsOf({ seat, body: bodyWith(FULL) });
    expect(keysOn(inputs)).not.to.include('caution.noHeadRest');
    expect(keysOn(inputs, { headrestOff: 1 })).to.include('caution.noHeadRest');
  });

  it('of armrests in the way of standing up stands where they turn in', () => {
    const turned = (deg: number) =>
      keysOn(
        inputsOf({
          seat: seatWith([HEIGHT, adjustment('armWidth', listed(480)), adjustment('armPivot', listed(deg))]),
          body: bodyWith(FULL),
        }),
      );
    expect(turned(10)).to.include('caution.armsTurnIn');
    expect(turned(0)).not.to.include('caution.armsTurnIn');
    expect(turned(-10)).not.to.include('caution.armsTurnIn');
  });

  it('of glasses names the distance from eye to screen, by hand', () => {
    const screen = adjustment('screenHeight', listed(1000), { id: 'screen' });
    const place = { ...placeWith(null), adjustments: [screen], screenDistanceMm: 600 };
    const inputs = inputsOf({ seat: seatWith([HEIGHT]), place, body: bodyWith(FULL) });
    expect(keysOn(inputs)).not.to.include('caution.glasses.at');
    const { a, card } = cardOn(withWork(inputs, { glasses: true }));
    const said = card.cautions.find(({ key }) => key === 'caution.glasses.at')!;
    // The relaxed eye stands 40 lower than erect without a back that leans.
    const eye = a.values.seatHeight + FULL.eyeHeightSitting - 40;
    const far = Math.round(Math.hypot(600, eye - 1000) / 10) * 10;
    expect(far).to.be.greaterThan(600);
    expect(say(said, DEFAULT_READING)).to.include(`${far} mm from eye to screen`);
    const unknown = withWork(inputsOf({ seat: seatWith([HEIGHT]) }), { glasses: true });
    expect(keysOn(unknown)).to.include('caution.glasses');
  });

  it('of vibration stands with whoever rides on a suspension', () => {
    const of = (offers: readonly Offer[]) =>
      keysOn(inputsOf({ seat: seatWith([HEIGHT], { offers: [...offers] }) }));
    expect(of(['suspension', 'bolted'])).to.include('caution.vibration');
    expect(of(['bolted'])).not.to.include('caution.vibration');
  });

  it('of an operator seat stands where only its adjustments tell that it is sprung, and nothing soft is put on it', () => {
    const sprung = seatWith(
      [
        adjustment('seatHeight', listed(400)),
        adjustment('seatDepth', listed(470)),
        adjustment('suspensionWeight', slides(50, 130), { unit: 'kg' }),
      ],
      { offers: [], ratedLoadKg: q(200) },
    );
    const inputs = inputsOf({ seat: sprung, body: bodyWith(FULL) });
    expect(keysOn(inputs)).to.include.members(['caution.operator', 'caution.vibration']);
    const soft = (of: FitInputs) =>
      remediesFor(problemOf(of)).offered.flatMap(({ parts }) => parts.map(({ id }) => id));
    expect(soft(inputs)).not.to.include('backCushionMm');
    // The same without its suspension may have a cushion.
    const still = { ...sprung, adjustments: sprung.adjustments.filter((a) => a.kind !== 'suspensionWeight') };
    expect(soft({ ...inputs, seat: still })).to.include('backCushionMm');
  });

  it('of when to see a clinician comes first on the card by which the sitter sets it alone', () => {
    const { card } = cardOn(inputsOf({ seat: seatWith([HEIGHT]) }));
    const more: CardMore = { levers: { kinds: [], others: 0 }, move: [] } as never;
    const on = (form: 'sitter' | 'pocket') => plainSheetOf(form, card, more, false, DEFAULT_READING);
    expect(on('sitter').first[0]).to.match(/^Stop and see a clinician/);
    expect(JSON.stringify(on('sitter').blocks)).not.to.match(/see a clinician/);
    expect(JSON.stringify(on('pocket').first)).not.to.match(/see a clinician/);
    expect(JSON.stringify(on('pocket').blocks)).to.match(/see a clinician/);
  });
});

describe('what must never be added or taken off', () => {
  const sprung = seatWith([HEIGHT], { offers: ['suspension', 'bolted'], ratedLoadKg: q(200) });
  const refusedBy = (inputs: FitInputs, remedies: object): string[] => {
    const { a } = cardOn(inputs, remedies);
    const keys = a.checks.filter((c) => c.verdict === 'refused').map((c) => c.reason.key);
    expect(a.refused).to.equal(keys.length > 0);
    return keys;
  };

  it('is refused whoever asked for it: something soft on a suspension or under a harness', () => {
    const on = inputsOf({ seat: sprung, body: bodyWith(FULL) });
    for (const id of ['seatPadMm', 'backCushionMm', 'lumbarRollMm']) {
      expect(refusedBy(on, { [id]: 20 }), id).to.deep.equal(['check.added.soft']);
      expect(
        refusedBy(inputsOf({ seat: seatWith([HEIGHT]), body: bodyWith(FULL) }), { [id]: 20 }),
      ).to.deep.equal([]);
    }
    expect(refusedBy(on, {})).to.deep.equal([]);
    expect(refusedBy(on, { seatPadMm: 0 })).to.deep.equal([]);
  });

  it('is refused: a footrest under feet that work pedals', () => {
    const place = { ...placeWith(null), adjustments: [], pedals: { forwardMm: 800, heightMm: 30 } };
    const on = inputsOf({ seat: seatWith([HEIGHT]), place, body: bodyWith(FULL) });
    expect(refusedBy(on, { footrestMm: 60 })).to.deep.equal(['check.added.pedals']);
    expect(refusedBy({ ...on, place: null }, { footrestMm: 60 })).to.deep.equal([]);
  });

  it('is refused: armrests off whoever pushes up on them', () => {
    const on = inputsOf({
      seat: seatWith([HEIGHT, adjustment('armWidth', listed(480))]),
      body: bodyWith(FULL),
    });
    expect(refusedBy(withWork(on, { risesByArms: true }), { armsOff: 1 })).to.deep.equal([
      'check.added.arms',
    ]);
    expect(refusedBy(on, { armsOff: 1 })).to.deep.equal([]);
  });
});

describe('what a workstation needs of a seat', () => {
  const arms: SeatModel = seatWith([
    HEIGHT,
    adjustment('armHeight', listed(330)),
    adjustment('armWidth', listed(480)),
  ]);
  const offered = (needs: readonly Offer[]) => {
    const place = { ...placeWith(null), adjustments: [], needs: [...needs] };
    return remediesFor(problemOf(inputsOf({ seat: arms, place, body: bodyWith(FULL) }))).offered;
  };

  it('is not taken off it as a remedy', () => {
    const ids = (needs: readonly Offer[]) => offered(needs).flatMap(({ parts }) => parts.map(({ id }) => id));
    expect(ids([])).to.include('armsOff');
    expect(ids(['arms'])).not.to.include('armsOff');
  });

  it('is missed once it has been taken off', () => {
    const place = { ...placeWith(null), adjustments: [], needs: ['arms' as const] };
    const p = problemOf(inputsOf({ seat: arms, place, body: bodyWith(FULL) }));
    const verdictOf = (remedies: object) =>
      assess(p, solve(p, { remedies }).settings).checks.find(({ id }) => id === 'place')!.verdict;
    expect(verdictOf(NO_REMEDIES)).to.equal('passes');
    expect(verdictOf({ armsOff: 1 })).to.equal('notMeant');
  });
});

describe('who was asked for warning signs', () => {
  it('is known for the day on which they were asked', () => {
    expect(askedOn('2026-12-01', '2026-12-01 a,b')).to.deep.equal({ today: '2026-12-01', ids: ['a', 'b'] });
    expect(askedOn('2026-12-02', '2026-12-01 a,b').ids).to.deep.equal([]);
    const many = Array.from({ length: 40 }, (_, i) => `p${i}`);
    const kept = askedOn('2026-12-01', saidAsked({ today: '2026-12-01', ids: many }));
    expect(kept.ids).to.deep.equal(many.slice(-30));
  });

  it('is nobody where a cookie says nothing, or nonsense', () => {
    for (const cookie of [undefined, '', '2026-12-01', '2026-12-01 ', ',,', '%20'])
      expect(askedOn('2026-12-01', cookie).ids, cookie).to.deep.equal([]);
  });
});
