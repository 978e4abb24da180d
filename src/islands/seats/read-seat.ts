/** From what is typed to a seat, or to what is wrong field by field. */
import { signed } from '../../ui/in-unit';
import type { Quantity } from '../../core/quantity';
import {
  OFFERS,
  SEAT_DOCUMENT,
  SEAT_LENGTHS,
  SEAT_LENGTH_IDS,
  VARIANT_PARTS,
  seatDoubts,
  type Adjustment,
  type Offer,
  type SeatLength,
  type SeatModel,
  type SeatState,
} from '../../core/seat';
import { sayCaseDoubt, word, type Reading } from '../../words';
import { readAdjustment } from './read-adjustment';
import { Faults, between, isBlank, isSameNumber, q, type Limits, type SeatTextFaults } from './read-numbers';
import { withReadings } from './survey/takes';
import type { SeatText } from './seat-text';

export interface ReadSeat {
  /** null where something is wrong that a seat cannot be without. */
  readonly seat: SeatModel | null;
  readonly faults: SeatTextFaults;
}

const LENGTH: Limits = [0, 10_000];
/** Middles of two lumbar zones above the seat, mm: neither without the other. */
const ZONES = { limits: [0, 600], common: { zoneLower: [120, 200], zoneUpper: [180, 300] } } as const;
type Zone = keyof typeof ZONES.common;

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

/** The lengths under a part of the document; `''`: of the document itself. What nobody said is null or left out. */
function lengthsIn<Part extends 'cushion' | 'pan' | 'back' | 'arms'>(
  part: Part | '',
  { length, base }: Pick<Readers, 'length' | 'base'>,
): Partial<NonNullable<SeatModel[Part]>> {
  const own: Record<string, unknown> = {};
  for (const key of SEAT_LENGTH_IDS) {
    const { at, form } = SEAT_LENGTHS[key];
    const [name = '', under = ''] = at.split('/').reverse();
    if (under !== part) continue;
    const value = length(key);
    if (form === 'quantity') {
      const from = (under === '' ? base : base?.[under as Part]) as
        Record<string, Quantity> | null | undefined;
      own[name] = keptQuantity(value, from?.[name]);
    } else if (value !== null || (form !== 'optional' && form !== 'optionalSize')) own[name] = value;
  }
  return own as Partial<NonNullable<SeatModel[Part]>>;
}

function armsOf(text: SeatText, readers: Readers): SeatModel['arms'] {
  if (!text.hasArms) return null;
  return {
    ...(lengthsIn('arms', readers) as Pick<NonNullable<SeatModel['arms']>, 'lengthMm' | 'widthMm'>),
    support: text.armSupport,
    on: text.armsOn || null,
    moveWithBack: text.armsWithBack === '' ? null : text.armsWithBack === 'yes',
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
  const length = (field: SeatLength | Zone): number | null => {
    if (isBlank(text[field])) return null;
    const { limits, common } =
      field === 'zoneLower' || field === 'zoneUpper'
        ? { limits: ZONES.limits, common: ZONES.common[field] }
        : SEAT_LENGTHS[field];
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
  const seat = composed(id, text, adjustments, { length, mass, plain, reading, faults, base });
  if (seat && Object.keys(faults.all).length === 0)
    // What the texts cannot say by themselves: parts of a seat that speak against each other.
    for (const doubt of seatDoubts(seat))
      faults.put(fieldOf(doubt.field, text), { text: sayCaseDoubt(doubt).detail });
  return { seat: seat && withReadings(seat, text, reading), faults: faults.all };
}

/** The field of the form that a pointer into the seat belongs to. */
function fieldOf(pointer: string, text: SeatText): string {
  const [, part, at] = pointer.split('/');
  if (part !== 'adjustments') return part ?? 'name';
  const kind = text.adjustments[Number(at)]?.kind;
  return kind ? `adjustments/${kind}/lowest` : 'adjustments';
}

interface Readers {
  readonly length: (field: SeatLength | Zone) => number | null;
  readonly mass: (field: 'ratedLoad' | 'referenceMass') => number | null;
  readonly plain: (field: 'price' | 'synchro', limits: Limits) => number | null;
  readonly reading: Reading;
  readonly faults: Faults;
  /** The seat that is edited or copied. */
  readonly base: SeatModel | null;
}

function composed(
  id: string,
  text: SeatText,
  adjustments: readonly Adjustment[],
  readers: Readers,
): SeatModel | null {
  const { length, mass, plain, reading, faults, base } = readers;
  const zones = [length('zoneLower'), length('zoneUpper')] as const;
  const price = plain('price', PRICE);
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
  // Drafts of before controls could be typed have none.
  const { controls = base?.controls ?? [], procedures = base?.procedures ?? [] } = text as Partial<SeatText>;
  return {
    schema: SEAT_DOCUMENT,
    id,
    name: text.name.trim() || '–',
    seatClass: text.seatClass,
    ratedLoadKg: keptQuantity(mass('ratedLoad'), base?.ratedLoadKg),
    ...(lengthsIn('', readers) as Pick<SeatModel, 'seatWidthMm'>),
    cushion: {
      ...(lengthsIn('cushion', readers) as Pick<SeatModel['cushion'], 'sinkMm'>),
      referenceMassKg: mass('referenceMass') ?? base?.cushion.referenceMassKg ?? 75,
      heightsAre: text.heightsAre,
    },
    pan: lengthsIn('pan', readers) as SeatModel['pan'],
    back: {
      ...(lengthsIn('back', readers) as Pick<SeatModel['back'], 'topMm'>),
      synchroRatio,
      ...(zones[0] !== null &&
        zones[1] !== null && { lumbarZones: { lowerMm: zones[0], upperMm: zones[1] } }),
    },
    arms: armsOf(text, readers),
    offers: text.offers.split(' ').filter((id): id is Offer => (OFFERS as readonly string[]).includes(id)),
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
    controls: controls.flatMap((control) => {
      const moves = control.moves.filter((move) => kept.has(move.adjustmentId));
      return moves.length > 0 || control.moves.length === 0 ? [{ ...control, moves }] : [];
    }),
    procedures: procedures
      .filter((p) => p.controlId === undefined || controls.some((c) => c.id === p.controlId))
      .map((p) => ({ ...p, steps: p.steps.filter(({ text: line }) => line.trim() !== '') })),
    ...(price !== null && { price }),
    notes: text.notes,
  };
}
