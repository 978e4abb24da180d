import { practice } from '../../target';
import { one } from './saying';
import { isOneWayToLever, isOneWayToPedal, leverElbowDeg, pedalKneeDeg } from '../geometry/at-place';
import { upperArmMm } from '../geometry/arms';
import { CLOTHING_KG, workingLoadKg } from '../problem/working-load';
import { wantedDamper } from './wanted';
import { SITS, both, gripNeeds, has, owned, placeHas, thighNeeds, condition } from './condition';

/** Controls, pedals and suspension. */
export const OPERATOR_CONDITIONS = [
  condition({
    /** Inside angle of the elbow with the hand on its control in neutral. */
    id: 'leverElbow',
    unit: 'deg',
    target: practice({ bandLo: 90, aimLo: 100, aimHi: 120, bandHi: 135, weight: 3 }),
    owners: owned('foreAft'),
    scope: ['foreAft', ...SITS],
    applies: both(has('foreAft'), placeHas('handControls')),
    needs: gripNeeds,
    residual: leverElbowDeg,
    isOneWay: isOneWayToLever,
    onTrack: null,
    says: (_, __, o) => ({ angle: { deg: o.residual } }),
    steps: one('leverElbow', (p) => ({ arm: { mm: upperArmMm(p) }, grip: { mm: p.gripMm } })),
  }),
  condition({
    /** Inside angle of the knee with the pedal half down. */
    id: 'pedalKnee',
    unit: 'deg',
    target: {
      bandLo: 95,
      aimLo: 110,
      aimHi: 130,
      bandHi: 135,
      weight: 3,
      basis: 'published',
      source: 'range: Rebiffé 1969; not verified against source',
    },
    owners: owned('stationForeAft', 'foreAft'),
    scope: ['stationForeAft', 'foreAft', ...SITS],
    applies: both(has('stationForeAft', 'foreAft'), placeHas('pedals')),
    needs: thighNeeds,
    residual: pedalKneeDeg,
    isOneWay: isOneWayToPedal,
    onTrack: null,
    says: (_, __, o) => ({ angle: { deg: o.residual } }),
    steps: one('pedalKnee', (p) => ({ leg: { mm: p.body.poplitealHeight } })),
  }),
  condition({
    /** Calibrated mass less the sitter's in working clothes. */
    id: 'suspensionWeight',
    unit: 'own',
    target: practice({ bandLo: -1, aimLo: 0, aimHi: 0, bandHi: 1, weight: 1 }),
    owners: owned('suspensionWeight'),
    scope: ['suspensionWeight'],
    applies: has('suspensionWeight'),
    needs: () => ['bodyMass'],
    onlyMeasured: true,
    residual: (p, v) => v.suspensionWeight - workingLoadKg(p.inputs, p.body.bodyMass),
    onTrack: 1,
    isStraight: true,
    says: (p, v) => ({
      set: { kg: v.suspensionWeight },
      load: { kg: workingLoadKg(p.inputs, p.body.bodyMass) },
      mass: { kg: p.body.bodyMass },
    }),
    steps: one('suspensionWeight', (p) => ({
      mass: { kg: p.body.bodyMass },
      clothing: { kg: CLOTHING_KG },
      tools: { kg: p.inputs.work.toolsKg },
      load: { kg: workingLoadKg(p.inputs, p.body.bodyMass) },
    })),
  }),
  condition({
    /** Setting less what the ground asks for. */
    id: 'damper',
    unit: 'own',
    target: practice({ bandLo: -1, aimLo: 0, aimHi: 0, bandHi: 1, weight: 1 }),
    owners: owned('damper'),
    scope: ['damper'],
    applies: has('damper'),
    needs: () => [],
    residual: (p, v) => v.damper - wantedDamper(p),
    onTrack: 1,
    isStraight: true,
    says: (p, v) => ({
      set: { count: v.damper },
      wanted: { count: wantedDamper(p) },
      ground: { word: `ground.${p.inputs.place?.ground ?? 'mixed'}` },
    }),
    steps: one('damper', (p) => ({
      ground: { word: `ground.${p.inputs.place?.ground ?? 'mixed'}` },
      wanted: { count: wantedDamper(p) },
    })),
  }),
] as const;
