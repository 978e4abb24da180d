import { outsideBy, type Interval } from '../method';
import { missingOf, type DimensionId } from '../body';
import {
  FOREARM_FRACTION,
  HIP_ABOVE_PAN_MM,
  KNEE_ABOVE_UNDERSIDE_MM,
  elbowDeg,
  kneeDeg,
  trunkThighDeg,
} from '../posture';
import { atan2Deg, cosDeg, sinDeg } from '../units';
import { datumFromRearMm, datumMm, elbowAboveSeatMm, hollowFromRearMm, legOf } from './on-seat';
import type { Problem, SetValues } from './problem';

export const ANGLE_IDS = ['knee', 'trunkThigh', 'elbow', 'hipKneeLine'] as const;

/** An angle of the set posture; null where a measure is missing. */
export interface PostureAngle {
  readonly id: (typeof ANGLE_IDS)[number];
  readonly deg: number | null;
  readonly wanted: Interval | null;
  readonly inside: boolean;
  readonly missing: readonly DimensionId[];
}

/** Angles are shown to half a degree. */
const ANGLE_SLACK_DEG = 0.5;

const LEG: readonly DimensionId[] = ['poplitealHeight', 'shoeHeel', 'buttockPoplitealLength', 'stature'];
const ELBOW: readonly DimensionId[] = ['elbowHeightSitting', 'shoulderHeightSitting', 'stature'];

/** How far the visible line from hip to knee falls, degrees; the underside of the thigh falls about 5° less. */
function hipKneeFallDeg(p: Problem, v: SetValues): number {
  const { thighDeg } = legOf(p, v);
  const along = hollowFromRearMm(p, v) - datumFromRearMm(p, v);
  const rise = along * sinDeg(thighDeg) + (KNEE_ABOVE_UNDERSIDE_MM - HIP_ABOVE_PAN_MM) * cosDeg(thighDeg);
  return atan2Deg(-rise, along * cosDeg(thighDeg));
}

function handsMm(p: Problem, v: SetValues): number {
  if (!Number.isNaN(v.deskHeight)) return v.deskHeight + (p.inputs.place?.keyboardThicknessMm ?? 0);
  if (!Number.isNaN(v.armHeight)) return datumMm(p, v) + v.armHeight;
  return NaN;
}

/** Knee, trunk–thigh and elbow angle of the set posture, and the hip–knee line that people judge by. */
export function anglesOf(p: Problem, v: SetValues): PostureAngle[] {
  const { reported, targets } = p.inputs.method;
  const band = targets.trunkThigh;
  const rows: [PostureAngle['id'], readonly DimensionId[], Interval | null, () => number][] = [
    ['knee', LEG, reported.knee, () => kneeDeg(legOf(p, v).thighDeg, legOf(p, v).shankDeg)],
    [
      'trunkThigh',
      LEG,
      { lo: band.bandLo ?? -Infinity, hi: band.bandHi ?? Infinity },
      () => trunkThighDeg(Number.isNaN(v.backAngle) ? 0 : v.backAngle, legOf(p, v).thighDeg),
    ],
    [
      'elbow',
      ELBOW,
      p.inputs.place?.task === 'handwork' ? null : reported.elbow,
      () =>
        elbowDeg(datumMm(p, v) + elbowAboveSeatMm(p, v, 0), handsMm(p, v), FOREARM_FRACTION * p.body.stature),
    ],
    ['hipKneeLine', LEG, null, () => hipKneeFallDeg(p, v)],
  ];
  return rows.map(([id, needs, wanted, compute]) => {
    const missing = missingOf(p.inputs.body, needs);
    const deg = missing.length > 0 ? NaN : Math.round(compute() * 10) / 10;
    const known = Number.isFinite(deg);
    return {
      id,
      deg: known ? deg : null,
      wanted,
      inside: known && (wanted === null || Math.abs(outsideBy(wanted, deg)) <= ANGLE_SLACK_DEG),
      missing,
    };
  });
}
