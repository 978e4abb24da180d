/** Which parts of a drawing an adjustment moves, so that the lever in hand is seen in it. */
import type { AdjustmentKind } from '../seat';
import type { Primitive, Scene } from './primitives';

/** Parts by their ids in the views; of one that stands on both sides the id begins so. Not here: no view shows it. */
export const MOVED_PARTS: Readonly<Partial<Record<AdjustmentKind, readonly string[]>>> = {
  seatHeight: ['pan', 'panFront', 'column'],
  seatDepth: ['pan', 'panFront'],
  seatAngle: ['pan', 'panFront'],
  forwardTilt: ['pan', 'panFront'],
  chairAngle: ['pan', 'panFront', 'back'],
  frontSlope: ['panFront'],
  backHeight: ['back', 'lumbarApex'],
  backReach: ['back'],
  backAngle: ['back'],
  lumbarApex: ['lumbarApex', 'back'],
  lumbarDepth: ['lumbarApex', 'back'],
  upperLumbar: ['back'],
  lowerLumbar: ['back'],
  armHeight: ['pad'],
  armWidth: ['pad'],
  padSlide: ['pad'],
  armDepth: ['pad'],
  armPivot: ['pad'],
  armAngle: ['pad'],
  headHeight: ['headPad'],
  headDepth: ['headPad'],
  footRing: ['footRing'],
  foreAft: ['lever', 'leverStem'],
  stationForeAft: ['pedal'],
  deskHeight: ['desk', 'deskLeg'],
  footrest: ['footrest'],
  screenHeight: ['screen'],
};

const isOf = (kind: AdjustmentKind, { id }: Primitive): boolean | undefined =>
  MOVED_PARTS[kind]?.some((part) => id === part || id === `${part}1` || id === `${part}-1`);

/**
 * Returns the outlines of what an adjustment moves in a view; none where the view does not show it.
 * @returns in the order drawn. Definition.
 * @example
 * movedIn({ primitives: [] }, 'seatHeight') // => []
 */
export const movedIn = ({ primitives }: Pick<Scene, 'primitives'>, kind: AdjustmentKind): Primitive[] =>
  primitives
    .filter((primitive) => isOf(kind, primitive))
    .map((primitive) => ({ ...primitive, id: `${primitive.id}-moved`, role: 'moved', layer: Infinity }));

/**
 * Returns a view in which what an adjustment moves stands out.
 * @returns a new view. Definition.
 * @example
 * withMoved(sideView(assessed), 'seatHeight').primitives.length >= sideView(assessed).primitives.length // => true
 */
export function withMoved(scene: Scene, kind: AdjustmentKind): Scene {
  return {
    ...scene,
    primitives: [...scene.primitives, ...movedIn(scene, kind)],
    get alternative() {
      return scene.alternative;
    },
  };
}
