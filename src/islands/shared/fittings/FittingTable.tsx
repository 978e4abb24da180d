import { WideTable } from '../../../ui/WideTable';
import type { FittingSummary } from '../../../contract';
import { useReading } from '../../../ui/preferences';
import { sayDate, word } from '../../../words';

/** Fittings as a list, newest first. */
export function FittingTable({ fittings }: { readonly fittings: readonly FittingSummary[] }) {
  const reading = useReading();
  return (
    <WideTable name={word('fittings.table')}>
      <thead>
        <tr>
          <th scope="col">{word('fittings.sitter')}</th>
          <th scope="col">{word('fittings.seat')}</th>
          <th scope="col">{word('fittings.place')}</th>
          <th scope="col">{word('fittings.date')}</th>
          <th scope="col">{word('fittings.state')}</th>
        </tr>
      </thead>
      <tbody>
        {fittings.map((fitting) => (
          <tr key={fitting.id}>
            <td>
              <a href={`/fittings/${fitting.id}`}>{fitting.sitter?.name ?? word('fittings.erased')}</a>
            </td>
            <td>{fitting.seat?.name ?? word('fittings.noSeat')}</td>
            <td>{fitting.place?.name ?? word('fittings.noPlace')}</td>
            <td>{sayDate(fitting.date, reading)}</td>
            <td>{word(`fittings.state.${fitting.state}`)}</td>
          </tr>
        ))}
      </tbody>
    </WideTable>
  );
}
