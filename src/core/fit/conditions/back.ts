import { assumed, practice } from '../../target';
import { type Step, type Values, one, ownValue } from './saying';
import { type MessageValue, message } from '../../message';
import { trunkThighDeg } from '../../posture';
import { bandOf } from '../../target';
import type { DimensionId } from '../../body';
import { apexMm, legOf, orZero, lumbarDepthMm, trunkDegOf, zoneMm } from '../geometry/on-seat';
import { meaning, type Problem, type SetValues } from '../problem/problem';
import {
  balancedTension,
  momentAt,
  tensionFraction,
  wantedLock,
  wantedLumbarDepthMm,
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
  condition,
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

/** Whether a method adds up the angle of trunk and thigh: shown it always is. */
const weighsTrunkThigh = (p: Problem): boolean => p.targets.trunkThigh.weight > 0;

/** The method, as a value of a sentence. */
const methodOf = ({ inputs: { method } }: Problem) => ({ id: method.id, name: method.name });

/** The furthest lean that the method wants. */
const furthestLeanDeg = (p: Problem): number => bandOf(p.targets.backAngle).hi;

/** Lean, lumbar, tension and what stops the tilt. */
export const BACK_CONDITIONS = [
  condition({
    id: 'backAngle',
    unit: 'deg',
    target: practice({ bandLo: 0, aimLo: 5, aimHi: 5, bandHi: 10, weight: 4 }),
    owners: owned('backAngle', 'chairAngle'),
    scope: TRUNK,
    applies: has(...TRUNK),
    needs: () => [],
    residual: (_, v) => trunkDegOf(v),
    extent: (x) => x.trunk,
    onTrack: 1,
    says: (p, v) => ({ back: { deg: trunkDegOf(v) }, method: { method: methodOf(p) } }),
    steps: one('backAngle', (_, v) => ({
      back: { deg: orZero(v.backAngle) },
      chair: { deg: orZero(v.chairAngle) },
      sum: { deg: trunkDegOf(v) },
    })),
  }),
  condition({
    id: 'trunkThigh',
    unit: 'deg',
    // Back less thigh says the same: shown, and added up only by methods that give it a weight.
    target: practice({ bandLo: 90, aimLo: 90, aimHi: 100, bandHi: 100, weight: 0 }),
    owners: owned('backAngle', 'chairAngle'),
    scope: FEET,
    levelScope: [...LEVEL_FEET, ...TRUNK],
    applies: both(has(...TRUNK), weighsTrunkThigh),
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
  }),
  condition({
    /** Lumbar apex less the small of the back, along the back. */
    id: 'lumbarHeight',
    unit: 'mm',
    target: practice({ bandLo: -25, aimLo: 0, aimHi: 0, bandHi: 25, weight: 0.5 }),
    cures: { more: ['lumbarRollMm', 'seatPadMm'], less: ['lumbarRollMm'] },
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
  }),
  condition({
    /** Lumbar apex above the seat, where the small of the back was not measured. */
    id: 'lumbarByPractice',
    unit: 'mm',
    target: {
      bandLo: 150,
      aimLo: 170,
      aimHi: 220,
      bandHi: 250,
      weight: 0.5,
      basis: 'published',
      source: 'range: ANSI/HFES 100-2007; target: EN 1335-1:2000; not verified against source',
    },
    cures: { more: ['lumbarRollMm', 'seatPadMm'], less: ['lumbarRollMm'] },
    owners: owned('lumbarApex', 'backHeight'),
    scope: ['lumbarApex', 'backHeight'],
    applies: both(apexDecides, (p) => p.inputs.body.smallOfBackHeight === undefined),
    needs: () => [],
    residual: (_, v) => apexMm(v),
    onTrack: 1,
    isStraight: true,
    says: (_, v) => ({ apex: { mm: apexMm(v) } }),
    steps: one('lumbarByPractice', (_, v) => ({ apex: { mm: apexMm(v) } })),
  }),
  condition({
    /** Lumbar support depth less half the hollow's depth. */
    id: 'lumbarDepth',
    unit: 'mm',
    target: practice({ bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 5, weight: 1 }),
    cures: { less: ['lumbarRollMm'] },
    owners: owned('lumbarDepth'),
    scope: ['lumbarDepth'],
    applies: has('lumbarDepth'),
    needs: () => ['smallOfBackDepth'],
    residual: (p, v) => lumbarDepthMm(p, v) - wantedLumbarDepthMm(p),
    onTrack: inverseOf('lumbarDepth', (p) => wantedLumbarDepthMm(p) - p.rollMm),
    says: (p, v) => ({
      stands: { mm: lumbarDepthMm(p, v) },
      hollow: { mm: p.body.smallOfBackDepth },
      wanted: { mm: wantedLumbarDepthMm(p) },
    }),
    steps: one('lumbarDepth', (p) => ({
      hollow: { mm: p.body.smallOfBackDepth },
      wanted: { mm: wantedLumbarDepthMm(p) },
    })),
  }),
  condition({
    /** Lumbar support depth of each of two zones less its share of half the hollow's depth. */
    id: 'upperLumbar',
    unit: 'mm',
    target: practice({ bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 5, weight: 0.5 }),
    cures: { less: ['lumbarRollMm'] },
    owners: owned('upperLumbar'),
    scope: ['upperLumbar'],
    applies: has('upperLumbar'),
    needs: () => ['smallOfBackDepth'],
    residual: (p, v) => zoneMm(p, v, 'upperLumbar') - wantedZoneMm(p, 'upper'),
    onTrack: inverseOf('upperLumbar', (p) => wantedZoneMm(p, 'upper') - p.rollMm),
    says: zoneValues('upper'),
    steps: zone('upper'),
  }),
  condition({
    /** Lumbar support depth of each of two zones less its share of half the hollow's depth. */
    id: 'lowerLumbar',
    unit: 'mm',
    target: practice({ bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 5, weight: 0.5 }),
    cures: { less: ['lumbarRollMm'] },
    owners: owned('lowerLumbar'),
    scope: ['lowerLumbar'],
    applies: has('lowerLumbar'),
    needs: () => ['smallOfBackDepth'],
    residual: (p, v) => zoneMm(p, v, 'lowerLumbar') - wantedZoneMm(p, 'lower'),
    onTrack: inverseOf('lowerLumbar', (p) => wantedZoneMm(p, 'lower') - p.rollMm),
    says: zoneValues('lower'),
    steps: zone('lower'),
  }),
  condition({
    /** Upper zone less lower zone, where nobody measured the hollow. */
    id: 'lumbarEven',
    unit: 'mm',
    target: practice({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 0.5 }),
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
  }),
  condition({
    /** Setting less the computed setting, in the unit of the adjustment. */
    id: 'tension',
    unit: 'own',
    target: practice({ bandLo: -1, aimLo: 0, aimHi: 0, bandHi: 1, weight: 1 }),
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
  }),
  condition({
    /** Locked or free, less what the task wants. */
    id: 'tiltLock',
    unit: 'own',
    target: practice({ bandLo: -0.5, aimLo: 0, aimHi: 0, bandHi: 0.5, weight: 1 }),
    owners: owned('tiltLock'),
    scope: ['tiltLock', 'backAngle', 'chairAngle'],
    applies: has('tiltLock'),
    needs: () => [],
    residual: (p, v) => v.tiltLock - wantedLock(p, v),
    onTrack: 1,
    isStraight: true,
    says: (p, v) => ({ back: { deg: trunkDegOf(v) }, method: { method: methodOf(p) } }),
    steps: one('byMethodAndTask', (p) => ({
      method: { method: methodOf(p) },
      use: { word: `lockUse.${p.inputs.method.lock ?? 'shortWork'}` },
      task: { word: `task.${p.inputs.place?.task ?? 'keyboard'}` },
    })),
  }),
  condition({
    /** Furthest lean less the furthest that the method wants. */
    id: 'tiltLimiter',
    unit: 'deg',
    target: assumed({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 1 }),
    owners: owned('tiltLimiter'),
    scope: ['tiltLimiter'],
    applies: both(has('tiltLimiter'), (p) => Number.isFinite(furthestLeanDeg(p))),
    needs: () => [],
    residual: (p, v) => v.tiltLimiter - furthestLeanDeg(p),
    onTrack: 1,
    isStraight: true,
    says: (p, v) => ({
      stop: { deg: v.tiltLimiter },
      wanted: { deg: furthestLeanDeg(p) },
      method: { method: methodOf(p) },
    }),
    steps: one('byMethod', (p) => ({ method: { method: methodOf(p) } })),
  }),
] as const;
