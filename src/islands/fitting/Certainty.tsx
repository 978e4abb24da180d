import { memo } from 'react';
import type { SetCertainty } from '../../core/certainty';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import styles from './set.module.css';
import type { Setting } from './use-setting';
import { useCertainty } from './use-certainty';

const PERCENT = 100;
/** From here on a condition is not worth naming. */
const SURE = 0.95;
const MOST_NAMED = 3;

const percent = (share: number): string => {
  const whole = Math.round(PERCENT * share);
  // Nothing that was only drawn is ever quite sure.
  return `${share < 1 && whole === 100 ? '> 99' : share > 0 && whole === 0 ? '< 1' : whole} %`;
};

function sayLeast({ each }: SetCertainty): string | null {
  const named = each.filter((c) => c.probability < SURE).slice(0, MOST_NAMED);
  if (named.length === 0) return null;
  const list = named.map((c) => `${word(`condition.${c.id}`)} ${percent(c.probability)}`).join(', ');
  return word('sure.least').replace('{list}', list);
}

/** How sure it is that these very settings fit the true body, and which measure would settle most. */
export const Certainty = memo(function Certainty({
  setting,
  onMeasure,
}: {
  readonly setting: Setting;
  readonly onMeasure: () => void;
}) {
  const certainty = useCertainty(setting);
  /** To the field itself, once the stage shows it. */
  const toField = (id: string) => {
    onMeasure();
    setTimeout(() => document.getElementById(id)?.focus(), 0);
  };
  if (certainty === null || certainty?.each.length === 0) return null;
  const settle = certainty?.settle;
  const least = certainty && sayLeast(certainty);
  return (
    <p className={`${parts.soft} ${styles.sure}`} aria-label={word('sure.title')} role="status">
      {!certainty && word('sure.computing')}
      {certainty && (
        <>
          <strong>{word('sure.all').replace('{percent}', percent(certainty.all))}</strong> {least}{' '}
          {settle && (
            <>
              {word('sure.settle').replace(
                '{dimension}',
                word(`dimension.${settle.dimension}`).toLowerCase(),
              )}{' '}
              <button type="button" className={parts.plainButton} onClick={() => toField(settle.dimension)}>
                {word('sure.measure')}
              </button>
            </>
          )}
        </>
      )}
    </p>
  );
});
