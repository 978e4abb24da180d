import { napeAlongBackMm, napeBeforeBackMm, padBeforeBackMm, restDegOf } from '../geometry/on-seat';
import { meaning } from '../problem/problem';
import { TRUNK, has, headNeeds, inverseOf, owned, type ConditionRow } from './condition';

/** The head rest. */
export const HEAD_CONDITIONS: readonly ConditionRow[] = [
  {
    id: 'headHeight',
    through: restDegOf,
    owners: owned('headHeight'),
    scope: ['headHeight', ...TRUNK],
    applies: has('headHeight'),
    needs: headNeeds,
    residual: (p, v) => v.headHeight - napeAlongBackMm(p, v),
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'headAngle',
    through: restDegOf,
    owners: owned('headAngle'),
    scope: ['headAngle', ...TRUNK],
    applies: has('headAngle'),
    needs: () => [],
    residual: (p, v) => v.headAngle - restDegOf(p, v),
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'headDepth',
    through: restDegOf,
    owners: owned('headDepth'),
    scope: ['headDepth', 'headAngle', ...TRUNK],
    applies: has('headDepth'),
    needs: headNeeds,
    residual: (p, v) => padBeforeBackMm(p, v) - napeBeforeBackMm(p, v),
    onTrack: inverseOf(
      'headDepth',
      (p, v) => meaning(p, v, 'headDepth') - padBeforeBackMm(p, v) + napeBeforeBackMm(p, v),
    ),
  },
];
