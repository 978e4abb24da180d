/** Which setting spoils which: what is set later and changes what an earlier one was judged by. */
import { panDegOf, type Problem, type SetValues } from '../fit';
import { offers, type AdjustmentKind } from '../seat';

/** What is looked at again beside adjustments: the harness is pulled snug. */
export const HARNESS = 'harness';
export type Touched = AdjustmentKind | typeof HARNESS;

interface Coupling {
  readonly causes: readonly AdjustmentKind[];
  readonly touches: readonly Touched[];
  /** Absent: always. @param v as everything will stand; null where that is not known */
  readonly applies?: (p: Problem, v: SetValues | null) => boolean;
}

/** A pan that tips by less moves its front edge by no more than a tape errs, degrees (assumed). */
const LEVEL_DEG = 0.5;

/** Common practice, no source. */
export const COUPLINGS: readonly Coupling[] = [
  {
    causes: ['seatAngle', 'forwardTilt', 'chairAngle'],
    touches: ['seatHeight', 'armHeight', 'screenHeight'],
  },
  { causes: ['frontSlope', 'suspensionWeight'], touches: ['seatHeight'] },
  { causes: ['seatDepth'], touches: ['armDepth'] },
  {
    causes: ['seatDepth'],
    touches: ['seatHeight'],
    // On a level pan the front edge stays as high as it was.
    applies: (p, v) => p.panTilts && (v === null || Math.abs(panDegOf(p, v)) > LEVEL_DEG),
  },
  { causes: ['backReach'], touches: ['seatDepth', 'armHeight', 'screenHeight'] },
  {
    causes: ['lumbarDepth', 'lowerLumbar', 'upperLumbar', 'backProfile'],
    touches: ['seatDepth', 'screenHeight'],
  },
  {
    causes: ['backAngle'],
    touches: ['armHeight', 'armDepth', 'deskHeight', 'headHeight', 'screenHeight'],
  },
  {
    causes: ['backAngle'],
    touches: ['seatHeight'],
    applies: ({ seat }) => seat.synchroRatio !== null,
  },
  { causes: ['armWidth', 'padSlide'], touches: ['armHeight'] },
  {
    causes: ['seatHeight'],
    touches: ['footrest', 'stationForeAft', 'deskHeight', 'armHeight', 'screenHeight'],
  },
  { causes: ['tiltLock'], touches: ['tiltTension'] },
  { causes: ['headAngle'], touches: ['headDepth'] },
  { causes: ['armDepth'], touches: ['armPivot'] },
  {
    causes: ['suspensionWeight', 'seatDepth', 'backAngle'],
    touches: [HARNESS],
    applies: ({ inputs }) => offers(inputs.seat, 'harness'),
  },
];

/**
 * What spoils a setting once it has been made.
 * @param v as everything will stand; null where that is not known
 * @returns kinds, each once; empty where nothing does. Common practice, no source.
 * @example
 * causesOf(problem, 'headDepth') // => ['headAngle']
 */
export const causesOf = (
  p: Problem,
  touched: Touched,
  v: SetValues | null = null,
): readonly AdjustmentKind[] => [
  ...new Set(
    COUPLINGS.filter(
      ({ touches, applies }) => touches.includes(touched) && (applies?.(p, v) ?? true),
    ).flatMap(({ causes }) => causes),
  ),
];
