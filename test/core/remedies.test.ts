import { proofCases } from '../support/proof-runs';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  NO_REMEDIES,
  REMEDY_COSTS,
  assess,
  closedBySetting,
  holdsBehind,
  remedyName,
  computableConditions,
  inPlace,
  problemOf,
  remediesFor,
  remedyHint,
  solve,
  valuesOfSettings,
  type Assessment,
  type Problem,
  type Remedies,
  type Remedy,
  type RemedySettings,
  type SettingOutcome,
  type Settings,
  CONDITION_UNITS,
  type ConditionId,
} from '../../src/core/fit';
import { bandOf, outsideBy } from '../../src/core/target';
import { adjustmentOf, takesCushions, type AdjustmentKind } from '../../src/core/seat';
import { buildDemo } from '../../src/demo/build';
import { bodyOf } from '../../bench/body';
import {
  FULL,
  RIGHT_ANGLE,
  WIDE_SEAT,
  adjustment,
  bodyWith,
  inputsOf,
  listed,
  placeWith,
  problemFor,
  seatWith,
  slides,
  steps,
} from '../support/inputs';

const ofKind = (a: Assessment, kind: AdjustmentKind): SettingOutcome =>
  a.outcomes.find((o) => o.kind === kind)!;
const bestOf = (p: Problem): Assessment => assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
const heightSeat = (...values: number[]) => seatWith([adjustment('seatHeight', listed(...values))]);
const offeredTo = (p: Problem): readonly Remedy[] => remediesFor(p).offered;
const idsOf = (r: Remedy | undefined): string[] => r?.parts.map(({ id }) => id) ?? [];

/** What is outside its band, asked of every condition alone. */
function outside(p: Problem, settings: Settings): Map<ConditionId, number> {
  const q = inPlace(p, settings.remedies);
  const v = valuesOfSettings(q, settings);
  const found = new Map<ConditionId, number>();
  for (const c of computableConditions(q)) {
    const by = outsideBy(bandOf(q.targets[c.id]), c.residual(q, v));
    // What would be said as nothing is none.
    if (Math.abs(by) >= { mm: 0.5, deg: 0.25, own: 0.05 }[CONDITION_UNITS[c.id]]) found.set(c.id, by);
  }
  return found;
}

describe('remedies', () => {
  it('offer nothing where nothing is missing', () =>
    expect(remediesFor(problemFor())).to.deep.equal({ shortfalls: [], offered: [], otherSeat: null }));

  it('offer a footrest as high as the feet hang', () => {
    const [remedy, ...rest] = offeredTo(problemFor({ seat: heightSeat(500) }));
    expect(rest).to.deep.equal([]);
    // As high as they hang and no higher: ten more would do no better worth speaking of.
    expect(remedy?.parts).to.deep.equal([{ id: 'footrestMm', sizeMm: 60 }]);
    expect(remedy?.arithmetic[0]?.values).to.deep.include({
      seat: { mm: 500 },
      leg: { mm: 420 },
      shoe: { mm: 20 },
      gap: { mm: 60 },
      size: { sizeMm: 60 },
    });
    expect(remedy?.settings.remedies.footrestMm).to.equal(60);
  });

  it('raise the seat to a fixed desk and put the feet on a footrest', () => {
    const p = problemFor({ place: placeWith(listed(740)) });
    const remedy = offeredTo(p).find((r) => idsOf(r).join() === 'footrestMm');
    const after = assess(p, remedy!.settings);
    expect(ofKind(after, 'seatHeight').verdict).to.equal('fits');
    expect(ofKind(after, 'deskHeight').verdict).to.equal('fits');
    expect(ofKind(bestOf(p), 'deskHeight').verdict).to.equal('cannotReach');
  });

  it('offer the thinnest back cushion that brings the room surely into the band', () => {
    const seat = seatWith([adjustment('seatHeight', listed(440)), adjustment('seatDepth', listed(470))]);
    const p = problemFor({ seat });
    const remedy = offeredTo(p).find((r) => idsOf(r).join() === 'backCushionMm');
    // 10 mm of room; the band begins at 25: 15 would leave it on the edge.
    expect(p.targets.kneeRoom.bandLo).to.equal(25);
    expect(remedy?.parts[0]?.sizeMm).to.be.within(20, 25);
    expect(ofKind(assess(p, remedy!.settings), 'seatDepth').verdict).to.equal('fits');
  });

  it('offer no cushion, pad or roll on a harness or suspension, and say so', () => {
    const seat = seatWith([adjustment('seatHeight', listed(400)), adjustment('seatDepth', listed(470))], {
      offers: ['suspension'],
    });
    const p = problemFor({ seat });
    expect(offeredTo(p)).to.deep.equal([]);
    expect(remedyHint(p, ofKind(bestOf(p), 'seatDepth'))?.key).to.equal('remedy.for.none');
    const cushioned = offeredTo(problemFor({ seat: { ...seat, offers: [] } }));
    expect(cushioned.flatMap(idsOf)).to.include.members(['backCushionMm', 'seatPadMm']);
  });

  it('offer no cushion thicker than are made', () => {
    const seat = seatWith([adjustment('seatHeight', listed(440)), adjustment('seatDepth', listed(580))]);
    expect(offeredTo(problemFor({ seat }))).to.deep.equal([]);
  });

  it('exchange the column where the seat stands on one, taller or shorter', () => {
    const sizeFor = (
      lowest: number,
      highest: number,
      floor: 'castorsHardFloor' | 'bolted' = 'castorsHardFloor',
    ) => {
      const seat = seatWith([adjustment('seatHeight', slides(lowest, highest))], { offers: [floor] });
      return offeredTo(problemFor({ seat })).find((r) => idsOf(r).join() === 'columnMm')?.parts[0]?.sizeMm;
    };
    expect(sizeFor(500, 600)).to.equal(-60);
    expect(sizeFor(300, 380)).to.be.within(40, 60);
    expect(sizeFor(500, 600, 'bolted')).to.equal(undefined);
  });

  it('take the arms off where they cannot come down to the elbow, and leave no word of arms', () => {
    const seat = seatWith([adjustment('seatHeight', listed(440)), adjustment('armHeight', slides(270, 320))]);
    const p = problemFor({ seat });
    const [first] = offeredTo(p);
    expect(first).to.deep.include({ cost: 'free', closes: ['armHeight'], leaves: [], opens: [] });
    expect(idsOf(first)).to.deep.equal(['armsOff']);
    expect(assess(p, first!.settings).outcomes.map((o) => o.kind)).to.deep.equal(['seatHeight']);
  });

  it('lay a rolled towel where the lumbar is too low, or does not stand out enough', () => {
    const high = problemFor({
      seat: seatWith([adjustment('seatHeight', listed(440)), adjustment('lumbarApex', listed(120))]),
    });
    expect(idsOf(offeredTo(high)[0])).to.deep.equal(['lumbarRollMm']);
    const flat = seatWith([adjustment('seatHeight', listed(440)), adjustment('lumbarDepth', listed(0))]);
    const p = problemFor({ seat: flat, body: bodyWith({ ...FULL, smallOfBackDepth: 50 }) });
    const [roll] = offeredTo(p);
    // Half the hollow is 25; from 15 on it is in the band, and 20 is not on its edge.
    expect(roll?.parts).to.deep.equal([{ id: 'lumbarRollMm', sizeMm: 20 }]);
  });

  it('set a screen that is too low on a riser, and keys on a tray where the desk is too high', () => {
    const seat = seatWith([adjustment('seatHeight', slides(400, 480))]);
    const low = placeWith(null, {
      adjustments: [adjustment('screenHeight', listed(700), { id: 'screen' })],
      screenDistanceMm: 700,
    });
    const p = problemFor({ seat, place: low });
    const riser = offeredTo(p).find((r) => idsOf(r).join() === 'screenRiserMm');
    expect(riser?.closes).to.deep.equal(['gaze']);
    const desk = problemFor({ seat: heightSeat(440), place: placeWith(listed(740)) });
    const tray = offeredTo(desk).find((r) => idsOf(r).join() === 'keyboardTrayMm');
    expect(tray?.closes).to.include('deskTop');
    // Keys at 740 + 20 less the elbow at 440 + 240: 80 too high, of which 15 are forgiven.
    expect(tray?.parts[0]?.sizeMm).to.be.within(65, 110);
  });

  it('put two together where neither does alone, and nothing else beside a single one that does all', () => {
    const seat = seatWith([adjustment('seatHeight', listed(500)), adjustment('seatDepth', listed(470))]);
    const p = problemFor({ seat });
    const offered = offeredTo(p);
    const pairs = offered.filter((r) => r.parts.length === 2);
    expect(pairs.map((r) => idsOf(r))).to.deep.equal([['footrestMm', 'backCushionMm']]);
    expect(pairs[0]).to.deep.include({ leaves: [], opens: [] });
    const single = offeredTo(problemFor({ seat: heightSeat(500) }));
    expect(single.every((r) => r.parts.length === 1)).to.equal(true);
  });

  it('lay a board of 15 mm under feet that hang 8 mm more than the band allows, and leave the seat down', () => {
    const p = problemFor({ seat: heightSeat(453, 523) });
    const [first] = offeredTo(p);
    expect(first?.parts).to.deep.equal([{ id: 'footrestMm', sizeMm: 15 }]);
    expect(remedyName('footrestMm', 15)).to.equal('remedy.footrestMm.board.name');
    expect(first?.settings.positions.seatHeight).to.equal(0);
  });

  it('put three together where no two do', () => {
    const seat = seatWith([
      adjustment('seatHeight', listed(500)),
      adjustment('seatDepth', listed(470)),
      adjustment('armHeight', listed(300)),
    ]);
    const [first] = offeredTo(problemFor({ seat }));
    expect(idsOf(first)).to.deep.equal(['footrestMm', 'backCushionMm', 'armsOff']);
    expect(first).to.deep.include({ leaves: [], opens: [] });
  });

  it('fold the arms away and take the head rest off where the seat can do that, before anything comes off', () => {
    const seat = seatWith(
      [
        adjustment('seatHeight', listed(440)),
        adjustment('armHeight', listed(300)),
        adjustment('headHeight', listed(900)),
      ],
      {
        states: [
          { id: 'folded', kind: 'armsFolded', removes: ['armHeight'], removesArms: true },
          { id: 'bare', kind: 'headrestOff', removes: ['headHeight'] },
        ],
      },
    );
    const p = problemFor({ seat });
    const [first, ...rest] = offeredTo(p);
    expect(idsOf(first)).to.deep.equal(['armsFolded', 'headrestOff']);
    expect(rest.flatMap(idsOf)).not.to.include('armsOff');
    expect(Object.keys(inPlace(p, first!.settings.remedies).variables)).to.deep.equal(['seatHeight']);
    const fixed = problemFor({ seat: { ...seat, states: [] } });
    expect(offeredTo(fixed).flatMap(idsOf)).to.include('armsOff').and.not.include('headrestOff');
  });

  it('come to what is in use already, and say no more than what is new', () => {
    const seat = seatWith([adjustment('seatHeight', listed(500)), adjustment('seatDepth', listed(470))]);
    const p = problemFor({ seat });
    const found = remediesFor(p, [], { footrestMm: 60 });
    expect(found.shortfalls).to.deep.equal(['kneeRoom']);
    const [first] = found.offered;
    expect(idsOf(first)).to.deep.equal(['backCushionMm']);
    expect(first!.settings.remedies).to.include({ footrestMm: 60 });
  });

  it('hang no tray where a drawer hangs', () => {
    const desk = placeWith(listed(740), { drawerMm: 90 });
    expect(offeredTo(problemFor({ seat: heightSeat(440), place: desk })).flatMap(idsOf)).not.to.include(
      'keyboardTrayMm',
    );
  });

  it('name the hold that keeps something from fitting, and no other', () => {
    const p = problemFor();
    const { seatDepth } = bestOf(p).settings.positions;
    const held = { seatHeight: p.variables.seatHeight!.values.length - 1, seatDepth: seatDepth! };
    const stands = solve(p, { remedies: NO_REMEDIES, held });
    const outside = closedBySetting(assess(p, stands.settings), remediesFor(p));
    expect(outside).to.include('footGap');
    expect(holdsBehind(p, NO_REMEDIES, held, outside)).to.deep.equal(['seatHeight']);
    expect(holdsBehind(p, NO_REMEDIES, held, [])).to.deep.equal([]);
  });

  it('name another seat only where nothing else closes everything, and one that leaves nothing over', () => {
    const deep = seatWith([adjustment('seatHeight', listed(440)), adjustment('seatDepth', listed(580))]);
    const better = { ...WIDE_SEAT, id: '01990000-0000-7000-8000-00000000000b', name: 'Better seat' };
    const worse = { ...deep, id: '01990000-0000-7000-8000-00000000000c', name: 'Also deep' };
    const found = remediesFor(problemFor({ seat: deep }), [deep, worse, better]);
    expect(found.otherSeat?.seat.name).to.equal('Better seat');
    expect(
      outside(problemFor({ seat: better }), bestOf(problemFor({ seat: better })).settings).size,
    ).to.equal(0);
    expect(remediesFor(problemFor({ seat: heightSeat(500) }), [better]).otherSeat).to.equal(null);
  });

  it('ask for nothing where setting alone closes it', () => {
    const p = problemFor();
    const { settings } = bestOf(p);
    const off = { ...settings, positions: { ...settings.positions, seatHeight: 170 } };
    const found = remediesFor(p);
    expect(closedBySetting(assess(p, off), found)).to.include('footGap');
    expect(closedBySetting(assess(p, settings), found)).to.deep.equal([]);
  });
});

describe('a seat pad', () => {
  const seat = seatWith([
    adjustment('seatHeight', slides(380, 480)),
    adjustment('armHeight', steps(180, 280, 5)),
    adjustment('lumbarApex', slides(140, 260)),
    adjustment('headHeight', slides(560, 760)),
  ]);
  const p = problemFor({ seat, place: placeWith(listed(740)) });
  const { settings } = solve(p, { remedies: NO_REMEDIES });
  const padded: Settings = { ...settings, remedies: { seatPadMm: 30 } };

  it('of 30 mm raises the seat by 30 and lowers arms, lumbar and head rest by 30 against it', () => {
    const [bare, on] = [valuesOfSettings(p, settings), valuesOfSettings(p, padded)];
    expect(on.seatHeight - bare.seatHeight).to.equal(30);
    for (const kind of ['armHeight', 'lumbarApex', 'headHeight'] as const)
      expect(on[kind] - bare[kind], kind).to.equal(-30);
    expect(on.deskHeight).to.equal(bare.deskHeight);
  });

  it('eats 30 mm of the room over the thighs', () => {
    const roomAt = (s: Settings): number =>
      ofKind(assess(p, s), 'deskHeight').conditions.find((c) => c.id === 'deskClearance')!.residual;
    // With the seat so high that the thighs stand higher than the knees.
    const high = { ...settings, positions: { ...settings.positions, seatHeight: 100 } };
    expect(roomAt({ ...high, remedies: { seatPadMm: 30 } }) - roomAt(high)).to.be.closeTo(-30, 1e-9);
  });

  it('is taken back without a trace', () => {
    expect(inPlace(inPlace(p, { seatPadMm: 30 }), NO_REMEDIES)).to.equal(p);
    expect(inPlace(inPlace(p, { seatPadMm: 30 }), { seatPadMm: 30, footrestMm: 40 })).to.equal(
      inPlace(p, { seatPadMm: 30 }),
    );
    expect(adjustmentOf(p.inputs.seat.adjustments, 'seatHeight')).to.equal(seat.adjustments[0]);
  });
});

describe('what a remedy claims', () => {
  const demo = buildDemo(23, new Date('2026-11-25T09:30:00Z'));
  const cases = demo.sitters.slice(0, 6).flatMap((s) =>
    demo.seats.flatMap(({ seat }, i) => {
      const { place } = demo.places[i % demo.places.length]!;
      const body = bodyOf(s.readings);
      return [problemOf(inputsOf({ seat, place, body, method: RIGHT_ANGLE }))];
    }),
  );
  const told: readonly { readonly p: Problem; readonly found: Remedies }[] = cases.map((p) => ({
    p,
    found: remediesFor(p),
  }));

  it('is true of seat and place built with it from the start, solved by themselves', () => {
    let [offers, pairs] = [0, 0];
    for (const { p, found } of told)
      for (const remedy of found.offered) {
        offers++;
        if (remedy.parts.length === 2) pairs++;
        const { remedies } = remedy.settings;
        const again = solve(p, { remedies });
        expect(again.penalty).to.be.at.most(remedy.penalty);
        const now = outside(p, remedy.settings);
        for (const id of remedy.closes) expect(now.has(id), `${id} closed`).to.equal(false);
        for (const id of [...remedy.leaves, ...remedy.opens])
          expect(now.has(id), `${id} left`).to.equal(true);
        expect(now.size).to.equal(remedy.leaves.length + remedy.opens.length);
        expect(remedy.closes.length).to.be.greaterThan(0);
        expect(found.shortfalls).to.include.members([...remedy.closes]);
      }
    expect(offers).to.be.greaterThan(60);
    expect(pairs).to.be.greaterThan(10);
  });

  it('makes the whole better than without it', () => {
    for (const { p, found } of told) {
      const bare = solve(p, { remedies: NO_REMEDIES });
      for (const remedy of found.offered)
        expect(
          remedy.hard < bare.hard || (remedy.hard === bare.hard && remedy.penalty < bare.penalty),
        ).to.equal(true);
    }
  });

  it('is put in order: what lowers the total most first, with what each takes, within three points the easier', () => {
    let [apart, easier] = [0, 0];
    const PRICES: Record<string, number> = {
      footrestMm: 0,
      lumbarRollMm: 2,
      headrestOff: 4,
      armsFolded: 6,
      seatPadMm: 14,
      backCushionMm: 14,
      screenRiserMm: 14,
      keyboardTrayMm: 16,
      columnMm: 20,
      armsOff: 24,
      deskMm: 26,
    };
    const totalOf = (r: Remedy) => idsOf(r).reduce((sum, id) => sum + 1e6 * PRICES[id]!, r.penalty);
    for (const { found } of told)
      for (const [i, r] of found.offered.entries())
        for (const later of found.offered.slice(i + 1)) {
          // Nothing that comes later is better by more than a remedy is worth.
          expect(totalOf(later)).to.be.greaterThan(totalOf(r) - 3e6);
          if (totalOf(later) > totalOf(r) + 3e6) apart++;
          const ease = [r, later].map((x) => 10 * REMEDY_COSTS.indexOf(x.cost) + x.effort) as [
            number,
            number,
          ];
          if (totalOf(later) < totalOf(r)) {
            easier++;
            expect(ease[0]).to.be.at.most(ease[1]);
          }
        }
    expect(apart).to.be.greaterThan(20);
    expect(easier).to.be.greaterThan(0);
  });

  it('is worth three points at least', () => {
    for (const { p, found } of told) {
      const bare = solve(p, { remedies: NO_REMEDIES });
      for (const r of found.offered) expect(bare.penalty - r.penalty).to.be.at.least(3e6);
    }
  });

  it('puts nothing under feet that work pedals', () => {
    const driven = told.filter(({ p }) => p.inputs.place?.pedals);
    expect(driven.length).to.be.greaterThan(10);
    for (const { found } of driven)
      for (const r of found.offered) expect(idsOf(r)).not.to.include('footrestMm');
  });

  it('leaves the arms to whoever rises by them', () => {
    const offered = told.filter(({ found }) => found.offered.some((r) => idsOf(r).includes('armsOff')));
    expect(offered.length).to.be.greaterThan(5);
    for (const { p } of proofCases(offered, 4)) {
      const rising = problemOf({ ...p.inputs, work: { ...p.inputs.work, risesByArms: true } });
      for (const r of remediesFor(rising).offered) expect(idsOf(r)).not.to.include('armsOff');
    }
  });

  it('comes with the footrest first where the desk is too high and the arms could come off as well', () => {
    const seat = seatWith([adjustment('seatHeight', slides(400, 520)), adjustment('armHeight', listed(255))]);
    const p = problemFor({ seat, place: placeWith(listed(740)) });
    const offered = remediesFor(p).offered;
    expect(offered.flatMap(idsOf)).to.include('armsOff');
    expect(idsOf(offered[0])).to.include('footrestMm');
    expect(offered.findIndex((r) => idsOf(r).includes('armsOff'))).to.be.greaterThan(0);
  });

  it('never puts anything soft on a harness or a suspension', () => {
    const bare = told.filter(({ p }) => !takesCushions(p.inputs.seat));
    expect(bare.length).to.be.greaterThan(3);
    for (const { found } of bare)
      for (const r of found.offered)
        expect(idsOf(r)).not.to.include.oneOf(['seatPadMm', 'backCushionMm', 'lumbarRollMm']);
  });

  it('says which way everything else moves', () => {
    const moved = told.flatMap(({ found }) => found.offered.flatMap((r) => r.effects));
    expect(moved.map((e) => e.turn)).to.include.members(['closed', 'opened', 'same']);
  });
});

describe('a seat with remedies in place', () => {
  const Remedied = fc.record({
    seatPadMm: fc.integer({ min: 0, max: 60 }),
    columnMm: fc.integer({ min: -100, max: 100 }),
    deskMm: fc.integer({ min: -100, max: 100 }),
    keyboardTrayMm: fc.integer({ min: 0, max: 100 }),
    footrestMm: fc.integer({ min: 0, max: 150 }),
  });

  it('costs at its best no more than any settings tried on it', () => {
    const p = problemFor({ seat: WIDE_SEAT, place: placeWith(slides(650, 800)) });
    fc.assert(
      fc.property(Remedied, fc.integer({ min: 0, max: 100 }), (remedies: RemedySettings, n) => {
        const best = solve(p, { remedies });
        const held = solve(p, { remedies, held: { seatHeight: n } });
        return best.hard < held.hard || (best.hard === held.hard && best.penalty <= held.penalty);
      }),
      { numRuns: 60, seed: 7 },
    );
  });
});
