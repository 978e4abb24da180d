import type { Rule, Scene } from '../core/scene';
import { word, type Reading } from '../words';
import { BOARD, boardMarks } from './board-marks';
import { Drawing, type Picture } from './Drawing';
import type { Source } from './follow';

export const boardPicture = (rule: Rule, view: Scene, reading: Reading): Picture => ({
  marks: boardMarks(rule, view, reading),
  get alternative() {
    return [...rule.alternative, ...view.alternative];
  },
});

interface Props {
  readonly source: Source<Picture>;
  readonly atRest: Source<Picture>;
  readonly reading: Reading;
}

/** The drawing board on the screen. */
export function Board(props: Props) {
  return <Drawing id="board" name={word('set.board')} {...BOARD} {...props} />;
}
