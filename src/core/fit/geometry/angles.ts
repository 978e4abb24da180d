import { bandOf, outsideBy, type Interval } from '../../target';
import { estimatedOf, missingOf, type DimensionId } from '../../body';
import { elbowDeg, kneeDeg, trunkThighDeg } from '../../posture';
import { asinDeg, atan2Deg, cosDeg, sinDeg } from '../../units';
import { datumMm, hipAboveMm, kneeAboveMm, legOf, reachMm, trunkDegOf } from './on-seat';
import { elbowMm, spreadDeg } from './arms';
import { forearmDeg, handsMm, leverElbowDeg, pedalKneeDeg, screenBelowDeg } from './at-place';
import { sightDeg } from './head';
import type { Problem, SetValues } from '../problem/problem';

export const ANGLE_IDS = [
  'knee',
  'trunkThigh',
  'elbow',
  'shoulder',
  'wrist',
  'neck',
  'gaze',
  'hipKneeLine',
] as const;

/** Who stands behind a band: the method, or a published figure (wording key `angleSource.<id>`). */
export const ANGLE_SOURCES = ['method', 'rebiffe', 'iso11226', 'rula', 'osha', 'none'] as const;

/** An angle of the set posture; null where a measure is missing. */
export interface PostureAngle {
  readonly id: (typeof ANGLE_IDS)[number];
  readonly deg: number | null;
  readonly wanted: Interval | null;
  readonly source: (typeof ANGLE_SOURCES)[number];
  readonly inside: boolean;
  readonly missing: readonly DimensionId[];
  /** Whether a measure behind it was only estimated. */
  readonly isEstimate: boolean;
}

/** Angles are shown to half a degree. */
const ANGLE_SLACK_DEG = 0.5;

const LEG: readonly DimensionId[] = ['poplitealHeight', 'shoeHeel', 'buttockPoplitealLength', 'stature'];
const ELBOW: readonly DimensionId[] = ['elbowHeightSitting', 'shoulderHeightSitting'];

/** Upper arm from hanging, and neck against trunk (ISO 11226:2000, acceptable; from memory). */
const UPPER_ARM: Interval = { lo: -20, hi: 20 };
const NECK: Interval = { lo: 0, hi: 25 };
/** Wrist bent from straight (RULA, McAtamney & Corlett 1993; from memory). */
const WRIST: Interval = { lo: -15, hi: 15 };
/** Middle of the screen below the eye (OSHA workstation guidance: 15–20, to 30 at most assumed; from memory). */
const GAZE: Interval = { lo: 0, hi: 30 };
/** Of looking down, what the eyes take before the neck bends, degrees (common practice: 15–20). */
const EYES_TAKE_DEG = 20;

/** How far the visible line from hip to knee falls, degrees; the underside of the thigh falls about 5° less. */
function hipKneeFallDeg(p: Problem, v: SetValues): number {
  const { thighDeg } = legOf(p, v);
  const along = reachMm(p);
  const rise = along * sinDeg(thighDeg) + (kneeAboveMm(p) - hipAboveMm(p)) * cosDeg(thighDeg);
  return atan2Deg(-rise, along * cosDeg(thighDeg));
}

function elbowAngleDeg(p: Problem, v: SetValues): number {
  const lever = leverElbowDeg(p, v);
  // Out of reach the arm is straight.
  if (!Number.isNaN(lever)) return Math.max(0, Math.min(180, lever));
  const hands = handsMm(p, v);
  const at = Number.isNaN(hands) ? datumMm(p, v) + v.armHeight : hands;
  return elbowDeg(elbowMm(p, v), at, p.forearmMm);
}

/** The neck against the trunk: what the eyes leave of looking down, and what a level head needs on a leaning trunk. */
function neckDeg(p: Problem, v: SetValues): number {
  const down = Number.isNaN(v.screenHeight) ? 0 : screenBelowDeg(p, v) - sightDeg(p, v);
  return Math.max(0, down - EYES_TAKE_DEG) + Math.min(0, down) + trunkDegOf(v);
}

interface Row {
  readonly id: PostureAngle['id'];
  readonly needs: readonly DimensionId[];
  readonly wanted: Interval | null;
  readonly source: PostureAngle['source'];
  readonly compute: () => number;
  readonly applies?: boolean;
}

function legRows(p: Problem, v: SetValues): Row[] {
  const { pedals } = p.inputs.place ?? {};
  const { bandLo = -Infinity, bandHi = Infinity } = p.targets.trunkThigh;
  return [
    {
      id: 'knee',
      needs: LEG,
      wanted: pedals ? bandOf(p.targets.pedalKnee) : p.inputs.method.reported.knee,
      source: pedals ? 'rebiffe' : 'method',
      compute: () =>
        pedals
          ? Math.max(0, Math.min(180, pedalKneeDeg(p, v)))
          : kneeDeg(legOf(p, v).thighDeg, legOf(p, v).shankDeg),
    },
    {
      id: 'trunkThigh',
      needs: LEG,
      wanted: { lo: bandLo, hi: bandHi },
      source: 'method',
      compute: () => trunkThighDeg(trunkDegOf(v), legOf(p, v).thighDeg),
    },
  ];
}

/** At a desk the elbow is as open as the desk's height, where it suits the work, leaves it. */
function elbowWanted(p: Problem, v: SetValues): Interval {
  const { place, method } = p.inputs;
  if (place?.handControls) return bandOf(p.targets.leverElbow);
  if (!place || Number.isNaN(v.deskHeight)) return method.reported.elbow;
  const open = (mm: number): number => 90 - asinDeg(mm / p.forearmMm);
  const desk = bandOf(p.targets.deskTop);
  return { lo: open(desk.hi), hi: open(desk.lo) };
}

function armRows(p: Problem, v: SetValues): Row[] {
  const forearm: readonly DimensionId[] = [...ELBOW, 'stature'];
  const isHandwork = p.inputs.place?.task === 'handwork';
  return [
    {
      id: 'elbow',
      needs: forearm,
      wanted: isHandwork ? null : elbowWanted(p, v),
      source: isHandwork ? 'none' : 'method',
      compute: () => elbowAngleDeg(p, v),
    },
    {
      id: 'shoulder',
      needs: [...ELBOW, 'elbowToElbowBreadth'],
      wanted: UPPER_ARM,
      source: 'iso11226',
      compute: () => Math.max(0, spreadDeg(p, v)),
      applies: !Number.isNaN(v.armWidth),
    },
    {
      id: 'wrist',
      needs: forearm,
      wanted: WRIST,
      source: 'rula',
      compute: () => -forearmDeg(p, v),
      applies: p.inputs.place?.task === 'keyboard' && !Number.isNaN(v.deskHeight),
    },
  ];
}

function headRows(p: Problem, v: SetValues): Row[] {
  const applies = !Number.isNaN(v.screenHeight) && p.inputs.place?.screenDistanceMm !== undefined;
  const needs: readonly DimensionId[] = ['eyeHeightSitting', 'shoulderHeightSitting'];
  return [
    { id: 'neck', needs, wanted: NECK, source: 'iso11226', compute: () => neckDeg(p, v), applies },
    {
      id: 'gaze',
      needs,
      wanted: GAZE,
      source: 'osha',
      compute: () => screenBelowDeg(p, v) - sightDeg(p, v),
      applies,
    },
  ];
}

const rowsOf = (p: Problem, v: SetValues): Row[] => [
  ...legRows(p, v),
  ...armRows(p, v),
  ...headRows(p, v),
  { id: 'hipKneeLine', needs: LEG, wanted: null, source: 'none', compute: () => hipKneeFallDeg(p, v) },
];

/**
 * The angles of the set posture, each beside its band and who stands behind it; and the line that people judge by.
 * @returns degrees; without those whose measures are missing. Sources stand with each band.
 */
export function anglesOf(p: Problem, v: SetValues): PostureAngle[] {
  return rowsOf(p, v)
    .filter((row) => row.applies !== false)
    .map(({ id, needs, wanted, source, compute }) => {
      const missing = missingOf(p.inputs.body, needs);
      const deg = missing.length > 0 ? NaN : Math.round(compute() * 10) / 10;
      const known = Number.isFinite(deg);
      return {
        id,
        deg: known ? deg + 0 : null,
        wanted,
        source,
        inside: known && (wanted === null || Math.abs(outsideBy(wanted, deg)) <= ANGLE_SLACK_DEG),
        missing,
        isEstimate: known && estimatedOf(p.inputs.body, needs).length > 0,
      };
    });
}
