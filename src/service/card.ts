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
} from '../core/fit';
import { cardHeader, cardOf, type Card } from '../core/card';
import { positionCount } from '../core/seat';
import {
  CARD_FORMAT,
  CARD_FORMAT_VERSION,
  done,
  refused,
  type CardJson,
  type FittingDetail,
  type Outcome,
} from '../contract';
import { say, sayMethod, word, type Reading } from '../words';
import type { Context, Urgency } from './context';
import { fittingDetail } from './fittings';
import { useCase } from './rights';

export interface FittingCard {
  readonly detail: FittingDetail;
  readonly problem: Problem;
  readonly assessment: Assessment;
  readonly card: Card;
  readonly json: CardJson;
}

/** A card without remedies, which then says so, is better than none. */
/** A page is there before everything is known: what is missing comes after it. */
export const PAGE_WAITS_MS = 400;

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

/**
 * The card of a fitting as it stands, in this reader's units.
 * @param waitMs how long to wait for its remedies, ms
 */
export const fittingCard = useCase(
  'read',
  'fitting',
  async (ctx: Context, id: string, reading: Reading, waitMs?: number): Promise<Outcome<FittingCard>> => {
    const found = await fittingDetail(ctx, id);
    if (!found.ok) return found;
    const detail = found.value;
    if (!detail.inputs) return refused('incomplete');
    const problem = problemOf(detail.inputs);
    const assessment = assess(problem, completeSettings(problem, detail.draft?.settings ?? null));
    const card = cardOf(
      assessment,
      cardHeader(problem, {
        sitter: detail.sitter.name,
        fitter: detail.fitter?.name ?? '',
        date: detail.date,
        piece: detail.piece,
        method: sayMethod(detail.inputs.method),
      }),
      await offeredFor(ctx, detail.inputs, assessment.settings.remedies, waitMs),
      detail.postures,
    );
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
    const json: CardJson = {
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
      cautions: card.cautions.map((m) => say(m, reading)),
    };
    return done({ detail, problem, assessment, card, json });
  },
);
