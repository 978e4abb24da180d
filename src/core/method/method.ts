import type { AdjustmentKind } from '../seat';
import type { Interval, Target } from './target';

/** The conditions a method sets targets for; each is one residual of the set seat, in the unit of `CONDITION_UNITS`. */
export const CONDITION_UNITS = {
  /** Height of the knee's hollow on the seat less shoe and lower leg: positive, the feet dangle. */
  footGap: 'mm',
  /** Hollow of the knee to the seat's front edge. */
  kneeRoom: 'mm',
  /** Underside of the thigh, positive with the knee up. */
  thigh: 'deg',
  trunkThigh: 'deg',
  backAngle: 'deg',
  /** Lumbar apex less the small of the back, along the back. */
  lumbarHeight: 'mm',
  /** Lumbar apex above the seat, where the small of the back was not measured. */
  lumbarByPractice: 'mm',
  /** Setting less the computed setting, in the unit of the adjustment. */
  tension: 'turn',
  /** Pad top less the elbow. */
  armHeight: 'mm',
  /** Upper arm out from the body. */
  armSpread: 'deg',
  /** Clear distance between the pads less the hips. */
  hipClearance: 'mm',
  /** Pad centre less the nape, along the back. */
  headHeight: 'mm',
  /** Desk top less the height the task wants at this elbow. */
  deskTop: 'mm',
  /** Desk underside less the highest of thigh and knee. */
  deskClearance: 'mm',
} as const;

export type ConditionId = keyof typeof CONDITION_UNITS;
export const CONDITION_IDS = Object.keys(CONDITION_UNITS) as ConditionId[];

/** Tie-breaks in the order in which a solver applies them. */
export const TIE_BREAKS = ['shorterDepth', 'lowerArm', 'lighterTension', 'largerMargin'] as const;
export type TieBreak = (typeof TIE_BREAKS)[number];

/** Named target bands, tie-breaks and an order of setting: one immutable version. */
export interface Method {
  readonly id: string;
  readonly name: string;
  readonly summary: string;
  readonly targets: Readonly<Record<Exclude<ConditionId, 'kneeRoom'>, Target>>;
  /** Room behind the knee; for children in proportion to their buttock–popliteal length. */
  readonly kneeRoom: Target;
  /** Back angle from which the head leans on its rest, degrees; upright it must not touch. */
  readonly headRestFromDeg: number;
  /** What using a footrest costs, in units of penalty. */
  readonly footrestPenalty: number;
  readonly tieBreaks: readonly TieBreak[];
  readonly order: readonly AdjustmentKind[];
  /** Bands reported beside the set posture without being solved for. */
  readonly reported: { readonly knee: Interval; readonly elbow: Interval };
}

/** Buttock–popliteal length for which the room behind the knee is stated, mm (an average adult). */
export const ROOM_REFERENCE_MM = 480;

/** The room behind the knee for a child: every bound in proportion. */
export function roomForChild(target: Target, buttockPoplitealMm: number): Target {
  const share = buttockPoplitealMm / ROOM_REFERENCE_MM;
  const scaled = (v: number | undefined) => (v === undefined ? undefined : v * share);
  return {
    ...target,
    bandLo: scaled(target.bandLo),
    aimLo: scaled(target.aimLo),
    aimHi: scaled(target.aimHi),
    bandHi: scaled(target.bandHi),
  };
}
