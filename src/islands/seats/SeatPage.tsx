import '../../words/pages';
import { offersOf, type Adjustment, type SeatModel } from '../../core/seat';
import { Frame } from '../../ui/Frame';
import { useReading, type PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayLoad } from '../../ui/say-load';
import { sayLength, sayPrice, sayValue, word } from '../../words';
import { controlOf, moreOf, movesOf, rangeOf } from './seat-facts';
import styles from './seats.module.css';

function AdjustmentRow({ seat, adjustment }: { readonly seat: SeatModel; readonly adjustment: Adjustment }) {
  const reading = useReading();
  return (
    <tr>
      <th scope="row">{word(`kind.${adjustment.kind}`)}</th>
      <td>{rangeOf(adjustment, reading)}</td>
      <td>{movesOf(adjustment)}</td>
      <td>{controlOf(seat, adjustment)}</td>
      <td>{moreOf(seat, adjustment)}</td>
    </tr>
  );
}

function Facts({ seat }: { readonly seat: SeatModel }) {
  const reading = useReading();
  const unknown = word('seats.unknown');
  const say = (mm: number | null | undefined) => (mm == null ? unknown : sayLength(mm, reading));
  const { arms, cushion } = seat;
  const facts: readonly [string, string][] = [
    [word('seats.class'), word(`class.${seat.seatClass}`)],
    [word('seats.rated'), seat.ratedLoadKg ? sayLoad(seat, reading) : word('seats.readLabel')],
    ...(seat.price === undefined
      ? []
      : [[word('seats.price'), sayPrice(seat.price, reading)] satisfies [string, string]]),
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
          ] satisfies [string, string],
        ]),
    ...(seat.strappedCushions.length === 0
      ? []
      : [
          [
            word('seats.cushions'),
            seat.strappedCushions
              .map(({ zone, thicknessMm }) => `${word(`cushion.${zone}`)}, ${say(thicknessMm?.value)}`)
              .join('; '),
          ] satisfies [string, string],
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

export default function SeatPage({ page, seat }: { readonly page: PageProps; readonly seat: SeatModel }) {
  return (
    <Frame page={page} area="seats">
      <div className={parts.head}>
        <h1>{seat.name}</h1>
        <a href="/seats">{word('seats.back')}</a>
      </div>
      <Facts seat={seat} />
      {seat.back.synchroRatio !== null && (
        <p>{word('seats.synchro').replace('{ratio}', String(seat.back.synchroRatio))}</p>
      )}
      {seat.notes && <p className={styles.notes}>{seat.notes}</p>}
      <h2>{word('seats.adjustments')}</h2>
      <table className={`${parts.table} ${styles.adjustments}`}>
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
      </table>
    </Frame>
  );
}
