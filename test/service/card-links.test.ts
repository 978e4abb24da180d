/** Private links to cards: what they open, for how long, and what of them is kept. */
import { expect } from 'chai';
import type { FittingDetail } from '../../src/contract';
import { tidy } from '../../src/service/deleting';
import { fittingCard, fittingCardJson, linkedCard } from '../../src/service/card';
import { addCardLink, cardLinkUrl, cardLinks, withdrawCardLink } from '../../src/service/card-links';
import {
  actOnFitting,
  deleteFitting,
  fittingDetail,
  recentFittings,
  restoreFitting,
  saveSettings,
} from '../../src/service/fittings';
import { createPiece, reportFault } from '../../src/service/pieces';
import { editFitting } from '../../src/service/fittings';
import { deleteSitter } from '../../src/service/sitters';
import { VISITOR } from '../../src/service/rights';
import type { Context } from '../../src/service/context';
import { DEFAULT_READING } from '../../src/words';
import { actingAs, bytesOf, openBench, type Bench } from '../support/context';
import { readRows } from '../support/read-database';
import { reasonOf, valueOf } from '../support/outcome';

const ALL = { limit: 200 };
const DAY_MS = 86_400_000;

describe('a private link to a card', () => {
  let bench: Bench;
  let ctx: Context;
  let visitor: Context;
  let fitting: FittingDetail;
  const now = async () => valueOf(await fittingDetail(ctx, fitting.id));
  const sign = async () => {
    const { version } = await now();
    return valueOf(await actOnFitting(ctx, fitting.id, version, { act: 'signOff' }));
  };
  beforeEach(async () => {
    bench = await openBench({ demo: true });
    ctx = actingAs(bench.context, 'Hedda Kvist');
    visitor = { ...bench.context, actor: VISITOR };
    const { items } = valueOf(await recentFittings(ctx, ALL));
    fitting = valueOf(await fittingDetail(ctx, items.find((f) => f.sitter?.name === 'Piet Lunder')!.id));
  });
  afterEach(() => bench.close());

  it('needs a version that was signed off', async () => {
    expect(valueOf(await cardLinks(ctx, fitting.id))).to.deep.equal({ isSigned: false, links: [] });
    expect(reasonOf(await addCardLink(ctx, fitting.id))).to.equal('notSigned');
    await sign();
    const made = valueOf(await addCardLink(ctx, fitting.id));
    expect(made.token).to.match(/^[A-Za-z0-9_-]{22}$/);
    expect(made).to.deep.include({ path: `/c/${made.token}`, url: null, madeBy: 'Hedda Kvist' });
    expect(valueOf(await cardLinks(ctx, fitting.id)).links).to.have.length(1);
  });

  it('opens that card for whoever has it, and nothing for whoever guesses', async () => {
    await sign();
    const { token } = valueOf(await addCardLink(ctx, fitting.id));
    const { card, more } = valueOf(await linkedCard(visitor, token));
    expect(card.header.sitter).to.equal('Piet Lunder');
    expect(card.rows).to.deep.equal(valueOf(await fittingCard(ctx, fitting.id)).card.rows);
    expect(more.asLeft).to.equal(null);
    const guesses = ['', 'x', token.slice(1), `${token}A`, token.toLowerCase(), fitting.id, '%', "' or 1=1"];
    for (const guess of guesses.filter((g) => g !== token))
      expect(reasonOf(await linkedCard(visitor, guess)), guess).to.equal('notFound');
    for (const refused of [fittingDetail, fittingCard, cardLinks])
      expect(reasonOf(await refused(visitor, fitting.id))).to.equal('signInFirst');
  });

  it('is kept as a digest only: the file holds nothing that opens it', async () => {
    await sign();
    const keyed = { ...ctx, request: { key: 'k'.repeat(22), fingerprint: 'f' } };
    const { token } = valueOf(await addCardLink(keyed, fitting.id));
    await ctx.store.fold();
    expect(bytesOf(bench)).not.to.include(token);
    const [row] = await readRows(bench.folder, 'select digest from card_links');
    expect(String(row?.digest)).to.have.length(43);
    expect(reasonOf(await linkedCard(visitor, String(row?.digest)))).to.equal('notFound');
  });

  it('goes on showing what was signed off while the fitting is changed, and then what is signed off anew', async () => {
    await sign();
    const { token } = valueOf(await addCardLink(ctx, fitting.id));
    const height = async () =>
      valueOf(await linkedCard(visitor, token)).assessment.settings.positions.seatHeight!;
    const before = await height();
    const { version } = await now();
    valueOf(await actOnFitting(ctx, fitting.id, version, { act: 'reopen' }));
    const { draft } = await now();
    const positions = { ...draft!.settings.positions, seatHeight: before + 3 };
    const revised = { ...draft!.settings, positions, held: [] };
    const { draftRevision } = await now();
    valueOf(await saveSettings(ctx, fitting.id, draftRevision, revised));
    expect(await height()).to.equal(before);
    expect(valueOf(await fittingCard(ctx, fitting.id)).assessment.settings.positions.seatHeight).to.equal(
      before + 3,
    );
    await sign();
    expect(await height()).to.equal(before + 3);
  });

  it('opens nothing once it is withdrawn, while another goes on', async () => {
    await sign();
    const [first, second] = [
      valueOf(await addCardLink(ctx, fitting.id)),
      valueOf(await addCardLink(ctx, fitting.id)),
    ];
    expect(valueOf(await withdrawCardLink(ctx, first.id)).links.map(({ id }) => id)).to.deep.equal([
      second.id,
    ]);
    expect(reasonOf(await linkedCard(visitor, first.token))).to.equal('notFound');
    valueOf(await linkedCard(visitor, second.token));
    expect(reasonOf(await withdrawCardLink(ctx, first.id))).to.equal('notFound');
    expect(reasonOf(await withdrawCardLink(visitor, second.id))).to.equal('signInFirst');
  });

  it('stops at twenty', async () => {
    await sign();
    for (let n = 0; n < 20; n++) valueOf(await addCardLink(ctx, fitting.id));
    expect(reasonOf(await addCardLink(ctx, fitting.id))).to.equal('invalid');
    const { links } = valueOf(await cardLinks(ctx, fitting.id));
    valueOf(await withdrawCardLink(ctx, links[0]!.id));
    valueOf(await addCardLink(ctx, fitting.id));
  });

  it('goes with the fitting, comes back with it, and is gone with the person', async () => {
    await sign();
    const { token } = valueOf(await addCardLink(ctx, fitting.id));
    valueOf(await deleteFitting(ctx, fitting.id));
    expect(reasonOf(await linkedCard(visitor, token))).to.equal('notFound');
    valueOf(await restoreFitting(ctx, fitting.id));
    valueOf(await linkedCard(visitor, token));
    valueOf(await deleteSitter(ctx, fitting.sitter.id));
    expect(reasonOf(await linkedCard(visitor, token))).to.equal('notFound');
    bench.later(40 * DAY_MS);
    await tidy(ctx);
    expect(await readRows(bench.folder, 'select id from card_links')).to.deep.equal([]);
    expect(reasonOf(await addCardLink(ctx, fitting.id))).to.equal('erased');
  });

  it('says that the very seat must not be used, and nothing to set', async () => {
    const piece = valueOf(
      await createPiece(ctx, {
        id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8b01',
        tag: 'CR-09',
        seatId: (
          await readRows(
            bench.folder,
            `select seat_id as id from seat_versions where id = '${fitting.seat!.versionId}'`,
          )
        )[0]!.id as string,
      }),
    );
    const { version } = await now();
    valueOf(await editFitting(ctx, fitting.id, version, { pieceId: piece.id }));
    await sign();
    const { token } = valueOf(await addCardLink(ctx, fitting.id));
    valueOf(
      await reportFault(ctx, piece.id, {
        kind: 'liftSinks',
        note: '',
        doNotUse: true,
      }),
    );
    const { card, more } = valueOf(await linkedCard(visitor, token));
    expect(card.rows).to.deep.equal([]);
    expect(card.header.isStopped).to.equal(true);
    expect(more.move).to.deep.equal([]);
  });

  it('is printed with its code only on the card that it opens', async () => {
    await sign();
    const { token } = valueOf(await addCardLink(ctx, fitting.id));
    const open: Context = {
      ...ctx,
      practice: { ...ctx.practice, publicUrl: 'https://seats.skarrow.example' },
    };
    expect(valueOf(await cardLinkUrl(open, fitting.id, token))).to.equal(
      `https://seats.skarrow.example/c/${token}`,
    );
    expect(valueOf(await cardLinkUrl(ctx, fitting.id, token))).to.equal(null);
    const { items } = valueOf(await recentFittings(ctx, ALL));
    const other = items.find(({ id }) => id !== fitting.id)!;
    expect(reasonOf(await cardLinkUrl(open, other.id, token))).to.equal('invalid');
    expect(reasonOf(await cardLinkUrl(open, fitting.id, 'A'.repeat(22)))).to.equal('invalid');
  });
});

describe('the levers of a seat that several share', () => {
  it('are told from what others were left with on it', async () => {
    const bench = await openBench({ demo: true });
    try {
      const ctx = actingAs(bench.context, 'Hedda Kvist');
      const { items } = valueOf(await recentFittings(ctx, ALL));
      const on = items.filter((f) => f.seat?.name === 'Tidewick shared chair');
      expect(on.length).to.be.greaterThan(1);
      const json = async (id: string) => valueOf(await fittingCardJson(ctx, id, DEFAULT_READING));
      const [mine, theirs] = on as [(typeof on)[0], (typeof on)[0]];
      const { more } = valueOf(await fittingCard(ctx, mine.id));
      expect(more.levers.others).to.equal(0);
      const other = valueOf(await fittingDetail(ctx, theirs.id));
      valueOf(await actOnFitting(ctx, theirs.id, other.version, { act: 'solve' }));
      const solved = valueOf(await fittingDetail(ctx, theirs.id));
      valueOf(await actOnFitting(ctx, theirs.id, solved.version, { act: 'signOff' }));
      expect(valueOf(await fittingCard(ctx, mine.id)).more.levers.others).to.equal(1);
      // Nobody is another to themselves.
      expect(valueOf(await fittingCard(ctx, theirs.id)).more.levers.others).to.equal(0);
      expect((await json(mine.id)).levers.length).to.be.at.most(3);
    } finally {
      await bench.close();
    }
  });
});
