import type { AdjustmentKind } from '../seat';
import { COMMON_TARGETS, SCREEN_TARGETS, type ConditionId } from '../fit';
import type { Fingers, Interval, Target } from '../target';

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

/**
 * What the pads go by: the elbow; the desk's top, where the desk is at elbow height; or the forearm, which they carry on
 * its way to the hands while the elbow is free.
 */
export const ARMS_TO = ['elbow', 'desk', 'forearm'] as const;
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
export type ScreenWay = keyof typeof SCREEN_TARGETS;
export const SCREEN_WAYS = Object.keys(SCREEN_TARGETS) as ScreenWay[];

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

/**
 * The target of a condition as a method has it.
 * @returns bounds in the condition’s unit. Source stands with the target.
 * @example
 * targetOf(method, 'footGap').aimLo // => -15
 */
export const targetOf = (method: Method, id: Exclude<ConditionId, 'kneeRoom'>): Target =>
  method.targets[id] ?? COMMON_TARGETS[id];

const beyondCommon = (targets: Targets): Targets =>
  Object.fromEntries(
    Object.entries(targets).filter(
      ([id, target]) =>
        JSON.stringify(target) !== JSON.stringify(COMMON_TARGETS[id as keyof typeof COMMON_TARGETS]),
    ),
  );

/**
 * The same method in fewer words: without the targets that hold anyway where a method leaves them out.
 * @returns a method that computes the same. Definition.
 * @example
 * leanMethod(method).targets // => {}
 */
export const leanMethod = (method: Method): Method => ({
  ...method,
  targets: beyondCommon(method.targets),
  ...(method.steps && {
    steps: method.steps.map((step) =>
      step.targets ? { ...step, targets: beyondCommon(step.targets) } : step,
    ),
  }),
});
