import { isOneWayToLever, isOneWayToPedal, leverElbowDeg, pedalKneeDeg } from '../geometry/on-seat';
import { workingLoadKg } from '../problem/working-load';
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
  },
];
