import '../../words/pages';
import type { SeatSummary } from '../../contract';
import { endsOf } from '../../core/seat';
import { Frame } from '../../ui/Frame';
import { useReading, type PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayLoad } from '../../ui/say-load';
import { sayLength, word } from '../../words';

function SeatTable({ seats }: { readonly seats: readonly SeatSummary[] }) {
  const reading = useReading();
  return (
    <table className={parts.table}>
      <thead>
        <tr>
          <th scope="col">{word('people.name')}</th>
          <th scope="col">{word('seats.class')}</th>
          <th scope="col">{word('seats.height')}</th>
          <th scope="col">{word('seats.width')}</th>
          <th scope="col">{word('seats.rated')}</th>
        </tr>
      </thead>
      <tbody>
        {seats.map(({ versionId, seat }) => {
          const height = seat.adjustments.find((a) => a.kind === 'seatHeight');
          const ends = height && endsOf(height.travel);
          return (
            <tr key={versionId}>
              <td>
                <a href={`/seats/${versionId}`}>{seat.name}</a>
              </td>
              <td>{word(`class.${seat.seatClass}`)}</td>
              <td>{ends && `${sayLength(ends.lowest, reading)} – ${sayLength(ends.highest, reading)}`}</td>
              <td>{seat.seatWidthMm ? sayLength(seat.seatWidthMm.value, reading) : word('seats.unknown')}</td>
              <td>{sayLoad(seat, reading)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

export default function SeatsPage({
  page,
  seats,
}: {
  readonly page: PageProps;
  readonly seats: readonly SeatSummary[];
}) {
  return (
    <Frame page={page} area="seats">
      <div className={parts.head}>
        <h1>{word('seats.title')}</h1>
      </div>
      {seats.length > 0 ? (
        <SeatTable seats={seats} />
      ) : (
        <div className={parts.empty}>
          <p>{word('seats.empty')}</p>
        </div>
      )}
    </Frame>
  );
}
