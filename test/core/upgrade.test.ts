import { upgradeInputs, upgradeSettings } from '../../src/core/document/upgrade';
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { InputsSchema, MethodSchema, PlaceSchema, SeatSchema, SettingsSchema } from '../../src/contract';
import {
  INPUTS_SCHEMA,
  NO_REMEDIES,
  problemOf,
  solve,
  assess,
  completeSettings,
  costOf,
  type Settings,
} from '../../src/core/fit';
import { SHIPPED_METHODS, upgradeMethod } from '../../src/core/method';
import { upgradePlace } from '../../src/core/place';
import { seatDoubts, upgradeSeat } from '../../src/core/seat';
import { buildDemo } from '../../src/demo/build';
import { bodyWith } from '../support/inputs';

interface FirstDocuments {
  readonly seats: readonly (object & {
    readonly name: string;
    readonly controls: readonly { readonly name: string; readonly moves: readonly object[] }[];
  })[];
  readonly places: readonly (object & { readonly name: string })[];
  readonly cases: readonly {
    readonly seat: number;
    readonly place: number | null;
    readonly method: object & { readonly id: string };
    readonly work: object;
    readonly body: Parameters<typeof bodyWith>[0];
    readonly settings: Settings;
  }[];
}

/** As the program wrote them before documents of seats had a version. */
const first = JSON.parse(readFileSync('test/fixtures/first-documents.json', 'utf8')) as FirstDocuments;
const demo = buildDemo(1, new Date('2026-11-25T09:30:00Z'));

describe('documents of the first form', () => {
  for (const document of first.seats)
    it(`become the same seat as is described now: ${document.name}`, () => {
      const seat = SeatSchema.parse(upgradeSeat(document));
      const now = demo.seats.find((s) => s.seat.name === document.name)!.seat;
      // Where arms stand was not asked then.
      const arms = now.arms && { ...now.arms, on: null };
      // Controls were described in fewer words then, and how things are done in several steps not at all.
      const { id, adjustments, controls } = seat;
      expect(seat).to.deep.equal({ ...now, id, arms, adjustments, controls, procedures: [] });
      expect(controls.map((c) => c.name)).to.deep.equal(document.controls.map((c) => c.name));
      expect(controls.map((c) => c.moves.length)).to.deep.equal(document.controls.map((c) => c.moves.length));
      for (const adjustment of seat.adjustments) {
        const described = now.adjustments.find((a) => a.id === adjustment.id)!;
        // Loose pads were said of their control.
        expect({ ...described, ...(adjustment.creeps ? { creeps: true } : {}) }).to.deep.equal(adjustment);
      }
      expect(seatDoubts(seat)).to.deep.equal([]);
    });

  it('become the same workstations', () => {
    for (const document of first.places) {
      const place = PlaceSchema.parse(upgradePlace(document));
      const now = demo.places.find((p) => p.place.name === document.name)!.place;
      // What is needed of a seat there could not be said then, and notes were worded otherwise.
      const { id, notes } = place;
      expect(place).to.deep.equal({ ...now, id, notes, needs: [], seatClasses: [] });
      expect(notes).to.equal((document as { notes?: string }).notes);
    }
  });

  it('are refused as they are, so that none is read without being upgraded', () => {
    expect(SeatSchema.safeParse(first.seats[0]).success).to.equal(false);
    expect(PlaceSchema.safeParse(first.places[0]).success).to.equal(false);
  });

  it('keep their settings, and are calculated as whole as any', () => {
    expect(first.cases).to.have.length(7);
    for (const { seat, place, method, work, body, settings } of first.cases) {
      const document = {
        schema: 1,
        coreVersion: 1,
        tablesVersion: 1,
        seed: 1,
        sitter: { ageYears: null },
        body: bodyWith(body),
        seat: first.seats[seat],
        place: place === null ? null : first.places[place],
        method,
        work,
      };
      const inputs = InputsSchema.parse(upgradeInputs(document));
      expect(inputs.schema).to.equal(INPUTS_SCHEMA);
      expect(inputs.work).to.deep.equal({
        helmet: false,
        glasses: false,
        risesByArms: false,
        screen: null,
        ...work,
      });
      const p = problemOf(inputs);
      const upgraded = upgradeSettings(settings) as typeof settings;
      // What was set then is judged as it stands; what is calculated now costs no more.
      expect(completeSettings(p, upgraded)).to.equal(upgraded);
      const now = solve(p, { remedies: NO_REMEDIES });
      expect(now.penalty).to.be.at.most(costOf(p, upgraded).penalty);
      expect(assess(p, upgraded).outcomes.map((o) => o.kind)).to.deep.equal(
        assess(p, now.settings).outcomes.map((o) => o.kind),
      );
    }
  });

  it('keep what they say after being upgraded once more', () => {
    const seat = upgradeSeat(first.seats[0]);
    expect(upgradeSeat(seat)).to.deep.equal(seat);
    const place = upgradePlace(first.places[0]);
    expect(upgradePlace(place)).to.deep.equal(place);
  });

  it('are left alone where they are no documents at all', () => {
    for (const nothing of [null, 7, 'seat', [], undefined])
      for (const upgrade of [upgradeSeat, upgradePlace, upgradeMethod, upgradeInputs, upgradeSettings])
        expect(upgrade(nothing)).to.deep.equal(nothing);
  });
});

describe('an upper back support of the first form', () => {
  const support = {
    id: 'upper',
    kind: 'thoracic',
    side: 'both',
    unit: 'step',
    travel: { type: 'listed', values: [] },
  };
  const knob = {
    id: 'knob',
    name: 'knob',
    kind: 'knob',
    hand: 'either',
    place: 'behind the back',
    latch: 'none',
    scale: { type: 'none' },
    keeps: true,
    moves: [
      {
        adjustmentId: 'upper',
        action: 'turn',
        directionForMore: 'up',
        sitter: { forMore: 'nothing', forLess: 'nothing' },
      },
    ],
  };

  it('becomes a state of the seat, with its control', () => {
    const [plain] = first.seats as readonly Record<string, unknown>[];
    const seat = SeatSchema.parse(
      upgradeSeat({
        ...plain,
        adjustments: [...(plain!.adjustments as object[]), support],
        controls: [knob],
      }),
    );
    expect(seat.states).to.deep.equal([{ id: 'upper-support-off', kind: 'upperSupportOff', removes: [] }]);
    expect(seat.adjustments.map((a) => a.id)).not.to.include('upper');
    expect(seat.controls[0]?.moves[0]?.adjustmentId).to.equal('upper-support-off');
    expect(seatDoubts(seat)).to.deep.equal([]);
  });

  it('stays on or off in settings', () => {
    const of = (thoracic: number) =>
      SettingsSchema.parse(upgradeSettings({ positions: { seatHeight: 3, thoracic }, remedies: {} }));
    expect(of(0)).to.deep.equal({
      positions: { seatHeight: 3 },
      remedies: {},
      states: ['upper-support-off'],
    });
    expect(of(1).states).to.deep.equal([]);
  });

  it('has no target and no turn in a method any more', () => {
    const method = SHIPPED_METHODS[0]!;
    const target = { aimLo: 0, aimHi: 0, weight: 1, basis: 'assumed', source: '' };
    const upgraded = MethodSchema.parse(
      upgradeMethod({
        ...method,
        targets: { ...method.targets, thoracic: target },
        order: [...method.order, 'thoracic'],
        again: ['thoracic', 'seatHeight'],
        steps: [{ name: 'one', instruct: '', targets: { thoracic: target } }],
      }),
    );
    expect(upgraded).to.deep.equal({
      ...method,
      again: ['seatHeight'],
      steps: [{ name: 'one', instruct: '', targets: {} }],
    });
  });
});
