/**
 * What the hand moves. Controls and adjustments are many to many: one lever may set height and, twisted, lock the
 * tilt. Every place and direction is as the sitter finds it, sitting in the seat.
 */
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

/** What the sitter does with the body meanwhile. */
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

export interface Move {
  readonly adjustmentId: string;
  readonly action: Action;
  readonly directionForMore: Direction;
  readonly sitter: { readonly forMore: SitterAct; readonly forLess: SitterAct };
}

export interface Control {
  readonly id: string;
  readonly name: string;
  readonly kind: ControlKind;
  readonly hand: Hand;
  /** Where the sitter finds it, and how by touch: "front corner under the seat, first of two, flat end". */
  readonly place: string;
  readonly moves: readonly Move[];
  /** Tested by trying to move the seat. */
  readonly latch: 'clicks' | 'silent' | 'none';
  /** What can be counted or read off: nothing, clicks, turns, or a dial with its own labels (one a position). */
  readonly scale:
    | { readonly type: 'none' | 'clicks' | 'turns' }
    | { readonly type: 'dial'; readonly labels: readonly string[] };
  /** False for what does not stay where it was put (a loose pad). */
  readonly keeps: boolean;
}

const OPPOSITE: Record<Direction, Direction> = {
  up: 'down',
  down: 'up',
  forward: 'backward',
  backward: 'forward',
  inward: 'outward',
  outward: 'inward',
  clockwise: 'anticlockwise',
  anticlockwise: 'clockwise',
  unknown: 'unknown',
};

export const oppositeOf = (direction: Direction): Direction => OPPOSITE[direction];

/** The control and move that set an adjustment, or null where the seat's record names none. */
export function controlFor(
  controls: readonly Control[],
  adjustmentId: string,
): { readonly control: Control; readonly move: Move } | null {
  for (const control of controls) {
    const move = control.moves.find((m) => m.adjustmentId === adjustmentId);
    if (move) return { control, move };
  }
  return null;
}
