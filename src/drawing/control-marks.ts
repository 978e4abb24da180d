/** A seat from the right or from above with its controls numbered. */
import { controlSpots, seatPlanView, seatSideView, type Scene } from '../core/scene';
import type { SeatModel } from '../core/seat';
import type { Reading } from '../words';
import { path, tenth, textAt, type Mark } from './marks';
import { viewMarks, viewPlace } from './scene-marks';

const BADGE_RADIUS = 13;
/** From the base line of a number to its middle. */
const HALF_NUMBER = 5.2;

function badge(text: string, x: number, y: number): Mark[] {
  const r = BADGE_RADIUS;
  return [
    path(`M${tenth(x - r)} ${tenth(y)}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`, 'badge', {
      part: `control-${text}`,
    }),
    textAt(x, y + HALF_NUMBER, 'middle', { text, style: 'badgeNumber' }),
  ];
}

/** How far numbers that would lie over each other are moved apart, px. */
const LEAST_APART = 2 * BADGE_RADIUS + 2;

interface Spot {
  readonly number: number;
  readonly x: number;
  readonly y: number;
}

/** Moves numbers to the nearest place, ring by ring about their own, where none lies over another or off the paper. */
function spread(spots: readonly Spot[], width: number, height: number): Spot[] {
  const placed: Spot[] = [];
  const edge = BADGE_RADIUS + 1;
  const isFree = (x: number, y: number): boolean =>
    x >= edge &&
    y >= edge &&
    x <= width - edge &&
    y <= height - edge &&
    placed.every((other) => Math.hypot(other.x - x, other.y - y) >= LEAST_APART);
  for (const spot of spots) {
    let found = spot;
    search: for (let ring = 0; ring < 12; ring++)
      for (let turn = 0; turn < (ring === 0 ? 1 : 8); turn++) {
        const angle = (turn * Math.PI) / 4;
        const [x, y] = [
          spot.x + ring * (LEAST_APART / 2) * Math.cos(angle),
          spot.y + ring * (LEAST_APART / 2) * Math.sin(angle),
        ];
        if (!isFree(x, y)) continue;
        found = { ...spot, x, y };
        break search;
      }
    placed.push(found);
  }
  return placed;
}

/** A seat as it stands, without its lengths and how far it goes. */
const plainly = (scene: Scene): Scene => ({
  ...scene,
  dimensions: [],
  primitives: scene.primitives.filter(({ id }) => !/-(lowest|highest)$/.test(id)),
});

const SCENES = {
  side: (seat: SeatModel): Scene => plainly(seatSideView(seat)),
  above: (seat: SeatModel): Scene => plainly(seatPlanView(seat)),
} as const;
export type SheetView = keyof typeof SCENES;

/** Id of a control that nobody has found yet: where it may be is marked, without a number. */
export const ASKED = 'asked';

/**
 * A view of the seat with its controls numbered, laid out on a surface.
 * @param only the control that is shown, by its id; absent: all
 */
export function controlMarks(
  seat: SeatModel,
  view: SheetView,
  width: number,
  height: number,
  reading: Reading,
  only?: string,
): Mark[] {
  const scene = SCENES[view](seat);
  const place = viewPlace(scene, width, height);
  const spots = controlSpots(seat).filter(({ id }) => only === undefined || id === only);
  const points = spots.flatMap(({ number, fromSide, fromAbove }) =>
    (view === 'side' ? (fromSide ? [fromSide] : []) : fromAbove).map((p) => ({
      number,
      x: place.x(p.x),
      y: place.y(p.z),
    })),
  );
  return [
    ...viewMarks(scene, width, height, reading),
    ...spread(points, width, height).flatMap(({ number, x, y }) =>
      badge(seat.controls[number - 1]?.id === ASKED ? '?' : String(number), x, y),
    ),
  ];
}

/**
 * The point of the seat from above that lies at fractions of the breadth and height of a surface.
 * @returns to the sitter’s right and forward, mm
 */
export function pointFromAbove(
  seat: SeatModel,
  { width, height }: { readonly width: number; readonly height: number },
  { left, top }: { readonly left: number; readonly top: number },
): { readonly x: number; readonly z: number } {
  const place = viewPlace(SCENES.above(seat), width, height);
  return { x: (left * width - place.x(0)) / place.scale, z: (place.y(0) - top * height) / place.scale };
}
