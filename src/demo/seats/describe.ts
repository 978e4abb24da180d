/** A short way to describe a seat: travels, adjustments, and controls with one move. */
import { stated, type Quantity } from '../../core/quantity';
import {
  ADJUSTMENT_KINDS,
  SEAT_DOCUMENT,
  type Action,
  type Adjustment,
  type AdjustmentKind,
  type Control,
  type Direction,
  type Move,
  type Procedure,
  type SeatModel,
  type Side,
  type Travel,
  type Zone,
} from '../../core/seat';

const SHEET = 'maker’s sheet (invented)';
export const q = (value: number): Quantity => stated(value, SHEET);

export const slides = (lowest: number, highest: number): Travel => ({
  type: 'continuous',
  lowest: q(lowest),
  highest: q(highest),
});
export const clicks = (lowest: number, highest: number, count: number): Travel => ({
  type: 'steps',
  lowest: q(lowest),
  highest: q(highest),
  count,
});
export const stops = (...values: number[]): Travel => ({ type: 'listed', values: values.map(q) });

/** @param more the unit where it is not the kind's usual one, and what only some kinds say */
export function adjustment(
  kind: AdjustmentKind,
  travel: Travel,
  more: Partial<
    Pick<
      Adjustment,
      'unit' | 'effort' | 'means' | 'lock' | 'holds' | 'creeps' | 'neutral' | 'rest' | 'movedBy' | 'tape'
    >
  > = {},
): Adjustment {
  const holds = { how: travel.type === 'continuous' ? ('free' as const) : ('notched' as const) };
  return { id: kind, kind, side: 'both', unit: ADJUSTMENT_KINDS[kind].units[0], travel, holds, ...more };
}

type SitterActs = Move['sitter'];
const AS_USUAL: SitterActs = { forMore: 'nothing', forLess: 'nothing' };
/** Who tried which way it goes, and when. */
const TRIED = { by: 'Rowan Aldous', at: '2026-10-05' } as const;

/** One move of a control, tried on the seat. */
export const move = (
  kind: AdjustmentKind,
  action: Action,
  directionForMore: Direction,
  sitter: SitterActs = AS_USUAL,
  more: Partial<Move> = {},
): Move => ({ adjustmentId: kind, action, directionForMore, sitter, tried: TRIED, ...more });

/** On which side of the seat a place lies, as its words have it. */
function sideOf(place: string): Side {
  if (/both|each|either side|one each|\bpads\b/.test(place)) return 'bothSides';
  if (/\bleft\b/.test(place)) return 'left';
  return /\bright\b/.test(place) ? 'right' : 'middle';
}

/** In which part of the seat; the first that its words name. */
const ZONE_WORDS: readonly (readonly [RegExp, Zone])[] = [
  [/front corner/, 'frontCorner'],
  [/inside each arm/, 'insideArm'],
  [/outside each arm/, 'outsideArm'],
  [/each pad|pads themselves|rear of each arm/, 'underArm'],
  [/behind the (head|back)|top of the back|on the post/, 'behindBack'],
  [/of the back|hinge/, 'backEdge'],
  [/base|column|side frames/, 'base'],
  [/front/, 'front'],
  [/rear/, 'rearCorner'],
  [/under the seat/, 'underPan'],
];
const zoneOf = (place: string): Zone => ZONE_WORDS.find(([words]) => words.test(place))?.[1] ?? 'middle';

type What = Pick<Control, 'name' | 'kind' | 'hand' | 'place'> &
  Partial<Pick<Control, 'scale' | 'latch' | 'rank' | 'byTouch' | 'zone' | 'side'>>;

/** A control with the moves that it makes; its id is that of what it moves first. */
export const lever = (what: What, ...moves: readonly Move[]): Control => ({
  id: `${moves[0]!.adjustmentId}-control`,
  latch: 'none',
  scale: { type: 'none' },
  side: sideOf(what.place),
  zone: zoneOf(what.place),
  ...what,
  moves,
});

/** A control with one move. */
export const control = (
  kind: AdjustmentKind,
  what: What,
  action: Action,
  directionForMore: Direction,
  sitter: SitterActs = AS_USUAL,
  more: Partial<Move> = {},
): Control => lever(what, move(kind, action, directionForMore, sitter, more));

/** A procedure as it is usually done. */
export const usually = (kind: Procedure['kind'], controlOf?: AdjustmentKind): Procedure => ({
  id: kind.toLowerCase(),
  kind,
  ...(controlOf ? { controlId: `${controlOf}-control` } : {}),
  steps: [],
});

/** What is done on every chair with a gas lift. */
export const ON_A_LIFT = [usually('sitRightBack'), usually('heightByLift', 'seatHeight')] as const;

export const LIFT = { forMore: 'weightOff', forLess: 'weightOn' } as const;
export const counted = { scale: { type: 'clicks' }, latch: 'clicks' } as const;

/** What most seats have nothing of. */
export const DESCRIBED = {
  schema: SEAT_DOCUMENT,
  states: [],
  strappedCushions: [],
  procedures: [],
} as const;

/** A seat before it has an id. */
export type DemoSeat = Omit<SeatModel, 'id'>;
