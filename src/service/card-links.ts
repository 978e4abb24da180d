/** Private links: each opens the card of one fitting, for whoever has it, until it is withdrawn. */
import { done, refused, type CardLinks, type NewCardLink, type Outcome } from '../contract';
import {
  cardLinksOf,
  deleteCardLink,
  fittingByDigest,
  insertCardLink,
  type CardLinkRow,
} from '../data/card-links';
import type { Queries } from '../data/client';
import { findFitting } from '../data/fittings';
import { findSigned } from '../data/walks';
import { sayWith, word } from '../words';
import '../words/server';
import { write, type Context } from './context';
import { TOKEN, cardPath, digestOf, newToken } from './random-token';
import { useCase } from './rights';

/** Of one fitting at the same time. */
const MOST_LINKS = 20;

async function linksOf(q: Queries, id: string): Promise<Outcome<CardLinks>> {
  const row = await findFitting(q, id);
  if (!row) return refused('notFound');
  if (row.sitterId === null) return refused('erased');
  return done({ isSigned: (await findSigned(q, id)) !== null, links: await cardLinksOf(q, id) });
}

/** The links that open the card of a fitting, without what they lead by. */
export const cardLinks = useCase('read', 'fitting', (ctx: Context, id: string) => linksOf(ctx.store.db, id));

/** Where a link leads; null without a public address. */
const urlOf = (ctx: Context, token: string): string | null =>
  ctx.practice.publicUrl === null ? null : ctx.practice.publicUrl + cardPath(token);

/** Adds a link; what it leads by is given this once and kept nowhere. */
export const addCardLink = useCase(
  'edit',
  'fitting',
  async (ctx: Context, id: string): Promise<Outcome<Omit<NewCardLink, 'code'>>> => {
    const token = newToken();
    const link: CardLinkRow = {
      id: ctx.newId(),
      madeAt: ctx.now().toISOString(),
      madeBy: ctx.actor.fitter?.name ?? null,
    };
    // Its answer is not kept for a request sent again: the token would stand in it.
    return write({ ...ctx, request: null }, async (q) => {
      const known = await linksOf(q, id);
      if (!known.ok) return known;
      if (!known.value.isSigned) return refused('notSigned');
      if (known.value.links.length >= MOST_LINKS)
        return refused('invalid', {
          faults: [{ pointer: '', detail: sayWith('field.linksFull', { most: MOST_LINKS }) }],
        });
      await insertCardLink(q, { ...link, fittingId: id, digest: digestOf(token) });
      return done({ ...link, token, path: cardPath(token), url: urlOf(ctx, token) });
    });
  },
);

/** Withdraws a link: from then on it opens nothing. Gives those that are left of its fitting. */
export const withdrawCardLink = useCase('edit', 'fitting', (ctx: Context, linkId: string) =>
  write(ctx, async (q): Promise<Outcome<CardLinks>> => {
    const id = await deleteCardLink(q, linkId);
    return id === null ? refused('notFound') : linksOf(q, id);
  }),
);

/** The address that the code on a card leads to; it must be a link to that very card. */
export const cardLinkUrl = useCase(
  'read',
  'fitting',
  async (ctx: Context, id: string, token: string): Promise<Outcome<string | null>> => {
    const opens = TOKEN.test(token) ? await fittingByDigest(ctx.store.db, digestOf(token)) : null;
    if (opens === id) return done(urlOf(ctx, token));
    return refused('invalid', { faults: [{ pointer: '/link', detail: word('field.otherLink') }] });
  },
);
