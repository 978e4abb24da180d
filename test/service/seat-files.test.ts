/** Seats as files: the same library comes back, what is wrong is said by row, and an import can be undone. */
import { expect } from 'chai';
import fc from 'fast-check';
import { v7 } from 'uuid';
import { SEATS_FORMAT, seatsJsonSchema, type SeatPart } from '../../src/contract/seats-file';
import { SEATS_HEAD } from '../../src/core/exchange/seats-csv';
import { stated } from '../../src/core/quantity';
import { adjustmentOf, endsOf, type SeatModel } from '../../src/core/seat';
import { buildDemo } from '../../src/demo/build';
import { EVERY_SEAT, allSeats, editSeat, pageOfSeats, putSeatState, seatOf } from '../../src/service/seats';
import {
  importSeats,
  lookUpSeats,
  recentSeatImports,
  seatsCsv,
  seatsJson,
  undoSeatImport,
} from '../../src/service/seat-files';
import { createFitting, editFitting } from '../../src/service/fittings';
import { SEAT_JOBS, type SeatsFound } from '../../src/workers/seats';
import { actingAs, found, openBench, type Bench } from '../support/context';
import { valueOf } from '../support/outcome';
import { evenly } from '../support/evenly';
import { leastMs, timeOf } from '../support/pace';

const SEED = '01990000-0000-7000-8000-0000aaaa0000';

function read(file: string | Uint8Array): SeatsFound {
  const bytes = typeof file === 'string' ? new TextEncoder().encode(file) : file;
  let last: SeatsFound | null = null;
  for (const step of SEAT_JOBS.readSeats({ bytes: bytes.slice().buffer, seed: SEED }))
    last = step.found ?? last;
  return last!;
}
const seatsOf = (found: SeatsFound): SeatModel[] =>
  found.parts.flatMap((p) => JSON.parse(p.seats) as SeatModel[]);
const jsonOf = (seats: unknown[]) => JSON.stringify({ format: SEATS_FORMAT, version: 1, seats });

async function text(parts: AsyncGenerator<string>): Promise<string> {
  let all = '';
  for await (const part of parts) all += part;
  return all;
}

async function bring(bench: Bench, id: string, found: SeatsFound, existing: SeatPart['existing'] = 'leave') {
  const counts = { created: 0, versions: 0, left: 0, same: 0 };
  for (const part of found.parts) {
    const seats = JSON.parse(part.seats) as SeatModel[];
    const more = valueOf(
      await importSeats(bench.context, id, { file: 'seats.json', existing, seats } as SeatPart),
    );
    for (const key of Object.keys(counts) as (keyof typeof counts)[]) counts[key] += more[key];
  }
  return counts;
}

describe('seats as files', () => {
  let bench: Bench;
  beforeEach(async () => {
    bench = await openBench({ demo: true });
  });
  afterEach(() => bench.close());
  const library = async (of: Bench = bench) => valueOf(await allSeats(of.context)).map((s) => s.seat);

  it('give the same library to the last digit, out and in again', async () => {
    const out = await text(valueOf(await seatsJson(bench.context)));
    const found = read(out);
    expect([found.rows, found.faultCount]).to.deep.equal([16, 0]);
    const other = await openBench();
    expect(await bring(other, v7(), found)).to.deep.equal({ created: 16, versions: 0, left: 0, same: 0 });
    expect(await library(other)).to.deep.equal(await library());
    expect(await text(valueOf(await seatsJson(other.context)))).to.equal(out);
    await other.close();
  });

  it('give the same seat back, whatever its numbers', () => {
    const made = buildDemo(3, new Date('2026-11-25T09:30:00Z'), { seats: 60 }).seats.map((s) => s.seat);
    fc.assert(
      fc.property(
        fc.constantFrom(...made),
        evenly(50, 500),
        fc.string({ maxLength: 40 }),
        (seat, load, notes) => {
          const given = {
            ...seat,
            notes: notes.replace(/\p{Cc}|\p{Cf}/gu, ''),
            ratedLoadKg: { ...seat.ratedLoadKg!, value: load },
          };
          fc.pre(seat.ratedLoadKg !== null);
          expect(seatsOf(read(jsonOf([given])))).to.deep.equal([JSON.parse(JSON.stringify(given))]);
        },
      ),
      { numRuns: 60, seed: 18 },
    );
  });

  it('need no more of a seat than name, class and seat height: the rest is not known', async () => {
    const least = {
      schema: 2,
      id: v7(),
      name: 'Bench in the shed',
      seatClass: 'office',
      adjustments: [
        {
          id: 'seatHeight',
          kind: 'seatHeight',
          unit: 'mm',
          travel: { type: 'listed', values: [stated(450, 'tape', 5)] },
          holds: { how: 'free' },
        },
      ],
    };
    const found = read(jsonOf([least]));
    expect(found.faults).to.deep.equal([]);
    expect(await bring(bench, v7(), found)).to.deep.include({ created: 1 });
    const { seat } = valueOf(await seatOf(bench.context, least.id));
    expect([seat.ratedLoadKg, seat.seatWidthMm, seat.cushion.sinkMm, seat.arms, seat.offers]).to.deep.equal([
      null,
      null,
      null,
      null,
      [],
    ]);
  });

  it('are refused where one part has the same seat twice, at the second one, and nothing is written', async () => {
    const [first] = await library();
    const twin = { ...first!, id: v7(), name: 'Twin' };
    const seats = [twin, { ...twin, name: 'Other twin' }];
    const part = { file: 'x', existing: 'leave', seats } as unknown as SeatPart;
    expect(await importSeats(bench.context, v7(), part)).to.deep.include({
      ok: false,
      reason: 'invalid',
      faults: [{ pointer: '/seats/1/id', detail: 'This id appears twice.' }],
    });
    expect((await library()).map((s) => s.name)).not.to.include('Twin');
  });

  it('leave a retired seat retired where they bring a new version of it', async () => {
    const [first] = await library();
    valueOf(await putSeatState(bench.context, first!.id, 1, 'retired'));
    const found = read(jsonOf([{ ...first, notes: 'from the file' }]));
    expect(await bring(bench, v7(), found, 'version')).to.deep.include({ created: 0, versions: 1 });
    const now = valueOf(await seatOf(bench.context, first!.id));
    expect([now.version, now.state, now.seat.notes]).to.deep.equal([2, 'retired', 'from the file']);
    expect((await library()).map((s) => s.id)).not.to.include(first!.id);
  });

  it('carry the flat part as CSV, both ways', async () => {
    const out = await text(valueOf(await seatsCsv(bench.context)));
    const found = read(out);
    expect(found.faultCount).to.equal(0);
    expect(found.isFlat).to.equal(true);
    const before = await library();
    for (const again of seatsOf(found)) {
      const seat = before.find((s) => s.id === again.id)!;
      expect(again).to.deep.include({
        name: seat.name,
        seatClass: seat.seatClass,
        offers: seat.offers,
        notes: seat.notes,
      });
      expect(again.ratedLoadKg?.value).to.equal(seat.ratedLoadKg?.value);
      for (const kind of ['seatHeight', 'seatDepth', 'armHeight', 'backAngle'] as const) {
        const [a, b] = [adjustmentOf(again.adjustments, kind), adjustmentOf(seat.adjustments, kind)];
        expect(a && endsOf(a.travel), `${seat.name} ${kind}`).to.deep.equal(b && endsOf(b.travel));
      }
    }
    // Once more out, and it is the same file.
    const other = await openBench();
    await bring(other, v7(), found);
    expect(await text(valueOf(await seatsCsv(other.context)))).to.equal(out);
    await other.close();
  });

  it('never overwrite silently: what differs is left, or gets a new version where that is asked for', async () => {
    const [first, second] = await library();
    const found = read(
      jsonOf([{ ...first, notes: 'from the file' }, second, { ...second, id: v7(), name: 'New one' }]),
    );
    expect(valueOf(await lookUpSeats(bench.context, seatsOf(found))).found).to.deep.equal([
      'differs',
      'same',
      'new',
    ]);
    const id = v7();
    expect(await bring(bench, id, found)).to.deep.equal({ created: 1, versions: 0, left: 1, same: 1 });
    expect(valueOf(await seatOf(bench.context, first!.id)).seat.notes).to.equal(first!.notes);
    expect(await bring(bench, v7(), found, 'version')).to.deep.equal({
      created: 0,
      versions: 1,
      left: 0,
      same: 2,
    });
    const changed = valueOf(await seatOf(bench.context, first!.id));
    expect([changed.version, changed.seat.notes, changed.state]).to.deep.equal([2, 'from the file', 'draft']);
  });

  it('are taken out again by undoing, but for what is used or was changed since', async () => {
    const [first] = await library();
    const copies = Array.from({ length: 4 }, (_, i) => ({ ...first!, id: v7(), name: `Copy ${i}` }));
    const id = v7();
    await bring(bench, id, read(jsonOf([...copies, { ...first!, notes: 'from the file' }])), 'version');
    const listed = valueOf(
      await pageOfSeats(bench.context, { ...EVERY_SEAT, search: 'copy' }, { limit: 10 }),
    ).items;
    const [person] = await found(bench.context, 'Maren');
    const fitting = valueOf(
      await createFitting(bench.context, { id: v7(), sitterId: person!.id, fitterId: null }),
    );
    valueOf(
      await editFitting(bench.context, fitting.id, fitting.version, { seatVersionId: listed[0]!.versionId }),
    );
    const second = valueOf(await seatOf(bench.context, listed[1]!.id));
    valueOf(await editSeat(bench.context, second.seat.id, 1, { ...second.seat, notes: 'looked at' }));
    expect(
      await undoSeatImport({ ...bench.context, actor: { kind: 'fitter', fitter: null } }, id),
    ).to.deep.include({ reason: 'fitterMissing' });
    const undone = valueOf(await undoSeatImport(actingAs(bench.context, 'Ada'), id));
    expect([undone.undone, undone.kept]).to.deep.equal([3, 2]);
    expect(valueOf(await seatOf(bench.context, first!.id))).to.deep.include({ version: 1 });
    const left = valueOf(
      await pageOfSeats(bench.context, { ...EVERY_SEAT, search: 'copy' }, { limit: 10 }),
    ).items;
    expect(left.map((s) => s.id)).to.have.members([listed[0]!.id, second.seat.id]);
    // Once more changes nothing, and nothing more comes in under this id.
    expect(valueOf(await undoSeatImport(actingAs(bench.context, 'Ada'), id)).undone).to.equal(3);
    expect(
      await importSeats(bench.context, id, { file: 'x', existing: 'leave', seats: [first!] } as SeatPart),
    ).to.deep.include({ reason: 'importBegun' });
    expect(valueOf(await recentSeatImports(bench.context))[0]).to.deep.include({ undone: 3, kept: 2 });
  });

  it('write nothing of a part in which one seat is wrong', async () => {
    const [first] = await library();
    const wrong = { ...first!, id: v7(), adjustments: [] };
    const refused = await importSeats(bench.context, v7(), {
      file: 'x',
      existing: 'leave',
      seats: [{ ...first!, id: v7(), name: 'Good' }, wrong],
    } as unknown as SeatPart);
    expect(refused).to.deep.include({ ok: false, reason: 'invalid' });
    if (!refused.ok) expect(refused.faults![0]!.pointer).to.equal('/seats/1/adjustments');
    expect(await library()).to.have.length(16);
  });

  const [sample] = buildDemo(1, new Date('2026-11-25T09:30:00Z')).seats.map((s) => s.seat);
  const row = (cells: Record<string, string>) => SEATS_HEAD.map((head) => cells[head] ?? '').join(',');
  const csv = (...rows: Record<string, string>[]) => [SEATS_HEAD.join(','), ...rows.map(row)].join('\r\n');
  const HEIGHTS = { 'seatHeight lowest [mm]': '420', 'seatHeight highest [mm]': '530' };
  const hostile: readonly (readonly [string, string | Uint8Array, string, number, string])[] = [
    ['nothing', '', 'exchange.fault.empty', 0, ''],
    ['half a JSON', '{"format":', 'exchange.fault.notJson', 0, ''],
    ['another form', '{"format":"other","seats":[]}', 'exchange.fault.otherFormat', 0, ''],
    [
      'a later version',
      `{"format":"${SEATS_FORMAT}","version":9,"seats":[{}]}`,
      'exchange.fault.otherVersion',
      0,
      '',
    ],
    [
      'a key twice',
      `{"format":"${SEATS_FORMAT}","version":1,"seats":[{"id":"a","id":"b"}]}`,
      'seatFile.fault.keyTwice',
      1,
      '',
    ],
    ['nesting without end', `{"a":${'['.repeat(100)}${']'.repeat(100)}}`, 'seatFile.fault.tooDeep', 0, ''],
    ['an unknown field', jsonOf([{ ...sample, wings: 2 }]), 'exchange.fault.unknownKey', 1, ''],
    [
      'a script for a class',
      jsonOf([{ ...sample, seatClass: '<script>' }]),
      'exchange.fault.notAChoice',
      1,
      'seatClass',
    ],
    ['no class', jsonOf([{ ...sample, seatClass: undefined }]), 'exchange.fault.missing', 1, 'seatClass'],
    [
      'a word for a number',
      jsonOf([{ ...sample, price: 'dear' }]),
      'exchange.fault.notOfTheForm',
      1,
      'price',
    ],
    [
      'two of one kind',
      jsonOf([{ ...sample, adjustments: [...sample!.adjustments, sample!.adjustments[0]] }]),
      'fault.duplicateAdjustment',
      1,
      '',
    ],
    ['the same id twice', jsonOf([sample, sample]), 'exchange.fault.twice', 2, 'id'],
    ['neither text nor anything', new Uint8Array([0xff, 0x00, 0xd8, 0x80]), 'exchange.fault.notText', 0, ''],
    ['no name column', 'class\r\noffice', 'exchange.fault.noName', 0, ''],
    ['a column twice', 'name,Name\r\na,b', 'exchange.fault.columnTwice', 1, 'Name'],
    [
      'a height without a unit',
      'name,seatHeight lowest\r\na,420',
      'exchange.fault.wrongUnit',
      1,
      'seatHeight lowest',
    ],
    ['a formula for a name', csv({ name: '=1+1', ...HEIGHTS }), 'exchange.fault.formula', 2, 'name'],
    ['an invisible name', csv({ name: 'a\u200bb', ...HEIGHTS }), 'exchange.fault.invisible', 2, 'name'],
    [
      'words for a number',
      csv({ name: 'a', ...HEIGHTS, 'sink [mm]': 'soft' }),
      'exchange.fault.notANumber',
      2,
      'sink [mm]',
    ],
    [
      'reversed ends',
      csv({ name: 'a', 'seatHeight lowest [mm]': '530', 'seatHeight highest [mm]': '420' }),
      'fault.reversedRange',
      2,
      'seatHeight lowest [mm]',
    ],
    [
      'centimetres for millimetres',
      csv({ name: 'a', 'seatHeight lowest [mm]': '42', 'seatHeight highest [mm]': '53' }),
      'fault.outOfRange',
      2,
      'seatHeight lowest [mm]',
    ],
    ['no height', csv({ name: 'a' }), 'fault.missingSeatHeight', 2, '/adjustments'],
    [
      'a class that is none',
      csv({ name: 'a', class: 'throne', ...HEIGHTS }),
      'seatFile.fault.notKnown',
      2,
      'class',
    ],
  ];
  for (const [name, file, reason, at, column] of hostile)
    it(`say what is wrong, and where: ${name}`, () => {
      const { faults, kept } = read(file);
      const fault = faults.find((f) => f.reason === reason)!;
      expect(fault, JSON.stringify(faults.slice(0, 3))).to.be.an('object');
      expect(fault.row).to.equal(at);
      if (column !== '') expect(fault.column).to.equal(column);
      expect(kept.length).to.equal(name === 'the same id twice' ? 1 : 0);
    });

  it('are refused when they are too large, without being read', () => {
    expect(read(new Uint8Array(100_000_000)).faults.map((f) => f.reason)).to.deep.equal([
      'exchange.fault.tooLarge',
    ]);
  });

  it('keep a script in a name as text, and centimetres as what they are', () => {
    const found = read(
      `name,seatHeight lowest [cm],seatHeight highest [cm]\r\n"<img src=x onerror=alert(1)>",42,53`,
    );
    const [seat] = seatsOf(found);
    expect(seat!.name).to.equal('<img src=x onerror=alert(1)>');
    expect(endsOf(seat!.adjustments[0]!.travel)).to.deep.equal({ lowest: 420, highest: 530 });
  });

  it('are described by a published schema', () => {
    const schema = JSON.stringify(seatsJsonSchema());
    expect(schema).to.include('seatHeight').and.include('additionalProperties');
  });
});

describe('1,000 seats from a file', function () {
  this.timeout(60_000);
  it('are read, compared and imported within five seconds, in parts', async () => {
    const bringAll = async () => {
      const bench = await openBench();
      const { seats } = buildDemo(5, bench.context.now(), { seats: 1000 });
      const file = jsonOf(seats.map((s) => s.seat));
      const tookMs = await timeOf(async () => {
        const found = read(file);
        for (const part of found.parts) expect(part.seats.length).to.be.below(900_000);
        for (const part of found.parts)
          await lookUpSeats(bench.context, JSON.parse(part.seats) as SeatModel[]);
        expect((await bring(bench, v7(), found)).created).to.equal(1000);
      });
      await bench.close();
      return tookMs;
    };
    expect(await leastMs(5000, bringAll)).to.be.below(5000);
  });
});
