/**
 * The state as a level line in miniature: straight where it fits, stepped where it is close, broken and apart
 * where it does not, dotted where nothing was measured. SVG path data on a field of 26 by 14.
 */
export const VERDICT_LINES: Readonly<Record<string, string>> = {
  fits: 'M1 7H25',
  passes: 'M1 7H25',
  close: 'M1 8.5H13V5.5H25',
  off: 'M1 11H9M17 3H25',
  cannotReach: 'M1 11H9M17 3H25',
  refused: 'M1 11H9M17 3H25M9 13L17 1',
  notMeasured: 'M2 7H4M8 7H10M14 7H16M20 7H22',
};
