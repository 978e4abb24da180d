/** What the forms of a card say beyond the settings: three levers for a shared seat, and how to keep moving. */
import { expect } from 'chai';
import { bodyOf } from '../../bench/body';
import {
  NO_REMEDIES,
  PLAIN_WORK,
  assess,
  costOf,
  makeInputs,
  problemOf,
  solve,
  type Assessment,
  type Settings,
} from '../../src/core/fit';
import { CARD_FORMS, cardFormOf, cardOf, movementOf, sharedLevers, type Card } from '../../src/core/card';
import { cardMore } from '../../src/core/walk';
import { SHIPPED_METHODS } from '../../src/core/method';
import type { AdjustmentKind } from '../../src/core/seat';
import { buildDemo } from '../../src/demo/build';
import { plainSheetOf } from '../../src/drawing/card-forms';
import { DEFAULT_READING } from '../../src/words';
import { CARD_HEADER } from '../support/inputs';

const DEMO = buildDemo(1, new Date('2026-11-25T09:30:00Z'));

function assessed(
  seatName: string,
  sitterName: string,
  place = 'Harbour control',
  method = 'open-hip',
): Assessment {
  const { seat } = DEMO.seats.find((s) => s.seat.name === seatName)!;
  const sitter = DEMO.sitters.find((s) => s.name === sitterName)!;
  const p = problemOf(
    makeInputs({
      sitter: { ageYears: null },
      body: bodyOf(sitter.readings),
      seat,
      place: DEMO.places.find((x) => x.place.name.startsWith(place))!.place,
      method: SHIPPED_METHODS.find((m) => m.id === method)!,
      work: PLAIN_WORK,
    }),
  );
  return assess(p, solve(p, { remedies: NO_REMEDIES, budget: 6000 }).settings);
}

const kindsOn = (a: Assessment): AdjustmentKind[] =>
  cardOf(a, CARD_HEADER, null).rows.map(({ kind }) => kind);
const moved = (a: Assessment, kind: AdjustmentKind, position: number): Settings => ({
  ...a.settings,
  positions: { ...a.settings.positions, [kind]: position },
});

describe('the levers of a shared seat', () => {
  const all = DEMO.seats.map(({ seat }) => {
    const place = seat.seatClass === 'operator' ? 'Helm' : 'Harbour control';
    return assessed(seat.name, 'Ines Farrowby', place);
  });

  it('are at most three, of those on the card, in their order', () => {
    for (const a of all) {
      const among = kindsOn(a);
      const { kinds, others } = sharedLevers(a, among, []);
      expect(kinds.length, a.problem.inputs.seat.name).to.be.within(1, 3);
      expect(others).to.equal(0);
      expect(among.filter((kind) => kinds.includes(kind))).to.deep.equal(kinds);
    }
  });

  it('are those that cost most where somebody else has left them', () => {
    // The others have everything where it is but for one lever each: only that one has to be moved.
    const a = assessed('Lanternfold watch seat', 'Ines Farrowby');
    const among = kindsOn(a);
    for (const kind of ['seatHeight', 'seatDepth', 'armHeight'] as const) {
      const last = a.problem.variables[kind]!.values.length - 1;
      const here = a.settings.positions[kind]!;
      const away = here > last / 2 ? 0 : last;
      expect(costOf(a.problem, moved(a, kind, away)).penalty).to.be.greaterThan(
        costOf(a.problem, a.settings).penalty,
      );
      expect(sharedLevers(a, among, [moved(a, kind, away)])).to.deep.equal({ kinds: [kind], others: 1 });
    }
    expect(sharedLevers(a, among, [a.settings]).kinds).to.deep.equal([]);
  });

  it('leave out what costs less than what is named', () => {
    for (const a of all) {
      const among = kindsOn(a);
      const { kinds } = sharedLevers(a, among, []);
      const asSet = costOf(a.problem, a.settings).penalty;
      const more = (kind: AdjustmentKind) => {
        const last = a.problem.variables[kind]!.values.length - 1;
        const at = [0.25, 0.75].map(
          (share) => costOf(a.problem, moved(a, kind, Math.round(share * last))).penalty,
        );
        return at.reduce((sum, cost) => sum + Math.max(0, cost - asSet), 0);
      };
      const isWeighed = (kind: AdjustmentKind) =>
        kind === 'suspensionWeight' ||
        a.outcomes.find((o) => o.kind === kind)!.words.key === 'position.weighing';
      const least = Math.min(...kinds.filter((kind) => !isWeighed(kind)).map(more));
      for (const kind of among.filter((k) => !kinds.includes(k) && !isWeighed(k)))
        expect(more(kind), `${a.problem.inputs.seat.name}, ${kind}`).to.be.at.most(least);
    }
  });

  it('always name the mass that a suspension rides on, and never what weighs by itself', () => {
    const helm = assessed('Bellreef helm seat', 'Tam Brask', 'Helm');
    expect(sharedLevers(helm, kindsOn(helm), [helm.settings]).kinds).to.deep.equal(['suspensionWeight']);
    const counter = assessed('Guillemot ticket chair', 'Ines Farrowby');
    expect(kindsOn(counter)).to.include('tiltTension');
    expect(sharedLevers(counter, kindsOn(counter), []).kinds).not.to.include('tiltTension');
  });

  it('take nothing from settings of a seat with other positions', () => {
    const a = assessed('Tidewick shared chair', 'Ines Farrowby');
    const strange = moved(a, 'seatHeight', 100_000);
    expect(() => sharedLevers(a, kindsOn(a), [strange])).not.to.throw();
  });
});

describe('what is said about moving', () => {
  const keys = (a: Assessment, names: readonly string[] = []) =>
    movementOf(
      a,
      names.map((name) => ({ name, settings: a.settings })),
    ).map(({ key }) => key);

  it('goes by the lock as it is set, and by what gives way', () => {
    const watch = assessed('Lanternfold watch seat', 'Ines Farrowby');
    const state = (free: boolean) => {
      const states = watch.problem.variables.tiltLock!.adjustment.lock!.states;
      const position = states.findIndex((s) => (s === 'free') === free);
      return assess(watch.problem, moved(watch, 'tiltLock', position));
    };
    expect(keys(state(true))).to.deep.equal(['move.next', 'move.unlocked', 'move.rise']);
    expect(keys(state(false))).to.deep.equal(['move.next', 'move.locked', 'move.rise']);
    // A post that is set with a screw is nothing to lean into.
    expect(keys(assessed('Marram sloped stool', 'Odd Quillsay', 'Sail loft'))).to.deep.equal([
      'move.next',
      'move.rise',
    ]);
    expect(keys(assessed('Sandwick waiting room chair', 'Maren Tolve', 'Booking'))).not.to.include(
      'move.lean',
    );
  });

  it('names the other postures that are solved, and stands up where the desk lets one', () => {
    const a = assessed('Gullstone task chair', 'Piet Lunder', 'Chart room');
    const said = movementOf(a, [
      { name: 'Reading', settings: a.settings },
      { name: 'Phone', settings: null },
    ]).find(({ key }) => key === 'move.postures');
    expect(said?.values).to.deep.equal({ names: { text: 'Reading' } });
    const desks = DEMO.places.map(({ place }) => place.name);
    const stands = desks.filter((name) =>
      keys(assessed('Gullstone task chair', 'Piet Lunder', name)).includes('move.stand'),
    );
    for (const { place } of DEMO.places) {
      const desk = assessed('Gullstone task chair', 'Piet Lunder', place.name).problem.variables.deskHeight;
      const reaches = desk !== undefined && desk.values.length > 1 && Math.max(...desk.values) >= 950;
      expect(stands.includes(place.name), place.name).to.equal(reaches);
    }
  });

  it('lets children move, and says how to begin with standing where it says to stand', () => {
    const child = assessed('Puffling crèche chair', 'Wren Ostley', 'Crew crèche');
    const { inputs } = child.problem;
    const young = { ...child, problem: { ...child.problem, inputs: { ...inputs, sitter: { ageYears: 5 } } } };
    expect(keys(young)).to.deep.equal(['move.child']);
    const stands = DEMO.places
      .map(({ place }) => keys(assessed('Gullstone task chair', 'Piet Lunder', place.name)))
      .filter((all) => all.includes('move.stand'));
    expect(stands).not.to.be.empty;
    for (const all of stands) expect(all).to.include('caution.standing');
  });

  it('is for machines to be parked first', () => {
    expect(keys(assessed('Bellreef helm seat', 'Tam Brask', 'Helm'))).to.deep.equal([
      'move.next',
      'move.operated',
    ]);
  });

  it('is not said of a seat that nobody may use', () => {
    const a = assessed('Kittiwake high counter chair', 'Tam Brask');
    expect(a.refused).to.equal(true);
    const card = cardOf(a, CARD_HEADER, null);
    expect(cardMore(card, a, { postures: [], others: [], asLeft: null }).move).to.deep.equal([]);
  });
});

describe('the card of a shared seat', () => {
  it('tells nobody’s mass to whoever passes by', () => {
    const a = assessed('Bellreef helm seat', 'Tam Brask', 'Helm');
    const card = cardOf(a, CARD_HEADER, null);
    const more = cardMore(card, a, { postures: [], others: [], asLeft: null });
    const said = (form: 'shared' | 'sitter', on: Card) =>
      JSON.stringify(plainSheetOf(form, on, more, false, DEFAULT_READING));
    // Of a suspension that weighs nobody sets a number; of one that is turned to a mass somebody does.
    for (const form of ['shared', 'sitter'] as const)
      expect(said(form, card)).to.include('Sets itself to your weight').and.not.match(/\d kg/);
    const turned = {
      ...card,
      rows: card.rows.map((row) => (row.kind === 'suspensionWeight' ? { ...row, movement: [] } : row)),
    };
    expect(said('sitter', turned)).to.match(/Set to \d+ kg/);
    expect(said('shared', turned)).to.include('Set to your own weight').and.not.match(/\d kg/);
  });
});

describe('the name of a form', () => {
  it('is read back, and anything else is the whole card', () => {
    for (const form of CARD_FORMS) expect(cardFormOf(form)).to.equal(form);
    for (const other of [null, '', 'Sitter', '__proto__']) expect(cardFormOf(other)).to.equal('record');
  });
});
