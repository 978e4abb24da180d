import { one } from './saying';
import {
  isOneWayToLever,
  isOneWayToPedal,
  leverElbowDeg,
  pedalKneeDeg,
  upperArmMm,
} from '../geometry/on-seat';
import { CLOTHING_KG, workingLoadKg } from '../problem/working-load';
import { wantedDamper } from './wanted';
import { SITS, both, gripNeeds, has, owned, placeHas, thighNeeds, type ConditionRow } from './condition';

/** Controls, pedals and suspension. */
export const OPERATOR_CONDITIONS: readonly ConditionRow[] = [
  {
    id: 'leverElbow',
    owners: owned('foreAft'),
    scope: ['foreAft', ...SITS],
    applies: both(has('foreAft'), placeHas('handControls')),
    needs: gripNeeds,
    residual: leverElbowDeg,
    isOneWay: isOneWayToLever,
    onTrack: null,
    says: (_, __, o) => ({ angle: { deg: o.residual } }),
    steps: one('leverElbow', (p) => ({ arm: { mm: upperArmMm(p) }, grip: { mm: p.gripMm } })),
  },
  {
    id: 'pedalKnee',
    owners: owned('stationForeAft', 'foreAft'),
    scope: ['stationForeAft', 'foreAft', ...SITS],
    applies: both(has('stationForeAft', 'foreAft'), placeHas('pedals')),
    needs: thighNeeds,
    residual: pedalKneeDeg,
    isOneWay: isOneWayToPedal,
    onTrack: null,
    says: (_, __, o) => ({ angle: { deg: o.residual } }),
    steps: one('pedalKnee', (p) => ({ leg: { mm: p.body.poplitealHeight } })),
  },
  {
    id: 'suspensionWeight',
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
  },
  {
    id: 'damper',
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
  },
];
