import type { Interval } from '../../method';
import { tanDeg } from '../../units';
import { datumExtent, elbowExtent, underDeskExtent, type Span } from '../extents';
import { datumMm, elbowAboveSeatMm, eyeMm, screenBelowDeg, sightDeg, underDeskMm } from '../on-seat';
import type { Problem } from '../problem';
import {
  FEET,
  PAN,
  both,
  elbowNeeds,
  has,
  headNeeds,
  inverseOf,
  leans,
  owned,
  placeHas,
  thighNeeds,
  type Condition,
  type Inverse,
} from './condition';

export function deskTopExtent(p: Problem, span: Span): Interval {
  const keyboard = p.inputs.place?.keyboardThicknessMm ?? 0;
  const [datum, elbow] = [datumExtent(p, span), elbowExtent(p, span)];
  return {
    lo: span.lo.deskHeight + keyboard - (datum.hi + elbow.hi),
    hi: span.hi.deskHeight + keyboard - (datum.lo + elbow.lo),
  };
}

export function deskClearanceExtent(p: Problem, span: Span): Interval {
  const thickness = p.inputs.place?.deskThicknessMm ?? 0;
  const under = underDeskExtent(p, span);
  return {
    lo: span.lo.deskHeight - thickness - under.hi,
    hi: span.hi.deskHeight - thickness - under.lo,
  };
}

/** The height of the screen at which its middle would lie so far below the line of sight. */
const SCREEN: Inverse = {
  valueAt: (p, v, deg) =>
    eyeMm(p, v) - (p.inputs.place?.screenDistanceMm ?? NaN) * tanDeg(deg + sightDeg(p, v)),
};

/** Desk and screen. */
export const PLACE_CONDITIONS: readonly Condition[] = [
  {
    id: 'deskTop',
    owners: owned('deskHeight'),
    scope: [...PAN, 'deskHeight'],
    applies: has('deskHeight'),
    needs: elbowNeeds,
    residual: (p, v) =>
      v.deskHeight + (p.inputs.place?.keyboardThicknessMm ?? 0) - (datumMm(p, v) + elbowAboveSeatMm(p, v, 0)),
    extent: deskTopExtent,
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'deskClearance',
    owners: owned('deskHeight'),
    scope: [...FEET, 'deskHeight'],
    applies: has('deskHeight'),
    needs: () => [...thighNeeds(), 'thighClearance', 'kneeHeight'],
    residual: (p, v) => v.deskHeight - (p.inputs.place?.deskThicknessMm ?? 0) - underDeskMm(p, v),
    extent: deskClearanceExtent,
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'gaze',
    owners: owned('screenHeight', 'backProfile'),
    scope: ['screenHeight', 'backProfile', ...PAN],
    applies: both(has('screenHeight'), placeHas('screenDistanceMm')),
    needs: (p) => ['eyeHeightSitting', ...(leans(p) ? headNeeds(p).filter((id) => id !== 'napeHeight') : [])],
    residual: (p, v) => screenBelowDeg(p, v) - sightDeg(p, v),
    onTrack: (kind) =>
      kind === 'screenHeight' ? SCREEN : inverseOf('backProfile', (p, v) => screenBelowDeg(p, v), -1),
  },
];
