import { NativeSelect, TextInput } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import {
  NO_REMEDIES,
  assess,
  makeInputs,
  problemOf,
  solve,
  type Assessment,
  type FitInputs,
} from '../../core/fit';
import type { FittingDetail, MethodSummary, PlaceSummary, SeatSummary } from '../../contract';
import { useReading } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { VerdictGlyph } from '../../ui/VerdictMark';
import { formatMassNumber, parseMass } from '../../core/units';
import { sayLength, sayValue, word } from '../../words';
import type { FittingState } from './use-fitting';
import styles from './fitting.module.css';

const MOST_TOOLS_KG = 100;

/** What a seat would come to for this sitter at this place, before it is chosen. */
function previewInputs(
  fitting: FittingDetail,
  seat: SeatSummary,
  places: readonly PlaceSummary[],
  methods: readonly MethodSummary[],
): FitInputs | null {
  const method =
    methods.find((m) => m.versionId === fitting.method.versionId)?.method ?? fitting.inputs?.method;
  if (!method) return null;
  const place = places.find((p) => p.versionId === fitting.place?.versionId)?.place ?? null;
  return makeInputs({
    sitter: { ageYears: fitting.inputs?.sitter.ageYears ?? null },
    body: fitting.body,
    seat: seat.seat,
    place,
    method,
    work: { toolsKg: fitting.toolsKg },
  });
}

/** Solves the seats one after the other, leaving the screen free between two. */
function usePreviews(
  fitting: FittingDetail,
  seats: readonly SeatSummary[],
  places: readonly PlaceSummary[],
  methods: readonly MethodSummary[],
): ReadonlyMap<string, Assessment> {
  const [previews, setPreviews] = useState<ReadonlyMap<string, Assessment>>(new Map());
  const key = useMemo(
    () => JSON.stringify([fitting.body, fitting.place, fitting.method, fitting.toolsKg]),
    [fitting],
  );
  useEffect(() => {
    let stopped = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const found = new Map<string, Assessment>();
    const next = (i: number) => {
      const seat = seats[i];
      if (stopped || !seat) return;
      const inputs = previewInputs(fitting, seat, places, methods);
      if (inputs) {
        const problem = problemOf(inputs);
        found.set(seat.versionId, assess(problem, solve(problem, { remedies: NO_REMEDIES }).settings));
        setPreviews(new Map(found));
      }
      timer = setTimeout(() => next(i + 1), 0);
    };
    timer = setTimeout(() => next(0), 0);
    return () => {
      stopped = true;
      clearTimeout(timer);
    };
    // The fitting object changes with every answer; what the previews depend on is in the key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, seats, places, methods]);
  return previews;
}

function SeatCard({
  seat,
  preview,
  chosen,
  disabled,
  onChoose,
}: {
  readonly seat: SeatSummary;
  readonly preview: Assessment | undefined;
  readonly chosen: boolean;
  readonly disabled: boolean;
  readonly onChoose: () => void;
}) {
  const reading = useReading();
  const misfits = preview?.outcomes.filter((o) => o.verdict === 'cannotReach') ?? [];
  const estimates = preview?.outcomes.filter((o) => o.estimated.length > 0).length ?? 0;
  const fits = preview?.outcomes.filter((o) => o.verdict === 'fits').length ?? 0;
  return (
    <button
      type="button"
      className={styles.seatCard}
      aria-pressed={chosen}
      disabled={disabled}
      onClick={onChoose}
      data-refused={preview?.refused ? true : undefined}
    >
      <span className={styles.seatName}>{seat.seat.name}</span>
      <span className={parts.soft}>
        {word(`class.${seat.seat.seatClass}`)} · {sayValue({ kg: seat.seat.ratedLoadKg.value }, reading)} ·{' '}
        {sayLength(seat.seat.seatWidthMm.value, reading)}
      </span>
      {!preview && <span className={parts.soft}>{word('choose.computing')}</span>}
      {preview && (
        <span className={styles.previews} aria-hidden="true">
          {preview.outcomes.map((o) => (
            <span
              key={o.kind}
              className={parts.verdict}
              data-verdict={o.verdict}
              title={word(`kind.${o.kind}`)}
            >
              <VerdictGlyph verdict={o.verdict} />
            </span>
          ))}
        </span>
      )}
      {estimates > 0 && (
        <span className={parts.soft}>{word('choose.estimates').replace('{n}', String(estimates))}</span>
      )}
      {misfits.length > 0 && (
        <span className={parts.soft}>
          {word('choose.misfits').replace(
            '{list}',
            misfits.map((o) => word(`kind.${o.kind}`).toLowerCase()).join(', '),
          )}
        </span>
      )}
      {preview && (
        <span className={parts.verdict} data-verdict={preview.refused ? 'refused' : 'fits'}>
          {preview.refused
            ? word('choose.refused')
            : word('choose.fits')
                .replace('{n}', String(fits))
                .replace('{all}', String(preview.outcomes.length))}
          {chosen && ` · ${word('choose.selected')}`}
        </span>
      )}
    </button>
  );
}

function Tools({ state }: { readonly state: FittingState }) {
  const reading = useReading();
  const { fitting, edit } = state;
  const [text, setText] = useState(formatMassNumber(fitting.toolsKg, reading.mass));
  const [fault, setFault] = useState<string | null>(null);
  const save = () => {
    const parsed = parseMass(text.trim() === '' ? '0' : text, reading.mass);
    if (!parsed.ok)
      return setFault(word(`measure.fault.${parsed.reason}`).replace('{first}', '').replace('{second}', ''));
    if (!(parsed.value <= MOST_TOOLS_KG)) return setFault(word('choose.fault.tools'));
    setFault(null);
    if (parsed.value !== fitting.toolsKg) void edit({ toolsKg: parsed.value });
  };
  return (
    <TextInput
      label={word('choose.tools')}
      description={word('choose.tools.hint')}
      value={text}
      disabled={fitting.state === 'left'}
      onChange={(e) => setText(e.currentTarget.value)}
      onBlur={save}
      onKeyDown={(e) => e.key === 'Enter' && save()}
      error={fault}
      inputMode="decimal"
      rightSection={<span className={parts.soft}>{reading.mass}</span>}
    />
  );
}

interface Props {
  readonly state: FittingState;
  readonly seats: readonly SeatSummary[];
  readonly places: readonly PlaceSummary[];
  readonly methods: readonly MethodSummary[];
}

/** Which seat, at which place, after which method. */
export function ChooseStage({ state, seats, places, methods }: Props) {
  const { fitting, edit } = state;
  const previews = usePreviews(fitting, seats, places, methods);
  const locked = fitting.state === 'left' || state.busy;
  const chosenPlace = fitting.place?.versionId ?? '';
  // A fitting keeps the version it was made with, even when a newer one is listed.
  const placeOptions = [
    ...places.map((p) => ({ value: p.versionId, label: p.place.name })),
    ...(fitting.place && !places.some((p) => p.versionId === chosenPlace)
      ? [{ value: chosenPlace, label: fitting.place.name }]
      : []),
  ];
  const methodChosen =
    methods.find((m) => m.versionId === fitting.method.versionId)?.method ?? fitting.inputs?.method;
  const methodOptions = [
    ...methods.map((m) => ({ value: m.versionId, label: m.method.name })),
    ...(methods.some((m) => m.versionId === fitting.method.versionId)
      ? []
      : [
          {
            value: fitting.method.versionId,
            label: word('choose.method.earlier').replace('{name}', fitting.method.name),
          },
        ]),
  ];
  return (
    <div className={styles.choose}>
      <section aria-label={word('choose.seat')}>
        <h2>{word('choose.seat')}</h2>
        <div className={styles.seatCards}>
          {seats.map((seat) => (
            <SeatCard
              key={seat.versionId}
              seat={seat}
              preview={previews.get(seat.versionId)}
              chosen={seat.versionId === fitting.seat?.versionId}
              disabled={locked}
              onChoose={() => void edit({ seatVersionId: seat.versionId })}
            />
          ))}
        </div>
      </section>
      <section className={styles.chooseRest} aria-label={word('choose.place')}>
        <NativeSelect
          label={word('choose.place')}
          value={chosenPlace}
          disabled={locked}
          onChange={(e) => void edit({ placeVersionId: e.currentTarget.value || null })}
          data={[{ value: '', label: word('choose.place.none') }, ...placeOptions]}
        />
        <NativeSelect
          label={word('choose.method')}
          description={methodChosen?.summary}
          value={fitting.method.versionId}
          disabled={locked}
          onChange={(e) => void edit({ methodVersionId: e.currentTarget.value })}
          data={methodOptions}
        />
        {methodChosen?.cautions?.map((caution) => (
          <p key={caution} className={parts.soft}>
            {word(`caution.method.${caution}`)}
          </p>
        ))}
        <Tools key={`${fitting.id}-${fitting.toolsKg}`} state={state} />
      </section>
    </div>
  );
}
