import type { ScreenWay } from '../../core/method';
/** What two have changed at once in one fitting, and the ways out. */
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import '../../words/about';
import { call } from '../../ui/client';
import {
  REMEDY_IDS,
  WORK_FLAGS,
  assess,
  completeSettings,
  sizeInUse,
  type Problem,
  type RemedyId,
  type RemedySettings,
  type SettingOutcome,
  type Settings,
} from '../../core/fit';
import { saysValue } from '../../core/card';
import type { FittingEdit, MethodSummary, PlaceSummary, OfferedSeat } from '../../contract';
import { Conflict, type ConflictRow, type Picks } from '../../ui/Conflict';
import { draftOf, outbox, seatOfSubject, settingsEntry, settingsSubject, type Entry } from '../../ui/outbox';
import { useReading, useSay } from '../../ui/preferences';
import { sayMethod, sayValue, word } from '../../words';
import type { DraftConflict } from './draft-keeper';
import { mergeSettings } from './merge-settings';
import { sayOwn } from './TrackRow';
import type { Autosave } from './use-autosave';
import type { FittingState } from './use-fitting';
import { sayRemedy } from './say-remedy';
import type { Setting } from './use-setting';

export interface Catalogue {
  readonly seats: readonly OfferedSeat[];
  readonly places: readonly PlaceSummary[];
  readonly methods: readonly MethodSummary[];
}

const SEAT = 'seat';

function useSettingRows(problem: Problem, { mine, theirs, base }: DraftConflict): readonly ConflictRow[] {
  const reading = useReading();
  const say = useSay();
  return useMemo(() => {
    const [ours, others] = [mine, theirs.draft?.settings ?? null].map((s) =>
      assess(problem, completeSettings(problem, s)),
    );
    const sayPosition = (o: SettingOutcome): string =>
      saysValue(o.words) ? say(o.words) : `${sayOwn(o, o.value, reading)}, ${say(o.words)}`;
    const rows: ConflictRow[] = [];
    for (const outcome of ours!.outcomes) {
      const other = others!.outcomes.find((o) => o.kind === outcome.kind)!;
      if (other.position === outcome.position) continue;
      const isMineOnly = base && base.positions[outcome.kind] === other.position;
      const isTheirsOnly = base && base.positions[outcome.kind] === outcome.position;
      rows.push({
        id: outcome.kind,
        name: word(`kind.${outcome.kind}`),
        mine: sayPosition(outcome),
        theirs: sayPosition(other),
        first: isTheirsOnly && !isMineOnly ? 'theirs' : 'mine',
      });
    }
    const [my, their] = [ours!.settings.remedies, others!.settings.remedies];
    const saidOf = (remedies: RemedySettings, id: RemedyId): string => {
      const size = sizeInUse(remedies, id);
      return size === 0 ? word('remedy.unused') : sayRemedy(id, size, reading);
    };
    for (const id of REMEDY_IDS) {
      if (sizeInUse(my, id) === sizeInUse(their, id)) continue;
      rows.push({
        id,
        name: word(`remedy.${id}.name`),
        mine: saidOf(my, id),
        theirs: saidOf(their, id),
        first: base && sizeInUse(base.remedies, id) === sizeInUse(my, id) ? 'theirs' : 'mine',
      });
    }
    return rows;
  }, [base, mine, problem, reading, say, theirs]);
}

interface SettingsProps {
  readonly state: FittingState;
  readonly setting: Setting;
  readonly autosave: Autosave;
  readonly conflict: DraftConflict;
}

function SettingRows({ state, setting, autosave, conflict }: SettingsProps) {
  const rows = useSettingRows(setting.problem, conflict);
  const { mine, theirs } = conflict;
  const decide = async (picks: Picks) => {
    const whole = (s: Settings | null) => completeSettings(setting.problem, s);
    const chosen = mergeSettings(whole(mine), whole(theirs.draft?.settings ?? null), picks);
    await autosave.keeper.decide(chosen, theirs);
    state.adopt(theirs);
  };
  return <Conflict rows={rows} busy={state.busy} onDecide={(picks) => void decide(picks)} />;
}

/** The seat itself was changed elsewhere: its settings cannot be mixed. */
function SeatRow({
  mine,
  theirs,
  busy,
  onMine,
  onTheirs,
}: {
  readonly mine: string;
  readonly theirs: string;
  readonly busy: boolean;
  readonly onMine: () => Promise<void>;
  readonly onTheirs: () => Promise<void>;
}) {
  const row: ConflictRow = { id: SEAT, name: word('conflict.seat'), mine, theirs, first: 'mine' };
  return (
    <Conflict
      rows={[row]}
      busy={busy}
      onDecide={(picks) => void (picks[SEAT] === 'theirs' ? onTheirs() : onMine())}
    />
  );
}

/** Draft settings that met others: of the same seat one by one, of another seat as a whole. */
export function SettingsConflict({ state, setting, autosave, conflict }: SettingsProps) {
  const { mine, theirs } = conflict;
  const { seat, id } = state.fitting;
  if (theirs.seat?.versionId === seat?.versionId)
    return <SettingRows state={state} setting={setting} autosave={autosave} conflict={conflict} />;
  return (
    <SeatRow
      mine={seat?.name ?? ''}
      theirs={theirs.seat?.name ?? word('fittings.noSeat')}
      busy={state.busy}
      onMine={async () => {
        const next = await state.edit({ seatVersionId: seat?.versionId ?? null }, theirs.version);
        if (next) await autosave.keeper.decide(mine, next);
      }}
      onTheirs={async () => {
        await outbox().resolve(settingsSubject(id, seat?.versionId ?? ''), null);
        state.adopt(theirs);
      }}
    />
  );
}

/** Settings kept on this device for a seat that the fitting no longer has. */
export function OrphanSettings({
  state,
  seats,
  orphan,
}: { readonly state: FittingState; readonly orphan: Entry } & Pick<Catalogue, 'seats'>) {
  const { fitting } = state;
  const seatVersionId = seatOfSubject(orphan.subject);
  return (
    <SeatRow
      mine={seats.find((s) => s.versionId === seatVersionId)?.seat.name ?? word('conflict.earlierSeat')}
      theirs={fitting.seat?.name ?? word('fittings.noSeat')}
      busy={state.busy}
      onMine={async () => {
        const next = await state.edit({ seatVersionId });
        if (!next) return;
        const again = settingsEntry(fitting.id, seatVersionId, draftOf(orphan), next.draftRevision);
        await outbox().resolve(orphan.subject, again);
      }}
      onTheirs={() => outbox().resolve(orphan.subject, null)}
    />
  );
}

const screenWord = (way: ScreenWay | null): string => word(way ? `screenWay.${way}` : 'choose.screen.method');

/** The tag of one that is wished for; null where none is, or it is not known yet. */
function useTag(id: string | null): string | null {
  const found = useQuery({
    queryKey: ['piece', id],
    queryFn: () => call('GET /tagged-seats/{id}', { id: id ?? '' }),
    enabled: id !== null,
  });
  return found.data?.tag ?? null;
}

/** A choice of seat, place, method or tools that met another. */
export function EditConflictPanel({
  state,
  catalogue,
}: {
  readonly state: FittingState;
  readonly catalogue: Catalogue;
}) {
  const reading = useReading();
  const { conflict, edit, adopt, busy } = state;
  const wishedPiece = useTag(conflict?.wish.pieceId ?? null);
  if (!conflict) return null;
  const { wish, theirs } = conflict;
  const { seats, places, methods } = catalogue;
  const wished = methods.find((m) => m.versionId === wish.methodVersionId);
  const yesNo = (is: boolean) => word(is ? 'people.yes' : 'seats.no');
  const named: readonly (readonly [keyof FittingEdit, string, string, string])[] = [
    [
      'seatVersionId',
      word('conflict.seat'),
      seats.find((s) => s.versionId === wish.seatVersionId)?.seat.name ?? word('fittings.noSeat'),
      theirs.seat?.name ?? word('fittings.noSeat'),
    ],
    [
      'placeVersionId',
      word('choose.place'),
      places.find((p) => p.versionId === wish.placeVersionId)?.place.name ?? word('choose.place.none'),
      theirs.place?.name ?? word('choose.place.none'),
    ],
    [
      'methodVersionId',
      word('choose.method'),
      wished ? sayMethod(wished.method) : '',
      sayMethod(theirs.method),
    ],
    [
      'toolsKg',
      word('choose.tools'),
      sayValue({ kg: wish.toolsKg ?? 0 }, reading),
      sayValue({ kg: theirs.toolsKg }, reading),
    ],
    ...WORK_FLAGS.map(
      (flag) => [flag, word(`choose.${flag}`), yesNo(wish[flag] ?? false), yesNo(theirs[flag])] as const,
    ),
    [
      'pieceId',
      word('pieces.tag'),
      wishedPiece ?? word('choose.piece.none'),
      theirs.piece?.tag ?? word('choose.piece.none'),
    ],
    ['screen', word('choose.screen'), screenWord(wish.screen ?? null), screenWord(theirs.screen)],
  ];
  const rows: ConflictRow[] = named
    .filter(([field]) => wish[field] !== undefined)
    .map(([id, name, mine, other]) => ({ id, name, mine, theirs: other, first: 'mine' }));
  const decide = async (picks: Picks) => {
    const kept = Object.fromEntries(Object.entries(wish).filter(([field]) => picks[field] === 'mine'));
    if (Object.keys(kept).length === 0) adopt(theirs);
    else await edit(kept, theirs.version);
  };
  return <Conflict rows={rows} busy={busy} onDecide={(picks) => void decide(picks)} />;
}
