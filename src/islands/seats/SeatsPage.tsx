import '../../words/pages';
import { Button } from '@mantine/core';
import { useState } from 'react';
import type { SeatListing } from '../../contract/catalogue';
import type { Page } from '../../contract/paging';
import { MOST_COMPARED } from '../../core/seat';
import { call } from '../../ui/client';
import { Frame } from '../../ui/Frame';
import { LoadFault, MoreLine } from '../../ui/MoreLine';
import parts from '../../ui/parts.module.css';
import { useReading, type PageProps } from '../../ui/preferences';
import { usePages } from '../../ui/use-pages';
import { useSettled } from '../../ui/use-settled';
import { sayLength, sayPrice, sayValue, sayWith, word, type Reading } from '../../words';
import { SeatFilters } from './SeatFilters';
import { sayRange } from './seat-facts';
import { NO_FILTER, isNarrowed, queryOf } from './seat-query';
import styles from './seats.module.css';

const lengths = (range: { lowest: number; highest: number } | null, reading: Reading): string =>
  range === null
    ? word('seats.unknown')
    : range.lowest === range.highest
      ? sayLength(range.lowest, reading)
      : sayRange(sayLength(range.lowest, reading), sayLength(range.highest, reading));

function SeatRow({
  seat,
  isPicked,
  canPick,
  onPick,
}: {
  readonly seat: SeatListing;
  readonly isPicked: boolean;
  readonly canPick: boolean;
  readonly onPick: () => void;
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
        <input
          type="checkbox"
          className={styles.pick}
          aria-label={sayWith('seats.pick', { name: seat.name })}
          checked={isPicked}
          disabled={!isPicked && !canPick}
          onChange={onPick}
        />
      </td>
      <td>
        <a href={`/seats/${seat.id}`}>{seat.name}</a>
      </td>
      <td>{word(`class.${facts.seatClass}`)}</td>
      <td>{lengths(facts.seatHeightMm, reading)}</td>
      <td>{lengths(facts.seatDepthMm, reading)}</td>
      <td>{facts.seatWidthMm === null ? word('seats.unknown') : sayLength(facts.seatWidthMm, reading)}</td>
      <td>
        {facts.ratedLoadKg === null ? word('seats.readLabel') : sayValue({ kg: facts.ratedLoadKg }, reading)}
      </td>
      <td>{facts.price === null ? '' : sayPrice(facts.price, reading)}</td>
      <td>{word(`seats.state.${seat.state}`)}</td>
    </tr>
  );
}

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

/** Typing rests for this long before the server is asked, ms: short, for what is looked for is to be seen at once. */
const TYPING_MS = 50;

function Seats({ initial }: { readonly initial: Page<SeatListing> }) {
  const reading = useReading();
  const [text, setText] = useState(NO_FILTER);
  const [picked, setPicked] = useState<readonly string[]>([]);
  const { query, faults } = queryOf(text, reading);
  const asked = useSettled(JSON.stringify(query), TYPING_MS);
  const isFirst = asked === JSON.stringify(queryOf(NO_FILTER, reading).query);
  const found = usePages<SeatListing>(['seats', asked], isFirst ? initial : null, (cursor) =>
    call('GET /seats', { query: { ...(JSON.parse(asked) as typeof query), cursor } }),
  );
  const pick = (id: string) =>
    setPicked(picked.includes(id) ? picked.filter((other) => other !== id) : [...picked, id]);
  return (
    <>
      <div className={parts.head}>
        <h1>{word('seats.title')}</h1>
        <a href="/seats/files">{word('seats.files')}</a>
        <Button component="a" href="/seats/new">
          {word('seats.add')}
        </Button>
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
          <div className={styles.scroll}>
            <table className={parts.table}>
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
                {found.items.map((seat) => (
                  <SeatRow
                    key={seat.id}
                    seat={seat}
                    isPicked={picked.includes(seat.id)}
                    canPick={picked.length < MOST_COMPARED}
                    onPick={() => pick(seat.id)}
                  />
                ))}
              </tbody>
            </table>
          </div>
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
