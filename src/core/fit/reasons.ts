import type { ConditionId } from '../method';
import { message, type Message, type MessageValue } from '../message';
import { balancedTension } from './conditions';
import {
  elbowAboveSeatMm,
  elbowOnPadMm,
  legOf,
  napeAlongBackMm,
  panDegOf,
  underDeskMm,
  datumMm,
} from './on-seat';
import type { AdjustmentOutcome, ConditionOutcome } from './outcome';
import type { Problem, SetValues } from './problem';

type Values = Record<string, MessageValue>;

/** The numbers that go into the sentence of each condition. */
const VALUES: Record<ConditionId, (p: Problem, v: SetValues, o: ConditionOutcome) => Values> = {
  footGap: (p, v) => ({
    hollow: { mm: panDegOf(p, v) === 0 ? v.seatHeight : legOf(p, v).hollowMm },
    leg: { mm: p.body.poplitealHeight },
    shoe: { mm: p.body.shoeHeel },
    footrest: { mm: v.footrestMm },
  }),
  thigh: (p, v) => ({ thigh: { deg: legOf(p, v).thighDeg }, pan: { deg: panDegOf(p, v) } }),
  trunkThigh: (p, v, o) => ({
    angle: { deg: o.residual },
    back: { deg: v.backAngle },
    thigh: { deg: legOf(p, v).thighDeg },
  }),
  backAngle: (p, v) => ({ back: { deg: v.backAngle }, method: { text: p.inputs.method.name } }),
  kneeRoom: (p, v, o) => ({
    length: { mm: p.body.buttockPoplitealLength },
    depth: { mm: v.seatDepth },
    cushion: { mm: v.backCushionMm },
    room: { mm: o.residual },
  }),
  lumbarHeight: (p, v) => ({ apex: { mm: v.lumbarApex }, hollow: { mm: p.body.smallOfBackHeight } }),
  lumbarByPractice: (_, v) => ({ apex: { mm: v.lumbarApex } }),
  tension: (p) => ({ mass: { kg: p.body.bodyMass }, wanted: tensionValue(p, balancedTension(p)) }),
  armHeight: (p, v) => ({ elbow: { mm: elbowOnPadMm(p, v) }, pad: { mm: v.armHeight } }),
  armSpread: (_, v, o) => ({ out: { deg: o.residual }, clear: { mm: v.armWidth } }),
  hipClearance: (p, v, o) => ({
    clear: { mm: v.armWidth },
    hips: { mm: p.body.hipBreadthSitting },
    side: { mm: o.residual / 2 },
  }),
  headHeight: (p, v) => ({
    pad: { mm: v.headHeight },
    nape: { mm: napeAlongBackMm(p, v) },
    from: { deg: p.inputs.method.headRestFromDeg },
  }),
  deskTop: (p, v) => ({
    elbow: { mm: datumMm(p, v) + elbowAboveSeatMm(p, v, 0) },
    keyboard: { mm: p.inputs.place?.keyboardThicknessMm ?? 0 },
    desk: { mm: v.deskHeight },
  }),
  deskClearance: (p, v, o) => ({
    underside: { mm: v.deskHeight - (p.inputs.place?.deskThicknessMm ?? 0) },
    legs: { mm: underDeskMm(p, v) },
    room: { mm: o.residual },
  }),
};

function tensionValue(p: Problem, wanted: number): MessageValue {
  return p.variables.tiltTension?.adjustment.unit === 'turn' ? { turns: wanted } : { count: wanted };
}

const sideOf = (o: ConditionOutcome): 'good' | 'more' | 'less' =>
  o.outside === 0 ? 'good' : o.outside > 0 ? 'more' : 'less';

/** One sentence: why this position, or what is wrong with it. */
export function reasonFor(p: Problem, v: SetValues, outcome: AdjustmentOutcome): Message {
  if (outcome.verdict === 'notMeasured' || !outcome.deciding) {
    return message('reason.notMeasured', {
      missing: { words: outcome.missing.map((id) => `dimension.${id}`) },
    });
  }
  const o = outcome.deciding;
  const side = sideOf(o);
  const by: Values =
    side === 'good'
      ? {}
      : {
          by:
            o.unit === 'deg'
              ? { deg: Math.abs(o.outside) }
              : o.unit === 'turn'
                ? tensionValue(p, Math.abs(o.outside))
                : { sizeMm: Math.abs(o.outside) },
        };
  const kind = o.id === 'tension' ? `.${p.variables.tiltTension?.adjustment.unit ?? 'turn'}` : '';
  return message(`reason.${o.id}.${side}${kind}`, { ...VALUES[o.id](p, v, o), ...by });
}
