/** The seats to choose from: fetched by page and search, so that the page of a fitting does not grow with the library. */
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { OfferedSeat } from '../../contract';
import type { Place } from '../../core/place';
import type { Offer, SeatClass } from '../../core/seat';
import { call } from '../../ui/client';

/** So many are judged at most: whoever has more narrows the search. */
export const MOST_JUDGED = 1000;
/** The first page is small, so that judging begins soon. */
const FIRST_PAGE = 100;
const PAGE = 200;
/** A search is sent when its typing has rested for this long, ms. */
const TYPING_MS = 250;

export interface ShelfFilter {
  readonly search: string;
  /** null: any. */
  readonly seatClass: SeatClass | null;
  /** Only what the workstation asks for. */
  readonly suits: boolean;
}
export const ANY_SEAT: ShelfFilter = { search: '', seatClass: null, suits: false };

/** What a workstation asks of a seat. */
export interface Wanted {
  readonly classes: readonly SeatClass[];
  readonly offers: readonly Offer[];
}
const NOTHING_WANTED: Wanted = { classes: [], offers: [] };

export const wantedBy = (place: Place | null | undefined): Wanted =>
  place ? { classes: place.seatClasses, offers: place.needs } : NOTHING_WANTED;

export const asksForSomething = ({ classes, offers }: Wanted): boolean => classes.length + offers.length > 0;

/** Returns what to ask the server for; null where nothing can be found: the class is none of those wanted. */
export function queryOf({ search, seatClass, suits }: ShelfFilter, wanted: Wanted) {
  const { classes, offers } = suits ? wanted : NOTHING_WANTED;
  if (seatClass !== null && classes.length > 0 && !classes.includes(seatClass)) return null;
  const chosen = seatClass === null ? classes : [seatClass];
  return {
    search: search.trim() || undefined,
    class: chosen.join(',') || undefined,
    offers: offers.join(',') || undefined,
  };
}

export interface Shelf {
  readonly seats: readonly OfferedSeat[];
  /** How many there are; null until the first page has come. */
  readonly total: number | null;
  readonly isLoading: boolean;
  readonly isFailed: boolean;
  readonly retry: () => void;
}

interface Known {
  readonly key: string;
  readonly seats: readonly OfferedSeat[];
  readonly total: number | null;
  readonly isLoading: boolean;
  readonly isFailed: boolean;
}
const UNKNOWN = { seats: [], total: null, isLoading: true, isFailed: false } as const;

/** Fetches what a query finds, page after page, and tells after each. */
async function fetchAll(
  query: NonNullable<ReturnType<typeof queryOf>>,
  isWanted: () => boolean,
  tell: (known: Omit<Known, 'key'>) => void,
): Promise<void> {
  const seats: OfferedSeat[] = [];
  let cursor: string | undefined;
  do {
    const page = await call('GET /seats', {
      query: { ...query, include: 'document', limit: cursor === undefined ? FIRST_PAGE : PAGE, cursor },
    });
    if (!isWanted()) return;
    for (const { versionId, version, state, seat, tagged } of page.items)
      if (seat) seats.push({ versionId, version, state, seat, ...(tagged && { tagged }) });
    cursor = seats.length < MOST_JUDGED ? (page.next ?? undefined) : undefined;
    tell({ seats: [...seats], total: page.total, isLoading: cursor !== undefined, isFailed: false });
  } while (cursor !== undefined);
}

export function useShelf(filter: ShelfFilter, wanted: Wanted): Shelf {
  const query = queryOf(filter, wanted);
  const key = JSON.stringify(query);
  const [round, setRound] = useState(0);
  const [known, setKnown] = useState<Known | null>(null);
  useEffect(() => {
    let isCurrent = true;
    const tell = (next: Omit<Known, 'key'>) => isCurrent && setKnown({ ...next, key });
    const asked = JSON.parse(key) as ReturnType<typeof queryOf>;
    const timer = setTimeout(
      () => {
        if (!asked) return tell({ ...UNKNOWN, total: 0, isLoading: false });
        fetchAll(asked, () => isCurrent, tell).catch(() =>
          tell({ ...UNKNOWN, isLoading: false, isFailed: true }),
        );
      },
      asked?.search === undefined ? 0 : TYPING_MS,
    );
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [key, round]);
  const retry = useCallback(() => setRound((n) => n + 1), []);
  // What was found before stays in sight until the next has come.
  const shown = known ?? { ...UNKNOWN, key };
  const isLoading = shown.isLoading || shown.key !== key;
  return useMemo(
    () => ({
      seats: shown.seats,
      total: shown.total,
      isLoading,
      isFailed: shown.isFailed && !isLoading,
      retry,
    }),
    // Its parts are what it is made of.
    [shown.seats, shown.total, shown.isFailed, isLoading, retry],
  );
}
