import type { Rule, Scene } from '../core/scene';
import { word, type Reading } from '../words';
import { BOARD, boardMarks } from './board-marks';
import { Drawing } from './Drawing';

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
    <Drawing
      id="board"
      name={word('set.board')}
      {...BOARD}
      marks={boardMarks(rule, view, reading)}
      alternative={[...rule.alternative, ...view.alternative]}
      reading={reading}
    />
  );
}
