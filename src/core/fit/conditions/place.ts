import { assumed, practice, type Target } from '../../target';
import { one } from './saying';
import { TASK_OFFSETS } from '../../place';
import { tanDeg } from '../../units';
import { datumMm, legTopsMm } from '../geometry/on-seat';
import { elbowAboveSeatMm, elbowMm } from '../geometry/arms';
import { eyeMm, sightDeg } from '../geometry/head';
import { overThighsMm, screenBelowDeg, underDeskMm } from '../geometry/at-place';
import { headTopMm, overHeadMm } from '../geometry/overhead';
import type { Problem } from '../problem/problem';
import {
  COMFORT,
  CONTACT,
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
  condition,
  type Inverse,
} from './condition';

/** The height of the screen at which its middle would lie so far below the line of sight. */
const SCREEN: Inverse = {
  valueAt: (p, v, deg) =>
    eyeMm(p, v) - (p.inputs.place?.screenDistanceMm ?? NaN) * tanDeg(deg + sightDeg(p, v)),
};

const ceilingMm = (p: Problem): number => p.inputs.place?.headroomMm ?? NaN;

/**
 * How far the screen's middle lies below the eye: as guidance has it; with its top edge at the eye, as most screens are
 * high and far; itself at the eye; where the back is shaped until the eyes meet it; lower, until a head behind progressive lenses no longer tips back.
 */
export const SCREEN_TARGETS = {
  middleBelow: {
    bandLo: 0,
    aimLo: 15,
    aimHi: 20,
    bandHi: 30,
    weight: 1,
    basis: 'published',
    source: 'target: OSHA workstation guidance; range: assumed around it; not verified against source',
  },
  topAtEye: practice({ bandLo: 3, aimLo: 10, aimHi: 15, bandHi: 22, weight: 1 }),
  middleAtEye: practice({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 10, weight: 1 }),
  backShaped: practice({ bandLo: -3, aimLo: 0, aimHi: 0, bandHi: 3, weight: 3 }),
  lower: practice({ bandLo: 15, aimLo: 25, aimHi: 35, bandHi: 40, weight: 1 }),
} as const satisfies Record<string, Target>;

/** Desk, roof and screen. */
export const PLACE_CONDITIONS = [
  condition({
    /** Desk top less the height the task wants at this elbow. */
    id: 'deskTop',
    unit: 'mm',
    target: practice({ bandLo: -45, aimLo: -30, aimHi: 0, bandHi: 25, weight: 3 }),
    cures: { more: ['footrestMm', 'seatPadMm', 'deskMm.less', 'keyboardTrayMm'], less: ['deskMm'] },
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
  }),
  condition({
    /** Desk underside, drawer or apron less what has to go under it. */
    id: 'deskContact',
    unit: 'mm',
    target: CONTACT,
    cures: { less: ['deskMm'] },
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
  }),
  condition({
    /** The same over the thighs alone, for comfort. */
    id: 'deskClearance',
    unit: 'mm',
    target: COMFORT,
    cures: { less: ['deskMm'] },
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
  }),
  condition({
    /** Ceiling of a cab less the top of the head, thrown up by the ride. */
    id: 'headroom',
    unit: 'mm',
    target: assumed({ hardLo: 0, bandLo: 0, aimLo: 50, weight: 40 }),
    refusedBelow: 0,
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
  }),
  condition({
    /** How far the screen's middle lies below the level line of sight, as the back's shape turns it. */
    id: 'gaze',
    unit: 'deg',
    target: SCREEN_TARGETS.middleBelow,
    cures: { more: ['screenRiserMm'] },
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
  }),
] as const;
