/** Keys for one thumb beside the number that they write. */
import { KEYS, type Key } from '../../core/measuring';
import { word } from '../../words';
import styles from './measuring.module.css';

export function Keypad({
  onKey,
  hasPoint,
}: {
  readonly onKey: (key: Key) => void;
  readonly hasPoint: boolean;
}) {
  return (
    <div className={styles.keys} role="group" aria-label={word('tour.keypad')}>
      {KEYS.map((key) => (
        <button
          key={key}
          type="button"
          disabled={key === '.' && !hasPoint}
          aria-label={key === 'back' ? word('tour.back') : undefined}
          // The number keeps the focus: a keyboard goes on where the thumb left off.
          onPointerDown={(e) => e.preventDefault()}
          onClick={() => onKey(key)}
        >
          {key === 'back' ? '⌫' : key}
        </button>
      ))}
    </div>
  );
}
