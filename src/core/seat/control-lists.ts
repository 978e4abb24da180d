/** The closed lists that controls, moves and procedures are described with; places and directions as the sitter finds them. */

export const CONTROL_KINDS = [
  'lever',
  'paddle',
  'knob',
  'wheel',
  'button',
  'trigger',
  'bulb',
  'switch',
  'ratchet',
  'strap',
  'byHand',
  'tool',
] as const;
export type ControlKind = (typeof CONTROL_KINDS)[number];

export const HANDS = ['right', 'left', 'either', 'both'] as const;
export type Hand = (typeof HANDS)[number];

export const SIDES = ['right', 'left', 'middle', 'bothSides'] as const;
export type Side = (typeof SIDES)[number];

export const ZONES = [
  'front',
  'frontCorner',
  'middle',
  'rear',
  'rearCorner',
  'underPan',
  'insideArm',
  'outsideArm',
  'underArm',
  'behindBack',
  'backEdge',
  'base',
] as const;
export type Zone = (typeof ZONES)[number];

/** What is done to the control. */
export const ACTIONS = [
  'liftAndHold',
  'pressAndHold',
  'pullAndSlide',
  'turn',
  'squeeze',
  'slide',
  'raiseByClicks',
  'setToStop',
  'pump',
  'press',
  'pullOut',
  'flip',
  'leanUntilClick',
] as const;
export type Action = (typeof ACTIONS)[number];

/** Which way gives more of the adjustment, seen by the sitter unless the control's place says otherwise. */
export const DIRECTIONS = [
  'up',
  'down',
  'forward',
  'backward',
  'inward',
  'outward',
  'clockwise',
  'anticlockwise',
  'unknown',
] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** A control that does one thing on a short pull and another on a long one. */
export const PULLS = ['short', 'long'] as const;
export type Pull = (typeof PULLS)[number];

/** What the sitter does with the body while it moves. */
export const SITTER_ACTS = [
  'weightOff',
  'weightOn',
  'leanForward',
  'leanBack',
  'keepStill',
  'standUp',
  'toesUp',
  'nothing',
] as const;
export type SitterAct = (typeof SITTER_ACTS)[number];

export const DONE_BY = ['sitter', 'fitter', 'secondPerson'] as const;
export type DoneBy = (typeof DONE_BY)[number];

export const STANCES = ['sitting', 'standingInFront', 'standingBehind', 'standingBeside'] as const;
export type Stance = (typeof STANCES)[number];

export const PROCEDURE_KINDS = [
  'sitRightBack',
  'neutralStart',
  'heightByLift',
  'heelsThenTilt',
  'ratchet',
  'airBulb',
  'dialWithoutEnds',
  'twoWayLock',
  'tensionByTrial',
  'suspension',
  'harness',
  'latch',
  'tighten',
  'gasSpringFront',
  'cover',
  'own',
] as const;
export type ProcedureKind = (typeof PROCEDURE_KINDS)[number];
