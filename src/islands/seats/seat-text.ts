/** A seat as it is typed: texts until they can be read. Nothing here knows of a screen. */
import { typedIn } from '../../ui/in-unit';
import {
  ADJUSTMENT_KINDS,
  SEAT_LENGTHS,
  SEAT_LENGTH_IDS,
  endsOf,
  isFixed,
  positionCount,
  type Adjustment,
  type AdjustmentKind,
  type AdjustmentUnit,
  type ArmSupport,
  type Control,
  type LockState,
  type MovedBy,
  type Procedure,
  type SeatClass,
  type SeatLength,
  type SeatModel,
  type StateKind,
} from '../../core/seat';
import type { Quantity } from '../../core/quantity';
import { formatMassNumber } from '../../core/units';
import type { Reading } from '../../words';

export const MOVES = ['slides', 'clicks', 'listed', 'fixed', 'onOff'] as const;
export type MoveText = (typeof MOVES)[number];

export const EFFORTS = ['trial', 'moment', 'mass', 'weighing'] as const;
export type EffortText = (typeof EFFORTS)[number];

export const HOLDINGS = ['usual', 'passive', 'follows'] as const;
export type HoldingText = (typeof HOLDINGS)[number];

/** One adjustment: numbers as typed, in the unit shown. */
export interface AdjustmentText {
  readonly kind: AdjustmentKind;
  readonly unit: AdjustmentUnit;
  readonly move: MoveText;
  /** Of a fixed one its only value. */
  readonly lowest: string;
  readonly highest: string;
  readonly count: string;
  /** Of listed positions, with blanks between. */
  readonly values: string;
  /** What the ends of a count come to. */
  readonly meansLowest: string;
  readonly meansHighest: string;
  readonly effort: EffortText;
  readonly effortLowest: string;
  readonly effortHighest: string;
  readonly effortAtDeg: string;
  readonly hasScale: boolean;
  readonly lock: readonly LockState[];
  readonly holding: HoldingText;
  readonly leader: AdjustmentKind | '';
  readonly ratio: string;
  readonly movedBy: MovedBy | '';
  readonly creeps: '' | 'yes' | 'no';
  readonly play: string;
  /** '' | lowest | middle | highest | a position from 1. */
  readonly neutral: string;
  readonly rest: string;
  readonly tape: string;
}

export interface CushionText {
  readonly zone: 'lumbar' | 'neck' | 'seat';
  readonly thickness: string;
  readonly belongsTo: 'seat' | 'sitter';
  readonly slips: boolean;
}

export interface LiftText {
  readonly name: string;
  readonly lowest: string;
  readonly highest: string;
}

export interface SeatText extends Readonly<Record<SeatLength, string>> {
  readonly name: string;
  readonly seatClass: SeatClass;
  readonly heightsAre: 'loaded' | 'empty';
  readonly referenceMass: string;
  readonly ratedLoad: string;
  readonly synchro: string;
  readonly zoneLower: string;
  readonly zoneUpper: string;
  readonly hasArms: boolean;
  readonly armSupport: ArmSupport;
  readonly armsOn: '' | 'seat' | 'back';
  readonly armsWithBack: '' | 'yes' | 'no';
  readonly turnsRound: boolean;
  /** Ids with blanks between. */
  readonly offers: string;
  readonly states: readonly StateKind[];
  readonly cushions: readonly CushionText[];
  readonly lifts: readonly LiftText[];
  readonly price: string;
  readonly coverComesOff: '' | 'byHand' | 'withTool' | 'fixed';
  readonly cleaning: string;
  readonly variantLabel: string;
  readonly notes: string;
  readonly adjustments: readonly AdjustmentText[];
  readonly controls: readonly Control[];
  readonly procedures: readonly Procedure[];
  /** Readings that values were settled from, by the field that they stand in. */
  readonly takes: Readonly<Record<string, TakesText>>;
}

/** Readings of one value as typed, by whom and when. */
export interface TakesText {
  readonly typed: readonly string[];
  readonly by: string | null;
  /** Instant, ISO 8601. */
  readonly at: string;
}

/** Masses of reference: a test person of a sheet, and a child. */
const REFERENCE_KG = { adult: 75, child: 25 } as const;

const COUNT_UNITS: readonly AdjustmentUnit[] = ['turn', 'step', 'pump'];
export const isCount = (unit: AdjustmentUnit): boolean => COUNT_UNITS.includes(unit);

const NEW_ADJUSTMENT = {
  move: 'slides',
  lowest: '',
  highest: '',
  count: '',
  values: '',
  meansLowest: '',
  meansHighest: '',
  effort: 'trial',
  effortLowest: '',
  effortHighest: '',
  effortAtDeg: '15',
  hasScale: false,
  lock: ['free', 'upright'],
  holding: 'usual',
  leader: '',
  ratio: '',
  movedBy: '',
  creeps: '',
  play: '',
  neutral: '',
  rest: '',
  tape: '',
} as const;

/** Kinds that are commonly counted, or have names for positions. */
const USUAL_MOVE: Partial<Record<AdjustmentKind, MoveText>> = {
  tiltLock: 'clicks',
  climate: 'clicks',
  damper: 'clicks',
};

/** An adjustment that somebody has just pointed at: nothing is filled in but what is usual. */
export const newAdjustment = (kind: AdjustmentKind): AdjustmentText => ({
  ...NEW_ADJUSTMENT,
  kind,
  unit: ADJUSTMENT_KINDS[kind].units[0],
  move: USUAL_MOVE[kind] ?? 'slides',
});

const yesNo = (is: boolean | null | undefined): '' | 'yes' | 'no' => (is == null ? '' : is ? 'yes' : 'no');
const placeText = (at: Adjustment['neutral']): string =>
  at === undefined ? '' : typeof at === 'number' ? String(at + 1) : at;

function moveOf(adjustment: Adjustment): MoveText {
  const { travel } = adjustment;
  if (travel.type === 'onOff') return 'onOff';
  if (isFixed(adjustment)) return 'fixed';
  if (travel.type === 'listed') return 'listed';
  return travel.type === 'steps' ? 'clicks' : 'slides';
}

function adjustmentText(adjustment: Adjustment, seat: SeatModel, reading: Reading): AdjustmentText {
  const { kind, unit, travel, means, effort, lock, holds } = adjustment;
  const { lowest, highest } = endsOf(travel);
  const typed = (value: number) => typedIn(value, unit, reading);
  const meant = ADJUSTMENT_KINDS[kind] as { readonly means?: 'mm' | 'deg' };
  const meaning = (value: number | undefined) =>
    value === undefined ? '' : typedIn(value, meant.means ?? 'mm', reading);
  const leader =
    holds.how === 'follows' ? seat.adjustments.find((a) => a.id === holds.leaderId)?.kind : undefined;
  return {
    ...newAdjustment(kind),
    unit,
    move: moveOf(adjustment),
    lowest: typed(lowest),
    highest: isFixed(adjustment) ? '' : typed(highest),
    count: travel.type === 'steps' ? String(positionCount(adjustment)) : '',
    values:
      travel.type === 'listed' && !isFixed(adjustment)
        ? travel.values.map((q) => typed(q.value)).join(' ')
        : '',
    meansLowest: meaning(means?.atLowest),
    meansHighest: meaning(means?.atHighest),
    effort: effort?.by ?? 'trial',
    effortLowest: effort
      ? effortText(effort.by === 'moment' ? effort.lightestNm : effort.lightestKg, effort.by, reading)
      : '',
    effortHighest: effort
      ? effortText(effort.by === 'moment' ? effort.stiffestNm : effort.stiffestKg, effort.by, reading)
      : '',
    effortAtDeg: effort?.by === 'moment' ? String(effort.atDeg) : '15',
    hasScale: effort?.by === 'weighing' ? effort.hasScale === true : false,
    lock: lock?.states ?? NEW_ADJUSTMENT.lock,
    holding: holds.how === 'passive' ? 'passive' : holds.how === 'follows' ? 'follows' : 'usual',
    leader: leader ?? '',
    ratio: holds.how === 'follows' ? String(holds.ratio) : '',
    movedBy: adjustment.movedBy ?? '',
    creeps: yesNo(adjustment.creeps),
    play: adjustment.play === undefined ? '' : typed(adjustment.play),
    neutral: placeText(adjustment.neutral),
    rest: placeText(adjustment.rest),
    tape: adjustment.tape ?? '',
  };
}

const effortText = (value: number, by: EffortText, reading: Reading): string =>
  by === 'moment' ? String(value) : formatMassNumber(value, reading.mass);

const lengthTexts = (textOf: (key: SeatLength) => string): Record<SeatLength, string> =>
  Object.fromEntries(SEAT_LENGTH_IDS.map((key) => [key, textOf(key)])) as Record<SeatLength, string>;

/** A length of a seat, mm, where its row says that it stands; null or undefined where nobody said it. */
function lengthIn(seat: SeatModel, key: SeatLength): number | null | undefined {
  let found: unknown = seat;
  for (const step of SEAT_LENGTHS[key].at.split('/'))
    found = (found as Readonly<Record<string, unknown>> | null | undefined)?.[step];
  return SEAT_LENGTHS[key].form === 'quantity'
    ? (found as Quantity | null)?.value
    : (found as number | null | undefined);
}

/** What is typed of a seat that nobody has entered yet. */
export const newSeatText = (reading: Reading): SeatText => ({
  ...lengthTexts(() => ''),
  name: '',
  seatClass: 'office',
  heightsAre: 'loaded',
  referenceMass: formatMassNumber(REFERENCE_KG.adult, reading.mass),
  ratedLoad: '',
  synchro: '',
  zoneLower: '',
  zoneUpper: '',
  hasArms: false,
  armSupport: 'elbowPad',
  armsOn: '',
  armsWithBack: '',
  turnsRound: false,
  offers: '',
  states: [],
  cushions: [],
  controls: [],
  procedures: [],
  takes: {},
  lifts: [],
  price: '',
  coverComesOff: '',
  cleaning: '',
  variantLabel: '',
  notes: '',
  adjustments: [newAdjustment('seatHeight')],
});

/** What changes with the class: nothing that was typed. */
export function withClass(text: SeatText, seatClass: SeatClass, reading: Reading): SeatText {
  const usual = (of: SeatClass) =>
    formatMassNumber(of === 'child' ? REFERENCE_KG.child : REFERENCE_KG.adult, reading.mass);
  const isUntouched = text.referenceMass === usual(text.seatClass);
  const adjustments =
    seatClass === 'ordinary'
      ? text.adjustments.map((a) => (isBlankAdjustment(a) ? { ...a, move: 'fixed' as const } : a))
      : text.adjustments.map((a) =>
          text.seatClass === 'ordinary' && isBlankAdjustment(a) ? newAdjustment(a.kind) : a,
        );
  return {
    ...text,
    seatClass,
    adjustments,
    referenceMass: isUntouched ? usual(seatClass) : text.referenceMass,
  };
}

/** Whether no number of an adjustment has been typed. */
export const isBlankAdjustment = (a: AdjustmentText): boolean =>
  [a.lowest, a.highest, a.count, a.values].every((t) => t.trim() === '');

/** A seat as it would be typed. */
export function textOfSeat(seat: SeatModel, reading: Reading): SeatText {
  const mm = (value: number | null | undefined) => (value == null ? '' : typedIn(value, 'mm', reading));
  const kg = (value: number | null | undefined) =>
    value == null ? '' : formatMassNumber(value, reading.mass);
  const { arms, back, cushion } = seat;
  return {
    ...lengthTexts((key) => mm(lengthIn(seat, key))),
    name: seat.name,
    seatClass: seat.seatClass,
    heightsAre: cushion.heightsAre,
    referenceMass: kg(cushion.referenceMassKg),
    ratedLoad: kg(seat.ratedLoadKg?.value),
    synchro: back.synchroRatio === null ? '' : String(back.synchroRatio),
    zoneLower: mm(back.lumbarZones?.lowerMm),
    zoneUpper: mm(back.lumbarZones?.upperMm),
    hasArms: arms !== null,
    armSupport: arms?.support ?? 'elbowPad',
    armsOn: arms?.on ?? '',
    armsWithBack: yesNo(arms?.moveWithBack),
    turnsRound: arms?.turnsRightRound === true,
    offers: seat.offers.join(' '),
    states: seat.states.map((s) => s.kind),
    controls: seat.controls,
    procedures: seat.procedures,
    takes: {},
    cushions: seat.strappedCushions.map((c) => ({
      zone: c.zone,
      thickness: mm(c.thicknessMm?.value),
      belongsTo: c.belongsTo,
      slips: c.slips === true,
    })),
    lifts: (seat.lifts ?? []).map((l) => ({
      name: l.name,
      lowest: mm(l.lowestMm),
      highest: mm(l.highestMm),
    })),
    price: seat.price === undefined ? '' : String(seat.price),
    coverComesOff: seat.cover?.comesOff ?? '',
    cleaning: seat.cover?.cleaning ?? '',
    variantLabel: seat.variant?.label ?? '',
    notes: seat.notes,
    adjustments: seat.adjustments.map((a) => adjustmentText(a, seat, reading)),
  };
}

/** The height that lies under everything else: the first of a list. */
export const heightFirst = (texts: readonly AdjustmentText[]): AdjustmentText[] =>
  [...texts].sort((a, b) => Number(b.kind === 'seatHeight') - Number(a.kind === 'seatHeight'));
