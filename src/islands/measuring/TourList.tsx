/** Everything of a tour at a glance: what was read, what it came to, and what the rest is estimated at. */
import { DIMENSION_IDS, isMeasured, type DimensionId } from '../../core/body';
import { settleTakes, takesOf } from '../../core/measuring';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayWith, word } from '../../words';
import { roundMeasure, sayMeasure } from '../shared/measures/use-measures';
import type { Told } from '../shared/measures/use-population';
import type { TourInHand } from './use-tour';
import styles from './measuring.module.css';

export function TourList({ tour, told }: { readonly tour: TourInHand; readonly told: Told | null }) {
  const reading = useReading();
  const say = (id: DimensionId, value: number) => sayMeasure(id, roundMeasure(id, value), reading);
  const ids = DIMENSION_IDS.filter((id) => tour.tour.selection.includes(id));
  return (
    <ol className={styles.list} aria-label={word('tour.list')}>
      {ids.map((id) => {
        const takes = takesOf(tour.tour, id);
        const settled = settleTakes(id, takes);
        const estimate = told?.estimates[id];
        const isNow = tour.step?.dimension === id;
        return (
          <li key={id} data-now={isNow || undefined} aria-current={isNow ? 'step' : undefined}>
            <span className={styles.listName}>{word(`dimension.${id}`)}</span>
            <span className={styles.listValue}>
              {isNow
                ? word('tour.now')
                : settled
                  ? sayMeasure(id, settled.value, reading)
                  : tour.tour.skipped.includes(id)
                    ? word('tour.skipped')
                    : isMeasured(tour.body, id)
                      ? sayWith('tour.before', { value: sayMeasure(id, tour.body[id]!.value, reading) })
                      : estimate
                        ? `≈ ${say(id, estimate.value)} ± ${say(id, estimate.spread)}`
                        : '–'}
            </span>
            <span className={parts.soft}>
              {!isNow && takes.map((take) => sayMeasure(id, take, reading)).join(' · ')}
            </span>
            {(takes.length > 0 || tour.tour.skipped.includes(id)) && (
              <button
                type="button"
                className={parts.plainButton}
                aria-label={`${word('tour.again')}: ${word(`dimension.${id}`)}`}
                onClick={() => void tour.again(id)}
              >
                {word('tour.again')}
              </button>
            )}
          </li>
        );
      })}
    </ol>
  );
}
