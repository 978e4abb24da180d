/**
 * The chain from measures to the number to set, as data: each step one message with the numbers that go into it. Steps
 * that a condition needs for its own arithmetic come first, then what every adjustment has: sink, reach, position.
 */
import { USUAL_FINGERS_MM, type ConditionId } from '../../method';
import { message, type Message, type MessageValue } from '../../message';
import { TASK_OFFSETS } from '../../place';
import { padTurnDeg } from '../../posture';
import { isFixed } from '../../seat';
import { milderWords } from './milder';
import { CLOTHING_KG, workingLoadKg } from '../problem/working-load';
import {
  apexMm,
  clearMm,
  datumMm,
  elbowAboveSeatMm,
  elbowHalfMm,
  elbowOnPadMm,
  eyeMm,
  forearmDeg,
  legOf,
  legTopsMm,
  napeAlongBackMm,
  napeBeforeBackMm,
  orZero,
  padAtDeskTopMm,
  panDegOf,
  pushMm,
  restDegOf,
  screenBelowDeg,
  shoulderPoint,
  sightDeg,
  spreadDeg,
  trunkDegOf,
  upperArmMm,
} from '../geometry/on-seat';
import type { AdjustmentOutcome } from '../outcome/outcome';
import { headTopMm, overHeadMm } from '../geometry/overhead';
import { handOf, type Problem, type SetValues } from '../problem/problem';
import { ownValue, sizeOf } from './reasons';
import {
  balancedTension,
  momentAt,
  tensionFraction,
  wantedDamper,
  wantedProminenceMm,
  wantedZoneMm,
} from '../conditions/wanted';

type Step = (p: Problem, v: SetValues) => readonly Message[];
const one =
  (key: string, values: (p: Problem, v: SetValues) => Record<string, MessageValue>): Step =>
  (p, v) => [message(`chain.${key}`, values(p, v))];

const zone = (which: 'upper' | 'lower'): Step =>
  one('zone', (p) => ({ hollow: { mm: p.body.smallOfBackDepth }, wanted: { mm: wantedZoneMm(p, which) } }));

/** The room in fingers, where the method says it so: of which hand, measured or as is usual. */
function fingers(p: Problem): Message[] {
  const { method } = p.inputs;
  if (!method.fingers) return [];
  const hand = handOf(p.inputs);
  const { lo, hi, whose } = method.fingers;
  return [
    message(hand ? 'chain.fingers' : 'chain.fingers.usual', {
      lo: { count: lo },
      hi: { count: hi },
      whose: { word: `handOf.${whose}` },
      loMm: { mm: (hand ?? USUAL_FINGERS_MM)[lo] },
      hiMm: { mm: (hand ?? USUAL_FINGERS_MM)[hi] },
    }),
  ];
}

/** Of the foot gap: what reaches down from the hollow of the knee, and where the lift has to read for it. */
const feet: Step = (p, v) => {
  const leg = legOf(p, v);
  const sum = leg.supportMm + p.body.shoeHeel + p.lowerLegMm;
  const over = leg.hollowMm - v.seatHeight;
  const steps = [
    message('chain.footGap', {
      leg: { mm: p.lowerLegMm },
      shoe: { mm: p.body.shoeHeel },
      support: { mm: leg.supportMm },
      sum: { mm: sum },
    }),
  ];
  if (p.shankAtDeg !== 0)
    steps.unshift(
      message('chain.pedals', {
        leg: { mm: p.body.poplitealHeight },
        deg: { deg: p.shankAtDeg },
        then: { mm: p.lowerLegMm },
      }),
    );
  if (Math.abs(over) >= 0.5)
    steps.push(
      message('chain.footGap.tilt', {
        pan: { deg: panDegOf(p, v) },
        over: { mm: over },
        reads: { mm: sum - over },
      }),
    );
  return steps;
};

const tension: Step = (p) => {
  const variable = p.variables.tiltTension;
  const effort = variable?.adjustment.effort;
  if (!variable || !effort) return [];
  const mass = { kg: p.body.bodyMass };
  const wanted = ownValue(variable.adjustment.unit, balancedTension(p));
  if (effort.by !== 'moment')
    return [
      message(`chain.tension.${effort.by}`, {
        mass,
        light: { kg: effort.lightestKg },
        stiff: { kg: effort.stiffestKg },
        percent: { percent: 100 * tensionFraction(effort, p) },
        wanted,
      }),
    ];
  return [
    message('chain.tension.moment', {
      mass,
      stature: { mm: p.body.stature },
      at: { deg: effort.atDeg },
      moment: { count: Math.round(momentAt(p, effort.atDeg) * 10) / 10 },
      light: { count: effort.lightestNm },
      stiff: { count: effort.stiffestNm },
      percent: { percent: 100 * tensionFraction(effort, p) },
      wanted,
    }),
  ];
};

const STEPS: Record<ConditionId, Step> = {
  footGap: feet,
  thigh: one('thigh', (p, v) => ({ pan: { deg: panDegOf(p, v) }, thigh: { deg: legOf(p, v).thighDeg } })),
  trunkThigh: one('trunkThigh', (p, v) => ({
    back: { deg: trunkDegOf(v) },
    thigh: { deg: legOf(p, v).thighDeg },
    angle: { deg: 90 + trunkDegOf(v) - legOf(p, v).thighDeg },
  })),
  backAngle: one('backAngle', (_, v) => ({
    back: { deg: orZero(v.backAngle) },
    chair: { deg: orZero(v.chairAngle) },
    sum: { deg: trunkDegOf(v) },
  })),
  kneeRoom: (p, v) => [
    message('chain.kneeRoom', {
      length: { mm: p.body.buttockPoplitealLength },
      recess: { mm: p.seat.recessMm },
      push: { mm: pushMm(p, v) },
      depth: { mm: v.seatDepth },
      room: { mm: p.body.buttockPoplitealLength - p.seat.recessMm + pushMm(p, v) - v.seatDepth },
    }),
    ...fingers(p),
  ],
  lumbarHeight: one('lumbarHeight', (p, v) => ({
    hollow: { mm: p.body.smallOfBackHeight },
    apex: { mm: apexMm(v) },
  })),
  lumbarByPractice: one('lumbarByPractice', (_, v) => ({ apex: { mm: apexMm(v) } })),
  lumbarDepth: one('lumbarDepth', (p) => ({
    hollow: { mm: p.body.smallOfBackDepth },
    wanted: { mm: wantedProminenceMm(p) },
  })),
  upperLumbar: zone('upper'),
  lowerLumbar: zone('lower'),
  lumbarEven: one('lumbarEven', () => ({})),
  tiltLock: one('byTask', (p) => ({ task: { word: `task.${p.inputs.place?.task ?? 'keyboard'}` } })),
  tiltLimiter: one('byMethod', (p) => ({ method: { text: p.inputs.method.name } })),
  tension,
  armSpread: one('armSpread', (p, v) => ({
    clear: { mm: clearMm(v) },
    pad: { mm: p.seat.padWidthMm },
    elbows: { mm: p.body.elbowToElbowBreadth },
    forearm: { mm: p.forearmBreadthMm },
    arm: { mm: upperArmMm(p) },
    out: { deg: spreadDeg(p, v) },
  })),
  hipContact: () => [],
  hipClearance: one('hipClearance', (p, v) => ({
    clear: { mm: clearMm(v) },
    hips: { mm: p.body.hipBreadthSitting },
    side: { mm: (clearMm(v) - p.body.hipBreadthSitting) / 2 },
  })),
  armHeight: one('armHeight', (p, v) => ({
    elbow: { mm: p.body.elbowHeightSitting },
    back: { deg: trunkDegOf(v) },
    out: { deg: Math.max(0, orZero(spreadDeg(p, v))) },
    wanted: { mm: elbowOnPadMm(p, v) },
  })),
  padsLevel: one('padsLevel', (p, v) => ({
    desk: { mm: v.deskHeight },
    seat: { mm: datumMm(p, v) },
    elbow: { mm: elbowOnPadMm(p, v) },
    wanted: { mm: padAtDeskTopMm(p, v) },
  })),
  padReach: one('padReach', (p, v) => ({ elbow: { mm: shoulderPoint(p, v).x } })),
  padAtDesk: one('padAtDesk', (p) => ({
    grip: { mm: p.gripMm },
    keys: { mm: p.inputs.place?.keysFromEdgeMm ?? 0 },
    edge: { mm: p.gripMm - (p.inputs.place?.keysFromEdgeMm ?? 0) },
  })),
  armPivot: one('armPivot', (p, v) => ({
    elbow: { mm: elbowHalfMm(p, v) },
    length: { mm: p.fingertipMm },
    wanted: { deg: padTurnDeg(elbowHalfMm(p, v), p.fingertipMm) },
  })),
  armAngle: one('armAngle', (p, v) => ({ wanted: { deg: forearmDeg(p, v) } })),
  headHeight: one('headHeight', (p, v) => ({
    nape: { mm: p.body.napeHeight },
    pivot: { mm: p.headPivotMm },
    at: { deg: restDegOf(p, v) },
    wanted: { mm: napeAlongBackMm(p, v) },
  })),
  headAngle: one('headAngle', (p, v) => ({ wanted: { deg: restDegOf(p, v) } })),
  headDepth: one('headDepth', (p, v) => ({
    at: { deg: restDegOf(p, v) },
    wanted: { mm: napeBeforeBackMm(p, v) },
  })),
  leverElbow: one('leverElbow', (p) => ({ arm: { mm: upperArmMm(p) }, grip: { mm: p.gripMm } })),
  pedalKnee: one('pedalKnee', (p) => ({ leg: { mm: p.body.poplitealHeight } })),
  suspensionWeight: one('suspensionWeight', (p) => ({
    mass: { kg: p.body.bodyMass },
    clothing: { kg: CLOTHING_KG },
    tools: { kg: p.inputs.work.toolsKg },
    load: { kg: workingLoadKg(p.inputs, p.body.bodyMass) },
  })),
  damper: one('damper', (p) => ({
    ground: { word: `ground.${p.inputs.place?.ground ?? 'mixed'}` },
    wanted: { count: wantedDamper(p) },
  })),
  deskTop: one('deskTop', (p, v) => {
    const elbow = elbowAboveSeatMm(p, v, 0);
    const keyboard = p.inputs.place?.keyboardThicknessMm ?? 0;
    const offset = TASK_OFFSETS[p.inputs.place?.task ?? 'keyboard'];
    return {
      datum: { mm: datumMm(p, v) },
      elbow: { mm: elbow },
      keyboard: { mm: keyboard },
      top: { mm: datumMm(p, v) + elbow - keyboard },
      lo: { mm: offset.lo },
      hi: { mm: offset.hi },
    };
  }),
  deskContact: one('deskClearance', (p, v) => ({
    thigh: { mm: legTopsMm(p, v).thigh },
    knee: { mm: legTopsMm(p, v).knee },
  })),
  deskClearance: () => [],
  padContact: () => [],
  headroom: one('headroom', (p, v) => ({
    datum: { mm: datumMm(p, v) },
    sitting: { mm: p.body.sittingHeight },
    over: { mm: overHeadMm(p.inputs) },
    top: { mm: headTopMm(p, v) },
  })),
  gaze: one('gaze', (p, v) => ({
    eye: { mm: eyeMm(p, v) },
    far: { mm: p.inputs.place?.screenDistanceMm ?? 0 },
    below: { deg: screenBelowDeg(p, v) },
    turned: { deg: sightDeg(p, v) },
  })),
};

/** What every adjustment has: how far the cushion moved its values, what it reaches, where it stands, what is left. */
function common(outcome: AdjustmentOutcome): Message[] {
  const { variable, value, position, estimated } = outcome;
  const { adjustment, values, shiftMm } = variable;
  const own = (n: number): MessageValue => ownValue(adjustment.unit, n);
  const steps: Message[] = [];
  if (estimated.length > 0)
    steps.push(message('chain.estimated', { list: { words: estimated.map((id) => `dimension.${id}`) } }));
  if (shiftMm !== 0) steps.push(message('chain.sink', { shift: { mm: shiftMm } }));
  if (outcome.aim && outcome.band && Number.isFinite(outcome.aim.lo + outcome.aim.hi))
    steps.push(
      outcome.aim.lo === outcome.aim.hi
        ? message('chain.aim', { aim: own(outcome.aim.lo) })
        : message('chain.aim.range', { lo: own(outcome.aim.lo), hi: own(outcome.aim.hi) }),
    );
  steps.push(
    isFixed(adjustment)
      ? message('chain.fixed', { value: own(value) })
      : message('chain.position', {
          lowest: own(values[0] ?? NaN),
          highest: own(values[values.length - 1] ?? NaN),
          number: { count: position + 1 },
          of: { count: values.length },
          value: own(value),
        }),
  );
  const { deciding } = outcome;
  if (deciding && deciding.outside !== 0)
    steps.push(message('chain.left', { by: sizeOf(variable, deciding) }));
  return steps;
}

/** The steps from what was measured to where an adjustment stands. */
export function explain(p: Problem, v: SetValues, outcome: AdjustmentOutcome): readonly Message[] {
  const milder = milderWords(p, outcome);
  return [
    ...outcome.conditions.flatMap((c) => STEPS[c.id](p, v)),
    ...common(outcome),
    ...(milder ? [milder] : []),
  ];
}
