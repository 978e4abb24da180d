import { bandOf, type ConditionId } from '../../method';
import { message, type Message, type MessageValue } from '../../message';
import type { AdjustmentUnit } from '../../seat';
import { padTurnDeg } from '../../posture';
import {
  HIP_GIVES_MM,
  apexMm,
  clearMm,
  elbowMm,
  elbowHalfMm,
  elbowOnPadMm,
  eyeMm,
  forearmDeg,
  legOf,
  legTopsMm,
  napeAlongBackMm,
  napeBeforeBackMm,
  padAtDeskTopMm,
  padBeforeBackMm,
  panDegOf,
  prominenceMm,
  hollowFromRearMm,
  restDegOf,
  trunkDegOf,
  underDeskMm,
} from '../geometry/on-seat';
import type { AdjustmentOutcome, ConditionOutcome } from '../outcome/outcome';
import { headTopMm } from '../geometry/overhead';
import { meaning, type Problem, type SetValues, type Variable } from '../problem/problem';
import { workingLoadKg } from '../problem/working-load';
import { balancedTension, wantedDamper, wantedProminenceMm, wantedZoneMm } from '../conditions/wanted';

type Values = Record<string, MessageValue>;

/** The numbers that go into the sentence of each condition. */
const VALUES: Record<ConditionId, (p: Problem, v: SetValues, o: ConditionOutcome) => Values> = {
  footGap: (p, v) => {
    const { hollowMm, supportMm } = legOf(p, v);
    return {
      hollow: { mm: hollowMm },
      leg: { mm: p.lowerLegMm },
      shoe: { mm: p.body.shoeHeel },
      support: { mm: supportMm },
      reach: { mm: reachUpMm(p, v) },
      gap: { sizeMm: hollowMm - reachUpMm(p, v) },
    };
  },
  thigh: (p, v) => ({ thigh: { deg: legOf(p, v).thighDeg }, pan: { deg: panDegOf(p, v) } }),
  trunkThigh: (p, v, o) => ({
    angle: { deg: o.residual },
    back: { deg: trunkDegOf(v) },
    thigh: { deg: legOf(p, v).thighDeg },
  }),
  backAngle: (p, v) => ({ back: { deg: trunkDegOf(v) }, method: { text: p.inputs.method.name } }),
  kneeRoom: (p, v, o) => ({
    length: { mm: p.body.buttockPoplitealLength },
    depth: { mm: v.seatDepth },
    forward: { sizeMm: forwardMm(p, v) },
    room: { mm: o.residual },
  }),
  lumbarHeight: (p, v) => ({ apex: { mm: apexMm(v) }, hollow: { mm: p.body.smallOfBackHeight } }),
  lumbarByPractice: (_, v) => ({ apex: { mm: apexMm(v) } }),
  tension: (p) => ({ mass: { kg: p.body.bodyMass }, wanted: tensionValue(p, balancedTension(p)) }),
  armHeight: (p, v) => ({ elbow: { mm: elbowOnPadMm(p, v) }, pad: { mm: v.armHeight } }),
  padsLevel: (p, v) => ({ pad: { mm: v.armHeight }, wanted: { mm: padAtDeskTopMm(p, v) } }),
  armSpread: (_, v, o) => ({ out: { deg: o.residual }, clear: { mm: clearMm(v) } }),
  hipContact: hipValues,
  padContact: (p, v, o) => ({
    room: { mm: o.residual },
    pad: { mm: v.armHeight },
    thigh: { mm: p.body.thighClearance },
  }),
  hipClearance: hipValues,
  headHeight: (p, v) => ({
    pad: { mm: v.headHeight },
    nape: { mm: napeAlongBackMm(p, v) },
    from: { deg: restDegOf(p, v) },
  }),
  lumbarDepth: (p, v) => ({
    stands: { mm: prominenceMm(p, v) },
    hollow: { mm: p.body.smallOfBackDepth },
    wanted: { mm: wantedProminenceMm(p) },
  }),
  upperLumbar: zoneValues('upper'),
  lowerLumbar: zoneValues('lower'),
  lumbarEven: (p, v) => ({
    upper: { mm: meaning(p, v, 'upperLumbar') },
    lower: { mm: meaning(p, v, 'lowerLumbar') },
  }),
  tiltLock: (_, v) => ({ back: { deg: trunkDegOf(v) } }),
  tiltLimiter: (p, v) => ({
    stop: { deg: v.tiltLimiter },
    wanted: { deg: bandOf(p.targets.backAngle).hi },
    method: { text: p.inputs.method.name },
  }),
  padReach: (_, __, o) => ({ before: { mm: o.residual } }),
  padAtDesk: (_, __, o) => ({ room: { mm: o.residual } }),
  armPivot: (p, v) => ({
    pad: { deg: v.armPivot },
    forearm: { deg: padTurnDeg(elbowHalfMm(p, v), p.fingertipMm) },
  }),
  armAngle: (p, v) => ({ pad: { deg: v.armAngle }, forearm: { deg: forearmDeg(p, v) } }),
  headAngle: (p, v) => ({ pad: { deg: v.headAngle }, wanted: { deg: restDegOf(p, v) } }),
  headDepth: (p, v) => ({
    pad: { mm: padBeforeBackMm(p, v) },
    nape: { mm: napeBeforeBackMm(p, v) },
    from: { deg: restDegOf(p, v) },
  }),
  leverElbow: (_, __, o) => ({ angle: { deg: o.residual } }),
  pedalKnee: (_, __, o) => ({ angle: { deg: o.residual } }),
  suspensionWeight: (p, v) => ({
    set: { kg: v.suspensionWeight },
    load: { kg: workingLoadKg(p.inputs, p.body.bodyMass) },
    mass: { kg: p.body.bodyMass },
  }),
  damper: (p, v) => ({
    set: { count: v.damper },
    wanted: { count: wantedDamper(p) },
    ground: { word: `ground.${p.inputs.place?.ground ?? 'mixed'}` },
  }),
  headroom: (p, v, o) => ({
    top: { mm: headTopMm(p, v) },
    ceiling: { mm: p.inputs.place?.headroomMm ?? NaN },
    room: { mm: o.residual },
  }),
  gaze: (p, v, o) => ({
    eye: { mm: eyeMm(p, v) },
    screen: { mm: v.screenHeight },
    angle: { deg: o.residual },
  }),
  deskTop: (p, v) => {
    const keyboard = p.inputs.place?.keyboardThicknessMm ?? 0;
    return {
      elbow: { mm: elbowMm(p, v) },
      keyboard: { mm: keyboard },
      desk: { mm: v.deskHeight },
      hands: { mm: v.deskHeight + keyboard },
    };
  },
  deskContact: (p, v, o) => ({
    underside: { mm: v.deskHeight - (p.inputs.place?.deskThicknessMm ?? 0) },
    legs: { mm: underDeskMm(p, v) },
    room: { mm: o.residual },
  }),
  deskClearance: (p, v, o) => ({
    underside: { mm: legTopsMm(p, v).thigh + o.residual },
    legs: { mm: legTopsMm(p, v).thigh },
    room: { mm: o.residual },
  }),
};

/** How far forward of the back support's most forward point the buttocks lie; less than 0 in a recess behind it. */
const forwardMm = (p: Problem, v: SetValues): number =>
  hollowFromRearMm(p, v) - p.body.buttockPoplitealLength;

/** What support, shoe and lower leg reach up to from the floor. */
const reachUpMm = (p: Problem, v: SetValues): number =>
  legOf(p, v).supportMm + p.body.shoeHeel + p.lowerLegMm;

/** Whether the feet stand on the floor or on something, and whether the knee is where they reach, above or below. */
function footWords(p: Problem, v: SetValues, side: 'good' | 'more' | 'less'): string {
  const gap = Math.round(legOf(p, v).hollowMm - reachUpMm(p, v));
  const on = legOf(p, v).supportMm > 0 ? 'support' : 'floor';
  return side === 'good' ? `.${gap === 0 ? 'level' : gap > 0 ? 'above' : 'below'}.${on}` : `.${on}`;
}

function hipValues(p: Problem, v: SetValues): Values {
  const clear = clearMm(v);
  const hips = p.body.hipBreadthSitting;
  return {
    clear: { mm: clear },
    hips: { mm: hips },
    side: { mm: (clear - hips) / 2 },
    gives: { mm: HIP_GIVES_MM },
  };
}

function zoneValues(zone: 'upper' | 'lower') {
  return (p: Problem, v: SetValues): Values => ({
    stands: { mm: meaning(p, v, `${zone}Lumbar`) },
    hollow: { mm: p.body.smallOfBackDepth },
    wanted: { mm: wantedZoneMm(p, zone) },
  });
}

/** A number of an adjustment's own count. */
export function ownValue(unit: AdjustmentUnit | undefined, value: number): MessageValue {
  if (unit === 'mm') return { mm: value };
  if (unit === 'deg') return { deg: value };
  if (unit === 'kg') return { kg: value };
  return unit === 'turn' ? { turns: value } : { count: value };
}

const tensionValue = (p: Problem, wanted: number): MessageValue =>
  ownValue(p.variables.tiltTension?.adjustment.unit, wanted);

/** By how much something lies outside, in the unit it is judged in. */
export function sizeOf(variable: Variable, o: ConditionOutcome): MessageValue {
  const size = Math.abs(o.outside);
  if (o.unit === 'deg') return { deg: size };
  return o.unit === 'mm' ? { sizeMm: size } : ownValue(variable.adjustment.unit, size);
}

const sideOf = (o: ConditionOutcome): 'good' | 'more' | 'less' =>
  o.outside === 0 ? 'good' : o.outside > 0 ? 'more' : 'less';

/** A mechanism that weighs by itself is spoken of in its own words. */
const tensionWords = (p: Problem): string => {
  const adjustment = p.variables.tiltTension?.adjustment;
  return adjustment?.effort?.by === 'weighing' ? 'weighing' : (adjustment?.unit ?? 'turn');
};

/** Which of several wordings: what they say differs. */
function variantOf(p: Problem, v: SetValues, id: ConditionId, side: 'good' | 'more' | 'less'): string {
  if (id === 'tension') return `.${tensionWords(p)}`;
  if (id === 'footGap') return footWords(p, v, side);
  if (id !== 'kneeRoom') return '';
  const forward = Math.round(forwardMm(p, v));
  return forward === 0 ? '' : forward > 0 ? '.forward' : '.back';
}

/** One sentence: why this position, or what is wrong with it. */
export function reasonFor(p: Problem, v: SetValues, outcome: AdjustmentOutcome): Message {
  if (outcome.verdict === 'noted') return message('reason.noted');
  if (outcome.verdict === 'notMeasured' || !outcome.deciding) {
    return message('reason.notMeasured', {
      missing: { words: outcome.missing.map((id) => `dimension.${id}`) },
    });
  }
  const o = outcome.deciding;
  const side = sideOf(o);
  const by: Values = side === 'good' ? {} : { by: sizeOf(outcome.variable, o) };
  const kind = variantOf(p, v, o.id, side);
  return message(`reason.${o.id}.${side}${kind}`, { ...VALUES[o.id](p, v, o), ...by });
}
