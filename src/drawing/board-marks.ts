/** The drawing board laid out: rule and side view on one floor line, to one scale. */
import type { Rule, Scene } from '../core/scene';
import { word, type Reading } from '../words';
import { path, textAt, type Mark } from './marks';
import { ruleMarks, type RuleColumns } from './rule-marks';
import { sceneMarks } from './scene-marks';

export const BOARD = { width: 790, height: 510 } as const;
const TOP = 14;
const FLOOR = BOARD.height - 18;
const COLUMNS: RuleColumns = {
  sitterEnd: 156,
  sitterHalf: 176,
  rule: 228,
  equipmentHalf: 280,
  equipmentStart: 300,
};
const VIEW_LEFT = 432;
const VIEW_RIGHT = BOARD.width - 6;
/** The rule goes at least this high, mm, so that the scale does not jump while a short sitter is set. */
const LEAST_TOP_MM = 1000;

export function boardMarks(rule: Rule, view: Scene, reading: Reading): Mark[] {
  const { bounds } = view;
  const topMm = Math.max(LEAST_TOP_MM, bounds.highZ);
  const scale = Math.min((FLOOR - TOP - 10) / topMm, (VIEW_RIGHT - VIEW_LEFT) / (bounds.highX - bounds.lowX));
  const y = (mm: number) => FLOOR - mm * scale;
  const place = { x: (mm: number) => VIEW_LEFT + (mm - bounds.lowX) * scale, y, scale };
  const onRule = {
    columns: COLUMNS,
    y,
    topMm: Math.min(topMm, (FLOOR - TOP) / scale),
    top: TOP,
    floor: FLOOR,
  };
  return [
    ...sceneMarks(view, place, reading),
    ...ruleMarks(rule, onRule, reading),
    path(`M0 ${FLOOR}H${BOARD.width}`, 'floor'),
    textAt(6, FLOOR - 6, 'start', { text: `${word('set.floor')} 0`, style: 'tickText' }),
  ];
}
