import { trunkThighDeg } from '../../posture';
import { bandOf } from '../../method';
import type { DimensionId } from '../../body';
import { apexMm, legOf, prominenceMm, trunkDegOf, zoneMm } from '../geometry/on-seat';
import { meaning, type Problem } from '../problem/problem';
import { balancedTension, wantedLock, wantedProminenceMm, wantedZoneMm } from './wanted';
import {
  FEET,
  LEVEL_FEET,
  TRUNK,
  both,
  has,
  inverseOf,
  owned,
  thighNeeds,
  type ConditionRow,
} from './condition';

const tensionNeeds = (p: Problem): readonly DimensionId[] =>
  p.variables.tiltTension?.adjustment.effort?.by === 'moment' ? ['bodyMass', 'stature'] : ['bodyMass'];

const unevenMm: ConditionRow['residual'] = (p, v) =>
  meaning(p, v, 'upperLumbar') - meaning(p, v, 'lowerLumbar');

/** A roll lies where it is put: the seat's own lumbar decides no height then. */
const apexDecides = both(has('lumbarApex', 'backHeight'), (p) => p.rollMm === 0);

/** Lean, lumbar, tension and what stops the tilt. */
export const BACK_CONDITIONS: readonly ConditionRow[] = [
  {
    id: 'backAngle',
    owners: owned('backAngle', 'chairAngle'),
    scope: TRUNK,
    applies: has(...TRUNK),
    needs: () => [],
    residual: (_, v) => trunkDegOf(v),
    extent: (x) => x.trunk,
    onTrack: 1,
  },
  {
    id: 'trunkThigh',
    owners: owned('backAngle', 'chairAngle'),
    scope: FEET,
    levelScope: [...LEVEL_FEET, ...TRUNK],
    applies: both(has(...TRUNK), (p) => p.targets.trunkThigh.weight > 0),
    needs: thighNeeds,
    residual: (p, v, leg = legOf(p, v)) => trunkThighDeg(trunkDegOf(v), leg.thighDeg),
    extent: (x) => x.trunkThigh,
    onTrack: (kind) => (kind === 'backAngle' ? 1 : null),
  },
  {
    id: 'lumbarHeight',
    owners: owned('lumbarApex', 'backHeight'),
    scope: ['lumbarApex', 'backHeight'],
    applies: both(apexDecides, (p) => p.inputs.body.smallOfBackHeight !== undefined),
    needs: () => ['smallOfBackHeight'],
    residual: (p, v) => apexMm(v) - p.body.smallOfBackHeight,
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'lumbarByPractice',
    owners: owned('lumbarApex', 'backHeight'),
    scope: ['lumbarApex', 'backHeight'],
    applies: both(apexDecides, (p) => p.inputs.body.smallOfBackHeight === undefined),
    needs: () => [],
    residual: (_, v) => apexMm(v),
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'lumbarDepth',
    owners: owned('lumbarDepth'),
    scope: ['lumbarDepth'],
    applies: has('lumbarDepth'),
    needs: () => ['smallOfBackDepth'],
    residual: (p, v) => prominenceMm(p, v) - wantedProminenceMm(p),
    onTrack: inverseOf('lumbarDepth', (p) => wantedProminenceMm(p) - p.rollMm),
  },
  {
    id: 'upperLumbar',
    owners: owned('upperLumbar'),
    scope: ['upperLumbar'],
    applies: has('upperLumbar'),
    needs: () => ['smallOfBackDepth'],
    residual: (p, v) => zoneMm(p, v, 'upperLumbar') - wantedZoneMm(p, 'upper'),
    onTrack: inverseOf('upperLumbar', (p) => wantedZoneMm(p, 'upper') - p.rollMm),
  },
  {
    id: 'lowerLumbar',
    owners: owned('lowerLumbar'),
    scope: ['lowerLumbar'],
    applies: has('lowerLumbar'),
    needs: () => ['smallOfBackDepth'],
    residual: (p, v) => zoneMm(p, v, 'lowerLumbar') - wantedZoneMm(p, 'lower'),
    onTrack: inverseOf('lowerLumbar', (p) => wantedZoneMm(p, 'lower') - p.rollMm),
  },
  {
    id: 'lumbarEven',
    owners: owned('upperLumbar', 'lowerLumbar'),
    scope: ['upperLumbar', 'lowerLumbar'],
    applies: both(
      has('upperLumbar'),
      has('lowerLumbar'),
      (p) => p.inputs.body.smallOfBackDepth === undefined,
    ),
    needs: () => [],
    residual: unevenMm,
    onTrack: (kind) => (kind === 'upperLumbar' ? 1 : -1),
  },
  {
    id: 'tension',
    owners: owned('tiltTension'),
    scope: ['tiltTension'],
    applies: has('tiltTension'),
    needs: tensionNeeds,
    residual: (p, v) => v.tiltTension - balancedTension(p),
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'tiltLock',
    owners: owned('tiltLock'),
    scope: ['tiltLock', 'backAngle', 'chairAngle'],
    applies: has('tiltLock'),
    needs: () => [],
    residual: (p, v) => v.tiltLock - wantedLock(p, v),
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'tiltLimiter',
    owners: owned('tiltLimiter'),
    scope: ['tiltLimiter'],
    applies: both(has('tiltLimiter'), (p) => Number.isFinite(bandOf(p.targets.backAngle).hi)),
    needs: () => [],
    residual: (p, v) => v.tiltLimiter - bandOf(p.targets.backAngle).hi,
    onTrack: 1,
    isStraight: true,
  },
];
