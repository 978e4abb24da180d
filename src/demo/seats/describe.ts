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
  type SeatModel,
  type SitterAct,
  type Travel,
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

/** One control with one move; seats with shared levers give two moves. */
export function control(
  kind: AdjustmentKind,
  what: Pick<Control, 'name' | 'kind' | 'hand' | 'place'> & Partial<Pick<Control, 'scale' | 'latch'>>,
  action: Action,
  directionForMore: Direction,
  sitter: { forMore: SitterAct; forLess: SitterAct } = { forMore: 'nothing', forLess: 'nothing' },
): Control {
  return {
    id: `${kind}-control`,
    latch: 'none',
    scale: { type: 'none' },
    ...what,
    moves: [{ adjustmentId: kind, action, directionForMore, sitter }],
  };
}

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
