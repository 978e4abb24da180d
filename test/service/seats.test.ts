import { expect } from 'chai';
import { v7 } from 'uuid';
import { SeatEditSchema, type Outcome } from '../../src/contract';
import type { SeatModel } from '../../src/core/seat';
import { addSeat, allSeats, editSeat, seatOf } from '../../src/service/seats';
import { createFitting, editFitting, fittingDetail } from '../../src/service/fittings';
import { fitAsked } from '../../src/service/shelf';
import { createSitter } from '../../src/service/sitters';
import { readSeat } from '../../src/islands/seats/read-seat';
import { textOfSeat } from '../../src/islands/seats/seat-text';
import { DEFAULT_READING } from '../../src/words';
import '../../src/words/pages';
import { SEAT_JOBS } from '../../src/workers/seats';
import { openBench, type Bench } from '../support/context';
import { ROUND, adjustment, bodyWith, listed, q, seatWith, slides } from '../support/inputs';
import { valueOf } from '../support/outcome';

const refusalOf = (outcome: Outcome<unknown>) => (outcome.ok ? null : outcome);

/** Six seats in the words of the trade. */
const DESCRIBED: Readonly<Record<string, Partial<SeatModel> & Pick<SeatModel, 'adjustments'>>> = {
  'a knob with two turns': {
    adjustments: [
      adjustment('seatHeight', slides(415, 525)),
      adjustment('tiltTension', slides(0, 2), {
        effort: { by: 'mass', lightestKg: 45, stiffestKg: 120 },
      }),
    ],
  },
  'one that weighs by itself, with a screw as override': {
    adjustments: [
      adjustment('seatHeight', slides(415, 525)),
      adjustment('tiltTension', listed(-1, 0, 1), {
        unit: 'step',
        effort: { by: 'weighing', lightestKg: 45, stiffestKg: 120, hasScale: false },
        neutral: 'middle',
      }),
    ],
  },
  'three stops of depth': {
    adjustments: [
      adjustment('seatHeight', slides(415, 525)),
      adjustment('seatDepth', listed(390, 420, 450), { movedBy: 'seatedOneHand', play: 4 }),
    ],
  },
  'an air bulb of unknown strokes': {
    adjustments: [
      adjustment('seatHeight', slides(415, 525)),
      adjustment('lumbarDepth', slides(0, 8), { unit: 'pump', creeps: true }),
    ],
    procedures: [
      {
        id: 'fill',
        kind: 'airBulb',
        steps: [
          { text: 'Let all air out.', doneBy: 'sitter', weight: 'leanForward' },
          { text: 'Pump until the hollow is just filled.', felt: 'a light touch', otherwise: 'begin again' },
        ],
      },
    ],
  },
  'a back on a ratchet': {
    adjustments: [
      adjustment('seatHeight', slides(415, 525)),
      adjustment('backHeight', listed(150, 165, 180, 195), { rest: 'lowest' }),
    ],
    states: [{ id: 'head-off', kind: 'headrestOff', removes: [] }],
  },
  'an ordinary kitchen chair': {
    seatClass: 'ordinary',
    ratedLoadKg: null,
    cushion: { sinkMm: null, referenceMassKg: 75, heightsAre: 'empty' },
    arms: null,
    offers: ['glides'],
    adjustments: [adjustment('seatHeight', listed(450))],
  },
};

describe('seats of one’s own', () => {
  let bench: Bench;
  before(async () => {
    bench = await openBench({ demo: true });
  });
  after(() => bench.close());

  const described = (name: string): SeatModel => {
    const { adjustments, ...more } = DESCRIBED[name]!;
    return seatWith(adjustments, { ...more, id: v7(), name });
  };

  for (const name of Object.keys(DESCRIBED))
    it(`are kept to the last digit: ${name}`, async () => {
      const seat = described(name);
      expect(SeatEditSchema.parse(seat)).to.deep.equal(seat);
      const saved = valueOf(await addSeat(bench.context, seat));
      expect(valueOf(await seatOf(bench.context, saved.versionId)).seat).to.deep.equal(seat);
      expect(valueOf(await allSeats(bench.context)).map((s) => s.seat.name)).to.include(name);
    });

  /** Numbers only: where they come from differs between a sheet and a form. */
  const bare = (value: unknown): unknown =>
    JSON.parse(
      JSON.stringify(value, (key, inner: unknown) =>
        ['source', 'basis', 'spread', 'takenAt', 'takenBy', 'instrument'].includes(key) ? undefined : inner,
      ),
    );

  for (const name of Object.keys(DESCRIBED))
    it(`are the same by form and by file: ${name}`, () => {
      const seat = described(name);
      const typed = readSeat(seat.id, textOfSeat(seat, DEFAULT_READING), DEFAULT_READING, null);
      expect(typed.faults).to.deep.equal({});
      // Procedures and the ids of states are not typed in this form.
      for (const part of [
        'name',
        'seatClass',
        'adjustments',
        'arms',
        'cushion',
        'offers',
        'ratedLoadKg',
      ] as const)
        expect(bare(typed.seat![part]), part).to.deep.equal(bare(seat[part]));
      expect(typed.seat!.states.map((s) => s.kind)).to.deep.equal(seat.states.map((s) => s.kind));
      const file = JSON.stringify({ format: 'velto.seats', version: 1, seats: [seat] });
      const { buffer } = new TextEncoder().encode(file).slice();
      const steps = [...SEAT_JOBS.readSeats({ bytes: buffer, seed: v7() })];
      expect(JSON.parse(steps.at(-1)!.found!.parts[0]!.seats)).to.deep.equal([
        JSON.parse(JSON.stringify(seat)),
      ]);
    });

  it('are calculated at once, by their own id', async () => {
    const seat = described('three stops of depth');
    valueOf(await addSeat(bench.context, seat));
    const measures = bodyWith(ROUND);
    const answer = valueOf(
      await fitAsked(bench.context, {
        sitter: { measures, ageYears: null, sex: null, estimateMissing: false },
        seat: { id: seat.id },
        place: null,
        method: { id: 'right-angle' },
        toolsKg: 0,
        helmet: false,
        glasses: false,
        risesByArms: false,
        screen: null,
        remedies: {},
        held: {},
        include: [],
      } as Parameters<typeof fitAsked>[1]),
    );
    expect(answer.settings.map((s) => s.adjustment)).to.include('seatDepth');
  });

  it('get a new version with every change, and fittings keep theirs', async () => {
    const seat = described('an ordinary kitchen chair');
    const first = valueOf(await addSeat(bench.context, seat));
    const sitter = valueOf(
      await createSitter(bench.context, { id: v7(), name: 'Chair Sitter', birthDate: null }),
    );
    const fitting = valueOf(
      await createFitting(bench.context, { id: v7(), sitterId: sitter.id, fitterId: null }),
    );
    valueOf(
      await editFitting(bench.context, fitting.id, fitting.version, { seatVersionId: first.versionId }),
    );
    const second = valueOf(
      await editSeat(bench.context, seat.id, first.version, { ...seat, seatWidthMm: q(440) }),
    );
    expect(second.version).to.equal(2);
    expect(valueOf(await seatOf(bench.context, seat.id)).seat.seatWidthMm?.value).to.equal(440);
    const kept = valueOf(await fittingDetail(bench.context, fitting.id));
    expect(kept.inputs?.seat.seatWidthMm?.value).to.equal(480);
    expect(kept.seat?.versionId).to.equal(first.versionId);
  });

  it('are the same record when they are sent again, and refused with anything else', async () => {
    const seat = described('a knob with two turns');
    const first = valueOf(await addSeat(bench.context, seat));
    expect(valueOf(await addSeat(bench.context, seat))).to.deep.equal(first);
    const other = { ...seat, name: 'another chair' };
    expect(refusalOf(await addSeat(bench.context, other))?.reason).to.equal('idInUse');
    valueOf(await editSeat(bench.context, seat.id, 1, other));
    const late = refusalOf(await editSeat(bench.context, seat.id, 1, seat));
    expect(late?.reason).to.equal('changedMeanwhile');
    expect(late?.current).to.have.nested.property('seat.name', 'another chair');
    expect(refusalOf(await editSeat(bench.context, v7(), 1, seat))?.reason).to.equal('invalid');
    expect(refusalOf(await editSeat(bench.context, seat.id, 7, seat))?.reason).to.equal('changedMeanwhile');
    const unknown = described('three stops of depth');
    expect(refusalOf(await editSeat(bench.context, unknown.id, 1, unknown))?.reason).to.equal('notFound');
  });

  it('are refused with the place of the fault, and nothing is kept', async () => {
    const wrong: readonly [string, SeatModel, string][] = [
      [
        'a range upside down',
        seatWith([adjustment('seatHeight', slides(525, 415))]),
        '/adjustments/0/travel',
      ],
      ['no height', seatWith([adjustment('seatDepth', slides(380, 440))]), '/adjustments'],
      [
        'centimetres',
        seatWith([adjustment('seatHeight', slides(41.5, 52.5))]),
        '/adjustments/0/travel/lowest',
      ],
      [
        'two of one kind',
        seatWith([
          adjustment('seatHeight', slides(415, 525)),
          adjustment('seatHeight', slides(415, 525), { id: 'b' }),
        ]),
        '/adjustments/1/kind',
      ],
      [
        'a dial with one label for three positions',
        seatWith([adjustment('seatHeight', listed(400, 420, 440))], {
          controls: [
            {
              id: 'dial',
              name: 'dial',
              kind: 'wheel',
              hand: 'right',
              place: 'under the seat',
              latch: 'none',
              scale: { type: 'dial', labels: ['1', '2'] },
              moves: [
                {
                  adjustmentId: 'seatHeight',
                  action: 'turn',
                  directionForMore: 'unknown',
                  sitter: { forMore: 'nothing', forLess: 'nothing' },
                },
              ],
            },
          ],
        }),
        '/controls/0/scale/labels',
      ],
    ];
    const before = valueOf(await allSeats(bench.context)).length;
    for (const [what, seat, pointer] of wrong) {
      const refusal = refusalOf(await addSeat(bench.context, { ...seat, id: v7() }));
      expect(refusal?.reason, what).to.equal('invalid');
      expect(
        refusal?.faults?.map((f) => f.pointer),
        what,
      ).to.include(pointer);
      for (const { detail } of refusal?.faults ?? []) expect(detail, what).to.match(/\.$/);
    }
    expect(valueOf(await allSeats(bench.context))).to.have.length(before);
  });
});
