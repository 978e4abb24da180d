import type { SurveyUnit } from '../../../core/scene/survey-questions';
import { word, type Reading } from '../../../words';

/** The unit of a value as it stands beside its field. */
export function sayUnit(unit: SurveyUnit, reading: Reading): string {
  if (unit === 'mm') return reading.length;
  if (unit === 'kg') return reading.mass;
  if (unit === 'deg') return '°';
  return word(unit === 'turn' ? 'set.unit.turn' : 'survey.positions');
}
