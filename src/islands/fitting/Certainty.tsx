import { memo } from 'react';
import type { SetCertainty } from '../../core/certainty';
import { weakPoints } from '../../core/certainty/weak-points';
import { focusWhenThere } from '../../ui/focus-when-there';
import parts from '../../ui/parts.module.css';
import { sayWith, word } from '../../words';
import styles from './set.module.css';

const PERCENT = 100;
/** A share in whole per cent. */
export const sayShare = (share: number): string => {
  const whole = Math.round(PERCENT * share);
  // Nothing that was only drawn is ever quite sure.
  return `${share < 1 && whole === 100 ? 'over 99' : share > 0 && whole === 0 ? 'under 1' : whole}%`;
};

function sayWeakest(certainty: SetCertainty): string | null {
  const { named, rest } = weakPoints(certainty);
  if (named.length === 0) return null;
  const list = named.map((c) => `${word(`condition.${c.id}`)} ${sayShare(c.probability)}`).join(', ');
  return sayWith(rest === null ? 'sure.weakest.only' : 'sure.weakest', { list, rest: sayShare(rest ?? 0) });
}

/** How sure it is that these very settings fit the true body, and which measure would settle most. */
export const Certainty = memo(function Certainty({
  certainty,
  onMeasure,
}: {
  /** undefined while it is being worked out; null where it cannot be. */
  readonly certainty: SetCertainty | null | undefined;
  readonly onMeasure: () => void;
}) {
  /** To the field itself, once the stage shows it. */
  const toField = (id: string) => {
    onMeasure();
    focusWhenThere(id);
  };
  if (certainty === null || certainty?.each.length === 0) return null;
  const settle = certainty?.settle;
  const weakest = certainty && sayWeakest(certainty);
  return (
    <p className={`${parts.soft} ${styles.sure}`} role="group" aria-label={word('sure.title')}>
      {!certainty && word('sure.computing')}
      {certainty && (
        <>
          <strong>{sayWith('sure.all', { percent: sayShare(certainty.all) })}</strong> {weakest}{' '}
          {settle && (
            <>
              {sayWith('sure.settle', { dimension: word(`dimension.${settle.dimension}`).toLowerCase() })}{' '}
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
