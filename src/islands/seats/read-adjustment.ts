/** One adjustment of a seat, from what is typed of it. */
import { parsedIn, signed } from '../../ui/in-unit';
import type { Quantity } from '../../core/quantity';
import {
  ADJUSTMENT_KINDS,
  type Adjustment,
  type AdjustmentKindRow,
  type Effort,
  type Holds,
  type Travel,
} from '../../core/seat';
import { sayWith, word, type Reading } from '../../words';
import { between, isBlank, isSameNumber, q, type Faults, type Limits } from './read-numbers';
import { isCount, type AdjustmentText } from './seat-text';

function readTravel(text: AdjustmentText, reading: Reading, path: string, faults: Faults): Travel | null {
  const row: AdjustmentKindRow = ADJUSTMENT_KINDS[text.kind];
  const limits: Limits = [row.lowest, row.highest];
  const common = text.unit === row.units[0] ? row.typical : null;
  let isWhole = true;
  const end = (field: 'lowest' | 'highest'): number => {
    const given = text[field];
    const { value, fault } = isBlank(given)
      ? { value: NaN, fault: { text: word('seatForm.fault.missing') } }
      : between(given, text.unit, limits, common, reading);
    if (fault) {
      isWhole = false;
      faults.put(`${path}/${field}`, fault);
    }
    return value;
  };
  if (text.move === 'onOff') return { type: 'onOff' };
  if (text.move === 'fixed') {
    const value = end('lowest');
    return isWhole ? { type: 'listed', values: [q(value)] } : null;
  }
  if (text.move === 'listed') {
    const given = text.values
      .trim()
      .split(/[;\s]+/)
      .filter(Boolean);
    const values = given.map((one) => between(one, text.unit, limits, common, reading));
    const wrong = values.find((v) => v.fault)?.fault;
    const sorted = [...new Set(values.map((v) => v.value))].sort((a, b) => a - b);
    if (wrong ?? given.length < 2) {
      faults.put(`${path}/values`, wrong ?? { text: word('seatForm.fault.twoPositions') });
      return null;
    }
    if (sorted.length < given.length) {
      faults.put(`${path}/values`, { text: word('seatForm.fault.twice') });
      return null;
    }
    return { type: 'listed', values: sorted.map(q) };
  }
  if (text.kind === 'tiltLock') {
    if (new Set(text.lock).size !== text.lock.length || text.lock.length < 2) {
      faults.put(`${path}/lock`, { text: sayWith('fault.lockStates', { value: text.lock.length }) });
      return null;
    }
    return { type: 'listed', values: text.lock.map((_, i) => q(i)) };
  }
  const [lowest, highest] = [end('lowest'), end('highest')];
  if (!isWhole) return null;
  if (!(lowest < highest)) {
    faults.put(`${path}/highest`, {
      text: word(lowest === highest ? 'seatForm.fault.sameEnds' : 'seatForm.fault.reversed'),
    });
    return null;
  }
  const [low, high] = [q(lowest), q(highest)];
  if (text.move === 'slides') return { type: 'continuous', lowest: low, highest: high };
  const count = signed(text.count).value;
  if (!(Number.isInteger(count) && count >= 2 && count <= 500)) {
    faults.put(`${path}/count`, { text: word('seatForm.fault.count') });
    return null;
  }
  return { type: 'steps', lowest: low, highest: high, count };
}

function readEffort(
  text: AdjustmentText,
  known: Effort | undefined,
  reading: Reading,
  path: string,
  faults: Faults,
): Effort | undefined {
  if (text.kind !== 'tiltTension' || text.effort === 'trial') return undefined;
  const by = text.effort;
  const one = (field: 'effortLowest' | 'effortHighest'): number => {
    const { value, fault } =
      by === 'moment' ? signed(text[field]) : between(text[field], 'kg', [1, 400], null, reading);
    if (fault) faults.put(`${path}/${field}`, fault);
    return value;
  };
  const [light, stiff] = [one('effortLowest'), one('effortHighest')];
  if (light >= stiff) faults.put(`${path}/effortHighest`, { text: word('seatForm.fault.reversed') });
  if (!(light < stiff)) return undefined;
  if (by === 'moment') {
    const atDeg = signed(text.effortAtDeg);
    if (atDeg.fault) faults.put(`${path}/effortAtDeg`, atDeg.fault);
    return atDeg.fault ? undefined : { by, lightestNm: light, stiffestNm: stiff, atDeg: atDeg.value };
  }
  if (by === 'mass') return { by, lightestKg: light, stiffestKg: stiff };
  // Where it was left open before, leaving it open says nothing.
  const isOpen = known?.by === 'weighing' && known.hasScale === undefined && !text.hasScale;
  const scale = isOpen ? {} : { hasScale: text.hasScale };
  return { by, lightestKg: light, stiffestKg: stiff, ...scale };
}

function readMeaning(
  text: AdjustmentText,
  reading: Reading,
  path: string,
  faults: Faults,
): Adjustment['means'] | undefined {
  const row: AdjustmentKindRow = ADJUSTMENT_KINDS[text.kind];
  if (!row.means || !isCount(text.unit) || (isBlank(text.meansLowest) && isBlank(text.meansHighest)))
    return undefined;
  const one = (field: 'meansLowest' | 'meansHighest'): number => {
    const { value, fault } = parsedIn(text[field], row.means!, reading);
    if (fault) faults.put(`${path}/${field}`, fault);
    return value;
  };
  const [atLowest, atHighest] = [one('meansLowest'), one('meansHighest')];
  return Number.isFinite(atLowest) && Number.isFinite(atHighest) ? { atLowest, atHighest } : undefined;
}

/** A position as typed: by name, or counted from 1. */
function readPlace(text: string, path: string, faults: Faults): Adjustment['neutral'] {
  const t = text.trim();
  if (t === '') return undefined;
  if (t === 'lowest' || t === 'middle' || t === 'highest') return t;
  const { value } = signed(t);
  if (Number.isInteger(value) && value >= 1 && value <= 5000) return value - 1;
  faults.put(path, { text: word('seatForm.fault.position') });
  return undefined;
}

function readHolds(
  text: AdjustmentText,
  travel: Travel,
  ids: ReadonlyMap<string, string>,
  path: string,
  faults: Faults,
): Holds {
  if (text.holding === 'passive') return { how: 'passive' };
  if (text.holding === 'follows') {
    const leaderId = ids.get(text.leader);
    const ratio = signed(text.ratio);
    if (leaderId === undefined) faults.put(`${path}/leader`, { text: word('seatForm.fault.leader') });
    if (ratio.fault) faults.put(`${path}/ratio`, ratio.fault);
    if (leaderId !== undefined && !ratio.fault) return { how: 'follows', leaderId, ratio: ratio.value };
  }
  return { how: travel.type === 'continuous' ? 'free' : 'notched' };
}

export function readAdjustment(
  text: AdjustmentText,
  known: Adjustment | undefined,
  ids: ReadonlyMap<string, string>,
  reading: Reading,
  faults: Faults,
): Adjustment | null {
  const path = `adjustments/${text.kind}`;
  const travel = readTravel(text, reading, path, faults);
  const effort = readEffort(text, known?.effort, reading, path, faults);
  const means = readMeaning(text, reading, path, faults);
  const neutral = readPlace(text.neutral, `${path}/neutral`, faults);
  const rest = readPlace(text.rest, `${path}/rest`, faults);
  const play = isBlank(text.play) ? null : parsedIn(text.play, text.unit, reading);
  if (play?.fault) faults.put(`${path}/play`, play.fault);
  if (!travel) return null;
  return {
    id: ids.get(text.kind) ?? text.kind,
    kind: text.kind,
    side: known?.side ?? 'both',
    unit: text.unit,
    travel: known ? keptQuantities(travel, known.travel) : travel,
    holds: readHolds(text, travel, ids, path, faults),
    ...(effort && { effort }),
    ...(means && { means }),
    ...(text.kind === 'tiltLock' && {
      lock: { states: text.lock, ...(known?.lock?.stopsDeg && { stopsDeg: known.lock.stopsDeg }) },
    }),
    ...(text.movedBy !== '' && { movedBy: text.movedBy }),
    ...(text.creeps !== '' && { creeps: text.creeps === 'yes' }),
    ...(play && !play.fault && { play: play.value }),
    ...(neutral !== undefined && { neutral }),
    ...(rest !== undefined && { rest }),
    ...(!isBlank(text.tape) && { tape: text.tape.trim() }),
  };
}

/** Numbers that nobody changed keep where they come from. */
function keptQuantities(travel: Travel, before: Travel): Travel {
  const kept = (next: Quantity, old: Quantity | undefined): Quantity =>
    old && isSameNumber(old.value, next.value) ? old : next;
  if (travel.type === 'onOff' || before.type === 'onOff') return travel;
  if (travel.type === 'listed')
    return before.type === 'listed'
      ? { ...travel, values: travel.values.map((v, i) => kept(v, before.values[i])) }
      : travel;
  if (before.type === 'listed') return travel;
  return {
    ...travel,
    lowest: kept(travel.lowest, before.lowest),
    highest: kept(travel.highest, before.highest),
  };
}
