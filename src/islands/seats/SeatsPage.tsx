import '../../words/pages';
import { Button } from '@mantine/core';
import { memo, useCallback, useState } from 'react';
import type { SeatListing } from '../../contract/catalogue';
import type { Page } from '../../contract/paging';
import { MOST_COMPARED } from '../../core/seat';
import { call } from '../../ui/client';
import { Frame } from '../../ui/Frame';
import { LoadFault, MoreLine } from '../../ui/MoreLine';
import parts from '../../ui/parts.module.css';
import { useReading, type PageProps } from '../../ui/preferences';
import { WideTable } from '../../ui/WideTable';
import { usePages } from '../../ui/use-pages';
import { usePaced } from '../../ui/use-paced';
import { sayLength, sayPrice, sayRange, sayValue, sayWith, word, type Reading } from '../../words';
import { SeatFilters } from './SeatFilters';
import { NO_FILTER, isNarrowed, queryOf, type AskedSeats } from './seat-query';
import styles from './seats.module.css';

const lengths = (range: { lowest: number; highest: number } | null, reading: Reading): string =>
  range === null
    ? word('seats.unknown')
    : range.lowest === range.highest
      ? sayLength(range.lowest, reading)
      : sayRange(sayLength(range.lowest, reading), sayLength(range.highest, reading));

const SeatRow = memo(function SeatRow({
  seat,
  isPicked,
  canPick,
  onPick,
}: {
  readonly seat: SeatListing;
  readonly isPicked: boolean;
  readonly canPick: boolean;
  readonly onPick: (id: string) => void;
}) {
  const reading = useReading();
  const { facts } = seat;
  if (!facts)
    return (
      <tr>
        <td />
        <td colSpan={8}>
          <strong>{seat.name}</strong>
          <div className={styles.unreadable}>{sayWith('seats.unreadable', { fault: seat.fault ?? '' })}</div>
        </td>
      </tr>
    );
  return (
    <tr>
      <td>
        <label>
          <input
            type="checkbox"
            className={styles.pick}
            aria-label={sayWith('seats.pick', { name: seat.name })}
            checked={isPicked}
            disabled={!isPicked && !canPick}
            onChange={() => onPick(seat.id)}
          />
        </label>
      </td>
      <td>
        <a href={`/seats/${seat.id}`}>{seat.name}</a>
      </td>
      <td>{word(`class.${facts.seatClass}`)}</td>
      <td className={parts.figure}>{lengths(facts.seatHeightMm, reading)}</td>
      <td className={parts.figure}>{lengths(facts.seatDepthMm, reading)}</td>
      <td className={parts.figure}>
        {facts.seatWidthMm === null ? word('seats.unknown') : sayLength(facts.seatWidthMm, reading)}
      </td>
      <td>
        {facts.ratedLoadKg === null ? word('seats.readLabel') : sayValue({ kg: facts.ratedLoadKg }, reading)}
      </td>
      <td className={parts.figure}>{facts.price === null ? '' : sayPrice(facts.price, reading)}</td>
      <td>{word(`seats.state.${seat.state}`)}</td>
    </tr>
  );
});

const COLUMNS = [
  'people.name',
  'seats.class',
  'seats.height',
  'seats.depth',
  'seats.width',
  'seats.rated',
  'seats.price',
  'seats.stateOf',
] as const;

/** The server is asked at once, and while somebody types on no more often than this, ms. */
const ASKED_EVERY_MS = 100;

interface TableProps {
  readonly seats: readonly SeatListing[];
  readonly picked: readonly string[];
  readonly onPick: (id: string) => void;
}

/** What is typed into a filter does not draw it again; what is found does. */
const SeatTable = memo(function SeatTable({ seats, picked, onPick }: TableProps) {
  return (
    <WideTable name={word('seats.title')}>
      <thead>
        <tr>
          <th scope="col">
            <span className="visually-hidden">{word('compareSeats.title')}</span>
          </th>
          {COLUMNS.map((key) => (
            <th key={key} scope="col">
              {word(key)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {seats.map((seat) => (
          <SeatRow
            key={seat.id}
            seat={seat}
            isPicked={picked.includes(seat.id)}
            canPick={picked.length < MOST_COMPARED}
            onPick={onPick}
          />
        ))}
      </tbody>
    </WideTable>
  );
});

function Seats({ initial }: { readonly initial: Page<SeatListing> }) {
  const reading = useReading();
  const [text, setText] = useState(NO_FILTER);
  const [picked, setPicked] = useState<readonly string[]>([]);
  const { query, faults } = queryOf(text, reading);
  const asked = usePaced(JSON.stringify(query), ASKED_EVERY_MS);
  const isFirst = asked === JSON.stringify(queryOf(NO_FILTER, reading).query);
  const found = usePages<SeatListing>(['seats', asked], isFirst ? initial : null, (cursor) =>
    call('GET /seats', { query: { ...(JSON.parse(asked) as AskedSeats), cursor } }),
  );
  const pick = useCallback(
    (id: string) =>
      setPicked((before) => (before.includes(id) ? before.filter((other) => other !== id) : [...before, id])),
    [],
  );
  return (
    <>
      <div className={parts.head}>
        <h1>{word('seats.title')}</h1>
        <div className={styles.acts}>
          <a href="/seats/tagged">{word('pieces.open')}</a>
          <a href="/seats/files">{word('seats.files')}</a>
          <a href="/seats/survey">{word('survey.open')}</a>
          <Button component="a" href="/seats/new">
            {word('seats.add')}
          </Button>
        </div>
      </div>
      <SeatFilters text={text} faults={faults} onChange={setText} />
      <LoadFault pages={found} />
      {found.items.length > 0 && (
        <>
          <p className={styles.compareLine}>
            {picked.length >= 2 ? (
              <Button component="a" variant="default" href={`/seats/compare?ids=${picked.join(',')}`}>
                {sayWith('seats.compare', { n: picked.length })}
              </Button>
            ) : (
              <span className={parts.soft}>{word('seats.compare.hint')}</span>
            )}
          </p>
          <SeatTable seats={found.items} picked={picked} onPick={pick} />
        </>
      )}
      {found.total === 0 && (
        <div className={parts.empty}>
          <p>{word(isNarrowed(text) ? 'seats.none' : 'seats.empty')}</p>
        </div>
      )}
      <MoreLine pages={found} of="seats" />
    </>
  );
}

export default function SeatsPage({
  page,
  seats,
}: {
  readonly page: PageProps;
  readonly seats: Page<SeatListing>;
}) {
  return (
    <Frame page={page} area="seats">
      <Seats initial={seats} />
    </Frame>
  );
}
