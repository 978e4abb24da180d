import '../../words/pages';
import { NativeSelect, TextInput } from '@mantine/core';
import { useState, type KeyboardEvent } from 'react';
import type { PlaceSummary } from '../../contract';
import type { SeatListing } from '../../contract/catalogue';
import type { Page } from '../../contract/paging';
import type { PieceSummary } from '../../contract/pieces';
import { scannedTwice, PIECE_STATES, type PieceState } from '../../contract/piece-lists';
import { piecesApi } from '../../ui/pieces-client';
import { Frame } from '../../ui/Frame';
import { LoadFault, MoreLine } from '../../ui/MoreLine';
import { useReading, type PageProps } from '../../ui/preferences';
import { usePages } from '../../ui/use-pages';
import { WideTable } from '../../ui/WideTable';
import parts from '../../ui/parts.module.css';
import { sayDate, word } from '../../words';
import { LabelSheets } from './LabelSheets';
import { NewPiece } from './NewPiece';
import { NewSeries } from './NewSeries';
import { StateMark } from './StateMark';
import styles from './pieces.module.css';

function PieceRow({ piece }: { readonly piece: PieceSummary }) {
  const reading = useReading();
  return (
    <tr>
      <th scope="row">
        <a href={`/seats/tagged/${piece.id}`}>{piece.tag}</a>
      </th>
      <td>{piece.seat.name}</td>
      <td>{piece.place?.name ?? word('pieces.nowhere')}</td>
      <td>
        <StateMark piece={piece} />
      </td>
      <td className={parts.figure}>
        {piece.lastLookOn === null ? word('pieces.never') : sayDate(piece.lastLookOn, reading)}
      </td>
    </tr>
  );
}

const COLUMNS = ['pieces.tag', 'pieces.seat', 'pieces.place', 'pieces.state', 'pieces.lastLook'] as const;

function PieceTable({ pieces }: { readonly pieces: readonly PieceSummary[] }) {
  return (
    <WideTable name={word('pieces.title')} className={styles.table}>
      <thead>
        <tr>
          {COLUMNS.map((key) => (
            <th key={key} scope="col">
              {word(key)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {pieces.map((piece) => (
          <PieceRow key={piece.id} piece={piece} />
        ))}
      </tbody>
    </WideTable>
  );
}

/** Where the code of a label leads, out of what a scanner typed; null where it typed something else. */
const labelIn = (text: string): string | null => /\/t\/[A-Za-z0-9_-]{22}(?=$|[/?#])/.exec(text)?.[0] ?? null;

/** Opens what was scanned or typed whole, if it is a label or a tag. */
async function openScanned(text: string): Promise<void> {
  const label = labelIn(text);
  if (label !== null) {
    window.location.href = label;
    return;
  }
  const tag = (scannedTwice(text) ?? text).trim().toUpperCase();
  const { items } = await piecesApi.pieces({ search: tag });
  const found = items.find((piece) => piece.tag === tag);
  if (found) window.location.href = `/seats/tagged/${found.id}`;
}

interface Props {
  readonly pieces: Page<PieceSummary>;
  readonly seats: Page<SeatListing>;
  readonly places: readonly PlaceSummary[];
  /** Of the address: what a tag is given to. */
  readonly seat: { readonly id: string; readonly name: string } | null;
  readonly hasPublicUrl: boolean;
}

interface FilterText {
  readonly search: string;
  readonly state: PieceState | '';
  readonly place: string;
}

/** By what the list is narrowed; what a scanner types and ends with Enter is opened. */
function Filters({
  text,
  places,
  onChange,
}: Pick<Props, 'places'> & {
  readonly text: FilterText;
  readonly onChange: (next: Partial<FilterText>) => void;
}) {
  const key = (event: KeyboardEvent) => {
    if (event.key === 'Enter' && text.search.trim() !== '')
      void openScanned(text.search).catch(() => undefined);
  };
  return (
    <div className={styles.filters}>
      <TextInput
        type="search"
        label={word('pieces.search')}
        description={word('pieces.search.hint')}
        inputWrapperOrder={['label', 'input', 'description', 'error']}
        value={text.search}
        onChange={(e) => onChange({ search: e.currentTarget.value })}
        onKeyDown={key}
        autoComplete="off"
      />
      <NativeSelect
        label={word('pieces.state')}
        value={text.state}
        onChange={(e) => onChange({ state: e.currentTarget.value as PieceState | '' })}
        data={[
          { value: '', label: word('pieces.anyState') },
          ...PIECE_STATES.map((one) => ({ value: one, label: word(`pieces.state.${one}`) })),
        ]}
      />
      <NativeSelect
        label={word('pieces.place')}
        value={text.place}
        onChange={(e) => onChange({ place: e.currentTarget.value })}
        data={[
          { value: '', label: word('pieces.anyPlace') },
          ...places.map((p) => ({ value: p.place.id, label: p.place.name })),
        ]}
      />
    </div>
  );
}

function Pieces({ pieces, seats, places, seat, hasPublicUrl }: Props) {
  const [text, setText] = useState<FilterText>({ search: '', state: '', place: '' });
  const put = (next: Partial<FilterText>) => setText((before) => ({ ...before, ...next }));
  const { search, state, place } = text;
  const [isAll, setAll] = useState(seat === null);
  const filter = {
    search,
    ...(state && { state }),
    ...(place && { place }),
    ...(!isAll && seat && { seat: seat.id }),
  };
  const isNarrowed = search !== '' || state !== '' || place !== '' || !isAll;
  const found = usePages(['pieces', filter], isNarrowed ? null : pieces, (cursor) =>
    piecesApi.pieces(filter, cursor),
  );
  return (
    <>
      <div className={parts.head}>
        <h1>{word('pieces.title')}</h1>
        <a href="/seats">{word('seats.back')}</a>
      </div>
      <p className={parts.soft}>{word('pieces.hint')}</p>
      <div className={styles.columns}>
        <div>
          <Filters text={text} places={places} onChange={put} />
          {seat && (
            <label className={styles.only}>
              <input type="checkbox" checked={!isAll} onChange={() => setAll(!isAll)} /> {seat.name}
            </label>
          )}
          <LoadFault pages={found} />
          {found.total === 0 && (
            <div className={parts.empty}>
              <p>{word(isNarrowed ? 'pieces.none' : 'pieces.empty')}</p>
            </div>
          )}
          {found.items.length > 0 && <PieceTable pieces={found.items} />}
          <MoreLine pages={found} of="seats" />
          {found.total !== null && found.total > 0 && (
            <LabelSheets filter={filter} total={found.total} hasPublicUrl={hasPublicUrl} />
          )}
        </div>
        <div>
          <NewPiece seats={seats} places={places} seat={seat} />
          <NewSeries seats={seats} places={places} seat={seat} onAdded={found.retry} />
        </div>
      </div>
    </>
  );
}

/** Every seat that stands somewhere with a tag of its own. */
export default function PiecesPage({ page, ...props }: Props & { readonly page: PageProps }) {
  return (
    <Frame page={page} area="seats">
      <Pieces {...props} />
    </Frame>
  );
}
