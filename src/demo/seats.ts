/** The invented seats of Skarrow Isles Ferries. Every range is made up within what such seats commonly have. */
import { stated, type Quantity } from '../core/quantity';
import type {
  Action,
  Adjustment,
  AdjustmentKind,
  AdjustmentUnit,
  Control,
  Direction,
  Effort,
  SeatModel,
  SitterAct,
  Travel,
} from '../core/seat';

const SHEET = 'maker’s sheet (invented)';
const q = (value: number): Quantity => stated(value, SHEET);

const slides = (lowest: number, highest: number): Travel => ({
  type: 'continuous',
  lowest: q(lowest),
  highest: q(highest),
});
const clicks = (lowest: number, highest: number, count: number): Travel => ({
  type: 'steps',
  lowest: q(lowest),
  highest: q(highest),
  count,
});
const stops = (...values: number[]): Travel => ({ type: 'listed', values: values.map(q) });

const UNITS: Partial<Record<AdjustmentKind, AdjustmentUnit>> = {
  seatAngle: 'deg',
  backAngle: 'deg',
  tiltTension: 'turn',
};

function adjustment(
  kind: AdjustmentKind,
  travel: Travel,
  more: { unit?: AdjustmentUnit; effort?: Effort } = {},
): Adjustment {
  return {
    id: kind,
    kind,
    side: 'both',
    unit: more.unit ?? UNITS[kind] ?? 'mm',
    travel,
    ...(more.effort ? { effort: more.effort } : {}),
  };
}

/** One control with one move; seats with shared levers give two moves. */
function control(
  kind: AdjustmentKind,
  what: Pick<Control, 'name' | 'kind' | 'hand' | 'place'> &
    Partial<Pick<Control, 'scale' | 'latch' | 'keeps'>>,
  action: Action,
  directionForMore: Direction,
  sitter: { forMore: SitterAct; forLess: SitterAct } = { forMore: 'nothing', forLess: 'nothing' },
): Control {
  return {
    id: `${kind}-control`,
    latch: 'none',
    scale: { type: 'none' },
    keeps: true,
    ...what,
    moves: [{ adjustmentId: kind, action, directionForMore, sitter }],
  };
}

const LIFT = { forMore: 'weightOff', forLess: 'weightOn' } as const;
const counted = { scale: { type: 'clicks' }, latch: 'clicks' } as const;

const office: Omit<SeatModel, 'id'> = {
  name: 'Tidewick shared chair',
  seatClass: 'office',
  ratedLoadKg: q(120),
  seatWidthMm: q(480),
  cushion: { sinkMm: q(25), referenceMassKg: 77, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 210, recessMm: 0, frontEdgeRadiusMm: 45 },
  back: { topMm: 560, synchroRatio: null, armsMoveWithBack: true },
  armPad: { lengthMm: 250, widthMm: 85 },
  hasHarness: false,
  hasSuspension: false,
  castors: 'hardFloor',
  adjustments: [
    adjustment('seatHeight', slides(415, 525)),
    adjustment('seatDepth', clicks(390, 450, 4)),
    adjustment('lumbarApex', clicks(150, 230, 5)),
    adjustment('backAngle', stops(2, 7, 12, 18)),
    adjustment('tiltTension', slides(0, 2), {
      effort: { by: 'moment', lightestNm: 22, stiffestNm: 62, atDeg: 15 },
    }),
    adjustment('armWidth', stops(430, 460, 490)),
    adjustment('armHeight', clicks(180, 280, 5)),
  ],
  controls: [
    control(
      'seatHeight',
      {
        name: 'flat lever',
        kind: 'lever',
        hand: 'right',
        place: 'under the seat on the right, front of two',
      },
      'liftAndHold',
      'up',
      LIFT,
    ),
    control(
      'seatDepth',
      {
        name: 'small paddle',
        kind: 'paddle',
        hand: 'left',
        place: 'under the seat on the left, near the front corner',
        ...counted,
      },
      'pullAndSlide',
      'forward',
      { forMore: 'leanForward', forLess: 'leanBack' },
    ),
    control(
      'lumbarApex',
      {
        name: 'two side grips',
        kind: 'byHand',
        hand: 'both',
        place: 'behind the back, either side of the ridge',
        ...counted,
      },
      'raiseByClicks',
      'up',
      { forMore: 'leanForward', forLess: 'leanForward' },
    ),
    control(
      'backAngle',
      {
        name: 'round lever',
        kind: 'lever',
        hand: 'right',
        place: 'under the seat on the right, rear of two',
      },
      'setToStop',
      'backward',
      { forMore: 'leanBack', forLess: 'leanForward' },
    ),
    control(
      'tiltTension',
      {
        name: 'tension knob',
        kind: 'knob',
        hand: 'right',
        place: 'under the front of the seat, in the middle',
        scale: { type: 'turns' },
      },
      'turn',
      'clockwise',
      { forMore: 'leanForward', forLess: 'leanForward' },
    ),
    control(
      'armWidth',
      { name: 'arm bolts', kind: 'tool', hand: 'either', place: 'under the seat, one hand wheel each side' },
      'setToStop',
      'outward',
      { forMore: 'standUp', forLess: 'standUp' },
    ),
    control(
      'armHeight',
      {
        name: 'arm button',
        kind: 'button',
        hand: 'both',
        place: 'outside each arm, below the pad',
        ...counted,
      },
      'pressAndHold',
      'up',
    ),
  ],
  notes: 'Shared between shifts: set it anew for each person.',
};

const task: Omit<SeatModel, 'id'> = {
  name: 'Gullstone task chair',
  seatClass: 'task',
  ratedLoadKg: q(135),
  seatWidthMm: q(500),
  cushion: { sinkMm: q(20), referenceMassKg: 77, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 230, recessMm: 10, frontEdgeRadiusMm: 55 },
  back: { topMm: 620, synchroRatio: 3, armsMoveWithBack: false },
  armPad: { lengthMm: 240, widthMm: 95 },
  hasHarness: false,
  hasSuspension: false,
  castors: 'hardFloor',
  adjustments: [
    adjustment('seatHeight', slides(400, 530)),
    adjustment('seatDepth', slides(380, 455)),
    adjustment('seatAngle', stops(-5, -2.5, 0, 2.5)),
    adjustment('lumbarApex', clicks(140, 248, 10)),
    adjustment('backAngle', clicks(0, 24, 9)),
    adjustment('tiltTension', clicks(1, 7, 7), {
      unit: 'step',
      effort: { by: 'mass', lightestKg: 45, stiffestKg: 120 },
    }),
    adjustment('armWidth', slides(400, 520)),
    adjustment('armHeight', clicks(170, 290, 13)),
    adjustment('headHeight', clicks(600, 720, 5)),
  ],
  controls: [
    control(
      'seatHeight',
      {
        name: 'long lever',
        kind: 'lever',
        hand: 'right',
        place: 'under the seat on the right, in the middle',
      },
      'liftAndHold',
      'up',
      LIFT,
    ),
    control(
      'seatDepth',
      { name: 'push button', kind: 'button', hand: 'left', place: 'left edge of the seat, front' },
      'pressAndHold',
      'forward',
      { forMore: 'leanForward', forLess: 'leanBack' },
    ),
    control(
      'seatAngle',
      {
        name: 'wedge wheel',
        kind: 'wheel',
        hand: 'left',
        place: 'under the seat on the left, behind the button',
      },
      'setToStop',
      'up',
      { forMore: 'weightOff', forLess: 'weightOff' },
    ),
    control(
      'lumbarApex',
      {
        name: 'lumbar grips',
        kind: 'byHand',
        hand: 'both',
        place: 'both sides of the back, at the height of the waist',
        ...counted,
      },
      'raiseByClicks',
      'up',
      { forMore: 'leanForward', forLess: 'leanForward' },
    ),
    control(
      'backAngle',
      { name: 'short lever', kind: 'lever', hand: 'left', place: 'under the seat on the left, rear' },
      'setToStop',
      'backward',
      { forMore: 'leanBack', forLess: 'leanForward' },
    ),
    control(
      'tiltTension',
      {
        name: 'lettered wheel',
        kind: 'wheel',
        hand: 'right',
        place: 'right side of the seat, below the lever',
        scale: { type: 'dial', labels: ['A', 'B', 'C', 'D', 'E', 'F', 'G'] },
        latch: 'clicks',
      },
      'turn',
      'forward',
      { forMore: 'leanForward', forLess: 'leanForward' },
    ),
    control(
      'armWidth',
      { name: 'arm slide', kind: 'lever', hand: 'both', place: 'under the seat, one flip lever each side' },
      'slide',
      'outward',
      { forMore: 'standUp', forLess: 'standUp' },
    ),
    control(
      'armHeight',
      {
        name: 'arm trigger',
        kind: 'trigger',
        hand: 'both',
        place: 'under the front of each pad',
        ...counted,
      },
      'squeeze',
      'up',
    ),
    control(
      'headHeight',
      {
        name: 'head pad',
        kind: 'byHand',
        hand: 'both',
        place: 'behind the head, either side of the post',
        ...counted,
      },
      'raiseByClicks',
      'up',
      { forMore: 'leanForward', forLess: 'leanForward' },
    ),
  ],
  notes: 'Have the sitter lean back and forth while setting the tension.',
};

const handwork: Omit<SeatModel, 'id'> = {
  name: 'Marram sloped stool',
  seatClass: 'handwork',
  ratedLoadKg: q(130),
  seatWidthMm: q(430),
  cushion: { sinkMm: q(15), referenceMassKg: 75, heightsAre: 'empty' },
  pan: { axisFromRearMm: 340, recessMm: 0, frontEdgeRadiusMm: 70 },
  back: { topMm: 330, synchroRatio: null, armsMoveWithBack: false },
  armPad: null,
  hasHarness: false,
  hasSuspension: false,
  castors: 'hardFloor',
  adjustments: [
    adjustment('seatHeight', slides(420, 560)),
    adjustment('seatDepth', stops(360)),
    adjustment('seatAngle', stops(-12, -9, -6, -3, 0)),
    adjustment('lumbarApex', clicks(150, 213, 4)),
    adjustment('backAngle', stops(0, 5, 10)),
  ],
  controls: [
    control(
      'seatHeight',
      { name: 'ring lever', kind: 'lever', hand: 'either', place: 'all round under the seat' },
      'liftAndHold',
      'up',
      LIFT,
    ),
    control(
      'seatAngle',
      { name: 'slope lever', kind: 'lever', hand: 'left', place: 'under the seat on the left' },
      'setToStop',
      'backward',
      { forMore: 'leanBack', forLess: 'leanForward' },
    ),
    control(
      'lumbarApex',
      { name: 'back knob', kind: 'knob', hand: 'right', place: 'behind the back, on the post', ...counted },
      'raiseByClicks',
      'up',
      { forMore: 'leanForward', forLess: 'leanForward' },
    ),
    control(
      'backAngle',
      {
        name: 'post screw',
        kind: 'knob',
        hand: 'right',
        place: 'where the post meets the seat, at the rear',
      },
      'setToStop',
      'backward',
      { forMore: 'leanForward', forLess: 'leanForward' },
    ),
  ],
  notes: 'Slopes forward by stops. On free castors a sloped stool can roll away: use the braked set.',
};

const controlDesk: Omit<SeatModel, 'id'> = {
  name: 'Lanternfold watch seat',
  seatClass: 'controlDesk',
  ratedLoadKg: q(180),
  seatWidthMm: q(540),
  cushion: { sinkMm: q(30), referenceMassKg: 85, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 0, recessMm: 20, frontEdgeRadiusMm: 60 },
  back: { topMm: 700, synchroRatio: null, armsMoveWithBack: true },
  armPad: { lengthMm: 280, widthMm: 105 },
  hasHarness: false,
  hasSuspension: false,
  castors: 'softFloor',
  adjustments: [
    adjustment('seatHeight', slides(425, 545)),
    adjustment('seatDepth', slides(400, 475)),
    adjustment('seatAngle', slides(-4, 4)),
    adjustment('lumbarApex', slides(150, 240)),
    adjustment('backAngle', slides(0, 30)),
    adjustment('tiltTension', slides(0, 6), { effort: { by: 'mass', lightestKg: 50, stiffestKg: 150 } }),
    adjustment('armWidth', slides(450, 560)),
    adjustment('armHeight', slides(190, 300)),
    adjustment('headHeight', slides(610, 770)),
  ],
  controls: [
    control(
      'seatHeight',
      {
        name: 'lever with a ball end',
        kind: 'lever',
        hand: 'right',
        place: 'under the seat on the right, first of three',
      },
      'liftAndHold',
      'up',
      LIFT,
    ),
    control(
      'seatDepth',
      { name: 'bar', kind: 'lever', hand: 'either', place: 'under the front edge, across' },
      'pullAndSlide',
      'forward',
    ),
    control(
      'seatAngle',
      {
        name: 'flat lever',
        kind: 'lever',
        hand: 'right',
        place: 'under the seat on the right, second of three',
      },
      'liftAndHold',
      'up',
      { forMore: 'leanBack', forLess: 'leanForward' },
    ),
    control(
      'lumbarApex',
      { name: 'side wheel', kind: 'wheel', hand: 'left', place: 'left side of the back, low' },
      'turn',
      'forward',
    ),
    control(
      'backAngle',
      {
        name: 'lever with a ridge',
        kind: 'lever',
        hand: 'right',
        place: 'under the seat on the right, third of three',
      },
      'liftAndHold',
      'backward',
      { forMore: 'leanBack', forLess: 'leanForward' },
    ),
    control(
      'tiltTension',
      {
        name: 'fold-out crank',
        kind: 'knob',
        hand: 'right',
        place: 'right side of the seat, between the levers',
        scale: { type: 'turns' },
      },
      'turn',
      'clockwise',
      { forMore: 'leanForward', forLess: 'leanForward' },
    ),
    control(
      'armWidth',
      { name: 'hand wheel', kind: 'wheel', hand: 'both', place: 'under the seat, one each side' },
      'slide',
      'outward',
      { forMore: 'standUp', forLess: 'standUp' },
    ),
    control(
      'armHeight',
      { name: 'pad button', kind: 'button', hand: 'both', place: 'inside each arm, below the pad' },
      'pressAndHold',
      'up',
    ),
    control(
      'headHeight',
      { name: 'head pad', kind: 'byHand', hand: 'both', place: 'behind the head' },
      'slide',
      'up',
    ),
  ],
  notes: 'Several people a day: keep a card for each.',
};

const operator: Omit<SeatModel, 'id'> = {
  name: 'Bellreef helm seat',
  seatClass: 'operator',
  ratedLoadKg: q(150),
  seatWidthMm: q(490),
  cushion: { sinkMm: q(20), referenceMassKg: 85, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 220, recessMm: 0, frontEdgeRadiusMm: 50 },
  back: { topMm: 640, synchroRatio: null, armsMoveWithBack: true },
  armPad: { lengthMm: 300, widthMm: 90 },
  hasHarness: true,
  hasSuspension: true,
  castors: 'bolted',
  adjustments: [
    adjustment('seatHeight', clicks(430, 500, 8)),
    adjustment('seatDepth', stops(400, 430, 460)),
    adjustment('seatAngle', stops(-4, -2, 0, 2, 4)),
    adjustment('lumbarApex', stops(170, 205)),
    adjustment('backAngle', clicks(0, 20, 9)),
    adjustment('armWidth', stops(470)),
    adjustment('armHeight', clicks(200, 270, 8)),
    adjustment('headHeight', clicks(620, 710, 4)),
  ],
  controls: [
    control(
      'seatHeight',
      {
        name: 'front handle',
        kind: 'lever',
        hand: 'left',
        place: 'left front corner of the base',
        ...counted,
      },
      'liftAndHold',
      'up',
      LIFT,
    ),
    control(
      'seatDepth',
      {
        name: 'cushion latch',
        kind: 'paddle',
        hand: 'either',
        place: 'under the front edge, in the middle',
        latch: 'clicks',
      },
      'pullAndSlide',
      'forward',
      { forMore: 'weightOff', forLess: 'weightOff' },
    ),
    control(
      'seatAngle',
      {
        name: 'tilt handle',
        kind: 'lever',
        hand: 'left',
        place: 'left side of the base, behind the front handle',
        latch: 'clicks',
      },
      'setToStop',
      'up',
      { forMore: 'leanBack', forLess: 'leanForward' },
    ),
    control(
      'lumbarApex',
      { name: 'lumbar switch', kind: 'switch', hand: 'right', place: 'right side of the back, low' },
      'setToStop',
      'up',
    ),
    control(
      'backAngle',
      { name: 'back ratchet', kind: 'ratchet', hand: 'right', place: 'right hinge of the back', ...counted },
      'liftAndHold',
      'backward',
      { forMore: 'leanBack', forLess: 'leanForward' },
    ),
    control(
      'armHeight',
      { name: 'arm knob', kind: 'knob', hand: 'both', place: 'under the rear of each arm', ...counted },
      'raiseByClicks',
      'up',
    ),
    control(
      'headHeight',
      { name: 'head pad', kind: 'byHand', hand: 'both', place: 'top of the back', ...counted },
      'raiseByClicks',
      'up',
      { forMore: 'leanForward', forLess: 'leanForward' },
    ),
  ],
  notes: 'On a suspension, with a harness. No cushion or pad may be added.',
};

const child: Omit<SeatModel, 'id'> = {
  name: 'Puffling crèche chair',
  seatClass: 'child',
  ratedLoadKg: q(60),
  seatWidthMm: q(310),
  cushion: { sinkMm: q(3), referenceMassKg: 25, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 0, recessMm: 0, frontEdgeRadiusMm: 15 },
  back: { topMm: 330, synchroRatio: null, armsMoveWithBack: false },
  armPad: null,
  hasHarness: false,
  hasSuspension: false,
  castors: 'glides',
  adjustments: [
    adjustment('seatHeight', clicks(300, 400, 6)),
    adjustment('seatDepth', clicks(260, 340, 5)),
    adjustment('lumbarApex', clicks(130, 190, 4)),
    adjustment('backAngle', stops(5)),
  ],
  controls: [
    control(
      'seatHeight',
      {
        name: 'slot bolts',
        kind: 'tool',
        hand: 'both',
        place: 'both side frames, low; a trained adult with the key',
      },
      'setToStop',
      'up',
      { forMore: 'standUp', forLess: 'standUp' },
    ),
    control(
      'seatDepth',
      { name: 'seat bolts', kind: 'tool', hand: 'both', place: 'under the seat board, two each side' },
      'setToStop',
      'forward',
      { forMore: 'standUp', forLess: 'standUp' },
    ),
    control(
      'lumbarApex',
      { name: 'back bolts', kind: 'tool', hand: 'both', place: 'behind the back board' },
      'setToStop',
      'up',
      { forMore: 'standUp', forLess: 'standUp' },
    ),
  ],
  notes: 'Grows with the child: look again every six months.',
};

export const DEMO_SEATS = [office, task, handwork, controlDesk, operator, child] as const;
