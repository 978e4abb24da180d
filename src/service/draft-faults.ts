/** What of draft settings this seat and workstation do not have. */
import { isFixed, positionCount, valueAt, type Adjustment, type AdjustmentKind } from '../core/seat';
import type { FitInputs, Settings } from '../core/fit';
import type { DraftEdit, FieldFault } from '../contract';
import type { SettingRow } from '../contract/records';
import type { Queries } from '../data/client';
import { findFitting } from '../data/fittings';
import type { Context } from './context';
import { sayWith, word } from '../words';
import '../words/server';

/** The adjustments that settings speak of: those of the seat and the place, the first of each kind. */
export function adjustmentsOf({ seat, place }: Pick<FitInputs, 'seat' | 'place'>): Adjustment[] {
  const all = [...seat.adjustments, ...(place?.adjustments ?? [])];
  return all.filter((a, i) => all.findIndex((b) => b.kind === a.kind) === i);
}

/** Settings in the seat's and the place's own values, as far as these have them and can move. */
export const settingRows = (of: Pick<FitInputs, 'seat' | 'place'>, { positions }: Settings): SettingRow[] =>
  adjustmentsOf(of).flatMap((a) => {
    const position = positions[a.kind];
    if (position === undefined || isFixed(a)) return [];
    const { kind: adjustment, unit } = a;
    return [{ adjustment, position, of: positionCount(a), value: valueAt(a, position), unit }];
  });

export type Counts = ReadonlyMap<AdjustmentKind, number>;
export const countsOf = (inputs: FitInputs): Counts =>
  new Map(adjustmentsOf(inputs).map((a) => [a.kind, positionCount(a)]));

interface Known {
  /** Of the fitting. */
  readonly version: number;
  /** null where no seat is chosen. */
  readonly counts: Counts | null;
}

/** Position counts by fitting: drafts come many a minute, and the inputs are long to read. */
const knownIn = new WeakMap<Context['store'], Map<string, Known>>();
const MOST_KNOWN = 500;

export function knownFittings({ store }: Context): Map<string, Known> {
  const known = knownIn.get(store) ?? new Map<string, Known>();
  knownIn.set(store, known);
  return known;
}

export async function knownCounts(
  ctx: Context,
  q: Queries,
  id: string,
  version: number,
): Promise<Counts | null> {
  const known = knownFittings(ctx);
  const found = known.get(id);
  if (found?.version === version) return found.counts;
  const inputs = (await findFitting(q, id))?.inputs;
  const counts = inputs ? countsOf(inputs) : null;
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
  known.set(id, { version, counts });
  return counts;
}

/** Positions that this seat and place do not have, as faults. */
export function positionFaults(counts: Counts, positions: Settings['positions']): FieldFault[] {
  return Object.entries(positions).flatMap(([kind, position]) => {
    const count = counts.get(kind as AdjustmentKind);
    const detail =
      count === undefined ? word('field.noAdjustment') : sayWith('field.position', { last: count - 1 });
    return count !== undefined && position < count ? [] : [{ pointer: `/positions/${kind}`, detail }];
  });
}

/** What is held and has no position to be held at, as faults. */
export const heldFaults = ({ positions, held }: DraftEdit): FieldFault[] =>
  held.flatMap((kind, i) =>
    positions[kind] === undefined
      ? [{ pointer: `/held/${i}`, detail: sayWith('field.notHeld', { kind }) }]
      : [],
  );

export const draftFaults = (counts: Counts, draft: DraftEdit): FieldFault[] => [
  ...positionFaults(counts, draft.positions),
  ...heldFaults(draft),
];
