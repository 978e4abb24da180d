/** The invented places of Skarrow Isles Ferries. */
import { stated } from '../core/quantity';
import type { Place } from '../core/place';
import type { Adjustment, Travel } from '../core/seat';

const q = (value: number) => stated(value, 'measured on the spot (invented)');
const desk = (travel: Travel): Adjustment => ({
  id: 'desk',
  kind: 'deskHeight',
  side: 'both',
  unit: 'mm',
  travel,
});
const fixedAt = (top: number): Adjustment => desk({ type: 'listed', values: [q(top)] });

export const DEMO_PLACES: readonly Omit<Place, 'id'>[] = [
  {
    name: 'Booking office counter',
    task: 'keyboard',
    adjustments: [fixedAt(740)],
    deskThicknessMm: 38,
    keyboardThicknessMm: 20,
    notes: 'Fixed counter; three clerks a day.',
  },
  {
    name: 'Chart room table',
    task: 'writing',
    adjustments: [desk({ type: 'continuous', lowest: q(650), highest: q(1250) })],
    deskThicknessMm: 32,
    keyboardThicknessMm: 0,
    notes: 'Sit and stand.',
  },
  {
    name: 'Sail loft bench',
    task: 'handwork',
    adjustments: [desk({ type: 'listed', values: [740, 780, 820, 860].map(q) })],
    deskThicknessMm: 45,
    keyboardThicknessMm: 0,
    notes: 'Hand stitching; the bench hangs on pegs.',
  },
  {
    name: 'Harbour control desk',
    task: 'keyboard',
    adjustments: [desk({ type: 'continuous', lowest: q(660), highest: q(820) })],
    deskThicknessMm: 45,
    keyboardThicknessMm: 15,
    notes: 'Day and night watch.',
  },
  {
    name: 'Helm of the Skarrow Star',
    task: 'keyboard',
    adjustments: [],
    deskThicknessMm: 0,
    keyboardThicknessMm: 0,
    notes: 'No desk; levers on the arms.',
  },
  {
    name: 'Crew crèche table',
    task: 'writing',
    adjustments: [fixedAt(530)],
    deskThicknessMm: 22,
    keyboardThicknessMm: 0,
    notes: 'For four to eight-year-olds.',
  },
];
