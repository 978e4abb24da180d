/** A file of seats on its way in: read beside the page, compared with what is here, sent in parts, undone. */
import { useCallback, useEffect, useRef, useState } from 'react';
import type { SeatCounts, SeatImport, SeatPart, SeatPresence } from '../../contract/seats-file';
import { call, explain } from '../../ui/client';
import { newId } from '../../ui/ids';
import { sayWith, word } from '../../words';
import { JobDesk, SEATS_WORKER } from '../../workers/desk';
import type { SeatJobs, SeatsFound } from '../../workers/seats';

export type SeatPresences = Readonly<Record<SeatPresence, number>>;

export type SeatImportStage =
  | { readonly at: 'nothing'; readonly note: string | null }
  | { readonly at: 'reading'; readonly done: number; readonly of: number }
  | { readonly at: 'read'; readonly found: SeatsFound; readonly presences: SeatPresences | 'unseen' | null }
  | { readonly at: 'sending'; readonly done: number; readonly of: number }
  | { readonly at: 'done'; readonly counts: SeatCounts };

/** What stands in a field that is sent as JSON already is never looked at. */
const AS_JSON = null as never;
const NO_COUNTS: SeatCounts = { created: 0, versions: 0, left: 0, same: 0 };

const sourceOf = (file: File): string =>
  file.name
    .replace(/\p{Cc}/gu, ' ')
    .trim()
    .slice(-120) || 'file';

async function presencesOf(found: SeatsFound, isWanted: () => boolean): Promise<SeatPresences | null> {
  const counts = { new: 0, same: 0, differs: 0 };
  for (const { seats } of found.parts) {
    const json = new Blob([`{"seats":${seats}}`]);
    const answer = await call('POST /seats/look', { body: AS_JSON }, { json, isAside: true });
    if (!isWanted()) return null;
    for (const presence of answer.found) counts[presence]++;
  }
  return counts;
}

const sum = (a: SeatCounts, b: SeatCounts): SeatCounts => ({
  created: a.created + b.created,
  versions: a.versions + b.versions,
  left: a.left + b.left,
  same: a.same + b.same,
});

export function useSeatImport() {
  const [stage, setStage] = useState<SeatImportStage>({ at: 'nothing', note: null });
  const [recent, setRecent] = useState<readonly SeatImport[]>([]);
  const desk = useRef<JobDesk<SeatJobs> | null>(null);
  const turn = useRef(0);
  const source = useRef('file');
  useEffect(() => () => desk.current?.close(), []);

  const refresh = useCallback(() => {
    call('GET /seat-imports', { query: {} }).then(
      (page) => setRecent(page.items),
      () => undefined,
    );
  }, []);
  useEffect(refresh, [refresh]);

  const choose = async (file: File | null): Promise<void> => {
    const mine = ++turn.current;
    const isWanted = () => mine === turn.current;
    desk.current?.cancel();
    if (!file) return setStage({ at: 'nothing', note: null });
    source.current = sourceOf(file);
    setStage({ at: 'reading', done: 0, of: 0 });
    try {
      const bytes = await file.arrayBuffer();
      desk.current ??= new JobDesk<SeatJobs>(SEATS_WORKER);
      const progress = await desk.current.run(
        'readSeats',
        { bytes, seed: newId() },
        ({ done, of, found }) => {
          if (isWanted() && !found) setStage({ at: 'reading', done, of });
        },
      );
      const found = progress?.found;
      if (!found || !isWanted()) return;
      setStage({ at: 'read', found, presences: null });
      if (found.kept.length === 0) return;
      const presences = await presencesOf(found, isWanted).catch(() => 'unseen' as const);
      if (presences && isWanted()) setStage({ at: 'read', found, presences });
    } catch {
      if (isWanted()) setStage({ at: 'nothing', note: word('seatFile.failed') });
    }
  };

  const begin = async (found: SeatsFound, existing: SeatPart['existing']): Promise<void> => {
    const mine = ++turn.current;
    const id = newId();
    const of = found.kept.length;
    let [done, counts] = [0, NO_COUNTS];
    setStage({ at: 'sending', done, of });
    for (const { seats, count } of found.parts) {
      try {
        // One after the other: more at once would keep others waiting.
        const json = new Blob([
          `{"file":${JSON.stringify(source.current)},"existing":"${existing}","seats":${seats}}`,
        ]);
        counts = sum(counts, await call('POST /seat-imports/{id}', { id, body: AS_JSON }, { json }));
      } catch (error) {
        refresh();
        const note = sayWith('seatFile.stopped', { n: done, of, why: explain(error) });
        return setStage({ at: 'nothing', note });
      }
      done += count;
      if (mine !== turn.current) {
        // Cancelled while a part was on its way: what has arrived is taken out again.
        const isOut = await call('POST /seat-imports/{id}/undo', { id }).then(
          () => true,
          () => false,
        );
        refresh();
        return setStage({
          at: 'nothing',
          note: isOut ? word('seatFile.cancelled') : sayWith('seatFile.stopped', { n: done, of, why: '' }),
        });
      }
      setStage({ at: 'sending', done, of });
    }
    refresh();
    setStage({ at: 'done', counts });
  };

  /** Ends what is under way; parts that have arrived are taken out again. */
  const cancel = (): void => {
    turn.current++;
    desk.current?.cancel();
    if (stage.at === 'reading') setStage({ at: 'nothing', note: word('seatFile.cancelledNothing') });
  };

  const undo = async (id: string): Promise<string | null> => {
    try {
      await call('POST /seat-imports/{id}/undo', { id });
      refresh();
      return null;
    } catch (error) {
      return explain(error);
    }
  };
  return { stage, recent, choose, begin, cancel, undo };
}
