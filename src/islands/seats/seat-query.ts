/** The filters of the list of seats as typed, and what they ask of the server. */
import type { RecordState, SeatSort } from '../../contract/catalogue';
import { type AdjustmentKind, type Offer, type SeatClass, ADJUSTMENT_KINDS } from '../../core/seat';
import { parseDecimal, parseLength, parseMass } from '../../core/units';
import type { Reading } from '../../words';

export interface SeatFilterText {
  readonly search: string;
  readonly seatClass: SeatClass | '';
  readonly offers: readonly Offer[];
  readonly adjustment: AdjustmentKind | '';
  readonly covers: string;
  readonly load: string;
  readonly price: string;
  /** '': everything that is not retired. */
  readonly state: RecordState | '';
  readonly sort: SeatSort;
  readonly isFalling: boolean;
}

export const NO_FILTER: SeatFilterText = {
  search: '',
  seatClass: '',
  offers: [],
  adjustment: '',
  covers: '',
  load: '',
  price: '',
  state: '',
  sort: 'name',
  isFalling: false,
};

export type FilterFaults = Readonly<Partial<Record<'covers' | 'load' | 'price', true>>>;

const isBlank = (text: string): boolean => text.trim() === '';

function numberIn(text: string, kind: 'mm' | 'kg' | 'plain', reading: Reading): number | null {
  const isBelow = text.trim().startsWith('-');
  const bare = isBelow ? text.trim().slice(1) : text;
  const parsed =
    kind === 'mm'
      ? parseLength(bare, reading.length)
      : kind === 'kg'
        ? parseMass(bare, reading.mass)
        : parseDecimal(bare, { pointMayGroup: false });
  return parsed.ok ? (isBelow ? -parsed.value : parsed.value) : null;
}

const kindOf = (adjustment: AdjustmentKind): 'mm' | 'kg' | 'plain' => {
  const [unit] = ADJUSTMENT_KINDS[adjustment].units;
  return unit === 'mm' || unit === 'kg' ? unit : 'plain';
};

/** Returns what to ask for, and which fields cannot be read: these are left out. */
export function queryOf(text: SeatFilterText, reading: Reading) {
  const faults: Partial<Record<'covers' | 'load' | 'price', true>> = {};
  const read = (field: 'covers' | 'load' | 'price', kind: 'mm' | 'kg' | 'plain'): number | undefined => {
    if (isBlank(text[field])) return undefined;
    const value = numberIn(text[field], kind, reading);
    if (value === null) faults[field] = true;
    return value ?? undefined;
  };
  const { adjustment } = text;
  const query = {
    search: text.search.trim() || undefined,
    class: text.seatClass || undefined,
    offers: text.offers.join(',') || undefined,
    adjustment: adjustment || undefined,
    covers: adjustment ? read('covers', kindOf(adjustment)) : undefined,
    loadKg: read('load', 'kg'),
    priceTo: read('price', 'plain'),
    state: text.state || undefined,
    sort: text.sort,
    order: text.isFalling ? ('falling' as const) : ('rising' as const),
  };
  return { query, faults: faults as FilterFaults };
}
export type AskedSeats = ReturnType<typeof queryOf>['query'];

export const isNarrowed = (text: SeatFilterText): boolean =>
  JSON.stringify({ ...text, sort: 'name', isFalling: false }) !== JSON.stringify(NO_FILTER);
