import { one } from './saying';
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
    says: (p, v) => ({
      pad: { mm: v.headHeight },
      nape: { mm: napeAlongBackMm(p, v) },
      from: { deg: restDegOf(p, v) },
    }),
    steps: one('headHeight', (p, v) => ({
      nape: { mm: p.body.napeHeight },
      pivot: { mm: p.headPivotMm },
      at: { deg: restDegOf(p, v) },
      wanted: { mm: napeAlongBackMm(p, v) },
    })),
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
    says: (p, v) => ({ pad: { deg: v.headAngle }, wanted: { deg: restDegOf(p, v) } }),
    steps: one('headAngle', (p, v) => ({ wanted: { deg: restDegOf(p, v) } })),
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
    says: (p, v) => ({
      pad: { mm: padBeforeBackMm(p, v) },
      nape: { mm: napeBeforeBackMm(p, v) },
      from: { deg: restDegOf(p, v) },
    }),
    steps: one('headDepth', (p, v) => ({
      at: { deg: restDegOf(p, v) },
      wanted: { mm: napeBeforeBackMm(p, v) },
    })),
  },
];
