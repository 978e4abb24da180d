/** Where the controls of a seat are: in the view from the side and from above, each with its number. */
import type { Point } from '../posture';
import type { Control, SeatModel, Side, Zone } from '../seat';
import { at } from './pen';
import { seatFrameOf, type SeatFrame } from './seat-views';

/** A control with its number, where it is seen from the right and from above; right and left are the sitter's. */
export interface ControlSpot {
  readonly id: string;
  readonly number: number;
  /** Forward and up, mm; null where nobody said where it is. */
  readonly fromSide: Point | null;
  /** To the right and forward, mm: one, or one on each side. */
  readonly fromAbove: readonly Point[];
}

/** Neighbours are drawn so far apart, mm. */
const APART_MM = 58;
/** One on each side is at least so far from the middle, mm. */
const PAIR_MM = 70;

interface Place {
  readonly forward: number;
  readonly up: number;
  /** From the middle, mm. */
  readonly aside: number;
}

/** Where a zone lies on a seat. */
function placeOf(zone: Zone, f: SeatFrame): Place {
  const under = f.heightMm - 75;
  const edge = f.widthMm / 2 - 40;
  const pads = f.heightMm + f.padsMm;
  const beside = f.clearMm / 2;
  const back = (up: number): { readonly forward: number; readonly up: number } => {
    const { x, z } = f.onBack(up);
    return { forward: x - 20, up: z };
  };
  const places: Record<Zone, Place> = {
    front: { forward: f.depthMm - 25, up: under, aside: edge },
    frontCorner: { forward: f.depthMm - 50, up: under, aside: edge },
    middle: { forward: f.depthMm * 0.5, up: under, aside: edge },
    rear: { forward: 60, up: under, aside: edge },
    rearCorner: { forward: 40, up: under, aside: edge },
    underPan: { forward: f.depthMm * 0.55, up: under - 20, aside: edge },
    insideArm: { forward: f.padMiddleMm, up: pads - 70, aside: beside - 25 },
    outsideArm: { forward: f.padMiddleMm, up: pads - 90, aside: beside + f.padWidthMm + 25 },
    underArm: { forward: f.padMiddleMm + 60, up: pads - 20, aside: beside + f.padWidthMm / 2 },
    behindBack: { ...back(f.backTopMm * 0.8), aside: 0 },
    backEdge: { ...back(f.backTopMm * 0.4), aside: f.widthMm * 0.42 },
    base: { forward: f.stemMm + 60, up: 150, aside: f.widthMm / 3 },
  };
  return places[zone];
}

/** Which of its neighbours, on the same side of the same zone, it is. */
function ranked(
  controls: readonly Control[],
): ReadonlyMap<string, { readonly n: number; readonly of: number }> {
  const groups = new Map<string, Control[]>();
  for (const c of controls) {
    const key = `${c.side} ${c.zone}`;
    groups.set(key, [...(groups.get(key) ?? []), c]);
  }
  const byRank = (a: Control, b: Control): number => (a.rank?.number ?? 99) - (b.rank?.number ?? 99);
  return new Map(
    [...groups.values()].flatMap((group) =>
      [...group]
        .sort(byRank)
        .map((c, n): [string, { n: number; of: number }] => [c.id, { n, of: group.length }]),
    ),
  );
}

function spotOf(control: Control, number: number, f: SeatFrame, shift: number): ControlSpot {
  const { id, side, zone, point } = control;
  if (point)
    return {
      id,
      number,
      fromSide: at(point.forwardMm, f.heightMm + point.upMm),
      fromAbove: [at(point.rightMm, point.forwardMm)],
    };
  if (!zone || !side) return { id, number, fromSide: null, fromAbove: [] };
  const { forward, up, aside } = placeOf(zone, f);
  // Along the back neighbours lie one above the other, elsewhere one behind the other.
  const isUpright = zone === 'backEdge' || zone === 'behindBack';
  const x = forward - (isUpright ? 0 : shift);
  const across = isUpright ? shift : 0;
  return {
    id,
    number,
    fromSide: at(x, up - (isUpright ? shift : 0)),
    fromAbove:
      side === 'bothSides'
        ? [at(Math.max(aside, PAIR_MM), x - across), at(-Math.max(aside, PAIR_MM), x - across)]
        : [at(side === 'right' ? aside : side === 'left' ? -aside : 0, x - across)],
  };
}

/**
 * Where every control is drawn, numbered in the order in which the seat lists them.
 * @returns one a control; without a place where nobody said it. Assumed: the middle of the zone that was named.
 * @example
 * controlSpots({ ...seat, controls: [lever] })[0].number // => 1
 */
export function controlSpots(seat: SeatModel): ControlSpot[] {
  const frame = seatFrameOf(seat);
  const ranks = ranked(seat.controls);
  return seat.controls.map((control, i) => {
    const { n, of } = ranks.get(control.id)!;
    return spotOf(control, i + 1, frame, (n - (of - 1) / 2) * APART_MM);
  });
}

/** Zones that are told apart from above, each with the sides on which it is looked for. */
const SEEN_FROM_ABOVE: readonly (readonly [Zone, readonly Side[]])[] = [
  ['front', ['middle']],
  ['frontCorner', ['right', 'left']],
  ['underPan', ['right', 'left', 'middle']],
  ['rearCorner', ['right', 'left']],
  ['underArm', ['right', 'left']],
  ['backEdge', ['right', 'left']],
  ['behindBack', ['middle']],
];

/**
 * The zone and side that a point of the view from above means.
 * @param point to the sitter’s right and forward, mm
 * @returns the nearest. Definition.
 * @example
 * zoneFromAbove(seat, { x: 200, z: 400 }) // => { side: 'right', zone: 'frontCorner' }
 */
export function zoneFromAbove(seat: SeatModel, point: Point): { readonly side: Side; readonly zone: Zone } {
  const frame = seatFrameOf(seat);
  let [best, nearest] = [{ side: 'middle' as Side, zone: 'underPan' as Zone }, Infinity];
  for (const [zone, sides] of SEEN_FROM_ABOVE)
    for (const side of sides) {
      const { forward, aside } = placeOf(zone, frame);
      const x = side === 'middle' ? 0 : side === 'right' ? aside : -aside;
      const far = Math.hypot(point.x - x, point.z - forward);
      if (far < nearest) [best, nearest] = [{ side, zone }, far];
    }
  return best;
}
