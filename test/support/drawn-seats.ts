/** Small seats, places and bodies drawn at random: few positions each, so that every combination can be looked at. */
import fc from 'fast-check';
import type { Problem } from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import type { Adjustment, AdjustmentKind, SeatModel } from '../../src/core/seat';
import { FULL, PADS, adjustment, bodyWith, listed, placeWith, problemFor, seatWith } from './inputs';

/** Between which values each kind is drawn. */
const RANGES: readonly (readonly [AdjustmentKind, number, number, Partial<Adjustment>?])[] = [
  ['seatHeight', 380, 520],
  ['seatDepth', 370, 460],
  ['seatAngle', -8, 6],
  ['backAngle', 0, 28],
  ['lumbarApex', 140, 260],
  ['armHeight', 150, 300],
  ['armWidth', 360, 540],
  ['armDepth', 0, 80],
  ['armPivot', -20, 25],
  ['armAngle', -12, 15],
  ['headHeight', 540, 760],
  ['headAngle', 0, 35],
  ['headDepth', 0, 80],
  ['chairAngle', -4, 10],
  ['forwardTilt', -12, 0],
  ['frontSlope', -14, 0],
  ['lumbarDepth', 0, 45],
  ['backReach', 0, 60],
  ['backProfile', 0, 5, { means: { atLowest: 0, atHighest: 10 } }],
  ['padSlide', -25, 25],
  ['footRing', 120, 260],
  ['foreAft', 0, 160],
  ['stationForeAft', 0, 200],
  ['tiltLock', 0, 1, { lock: { states: ['free', 'upright'] } }],
  ['tiltLimiter', 5, 25],
];

const KINDS = RANGES.map(([kind]) => kind);
const PARTS = 200;
/** As many combinations at most. */
const MOST = 4000;

interface Drawn {
  readonly picked: readonly AdjustmentKind[];
  readonly values: readonly (readonly number[])[];
}

function travelsOf({ picked, values }: Drawn, most: number): Adjustment[] {
  let cells = 1;
  return RANGES.flatMap(([kind, low, high, more], i): Adjustment[] => {
    if (kind !== 'seatHeight' && !picked.includes(kind)) return [];
    const isAngle = Math.abs(high - low) < 40;
    const step = isAngle ? 0.5 : 1;
    const all = [...new Set(values[i]!.map((x) => Math.round((low + x * (high - low)) / step) * step))];
    const room = Math.max(1, Math.min(all.length, Math.floor(most / cells)));
    const own = all.slice(0, room).sort((a, b) => a - b);
    cells *= own.length;
    return [adjustment(kind, listed(...own), { holds: { how: 'notched' }, ...more })];
  });
}

/** Without the bias towards ends and small numbers, by which most seats would be one position. */
const share = fc.noBias(fc.integer({ min: 0, max: PARTS }).map((n) => n / PARTS));
const places = fc.noBias(fc.uniqueArray(share, { minLength: 1, maxLength: 5, size: 'max' }));

/** @param most combinations of one case */
export const drawnProblems = (most = MOST): fc.Arbitrary<Problem> =>
  fc
    .record({
      drawn: fc.record({
        picked: fc.subarray(KINDS, { minLength: 4, maxLength: 12 }),
        values: fc.array(places, {
          minLength: RANGES.length,
          maxLength: RANGES.length,
        }),
      }),
      method: fc.constantFrom(...SHIPPED_METHODS),
      scale: share.map((x) => 0.88 + 0.24 * x),
      own: fc.array(share, { minLength: 7, maxLength: 7 }),
      desk: fc.option(fc.array(fc.integer({ min: 600, max: 800 }), { minLength: 1, maxLength: 4 }), {
        nil: null,
      }),
      rest: fc.option(fc.constantFrom([0], [0, 60], [0, 40, 110]), { nil: null }),
      screen: fc.option(fc.array(fc.integer({ min: 850, max: 1250 }), { minLength: 1, maxLength: 3 }), {
        nil: null,
      }),
      isCab: fc.boolean(),
      isOnBack: fc.boolean(),
      synchro: fc.constantFrom(null, null, 2, 3),
      axis: fc.constantFrom(0, 150, 220, 430),
      drawer: fc.option(fc.integer({ min: 30, max: 110 }), { nil: undefined }),
      apron: fc.option(fc.integer({ min: 30, max: 200 }), { nil: undefined }),
      wins: fc.constantFrom(undefined, undefined, 'desk' as const, 'feet' as const),
      task: fc.constantFrom('keyboard' as const, 'handwork' as const, 'writing' as const),
    })
    .map((s) => {
      const adjustments = travelsOf(s.drawn, most / (s.desk?.length ?? 1) / (s.screen?.length ?? 1) / 3);
      const measures = Object.fromEntries(
        Object.entries(FULL).map(([id, value], i) => [
          id,
          value * s.scale * (1 + (s.own[i % s.own.length]! - 0.5) * 0.06),
        ]),
      );
      const more: Partial<SeatModel> = {
        arms: { ...PADS, moveWithBack: s.isOnBack, on: s.isOnBack ? 'back' : 'seat' },
        pan: { axisFromRearMm: s.axis, recessMm: 10, frontEdgeRadiusMm: 30 },
        back: { topMm: 600, synchroRatio: s.synchro },
      };
      const sorted = (list: readonly number[]) => listed(...[...new Set(list)].sort((a, b) => a - b));
      const place = placeWith(null, {
        task: s.isCab ? 'controls' : s.task,
        adjustments: [
          ...(s.desk ? [adjustment('deskHeight', sorted(s.desk), { id: 'desk' })] : []),
          ...(s.rest ? [adjustment('footrest', listed(...s.rest), { id: 'rest' })] : []),
          ...(s.screen ? [adjustment('screenHeight', sorted(s.screen), { id: 'screen' })] : []),
        ],
        keysFromEdgeMm: 110,
        screenDistanceMm: 700,
        drawerMm: s.drawer,
        apronMm: s.apron,
        ...(s.wins ? { wins: s.wins } : {}),
        ...(s.isCab
          ? {
              handControls: { forwardMm: 430, heightMm: 690 },
              pedals: { forwardMm: 820, heightMm: 30 },
              headroomMm: 1380,
            }
          : {}),
      });
      return problemFor({
        body: bodyWith(measures),
        seat: seatWith(adjustments, more),
        place,
        method: s.method,
      });
    });
