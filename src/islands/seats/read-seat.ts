/** From what is typed to a seat, or to what is wrong field by field. */
import { signed } from '../../ui/in-unit';
import type { Quantity } from '../../core/quantity';
import {
  OFFERS,
  SEAT_DOCUMENT,
  VARIANT_PARTS,
  seatDoubts,
  type Adjustment,
  type Offer,
  type SeatModel,
  type SeatState,
} from '../../core/seat';
import { sayCaseDoubt, word, type Reading } from '../../words';
import { readAdjustment } from './read-adjustment';
import { Faults, between, isBlank, isSameNumber, q, type Limits, type SeatTextFaults } from './read-numbers';
import type { SeatText } from './seat-text';

export interface ReadSeat {
  /** null where something is wrong that a seat cannot be without. */
  readonly seat: SeatModel | null;
  readonly faults: SeatTextFaults;
}

const LENGTH: Limits = [0, 10_000];
/** Ends that no seat passes, and where most are: mm, kg. */
const PLAIN_LIMITS = {
  sink: { limits: [0, 150], common: [5, 60] },
  width: { limits: [200, 1000], common: [380, 560] },
  axis: { limits: [-200, 800], common: null },
  recess: { limits: [0, 200], common: null },
  edgeRadius: { limits: [0, 300], common: null },
  backTop: { limits: [60, 1200], common: [300, 700] },
  backTopWidth: { limits: [50, 1000], common: [300, 500] },
  zoneLower: { limits: [0, 600], common: [120, 200] },
  zoneUpper: { limits: [0, 600], common: [180, 300] },
  padLength: { limits: [20, 800], common: [150, 350] },
  padWidth: { limits: [15, 300], common: [50, 120] },
  padFront: { limits: [-200, 800], common: null },
  padPivot: { limits: [0, 800], common: null },
  ride: { limits: [0, 400], common: [30, 120] },
} as const satisfies Partial<Record<keyof SeatText, { limits: Limits; common: Limits | null }>>;
export type PlainLength = keyof typeof PLAIN_LIMITS;
export const PLAIN_LENGTHS = Object.keys(PLAIN_LIMITS) as PlainLength[];

const LOAD: Limits = [5, 1000];
const PRICE: Limits = [0, 1e7];
const keptQuantity = (value: number | null, before: Quantity | null | undefined): Quantity | null =>
  value === null ? null : before && isSameNumber(before.value, value) ? before : q(value);

/** States take out what is on the part that goes. */
function statesOf(text: SeatText, adjustments: readonly Adjustment[], base: SeatModel | null): SeatState[] {
  const idsOf = (...kinds: readonly string[]) =>
    adjustments.filter((a) => kinds.some((k) => a.kind.startsWith(k))).map((a) => a.id);
  return text.states.map((kind) => {
    const known = base?.states.find((s) => s.kind === kind);
    if (known)
      return { ...known, removes: known.removes.filter((id) => adjustments.some((a) => a.id === id)) };
    const id = kind.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);
    if (kind === 'headrestOff') return { id, kind, removes: idsOf('head') };
    if (kind.startsWith('arms')) return { id, kind, removes: idsOf('arm', 'pad'), removesArms: text.hasArms };
    return { id, kind, removes: [] };
  });
}

function armsOf(text: SeatText, length: (field: PlainLength) => number | null): SeatModel['arms'] {
  if (!text.hasArms) return null;
  const [front, pivot] = [length('padFront'), length('padPivot')];
  return {
    support: text.armSupport,
    on: text.armsOn || null,
    moveWithBack: text.armsWithBack === '' ? null : text.armsWithBack === 'yes',
    lengthMm: length('padLength'),
    widthMm: length('padWidth'),
    ...(front !== null && { frontMm: front }),
    ...(pivot !== null && { pivotFromRearMm: pivot }),
    ...(text.turnsRound && { turnsRightRound: true }),
  };
}

/**
 * Reads what is typed into a seat, or says what is wrong field by field.
 * @param base the seat that is edited or copied: what the form does not show is kept of it
 */
export function readSeat(id: string, text: SeatText, reading: Reading, base: SeatModel | null): ReadSeat {
  const faults = new Faults();
  if (isBlank(text.name)) faults.put('name', { text: word('seatForm.fault.name') });
  const length = (field: PlainLength): number | null => {
    if (isBlank(text[field])) return null;
    const { limits, common } = PLAIN_LIMITS[field];
    const { value, fault } = between(text[field], 'mm', limits, common, reading);
    if (fault) faults.put(field, fault);
    return fault ? null : value;
  };
  const mass = (field: 'ratedLoad' | 'referenceMass'): number | null => {
    if (isBlank(text[field])) return null;
    const { value, fault } = between(text[field], 'kg', LOAD, null, reading);
    if (fault) faults.put(field, fault);
    return fault ? null : value;
  };
  const plain = (field: 'price' | 'synchro', limits: Limits): number | null => {
    if (isBlank(text[field])) return null;
    const { value, fault } = signed(text[field]);
    const isOutside = !fault && !(limits[0] <= value && value <= limits[1]);
    if (fault ?? isOutside) faults.put(field, fault ?? { text: word('seatForm.fault.number') });
    return fault || isOutside ? null : value;
  };
  const ids = new Map(
    text.adjustments.map((a) => [a.kind, base?.adjustments.find((b) => b.kind === a.kind)?.id ?? a.kind]),
  );
  const adjustments = text.adjustments.flatMap(
    (a) =>
      readAdjustment(
        a,
        base?.adjustments.find((b) => b.kind === a.kind),
        ids,
        reading,
        faults,
      ) ?? [],
  );
  const seat = composed(id, text, base, adjustments, { length, mass, plain, reading, faults });
  if (seat && Object.keys(faults.all).length === 0)
    // What the texts cannot say by themselves: parts of a seat that speak against each other.
    for (const doubt of seatDoubts(seat))
      faults.put(fieldOf(doubt.field, text), { text: sayCaseDoubt(doubt).detail });
  return { seat, faults: faults.all };
}

/** The field of the form that a pointer into the seat belongs to. */
function fieldOf(pointer: string, text: SeatText): string {
  const [, part, at] = pointer.split('/');
  if (part !== 'adjustments') return part ?? 'name';
  const kind = text.adjustments[Number(at)]?.kind;
  return kind ? `adjustments/${kind}/lowest` : 'adjustments';
}

interface Readers {
  readonly length: (field: PlainLength) => number | null;
  readonly mass: (field: 'ratedLoad' | 'referenceMass') => number | null;
  readonly plain: (field: 'price' | 'synchro', limits: Limits) => number | null;
  readonly reading: Reading;
  readonly faults: Faults;
}

function composed(
  id: string,
  text: SeatText,
  base: SeatModel | null,
  adjustments: readonly Adjustment[],
  { length, mass, plain, reading, faults }: Readers,
): SeatModel | null {
  const zones = [length('zoneLower'), length('zoneUpper')] as const;
  const [ride, topWidth, price] = [length('ride'), length('backTopWidth'), plain('price', PRICE)];
  const lifts = text.lifts.flatMap(({ name, lowest, highest }, i) => {
    const ends = [lowest, highest].map((t) => between(t, 'mm', LENGTH, null, reading));
    const wrong = ends.find((e) => e.fault)?.fault;
    const isReversed = !wrong && !(ends[0]!.value < ends[1]!.value);
    if (wrong ?? (isReversed || isBlank(name))) {
      const reason = isBlank(name) ? 'seatForm.fault.name' : 'seatForm.fault.reversed';
      faults.put(`lifts/${i}`, wrong ?? { text: word(reason) });
      return [];
    }
    return [{ name: name.trim(), lowestMm: ends[0]!.value, highestMm: ends[1]!.value }];
  });
  const cushions = text.cushions.map(({ zone, thickness, belongsTo, slips }, i) => {
    const read = isBlank(thickness) ? null : between(thickness, 'mm', [1, 200], [30, 80], reading);
    if (read?.fault) faults.put(`cushions/${i}`, read.fault);
    const known = base?.strappedCushions[i];
    return {
      ...(known?.zone === zone && known.heightMm && { heightMm: known.heightMm }),
      id: known?.id ?? `cushion-${i + 1}`,
      zone,
      thicknessMm: read && !read.fault ? keptQuantity(read.value, known?.thicknessMm) : null,
      belongsTo,
      ...(slips && { slips: true }),
    };
  });
  // Without a height there is no seat, not even one that is less sure.
  if (!adjustments.some((a) => a.kind === 'seatHeight')) return null;
  const kept = new Set([...adjustments.map((a) => a.id), ...text.states.map((s) => s)]);
  const states = statesOf(text, adjustments, base);
  for (const state of states) kept.add(state.id);
  const synchroRatio = plain('synchro', [0.1, 100]);
  const { variant } = base ?? {};
  return {
    schema: SEAT_DOCUMENT,
    id,
    name: text.name.trim() || '–',
    seatClass: text.seatClass,
    ratedLoadKg: keptQuantity(mass('ratedLoad'), base?.ratedLoadKg),
    seatWidthMm: keptQuantity(length('width'), base?.seatWidthMm),
    cushion: {
      sinkMm: keptQuantity(length('sink'), base?.cushion.sinkMm),
      referenceMassKg: mass('referenceMass') ?? base?.cushion.referenceMassKg ?? 75,
      heightsAre: text.heightsAre,
    },
    pan: {
      axisFromRearMm: length('axis'),
      recessMm: length('recess'),
      frontEdgeRadiusMm: length('edgeRadius'),
    },
    back: {
      topMm: length('backTop'),
      ...(topWidth !== null && { topWidthMm: topWidth }),
      synchroRatio,
      ...(zones[0] !== null &&
        zones[1] !== null && { lumbarZones: { lowerMm: zones[0], upperMm: zones[1] } }),
    },
    arms: armsOf(text, length),
    offers: text.offers.split(' ').filter((id): id is Offer => (OFFERS as readonly string[]).includes(id)),
    ...(ride !== null && { rideMm: ride }),
    states,
    strappedCushions: cushions,
    ...(lifts.length > 0 && { lifts }),
    ...(variant &&
      !isBlank(text.variantLabel) && {
        variant: {
          familyId: variant.familyId,
          label: text.variantLabel.trim(),
          differsIn: variant.differsIn.length > 0 ? variant.differsIn : [...VARIANT_PARTS],
        },
      }),
    ...((text.coverComesOff !== '' || !isBlank(text.cleaning)) && {
      cover: { comesOff: text.coverComesOff || null, cleaning: text.cleaning.trim() },
    }),
    adjustments: [...adjustments],
    // A control of what is no longer there goes with it.
    controls: (base?.controls ?? []).flatMap((control) => {
      const moves = control.moves.filter((move) => kept.has(move.adjustmentId));
      return moves.length > 0 || control.moves.length === 0 ? [{ ...control, moves }] : [];
    }),
    procedures: (base?.procedures ?? []).filter(
      (p) => p.controlId === undefined || (base?.controls ?? []).some((c) => c.id === p.controlId),
    ),
    ...(price !== null && { price }),
    notes: text.notes,
  };
}
