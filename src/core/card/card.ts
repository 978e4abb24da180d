/**
 * The settings card as data: the sheet that lets anybody restore the settings. Screen, paper and JSON are made
 * from this one model.
 */
import { DIMENSIONS } from '../body';
import { message, type Message } from '../message';
import {
  REMEDY_IDS,
  explain,
  isChild,
  isSwitch,
  remedyHint,
  remedyName,
  sizeInUse,
  toleranceWords,
  type Assessment,
  type Problem,
  type Remedies,
  type Remedy,
  type RemedyId,
  uncalculatedOf,
  type SettingOutcome,
  type Verdict,
} from '../fit';
import { settingOf } from './checks';
import { UNDESCRIBED, controlWords, type ControlWords } from './control-words';
import { isLifted } from './lifted';
import { startWords } from './start';
import { UNSET } from './unset';
import { postureRows, type PostureRow, type PostureSettings } from './postures';
import { eyeMm } from '../fit/geometry/head';
import { orZero, trunkDegOf } from '../fit/geometry/on-seat';
import { ADJUSTMENT_KINDS, isFixed, offers, type AdjustmentKind } from '../seat';

export interface CardHeader {
  readonly sitter: string;
  readonly seat: string;
  readonly place: string | null;
  readonly method: string;
  readonly fitter: string;
  /** Local date, ISO 8601. */
  readonly date: string;
  /** Of the very seat; absent where nobody said which. */
  readonly tag?: string;
  /** Whether nobody may sit on that very seat: then the card says so, and nothing to set. */
  readonly isStopped?: true;
}

export interface CardRow extends ControlWords {
  readonly kind: AdjustmentKind;
  /** Count, dial label, turns or length. */
  readonly setting: Message;
  /** What a tape or level must show; null where a tape cannot tell. */
  readonly check: Message | null;
  /** How far it may be off while what fits still does; null where that cannot be told. */
  readonly tolerance: Message | null;
  readonly verdict: Verdict;
  /** Whether a measure behind it was only estimated. */
  readonly isEstimate: boolean;
  /** The steps from measures to the setting. */
  readonly chain: readonly Message[];
}

export interface Card {
  readonly header: CardHeader;
  /** How the seat stands before anything is set; null where nothing is to be set. */
  readonly start: Message | null;
  /** Whether the seat must not be used; the reasons, or what could not be confirmed, follow. */
  readonly refused: boolean;
  readonly refusals: readonly Message[];
  readonly rows: readonly CardRow[];
  /** Further postures by name, each with what it sets otherwise. */
  readonly postures: readonly { readonly name: string; readonly rows: readonly PostureRow[] }[];
  readonly remedies: readonly Message[];
  readonly unreached: readonly {
    readonly kind: AdjustmentKind;
    readonly reason: Message;
    readonly remedy: Message | null;
  }[];
  /** Remedies that close a shortfall, each with the arithmetic of its parts, and whether it closes everything. */
  /** Whether something is out of range and nobody knows yet, or in time, what would help. */
  readonly isUnsought: boolean;
  readonly offered: readonly {
    readonly closesAll: boolean;
    /** What is added, taken off or changed, each by name and size. */
    readonly names: readonly Message[];
    readonly parts: readonly Message[];
  }[];
  /** Measures that settings rest on and nobody has taken, with their spread. */
  readonly estimated: readonly Message[];
  readonly unmeasured: readonly { readonly kind: AdjustmentKind; readonly reason: Message }[];
  /** What no setting is calculated for. */
  readonly uncalculated: readonly Message[];
  readonly angles: readonly Message[];
  readonly cautions: readonly Message[];
}

function rowOf(p: Problem, a: Assessment, o: SettingOutcome): CardRow {
  const { adjustment } = o.variable;
  const isWorked = !UNSET.includes(o.words.key) && o.words.key !== 'position.weighing';
  const said = settingOf(p, a, o);
  const isSet = !UNSET.includes(o.words.key);
  return {
    kind: o.kind,
    ...said,
    ...(isWorked ? controlWords(p.inputs.seat, adjustment) : UNDESCRIBED),
    tolerance: isSet ? toleranceWords(p, a.values, o.kind) : null,
    verdict: o.verdict,
    isEstimate: o.estimated.length > 0,
    chain: explain(p, a.values, o),
  };
}

/** From here on a lean wants a head rest, degrees; from here on one stands or half stands at a desk, mm (common practice). */
const RECLINED_DEG = 12;
const STANDING_DESK_MM = 900;

/** From here on a pan that falls forward is a slope to be warned of, degrees (assumed). */
const SLOPED_DEG = -4.9;

/** From here on pads that turn in are in the way of whoever stands up, degrees (assumed). */
const TURNED_IN_DEG = 5;

/** The optician decides; what has to be asked for is how far the eye is from the screen. */
function glassesCaution(p: Problem, { values }: Assessment): Message {
  const before = p.inputs.place?.screenDistanceMm;
  if (before === undefined) return message('caution.glasses');
  const below = eyeMm(p, values) - values.screenHeight;
  const far = Math.hypot(before, Number.isNaN(below) ? 0 : below);
  return message('caution.glasses.at', { far: { mm: Math.round(far / 10) * 10 } });
}

/** Short cautions that hold for this sitter, seat and setting; the general ones come last. */
function cautionsOf(p: Problem, a: Assessment): Message[] {
  const { seat } = p.inputs;
  const has = (kind: AdjustmentKind) => p.variables[kind] !== undefined;
  const moves = (kind: AdjustmentKind) => has(kind) && !isFixed(p.variables[kind]!.adjustment);
  const when: readonly [boolean, string | Message][] = [
    [offers(seat, 'suspension') || offers(seat, 'harness'), 'caution.operator'],
    [isLifted(p), 'caution.height'],
    [has('tiltTension') || moves('backAngle'), 'caution.pinch'],
    [
      trunkDegOf(a.values) >= RECLINED_DEG && !has('headHeight') && !offers(seat, 'headrest'),
      'caution.noHeadRest',
    ],
    [p.inputs.work.risesByArms, 'caution.risesByArms'],
    [a.values.armPivot >= TURNED_IN_DEG, 'caution.armsTurnIn'],
    [p.inputs.work.glasses, glassesCaution(p, a)],
    [offers(seat, 'suspension'), 'caution.vibration'],
    [offers(seat, 'heating') || has('climate'), 'caution.heating'],
    [orZero(a.values.deskHeight) >= STANDING_DESK_MM, 'caution.standing'],
    [orZero(a.values.forwardTilt) < 0 || a.values.seatAngle < SLOPED_DEG, 'caution.forwardTilt'],
    [offers(seat, 'castorsHardFloor') || offers(seat, 'castorsSoftFloor'), 'caution.castors'],
    [REMEDY_IDS.some((id) => sizeInUse(a.settings.remedies, id) !== 0), 'caution.remedies'],
    [isChild(p.inputs), 'caution.children'],
    ...(p.inputs.method.cautions ?? []).map((id): [boolean, string] => [true, `caution.method.${id}`]),
    [true, 'caution.settle'],
    [true, 'caution.clinician'],
    [true, 'caution.scope'],
  ];
  return when.flatMap(([holds, said]) => (holds ? [typeof said === 'string' ? message(said) : said] : []));
}

function estimatesOf(p: Problem, a: Assessment): Message[] {
  const ids = new Set(a.outcomes.flatMap((o) => o.estimated));
  return [...ids].map((id) => {
    const { value, spread } = p.inputs.body[id]!;
    const said = (n: number) => (DIMENSIONS[id].unit === 'kg' ? { kg: n } : { mm: n });
    return message('card.estimate', {
      name: { word: `dimension.${id}` },
      value: said(value),
      spread: said(spread),
    });
  });
}

/**
 * What stands at the head of the card: names from the inputs, and who and when.
 * @returns messages and names. Definition.
 * @example
 * cardHeader(problem, { sitter: 'Yrsa', fitter: 'Signy', date: '2026-11-25' }).sitter // => 'Yrsa'
 */
export function cardHeader(
  p: Problem,
  of: {
    readonly sitter: string;
    readonly fitter: string;
    readonly date: string;
    /** As it is said; absent: the method's own name. */
    readonly method?: string;
    /** The very seat; absent or null where nobody said which. */
    readonly piece?: { readonly tag: string; readonly doNotUse: boolean } | null;
  },
): CardHeader {
  const { seat, place, method } = p.inputs;
  const { piece, ...names } = of;
  return {
    method: method.name,
    ...names,
    seat: seat.name,
    place: place?.name ?? null,
    ...(piece && { tag: piece.tag, ...(piece.doNotUse && { isStopped: true }) }),
  };
}

/**
 * What is to be added, taken off or changed, by size: longer or shorter, higher or lower.
 * @param sizeMm 0 for what has no size
 * @returns one sentence. Definition.
 */
export const inUseMessage = (id: RemedyId, sizeMm: number): Message =>
  message(`remedy.use.${id}${sizeMm < 0 ? '.less' : ''}`, { size: { sizeMm: Math.abs(sizeMm) } });

/**
 * The same by name and size alone.
 * @returns a few words. Definition.
 */
export const remedyShort = (id: RemedyId, sizeMm: number): Message =>
  message(isSwitch(id) ? 'remedy.named' : 'remedy.named.sized', {
    name: { word: remedyName(id, sizeMm) },
    size: { sizeMm: Math.abs(sizeMm) },
  });

/** What can be set and is used, and before everything else what has to be free for it. */
function inOrder(outcomes: readonly SettingOutcome[]): SettingOutcome[] {
  const isUnused = ({ kind, value }: SettingOutcome) => kind === 'footrest' && value === 0;
  const set = outcomes.filter((o) => !isFixed(o.variable.adjustment) && !isUnused(o));
  const isFreed = (o: SettingOutcome): boolean => o.variable.adjustment.lock?.states[o.position] === 'free';
  return [...set.filter(isFreed), ...set.filter((o) => !isFreed(o))];
}

const MOST_OFFERED = 3;

const offeredOn = (offered: readonly Remedy[]): Card['offered'] =>
  offered.slice(0, MOST_OFFERED).map((r) => ({
    closesAll: r.leaves.length + r.opens.length === 0,
    names: r.parts.map(({ id, sizeMm }) => remedyShort(id, sizeMm)),
    parts: r.arithmetic,
  }));

const refusalsOf = (a: Assessment): Message[] =>
  a.checks.filter((c) => c.verdict !== 'passes' && c.verdict !== 'close').map((c) => c.reason);

/** The card of a seat that nobody may sit on: why, the cautions, and nothing to set. */
const stoppedCard = (a: Assessment, header: CardHeader): Card => ({
  header,
  start: null,
  refused: a.refused,
  refusals: [message('card.doNotUse'), ...refusalsOf(a)],
  rows: [],
  postures: [],
  remedies: [],
  unreached: [],
  isUnsought: false,
  offered: [],
  estimated: [],
  unmeasured: [],
  uncalculated: [],
  angles: [],
  cautions: cautionsOf(a.problem, a),
});

/**
 * The card of settings as set: one model, painted on screen, on paper and as PDF.
 * @param found remedies solved for with what is in use already; null where they are not known
 * @returns rows in the order of setting. Definition.
 * @example
 * cardOf(assessed, cardHeader(problem, { sitter: 'Yrsa', fitter: 'Signy', date: '2026-11-25' }), null).rows.length // => 4
 */
export function cardOf(
  a: Assessment,
  header: CardHeader,
  found: Pick<Remedies, 'shortfalls' | 'offered'> | null,
  postures: readonly PostureSettings[] = [],
): Card {
  const p = a.problem;
  const off = a.outcomes.filter(
    (o) => o.verdict === 'cannotReach' || o.verdict === 'close' || o.verdict === 'off',
  );
  const { remedies } = a.settings;
  const used = REMEDY_IDS.filter((id) => sizeInUse(remedies, id) !== 0);
  if (header.isStopped) return stoppedCard(a, header);
  const rows = inOrder(a.outcomes).map((o) => rowOf(p, a, o));
  return {
    header,
    // A seat of which nothing moves starts as it stands, whatever is set at its place.
    start: rows.some((r) => ADJUSTMENT_KINDS[r.kind].belongsTo !== 'place') ? startWords(p) : null,
    refused: a.refused,
    refusals: refusalsOf(a),
    rows,
    postures: postures.flatMap((posture) => {
      const rows = postureRows(a, posture);
      return rows ? [{ name: posture.name, rows }] : [];
    }),
    remedies: used.map((id) => inUseMessage(id, sizeInUse(remedies, id))),
    unreached: off.map((o) => ({
      kind: o.kind,
      reason: o.reason,
      remedy: remedyHint(p, o, found?.shortfalls),
    })),
    isUnsought: off.length > 0 && found === null,
    offered: off.length > 0 && found ? offeredOn(found.offered) : [],
    estimated: estimatesOf(p, a),
    unmeasured: a.outcomes
      .filter((o) => o.verdict === 'notMeasured')
      .map((o) => ({ kind: o.kind, reason: o.reason })),
    uncalculated: uncalculatedOf(p.inputs.seat),
    angles: a.angles
      .filter((x) => x.deg !== null)
      .map((x) => message('card.angle', { name: { word: `angle.${x.id}` }, angle: { deg: x.deg ?? 0 } })),
    cautions: cautionsOf(p, a),
  };
}
