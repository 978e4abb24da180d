import { bandOf, outsideBy } from '../method';
import { message, type Message } from '../message';
import { takesCushions, type AdjustmentKind } from '../seat';
import { CONDITIONS } from './conditions';
import { NO_REMEDIES, type Settings } from './inputs';
import { hollowFromRearMm } from './on-seat';
import { computable } from './plan';
import type { Problem } from './problem';
import { solve, valuesOfSettings, type SolveResult } from './solve';

/** Back cushions thinner or thicker than this are not made (common practice), mm. */
const THINNEST_CUSHION_MM = 10;
const THICKEST_CUSHION_MM = 80;
const CUSHION_STEP_MM = 5;

/** Something added that closes a shortfall, with its arithmetic, solved for: the settings that go with it. */
export interface Remedy {
  readonly id: 'footrest' | 'backCushion';
  readonly kind: AdjustmentKind;
  readonly sizeMm: number;
  readonly arithmetic: Message;
  readonly settings: Settings;
}

function outside(p: Problem, id: 'footGap' | 'kneeRoom', settings: Settings): number | null {
  const condition = computable(p).find((c) => c.id === id);
  return condition
    ? outsideBy(bandOf(p.targets[id]), condition.residual(p, valuesOfSettings(p, settings)))
    : null;
}

/** A cushion of `t` takes `t` from the depth: as thick as brings the room behind the knee nearest its aim. */
function backCushion(p: Problem, base: SolveResult): Remedy | null {
  const short = outside(p, 'kneeRoom', base.settings);
  if (short === null || short >= 0 || !takesCushions(p.inputs.seat)) return null;
  const depth = valuesOfSettings(p, base.settings).seatDepth;
  const target = p.targets.kneeRoom;
  const room = hollowFromRearMm(p, valuesOfSettings(p, base.settings)) - depth;
  const least = Math.ceil(((target.bandLo ?? 0) - room) / CUSHION_STEP_MM) * CUSHION_STEP_MM;
  const sizeMm = Math.max(THINNEST_CUSHION_MM, least);
  if (sizeMm > THICKEST_CUSHION_MM) return null;
  const solved = solve(p, { remedies: { ...base.settings.remedies, backCushionMm: sizeMm } });
  if (outside(p, 'kneeRoom', solved.settings) !== 0) return null;
  const values = {
    depth: { mm: depth },
    length: { mm: p.body.buttockPoplitealLength },
    room: { mm: room },
    size: { mm: sizeMm },
    then: { mm: room + sizeMm },
  };
  return {
    id: 'backCushion',
    kind: 'seatDepth',
    sizeMm,
    arithmetic: message('remedy.backCushion', values),
    settings: solved.settings,
  };
}

/** A footrest where the feet would hang, or where a seat raised to a fixed desk and a footrest fit better together. */
function footrest(p: Problem, base: SolveResult): Remedy | null {
  if (!computable(p).some((c) => c.id === 'footGap')) return null;
  const solved = solve(p, { remedies: base.settings.remedies, chooseFootrest: true });
  const { footrestMm } = solved.settings.remedies;
  const better = solved.hard < base.hard || (solved.hard === base.hard && solved.penalty < base.penalty);
  if (footrestMm === 0 || !better || outside(p, 'footGap', solved.settings) !== 0) return null;
  const set = valuesOfSettings(p, solved.settings);
  const gap = CONDITIONS.find((c) => c.id === 'footGap')!.residual(p, { ...set, footrestMm: 0 });
  const values = {
    seat: { mm: set.seatHeight },
    leg: { mm: p.body.poplitealHeight },
    shoe: { mm: p.body.shoeHeel },
    gap: { mm: gap },
    size: { mm: footrestMm },
  };
  return {
    id: 'footrest',
    kind: 'seatHeight',
    sizeMm: footrestMm,
    arithmetic: message('remedy.footrest', values),
    settings: solved.settings,
  };
}

/** The remedies that close a shortfall of the best settings without them; empty where nothing needs one. */
export function remediesFor(p: Problem): Remedy[] {
  const base = solve(p, { remedies: NO_REMEDIES });
  return [footrest(p, base), backCushion(p, base)].filter((r) => r !== null);
}
