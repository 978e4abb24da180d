import { legOf, footGapMm, hollowFromRearMm, pushMm } from '../geometry/on-seat';
import { FEET, LEVEL_FEET, PUSH, has, legNeeds, owned, thighNeeds, type ConditionRow } from './condition';

const kneeRoomMm: ConditionRow['residual'] = (p, v) => hollowFromRearMm(p, v) - v.seatDepth;

/** Feet, thighs and the hollow of the knee. */
export const LEG_CONDITIONS: readonly ConditionRow[] = [
  {
    id: 'footGap',
    owners: owned('seatHeight', 'footRing', 'footrest'),
    scope: FEET,
    levelScope: LEVEL_FEET,
    applies: has('seatHeight'),
    needs: legNeeds,
    residual: (p, v, leg) => leg?.gapMm ?? footGapMm(p, v),
    extent: (x) => x.gap,
    onTrack: (kind) => (kind === 'seatHeight' ? 1 : -1),
  },
  {
    id: 'thigh',
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
  },
  {
    id: 'kneeRoom',
    owners: owned('seatDepth', 'backReach'),
    scope: ['seatDepth', ...PUSH],
    applies: has('seatDepth'),
    needs: () => ['buttockPoplitealLength'],
    through: pushMm,
    residual: kneeRoomMm,
    extent: (x) => x.kneeRoom(),
    onTrack: (kind) => (kind === 'seatDepth' ? -1 : 1),
    isStraight: true,
  },
];
