import { message } from '../../message';
import { assumed, practice } from '../../target';
import { type Values, one } from './saying';
import { type Problem, type SetValues } from '../problem/problem';
import { padTurnDeg } from '../../posture';
import type { AdjustmentKind } from '../../seat';
import {
  HIP_GIVES_MM,
  clearAtSpread,
  clearMm,
  elbowHalfMm,
  elbowOnPadMm,
  padBeforeElbowMm,
  padOverThighMm,
  shoulderPoint,
  spreadDeg,
  upperArmMm,
} from '../geometry/arms';
import { datumMm, orZero, trunkDegOf } from '../geometry/on-seat';
import { forearmDeg, padAtDeskMm, padBeforeDeskMm, padUnderDeskMm } from '../geometry/at-place';
import {
  COMFORT,
  CONTACT,
  ELBOW,
  LEANS,
  LEVEL_SITS,
  PUSH,
  SITS,
  TRUNK,
  both,
  elbowNeeds,
  gripNeeds,
  has,
  owned,
  placeHas,
  condition,
} from './condition';

/** Pads too low for the elbow may be left unused: what that costs, and for each millimetre (assumed). */
const PADS_UNUSED = { flat: 12, perUnit: 0.01 };
/** What moves the front end of the pads against the elbow. */
const PAD_FRONT: readonly AdjustmentKind[] = ['armDepth', ...LEANS, ...PUSH];

function hipValues(p: Problem, v: SetValues): Values {
  const clear = clearMm(v);
  const hips = p.body.hipBreadthSitting;
  return {
    clear: { mm: clear },
    hips: { mm: hips },
    side: { mm: (clear - hips) / 2 },
    gives: { mm: HIP_GIVES_MM },
  };
}

/** Where the elbow lies over a pad hangs on its width. */
const knowsPadWidth = (p: Problem): boolean => Number.isFinite(p.seat.padWidthMm);

/** Whether a method has the pads follow the desk. */
const followsDesk = ({ inputs: { method } }: Problem): boolean =>
  method.armsTo === 'desk' || method.armsTo === 'forearm';

/** Arms and their pads. */
export const ARM_CONDITIONS = [
  condition({
    /** Upper arm out from the body. */
    id: 'armSpread',
    unit: 'deg',
    target: assumed({ aimHi: 15, bandHi: 20, weight: 1 }),
    cures: { more: ['armsOff', 'armsFolded'], less: ['armsOff', 'armsFolded'] },
    owners: owned('armWidth', 'padSlide'),
    scope: ['armWidth', 'padSlide'],
    applies: both(has('armWidth'), knowsPadWidth),
    needs: () => ['elbowToElbowBreadth', ...ELBOW],
    residual: spreadDeg,
    onTrack: (kind) => ({
      valueAt: (p, v, deg) => clearAtSpread(p, deg) - (kind === 'armWidth' ? orZero(v.padSlide) : v.armWidth),
    }),
    says: (_, v, o) => ({ out: { deg: o.residual }, clear: { mm: clearMm(v) } }),
    steps: one('armSpread', (p, v) => ({
      clear: { mm: clearMm(v) },
      pad: { mm: p.seat.padWidthMm },
      elbows: { mm: p.body.elbowToElbowBreadth },
      forearm: { mm: p.forearmBreadthMm },
      arm: { mm: upperArmMm(p) },
      out: { deg: spreadDeg(p, v) },
    })),
  }),
  condition({
    /** Clear distance between the pads less the hips, with what soft tissue gives. */
    id: 'hipContact',
    unit: 'mm',
    target: CONTACT,
    cures: { less: ['armsOff', 'armsFolded'] },
    isSolid: true,
    owners: owned('armWidth', 'padSlide'),
    scope: ['armWidth', 'padSlide'],
    applies: has('armWidth'),
    needs: () => ['hipBreadthSitting'],
    residual: (p, v) => clearMm(v) - p.body.hipBreadthSitting + HIP_GIVES_MM,
    onTrack: 1,
    isStraight: true,
    says: hipValues,
  }),
  condition({
    /** Clear distance between the pads less the hips. */
    id: 'hipClearance',
    unit: 'mm',
    target: COMFORT,
    cures: { less: ['armsOff', 'armsFolded'] },
    owners: owned('armWidth', 'padSlide'),
    scope: ['armWidth', 'padSlide'],
    applies: has('armWidth'),
    needs: () => ['hipBreadthSitting'],
    residual: (p, v) => clearMm(v) - p.body.hipBreadthSitting,
    onTrack: 1,
    isStraight: true,
    says: hipValues,
    steps: one('hipClearance', (p, v) => ({
      clear: { mm: clearMm(v) },
      hips: { mm: p.body.hipBreadthSitting },
      side: { mm: (clearMm(v) - p.body.hipBreadthSitting) / 2 },
    })),
  }),
  condition({
    /** Underside of the pads above the thighs, or their clear distance less the hips: whichever is more. */
    id: 'padContact',
    unit: 'mm',
    target: CONTACT,
    cures: { less: ['armsOff', 'armsFolded'] },
    isSolid: true,
    owners: owned('armHeight'),
    scope: ['armHeight', 'armWidth', 'padSlide'],
    applies: both(has('armHeight'), has('armWidth')),
    needs: () => ['thighClearance', 'hipBreadthSitting'],
    residual: padOverThighMm,
    onTrack: null,
    says: (p, v, o) => ({
      room: { mm: o.residual },
      pad: { mm: v.armHeight },
      thigh: { mm: p.body.thighClearance },
    }),
  }),
  condition({
    /** Pad top less the elbow. */
    id: 'armHeight',
    unit: 'mm',
    target: practice({ bandLo: -20, aimLo: -10, aimHi: 0, bandHi: 5, hardHi: 25, weight: 3 }),
    cures: { more: ['armsOff', 'armsFolded', 'seatPadMm'], less: ['armsOff', 'armsFolded'] },
    owners: owned('armHeight'),
    scope: ['armHeight', 'armWidth', 'padSlide', ...TRUNK],
    applies: has('armHeight'),
    needs: elbowNeeds,
    residual: (p, v) => v.armHeight - elbowOnPadMm(p, v),
    unused: PADS_UNUSED,
    onTrack: 1,
    isStraight: true,
    says: (p, v) => ({ elbow: { mm: elbowOnPadMm(p, v) }, pad: { mm: v.armHeight } }),
    steps: one('armHeight', (p, v) => ({
      elbow: { mm: p.body.elbowHeightSitting },
      back: { deg: trunkDegOf(v) },
      out: { deg: Math.max(0, orZero(spreadDeg(p, v))) },
      wanted: { mm: elbowOnPadMm(p, v) },
    })),
  }),
  condition({
    /** Pad top less the desk's top, as far as the elbow's band lets pads follow a desk; of methods with arms to the desk. */
    id: 'padsLevel',
    unit: 'mm',
    // Stronger than the elbow's own aim, within whose band it stays.
    target: practice({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 4 }),
    cures: { more: ['armsOff', 'armsFolded'], less: ['armsOff', 'armsFolded'] },
    owners: owned('armHeight'),
    scope: ['armHeight', 'armWidth', 'padSlide', 'deskHeight', ...SITS],
    levelScope: ['armHeight', 'armWidth', 'padSlide', 'deskHeight', ...LEVEL_SITS],
    variant: (p) => (p.inputs.method.armsTo === 'forearm' ? '.forearm' : ''),
    applies: both(has('armHeight'), has('deskHeight'), followsDesk),
    needs: (p) => (p.inputs.method.armsTo === 'forearm' ? [...ELBOW, 'stature'] : elbowNeeds(p)),
    residual: (p, v) => v.armHeight - padAtDeskMm(p, v),
    onTrack: 1,
    isStraight: true,
    says: (p, v) => ({ pad: { mm: v.armHeight }, wanted: { mm: padAtDeskMm(p, v) } }),
    steps: (p, v) => [
      message(p.inputs.method.armsTo === 'forearm' ? 'chain.padsLevel.forearm' : 'chain.padsLevel', {
        desk: { mm: v.deskHeight },
        seat: { mm: datumMm(p, v) },
        elbow: { mm: elbowOnPadMm(p, v) },
        slope: { deg: forearmDeg(p, v) },
        wanted: { mm: padAtDeskMm(p, v) },
      }),
    ],
  }),
  condition({
    /** Front end of the pad before the elbow. */
    id: 'padReach',
    unit: 'mm',
    target: practice({ bandLo: 170, aimLo: 200, aimHi: 200, bandHi: 230, weight: 1 }),
    cures: { more: ['armsOff', 'armsFolded'], less: ['armsOff', 'armsFolded'] },
    owners: owned('armDepth'),
    scope: PAD_FRONT,
    applies: both(has('armDepth'), (p) => p.inputs.seat.arms !== null),
    needs: (p) => (p.seat.armsMoveWithBack ? ELBOW : ['shoulderHeightSitting']),
    residual: padBeforeElbowMm,
    onTrack: 1,
    isStraight: true,
    says: (_, __, o) => ({ before: { mm: o.residual } }),
    steps: one('padReach', (p, v) => ({ elbow: { mm: shoulderPoint(p, v).x } })),
  }),
  condition({
    /** Front end of the pad to 20 mm short of a desk, or room for it to pass under the desk: whichever is more. */
    id: 'padAtDesk',
    unit: 'mm',
    target: practice({ bandLo: -10, aimLo: 0, weight: 1 }),
    cures: { less: ['armsOff', 'armsFolded'] },
    owners: owned('armDepth'),
    scope: ['armDepth', 'armHeight', 'deskHeight', ...SITS],
    applies: both(has('armDepth'), has('armHeight'), has('deskHeight'), placeHas('keysFromEdgeMm')),
    needs: gripNeeds,
    residual: (p, v) => Math.max(padBeforeDeskMm(p, v), padUnderDeskMm(p, v)),
    either: [
      { scope: PAD_FRONT, residual: padBeforeDeskMm, most: (x) => x.padBeforeDeskMost() },
      { scope: ['armHeight', 'deskHeight', ...SITS], residual: padUnderDeskMm },
    ],
    onTrack: -1,
    says: (_, __, o) => ({ room: { mm: o.residual } }),
    steps: one('padAtDesk', (p) => ({
      grip: { mm: p.gripMm },
      keys: { mm: p.inputs.place?.keysFromEdgeMm ?? 0 },
      edge: { mm: p.gripMm - (p.inputs.place?.keysFromEdgeMm ?? 0) },
    })),
  }),
  condition({
    /** Turn of the pad less the turn of the forearm over it. */
    id: 'armPivot',
    unit: 'deg',
    target: assumed({ bandLo: -15, aimLo: 0, aimHi: 0, bandHi: 10, weight: 1 }),
    cures: { more: ['armsOff', 'armsFolded'], less: ['armsOff', 'armsFolded'] },
    owners: owned('armPivot'),
    scope: ['armPivot', 'armWidth', 'padSlide'],
    applies: both(has('armPivot'), has('armWidth'), knowsPadWidth),
    needs: (p) => [Number.isNaN(p.body.forearmHandLength) ? 'stature' : 'forearmHandLength'],
    residual: (p, v) => v.armPivot - padTurnDeg(elbowHalfMm(p, v), p.fingertipMm),
    onTrack: 1,
    isStraight: true,
    says: (p, v) => ({
      pad: { deg: v.armPivot },
      forearm: { deg: padTurnDeg(elbowHalfMm(p, v), p.fingertipMm) },
    }),
    steps: one('armPivot', (p, v) => ({
      elbow: { mm: elbowHalfMm(p, v) },
      length: { mm: p.fingertipMm },
      wanted: { deg: padTurnDeg(elbowHalfMm(p, v), p.fingertipMm) },
    })),
  }),
  condition({
    /** Slope of the pad less the slope of the forearm. */
    id: 'armAngle',
    unit: 'deg',
    target: assumed({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 1 }),
    cures: { more: ['armsOff', 'armsFolded'], less: ['armsOff', 'armsFolded'] },
    owners: owned('armAngle'),
    scope: ['armAngle', 'deskHeight', ...SITS],
    levelScope: ['armAngle', 'deskHeight', ...LEVEL_SITS],
    applies: both(has('armAngle'), (p) => has('deskHeight')(p) || placeHas('handControls')(p)),
    needs: () => [...ELBOW, 'stature'],
    residual: (p, v) => v.armAngle - forearmDeg(p, v),
    extent: (x) => x.armAngle(),
    onTrack: 1,
    isStraight: true,
    says: (p, v) => ({ pad: { deg: v.armAngle }, forearm: { deg: forearmDeg(p, v) } }),
    steps: one('armAngle', (p, v) => ({ wanted: { deg: forearmDeg(p, v) } })),
  }),
] as const;
