/** Orders in which practitioners set a seat (common practice). What an order does not name follows as in the first. */
import type { AdjustmentKind } from '../seat';

const GROUND_UP: readonly AdjustmentKind[] = [
  'suspensionWeight',
  'damper',
  'seatHeight',
  'footRing',
  'footrest',
  'seatDepth',
  'backReach',
  'seatAngle',
  'forwardTilt',
  'frontSlope',
  'chairAngle',
  'foreAft',
  'stationForeAft',
  'backHeight',
  'lumbarApex',
  'lumbarDepth',
  'lowerLumbar',
  'upperLumbar',
  'backProfile',
  'backAngle',
  'tiltTension',
  'tiltLimiter',
  'tiltLock',
  'armWidth',
  'padSlide',
  'armHeight',
  'armDepth',
  'armPivot',
  'armAngle',
  'headHeight',
  'headAngle',
  'headDepth',
  'deskHeight',
  'screenHeight',
  'climate',
];

const beginning = (...first: AdjustmentKind[]): readonly AdjustmentKind[] => [
  ...first,
  ...GROUND_UP.filter((kind) => !first.includes(kind)),
];

const BACK: readonly AdjustmentKind[] = [
  'backHeight',
  'lumbarApex',
  'lumbarDepth',
  'lowerLumbar',
  'upperLumbar',
];

/** By who works so: wording key `order.<id>`. */
export const ORDERS = {
  groundUp: GROUND_UP,
  armsFirst: beginning(
    'armWidth',
    'padSlide',
    'armHeight',
    'seatHeight',
    'footRing',
    'footrest',
    'seatDepth',
    ...BACK,
    'headHeight',
    'backAngle',
    'tiltTension',
    'tiltLock',
  ),
  threeZones: beginning(
    'seatHeight',
    'footRing',
    'footrest',
    ...BACK,
    'seatDepth',
    'backReach',
    'backAngle',
    'tiltTension',
    'tiltLock',
    'armWidth',
    'armHeight',
  ),
  depthBeforeHeight: beginning(
    'seatDepth',
    'seatHeight',
    'footRing',
    'seatAngle',
    'forwardTilt',
    'frontSlope',
    'backReach',
    ...BACK,
    'backAngle',
    'armWidth',
    'armHeight',
  ),
  tiltThenHeight: beginning(
    'seatHeight',
    'footRing',
    'seatDepth',
    ...BACK,
    'tiltLock',
    'tiltTension',
    'backAngle',
    'seatAngle',
    'forwardTilt',
  ),
  operator: beginning(
    'suspensionWeight',
    'damper',
    'seatAngle',
    'seatDepth',
    'armAngle',
    'foreAft',
    'stationForeAft',
    'climate',
    'upperLumbar',
    'lowerLumbar',
    'backAngle',
    'seatHeight',
  ),
  tensionBeforeBack: beginning(
    'seatHeight',
    'footRing',
    'footrest',
    'seatDepth',
    'backAngle',
    'tiltTension',
    ...BACK,
    'armWidth',
    'armHeight',
    'headHeight',
  ),
  lumbarAndArmsFirst: beginning(
    'lumbarDepth',
    'armHeight',
    'armWidth',
    'armPivot',
    'seatHeight',
    'footRing',
    'footrest',
    'seatDepth',
    'tiltTension',
    'tiltLock',
  ),
  backProfileFirst: beginning(
    'seatHeight',
    'footRing',
    'footrest',
    'seatDepth',
    'backProfile',
    'backAngle',
    'tiltTension',
    'armWidth',
    'armHeight',
  ),
  placeFirst: beginning('deskHeight', 'screenHeight', 'seatHeight', 'footrest', 'footRing'),
} as const satisfies Record<string, readonly AdjustmentKind[]>;

export type OrderId = keyof typeof ORDERS;
export const ORDER_IDS = Object.keys(ORDERS) as OrderId[];

/**
 * Which of the known orders this is; null for one of its own.
 * @returns null for one of its own. Definition.
 * @example
 * orderIdOf(method.order) // => 'groundUp'
 */
export const orderIdOf = (order: readonly AdjustmentKind[]): OrderId | null =>
  ORDER_IDS.find(
    (id) => ORDERS[id].length === order.length && ORDERS[id].every((kind, i) => kind === order[i]),
  ) ?? null;
