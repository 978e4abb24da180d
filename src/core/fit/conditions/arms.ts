import { type Values, one } from './saying';
import { type Problem, type SetValues } from '../problem/problem';
import { padTurnDeg } from '../../posture';
import type { AdjustmentKind } from '../../seat';
import {
  HIP_GIVES_MM,
  clearAtSpread,
  clearMm,
  datumMm,
  elbowHalfMm,
  elbowOnPadMm,
  forearmDeg,
  orZero,
  padAtDeskTopMm,
  padBeforeDeskMm,
  padBeforeElbowMm,
  padOverThighMm,
  padUnderDeskMm,
  shoulderPoint,
  spreadDeg,
  trunkDegOf,
  upperArmMm,
} from '../geometry/on-seat';
import {
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
  type ConditionRow,
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

/** Arms and their pads. */
export const ARM_CONDITIONS: readonly ConditionRow[] = [
  {
    id: 'armSpread',
    owners: owned('armWidth', 'padSlide'),
    scope: ['armWidth', 'padSlide'],
    applies: has('armWidth'),
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
  },
  {
    id: 'hipContact',
    isSolid: true,
    owners: owned('armWidth', 'padSlide'),
    scope: ['armWidth', 'padSlide'],
    applies: has('armWidth'),
    needs: () => ['hipBreadthSitting'],
    residual: (p, v) => clearMm(v) - p.body.hipBreadthSitting + HIP_GIVES_MM,
    onTrack: 1,
    isStraight: true,
    says: hipValues,
  },
  {
    id: 'hipClearance',
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
  },
  {
    id: 'padContact',
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
  },
  {
    id: 'armHeight',
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
  },
  {
    id: 'padsLevel',
    owners: owned('armHeight'),
    scope: ['armHeight', 'armWidth', 'padSlide', 'deskHeight', ...SITS],
    levelScope: ['armHeight', 'armWidth', 'padSlide', 'deskHeight', ...LEVEL_SITS],
    applies: both(has('armHeight'), has('deskHeight'), (p) => p.inputs.method.armsTo === 'desk'),
    needs: elbowNeeds,
    residual: (p, v) => v.armHeight - padAtDeskTopMm(p, v),
    onTrack: 1,
    isStraight: true,
    says: (p, v) => ({ pad: { mm: v.armHeight }, wanted: { mm: padAtDeskTopMm(p, v) } }),
    steps: one('padsLevel', (p, v) => ({
      desk: { mm: v.deskHeight },
      seat: { mm: datumMm(p, v) },
      elbow: { mm: elbowOnPadMm(p, v) },
      wanted: { mm: padAtDeskTopMm(p, v) },
    })),
  },
  {
    id: 'padReach',
    owners: owned('armDepth'),
    scope: PAD_FRONT,
    applies: both(has('armDepth'), (p) => p.inputs.seat.arms !== null),
    needs: (p) => (p.seat.armsMoveWithBack ? ELBOW : ['shoulderHeightSitting']),
    residual: padBeforeElbowMm,
    onTrack: 1,
    isStraight: true,
    says: (_, __, o) => ({ before: { mm: o.residual } }),
    steps: one('padReach', (p, v) => ({ elbow: { mm: shoulderPoint(p, v).x } })),
  },
  {
    id: 'padAtDesk',
    owners: owned('armDepth'),
    scope: ['armDepth', 'armHeight', 'deskHeight', ...SITS],
    applies: both(has('armDepth'), has('armHeight'), has('deskHeight'), placeHas('keysFromEdgeMm')),
    needs: gripNeeds,
    residual: (p, v) => Math.max(padBeforeDeskMm(p, v), padUnderDeskMm(p, v)),
    either: [
      { scope: PAD_FRONT, residual: padBeforeDeskMm },
      { scope: ['armHeight', 'deskHeight', ...SITS], residual: padUnderDeskMm },
    ],
    onTrack: -1,
    says: (_, __, o) => ({ room: { mm: o.residual } }),
    steps: one('padAtDesk', (p) => ({
      grip: { mm: p.gripMm },
      keys: { mm: p.inputs.place?.keysFromEdgeMm ?? 0 },
      edge: { mm: p.gripMm - (p.inputs.place?.keysFromEdgeMm ?? 0) },
    })),
  },
  {
    id: 'armPivot',
    owners: owned('armPivot'),
    scope: ['armPivot', 'armWidth', 'padSlide'],
    applies: both(has('armPivot'), has('armWidth')),
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
  },
  {
    id: 'armAngle',
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
  },
];
