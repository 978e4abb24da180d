import type { Rule, Scene } from '../core/scene';
import { say, word, type Reading } from '../words';
import { BOARD, boardMarks } from './board-marks';
import styles from './drawing.module.css';
import { Marks } from './Marks';

/** The drawing board on the screen. */
export function Board({
  rule,
  view,
  reading,
}: {
  readonly rule: Rule;
  readonly view: Scene;
  readonly reading: Reading;
}) {
  return (
    <svg
      className={styles.board}
      viewBox={`0 0 ${BOARD.width} ${BOARD.height}`}
      role="img"
      aria-label={word('set.board')}
      aria-describedby="board-words"
    >
      <desc id="board-words">
        {[...rule.alternative, ...view.alternative].map((m) => say(m, reading)).join(' ')}
      </desc>
      <Marks marks={boardMarks(rule, view, reading)} />
    </svg>
  );
}
