import type { Rule, Scene } from '../core/scene';
import { say, word, type Reading } from '../words';
import styles from './drawing.module.css';
import { RulePaths, type RuleColumns } from './RulePaths';
import { ScenePaths } from './ScenePaths';

const WIDTH = 790;
const HEIGHT = 510;
const TOP = 14;
const FLOOR = HEIGHT - 18;
const COLUMNS: RuleColumns = {
  sitterEnd: 148,
  sitterHalf: 170,
  rule: 224,
  equipmentHalf: 280,
  equipmentStart: 300,
};
const VIEW_LEFT = 432;
const VIEW_RIGHT = WIDTH - 6;
/** The rule goes at least this high, mm, so that the scale does not jump while a short sitter is set. */
const LEAST_TOP_MM = 1000;

/** The drawing board: rule and side view on one floor line, to one scale. */
export function Board({
  rule,
  view,
  reading,
}: {
  readonly rule: Rule;
  readonly view: Scene;
  readonly reading: Reading;
}) {
  const { bounds } = view;
  const topMm = Math.max(LEAST_TOP_MM, bounds.highZ);
  const scale = Math.min((FLOOR - TOP - 10) / topMm, (VIEW_RIGHT - VIEW_LEFT) / (bounds.highX - bounds.lowX));
  const y = (mm: number) => FLOOR - mm * scale;
  const place = { x: (mm: number) => VIEW_LEFT + (mm - bounds.lowX) * scale, y, scale };
  return (
    <svg
      className={styles.board}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={word('set.board')}
      aria-describedby="board-words"
    >
      <desc id="board-words">
        {[...rule.alternative, ...view.alternative].map((m) => say(m, reading)).join(' ')}
      </desc>
      <ScenePaths scene={view} place={place} />
      <RulePaths
        rule={rule}
        columns={COLUMNS}
        y={y}
        topMm={Math.min(topMm, (FLOOR - TOP) / scale)}
        topPx={TOP}
        floorPx={FLOOR}
        reading={reading}
      />
      <path d={`M0 ${FLOOR}H${WIDTH}`} className={styles.floor} />
      <text x={6} y={FLOOR - 6} className={styles.tickText}>
        {word('set.floor')} 0
      </text>
    </svg>
  );
}
