import { useCallback, useEffect, useRef, useState } from 'react';
import { MOST_LOOKED_UP, type ImportCounts, type ImportOrder, type Presence } from '../../contract/importing';
import { MOST_FILE_BYTES, type PeopleFault } from '../../core/exchange/people';
import { ClientError, explain } from '../../ui/client';
import { newId } from '../../ui/ids';
import { t, word } from '../../words';
import { JobDesk, PEOPLE_WORKER } from '../../workers/desk';
import type { Kept, PeopleFound, PeopleJobs } from '../../workers/people';
import { exchange } from './exchange-client';
import { inTab } from '../../ui/device-storage';

/** How people of the file stand to the records. */
export type Presences = Readonly<Record<Presence, number>>;

export type Stage =
  | { readonly at: 'nothing'; readonly note: string | null }
  | { readonly at: 'reading'; readonly done: number; readonly of: number }
  | { readonly at: 'read'; readonly found: PeopleFound; readonly presences: Presences | null }
  | { readonly at: 'sending'; readonly done: number; readonly of: number }
  | { readonly at: 'writing' | 'undoing'; readonly done: number; readonly of: number }
  | { readonly at: 'undone'; readonly counts: ImportCounts }
  | {
      readonly at: 'done';
      readonly counts: ImportCounts;
      /** Rows that were refused; the row is not known after the page was loaded anew. */
      readonly refused: readonly { readonly row: number | null; readonly why: string }[];
    };

const NOTHING: Stage = { at: 'nothing', note: null };
/** An import that is being written is found again after the page was left. */
const KEPT_IMPORT = 'velto-import';
/** Between two looks at how far it is, ms. */
const LOOK_EVERY_MS = 200;
const later = (ms: number) => new Promise((after) => setTimeout(after, ms));

/** As the source of what comes from it: without its folder, and not without end. */
const sourceOf = (file: File): string =>
  file.name
    .replace(/\p{Cc}/gu, ' ')
    .trim()
    .slice(-120) || 'file';

const tooLarge: PeopleFault = {
  reason: 'tooLarge',
  row: 0,
  column: '',
  value: '',
  limits: [0, MOST_FILE_BYTES],
};
const NOBODY: PeopleFound = {
  rows: 0,
  faults: [],
  faultCount: 0,
  badRows: 0,
  doubts: [],
  ignored: [],
  kept: [],
  parts: [],
};

async function presencesOf(kept: readonly Kept[], isWanted: () => boolean): Promise<Presences | null> {
  const counts = { new: 0, here: 0, several: 0, deleted: 0 };
  for (let i = 0; i < kept.length; i += MOST_LOOKED_UP) {
    const people = kept
      .slice(i, i + MOST_LOOKED_UP)
      .map(({ id, name, birthDate }) => ({ id, name, birthDate }));
    const { found } = await exchange.look({ people });
    if (!isWanted()) return null;
    for (const presence of found) counts[presence]++;
  }
  return counts;
}

/** The row of somebody, by part and place in it. */
function rowOf(found: PeopleFound | null, part: number, place: number): number | null {
  if (!found) return null;
  const before = found.parts.slice(0, part).reduce((sum, { count }) => sum + count, 0);
  return found.kept[before + place]?.row ?? null;
}

/** A file on its way into the records: read beside the page, looked at, uploaded, written. */
export function useImport(today: string) {
  const [stage, setStage] = useState<Stage>(NOTHING);
  const desk = useRef<JobDesk<PeopleJobs> | null>(null);
  /** Counts what is under way: whatever an earlier number was for is not wanted any more. */
  const turn = useRef(0);
  const file = useRef<File | null>(null);

  useEffect(() => () => desk.current?.close(), []);

  const watch = useCallback(async (id: string, found: PeopleFound | null) => {
    const mine = ++turn.current;
    let of = found?.parts.length ?? 0;
    for (;;) {
      const { state, waiting, counts } = await exchange.state(id);
      if (mine !== turn.current) return;
      of = Math.max(of, waiting);
      if (state === 'gathering') throw new Error('not begun');
      if (state === 'done') {
        inTab.remove(KEPT_IMPORT);
        const refused = counts.refused.map(({ part, place, why }) => ({
          row: rowOf(found, part, place),
          why,
        }));
        return setStage({ at: 'done', counts, refused });
      }
      if (state === 'undone') {
        inTab.remove(KEPT_IMPORT);
        return setStage({ at: 'undone', counts });
      }
      setStage({ at: state, done: of - waiting, of });
      await later(LOOK_EVERY_MS);
    }
  }, []);

  useEffect(() => {
    const id = inTab.get(KEPT_IMPORT);
    if (!id) return;
    // Whether it still runs, or ended while nobody looked.
    void Promise.resolve()
      .then(() => watch(id, null))
      .catch(() => inTab.remove(KEPT_IMPORT));
  }, [watch]);

  const broken = (error: unknown, key = 'exchange.broken') =>
    setStage({ at: 'nothing', note: t(key, { why: explain(error) }) });

  /** Refused, nothing has begun; cut off, it may have, and is then carried through. */
  const failed = (error: unknown, key: string): void => {
    if (!(error instanceof ClientError) || error.reason !== 'refused')
      return setStage({ at: 'nothing', note: word('exchange.unseen') });
    inTab.remove(KEPT_IMPORT);
    broken(error, key);
  };

  const choose = async (chosen: File | null): Promise<void> => {
    const mine = ++turn.current;
    const isWanted = () => mine === turn.current;
    file.current = chosen;
    desk.current?.cancel();
    if (!chosen) return setStage(NOTHING);
    // A file that is far too large is not even opened.
    if (chosen.size > MOST_FILE_BYTES)
      return setStage({
        at: 'read',
        found: { ...NOBODY, faults: [tooLarge], faultCount: 1 },
        presences: null,
      });
    setStage({ at: 'reading', done: 0, of: 0 });
    try {
      const bytes = await chosen.arrayBuffer();
      desk.current ??= new JobDesk<PeopleJobs>(PEOPLE_WORKER);
      const progress = await desk.current.run('read', { bytes, today }, ({ done, of, found }) => {
        if (isWanted() && !found) setStage({ at: 'reading', done, of });
      });
      const found = progress?.found;
      if (!found || !isWanted()) return;
      setStage({ at: 'read', found, presences: null });
      if (found.kept.length === 0) return;
      // Whoever is here already is told as soon as the server has said so; without it the file can be looked at.
      const presences = await presencesOf(found.kept, isWanted).catch(() => null);
      if (presences && isWanted()) setStage({ at: 'read', found, presences });
    } catch {
      if (isWanted()) setStage({ at: 'nothing', note: word('exchange.failed') });
    }
  };

  const cancel = (): void => {
    turn.current++;
    desk.current?.cancel();
    file.current = null;
    setStage({ at: 'nothing', note: word('exchange.cancelled') });
  };

  const begin = async (found: PeopleFound, existing: ImportOrder['existing']): Promise<void> => {
    const mine = ++turn.current;
    const id = newId();
    const source = file.current ? sourceOf(file.current) : 'file';
    try {
      const of = found.parts.length;
      setStage({ at: 'sending', done: 0, of });
      // One after the other: more at once would keep others waiting.
      for (const [number, { people }] of found.parts.entries()) {
        await exchange.send(id, source, number, people);
        if (mine !== turn.current) break;
        setStage({ at: 'sending', done: number + 1, of });
      }
      if (mine !== turn.current) {
        // Cancelled while they were on their way: what has arrived is let go.
        await exchange.drop(id).catch(() => undefined);
        return;
      }
    } catch (error) {
      if (mine === turn.current) broken(error);
      return;
    }
    try {
      setStage({ at: 'writing', done: 0, of: found.parts.length });
      inTab.set(KEPT_IMPORT, id);
      await exchange.begin(id, { parts: found.parts.length, existing });
      await watch(id, found);
    } catch (error) {
      failed(error, 'exchange.broken');
    }
  };

  /** Takes out again whom an import brought. */
  const undo = async (id: string): Promise<void> => {
    const mine = ++turn.current;
    try {
      setStage({ at: 'undoing', done: 0, of: 0 });
      inTab.set(KEPT_IMPORT, id);
      await exchange.undo(id);
      if (mine === turn.current) await watch(id, null);
    } catch (error) {
      failed(error, 'exchange.undone.failed');
    }
  };

  return { stage, choose, cancel, begin, undo };
}
