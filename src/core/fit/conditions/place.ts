import { one } from './saying';
import { TASK_OFFSETS } from '../../place';
import { tanDeg } from '../../units';
import {
  datumMm,
  elbowAboveSeatMm,
  elbowMm,
  eyeMm,
  legTopsMm,
  overThighsMm,
  screenBelowDeg,
  sightDeg,
  underDeskMm,
} from '../geometry/on-seat';
import { headTopMm, overHeadMm } from '../geometry/overhead';
import type { Problem } from '../problem/problem';
import {
  FEET,
  LEVEL_FEET,
  LEVEL_SITS,
  SITS,
  both,
  elbowNeeds,
  has,
  headNeeds,
  inverseOf,
  leans,
  owned,
  placeHas,
  thighNeeds,
  type ConditionRow,
  type Inverse,
} from './condition';

/** The height of the screen at which its middle would lie so far below the line of sight. */
const SCREEN: Inverse = {
  valueAt: (p, v, deg) =>
    eyeMm(p, v) - (p.inputs.place?.screenDistanceMm ?? NaN) * tanDeg(deg + sightDeg(p, v)),
};

const ceilingMm = (p: Problem): number => p.inputs.place?.headroomMm ?? NaN;

/** Desk, roof and screen. */
export const PLACE_CONDITIONS: readonly ConditionRow[] = [
  {
    id: 'deskTop',
    owners: owned('deskHeight'),
    scope: [...SITS, 'deskHeight'],
    levelScope: [...LEVEL_SITS, 'deskHeight'],
    applies: has('deskHeight'),
    needs: elbowNeeds,
    residual: (p, v) => v.deskHeight + (p.inputs.place?.keyboardThicknessMm ?? 0) - elbowMm(p, v),
    extent: (x) => x.deskTop,
    onTrack: 1,
    isStraight: true,
    says: (p, v) => {
      const keyboard = p.inputs.place?.keyboardThicknessMm ?? 0;
      return {
        elbow: { mm: elbowMm(p, v) },
        keyboard: { mm: keyboard },
        desk: { mm: v.deskHeight },
        hands: { mm: v.deskHeight + keyboard },
      };
    },
    steps: one('deskTop', (p, v) => {
      const elbow = elbowAboveSeatMm(p, v, 0);
      const keyboard = p.inputs.place?.keyboardThicknessMm ?? 0;
      const offset = TASK_OFFSETS[p.inputs.place?.task ?? 'keyboard'];
      return {
        datum: { mm: datumMm(p, v) },
        elbow: { mm: elbow },
        keyboard: { mm: keyboard },
        top: { mm: datumMm(p, v) + elbow - keyboard },
        lo: { mm: offset.lo },
        hi: { mm: offset.hi },
      };
    }),
  },
  {
    id: 'deskContact',
    isSolid: true,
    owners: owned('deskHeight'),
    scope: [...FEET, 'deskHeight'],
    levelScope: [...LEVEL_FEET, 'deskHeight'],
    applies: has('deskHeight'),
    needs: () => [...thighNeeds(), 'thighClearance', 'kneeHeight'],
    residual: (p, v, leg) => v.deskHeight - (p.inputs.place?.deskThicknessMm ?? 0) - underDeskMm(p, v, leg),
    extent: (x) => x.deskContact,
    onTrack: 1,
    isStraight: true,
    says: (p, v, o) => ({
      underside: { mm: v.deskHeight - (p.inputs.place?.deskThicknessMm ?? 0) },
      legs: { mm: underDeskMm(p, v) },
      room: { mm: o.residual },
    }),
    steps: one('deskClearance', (p, v) => ({
      thigh: { mm: legTopsMm(p, v).thigh },
      knee: { mm: legTopsMm(p, v).knee },
    })),
  },
  {
    id: 'deskClearance',
    owners: owned('deskHeight'),
    scope: [...FEET, 'deskHeight'],
    levelScope: [...LEVEL_FEET, 'deskHeight'],
    applies: has('deskHeight'),
    needs: () => [...thighNeeds(), 'thighClearance'],
    residual: overThighsMm,
    extent: (x) => x.deskClearance,
    onTrack: 1,
    isStraight: true,
    says: (p, v, o) => ({
      underside: { mm: legTopsMm(p, v).thigh + o.residual },
      legs: { mm: legTopsMm(p, v).thigh },
      room: { mm: o.residual },
    }),
  },
  {
    id: 'headroom',
    isSolid: true,
    owners: () => ['seatHeight'],
    scope: SITS,
    levelScope: ['seatHeight'],
    applies: both(has('seatHeight'), placeHas('headroomMm')),
    needs: () => ['sittingHeight'],
    // Nobody is let under a roof for a guess, nor kept out.
    onlyMeasured: true,
    residual: (p, v) => ceilingMm(p) - headTopMm(p, v),
    extent: ({ p, datum }) => {
      const above = ceilingMm(p) - p.body.sittingHeight - overHeadMm(p.inputs);
      return { lo: above - datum.hi, hi: above - datum.lo };
    },
    onTrack: -1,
    isStraight: true,
    says: (p, v, o) => ({
      top: { mm: headTopMm(p, v) },
      ceiling: { mm: p.inputs.place?.headroomMm ?? NaN },
      room: { mm: o.residual },
    }),
    steps: one('headroom', (p, v) => ({
      datum: { mm: datumMm(p, v) },
      sitting: { mm: p.body.sittingHeight },
      over: { mm: overHeadMm(p.inputs) },
      top: { mm: headTopMm(p, v) },
    })),
  },
  {
    id: 'gaze',
    owners: owned('screenHeight', 'backProfile'),
    scope: ['screenHeight', 'backProfile', ...SITS],
    levelScope: ['screenHeight', 'backProfile', ...LEVEL_SITS],
    applies: both(has('screenHeight'), placeHas('screenDistanceMm')),
    needs: (p) => ['eyeHeightSitting', ...(leans(p) ? headNeeds(p).filter((id) => id !== 'napeHeight') : [])],
    residual: (p, v) => screenBelowDeg(p, v) - sightDeg(p, v),
    extent: (x) => x.gaze(),
    onTrack: (kind) =>
      kind === 'screenHeight' ? SCREEN : inverseOf('backProfile', (p, v) => screenBelowDeg(p, v), -1),
    says: (p, v, o) => ({
      eye: { mm: eyeMm(p, v) },
      screen: { mm: v.screenHeight },
      angle: { deg: o.residual },
    }),
    steps: one('gaze', (p, v) => ({
      eye: { mm: eyeMm(p, v) },
      far: { mm: p.inputs.place?.screenDistanceMm ?? 0 },
      below: { deg: screenBelowDeg(p, v) },
      turned: { deg: sightDeg(p, v) },
    })),
  },
];
