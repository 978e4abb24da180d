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
  /** Prominence of the lumbar less half the hollow's depth. */
  lumbarDepth: 'mm',
  /** Prominence of each of two zones less its share of half the hollow's depth. */
  upperLumbar: 'mm',
  lowerLumbar: 'mm',
  /** Upper zone less lower zone, where nobody measured the hollow. */
  lumbarEven: 'mm',
  /** Setting less the computed setting, in the unit of the adjustment. */
  tension: 'own',
  /** Locked or free, less what the task wants. */
  tiltLock: 'own',
  /** Furthest lean less the furthest that the method wants. */
  tiltLimiter: 'deg',
  /** Pad top less the elbow. */
  armHeight: 'mm',
  /** Upper arm out from the body. */
  armSpread: 'deg',
  /** Clear distance between the pads less the hips, with what soft tissue gives. */
  hipContact: 'mm',
  /** Underside of the pads above the thighs, or their clear distance less the hips: whichever is more. */
  padContact: 'mm',
  /** Clear distance between the pads less the hips. */
  hipClearance: 'mm',
  /** Pad top less the desk's top, as far as the elbow's band lets pads follow a desk; of methods with arms to the desk. */
  padsLevel: 'mm',
  /** Front end of the pad before the elbow. */
  padReach: 'mm',
  /** Front end of the pad to 20 mm short of a desk, or room for it to pass under the desk: whichever is more. */
  padAtDesk: 'mm',
  /** Turn of the pad less the turn of the forearm over it. */
  armPivot: 'deg',
  /** Slope of the pad less the slope of the forearm. */
  armAngle: 'deg',
  /** Pad centre less the nape, along the back. */
  headHeight: 'mm',
  /** Slope of the head pad, from the vertical, when leaning back. */
  headAngle: 'deg',
  /** Face of the head pad less the nape, square to the back, when leaning back. */
  headDepth: 'mm',
  /** Inside angle of the elbow with the hand on its control in neutral. */
  leverElbow: 'deg',
  /** Inside angle of the knee with the pedal half down. */
  pedalKnee: 'deg',
  /** Calibrated mass less the sitter's in working clothes. */
  suspensionWeight: 'own',
  /** Setting less what the ground asks for. */
  damper: 'own',
  /** Desk top less the height the task wants at this elbow. */
  deskTop: 'mm',
  /** Desk underside, drawer or apron less what has to go under it. */
  deskContact: 'mm',
  /** The same over the thighs alone, for comfort. */
  deskClearance: 'mm',
  /** Ceiling of a cab less the top of the head, thrown up by the ride. */
  headroom: 'mm',
  /** How far the screen's middle lies below the level line of sight, as the back's shape turns it. */
  gaze: 'deg',
} as const;

export type ConditionId = keyof typeof CONDITION_UNITS;
export const CONDITION_IDS = Object.keys(CONDITION_UNITS) as ConditionId[];

/** Tie-breaks in the order in which a solver applies them. */
export const TIE_BREAKS = ['shorterDepth', 'lowerArm', 'lighterTension', 'nearerRest'] as const;
export type TieBreak = (typeof TIE_BREAKS)[number];

/** What a method has to be warned of, wherever it is chosen (wording key `caution.method.<id>`). */
export const METHOD_CAUTIONS = ['openWedge', 'laidBack', 'lowSeat', 'saddle', 'perch'] as const;
export type MethodCaution = (typeof METHOD_CAUTIONS)[number];

/** What a method gives targets for. */
export type Targets = Readonly<Partial<Record<Exclude<ConditionId, 'kneeRoom'>, Target>>>;

/** One step of a method that goes by steps. */
export interface MethodStep {
  readonly name: string;
  readonly instruct: string;
  /** What is aimed at in this step; absent: what the method aims at. */
  readonly targets?: Targets | undefined;
  /** Nothing is computed here: what the sitter finds is judged. */
  readonly judgeOnly?: true | undefined;
}

/** As many steps a method may have. */
export const MOST_STEPS = 20;

/** Three or four fingers instead of a length; the hand of whoever checks. */
export const FINGER_COUNTS = [3, 4] as const;
export const HANDS_OF = ['sitter', 'fitter'] as const;
export interface Fingers {
  readonly lo: (typeof FINGER_COUNTS)[number];
  readonly hi: (typeof FINGER_COUNTS)[number];
  readonly whose: (typeof HANDS_OF)[number];
}

/** Breadth of three and of four fingers where no hand was measured, mm (common practice, no source). */
export const USUAL_FINGERS_MM = { 3: 50, 4: 70 } as const;

/** What the pads go by: the elbow, or, where the desk is at elbow height, the desk's top. */
export const ARMS_TO = ['elbow', 'desk'] as const;
export type ArmsTo = (typeof ARMS_TO)[number];

/**
 * When the tilt is locked: never, free with the tension matched; only for short intensive work; for work, free in
 * breaks; between two or three named angles, each of which is held.
 */
export const LOCK_USES = ['never', 'shortWork', 'freeInBreaks', 'toggled'] as const;
export type LockUse = (typeof LOCK_USES)[number];

/** How a seat stands before anything is set: the lift at the top; locked a little above upright; back fully back and level. */
export const NEUTRAL_STARTS = ['liftToTop', 'lockedUpright', 'backAndLevel'] as const;
export type NeutralStart = (typeof NEUTRAL_STARTS)[number];

/** Where the screen stands against the eye. */
export const SCREEN_WAYS = ['middleBelow', 'topAtEye', 'middleAtEye', 'lower'] as const;
export type ScreenWay = (typeof SCREEN_WAYS)[number];

/** Named target bands, tie-breaks and an order of setting: one immutable version. */
export interface Method {
  readonly id: string;
  readonly name: string;
  readonly summary: string;
  /** What a method leaves out holds as the common targets have it. */
  readonly targets: Targets;
  /** Room behind the knee; for children in proportion to their buttock–popliteal length. */
  readonly kneeRoom: Target;
  /** The room in fingers: its bounds hold for the usual hand and move with the measured one. */
  readonly fingers?: Fingers | undefined;
  /** What the pads go by; absent: the elbow. */
  readonly armsTo?: ArmsTo | undefined;
  /** Back angle from which the head leans on its rest, degrees; upright it must not touch. */
  readonly headRestFromDeg: number;
  /** What using a footrest costs, in points. */
  readonly footrestPenalty: number;
  /** When the tilt is locked; absent: only for short intensive work. */
  readonly lock?: LockUse | undefined;
  /** How the seat stands before anything is set; absent: the lift at the top. */
  readonly neutralStart?: NeutralStart | undefined;
  /** Where the screen stands against the eye; absent: as the target says. */
  readonly screen?: ScreenWay | undefined;
  /** One perches: on a stool or perch the thighs fall off its front until the feet stand. */
  readonly perches?: true | undefined;
  /** The seat is set so low that the knee rises off the pan to the lower end of the thigh's aim. */
  readonly raisesKnee?: true | undefined;
  /** Where neither pan nor front slope can let the thigh fall, level is aimed at. */
  readonly orLevel?: true | undefined;
  readonly tieBreaks: readonly TieBreak[];
  readonly order: readonly AdjustmentKind[];
  /** What is set a second time at the end, because later steps moved it. */
  readonly again?: readonly AdjustmentKind[] | undefined;
  readonly cautions?: readonly MethodCaution[] | undefined;
  /** Of a method that goes by steps. */
  readonly steps?: readonly MethodStep[] | undefined;
  /** The method that it was copied from. */
  readonly copiedFrom?: string | undefined;
  /** Bands reported beside the set posture without being solved for. */
  readonly reported: { readonly knee: Interval; readonly elbow: Interval };
}

/** Buttock–popliteal length for which the room behind the knee is stated, mm (an average adult). */
export const ROOM_REFERENCE_MM = 480;

/** The room behind the knee by the fingers of a measured hand: lower bounds by the fewer fingers, upper by the more. */
export function roomByFingers(
  target: Target,
  fingers: Fingers,
  handMm: Readonly<Record<3 | 4, number>>,
): Target {
  const by = {
    lo: handMm[fingers.lo] - USUAL_FINGERS_MM[fingers.lo],
    hi: handMm[fingers.hi] - USUAL_FINGERS_MM[fingers.hi],
  };
  const moved = (v: number | undefined, mm: number) => (v === undefined ? undefined : v + mm);
  return {
    ...target,
    bandLo: moved(target.bandLo, by.lo),
    aimLo: moved(target.aimLo, by.lo),
    aimHi: moved(target.aimHi, by.hi),
    bandHi: moved(target.bandHi, by.hi),
  };
}

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
