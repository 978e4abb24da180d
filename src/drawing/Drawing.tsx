import type { Message } from '../core/message';
import { say, type Reading } from '../words';
import styles from './drawing.module.css';
import { Marks } from './Marks';
import type { Mark } from './marks';

interface Props {
  readonly id: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
  /** The same numbers, for those who cannot see the drawing. */
  readonly alternative: readonly Message[];
  readonly reading: Reading;
}

/** A drawing on the screen, with what it says in words. */
export function Drawing({ id, name, width, height, marks, alternative, reading }: Props) {
  return (
    <svg
      className={styles.drawing}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={name}
      aria-describedby={`${id}-words`}
    >
      <desc id={`${id}-words`}>{alternative.map((m) => say(m, reading)).join(' ')}</desc>
      <Marks marks={marks} />
    </svg>
  );
}
