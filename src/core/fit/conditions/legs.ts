import { practice } from '../../target';
import { USUAL_FINGERS_MM } from '../../target';
import { type Side, type Step, one } from './saying';
import { handOf } from '../problem/hand';
import type { Problem, SetValues } from '../problem/problem';
import { type Message, message } from '../../message';
import {
  bareGapMm,
  footGapMm,
  hollowFromRearMm,
  legOf,
  mayFallMm,
  panDegOf,
  pushMm,
} from '../geometry/on-seat';
import {
  FEET,
  LEVEL_FEET,
  PUSH,
  has,
  legNeeds,
  owned,
  thighNeeds,
  condition,
  type ConditionRow,
} from './condition';

const kneeRoomMm: ConditionRow['residual'] = (p, v) => hollowFromRearMm(p, v) - v.seatDepth;

/** How far forward of the back support's most forward point the buttocks lie; less than 0 in a recess behind it. */
const forwardMm = (p: Problem, v: SetValues): number =>
  hollowFromRearMm(p, v) - p.body.buttockPoplitealLength;

/** What support, shoe and lower leg reach up to from the floor. */
const reachUpMm = (p: Problem, v: SetValues): number =>
  legOf(p, v).supportMm + p.body.shoeHeel + p.lowerLegMm;

/** Whether the feet stand on the floor or on something, and whether the knee is where they reach, above or below. */
function footWords(p: Problem, v: SetValues, side: Side): string {
  const gap = Math.round(legOf(p, v).hollowMm - reachUpMm(p, v));
  const on = legOf(p, v).supportMm > 0 ? 'support' : 'floor';
  return side === 'good' ? `.${gap === 0 ? 'level' : gap > 0 ? 'above' : 'below'}.${on}` : `.${on}`;
}

/** Sitting forward of the back support, behind it, or at it: each has a wording of its own. */
function roomWords(p: Problem, v: SetValues): string {
  const forward = Math.round(forwardMm(p, v));
  return forward === 0 ? '' : forward > 0 ? '.forward' : '.back';
}

/** The room in fingers, where the method says it so: of which hand, measured or typical. */
function fingers(p: Problem): Message[] {
  const { method } = p.inputs;
  if (!method.fingers) return [];
  const hand = handOf(p.inputs);
  const { lo, hi, whose } = method.fingers;
  return [
    message(hand ? 'chain.fingers' : 'chain.fingers.usual', {
      lo: { count: lo },
      hi: { count: hi },
      whose: { word: `handOf.${whose}` },
      loMm: { mm: (hand ?? USUAL_FINGERS_MM)[lo] },
      hiMm: { mm: (hand ?? USUAL_FINGERS_MM)[hi] },
    }),
  ];
}

/** Of the foot gap: what reaches down from the hollow of the knee, and where the lift has to read for it. */
const feet: Step = (p, v) => {
  const leg = legOf(p, v);
  const sum = leg.supportMm + p.body.shoeHeel + p.lowerLegMm;
  const over = leg.hollowMm - v.seatHeight;
  const steps = [
    message('chain.footGap', {
      leg: { mm: p.lowerLegMm },
      shoe: { mm: p.body.shoeHeel },
      support: { mm: leg.supportMm },
      sum: { mm: sum },
    }),
  ];
  if (p.shankAtDeg !== 0)
    steps.unshift(
      message('chain.pedals', {
        leg: { mm: p.body.poplitealHeight },
        deg: { deg: p.shankAtDeg },
        then: { mm: p.lowerLegMm },
      }),
    );
  if (Math.abs(over) >= 0.5)
    steps.push(
      message('chain.footGap.tilt', {
        pan: { deg: panDegOf(p, v) },
        over: { mm: over },
        reads: { mm: sum - over },
      }),
    );
  return steps;
};

/** Feet, thighs and the hollow of the knee. */
export const LEG_CONDITIONS = [
  condition({
    /** Height of the knee's hollow on the seat less shoe and lower leg: positive, the feet dangle. */
    id: 'footGap',
    unit: 'mm',
    target: practice({ hardLo: -45, bandLo: -25, aimLo: -15, aimHi: 0, bandHi: 5, hardHi: 60, weight: 5 }),
    cures: { more: ['footrestMm', 'columnMm.less'], less: ['columnMm', 'seatPadMm'] },
    variant: footWords,
    owners: owned('seatHeight', 'footRing', 'footrest'),
    scope: FEET,
    levelScope: LEVEL_FEET,
    applies: has('seatHeight'),
    needs: legNeeds,
    residual: (p, v, leg) => leg?.gapMm ?? footGapMm(p, v),
    extent: (x) => x.gap,
    forgiving: {
      // A knee that a method raises lies on nothing that drops.
      applies: (p) => p.hasSlope && p.raisedDeg === null,
      bare: (p, v, leg) => leg?.bareGapMm ?? bareGapMm(p, v),
      by: (p, v, leg) => leg?.mayFallMm ?? mayFallMm(p, v),
      extent: (x) => x.bareGap,
      most: (x) => x.fall.hi,
    },
    onTrack: (kind) => (kind === 'seatHeight' ? 1 : -1),
    says: (p, v) => {
      const { hollowMm, supportMm } = legOf(p, v);
      return {
        hollow: { mm: hollowMm },
        leg: { mm: p.lowerLegMm },
        shoe: { mm: p.body.shoeHeel },
        support: { mm: supportMm },
        reach: { mm: reachUpMm(p, v) },
        gap: { sizeMm: hollowMm - reachUpMm(p, v) },
      };
    },
    steps: feet,
  }),
  condition({
    /** Underside of the thigh, positive with the knee up. */
    id: 'thigh',
    unit: 'deg',
    target: practice({ bandLo: -4, aimLo: 0, aimHi: 0, bandHi: 4, weight: 2 }),
    cures: { more: ['columnMm', 'seatPadMm'] },
    owners: (p) =>
      has('seatAngle', 'forwardTilt', 'frontSlope')(p)
        ? owned('seatAngle', 'forwardTilt', 'frontSlope')(p)
        : ['seatHeight'],
    scope: FEET,
    levelScope: LEVEL_FEET,
    applies: has('seatHeight'),
    needs: thighNeeds,
    residual: (p, v, leg = legOf(p, v)) => leg.thighDeg,
    extent: (x) => x.thigh,
    onTrack: (kind) => (kind === 'frontSlope' ? null : 1),
    says: (p, v) => ({ thigh: { deg: legOf(p, v).thighDeg }, pan: { deg: panDegOf(p, v) } }),
    steps: one('thigh', (p, v) => ({ pan: { deg: panDegOf(p, v) }, thigh: { deg: legOf(p, v).thighDeg } })),
  }),
  condition({
    /** Hollow of the knee to the seat's front edge. */
    id: 'kneeRoom',
    unit: 'mm',
    target: null,
    cures: { less: ['backCushionMm'] },
    variant: roomWords,
    owners: owned('seatDepth', 'backReach'),
    scope: ['seatDepth', ...PUSH],
    applies: has('seatDepth'),
    needs: () => ['buttockPoplitealLength'],
    through: pushMm,
    residual: kneeRoomMm,
    extent: (x) => x.kneeRoom(),
    onTrack: (kind) => (kind === 'seatDepth' ? -1 : 1),
    isStraight: true,
    says: (p, v, o) => ({
      length: { mm: p.body.buttockPoplitealLength },
      depth: { mm: v.seatDepth },
      forward: { sizeMm: forwardMm(p, v) },
      room: { mm: o.residual },
    }),
    steps: (p, v) => [
      message('chain.kneeRoom', {
        length: { mm: p.body.buttockPoplitealLength },
        recess: { mm: p.seat.recessMm },
        push: { mm: pushMm(p, v) },
        depth: { mm: v.seatDepth },
        room: { mm: p.body.buttockPoplitealLength - p.seat.recessMm + pushMm(p, v) - v.seatDepth },
      }),
      ...fingers(p),
    ],
  }),
] as const;
