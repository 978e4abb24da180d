/** How a control is worked, one sentence after the other, as whoever holds it needs them. */
import { message, type Message } from '../message';
import { ADJUSTMENT_KINDS, type AdjustmentKind, type Sign } from './adjustment-kinds';
import type { Action, Direction } from './control-lists';
import type { Control, Move } from './control-schema';
import { oppositeOf } from './controls';
import type { Adjustment, SeatModel } from './schema';

/** What lets something go: which way it then moves, the body or the hand decides. */
const RELEASES: readonly Action[] = ['liftAndHold', 'pressAndHold', 'squeeze', 'pullAndSlide', 'slide'];
/** Of those, what holds again as soon as it is let go. */
const HELD: readonly Action[] = ['liftAndHold', 'pressAndHold', 'squeeze', 'pullAndSlide'];
/** Which way the control itself goes, is the whole of the move. */
const TURNED: readonly Action[] = ['turn', 'flip', 'press'];

/** What is simply moved the way it then stands: said once, without what that comes to. */
const ALONG: Partial<Record<Sign, Direction>> = {
  up: 'up',
  forward: 'forward',
  wider: 'outward',
  toesIn: 'inward',
  topForward: 'forward',
};

/** What carries the sitter: whoever moved it tries that it holds. */
const TRIED_KINDS: readonly AdjustmentKind[] = [
  'seatHeight',
  'seatDepth',
  'seatAngle',
  'forwardTilt',
  'chairAngle',
  'backAngle',
  'backReach',
  'foreAft',
  'stationForeAft',
];

/** What stands in most of its sentences. */
const valuesOf = (move: Move, { kind }: Adjustment) => {
  const { sign } = ADJUSTMENT_KINDS[kind];
  return {
    action: { word: `action.${move.action}` },
    more: { word: `direction.${move.directionForMore}` },
    less: { word: `direction.${move.less?.direction ?? oppositeOf(move.directionForMore)}` },
    raise: { word: `raise.${sign}` },
    lower: { word: `lower.${sign}` },
    sitterMore: { word: `sitter.${move.sitter.forMore}` },
    sitterLess: { word: `sitter.${move.sitter.forLess}` },
  };
};
type Said = ReturnType<typeof valuesOf>;

/** Whether the body decides which way what was released goes. */
function isByBody({ action, sitter }: Move): boolean {
  const { forMore, forLess } = sitter;
  return RELEASES.includes(action) && forMore !== forLess && forMore !== 'nothing' && forLess !== 'nothing';
}

/** A lock says what each way does. */
function lockWords({ lock }: Adjustment, values: Said): Message | null {
  if (!lock) return null;
  const states = lock.states.map((state) => `lock.${state}`);
  return states.length === 2
    ? message('working.lock', { ...values, off: { word: states[0]! }, on: { word: states[1]! } })
    : message('working.lock.several', { ...values, states: { words: states } });
}

/** Where for less something else is done than the same the other way. */
function otherWayWords({ less }: Move, values: Said): Message | null {
  if (!less) return null;
  const { action, direction, of } = less;
  const other = { ...values, other: { word: `action.${action}` }, of: { text: of ?? '' } };
  return message(`working.otherWay${of ? '.of' : direction ? '' : '.plain'}`, other);
}

/** The one sentence of what the hand does. */
function mainWords(move: Move, adjustment: Adjustment): Message {
  const values = valuesOf(move, adjustment);
  const { sign } = ADJUSTMENT_KINDS[adjustment.kind];
  if (adjustment.kind === 'suspensionWeight' && move.pull === 'short') return message('working.weighs');
  if (isByBody(move)) return message('working.byBody', values);
  if (move.directionForMore === 'unknown') return message('working.unknown', values);
  if (move.drops) return message('working.drops', values);
  const released = HELD.includes(move.action) ? '.released' : '';
  const isAlong = move.action !== 'turn' && ALONG[sign] === move.directionForMore;
  return (
    lockWords(adjustment, values) ??
    otherWayWords(move, values) ??
    (isAlong
      ? message(`working.along${released}`, { ...values, ways: { word: `ways.${sign}` } })
      : message(`working.${TURNED.includes(move.action) ? 'turned' : `moved${released}`}`, values))
  );
}

/** From where turns and strokes are counted: an end that the hand finds. */
function countWords({ scale }: Control, { kind, unit }: Adjustment): Message[] {
  if (unit === 'pump') return [message('working.count.pump')];
  return unit === 'turn' && scale.type === 'turns'
    ? [message('working.count.turn', { end: { word: `end.${ADJUSTMENT_KINDS[kind].sign}` } })]
    : [];
}

/** What of the body goes with a move both ways. */
function bodyWords(move: Move, adjustment: Adjustment): Message[] {
  const { forMore, forLess } = move.sitter;
  if (isByBody(move) || move.pull === 'short') return [];
  if (forMore !== forLess) return [message('working.bodyByWay', valuesOf(move, adjustment))];
  if (forMore === 'nothing' || forMore === 'standUp') return [];
  return [message('working.meanwhile', { sitter: { word: `sitter.${forMore}` } })];
}

/** Who does it, and from where. */
function standWords({ doneBy, stance, sitter }: Move): Message[] {
  return [
    ...(doneBy === 'secondPerson' || doneBy === 'fitter' ? [message(`working.by.${doneBy}`)] : []),
    ...(stance && stance !== 'sitting' ? [message(`working.stance.${stance}`)] : []),
    ...(sitter.forMore === 'standUp' ? [message('working.standUp')] : []),
  ];
}

/** What is tried once it stands. */
function holdWords(
  { latch, side, hand }: Control,
  { drops, retighten }: Move,
  adjustment: Adjustment,
): Message[] {
  const isPair = side === 'bothSides' || hand === 'both';
  const isTried = TRIED_KINDS.includes(adjustment.kind);
  return [
    ...(drops ? [message('working.tooHigh')] : []),
    ...(retighten ? [message(isPair ? 'working.retighten.both' : 'working.retighten')] : []),
    // A suspension that weighs is felt to settle.
    ...(latch === 'none' || adjustment.kind === 'suspensionWeight' || (latch === 'silent' && !isTried)
      ? []
      : [message(`working.latch.${isTried ? latch : 'steps'}`)]),
    ...(adjustment.creeps ? [message('working.creeps')] : []),
  ];
}

/** What a part of the seat is called: an adjustment by its kind, a control by its name. */
function nameOf(seat: SeatModel, id: string): { readonly word: string } | { readonly text: string } {
  const adjustment = seat.adjustments.find((a) => a.id === id);
  if (adjustment) return { word: `kind.${adjustment.kind}` };
  return { text: seat.controls.find((c) => c.id === id)?.name ?? id };
}

/**
 * How an adjustment is worked with a control, in the order in which it is done: how it is told by touch, what has to be
 * so first, who stands where, the hand’s move both ways, the body, what is felt, and what is tried at the end.
 * @returns one sentence each, without full stops. Common practice, no source.
 * @example
 * workingOf(seat, lever, lever.moves[0], seat.adjustments[0]).map((one) => one.key) // => ['working.byBody']
 */
export function workingOf(seat: SeatModel, control: Control, move: Move, adjustment: Adjustment): Message[] {
  const { preconditions = [], tool, pull, felt, otherwise } = move;
  const said = (key: string, text: string | undefined): Message[] =>
    text === undefined ? [] : [message(key, { text: { text } })];
  return [
    ...said('working.touch', control.byTouch),
    ...preconditions.map(({ of, is }) =>
      message('working.first', { of: nameOf(seat, of), is: { text: is } }),
    ),
    ...standWords(move),
    ...said('working.tool', tool),
    ...(pull === 'long' || (pull === 'short' && adjustment.kind !== 'suspensionWeight')
      ? [message(`working.pull.${pull}`)]
      : []),
    mainWords(move, adjustment),
    ...bodyWords(move, adjustment),
    ...countWords(control, adjustment),
    ...said('working.felt', felt),
    ...said('working.otherwise', otherwise),
    ...holdWords(control, move, adjustment),
  ];
}
