/** Seats whose mechanisms the others do not have: dials, ratchets, states, cushions, what weighs or tips by itself. */
import {
  DESCRIBED,
  LIFT,
  adjustment,
  clicks,
  control,
  counted,
  q,
  slides,
  stops,
  type DemoSeat,
} from './describe';

const SEVEN = ['1', '2', '3', '4', '5', '6', '7'];
const BACKWARD = { forMore: 'leanBack', forLess: 'leanForward' } as const;

/** Three depths, a dial of seven numbers, a back that rises by a ratchet and leans by five stops. */
export const dispatch: DemoSeat = {
  ...DESCRIBED,
  name: 'Fulmar dispatch chair',
  seatClass: 'office',
  ratedLoadKg: q(130),
  price: 365,
  seatWidthMm: q(490),
  cushion: { sinkMm: q(22), referenceMassKg: 75, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 180, recessMm: 0, frontEdgeRadiusMm: 50 },
  back: { topMm: 540, topWidthMm: 400, synchroRatio: 2 },
  arms: { support: 'elbowPad', on: 'seat', moveWithBack: false, lengthMm: 240, widthMm: 90 },
  offers: ['castorsSoftFloor', 'cleanable'],
  states: [
    { id: 'arms-off', kind: 'armsOff', removes: ['armHeight', 'armWidth', 'armPivot'], removesArms: true },
  ],
  adjustments: [
    adjustment('seatHeight', slides(410, 520), { neutral: 'highest', movedBy: 'seatedOneHand' }),
    adjustment('seatDepth', stops(390, 420, 450), { movedBy: 'seatedOneHand' }),
    adjustment('backHeight', clicks(160, 232, 7), { neutral: 'lowest', movedBy: 'seatedTwoHands' }),
    adjustment('backAngle', stops(0, 6, 12, 18, 24)),
    adjustment('tiltTension', clicks(0, 6, 7), {
      unit: 'step',
      effort: { by: 'mass', lightestKg: 45, stiffestKg: 120 },
    }),
    adjustment('tiltLock', stops(0, 1, 2), { lock: { states: ['free', 'limited', 'upright'] } }),
    adjustment('armHeight', clicks(185, 285, 5)),
    adjustment('armWidth', slides(430, 510), { movedBy: 'standingTwoHands' }),
    adjustment('armPivot', stops(-15, 0, 15)),
  ],
  controls: [
    control(
      'seatHeight',
      { name: 'lift lever', kind: 'lever', hand: 'right', place: 'under the seat on the right, front' },
      'liftAndHold',
      'up',
      LIFT,
    ),
    control(
      'seatDepth',
      { name: 'depth button', kind: 'button', hand: 'left', place: 'under the seat on the left', ...counted },
      'pressAndHold',
      'forward',
    ),
    control(
      'backHeight',
      { name: 'back', kind: 'ratchet', hand: 'both', place: 'both lower edges of the back', ...counted },
      'raiseByClicks',
      'up',
      { forMore: 'leanForward', forLess: 'leanForward' },
    ),
    control(
      'tiltTension',
      {
        name: 'numbered dial',
        kind: 'wheel',
        hand: 'right',
        place: 'right side of the seat, behind the lever',
        scale: { type: 'dial', labels: SEVEN },
      },
      'turn',
      'clockwise',
    ),
    control(
      'armHeight',
      { name: 'pad trigger', kind: 'trigger', hand: 'both', place: 'outside each arm', ...counted },
      'squeeze',
      'up',
    ),
  ],
  procedures: [
    {
      id: 'back-ratchet',
      kind: 'ratchet',
      controlId: 'backHeight-control',
      steps: [
        { text: 'Lift the back click by click.', felt: 'one click a step', otherwise: 'lift to the top' },
        { text: 'Gone too high: lift to the top. It falls to the bottom; begin again.' },
      ],
    },
  ],
  notes: 'The dial is on the right: one is light, seven is stiff.',
};

/** For heavy people: rated 360 kg, bolted arms that fold, six stops, a strapped neck pillow. */
export const heavyDuty: DemoSeat = {
  ...DESCRIBED,
  name: 'Petrel heavy-duty watch seat',
  seatClass: 'controlDesk',
  ratedLoadKg: q(360),
  price: 1650,
  seatWidthMm: q(640),
  cushion: { sinkMm: q(35), referenceMassKg: 120, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 0, recessMm: 10, frontEdgeRadiusMm: 60 },
  back: { topMm: 720, topWidthMm: 560, synchroRatio: null },
  arms: { support: 'forearmPad', on: 'seat', moveWithBack: false, lengthMm: 330, widthMm: 110 },
  offers: ['castorsHardFloor', 'heavyDuty', 'roundTheClock', 'nonSlip'],
  states: [
    { id: 'arms-folded', kind: 'armsFolded', removes: ['armHeight', 'armWidth'], removesArms: true },
    { id: 'pillow-off', kind: 'cushionOff', removes: [] },
  ],
  strappedCushions: [
    {
      id: 'neck-pillow',
      zone: 'neck',
      thicknessMm: q(60),
      heightMm: { lowest: 560, highest: 720 },
      belongsTo: 'seat',
      slips: true,
    },
  ],
  cover: { comesOff: 'byHand', cleaning: 'wash at 40 °C' },
  adjustments: [
    adjustment('seatHeight', slides(440, 540)),
    adjustment('seatDepth', slides(420, 500), { movedBy: 'seatedOneHand' }),
    adjustment('lumbarApex', slides(150, 240)),
    adjustment('lumbarDepth', slides(0, 40)),
    adjustment('backAngle', stops(0, 5, 10, 15, 22, 30)),
    adjustment('armHeight', clicks(190, 290, 5), { movedBy: 'tool' }),
    adjustment('armWidth', slides(520, 680), { movedBy: 'tool' }),
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
      'seatDepth',
      { name: 'bar', kind: 'lever', hand: 'either', place: 'under the front edge, across' },
      'pullAndSlide',
      'forward',
    ),
    control(
      'backAngle',
      { name: 'side lever', kind: 'lever', hand: 'left', place: 'left side of the seat, rear', ...counted },
      'liftAndHold',
      'backward',
      BACKWARD,
    ),
    control(
      'armHeight',
      { name: 'arm bolts', kind: 'tool', hand: 'both', place: 'outside each arm, low; key under the seat' },
      'setToStop',
      'up',
      { forMore: 'standUp', forLess: 'standUp' },
    ),
  ],
  notes: 'Fold the arms back before standing up.',
};

/** Tips with the sitter by itself. */
export const tipping: DemoSeat = {
  ...DESCRIBED,
  name: 'Turnstone chart stool',
  seatClass: 'task',
  ratedLoadKg: q(120),
  price: 275,
  seatWidthMm: q(420),
  cushion: { sinkMm: q(12), referenceMassKg: 75, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 220, recessMm: 0, frontEdgeRadiusMm: 60 },
  back: { topMm: 320, synchroRatio: null },
  arms: null,
  offers: ['castorsHardFloor'],
  adjustments: [
    adjustment('seatHeight', slides(430, 560)),
    adjustment('seatDepth', stops(380)),
    adjustment('forwardTilt', slides(-10, 0), { holds: { how: 'passive' } }),
    adjustment('lumbarApex', clicks(150, 230, 5)),
    adjustment('backAngle', stops(0, 6)),
  ],
  controls: [
    control(
      'seatHeight',
      { name: 'lever', kind: 'lever', hand: 'right', place: 'under the seat on the right' },
      'liftAndHold',
      'up',
      LIFT,
    ),
    control(
      'lumbarApex',
      { name: 'back knob', kind: 'knob', hand: 'right', place: 'behind the back', ...counted },
      'raiseByClicks',
      'up',
      { forMore: 'leanForward', forLess: 'leanForward' },
    ),
  ],
  notes: 'The seat tips forward with the sitter; nobody sets it.',
};

/** Fixed at a slope, on the sail loft's bench. */
export const canted: DemoSeat = {
  ...DESCRIBED,
  name: 'Sanderling canted stool',
  seatClass: 'handwork',
  ratedLoadKg: q(140),
  price: 120,
  seatWidthMm: q(400),
  cushion: { sinkMm: q(8), referenceMassKg: 75, heightsAre: 'empty' },
  pan: { axisFromRearMm: 0, recessMm: 0, frontEdgeRadiusMm: 40 },
  back: { topMm: null, synchroRatio: null },
  arms: { support: 'cradle', on: 'seat', moveWithBack: false, lengthMm: 180, widthMm: 100 },
  offers: ['glides', 'nonSlip', 'cleanable'],
  adjustments: [
    adjustment('seatHeight', clicks(460, 580, 7), { movedBy: 'standingTwoHands' }),
    adjustment('seatDepth', stops(340)),
    adjustment('seatAngle', stops(-10)),
    adjustment('armHeight', slides(190, 320)),
  ],
  controls: [
    control(
      'seatHeight',
      { name: 'pin', kind: 'byHand', hand: 'both', place: 'on the post; pull and set', ...counted },
      'setToStop',
      'up',
      { forMore: 'standUp', forLess: 'standUp' },
    ),
  ],
  notes: 'For close work on sails: forearms in the cradles.',
};

/** The pan stays and the back comes in; the arms turn right round. */
export const reaching: DemoSeat = {
  ...DESCRIBED,
  name: 'Guillemot ticket chair',
  seatClass: 'task',
  ratedLoadKg: q(125),
  price: 455,
  seatWidthMm: q(480),
  cushion: { sinkMm: q(20), referenceMassKg: 75, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 200, recessMm: 0, frontEdgeRadiusMm: 45 },
  back: { topMm: 520, topWidthMm: 390, synchroRatio: null },
  arms: {
    support: 'elbowPad',
    on: 'back',
    moveWithBack: true,
    lengthMm: 230,
    widthMm: 85,
    pivotFromRearMm: 150,
    turnsRightRound: true,
  },
  offers: ['castorsHardFloor'],
  adjustments: [
    adjustment('seatHeight', slides(405, 515)),
    adjustment('seatDepth', stops(445)),
    adjustment('backReach', slides(0, 90)),
    adjustment('lumbarApex', clicks(160, 232, 7)),
    adjustment('lumbarDepth', slides(0, 5), { unit: 'pump', means: { atLowest: 0, atHighest: 30 } }),
    adjustment('backAngle', slides(0, 20)),
    adjustment('tiltTension', slides(0, 2), {
      effort: { by: 'weighing', lightestKg: 45, stiffestKg: 125, hasScale: false },
    }),
    adjustment('armHeight', slides(180, 280)),
    adjustment('armPivot', stops(-180, -30, -15, 0, 15)),
  ],
  controls: [
    control(
      'seatHeight',
      { name: 'lever', kind: 'lever', hand: 'right', place: 'under the seat on the right' },
      'liftAndHold',
      'up',
      LIFT,
    ),
    control(
      'backReach',
      { name: 'back slide', kind: 'lever', hand: 'left', place: 'left side of the back, low', ...counted },
      'pullAndSlide',
      'forward',
    ),
    control(
      'lumbarDepth',
      { name: 'air bulb', kind: 'bulb', hand: 'right', place: 'right edge of the back' },
      'pump',
      'forward',
    ),
    control(
      'tiltTension',
      {
        name: 'override screw',
        kind: 'knob',
        hand: 'right',
        place: 'under the seat, middle',
        scale: { type: 'turns' },
      },
      'turn',
      'clockwise',
    ),
  ],
  notes: 'Sit first, then bring the back in until it meets you.',
};

/** A suspension that weighs by itself, and arms that swing out. */
export const crane: DemoSeat = {
  ...DESCRIBED,
  name: 'Razorbill crane seat',
  seatClass: 'operator',
  ratedLoadKg: q(170),
  price: 1980,
  seatWidthMm: q(510),
  cushion: { sinkMm: q(15), referenceMassKg: 85, heightsAre: 'loaded' },
  pan: { axisFromRearMm: 0, recessMm: 0, frontEdgeRadiusMm: 40 },
  back: { topMm: 640, synchroRatio: null, lumbarZones: { lowerMm: 160, upperMm: 240 } },
  arms: { support: 'forearmPad', on: 'seat', moveWithBack: false, lengthMm: 320, widthMm: 90 },
  offers: ['suspension', 'harness', 'bolted', 'heating', 'cooling'],
  rideMm: 60,
  states: [
    { id: 'arms-out', kind: 'armsSwungOut', removes: ['armHeight', 'armAngle'], removesArms: true },
    { id: 'head-off', kind: 'headrestOff', removes: ['headHeight'] },
  ],
  adjustments: [
    adjustment('seatHeight', slides(420, 490)),
    adjustment('seatDepth', clicks(400, 460, 4)),
    adjustment('seatAngle', stops(-2, 0, 2, 4)),
    adjustment('lowerLumbar', slides(0, 10), { unit: 'step', means: { atLowest: 0, atHighest: 30 } }),
    adjustment('upperLumbar', slides(0, 10), { unit: 'step', means: { atLowest: 0, atHighest: 25 } }),
    adjustment('backAngle', clicks(0, 30, 16)),
    adjustment('armHeight', slides(180, 280)),
    adjustment('armAngle', slides(-10, 15)),
    adjustment('headHeight', clicks(580, 700, 4)),
    adjustment('foreAft', clicks(0, 180, 19)),
    adjustment('suspensionWeight', slides(50, 150), { holds: { how: 'passive' } }),
    adjustment('damper', clicks(1, 5, 5), { unit: 'step' }),
    adjustment('climate', stops(0, 1, 2), { unit: 'step' }),
  ],
  controls: [
    control(
      'seatHeight',
      { name: 'height switch', kind: 'switch', hand: 'right', place: 'right side, front' },
      'press',
      'up',
      { forMore: 'keepStill', forLess: 'keepStill' },
    ),
    control(
      'foreAft',
      { name: 'slide bar', kind: 'lever', hand: 'either', place: 'under the front edge', latch: 'clicks' },
      'pullAndSlide',
      'forward',
    ),
    control(
      'damper',
      {
        name: 'damper dial',
        kind: 'wheel',
        hand: 'left',
        place: 'left side, front',
        scale: { type: 'dial', labels: ['1', '2', '3', '4', '5'] },
      },
      'turn',
      'clockwise',
    ),
  ],
  procedures: [
    {
      id: 'calibration',
      kind: 'suspension',
      steps: [
        { text: 'Park on level ground and secure the crane.', doneBy: 'sitter' },
        { text: 'Sit still with hands off the controls until it has weighed.', felt: 'it settles once' },
      ],
    },
    {
      id: 'belt',
      kind: 'harness',
      steps: [{ text: 'Lap part low over the pelvis, both ends snug; try the release once.' }],
    },
  ],
  notes: 'It weighs whoever sits down. Swing the arms out before leaving.',
};
