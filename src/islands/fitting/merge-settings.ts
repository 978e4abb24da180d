import { REMEDY_IDS, type Settings } from '../../core/fit';
import { ADJUSTMENT_KIND_IDS, type AdjustmentKind } from '../../core/seat';
import type { Picks } from '../../ui/Conflict';

/** Each setting from the side that was picked for it. */
export function mergeSettings(mine: Settings, theirs: Settings, picks: Picks): Settings {
  const from = (id: string): Settings => (picks[id] === 'theirs' ? theirs : mine);
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  for (const kind of ADJUSTMENT_KIND_IDS) {
    const position = from(kind).positions[kind] ?? mine.positions[kind];
    if (position !== undefined) positions[kind] = position;
  }
  return {
    positions,
    remedies: Object.fromEntries(
      REMEDY_IDS.flatMap((id) => {
        const size = from(id).remedies[id];
        return size === undefined ? [] : [[id, size]];
      }),
    ),
  };
}
