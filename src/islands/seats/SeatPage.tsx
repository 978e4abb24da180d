import '../../words/pages';
import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import type { SeatSummary } from '../../contract';
import type { RecordState, SeatListing } from '../../contract/catalogue';
import type { Page } from '../../contract/paging';
import type { PieceSummary } from '../../contract/pieces';
import { gapCost, gapsOf, offersOf, tipsForward, type Adjustment, type SeatModel } from '../../core/seat';
import { Frame } from '../../ui/Frame';
import { api, explain } from '../../ui/client';
import { recordMet } from '../../ui/current';
import { useReading, type PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayLoad } from '../../ui/say-load';
import { WideTable } from '../../ui/WideTable';
import { sayDate, sayLength, sayPrice, sayValue, sayWith, t, word } from '../../words';
import { ChildAges } from './ChildAges';
import { GapList } from './GapList';
import { OrientationTables, SchoolSizes } from './OrientationTables';
import { SeatPictures } from './SeatDrawing';
import { controlOf, movesOf, rangeOf, workedAs } from './seat-facts';
import styles from './seats.module.css';

function AdjustmentRow({ seat, adjustment }: { readonly seat: SeatModel; readonly adjustment: Adjustment }) {
  const reading = useReading();
  return (
    <tr>
      <th scope="row">{word(`kind.${adjustment.kind}`)}</th>
      <td>{rangeOf(adjustment, reading)}</td>
      <td>{movesOf(adjustment)}</td>
      <td>{controlOf(seat, adjustment)}</td>
      <td>{workedAs(seat, adjustment, reading)}</td>
    </tr>
  );
}

function Facts({ seat }: { readonly seat: SeatModel }) {
  const reading = useReading();
  const unknown = word('seats.unknown');
  const say = (mm: number | null | undefined) => (mm == null ? unknown : sayLength(mm, reading));
  const { arms, cushion } = seat;
  const facts: readonly (readonly [string, string])[] = [
    [word('seats.class'), word(`class.${seat.seatClass}`)],
    [word('seats.rated'), seat.ratedLoadKg ? sayLoad(seat, reading) : word('seats.readLabel')],
    ...(seat.price === undefined ? [] : [[word('seats.price'), sayPrice(seat.price, reading)] as const]),
    [word('seats.width'), say(seat.seatWidthMm?.value)],
    [
      word('seats.sink'),
      cushion.sinkMm
        ? `${say(cushion.sinkMm.value)} / ${sayValue({ kg: cushion.referenceMassKg }, reading)}`
        : unknown,
    ],
    [
      word('seats.arms'),
      arms
        ? `${word(`arms.${arms.support}`)}, ${say(arms.lengthMm)} × ${say(arms.widthMm)}`
        : word('seats.no'),
    ],
    [word('seats.offers'), [...offersOf(seat)].map((offer) => word(`offer.${offer}`)).join(' · ') || unknown],
    ...(seat.states.length === 0
      ? []
      : [
          [
            word('seats.states'),
            seat.states.map(({ kind }) => word(`seatState.${kind}`)).join(', '),
          ] as const,
        ]),
    ...(seat.strappedCushions.length === 0
      ? []
      : [
          [
            word('seats.cushions'),
            seat.strappedCushions
              .map(({ zone, thicknessMm }) => `${word(`cushion.${zone}`)}, ${say(thicknessMm?.value)}`)
              .join('; '),
          ] as const,
        ]),
  ];
  return (
    <dl className={styles.facts}>
      {facts.map(([name, value]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}

/** What can be said of the record: how far it has come. */
const NEXT: Readonly<Record<RecordState, readonly (readonly [RecordState, string])[]>> = {
  draft: [
    ['checked', 'seats.check'],
    ['retired', 'seats.retire'],
  ],
  checked: [['retired', 'seats.retire']],
  retired: [['draft', 'seats.restore']],
};

function Acts({
  seat,
  onChange,
}: {
  readonly seat: SeatSummary;
  readonly onChange: (seat: SeatSummary) => void;
}) {
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const put = async (state: RecordState) => {
    setBusy(true);
    try {
      onChange(await api.putSeatState(seat.seat.id, seat.version, state));
      setFault(null);
    } catch (error) {
      const met = recordMet('seat', error);
      if (met) onChange(met);
      setFault(met ? word('fault.changed') : explain(error));
    } finally {
      setBusy(false);
    }
  };
  const { id } = seat.seat;
  return (
    <>
      <div className={styles.acts}>
        <Button component="a" href={`/seats/${id}/edit`}>
          {word('seats.edit')}
        </Button>
        {NEXT[seat.state].map(([state, key]) => (
          <Button key={state} variant="default" disabled={busy} onClick={() => void put(state)}>
            {t(key)}
          </Button>
        ))}
        <a href={`/seats/${id}/controls`}>{word('controls.open')}</a>
        <a href={`/seats/new?copyOf=${id}`}>{word('seats.copy')}</a>
        <a href={`/seats/new?variantOf=${id}`}>{word('seats.addVariant')}</a>
      </div>
      <p role="status" className={parts.soft}>
        {word(`seats.stateIs.${seat.state}`)}
      </p>
      {fault && (
        <p role="alert" className={parts.notice} data-tone="misfit">
          {fault}
        </p>
      )}
    </>
  );
}

function Versions({
  versions,
  shown,
}: {
  readonly versions: readonly SeatSummary[];
  readonly shown: SeatSummary;
}) {
  const reading = useReading();
  const others = versions.filter((v) => v.versionId !== shown.versionId);
  if (others.length === 0) return null;
  return (
    <details className={styles.more}>
      <summary>{word('seats.versions')}</summary>
      <p className={parts.soft}>{word('seats.versions.hint')}</p>
      <ul>
        {others.map((v) => (
          <li key={v.versionId}>
            <a href={`/seats/${v.versionId}`}>{sayWith('seats.version', { n: v.version })}</a>, {v.seat.name}
            {v.savedAt && `, ${sayDate(v.savedAt.slice(0, 10), reading)}`}
          </li>
        ))}
      </ul>
    </details>
  );
}

function Variants({ variants }: { readonly variants: readonly SeatListing[] }) {
  if (variants.length === 0) return null;
  return (
    <section aria-label={word('seats.variants')}>
      <h2>{word('seats.variants')}</h2>
      <ul>
        {variants.map(({ id, name }) => (
          <li key={id}>
            <a href={`/seats/${id}`}>{name}</a>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Gaps({ seat }: { readonly seat: SeatModel }) {
  const gaps = useMemo(() => gapsOf(seat), [seat]);
  if (gaps.length === 0) return null;
  return (
    <details className={styles.more} open={gaps.some((gap) => gapCost(gap) === 'safety') || undefined}>
      <summary>{word('seats.gaps')}</summary>
      <GapList gaps={gaps} />
    </details>
  );
}

function Adjustments({ seat }: { readonly seat: SeatModel }) {
  return (
    <WideTable name={word('seats.adjustments')} className={styles.adjustments}>
      <thead>
        <tr>
          <th scope="col">{word('seats.adjustment')}</th>
          <th scope="col">{word('seats.range')}</th>
          <th scope="col">{word('seats.moves')}</th>
          <th scope="col">{word('seats.control')}</th>
          <th scope="col">{word('seats.how')}</th>
        </tr>
      </thead>
      <tbody>
        {seat.adjustments.map((adjustment) => (
          <AdjustmentRow key={adjustment.id} seat={seat} adjustment={adjustment} />
        ))}
      </tbody>
    </WideTable>
  );
}

/** Those of this model that stand somewhere. */
function Tagged({ seatId, pieces }: { readonly seatId: string; readonly pieces: Page<PieceSummary> }) {
  return (
    <section aria-label={word('pieces.of')}>
      <h2>{word('pieces.of')}</h2>
      {pieces.total === 0 && <p className={parts.soft}>{word('pieces.of.none')}</p>}
      <ul className={styles.tagged}>
        {pieces.items.map((piece) => (
          <li key={piece.id}>
            <a href={`/seats/tagged/${piece.id}`}>{piece.tag}</a>,{' '}
            {piece.place?.name ?? word('pieces.nowhere')}
            {(piece.doNotUse || piece.state !== 'inUse') &&
              ` (${word(piece.doNotUse ? 'pieces.doNotUse' : `pieces.state.${piece.state}`)})`}
          </li>
        ))}
      </ul>
      <p>
        <a href={`/seats/tagged?seat=${seatId}`}>
          {pieces.total > pieces.items.length
            ? sayWith('list.shown.seats', { n: pieces.items.length, all: pieces.total })
            : word('pieces.of.add')}
        </a>
      </p>
    </section>
  );
}

interface Props {
  readonly page: PageProps;
  readonly seat: SeatSummary;
  /** The newest first. */
  readonly versions: readonly SeatSummary[];
  readonly variants: readonly SeatListing[];
  readonly pieces: Page<PieceSummary>;
}

function Seat({ seat: first, versions, variants, pieces }: Omit<Props, 'page'>) {
  const [shown, setShown] = useState(first);
  const { seat } = shown;
  const newest = versions[0];
  const isNewest = !newest || newest.version <= shown.version;
  return (
    <>
      <div className={parts.head}>
        <h1>{seat.name}</h1>
        <a href="/seats">{word('seats.back')}</a>
      </div>
      {isNewest ? (
        <Acts seat={shown} onChange={setShown} />
      ) : (
        <p className={parts.notice}>
          {sayWith('seats.isOld', { n: shown.version, newest: newest.version })}{' '}
          <a href={`/seats/${seat.id}`}>{word('seats.newest')}</a>
        </p>
      )}
      <div className={styles.top}>
        <SeatPictures seat={seat} />
        <div>
          <Facts seat={seat} />
          {seat.back.synchroRatio !== null && (
            <p>{sayWith('seats.synchro', { ratio: String(seat.back.synchroRatio) })}</p>
          )}
          {seat.notes && <p className={styles.notes}>{seat.notes}</p>}
          <Gaps seat={seat} />
        </div>
      </div>
      <h2>{word('seats.adjustments')}</h2>
      <Adjustments seat={seat} />
      {tipsForward(seat) && (
        <section aria-label={word('seats.forward')}>
          <h2>{word('seats.forward')}</h2>
          <p className={styles.notes}>{word('seats.forward.views')}</p>
        </section>
      )}
      {seat.seatClass === 'child' && <ChildAges seat={seat} />}
      {seat.seatClass === 'child' && <SchoolSizes seat={seat} />}
      <OrientationTables seat={seat} />
      <Tagged seatId={seat.id} pieces={pieces} />
      <Variants variants={variants} />
      <Versions versions={versions} shown={shown} />
    </>
  );
}

export default function SeatPage({ page, ...props }: Props) {
  return (
    <Frame page={page} area="seats">
      <Seat {...props} />
    </Frame>
  );
}
