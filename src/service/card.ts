import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';
import {
  assess,
  completeSettings,
  problemOf,
  type Assessment,
  type FitInputs,
  type Problem,
  type Remedies,
  type RemedySettings,
  type Settings,
} from '../core/fit';
import { cardHeader, cardOf, type Card } from '../core/card';
import type { Message } from '../core/message';
import { positionCount } from '../core/seat';
import { cardMore, leftOf, walkOf, type AsLeft, type CardMore } from '../core/walk';
import {
  CARD_FORMAT,
  CARD_FORMAT_VERSION,
  done,
  refused,
  type CardJson,
  type FittingDetail,
  type Outcome,
} from '../contract';
import { fittingByDigest, othersOn } from '../data/card-links';
import type { Queries } from '../data/client';
import { findSigned } from '../data/walks';
import { say, sayMethod, word, type Reading } from '../words';
import type { Context, Urgency } from './context';
import { fittingDetail } from './fittings';
import { TOKEN, digestOf } from './random-token';
import { PROGRAM, useCase } from './rights';

export interface FittingCard {
  readonly detail: FittingDetail;
  readonly problem: Problem;
  readonly assessment: Assessment;
  readonly card: Card;
  readonly more: CardMore;
}

/** A page, or a sheet of paper, is there before everything is known: what is missing comes after it. */
export const PAGE_WAITS_MS = 400;

/** A card without remedies, which then says so, is better than none. */
const OFFERED: Urgency = { patienceMs: 2000, limitMs: 5000 };

/** The same case has the same remedies: the card is looked at, printed and downloaded one after the other. */
const KNOWN = new LRUCache<string, Remedies>({ max: 200, ttl: 10 * 60_000 });

/** Remedies solved for beside the server: they may take a moment. None where they take too long. */
async function offeredFor(
  ctx: Context,
  inputs: FitInputs,
  remedies: RemedySettings,
  waitMs = Infinity,
): Promise<Remedies | null> {
  // A digest: what somebody measured is not kept in memory for it.
  const key = createHash('sha256')
    .update(JSON.stringify([inputs, remedies]))
    .digest('base64');
  const known = KNOWN.get(key);
  if (known) return known;
  if (waitMs === 0) return null;
  const asked = ctx.compute
    .fit({ inputs, remedies, held: {}, include: ['remedies'] }, OFFERED)
    .then((found) => {
      if (found.ok && found.value.remedies) KNOWN.set(key, found.value.remedies);
      return found.ok ? found.value.remedies : null;
    });
  // Whoever does not wait any longer finds it known the next time.
  return waitMs === Infinity ? asked : Promise.race([asked, afterMs(waitMs)]);
}

const afterMs = (ms: number): Promise<null> => new Promise((resolve) => setTimeout(resolve, ms, null));

const leftJson = ({ rows, by, at }: AsLeft, reading: Reading): CardJson['asLeft'] => {
  const said = (m: Message | null) => m && say(m, reading);
  return {
    by,
    at,
    settings: rows.map(({ kind, computed, reached, left, why, note }) => ({
      adjustment: kind,
      name: word(`kind.${kind}`),
      calculated: said(computed),
      reached: said(reached),
      left: said(left),
      why: why.map((m) => say(m, reading)),
      note,
    })),
  };
};

/** A card with its numbers, for programs. */
function jsonOf({ card, assessment, more }: FittingCard, reading: Reading): CardJson {
  const settings = card.rows.map((row, i): CardJson['settings'][number] => {
    const o = assessment.outcomes.find((x) => x.kind === row.kind)!;
    return {
      order: i + 1,
      adjustment: row.kind,
      name: word(`kind.${row.kind}`),
      position: o.position,
      of: positionCount(o.variable.adjustment),
      value: Math.round(o.value * 10) / 10,
      unit: o.variable.adjustment.unit,
      setting: say(row.setting, reading),
      control: row.control && say(row.control, reading),
      movement: row.movement.length === 0 ? null : row.movement.map((m) => `${say(m, reading)}.`).join(' '),
      check: row.check && say(row.check, reading),
      tolerance: row.tolerance && say(row.tolerance, reading),
      verdict: word(`verdict.${row.verdict}`),
      onEstimate: row.isEstimate,
      chain: row.chain.map((m) => say(m, reading)),
    };
  });
  return {
    format: CARD_FORMAT,
    formatVersion: CARD_FORMAT_VERSION,
    header: card.header,
    start: card.start && say(card.start, reading),
    refusals: card.refusals.map((m) => say(m, reading)),
    settings,
    postures: card.postures.map(({ name, rows }) => ({
      name,
      settings: rows.map(({ kind, setting }) => ({
        adjustment: kind,
        name: word(`kind.${kind}`),
        setting: say(setting, reading),
      })),
    })),
    remedies: card.remedies.map((m) => say(m, reading)),
    unreached: card.unreached.map((u) => ({
      adjustment: u.kind,
      reason: say(u.reason, reading),
      remedy: u.remedy && say(u.remedy, reading),
    })),
    offered: card.offered.map(
      ({ names, parts }) =>
        `${names.map((m) => say(m, reading)).join(' + ')}. ${parts.map((m) => say(m, reading)).join(' ')}`,
    ),
    isUnsought: card.isUnsought,
    estimated: card.estimated.map((m) => say(m, reading)),
    unmeasured: card.unmeasured.map((u) => ({ adjustment: u.kind, reason: say(u.reason, reading) })),
    uncalculated: card.uncalculated.map((m) => say(m, reading)),
    posture: card.angles.map((m) => say(m, reading)),
    move: more.move.map((m) => say(m, reading)),
    levers: [...more.levers.kinds],
    asLeft: more.asLeft && leftJson(more.asLeft, reading),
    cautions: card.cautions.map((m) => say(m, reading)),
  };
}

/** What a fitting was left with at the end of a walk; null where it is open, or was signed off without one. */
async function asLeftOf(q: Queries, detail: FittingDetail): Promise<AsLeft | null> {
  if (detail.state !== 'left') return null;
  const signed = await findSigned(q, detail.id);
  const inputs = signed?.inputs ?? detail.inputs;
  if (!signed?.walk || !inputs) return null;
  const { walk, by, savedAt } = signed;
  const problem = problemOf(inputs);
  const walked = walkOf(problem, walk.base, walk.events, { postures: detail.postures.length });
  return { rows: leftOf(problem, walk.base, walked, walk.events), by, at: savedAt };
}

/** What a card shows: a fitting, what it is worked out from, and where everything stands. */
interface Shown {
  readonly detail: FittingDetail;
  readonly inputs: FitInputs;
  readonly settings: Settings | null;
}

async function cardFrom(
  ctx: Context,
  { detail, inputs, settings: given }: Shown,
  isWhole: boolean,
  waitMs?: number,
): Promise<FittingCard> {
  const problem = problemOf(inputs);
  const assessment = assess(problem, completeSettings(problem, given));
  const card = cardOf(
    assessment,
    cardHeader(problem, {
      sitter: detail.sitter.name,
      fitter: detail.fitter?.name ?? '',
      date: detail.date,
      piece: detail.piece,
      method: sayMethod(inputs.method),
    }),
    await offeredFor(ctx, inputs, assessment.settings.remedies, waitMs),
    detail.postures,
  );
  const { db } = ctx.store;
  const others = detail.seat
    ? await othersOn(db, { seatVersionId: detail.seat.versionId, sitterId: detail.sitter.id })
    : [];
  const asLeft = isWhole ? await asLeftOf(db, detail) : null;
  const more = cardMore(card, assessment, { postures: detail.postures, others, asLeft });
  return { detail, problem, assessment, card, more };
}

/**
 * The card of a fitting as it stands.
 * @param waitMs how long to wait for its remedies, ms; 0: only those that are known already
 */
export const fittingCard = useCase(
  'read',
  'fitting',
  async (ctx: Context, id: string, waitMs?: number): Promise<Outcome<FittingCard>> => {
    const found = await fittingDetail(ctx, id);
    if (!found.ok) return found;
    const detail = found.value;
    if (!detail.inputs) return refused('incomplete');
    const shown = { detail, inputs: detail.inputs, settings: detail.draft?.settings ?? null };
    return done(await cardFrom(ctx, shown, true, waitMs));
  },
);

/** The card of a fitting for programs, in this reader's units. */
export const fittingCardJson = useCase(
  'read',
  'fitting',
  async (ctx: Context, id: string, reading: Reading): Promise<Outcome<CardJson>> => {
    const found = await fittingCard(ctx, id);
    return found.ok ? done(jsonOf(found.value, reading)) : found;
  },
);

/** What a private link opens: the card of the version that was signed off last, for whoever has the link. */
export const linkedCard = useCase(
  'read',
  'linkedCard',
  async (ctx: Context, token: string): Promise<Outcome<FittingCard>> => {
    const { db } = ctx.store;
    const id = TOKEN.test(token) ? await fittingByDigest(db, digestOf(token)) : null;
    if (id === null) return refused('notFound');
    // Whoever has the link may see this one card, and asks for nothing else.
    const found = await fittingDetail({ ...ctx, actor: PROGRAM }, id);
    const signed = await findSigned(db, id);
    if (!found.ok || !signed) return refused('notFound');
    const detail: FittingDetail = {
      ...found.value,
      state: 'left',
      postures: [...(signed.postures ?? found.value.postures)],
    };
    const inputs = signed.inputs ?? detail.inputs;
    if (!inputs) return refused('notFound');
    return done(await cardFrom(ctx, { detail, inputs, settings: signed.settings }, false, 0));
  },
);
