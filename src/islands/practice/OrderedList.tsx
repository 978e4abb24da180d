/** Things in an order that can be changed, one place at a time. */
import type { MouseEvent, ReactNode } from 'react';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import styles from './practice.module.css';

function swapped<T>(list: readonly T[], i: number, j: number): T[] {
  const next = [...list];
  [next[i], next[j]] = [next[j]!, next[i]!];
  return next;
}

/** A button that moves away while it is pressed keeps the focus. */
const keepFocus = ({ currentTarget }: MouseEvent<HTMLButtonElement>): void => {
  requestAnimationFrame(() => currentTarget.focus());
};

export function OrderedList<T>({
  label,
  items,
  keyOf,
  nameOf,
  beside,
  onChange,
  canRemove = false,
}: {
  readonly label: string;
  readonly items: readonly T[];
  readonly keyOf: (item: T, index: number) => string;
  readonly nameOf: (item: T) => string;
  /** What else there is to say of one. */
  readonly beside?: (item: T, index: number) => ReactNode;
  readonly onChange: (items: readonly T[]) => void;
  readonly canRemove?: boolean;
}) {
  return (
    <ol className={styles.ordered} aria-label={label}>
      {items.map((item, i) => (
        <li key={keyOf(item, i)}>
          <span className={styles.orderedName}>{nameOf(item)}</span>
          {beside?.(item, i)}
          <span className={styles.acts}>
            {(['sooner', 'later'] as const).map((way) => {
              const to = way === 'sooner' ? i - 1 : i + 1;
              return (
                <button
                  key={way}
                  type="button"
                  className={parts.plainButton}
                  aria-label={`${word(`order.${way}`)}: ${nameOf(item)}`}
                  title={word(`order.${way}`)}
                  disabled={to < 0 || to >= items.length}
                  onClick={(e) => {
                    onChange(swapped(items, i, to));
                    keepFocus(e);
                  }}
                >
                  {way === 'sooner' ? '↑' : '↓'}
                </button>
              );
            })}
            {canRemove && (
              <button
                type="button"
                className={parts.plainButton}
                aria-label={`${word('order.remove')}: ${nameOf(item)}`}
                title={word('order.remove')}
                onClick={() => onChange(items.filter((_, n) => n !== i))}
              >
                ×
              </button>
            )}
          </span>
        </li>
      ))}
    </ol>
  );
}
