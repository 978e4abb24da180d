/** The one outbox of this page. */
import { v7 } from 'uuid';
import type {
  DraftEdit,
  MeasuringSession,
  MeasuringSessionEdit,
  ReadingEdit,
  SavedDraft,
  SettingSet,
  SitterDetail,
} from '../../contract';
import type { NewWalkEvent } from '../../contract/walks';
import type { DimensionId } from '../../core/body';
import type { Settings } from '../../core/fit';
import type { AdjustmentKind } from '../../core/seat';
import { api } from '../client';
import { asRecord } from '../current';
import { deviceEntries, memoryEntries } from './device';
import type { Entry, NewEntry } from './entry';
import { Outbox } from './outbox';

/** Settings mean something only on the seat they were made on. */
export const settingsSubject = (fittingId: string, seatVersionId: string): string =>
  `settings:${fittingId}:${seatVersionId}`;
export const seatOfSubject = (subject: string): string => subject.split(':')[2] ?? '';
export const readingSubject = (sitterId: string, dimension: DimensionId): string =>
  `reading:${sitterId}:${dimension}`;

/** Draft settings made on a revision of the draft. */
export const settingsEntry = (
  fittingId: string,
  seatVersionId: string,
  { settings, held }: { readonly settings: Settings; readonly held: readonly AdjustmentKind[] },
  revision: number,
): NewEntry => ({
  kind: 'settings',
  subject: settingsSubject(fittingId, seatVersionId),
  recordId: fittingId,
  body: { ...settings, held: [...held] } satisfies DraftEdit,
  base: revision,
});

/**
 * A measure taken instead of the reading seen, by its instant.
 * @param more why it stands although the others speak against it; in which session and from which single readings
 */
export const readingEntry = (
  sitterId: string,
  dimension: DimensionId,
  value: number | null,
  seen: string | null,
  more: Pick<ReadingEdit, 'reason' | 'takes' | 'session' | 'instrument'> = {},
): NewEntry => ({
  kind: 'reading',
  subject: readingSubject(sitterId, dimension),
  recordId: sitterId,
  body: { dimension, value, ...more } satisfies ReadingEdit,
  base: seen,
});

/** An answer at the seat: each goes by itself, none takes the place of another. */
export const walkEntry = (fittingId: string, walkId: string, event: NewWalkEvent): NewEntry => ({
  kind: 'walk',
  subject: `walk:${walkId}:${event.id}`,
  recordId: fittingId,
  body: event,
  base: walkId,
});

export const sessionSubject = (sessionId: string): string => `session:${sessionId}`;

/**
 * A measuring session, begun or changed: it goes before the readings that are put after it.
 * @param version that was changed; null where it begins
 */
export const sessionEntry = (
  sitterId: string,
  session: MeasuringSessionEdit,
  version: number | null,
): NewEntry => ({
  kind: 'session',
  subject: sessionSubject(session.id),
  recordId: sitterId,
  body: session,
  base: version,
});

/** Draft settings of an entry; entries of earlier visits may say nothing of what is held. */
export function draftOf(entry: Entry): Pick<SettingSet, 'settings' | 'held'> {
  const { positions, remedies, held = [] } = entry.body as Settings & Partial<Pick<DraftEdit, 'held'>>;
  return { settings: { positions, remedies }, held };
}
export const settingsOf = (entry: Entry): Settings => draftOf(entry).settings;
export const sessionOf = (entry: Entry): MeasuringSessionEdit => entry.body as MeasuringSessionEdit;
export const readingOf = (entry: Entry): ReadingEdit => entry.body as ReadingEdit;

/** What the server has instead of a refused entry, where it said so. */
export const currentFitting = (entry: Entry) => asRecord('fitting', entry.refusal?.current);
export const currentSitter = (entry: Entry) => asRecord('sitter', entry.refusal?.current);
export const currentSession = (entry: Entry) => asRecord('session', entry.refusal?.current);

function send(entry: Entry): Promise<unknown> {
  const { key, recordId } = entry;
  if (entry.kind === 'settings')
    return api.saveSettings(recordId, Number(entry.base), entry.body as DraftEdit, key);
  if (entry.kind === 'walk')
    return api.addWalkEvents(
      recordId,
      { walkId: String(entry.base), events: [entry.body as NewWalkEvent] },
      key,
    );
  if (entry.kind === 'session')
    return api.saveMeasuringSession(recordId, sessionOf(entry), entry.base as number | null, key);
  return api.takeReading(recordId, { ...readingOf(entry), seenReading: entry.base as string | null }, key);
}

function baseAfter(entry: Entry, answer: unknown): Entry['base'] {
  if (entry.kind === 'walk') return entry.base;
  if (entry.kind === 'settings') return (answer as SavedDraft).revision;
  if (entry.kind === 'session') return (answer as MeasuringSession).version;
  return (answer as SitterDetail).body[readingOf(entry).dimension]?.takenAt ?? null;
}

let made: Outbox | null = null;

/** Made at the first use in a browser; entries of other tabs and of earlier visits are in it. */
export function outbox(): Outbox {
  if (made) return made;
  const box = new Outbox({
    store: deviceEntries,
    spare: memoryEntries,
    send,
    baseAfter,
    newKey: () => v7(),
    now: () => new Date().toISOString(),
  });
  made = box;
  void box.start();
  window.addEventListener('online', () => void box.flush());
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible') void box.flush();
  });
  return box;
}

export { keepDraft, loadDraft } from './device';
export type { Entry, NewEntry } from './entry';
export type { OutboxState } from './outbox';
