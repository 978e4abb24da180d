/** A seat beside published dimensions: for orientation, never a certificate. */
import {
  ADJUSTMENT_KINDS,
  DIMENSION_SETS,
  isAdjustmentKind,
  orientationOf,
  schoolSizesOf,
  setsFor,
  type AdjustmentUnit,
  type PublishedRule,
  type Orientation,
  type SeatModel,
} from '../../core/seat';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { WideTable } from '../../ui/WideTable';
import { sayInUnit, sayLength, sayRange, sayWith, t, word, type Reading } from '../../words';
import styles from './seats.module.css';

const unitOf = (of: Orientation['of']): AdjustmentUnit =>
  isAdjustmentKind(of) ? ADJUSTMENT_KINDS[of].units[0] : 'mm';
const nameOf = (of: Orientation['of']): string =>
  word(isAdjustmentKind(of) ? `kind.${of}` : `seats.dimension.${of}`);

export function sayAsked(asked: PublishedRule, unit: AdjustmentUnit, reading: Reading): string {
  const say = (value: number) => sayInUnit(value, unit, reading);
  if (asked.is === 'reaches')
    return sayWith('seats.asked.reaches', { range: sayRange(say(asked.lo), say(asked.hi)) });
  if (asked.is === 'overlaps') {
    const range = sayRange(say(asked.lo), say(asked.hi));
    return asked.by === 0
      ? sayWith('seats.asked.overlapsAny', { range })
      : sayWith('seats.asked.overlaps', { range, by: say(asked.by) });
  }
  if (asked.is === 'spans') return sayWith('seats.asked.spans', { by: say(asked.by) });
  return sayWith(`seats.asked.${asked.is}`, { value: say(asked.value) });
}

function sayOwn({ own, of }: Orientation, reading: Reading): string {
  if (!own) return word('seats.unknown');
  const say = (value: number) => sayInUnit(value, unitOf(of), reading);
  return own.lowest === own.highest ? say(own.lowest) : sayRange(say(own.lowest), say(own.highest));
}

const sayMeets = (meets: boolean | null): string =>
  meets === null ? word('seats.unknown') : word(meets ? 'seats.orientation.yes' : 'seats.orientation.noWord');

export function OrientationTables({ seat }: { readonly seat: SeatModel }) {
  const reading = useReading();
  const sets = setsFor(seat);
  if (sets.length === 0) return null;
  return (
    <details className={styles.more}>
      <summary>{word('seats.orientation')}</summary>
      <p className={parts.notice}>{word('seats.orientation.hint')}</p>
      {sets.map((set) => (
        <section key={set} aria-label={DIMENSION_SETS[set].edition}>
          <h3>{sayWith('seats.orientation.set', { edition: DIMENSION_SETS[set].edition })}</h3>
          <WideTable name={DIMENSION_SETS[set].edition}>
            <thead>
              <tr>
                {['dimension', 'asked', 'own', 'meets'].map((key) => (
                  <th key={key} scope="col">
                    {t(`seats.orientation.${key}`)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {orientationOf(seat, set).map((row, i) => (
                <tr key={i}>
                  <td>{nameOf(row.of)}</td>
                  <td>{sayAsked(row.asked, unitOf(row.of), reading)}</td>
                  <td>{sayOwn(row, reading)}</td>
                  <td>{sayMeets(row.meets)}</td>
                </tr>
              ))}
            </tbody>
          </WideTable>
        </section>
      ))}
    </details>
  );
}

export function SchoolSizes({ seat }: { readonly seat: SeatModel }) {
  const reading = useReading();
  const sizes = schoolSizesOf(seat);
  return (
    <section aria-label={word('seats.school')}>
      <h2>{word('seats.school')}</h2>
      {sizes.length === 0 ? (
        <p>{word('seats.school.none')}</p>
      ) : (
        <ul>
          {sizes.map(({ mark, heightMm, depthMm, reachesDepth }) => (
            <li key={mark}>
              {sayWith('seats.school.row', {
                mark,
                height: sayLength(heightMm, reading),
                depth: `${sayLength(depthMm, reading)} (${word(
                  `seats.school.depth.${reachesDepth === null ? 'unknown' : reachesDepth ? 'yes' : 'no'}`,
                )})`,
              })}
            </li>
          ))}
        </ul>
      )}
      <p className={parts.soft}>{word('seats.orientation.hint')}</p>
    </section>
  );
}
