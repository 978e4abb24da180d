import { type Message, message } from '../../message';
import {
  adjustmentOf,
  endsOf,
  isFixed,
  offers,
  takesCushions,
  type Adjustment,
  type Offer,
  type SeatModel,
} from '../../seat';
import { isEstimate, type Quantity } from '../../quantity';
import { problemOf } from '../case/problem-of';
import { Extents } from '../geometry/extents';
import { endsOfPassive } from '../search/solve';
import {
  NO_REMEDIES,
  sizeInUse,
  type FitInputs,
  type RemedyId,
  type RemedySettings,
} from '../problem/inputs';
import { oncePer } from '../problem/once';
import { emptyValues, type Problem } from '../problem/problem';
import { CLOTHING_KG, workingLoadKg } from '../problem/working-load';
import { overHeadMm } from '../geometry/overhead';

/** Seat width that is comfortable: this share of the hips (Gouvali & Boudolos 2006). */
export const SEAT_WIDTH_SHARE = 1.1;

export const CHECK_VERDICTS = [
  'passes',
  'close',
  'refused',
  'notMeant',
  'notMeasured',
  'notDescribed',
] as const;

/** A check on the seat as a whole; of them only headroom and the ends of a lean change with the settings. */
export interface SeatCheck {
  readonly id:
    | 'place'
    | 'ratedLoad'
    | 'seatWidth'
    | 'suspension'
    | 'headroom'
    | 'leanUpright'
    | 'leanBack'
    | 'belly'
    | 'added';
  readonly verdict: (typeof CHECK_VERDICTS)[number];
  readonly reason: Message;
}

/** Rated load: a measured mass in clothes with tools; never rounded in the seat's favour, never on an estimate. */
function ratedLoad({ seat, body, work }: FitInputs): SeatCheck {
  const mass = body.bodyMass;
  if (!seat.ratedLoadKg)
    return { id: 'ratedLoad', verdict: 'notDescribed', reason: message('check.ratedLoad.notDescribed') };
  const rated = seat.ratedLoadKg.value;
  if (!mass || isEstimate(mass)) {
    return {
      id: 'ratedLoad',
      verdict: 'notMeasured',
      reason: message('check.ratedLoad.notMeasured', { rated: { kg: rated } }),
    };
  }
  const load = workingLoadKg({ work }, mass.value);
  const verdict = load <= rated ? 'passes' : 'refused';
  const values = {
    rated: { kg: rated },
    mass: { kg: mass.value },
    clothing: { kg: CLOTHING_KG },
    tools: { kg: work.toolsKg },
    load: { kg: load },
  };
  return { id: 'ratedLoad', verdict, reason: message(`check.ratedLoad.${verdict}`, values) };
}

/** Nobody is refused a seat for a guess, nor let onto it. */
const measured = (quantity: Quantity | undefined): number | undefined =>
  isEstimate(quantity) ? undefined : quantity?.value;

/** Without sides hips may hang over: below this share of their breadth by too much (common practice). */
const LEAST_WIDTH_SHARE = 0.9;

/** Whether something on either side keeps the hips in: arms that nobody can move apart. */
function hasSides({ arms, adjustments }: SeatModel): boolean {
  const width = adjustmentOf(adjustments, 'armWidth');
  return arms !== null && (width === null || isFixed(width));
}

function seatWidth({ seat, body }: FitInputs): SeatCheck {
  if (!seat.seatWidthMm)
    return { id: 'seatWidth', verdict: 'notDescribed', reason: message('check.seatWidth.notDescribed') };
  const width = seat.seatWidthMm.value;
  const hips = measured(body.hipBreadthSitting);
  if (hips === undefined)
    return {
      id: 'seatWidth',
      verdict: 'notMeasured',
      reason: message('check.seatWidth.notMeasured', { width: { mm: width } }),
    };
  const wanted = hips * SEAT_WIDTH_SHARE;
  const values = { width: { mm: width }, hips: { mm: hips }, wanted: { mm: Math.round(wanted) } };
  if (!hasSides(seat)) {
    const key = width < hips * LEAST_WIDTH_SHARE ? 'overhang' : 'open';
    const verdict = key === 'overhang' ? 'close' : 'passes';
    return { id: 'seatWidth', verdict, reason: message(`check.seatWidth.${key}`, values) };
  }
  const verdict = hips > width ? 'refused' : wanted > width ? 'close' : 'passes';
  return { id: 'seatWidth', verdict, reason: message(`check.seatWidth.${verdict}`, values) };
}

/** What should stay free over the head in a cab, mm (assumed). */
const OVER_HEAD_MM = 50;

/**
 * How low the sitter can be brought, above the floor, mm: with the pan at its best for it, and what tips by itself at its
 * worst. NaN where no height is described.
 */
const lowestMm = oncePer((p): number => {
  const span = new Extents(p, emptyValues(NO_REMEDIES));
  const lowest = endsOfPassive(p).map((end) => {
    for (const { kind, values } of Object.values(p.variables)) {
      span.lo[kind] = values[end[kind] ?? 0]!;
      span.hi[kind] = values[end[kind] ?? values.length - 1]!;
    }
    span.update(false);
    return span.datum.lo;
  });
  return Math.max(...lowest);
});

/**
 * Headroom in a cab; nothing where the place has no ceiling to speak of.
 * @param setMm where the sitter’s seat surface stands as set, above the floor; null: as low as it goes
 * @returns one check at most. Definition.
 */
export function headroom(p: Problem, setMm: number | null): SeatCheck[] {
  const { inputs } = p;
  const ceiling = inputs.place?.headroomMm;
  if (ceiling === undefined || !p.variables.seatHeight) return [];
  const lowest = lowestMm(p);
  const sitting = measured(inputs.body.sittingHeight);
  const room = { ceiling: { mm: ceiling } };
  if (sitting === undefined)
    return [{ id: 'headroom', verdict: 'notMeasured', reason: message('check.headroom.notMeasured', room) }];
  const stands = setMm ?? lowest;
  const over = overHeadMm(inputs);
  const topAt = (mm: number): number => mm + sitting + over;
  // What touches the roof is not clear of it.
  const isOut = topAt(stands) >= ceiling;
  const verdict = isOut ? 'refused' : topAt(stands) + OVER_HEAD_MM > ceiling ? 'close' : 'passes';
  const key = isOut && topAt(lowest) < ceiling ? 'tooHigh' : verdict;
  const at = key === 'refused' ? lowest : stands;
  const values = {
    ...room,
    top: { mm: Math.round(topAt(at)) },
    seat: { mm: at },
    sitting: { mm: sitting },
    over: { mm: over },
    most: { mm: Math.ceil(ceiling - sitting - over) - 1 },
  };
  return [{ id: 'headroom', verdict, reason: message(`check.headroom.${key}`, values) }];
}

/** Between which masses a suspension can be set; null where nobody knows. */
function kilogramsOf({ unit, travel, means }: Adjustment): { lowest: number; highest: number } | null {
  if (unit === 'kg') return endsOf(travel);
  return means ? { lowest: means.atLowest, highest: means.atHighest } : null;
}

/** A suspension whose range does not take in the sitter’s mass bottoms out or throws: it is not driven on. */
function suspension({ seat, body, work }: FitInputs): SeatCheck[] {
  const adjustment = adjustmentOf(seat.adjustments, 'suspensionWeight');
  const mass = measured(body.bodyMass);
  const ends = adjustment && kilogramsOf(adjustment);
  if (!ends || mass === undefined) return [];
  const { lowest: lightest, highest: stiffest } = ends;
  const load = workingLoadKg({ work }, mass);
  const key = load > stiffest ? 'tooHeavy' : load < lightest ? 'tooLight' : 'passes';
  const values = {
    load: { kg: load },
    mass: { kg: mass },
    clothing: { kg: CLOTHING_KG },
    tools: { kg: work.toolsKg },
    lightest: { kg: lightest },
    stiffest: { kg: stiffest },
  };
  const verdict = key === 'passes' ? 'passes' : 'refused';
  return [{ id: 'suspension', verdict, reason: message(`check.suspension.${key}`, values) }];
}

const CASTORS = ['castorsHardFloor', 'castorsSoftFloor'] as const;

/** Whether a seat is meant for the place: of a class that suits, with all that is needed there. */
function suitsPlace({ seat, place }: FitInputs): SeatCheck[] {
  if (!place) return [];
  const named = { place: { text: place.name } };
  const isOn = (offer: Offer): boolean => offers(seat, offer);
  if (CASTORS.some(isOn) && (place.ground === 'rough' || place.needs.includes('noCastors')))
    return [{ id: 'place', verdict: 'refused', reason: message('check.place.castors', named) }];
  const lacks = place.needs.filter((need) => !isOn(need));
  const isOther = place.seatClasses.length > 0 && !place.seatClasses.includes(seat.seatClass);
  if (!isOther && lacks.length === 0)
    return place.seatClasses.length + place.needs.length === 0
      ? []
      : [{ id: 'place', verdict: 'passes', reason: message('check.place.passes', named) }];
  const values = {
    ...named,
    class: { word: `class.${seat.seatClass}` },
    list: { words: lacks.map((need) => `offer.${need}`) },
  };
  const key = isOther ? (lacks.length > 0 ? 'both' : 'class') : 'lacks';
  return [{ id: 'place', verdict: 'notMeant', reason: message(`check.place.${key}`, values) }];
}

const SOFT: readonly RemedyId[] = ['seatPadMm', 'backCushionMm', 'lumbarRollMm'];
const ARMLESS: readonly RemedyId[] = ['armsOff', 'armsFolded'];

/**
 * What must not be added or taken off, whoever asked for it: nothing soft under a belt or on a suspension, nothing under
 * feet that work pedals, no arms off whoever rises by them.
 * @returns one check for each that is refused; empty where nothing is. Common practice, no source.
 */
export function againstAdded({ seat, place, work }: FitInputs, remedies: RemedySettings): SeatCheck[] {
  const hasAny = (ids: readonly RemedyId[]): boolean => ids.some((id) => sizeInUse(remedies, id) !== 0);
  const refused = (of: string): SeatCheck => ({
    id: 'added',
    verdict: 'refused',
    reason: message(`check.added.${of}`),
  });
  return [
    ...(hasAny(SOFT) && !takesCushions(seat) ? [refused('soft')] : []),
    ...(hasAny(['footrestMm']) && place?.pedals !== undefined ? [refused('pedals')] : []),
    ...(hasAny(ARMLESS) && work.risesByArms ? [refused('arms')] : []),
  ];
}

/**
 * The checks that no setting changes.
 * @returns empty where there is nothing to check. Definition.
 */
export const checksOfSeat = (inputs: FitInputs): SeatCheck[] => [
  ...suitsPlace(inputs),
  ratedLoad(inputs),
  seatWidth(inputs),
  ...suspension(inputs),
];
/**
 * All checks, with the seat as low as it goes.
 * @returns empty where there is nothing to check. Definition.
 */
export const seatChecks = (inputs: FitInputs): SeatCheck[] => [
  ...checksOfSeat(inputs),
  ...(inputs.place?.headroomMm === undefined ? [] : headroom(problemOf(inputs), null)),
];
/**
 * Whether nobody may be set on this seat here.
 * @returns true where a single check refuses. Definition.
 */
export const isRefused = (checks: readonly SeatCheck[]): boolean =>
  checks.some((c) => c.verdict === 'refused');
/**
 * Why a seat is not meant for the place; empty where it is, or the place asks for nothing.
 * @returns one reason for each. Definition.
 */
export const notMeant = (checks: readonly SeatCheck[]): readonly Message[] =>
  checks.filter((c) => c.verdict === 'notMeant').map((c) => c.reason);
