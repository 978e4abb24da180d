/** From what age to what age a child's seat fits: on its own page, without a sitter. */
import { useMemo } from 'react';
import { SHIPPED_METHODS } from '../../core/method';
import type { Ages, ChildSeatRow } from '../../core/population';
import type { SeatModel } from '../../core/seat';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { useJob } from '../shared/use-job';
import { WideTable } from '../../ui/WideTable';
import { sayLength, sayWith, t, word } from '../../words';
import styles from './seats.module.css';

/** Rows there will be: three sizes, barefoot and in shoes. */
const ROWS = 6;

/** Half years: nobody knows it better. */
const half = (years: number): string => String(Math.round(years * 2) / 2);

export const sayAges = ({ from, to }: Ages): string =>
  from === null || to === null
    ? word('ages.never')
    : sayWith('ages.range', { from: half(from), to: half(to) });

function limitsOf({ both, beginsBy, endsBy }: ChildSeatRow): string {
  if (both.from === null) return '';
  return [beginsBy && word(`ages.begins.${beginsBy}`), endsBy && word(`ages.ends.${endsBy}`)]
    .filter(Boolean)
    .join('; ');
}

export function ChildAges({ seat }: { readonly seat: SeatModel }) {
  const reading = useReading();
  const input = useMemo(() => ({ seat, method: SHIPPED_METHODS[0]!, who: 'mixed' as const }), [seat]);
  const { result, isDone, isFailed } = useJob('childAges', input);
  const rows = result ?? [];
  return (
    <section aria-label={word('ages.title')}>
      <h2>{word('ages.title')}</h2>
      {!isDone && (
        <p role="status" className={parts.soft}>
          {isFailed ? word('ages.failed') : sayWith('ages.working', { n: rows.length, all: ROWS })}
        </p>
      )}
      {rows.length > 0 && (
        <WideTable name={word('ages.title')}>
          <thead>
            <tr>
              {[
                'ages.who',
                'ages.shoes',
                'ages.byHeight',
                'ages.byDepth',
                'ages.together',
                'ages.limits',
              ].map((key) => (
                <th key={key} scope="col">
                  {t(key)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={`${row.share} ${row.shoeMm}`}>
                <td>{t(`ages.share.${row.share}`)}</td>
                <td>
                  {row.shoeMm === 0
                    ? word('ages.barefoot')
                    : sayWith('ages.shoe', { heel: sayLength(row.shoeMm, reading) })}
                </td>
                <td>{sayAges(row.height)}</td>
                <td>{sayAges(row.depth)}</td>
                <td>
                  <strong>{sayAges(row.both)}</strong>
                </td>
                <td>{limitsOf(row)}</td>
              </tr>
            ))}
          </tbody>
        </WideTable>
      )}
      <p className={styles.notes}>{word('ages.measure')}</p>
      <p className={parts.soft}>{word('ages.source')}</p>
    </section>
  );
}
