/** Seats that stand somewhere: tags, labels, faults, and what a fitting that names one does. */
import { expect } from 'chai';
import { v7 } from 'uuid';
import type { FittingDetail } from '../../src/contract';
import type { PieceDetail } from '../../src/contract/pieces';
import { scannedTwice, tagsOf } from '../../src/contract/piece-lists';
import { readRows } from '../support/read-database';
import { actingAs, found, openBench, type Bench } from '../support/context';
import { valueOf } from '../support/outcome';
import { DEFAULT_READING } from '../../src/words';
import { sheetOf } from '../../src/drawing/sheet';
import { fittingCard, fittingCardJson } from '../../src/service/card';
import type { Context } from '../../src/service/context';
import { tidy } from '../../src/service/deleting';
import { everythingAbout } from '../../src/service/exchange';
import { actOnFitting, editFitting, fittingDetail, recentFittings } from '../../src/service/fittings';
import {
  createPiece,
  createSeries,
  deletePiece,
  editFault,
  editPiece,
  pageOfPieces,
  pieceOf,
  reportFault,
  restorePiece,
} from '../../src/service/pieces';
import { labelled, labelsOf, reportByLabel } from '../../src/service/labels';
import { VISITOR } from '../../src/service/rights';
import { EVERY_SEAT, allSeats, pageOfSeats, putSeatState } from '../../src/service/seats';
import { deleteSitter } from '../../src/service/sitters';

const HOUR_MS = 3_600_000;
const ALL = { limit: 200 };

describe('a seat that has a tag', () => {
  let bench: Bench;
  let ctx: Context;
  beforeEach(async () => {
    bench = await openBench({ demo: true });
    ctx = actingAs(bench.context, 'Hedda Kvist');
  });
  afterEach(() => bench.close());

  const seatId = async (name: string) =>
    valueOf(await allSeats(ctx)).find(({ seat }) => seat.name.startsWith(name))!.seat.id;
  const tagged = async (tag: string): Promise<PieceDetail> => {
    const { items } = valueOf(await pageOfPieces(ctx, { search: tag }, ALL));
    return valueOf(await pieceOf(ctx, items.find((piece) => piece.tag === tag)!.id));
  };
  const newPiece = async (tag: string, seat = 'Gullstone') =>
    createPiece(ctx, { id: v7(), tag, seatId: await seatId(seat) });
  const tokenOf = async (id: string): Promise<string> =>
    String((await readRows(bench.folder, `select token from pieces where id = '${id}'`))[0]?.token);
  /** An open fitting on the model of a tagged seat. */
  async function fittingOn(piece: PieceDetail): Promise<FittingDetail> {
    const { items } = valueOf(await recentFittings(ctx, ALL));
    const open = items.find((f) => f.sitter && f.seat?.name === piece.seat.name)!;
    return valueOf(await fittingDetail(ctx, open.id));
  }

  it('is found by part of its tag, by words of its seat and by its workstation', async () => {
    const search = async (text: string) =>
      valueOf(await pageOfPieces(ctx, { search: text }, ALL)).items.map((piece) => piece.tag);
    expect(await search('hc-')).to.deep.equal(['HC-01', 'HC-02']);
    expect(await search('booking 02')).to.deep.equal(['BO-02']);
    expect(await search('%')).to.deep.equal([]);
    valueOf(await newPiece('Ü-7 Å'));
    expect(await search('ü-7')).to.deep.equal(['Ü-7 Å']);
    // Names are found without accents.
    expect(await search('creche å')).to.deep.equal(['CC-01', 'CC-02']);
    expect(await search('creche ü-7')).to.deep.equal([]);
    const inState = async (state: 'inUse' | 'faulty' | 'away') =>
      valueOf(await pageOfPieces(ctx, { search: '', state }, ALL)).items.map((piece) => piece.tag);
    expect(await inState('faulty')).to.deep.equal(['BO-02', 'HC-02']);
    expect(await inState('away')).to.deep.equal(['BO-03']);
    expect((await inState('inUse')).length + 3).to.equal((await search('')).length);
  });

  it('comes a page at a time, each once', async () => {
    const seen: string[] = [];
    let cursor: string | undefined;
    do {
      const page = valueOf(await pageOfPieces(ctx, { search: '' }, { limit: 5, cursor }));
      seen.push(...page.items.map((piece) => piece.tag));
      cursor = page.next ?? undefined;
    } while (cursor !== undefined);
    expect(seen).to.deep.equal([...new Set(seen)].sort());
    expect(seen).to.have.length(12);
  });

  it('shares its tag with no other, says who has it, and takes it free once that is gone', async () => {
    const refused = await newPiece('BO-01');
    expect(refused).to.deep.include({ ok: false, reason: 'invalid' });
    expect(!refused.ok && refused.faults).to.deep.equal([
      {
        pointer: '/tag',
        detail: 'BO-01 is already on another seat: Tidewick shared chair, Booking office counter.',
      },
    ]);
    const { id } = await tagged('BO-01');
    valueOf(await deletePiece(ctx, id));
    const taken = valueOf(await newPiece('BO-01'));
    expect(taken.tag).to.equal('BO-01');
    expect(await restorePiece(ctx, id)).to.deep.include({ ok: false, reason: 'invalid' });
    valueOf(await deletePiece(ctx, taken.id));
    expect(valueOf(await restorePiece(ctx, id)).tag).to.equal('BO-01');
  });

  it('tells a label that was scanned twice from a tag', async () => {
    expect(scannedTwice('BO-07BO-07')).to.equal('BO-07');
    for (const tag of ['BO-07', 'ABAB', '11', 'BO-0707']) expect(scannedTwice(tag), tag).to.equal(null);
    const refused = await newPiece('BO-07BO-07');
    expect(!refused.ok && refused.faults).to.deep.equal([
      { pointer: '/tag', detail: 'This label was scanned twice: BO-07.' },
    ]);
  });

  it('makes a series all or none', async () => {
    const series = { seatId: await seatId('Gullstone'), prefix: 'WR-', first: 8, digits: 3, count: 4 };
    expect(tagsOf(series)).to.deep.equal(['WR-008', 'WR-009', 'WR-010', 'WR-011']);
    valueOf(await newPiece('WR-010'));
    const refused = await createSeries(ctx, series);
    expect(!refused.ok && refused.faults).to.deep.equal([
      { pointer: '/first', detail: '1 of these tags is already in use: WR-010.' },
    ]);
    const count = async () => valueOf(await pageOfPieces(ctx, { search: 'WR-' }, ALL)).total;
    expect(await count()).to.equal(1);
    valueOf(await createSeries(ctx, { ...series, first: 11, count: 500 }));
    expect(await count()).to.equal(501);
    const labels = valueOf(await labelsOf(ctx, { search: 'WR-' }, 500));
    expect(labels).to.have.length(500);
  });

  it('is not given to a model that was retired; one that has it keeps it', async () => {
    const id = await seatId('Gullstone');
    valueOf(await putSeatState(ctx, id, 'any', 'retired'));
    const refused = await createPiece(ctx, { id: v7(), tag: 'X-1', seatId: id });
    expect(!refused.ok && refused.faults?.[0]?.pointer).to.equal('/seatId');
    expect((await tagged('CR-01')).seat.state).to.equal('retired');
  });

  it('says the same id twice and a version that is gone for what they are', async () => {
    const piece = { id: v7(), tag: 'X-2', seatId: await seatId('Gullstone') };
    const first = valueOf(await createPiece(ctx, piece));
    expect(valueOf(await createPiece(ctx, piece)).id).to.equal(first.id);
    expect(await createPiece(ctx, { ...piece, tag: 'X-3' })).to.deep.include({ reason: 'idInUse' });
    const next = valueOf(await editPiece(ctx, piece.id, first.version, { lookedAt: true }));
    expect(next).to.deep.include({ lastLookOn: '2026-11-25', lastLookBy: 'Hedda Kvist' });
    const late = await editPiece(ctx, piece.id, first.version, { notes: 'late' });
    expect(late).to.deep.include({ ok: false, reason: 'changedMeanwhile' });
    const wrong = await editPiece(ctx, piece.id, next.version, { placeId: v7(), users: [v7()] });
    expect(!wrong.ok && wrong.faults?.map((f) => f.pointer)).to.deep.equal(['/placeId', '/users/0']);
    expect((await tagged('X-2')).notes).to.equal('');
  });

  it('is named by a fitting of its own model only, and given up with it', async () => {
    const piece = await tagged('CR-01');
    const fitting = await fittingOn(piece);
    const other = await tagged('HC-01');
    const refused = await editFitting(ctx, fitting.id, fitting.version, { pieceId: other.id });
    expect(!refused.ok && refused.faults?.[0]).to.deep.equal({
      pointer: '/pieceId',
      detail: `HC-01 is another model: ${other.seat.name}.`,
    });
    const named = valueOf(await editFitting(ctx, fitting.id, fitting.version, { pieceId: piece.id }));
    expect(named.piece?.tag).to.equal('CR-01');
    const moved = valueOf(
      await editFitting(ctx, fitting.id, named.version, { seatVersionId: other.seat.versionId }),
    );
    expect(moved.piece).to.equal(null);
  });

  it('carries what was signed off on it, its sitter and the day', async () => {
    const piece = await tagged('CR-01');
    const fitting = await fittingOn(piece);
    const named = valueOf(await editFitting(ctx, fitting.id, fitting.version, { pieceId: piece.id }));
    const left = valueOf(await actOnFitting(ctx, fitting.id, named.version, { act: 'signOff' }));
    const now = await tagged('CR-01');
    expect(now).to.deep.include({ lastLookOn: '2026-11-25', lastLookBy: 'Hedda Kvist' });
    expect(now.setting?.fittingId).to.equal(fitting.id);
    expect(now.setting?.settings.length).to.be.greaterThan(3);
    for (const { adjustment, position } of now.setting!.settings)
      expect(position, adjustment).to.equal(left.draft!.settings.positions[adjustment]);
    expect(now.users.map((u) => u.id)).to.include(fitting.sitter.id);
    expect(valueOf(await everythingAbout(ctx, fitting.sitter.id))).to.contain('CR-01');
  });

  it('stops signing off, choosing and the card once a fitter says that nobody may sit on it', async () => {
    const piece = await tagged('CR-01');
    const fitting = await fittingOn(piece);
    const named = valueOf(await editFitting(ctx, fitting.id, fitting.version, { pieceId: piece.id }));
    const listed = async () =>
      valueOf(await pageOfSeats(ctx, EVERY_SEAT, ALL)).items.find((s) => s.id === piece.seat.id)?.tagged;
    expect(await listed()).to.deep.equal({ all: 1, usable: 1 });
    const stopped = valueOf(
      await reportFault(ctx, piece.id, { kind: 'liftSinks', note: 'Sinks.', doNotUse: true }),
    );
    expect(stopped).to.deep.include({ state: 'faulty', doNotUse: true });
    expect(await listed()).to.deep.equal({ all: 1, usable: 0 });
    expect(await actOnFitting(ctx, fitting.id, named.version, { act: 'signOff' })).to.deep.include({
      reason: 'doNotUse',
    });
    expect((await tagged('CR-01')).setting).to.equal(null);
    const { card } = valueOf(await fittingCard(ctx, fitting.id));
    const json = valueOf(await fittingCardJson(ctx, fitting.id, DEFAULT_READING));
    expect(json.settings).to.deep.equal([]);
    expect(json.start).to.equal(null);
    expect(json.refusals[0]).to.equal('Do not use this seat: it is faulty.');
    const sheet = sheetOf(card, true, DEFAULT_READING);
    expect(sheet.rows.length + sheet.unreached.paragraphs.length + sheet.postures.paragraphs.length).to.equal(
      0,
    );
    expect(sheet.cautions.paragraphs).to.not.be.empty;
    const again = await editFitting(ctx, fitting.id, named.version, { pieceId: piece.id });
    expect(!again.ok && again.faults?.[0]?.pointer).to.equal('/pieceId');
    const fault = stopped.faultList[0]!.id;
    const mended = valueOf(await editFault(ctx, piece.id, { fault, isMended: true }));
    expect(mended).to.deep.include({ state: 'inUse', doNotUse: false });
    expect(mended.faultList[0]).to.deep.include({ mendedBy: 'Hedda Kvist', doNotUse: true });
    expect(valueOf(await fittingCardJson(ctx, fitting.id, DEFAULT_READING)).settings).to.not.be.empty;
    valueOf(await actOnFitting(ctx, fitting.id, named.version, { act: 'signOff' }));
    valueOf(await editFault(ctx, piece.id, { fault, isMended: false }));
    expect((await tagged('CR-01')).doNotUse).to.equal(true);
  });

  it('shows by its label how it is worked, and nothing of people, places, notes or prices', async () => {
    const piece = await tagged('BO-01');
    const shown = valueOf(await labelled({ ...ctx, actor: VISITOR }, await tokenOf(piece.id)));
    expect(Object.keys(shown)).to.have.members(['tag', 'seat', 'doNotUse']);
    expect(shown.seat.controls.length).to.be.greaterThan(5);
    const text = JSON.stringify(shown);
    for (const secret of ['Hedda', 'Rowan', 'Maren', 'Booking', 'Counter on', piece.id, piece.seat.id])
      expect(text.includes(secret), secret).to.equal(false);
    expect(shown.seat).to.not.have.any.keys('price', 'variant');
    for (const wrong of ['', 'x', 'A'.repeat(22), piece.id, "' or 1=1 --"])
      expect(await labelled({ ...ctx, actor: VISITOR }, wrong), wrong).to.deep.include({
        reason: 'notFound',
      });
  });

  it('can be reported by its label, so often an hour, and nobody says by it that it must not be used', async () => {
    const piece = await tagged('CR-01');
    const token = await tokenOf(piece.id);
    const visitor = { ...ctx, actor: VISITOR, address: '203.0.113.7' };
    const report = (kind: 'castor' | 'cover', note = '') => reportByLabel(visitor, token, { kind, note });
    valueOf(await report('castor'));
    valueOf(await report('castor'));
    const once = await tagged('CR-01');
    expect(once.faultList.map((f) => [f.kind, f.reportedBy])).to.deep.equal([['castor', null]]);
    expect(once).to.deep.include({ state: 'faulty', doNotUse: false });
    for (let i = 0; i < 4; i++) valueOf(await report('cover', `hole ${i}`));
    const refused = await report('cover', 'once more');
    expect(refused).to.deep.include({ ok: false, reason: 'tooManyReports' });
    expect(!refused.ok && refused.retryAfterS).to.be.within(1, 3600);
    expect((await tagged('CR-01')).faultList).to.have.length(5);
  });

  it('has a label that can be withdrawn', async () => {
    const piece = await tagged('CR-01');
    const old = await tokenOf(piece.id);
    const at = { ...ctx, practice: { ...ctx.practice, publicUrl: 'https://seats.example' } };
    const renewed = valueOf(await editPiece(at, piece.id, piece.version, { newLabel: true }));
    const token = await tokenOf(piece.id);
    expect(renewed.labelUrl).to.equal(`https://seats.example/t/${token}`);
    expect(token).to.not.equal(old);
    expect(await labelled(ctx, old)).to.deep.include({ reason: 'notFound' });
    expect(valueOf(await labelled(ctx, token)).tag).to.equal('CR-01');
    expect(valueOf(await labelsOf(at, { search: 'CR-01' }, 9))[0]?.url).to.equal(renewed.labelUrl);
    expect(valueOf(await labelsOf(ctx, { search: 'CR-01' }, 9))[0]?.url).to.equal(null);
  });

  it('forgets a person who is erased, and goes for good itself', async () => {
    const [maren] = await found(ctx, 'Maren');
    valueOf(await deleteSitter(ctx, maren!.id));
    expect((await tagged('BO-01')).users.map((u) => u.name)).to.not.include('Maren Tolve');
    const { id } = await tagged('BO-02');
    valueOf(await deletePiece(ctx, id));
    bench.later(HOUR_MS);
    await tidy(ctx);
    expect(await restorePiece(ctx, id)).to.deep.include({ reason: 'notFound' });
    const left = async (table: string) =>
      Number((await readRows(bench.folder, `select count(*) as n from ${table}`))[0]?.n);
    expect(await left(`piece_users where sitter_id = '${maren!.id}'`)).to.equal(0);
    expect(await left(`piece_faults where piece_id = '${id}'`)).to.equal(0);
  });
});
