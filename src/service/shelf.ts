/** Cases brought from outside, on the practice's own records. */
import type { FitRequest, RankRequest } from '../contract/compute';
import { METHODS, PLACES, SEATS } from '../data/documents/kinds';
import { bodyOf, findSitter } from '../data/sitters';
import { fitCase, rankCase, type Shelf } from './compute';
import { ageOn, today, type Context } from './context';
import { bodyForFitting } from './inputs';
import { useCase } from './rights';
import { tableOf } from './sitter-table';

/** The practice's own records. */
export function shelfOf(ctx: Context): Shelf {
  const { db } = ctx.store;
  return {
    sitter: async (id, estimateMissing) => {
      const sitter = await findSitter(db, id);
      if (!sitter) return null;
      const { birthDate } = sitter;
      const ageYears = birthDate === null ? null : ageOn(birthDate, today(ctx));
      const body = estimateMissing
        ? await bodyForFitting(ctx, db, { estimateMissing }, sitter)
        : await bodyOf(db, id);
      return { body, ageYears };
    },
    seat: async (id) => (await SEATS.find(db, id))?.document ?? null,
    seats: async () =>
      (await SEATS.all(db)).map(({ versionId, document }) => ({ id: versionId, seat: document })),
    place: async (id) => (await PLACES.find(db, id))?.document ?? null,
    method: async (id) => (await METHODS.find(db, id))?.document ?? null,
    table: () => tableOf(db, { tableId: null }),
  };
}

/** Calculates a case on the practice's own records. */
export const fitAsked = useCase('read', 'case', (ctx: Context, request: FitRequest) =>
  fitCase(shelfOf(ctx), ctx.compute, request),
);

/** Ranks seats on the practice's own records. */
export const rankAsked = useCase('read', 'case', (ctx: Context, request: RankRequest) =>
  rankCase(shelfOf(ctx), ctx.compute, request),
);
