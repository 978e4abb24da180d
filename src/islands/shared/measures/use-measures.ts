import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { DIMENSIONS, DIMENSION_IDS, rangeDoubt, type Body, type DimensionId } from '../../../core/body';
import type { Quantity } from '../../../core/quantity';
import {
  formatLength,
  formatLengthNumber,
  formatMass,
  formatMassNumber,
  parseLength,
  parseMass,
  type Parsed,
} from '../../../core/units';
import type { SitterDetail } from '../../../contract';
import {
  currentSitter,
  keepDraft,
  loadDraft,
  outbox,
  readingEntry,
  readingOf,
  readingSubject,
  type Entry,
} from '../../../ui/outbox';
import { savingOf } from '../../../ui/outbox/outbox';
import type { Saving } from '../../../ui/SaveState';
import { sayRange, sayValue, sayWith, type Reading } from '../../../words';
import type { Implausible } from '../../../core/population';
import { reasonAsked } from './use-population';

export const unitOf = (dimension: DimensionId, reading: Reading): string =>
  DIMENSIONS[dimension].unit === 'kg' ? reading.mass : reading.length;

/** A stored value as it is typed in this reader's unit. */
export function typed(dimension: DimensionId, value: number, reading: Reading): string {
  return DIMENSIONS[dimension].unit === 'kg'
    ? formatMassNumber(value, reading.mass)
    : formatLengthNumber(value, reading.length);
}

/** A measure as it is said, with its unit. */
export const sayMeasure = (dimension: DimensionId, value: number, reading: Reading): string =>
  sayValue(DIMENSIONS[dimension].unit === 'kg' ? { kg: value } : { mm: value }, reading);

/** As finely as a tape or a scale tells. */
export const roundMeasure = (dimension: DimensionId, value: number): number =>
  DIMENSIONS[dimension].unit === 'kg' ? Math.round(value * 2) / 2 : Math.round(value);

/** What somebody typed for a measure, in mm or kg. */
export const parseMeasure = (dimension: DimensionId, text: string, reading: Reading): Parsed =>
  DIMENSIONS[dimension].unit === 'kg' ? parseMass(text, reading.mass) : parseLength(text, reading.length);

/** A limit as it is said in this reader's unit. */
export const sayIn = (dimension: DimensionId, value: number, reading: Reading): string =>
  DIMENSIONS[dimension].unit === 'kg' ? formatMass(value, reading.mass) : formatLength(value, reading.length);

const reasonOf = (reason: string | undefined) => (reason === undefined ? {} : { reason });

/** A value as a single reading has it. */
const typedQuantity = (dimension: DimensionId, value: number): Quantity => ({
  value,
  spread: DIMENSIONS[dimension].readingSd,
  basis: 'measured',
  source: '',
  takenAt: null,
  takenBy: null,
});

/** Why a typed measure was not taken, in words; null where it was, or where nothing is typed. */
export function faultOf(dimension: DimensionId, text: string, reading: Reading): string | null {
  const parsed = parseMeasure(dimension, text, reading);
  if (!parsed.ok) {
    if (parsed.reason === 'empty') return null;
    const [first = 0, second = 0] = parsed.readings ?? [];
    return sayWith(`measure.fault.${parsed.reason}`, {
      first: sayIn(dimension, first, reading),
      second: sayIn(dimension, second, reading),
    });
  }
  if (!rangeDoubt(dimension, parsed.value)) return null;
  const { lowest, highest } = DIMENSIONS[dimension];
  return sayWith('measure.fault.range', {
    range: sayRange(sayIn(dimension, lowest, reading), sayIn(dimension, highest, reading)),
  });
}

/** The values that an ambiguous entry can mean and a body can have, as they would be typed. */
export function readingsOf(dimension: DimensionId, text: string, reading: Reading): string[] {
  const parsed = parseMeasure(dimension, text, reading);
  if (parsed.ok) return [];
  return (parsed.readings ?? [])
    .filter((value) => rangeDoubt(dimension, value) === null)
    .map((value) => typed(dimension, value, reading));
}

type Drafts = Partial<Record<DimensionId, string>>;
const draftKey = (sitterId: string): string => `measures:${sitterId}`;
const noEntries: readonly Entry[] = [];
const subscribeToOutbox = (listener: () => void): (() => void) => outbox().subscribe(listener);
const outboxEntries = (): readonly Entry[] => outbox().get().entries;

/** A measure that two have taken at once. */
export interface ReadingConflict {
  readonly mine: number | null;
  readonly theirs: SitterDetail;
}

/** @param open of what is typed and not taken yet, whether it is marked why it cannot be */
function savingOfMeasures(
  entries: readonly Entry[],
  open: readonly boolean[],
  savedAt: string | null,
): Saving {
  const refused = entries.find((e) => e.refusal)?.refusal;
  if (refused) return refused.current ? { state: 'conflict' } : { state: 'failed', why: refused.title };
  if (entries.length > 0) return savingOf(outbox().get());
  if (open.length === 0) return { state: 'saved', at: savedAt };
  return { state: open.every(Boolean) ? 'invalid' : 'unsent' };
}

/**
 * The measures of a sitter while they are being typed. What was typed and cannot be taken stays as a draft in this
 * browser; what was taken goes into the outbox at once and shows as taken.
 */
export function useMeasures(sitter: SitterDetail, reading: Reading, onSaved: (sitter: SitterDetail) => void) {
  const [drafts, setDrafts] = useState<Drafts>({});
  const [savedAt, setSavedAt] = useState<string | null>(null);
  const [asked, setAsked] = useState<Partial<Record<DimensionId, Implausible | null>>>({});
  const latest = useRef(drafts);
  /** The sitter as the server last said, also before it is drawn. */
  const newest = useRef(sitter);
  const turns = useRef(new Map<DimensionId, Promise<void>>());
  const sitterId = sitter.id;
  useEffect(() => {
    newest.current = sitter;
  }, [sitter]);
  const all = useSyncExternalStore(subscribeToOutbox, outboxEntries, () => noEntries);
  const entries = useMemo(
    () => all.filter((e) => e.kind === 'reading' && e.recordId === sitterId),
    [all, sitterId],
  );

  const put = useCallback(
    (next: Drafts) => {
      latest.current = next;
      setDrafts(next);
      // A browser that keeps nothing still takes measures: they go to the server all the same.
      keepDraft(draftKey(sitterId), Object.keys(next).length > 0 ? next : null).catch(() => undefined);
    },
    [sitterId],
  );

  useEffect(() => {
    const takeUp = (kept: unknown) => {
      if (kept) setDrafts((latest.current = { ...(kept as Drafts), ...latest.current }));
    };
    loadDraft(draftKey(sitterId)).then(takeUp, () => undefined);
    const stops = DIMENSION_IDS.map((dimension) =>
      outbox().onTaken(readingSubject(sitterId, dimension), (answer) => {
        setSavedAt(new Date().toISOString());
        newest.current = answer as SitterDetail;
        onSaved(newest.current);
      }),
    );
    return () => stops.forEach((stop) => stop());
  }, [onSaved, sitterId]);

  const entryOf = (dimension: DimensionId): Entry | undefined =>
    entries.findLast((e) => readingOf(e).dimension === dimension);

  /** What was taken last, as it is now: what is drawn may be older. */
  const takenNow = (dimension: DimensionId): number | null => {
    const subject = readingSubject(sitterId, dimension);
    const entry = outboxEntries().findLast((e) => e.subject === subject);
    return (entry ? readingOf(entry).value : newest.current.body[dimension]?.value) ?? null;
  };

  const type = useCallback(
    (dimension: DimensionId, text: string) => put({ ...latest.current, [dimension]: text }),
    [put],
  );

  /** Whether the others speak so loudly against a value that it stands only with a reason; then that is asked for. */
  const isAsked = async (dimension: DimensionId, value: number): Promise<boolean> => {
    const against = await reasonAsked(newest.current, dimension, typedQuantity(dimension, value));
    setAsked((all) => ({ ...all, [dimension]: against }));
    return against !== null;
  };

  /**
   * Takes what is typed, where it can be taken; one thing after the other, for what is typed next may take it back.
   * @param reason why it stands although the others speak against it
   */
  const leave = (dimension: DimensionId, reason?: string): Promise<void> => {
    const act = () => take(dimension, reason);
    const taking = (turns.current.get(dimension) ?? Promise.resolve()).then(act, act);
    turns.current.set(dimension, taking);
    return taking;
  };

  const take = async (dimension: DimensionId, reason?: string): Promise<void> => {
    const text = latest.current[dimension];
    if (text === undefined || faultOf(dimension, text, reading) !== null) return;
    const parsed = parseMeasure(dimension, text, reading);
    const value = parsed.ok ? parsed.value : null;
    const isNew = value !== takenNow(dimension);
    if (isNew && value !== null && reason === undefined && (await isAsked(dimension, value))) return;
    if (latest.current[dimension] !== text) return;
    const entry = () => {
      const seen = newest.current.body[dimension]?.takenAt ?? null;
      return readingEntry(sitterId, dimension, value, seen, reasonOf(reason));
    };
    if (isNew) await outbox().put(entry);
    const { [dimension]: taken, ...rest } = latest.current;
    if (taken === text) put(rest);
    if (isNew) void outbox().flush();
  };

  /** What was taken last: on its way, or on the server. */
  const valueOf = (dimension: DimensionId): number | null | undefined => {
    const entry = entryOf(dimension);
    return entry ? readingOf(entry).value : sitter.body[dimension]?.value;
  };

  const textOf = (dimension: DimensionId): string => {
    const value = valueOf(dimension);
    return drafts[dimension] ?? (value == null ? '' : typed(dimension, value, reading));
  };

  const conflictOf = (dimension: DimensionId): ReadingConflict | null => {
    const entry = entries.find((e) => readingOf(e).dimension === dimension && e.refusal);
    const theirs = entry && currentSitter(entry);
    return entry && theirs ? { mine: readingOf(entry).value, theirs } : null;
  };

  /** Ends a conflict: this device's reading is taken after all, or let go. */
  const decide = async (dimension: DimensionId, { mine, theirs }: ReadingConflict, keepMine: boolean) => {
    const seen = theirs.body[dimension]?.takenAt ?? null;
    const again = keepMine ? readingEntry(sitterId, dimension, mine, seen) : null;
    await outbox().resolve(readingSubject(sitterId, dimension), again);
    if (!keepMine) onSaved(theirs);
  };

  /** Takes a value with the reason why it stands: what is typed, or what the server asked the reason for. */
  const keep = async (dimension: DimensionId, reason: string): Promise<void> => {
    const entry = entryOf(dimension);
    if (latest.current[dimension] !== undefined || !entry) return leave(dimension, reason);
    const again = readingEntry(sitterId, dimension, readingOf(entry).value, entry.base as string | null, {
      reason,
    });
    await outbox().resolve(readingSubject(sitterId, dimension), again);
  };

  const faultAt = (d: DimensionId): string | null =>
    drafts[d] === undefined ? null : faultOf(d, drafts[d], reading);
  /** Why a reason is wanted for what is typed, in deviations; null where none is. */
  const askedOf = (d: DimensionId): Implausible | null =>
    drafts[d] === undefined ? null : (asked[d] ?? null);
  const isMarked = DIMENSION_IDS.filter((d) => drafts[d] !== undefined).map(
    (d) => faultAt(d) !== null || askedOf(d) !== null,
  );

  return {
    textOf,
    type,
    leave,
    keep,
    /** What was typed and waits for a reason. */
    asked: Object.fromEntries(
      DIMENSION_IDS.flatMap((d) => {
        const text = drafts[d];
        const parsed = asked[d] && text !== undefined ? parseMeasure(d, text, reading) : null;
        return parsed?.ok ? [[d, typedQuantity(d, parsed.value)]] : [];
      }),
    ) as Body,
    askedOf,
    /** Whether the server wants a reason for what was sent. */
    isReasonWanted: (d: DimensionId): boolean => entryOf(d)?.refusal?.errors?.[0]?.pointer === '/reason',
    saving: savingOfMeasures(entries, isMarked, savedAt),
    /** Whether a value waits on this device. */
    isWaiting: (d: DimensionId) => entryOf(d) !== undefined,
    conflictOf,
    decide,
    /** Why the server did not take a value, where it is not that somebody else took one. */
    refusalOf: (d: DimensionId): string | null => {
      const refusal = entryOf(d)?.refusal;
      return refusal && !refusal.current ? (refusal.errors?.[0]?.detail ?? refusal.title) : null;
    },
    /** What an ambiguous draft could mean. */
    readingsOf: (d: DimensionId) => readingsOf(d, drafts[d] ?? '', reading),
    faultOf: faultAt,
  };
}
