/** The closed lists that a seat is described with. */

export const SEAT_CLASSES = [
  'office',
  'task',
  'handwork',
  'controlDesk',
  'operator',
  'child',
  'perching',
  /** Nothing on it moves. */
  'ordinary',
] as const;
export type SeatClass = (typeof SEAT_CLASSES)[number];

/** What a seat offers and a workstation may need, beyond ranges. */
export const OFFERS = [
  'suspension',
  'harness',
  'castorsHardFloor',
  'castorsSoftFloor',
  'glides',
  'bolted',
  'noCastors',
  'footRing',
  'heavyDuty',
  'roundTheClock',
  'cleanable',
  'nonSlip',
  'forChildren',
  'arms',
  'headrest',
  'selfWeighing',
  'heating',
  'cooling',
] as const;
export type Offer = (typeof OFFERS)[number];
/** Of these a seat has one at most: what it touches the floor with. */
export const FLOOR_OFFERS = ['castorsHardFloor', 'castorsSoftFloor', 'glides', 'bolted'] as const;
export type FloorOffer = (typeof FLOOR_OFFERS)[number];

/** Who moves it, how. */
export const MOVED_BY = [
  'seatedOneHand',
  'seatedTwoHands',
  'standingTwoHands',
  'tool',
  'secondPerson',
] as const;
export type MovedBy = (typeof MOVED_BY)[number];

export const LOCK_STATES = ['free', 'upright', 'anywhere', 'limited'] as const;
export type LockState = (typeof LOCK_STATES)[number];

export const ARM_SUPPORTS = ['elbowPad', 'forearmPad', 'cradle'] as const;
export type ArmSupport = (typeof ARM_SUPPORTS)[number];

/** What can be taken off, folded or swung away. */
export const STATE_KINDS = [
  'armsFolded',
  'armsSwungOut',
  'armsOff',
  'headrestOff',
  'upperSupportOff',
  'cushionOff',
] as const;
export type StateKind = (typeof STATE_KINDS)[number];

export const CUSHION_ZONES = ['lumbar', 'neck', 'seat'] as const;
export type CushionZone = (typeof CUSHION_ZONES)[number];

export const NAMED_POSITIONS = ['lowest', 'middle', 'highest'] as const;

export const COVERS = ['byHand', 'withTool', 'fixed'] as const;

/** In what variants of one seat differ. */
export const VARIANT_PARTS = ['lift', 'arms', 'headrest', 'size'] as const;
