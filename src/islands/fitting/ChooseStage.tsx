import '../../words/about';
import { Checkbox, TextInput } from '@mantine/core';
import { memo, useState } from 'react';
import { WORK_FLAGS, fitCountOf, type Assessment } from '../../core/fit';
import { SCREEN_WAYS, type ScreenWay } from '../../core/method';
import type { RankedSeat, Ranking, RefusedSeat } from '../../core/rank';
import type { MethodSummary, PlaceSummary, OfferedSeat } from '../../contract';
import { MOST_TOOLS_KG } from '../../contract/limits';
import { useReading, useSay } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { ChoiceSelect } from '../../ui/ChoiceSelect';
import { VerdictGlyph } from '../../ui/VerdictMark';
import { formatMassNumber, parseMass } from '../../core/units';
import { sayLoad } from '../../ui/say-load';
import { sayLength, sayMethod, sayMethodAbout, sayPrice, sayWith, word } from '../../words';
import { PieceChoice } from './PieceChoice';
import type { FittingState } from './use-fitting';
import { useAssessment, useRanking, type Ranked } from './use-ranking';
import { SeatFinder, isNarrowed } from './SeatFinder';
import { wantedBy, type Shelf, type ShelfFilter } from './use-shelf';
import { useSteady } from './use-steady';
import styles from './fitting.module.css';

interface Props {
  readonly state: FittingState;
  readonly shelf: Shelf;
  readonly filter: ShelfFilter;
  readonly onFilter: (filter: ShelfFilter) => void;
  readonly places: readonly PlaceSummary[];
  readonly methods: readonly MethodSummary[];
}

const sayPercent = ({ percent }: RankedSeat): string => {
  // Nothing that was only drawn is ever quite sure.
  const shown = percent === 100 ? '> 99' : percent === 0 ? '< 1' : String(percent);
  return sayWith('choose.percent', { percent: shown });
};

interface CardProps {
  readonly seat: OfferedSeat;
  readonly asked: Ranked['asked'];
  /** undefined: refused, or not known yet. */
  readonly own: RankedSeat | undefined;
  readonly refused: RefusedSeat | undefined;
  readonly isFailed: boolean;
  readonly chosen: boolean;
  readonly disabled: boolean;
  readonly onChoose: (seat: OfferedSeat) => void;
}

/** How a seat would stand at its best: every adjustment, and what is out of reach. */
function Preview({ preview }: { readonly preview: Assessment }) {
  const misfits = preview.outcomes.filter((o) => o.verdict === 'cannotReach');
  const estimates = preview.outcomes.filter((o) => o.estimated.length > 0).length;
  return (
    <>
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
      {estimates > 0 && <span className={parts.soft}>{sayWith('choose.estimates', { n: estimates })}</span>}
      {misfits.length > 0 && (
        <span className={parts.soft}>
          {sayWith('choose.misfits', {
            list: misfits.map((o) => word(`kind.${o.kind}`).toLowerCase()).join(', '),
          })}
        </span>
      )}
    </>
  );
}

/** In how many adjustments a seat fits, or why it is refused or not meant for the place. */
function Sum({
  preview,
  own,
  refused,
  chosen,
}: {
  readonly preview: Assessment | null;
  readonly own: RankedSeat | undefined;
  readonly refused: RefusedSeat | undefined;
  readonly chosen: boolean;
}) {
  const say = useSay();
  const { fits, all } = preview ? fitCountOf(preview) : { fits: 0, all: 0 };
  return (
    <>
      {(refused?.reasons ?? own?.notMeant)?.map((reason, i) => (
        <span key={i} className={parts.soft}>
          {say(reason)}
        </span>
      ))}
      {(preview ?? refused) && (
        <span className={parts.verdict} data-verdict={refused ? 'refused' : 'fits'}>
          {refused ? word('choose.refused') : sayWith('choose.fits', { n: fits, all })}
          {chosen && ` · ${word('choose.selected')}`}
        </span>
      )}
    </>
  );
}

const SeatCard = memo(function SeatCard(props: CardProps) {
  const { seat, asked, own, refused, isFailed, chosen, disabled, onChoose } = props;
  const reading = useReading();
  const preview = useAssessment(asked, seat.seat, own?.settings);
  const { price } = seat.seat;
  return (
    <button
      type="button"
      className={styles.seatCard}
      aria-pressed={chosen}
      disabled={disabled}
      onClick={() => onChoose(seat)}
      data-refused={refused || (own && own.notMeant.length > 0) ? true : undefined}
    >
      <span className={styles.seatName}>{seat.seat.name}</span>
      <span className={parts.soft}>
        {word(`class.${seat.seat.seatClass}`)} · {sayLoad(seat.seat, reading)}
        {seat.seat.seatWidthMm && ` · ${sayLength(seat.seat.seatWidthMm.value, reading)}`}
        {price !== undefined && ` · ${sayWith('choose.price', { price: sayPrice(price, reading) })}`}
      </span>
      {seat.tagged && (
        <span className={seat.tagged.usable > 0 ? parts.soft : styles.noneUsable}>
          {seat.tagged.usable > 0 ? sayWith('choose.tagged', seat.tagged) : word('choose.tagged.none')}
        </span>
      )}
      {!own && !refused && (
        <span className={parts.soft}>{word(isFailed ? 'choose.failed' : 'choose.computing')}</span>
      )}
      {own && (
        <span className={styles.percent}>
          {sayPercent(own)}
          <span className={parts.soft}>
            {' '}
            {word('choose.some')}
            {own.limiting &&
              own.percent < 100 &&
              `; ${sayWith('choose.limiting', { condition: word(`condition.${own.limiting}`) })}`}
          </span>
        </span>
      )}
      {preview && <Preview preview={preview} />}
      <Sum preview={preview} own={own} refused={refused} chosen={chosen} />
    </button>
  );
});

/** So many are shown at first. */
const FIRST = 50;

const isOrdered = ({ done, count }: Ranking): boolean => done >= Math.min(FIRST, count);

/** Best first, those not meant for the place last of them, then those not yet known as they are listed, then the refused. */
function inOrder(seats: readonly OfferedSeat[], ranking: Ranking): readonly OfferedSeat[] {
  if (!isOrdered(ranking)) return seats;
  const byId = new Map(seats.map((seat) => [seat.seat.id, seat]));
  const take = (known: readonly { readonly seatId: string }[]) =>
    known.flatMap(({ seatId }) => byId.get(seatId) ?? []);
  const ranked = take(ranking.ranked);
  const refused = take(ranking.refused);
  const known = new Set([...ranked, ...refused]);
  return [...ranked, ...seats.filter((seat) => !known.has(seat)), ...refused];
}

function Seats({ state, shelf, filter, onFilter, places, methods }: Props) {
  const { fitting, edit } = state;
  const { seats, total, isLoading } = shelf;
  const ranked = useRanking(fitting, seats, places, methods);
  const [all, setAll] = useState(false);
  const choose = useSteady((seat: OfferedSeat) => void edit({ seatVersionId: seat.versionId }));
  const wanted = wantedBy(places.find((p) => p.versionId === fitting.place?.versionId)?.place);
  const finder = <SeatFinder filter={filter} wanted={wanted} fittingId={fitting.id} onFilter={onFilter} />;
  if (isLoading || shelf.isFailed || !ranked || seats.length === 0)
    return (
      <>
        {finder}
        {shelf.isFailed ? (
          <div className={parts.notice} data-tone="misfit" role="alert">
            {word('choose.unloaded')}
            <button type="button" className={parts.plainButton} onClick={shelf.retry}>
              {word('fault.retry')}
            </button>
          </div>
        ) : (
          <p className={parts.soft} role="status">
            {isLoading
              ? sayWith('choose.loading', { n: seats.length, all: total ?? '…' })
              : word(isNarrowed(filter, wanted) ? 'choose.noneFound' : 'choose.none')}
          </p>
        )}
      </>
    );
  const { asked, ranking, isFailed } = ranked;
  const ordered = inOrder(seats, ranking);
  const isWorking = !isFailed && ranking.done < ranking.count;
  const ranks = new Map(ranking.ranked.map((one) => [one.seatId, one]));
  const refusals = new Map(ranking.refused.map((one) => [one.seatId, one]));
  return (
    <>
      {finder}
      <p className={parts.soft} role="status">
        {isWorking && ranking.count > FIRST
          ? sayWith('choose.working', { n: ranking.done, all: ranking.count })
          : word('choose.order')}
        {total !== null &&
          total > seats.length &&
          ` ${sayWith('choose.more', { n: seats.length, all: total })}`}
      </p>
      {/* Nothing is shown in an order that it will not keep. */}
      <div className={styles.seatCards} data-waits={(!isOrdered(ranking) && !isFailed) || undefined}>
        {(all ? ordered : ordered.slice(0, FIRST)).map((seat) => (
          <SeatCard
            key={seat.versionId}
            seat={seat}
            asked={asked}
            own={ranks.get(seat.seat.id)}
            refused={refusals.get(seat.seat.id)}
            isFailed={isFailed}
            chosen={seat.versionId === fitting.seat?.versionId}
            // What is about to change places is not to be pressed.
            disabled={fitting.state === 'left' || (isWorking && seats.length <= FIRST)}
            onChoose={choose}
          />
        ))}
      </div>
      {!all && ordered.length > FIRST && (
        <button type="button" className={parts.plainButton} onClick={() => setAll(true)}>
          {sayWith('choose.all', { n: ordered.length })}
        </button>
      )}
    </>
  );
}

function Tools({ state }: { readonly state: FittingState }) {
  const reading = useReading();
  const { fitting, edit } = state;
  const [text, setText] = useState(formatMassNumber(fitting.toolsKg, reading.mass));
  const [fault, setFault] = useState<string | null>(null);
  const save = () => {
    const parsed = parseMass(text.trim() === '' ? '0' : text, reading.mass);
    if (!parsed.ok) return setFault(sayWith(`measure.fault.${parsed.reason}`, { first: '', second: '' }));
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

/** Which seat, at which place, after which method. */
export function ChooseStage(props: Props) {
  const { state, places, methods } = props;
  const { fitting, edit } = state;
  const locked = fitting.state === 'left';
  const chosenPlace = fitting.place?.versionId ?? '';
  const saysMoreOfWork =
    fitting.toolsKg > 0 || fitting.screen !== null || WORK_FLAGS.some((flag) => fitting[flag]);
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
    ...methods.map((m) => ({ value: m.versionId, label: sayMethod(m.method) })),
    ...(methods.some((m) => m.versionId === fitting.method.versionId)
      ? []
      : [
          {
            value: fitting.method.versionId,
            label: sayWith('choose.method.earlier', { name: sayMethod(fitting.method) }),
          },
        ]),
  ];
  return (
    <div className={styles.choose}>
      <section className={styles.chooseRest} aria-label={word('choose.place')}>
        <ChoiceSelect
          label={word('choose.place')}
          value={chosenPlace}
          disabled={locked}
          onTake={(id) => edit({ placeVersionId: id || null })}
          data={[{ value: '', label: word('choose.place.none') }, ...placeOptions]}
        />
        <ChoiceSelect
          label={word('choose.method')}
          description={methodChosen && sayMethodAbout(methodChosen)}
          value={fitting.method.versionId}
          disabled={locked}
          onTake={(methodVersionId) => edit({ methodVersionId })}
          data={methodOptions}
        />
        <PieceChoice state={state} />
        {methodChosen?.cautions?.map((caution) => (
          <p key={caution} className={parts.soft}>
            {word(`caution.method.${caution}`)}
          </p>
        ))}
        <details className={styles.work} open={saysMoreOfWork || undefined}>
          <summary>{word('choose.work')}</summary>
          <Tools key={`${fitting.id}-${fitting.toolsKg}`} state={state} />
          {WORK_FLAGS.map((flag) => (
            <Checkbox
              key={flag}
              label={word(`choose.${flag}`)}
              checked={fitting[flag]}
              disabled={locked}
              onChange={(e) => void edit({ [flag]: e.currentTarget.checked })}
            />
          ))}
          <ChoiceSelect
            label={word('choose.screen')}
            value={fitting.screen ?? ''}
            disabled={locked}
            onTake={(way) => edit({ screen: (way || null) as ScreenWay | null })}
            data={[
              { value: '', label: word('choose.screen.method') },
              ...SCREEN_WAYS.map((way) => ({ value: way, label: word(`screenWay.${way}`) })),
            ]}
          />
        </details>
      </section>
      <section aria-label={word('choose.seat')}>
        <h2>{word('choose.seat')}</h2>
        <Seats {...props} />
      </section>
    </div>
  );
}
