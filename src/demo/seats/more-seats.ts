import { LIFT, adjustment, clicks, control, counted, q, slides, stops, type DemoSeat } from './describe';

const LEAN_FORWARD = { forMore: 'leanForward', forLess: 'leanForward' } as const;
const STAND = { forMore: 'standUp', forLess: 'standUp' } as const;

/** Counter height, on a foot ring; weighs its sitter by itself. */
export const counter: DemoSeat = {
  name: 'Kittiwake high counter chair',
  seatClass: 'task',
  ratedLoadKg: q(125),
  seatWidthMm: q(485),
  cushion: { sinkMm: q(18), referenceMassKg: 77, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 200, recessMm: 0, frontEdgeRadiusMm: 50 },
  back: { topMm: 540, synchroRatio: null, armsMoveWithBack: false },
  armPad: null,
  hasHarness: false,
  hasSuspension: false,
  castors: 'glides',
  adjustments: [
    adjustment('seatHeight', slides(560, 760)),
    adjustment('footRing', slides(160, 340)),
    adjustment('seatDepth', clicks(380, 440, 4)),
    adjustment('backHeight', clicks(150, 230, 6)),
    adjustment('backAngle', stops(0, 5, 10)),
    adjustment('tiltTension', stops(-2, -1, 0, 1, 2), {
      unit: 'step',
      effort: { by: 'weighing', lightestKg: 50, stiffestKg: 110 },
    }),
  ],
  controls: [
    control(
      'seatHeight',
      { name: 'long lever', kind: 'lever', hand: 'right', place: 'under the seat on the right' },
      'liftAndHold',
      'up',
      LIFT,
    ),
    control(
      'footRing',
      { name: 'ring clamp', kind: 'knob', hand: 'either', place: 'on the column, under the ring' },
      'slide',
      'up',
      STAND,
    ),
    control(
      'seatDepth',
      { name: 'front bar', kind: 'lever', hand: 'either', place: 'under the front edge', ...counted },
      'pullAndSlide',
      'forward',
    ),
    control(
      'backHeight',
      {
        name: 'ratchet in the back',
        kind: 'ratchet',
        hand: 'both',
        place: 'both edges of the back; lifted to the top it falls to the bottom',
        ...counted,
      },
      'raiseByClicks',
      'up',
      LEAN_FORWARD,
    ),
    control(
      'tiltTension',
      { name: 'small wheel', kind: 'wheel', hand: 'right', place: 'right side, behind the lever' },
      'setToStop',
      'clockwise',
    ),
  ],
  notes: 'For the ticket window. Feet on the ring, never on the base.',
};

/** A back whose whole shape turns, brought in to the sitter; tilts as a whole. */
export const shaped: DemoSeat = {
  name: 'Dunlin chart chair',
  seatClass: 'task',
  ratedLoadKg: q(130),
  seatWidthMm: q(495),
  cushion: { sinkMm: q(22), referenceMassKg: 77, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 120, recessMm: 0, frontEdgeRadiusMm: 40 },
  back: { topMm: 660, synchroRatio: null, armsMoveWithBack: false },
  armPad: { lengthMm: 260, widthMm: 90, frontMm: 270 },
  hasHarness: false,
  hasSuspension: false,
  castors: 'hardFloor',
  adjustments: [
    adjustment('seatHeight', slides(405, 515)),
    adjustment('seatDepth', stops(440)),
    adjustment('backReach', slides(0, 70)),
    adjustment('chairAngle', stops(0, 3, 6)),
    adjustment('backAngle', stops(0, 4, 8, 14)),
    adjustment('backProfile', slides(0, 6), { means: { atLowest: 0, atHighest: 9 } }),
    adjustment('backHeight', clicks(140, 180, 5)),
    adjustment('lumbarApex', stops(0, 20, 40)),
    adjustment('lumbarDepth', slides(0, 3), { unit: 'turn', means: { atLowest: 5, atHighest: 30 } }),
    adjustment('tiltLimiter', stops(8, 14, 22)),
    adjustment('tiltLock', stops(0, 1), { locks: 'anywhere' }),
    adjustment('armWidth', stops(430, 460, 490)),
    adjustment('padSlide', stops(-24, -12, 0, 12, 24)),
    adjustment('armHeight', clicks(185, 285, 11)),
    adjustment('armDepth', clicks(0, 60, 4)),
    adjustment('armPivot', stops(-15, 0, 15)),
  ],
  controls: [
    control(
      'seatHeight',
      { name: 'round lever', kind: 'lever', hand: 'right', place: 'under the seat on the right, front' },
      'liftAndHold',
      'up',
      LIFT,
    ),
    control(
      'backReach',
      { name: 'back crank', kind: 'knob', hand: 'right', place: 'right side, where the back meets the seat' },
      'turn',
      'clockwise',
      LEAN_FORWARD,
    ),
    control(
      'backProfile',
      {
        name: 'shape wheel',
        kind: 'wheel',
        hand: 'left',
        place: 'left edge of the back, at the waist',
        scale: { type: 'turns' },
      },
      'turn',
      'forward',
      { forMore: 'leanBack', forLess: 'leanBack' },
    ),
    control(
      'lumbarDepth',
      {
        name: 'lumbar wheel',
        kind: 'wheel',
        hand: 'right',
        place: 'right edge of the back, at the waist',
        scale: { type: 'turns' },
      },
      'turn',
      'forward',
      LEAN_FORWARD,
    ),
    control(
      'armHeight',
      { name: 'arm trigger', kind: 'trigger', hand: 'both', place: 'under each pad, front', ...counted },
      'squeeze',
      'up',
    ),
    control(
      'armDepth',
      {
        name: 'pads',
        kind: 'byHand',
        hand: 'both',
        place: 'the pads themselves, free floating',
        ...counted,
        keeps: false,
      },
      'slide',
      'forward',
    ),
  ],
  notes: 'The whole back changes shape: turn it until the eyes meet the screen.',
};

/** Half-way between sitting and standing. */
export const perching: DemoSeat = {
  name: 'Oystercatch perching stool',
  seatClass: 'perching',
  ratedLoadKg: q(110),
  seatWidthMm: q(400),
  cushion: { sinkMm: q(8), referenceMassKg: 75, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 180, recessMm: 0, frontEdgeRadiusMm: 60 },
  back: { topMm: 120, synchroRatio: null, armsMoveWithBack: false },
  armPad: null,
  hasHarness: false,
  hasSuspension: false,
  castors: 'glides',
  adjustments: [
    adjustment('seatHeight', clicks(520, 820, 13)),
    adjustment('seatDepth', stops(300)),
    adjustment('forwardTilt', slides(-12, 0), { followsSitter: true }),
  ],
  controls: [
    control(
      'seatHeight',
      { name: 'hand ring', kind: 'lever', hand: 'either', place: 'all round under the seat', ...counted },
      'liftAndHold',
      'up',
      LIFT,
    ),
  ],
  notes: 'Tips with the sitter. Needs firm floor and firm shoes.',
};
