/** Small made-up bodies, seats and places that a test can count through by hand. */
import type { Body, DimensionId } from '../../src/core/body';
import {
  PLAIN_WORK,
  makeInputs,
  problemOf,
  type FitInputs,
  type Problem,
  type Settings,
} from '../../src/core/fit';
import { SHIPPED_METHODS, type Method } from '../../src/core/method';
import { PLACE_DOCUMENT, type Place } from '../../src/core/place';
import { stated, type Quantity } from '../../src/core/quantity';
import {
  ADJUSTMENT_KINDS,
  SEAT_DOCUMENT,
  type Adjustment,
  type AdjustmentKind,
  type SeatModel,
  type Travel,
} from '../../src/core/seat';

export const RIGHT_ANGLE = SHIPPED_METHODS.find((m) => m.id === 'right-angle')!;
export const OPEN_HIP = SHIPPED_METHODS.find((m) => m.id === 'open-hip')!;

export const q = (value: number, spread = 0): Quantity => stated(value, 'test', spread);

/** An adult of round numbers. */
export const ROUND = {
  stature: 1700,
  bodyMass: 70,
  shoeHeel: 20,
  poplitealHeight: 420,
  kneeHeight: 520,
  buttockPoplitealLength: 480,
  thighClearance: 140,
  elbowHeightSitting: 240,
  shoulderHeightSitting: 590,
  eyeHeightSitting: 770,
  smallOfBackHeight: 180,
  napeHeight: 650,
  hipBreadthSitting: 370,
  elbowToElbowBreadth: 430,
} as const satisfies Partial<Record<DimensionId, number>>;

/** The same adult with every measure that there is. */
export const FULL = {
  ...ROUND,
  cervicaleHeightSitting: 620,
  sittingHeight: 890,
  smallOfBackDepth: 30,
  forearmBreadth: 90,
  elbowGripLength: 340,
  forearmHandLength: 430,
  elbowHeightStanding: 1080,
  buttockKneeLength: 590,
  shoulderElbowLength: 350,
  shoulderBreadth: 450,
  biacromialBreadth: 385,
  abdominalDepth: 255,
  footLength: 255,
  threeFingerBreadth: 52,
  fourFingerBreadth: 71,
} as const satisfies Record<DimensionId, number>;

export function bodyWith(measures: Partial<Record<DimensionId, number>>): Body {
  return Object.fromEntries(
    Object.entries(measures).map(([id, value]) => [id, { ...q(value), basis: 'measured' as const }]),
  );
}

export const withoutMeasure = (...ids: DimensionId[]): Body =>
  bodyWith(Object.fromEntries(Object.entries(ROUND).filter(([id]) => !ids.includes(id as DimensionId))));

export const slides = (lowest: number, highest: number): Travel => ({
  type: 'continuous',
  lowest: q(lowest),
  highest: q(highest),
});
export const steps = (lowest: number, highest: number, count: number): Travel => ({
  type: 'steps',
  lowest: q(lowest),
  highest: q(highest),
  count,
});
export const listed = (...values: number[]): Travel => ({ type: 'listed', values: values.map((v) => q(v)) });

export function adjustment(kind: AdjustmentKind, travel: Travel, more: Partial<Adjustment> = {}): Adjustment {
  const holds = { how: travel.type === 'continuous' ? ('free' as const) : ('notched' as const) };
  return { id: kind, kind, side: 'both', unit: ADJUSTMENT_KINDS[kind].units[0], travel, holds, ...more };
}

/** Pads that lean with the back. */
export const PADS = {
  support: 'elbowPad',
  on: 'back',
  moveWithBack: true,
  lengthMm: 250,
  widthMm: 90,
} as const satisfies SeatModel['arms'];

/** A plain seat: level pan, hard cushion, nothing but what is given. */
export function seatWith(adjustments: readonly Adjustment[], more: Partial<SeatModel> = {}): SeatModel {
  return {
    schema: SEAT_DOCUMENT,
    id: '01990000-0000-7000-8000-000000000001',
    name: 'Plain seat',
    seatClass: 'office',
    ratedLoadKg: q(120),
    seatWidthMm: q(480),
    cushion: { sinkMm: q(0), referenceMassKg: 75, heightsAre: 'loaded' },
    pan: { axisFromRearMm: 0, recessMm: 0, frontEdgeRadiusMm: 0 },
    back: { topMm: 600, synchroRatio: null },
    arms: PADS,
    offers: ['castorsHardFloor'],
    states: [],
    strappedCushions: [],
    adjustments,
    controls: [],
    procedures: [],
    notes: '',
    ...more,
  };
}

export function placeWith(travel: Travel | null, more: Partial<Place> = {}): Place {
  return {
    schema: PLACE_DOCUMENT,
    id: '01990000-0000-7000-8000-000000000002',
    needs: [],
    seatClasses: [],
    name: 'Plain desk',
    task: 'keyboard',
    adjustments: travel ? [adjustment('deskHeight', travel, { id: 'desk' })] : [],
    deskThicknessMm: 30,
    keyboardThicknessMm: 20,
    notes: '',
    ...more,
  };
}

export interface Case {
  readonly body?: Body;
  readonly seat?: SeatModel;
  readonly place?: Place | null;
  readonly method?: Method;
  readonly ageYears?: number | null;
  readonly toolsKg?: number;
}

/** Every adjustment with wide ranges: a seat that fits the round adult everywhere. */
export const WIDE_SEAT = seatWith([
  adjustment('seatHeight', slides(380, 560)),
  adjustment('seatDepth', slides(360, 480)),
  adjustment('seatAngle', slides(-8, 5)),
  adjustment('backAngle', slides(0, 25)),
  adjustment('lumbarApex', slides(140, 260)),
  adjustment('tiltTension', slides(0, 3), {
    effort: { by: 'moment', lightestNm: 15, stiffestNm: 65, atDeg: 15 },
  }),
  adjustment('armWidth', slides(380, 560)),
  adjustment('armHeight', slides(160, 320)),
  adjustment('headHeight', slides(560, 760)),
]);

/** A seat that can do everything there is, and a place that asks for it. */
export const EVERYTHING = seatWith(
  [
    ...WIDE_SEAT.adjustments.filter((a) => a.kind !== 'lumbarApex'),
    adjustment('forwardTilt', listed(-8, 0)),
    adjustment('frontSlope', listed(-15, -10, -5, 0)),
    adjustment('backHeight', steps(140, 200, 4)),
    adjustment('lumbarApex', listed(0, 15, 30)),
    adjustment('lumbarDepth', slides(0, 6), { unit: 'pump', means: { atLowest: 0, atHighest: 36 } }),
    adjustment('backProfile', slides(0, 4), { means: { atLowest: 0, atHighest: 8 } }),
    adjustment('backReach', listed(0, 25, 50)),
    adjustment('upperLumbar', slides(0, 5), { means: { atLowest: 0, atHighest: 25 } }),
    adjustment('lowerLumbar', slides(0, 5), { means: { atLowest: 0, atHighest: 25 } }),
    adjustment('chairAngle', listed(0, 5)),
    adjustment('tiltLock', listed(0, 1), { lock: { states: ['free', 'upright'] } }),
    adjustment('tiltLimiter', listed(5, 10, 20)),
    adjustment('padSlide', listed(-20, 0, 20)),
    adjustment('armDepth', slides(0, 60)),
    adjustment('armPivot', listed(-15, 0, 15)),
    adjustment('armAngle', slides(-15, 15)),
    adjustment('headAngle', listed(0, 10, 20, 30)),
    adjustment('headDepth', slides(0, 60)),
    adjustment('foreAft', slides(0, 150)),
    adjustment('stationForeAft', slides(0, 200)),
    adjustment('suspensionWeight', slides(50, 130)),
    adjustment('damper', steps(1, 5, 5)),
    adjustment('footRing', listed(150, 200, 250)),
    adjustment('climate', listed(0, 1, 2)),
  ],
  {
    back: {
      topMm: 600,
      synchroRatio: null,
      lumbarZones: { lowerMm: 140, upperMm: 220 },
    },
  },
);

export const EVERY_PLACE = placeWith(slides(600, 800), {
  adjustments: [
    adjustment('deskHeight', slides(600, 800), { id: 'desk' }),
    adjustment('screenHeight', slides(900, 1300), { id: 'screen' }),
    adjustment('footrest', listed(0, 60, 90, 120), { id: 'footrest' }),
  ],
  drawerMm: 60,
  apronMm: 90,
  keysFromEdgeMm: 120,
  screenDistanceMm: 700,
  handControls: { forwardMm: 420, heightMm: 690 },
  pedals: { forwardMm: 800, heightMm: 30 },
  ground: 'rough',
  headroomMm: 1500,
});

export function inputsOf({
  body = bodyWith(ROUND),
  seat = WIDE_SEAT,
  place = null,
  method = RIGHT_ANGLE,
  ageYears = null,
  toolsKg = 0,
}: Case = {}): FitInputs {
  return makeInputs({ sitter: { ageYears }, body, seat, place, method, work: { ...PLAIN_WORK, toolsKg } });
}

export const problemFor = (given: Case = {}): Problem => problemOf(inputsOf(given));

/** Settings that put adjustments at the position nearest to the given values (under this body). */
export function settingsAt(
  p: Problem,
  values: Partial<Record<AdjustmentKind, number>>,
  remedies = { footrestMm: 0, backCushionMm: 0 },
): Settings {
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  for (const variable of Object.values(p.variables)) {
    const wanted = values[variable.kind] ?? variable.values[0]!;
    positions[variable.kind] = variable.values.reduce(
      (best, v, i) => (Math.abs(v - wanted) < Math.abs(variable.values[best]! - wanted) ? i : best),
      0,
    );
  }
  return { positions, remedies };
}

/** What stands above a card. */
export const CARD_HEADER = {
  sitter: 'Runa',
  seat: 'Plain seat',
  place: null,
  method: 'Upright',
  fitter: '',
  date: '2026-11-25',
};
