import { assumed, practice } from '../../target';
import { one } from './saying';
import {
  napeAlongBackMm,
  napeBeforeBackMm,
  napeBeforeUprightMm,
  padBeforeBackMm,
  restDegOf,
  uprightDegOf,
} from '../geometry/head';
import { meaning } from '../problem/problem';
import { TRUNK, has, headNeeds, inverseOf, owned, condition } from './condition';

/** The head rest. */
export const HEAD_CONDITIONS = [
  condition({
    /** Pad centre less the nape, along the back. */
    id: 'headHeight',
    unit: 'mm',
    target: practice({ bandLo: -20, aimLo: 0, aimHi: 0, bandHi: 20, weight: 1 }),
    cures: { more: ['headrestOff', 'seatPadMm'], less: ['headrestOff'] },
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
  }),
  condition({
    /** Slope of the head pad, from the vertical, when leaning back. */
    id: 'headAngle',
    unit: 'deg',
    target: assumed({ bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 10, weight: 1 }),
    cures: { more: ['headrestOff'], less: ['headrestOff'] },
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
  }),
  condition({
    /** Face of the head pad less the nape, square to the back, when leaning back. */
    id: 'headDepth',
    unit: 'mm',
    target: assumed({ bandLo: -15, aimLo: 0, aimHi: 0, bandHi: 15, weight: 1 }),
    cures: { more: ['headrestOff'], less: ['headrestOff'] },
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
  }),
  condition({
    /** Face of the head pad before the nape while sitting more upright than where the head leans on it: more pushes the head. */
    id: 'headClear',
    unit: 'mm',
    target: assumed({ aimHi: 0, bandHi: 10, weight: 1 }),
    cures: { more: ['headrestOff'] },
    through: uprightDegOf,
    owners: owned('headDepth'),
    scope: ['headDepth', 'headAngle', ...TRUNK],
    applies: has('headDepth'),
    needs: headNeeds,
    residual: (p, v) => padBeforeBackMm(p, v) - napeBeforeUprightMm(p, v),
    onTrack: inverseOf(
      'headDepth',
      (p, v) => meaning(p, v, 'headDepth') - padBeforeBackMm(p, v) + napeBeforeUprightMm(p, v),
    ),
    says: (p, v) => ({
      pad: { mm: padBeforeBackMm(p, v) },
      nape: { mm: napeBeforeUprightMm(p, v) },
      at: { deg: uprightDegOf(p, v) },
    }),
    steps: one('headClear', (p, v) => ({
      at: { deg: uprightDegOf(p, v) },
      nape: { mm: napeBeforeUprightMm(p, v) },
    })),
  }),
] as const;
