import { type Step, type Values, one, ownValue } from './saying';
import { type MessageValue, message } from '../../message';
import { trunkThighDeg } from '../../posture';
import { bandOf } from '../../method';
import type { DimensionId } from '../../body';
import { apexMm, legOf, orZero, prominenceMm, trunkDegOf, zoneMm } from '../geometry/on-seat';
import { meaning, type Problem, type SetValues } from '../problem/problem';
import {
  balancedTension,
  momentAt,
  tensionFraction,
  wantedLock,
  wantedProminenceMm,
  wantedZoneMm,
} from './wanted';
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

function zoneValues(zone: 'upper' | 'lower') {
  return (p: Problem, v: SetValues): Values => ({
    stands: { mm: meaning(p, v, `${zone}Lumbar`) },
    hollow: { mm: p.body.smallOfBackDepth },
    wanted: { mm: wantedZoneMm(p, zone) },
  });
}

const zone = (which: 'upper' | 'lower'): Step =>
  one('zone', (p) => ({ hollow: { mm: p.body.smallOfBackDepth }, wanted: { mm: wantedZoneMm(p, which) } }));

const tensionValue = (p: Problem, wanted: number): MessageValue =>
  ownValue(p.variables.tiltTension?.adjustment.unit, wanted);

/** A mechanism that weighs by itself is spoken of in its own words. */
const tensionWords = (p: Problem): string => {
  const adjustment = p.variables.tiltTension?.adjustment;
  return adjustment?.effort?.by === 'weighing' ? 'weighing' : (adjustment?.unit ?? 'turn');
};

const tension: Step = (p) => {
  const variable = p.variables.tiltTension;
  const effort = variable?.adjustment.effort;
  if (!variable || !effort) return [];
  const mass = { kg: p.body.bodyMass };
  const wanted = ownValue(variable.adjustment.unit, balancedTension(p));
  if (effort.by !== 'moment')
    return [
      message(`chain.tension.${effort.by}`, {
        mass,
        light: { kg: effort.lightestKg },
        stiff: { kg: effort.stiffestKg },
        percent: { percent: 100 * tensionFraction(effort, p) },
        wanted,
      }),
    ];
  return [
    message('chain.tension.moment', {
      mass,
      stature: { mm: p.body.stature },
      at: { deg: effort.atDeg },
      moment: { count: Math.round(momentAt(p, effort.atDeg) * 10) / 10 },
      light: { count: effort.lightestNm },
      stiff: { count: effort.stiffestNm },
      percent: { percent: 100 * tensionFraction(effort, p) },
      wanted,
    }),
  ];
};

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
    says: (p, v) => ({ back: { deg: trunkDegOf(v) }, method: { text: p.inputs.method.name } }),
    steps: one('backAngle', (_, v) => ({
      back: { deg: orZero(v.backAngle) },
      chair: { deg: orZero(v.chairAngle) },
      sum: { deg: trunkDegOf(v) },
    })),
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
    says: (p, v, o) => ({
      angle: { deg: o.residual },
      back: { deg: trunkDegOf(v) },
      thigh: { deg: legOf(p, v).thighDeg },
    }),
    steps: one('trunkThigh', (p, v) => ({
      back: { deg: trunkDegOf(v) },
      thigh: { deg: legOf(p, v).thighDeg },
      angle: { deg: 90 + trunkDegOf(v) - legOf(p, v).thighDeg },
    })),
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
    says: (p, v) => ({ apex: { mm: apexMm(v) }, hollow: { mm: p.body.smallOfBackHeight } }),
    steps: one('lumbarHeight', (p, v) => ({
      hollow: { mm: p.body.smallOfBackHeight },
      apex: { mm: apexMm(v) },
    })),
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
    says: (_, v) => ({ apex: { mm: apexMm(v) } }),
    steps: one('lumbarByPractice', (_, v) => ({ apex: { mm: apexMm(v) } })),
  },
  {
    id: 'lumbarDepth',
    owners: owned('lumbarDepth'),
    scope: ['lumbarDepth'],
    applies: has('lumbarDepth'),
    needs: () => ['smallOfBackDepth'],
    residual: (p, v) => prominenceMm(p, v) - wantedProminenceMm(p),
    onTrack: inverseOf('lumbarDepth', (p) => wantedProminenceMm(p) - p.rollMm),
    says: (p, v) => ({
      stands: { mm: prominenceMm(p, v) },
      hollow: { mm: p.body.smallOfBackDepth },
      wanted: { mm: wantedProminenceMm(p) },
    }),
    steps: one('lumbarDepth', (p) => ({
      hollow: { mm: p.body.smallOfBackDepth },
      wanted: { mm: wantedProminenceMm(p) },
    })),
  },
  {
    id: 'upperLumbar',
    owners: owned('upperLumbar'),
    scope: ['upperLumbar'],
    applies: has('upperLumbar'),
    needs: () => ['smallOfBackDepth'],
    residual: (p, v) => zoneMm(p, v, 'upperLumbar') - wantedZoneMm(p, 'upper'),
    onTrack: inverseOf('upperLumbar', (p) => wantedZoneMm(p, 'upper') - p.rollMm),
    says: zoneValues('upper'),
    steps: zone('upper'),
  },
  {
    id: 'lowerLumbar',
    owners: owned('lowerLumbar'),
    scope: ['lowerLumbar'],
    applies: has('lowerLumbar'),
    needs: () => ['smallOfBackDepth'],
    residual: (p, v) => zoneMm(p, v, 'lowerLumbar') - wantedZoneMm(p, 'lower'),
    onTrack: inverseOf('lowerLumbar', (p) => wantedZoneMm(p, 'lower') - p.rollMm),
    says: zoneValues('lower'),
    steps: zone('lower'),
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
    says: (p, v) => ({
      upper: { mm: meaning(p, v, 'upperLumbar') },
      lower: { mm: meaning(p, v, 'lowerLumbar') },
    }),
    steps: one('lumbarEven', () => ({})),
  },
  {
    id: 'tension',
    variant: (p) => `.${tensionWords(p)}`,
    owners: owned('tiltTension'),
    scope: ['tiltTension'],
    applies: has('tiltTension'),
    needs: tensionNeeds,
    residual: (p, v) => v.tiltTension - balancedTension(p),
    onTrack: 1,
    isStraight: true,
    says: (p) => ({ mass: { kg: p.body.bodyMass }, wanted: tensionValue(p, balancedTension(p)) }),
    steps: tension,
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
    says: (p, v) => ({ back: { deg: trunkDegOf(v) }, method: { text: p.inputs.method.name } }),
    steps: one('byMethodAndTask', (p) => ({
      method: { text: p.inputs.method.name },
      use: { word: `lockUse.${p.inputs.method.lock ?? 'shortWork'}` },
      task: { word: `task.${p.inputs.place?.task ?? 'keyboard'}` },
    })),
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
    says: (p, v) => ({
      stop: { deg: v.tiltLimiter },
      wanted: { deg: bandOf(p.targets.backAngle).hi },
      method: { text: p.inputs.method.name },
    }),
    steps: one('byMethod', (p) => ({ method: { text: p.inputs.method.name } })),
  },
];
