import '../../words/pages';
import type { SeatSummary } from '../../contract';
import {
  ADJUSTMENT_KINDS,
  compareSeats,
  offeredBySome,
  type ComparedRange,
  type ComparedRow,
  type SeatModel,
} from '../../core/seat';
import { Frame } from '../../ui/Frame';
import parts from '../../ui/parts.module.css';
import { useReading, useSay, type PageProps } from '../../ui/preferences';
import { sayLoad } from '../../ui/say-load';
import { WideTable } from '../../ui/WideTable';
import { sayLength, sayPrice, sayWith, t, word } from '../../words';
import { movesOf, rangeOf } from './seat-facts';
import styles from './seats.module.css';

const LEAST_PERCENT = 1.5;

/** Where a value stands on the scale of its row, percent. */
function along({ from, to }: Pick<ComparedRow, 'from' | 'to'>, value: number): number {
  return to > from ? (100 * (value - from)) / (to - from) : 50;
}

function Track({ row, range }: { readonly row: ComparedRow; readonly range: ComparedRange }) {
  const left = along(row, range.lowest);
  const width = Math.max(LEAST_PERCENT, along(row, range.highest) - left);
  return (
    <span className={styles.track} aria-hidden="true">
      <span className={styles.bar} style={{ left: `${Math.min(left, 100 - width)}%`, width: `${width}%` }} />
      {range.stops.map((stop) => (
        <span key={stop} className={styles.stop} style={{ left: `${along(row, stop)}%` }} />
      ))}
    </span>
  );
}

function Row({ row, seats }: { readonly row: ComparedRow; readonly seats: readonly SeatModel[] }) {
  const reading = useReading();
  const say = useSay();
  return (
    <section className={styles.compared} aria-label={word(`kind.${row.kind}`)}>
      <h3>
        {word(`kind.${row.kind}`)}{' '}
        <span className={parts.soft}>{word(`datum.${ADJUSTMENT_KINDS[row.kind].datum}`)}</span>
      </h3>
      <ul className={styles.tracks}>
        {seats.map((seat, i) => {
          const range = row.ranges[i] ?? null;
          const has = seat.adjustments.some((a) => a.kind === row.kind);
          return (
            <li key={seat.id}>
              <span className={styles.trackName}>{seat.name}</span>
              {range ? <Track row={row} range={range} /> : <span className={styles.track} data-empty />}
              <span className={styles.trackSays}>
                {range
                  ? `${rangeOf(range.adjustment, reading)}, ${movesOf(range.adjustment)}`
                  : word(has ? 'compareSeats.otherUnit' : 'compareSeats.none')}
              </span>
            </li>
          );
        })}
      </ul>
      <p className={styles.differences}>
        {row.differences.length === 0
          ? word('compareSeats.same')
          : row.differences.map((m) => say(m)).join(' ')}
      </p>
    </section>
  );
}

function FactsTable({ seats }: { readonly seats: readonly SeatModel[] }) {
  const reading = useReading();
  const unknown = word('seats.unknown');
  const rows: readonly (readonly [string, (seat: SeatModel) => string])[] = [
    ['seats.class', (s) => word(`class.${s.seatClass}`)],
    ['seats.rated', (s) => (s.ratedLoadKg ? sayLoad(s, reading) : word('seats.readLabel'))],
    ['seats.width', (s) => (s.seatWidthMm ? sayLength(s.seatWidthMm.value, reading) : unknown)],
    ['seats.price', (s) => (s.price === undefined ? unknown : sayPrice(s.price, reading))],
    ['seats.arms', (s) => (s.arms ? word(`arms.${s.arms.support}`) : word('seats.no'))],
  ];
  return (
    <WideTable name={word('compareSeats.facts')}>
      <thead>
        <tr>
          <th scope="col">
            <span className="visually-hidden">{word('seats.orientation.dimension')}</span>
          </th>
          {seats.map((seat) => (
            <th key={seat.id} scope="col">
              <a href={`/seats/${seat.id}`}>{seat.name}</a>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([key, sayOf]) => (
          <tr key={key}>
            <th scope="row">{t(key)}</th>
            {seats.map((seat) => (
              <td key={seat.id}>{sayOf(seat)}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </WideTable>
  );
}

function Comparison({ seats }: { readonly seats: readonly SeatModel[] }) {
  if (seats.length < 2)
    return (
      <div className={parts.empty}>
        <p>{word('compareSeats.few')}</p>
      </div>
    );
  const some = offeredBySome(seats);
  return (
    <>
      <h2>{word('compareSeats.facts')}</h2>
      <FactsTable seats={seats} />
      {some.length > 0 && (
        <>
          <h2>{word('compareSeats.offers')}</h2>
          <ul>
            {some.map(({ offer, by }) => (
              <li key={offer}>
                {sayWith('compareSeats.offer', { offer: word(`offer.${offer}`), list: by.join(', ') })}
              </li>
            ))}
          </ul>
        </>
      )}
      <h2>{word('compareSeats.adjustments')}</h2>
      {compareSeats(seats).map((row) => (
        <Row key={row.kind} row={row} seats={seats} />
      ))}
    </>
  );
}

export default function ComparePage({
  page,
  seats,
}: {
  readonly page: PageProps;
  readonly seats: readonly SeatSummary[];
}) {
  return (
    <Frame page={page} area="seats">
      <div className={parts.head}>
        <h1>{word('compareSeats.title')}</h1>
        <a href="/seats">{word('seats.back')}</a>
      </div>
      <Comparison seats={seats.map((s) => s.seat)} />
    </Frame>
  );
}
