/** The invented places of Skarrow Isles Ferries. */
import { stated } from '../core/quantity';
import { PLACE_DOCUMENT, type Place } from '../core/place';
import type { Adjustment, Travel } from '../core/seat';

const q = (value: number) => stated(value, 'measured on the spot (invented)');
const desk = (travel: Travel): Adjustment => ({
  id: 'desk',
  kind: 'deskHeight',
  side: 'both',
  unit: 'mm',
  travel,
  holds: { how: travel.type === 'continuous' ? 'free' : 'notched' },
});
const fixedAt = (top: number): Adjustment => desk({ type: 'listed', values: [q(top)] });
const screen = (lowest: number, highest: number): Adjustment => ({
  id: 'screen',
  kind: 'screenHeight',
  side: 'both',
  unit: 'mm',
  travel: { type: 'continuous', lowest: q(lowest), highest: q(highest) },
  holds: { how: 'free' },
});
const footrest = (...heights: number[]): Adjustment => ({
  id: 'footrest',
  kind: 'footrest',
  side: 'both',
  unit: 'mm',
  travel: { type: 'listed', values: [0, ...heights].map(q) },
  holds: { how: 'notched' },
});

/** Nothing is needed beyond a class that suits. */
const PLAIN = { schema: PLACE_DOCUMENT, needs: [] } as const;

export const DEMO_PLACES: readonly Omit<Place, 'id'>[] = [
  {
    ...PLAIN,
    name: 'Booking office counter',
    seatClasses: ['office', 'task', 'controlDesk'],
    needs: ['castorsHardFloor'],
    task: 'keyboard',
    adjustments: [fixedAt(740)],
    deskThicknessMm: 38,
    keyboardThicknessMm: 20,
    notes: 'Fixed counter; three clerks a day.',
  },
  {
    ...PLAIN,
    name: 'Chart room table',
    seatClasses: ['office', 'task', 'perching'],
    task: 'writing',
    adjustments: [desk({ type: 'continuous', lowest: q(650), highest: q(1250) })],
    deskThicknessMm: 32,
    keyboardThicknessMm: 0,
    notes: 'Sit and stand.',
  },
  {
    ...PLAIN,
    name: 'Sail loft bench',
    seatClasses: ['handwork', 'perching'],
    task: 'handwork',
    adjustments: [desk({ type: 'listed', values: [740, 780, 820, 860].map(q) })],
    deskThicknessMm: 45,
    keyboardThicknessMm: 0,
    notes: 'Hand stitching; the bench hangs on pegs.',
  },
  {
    ...PLAIN,
    name: 'Harbour control desk',
    seatClasses: ['controlDesk', 'office', 'task'],
    task: 'keyboard',
    adjustments: [
      desk({ type: 'continuous', lowest: q(660), highest: q(820) }),
      screen(880, 1180),
      footrest(80, 120),
    ],
    deskThicknessMm: 45,
    keyboardThicknessMm: 15,
    keysFromEdgeMm: 150,
    screenDistanceMm: 720,
    notes: 'Day and night watch.',
  },
  {
    ...PLAIN,
    name: 'Helm of the Skarrow Star',
    seatClasses: ['operator'],
    needs: ['suspension', 'harness'],
    task: 'controls',
    adjustments: [],
    deskThicknessMm: 0,
    keyboardThicknessMm: 0,
    handControls: { forwardMm: 430, heightMm: 730 },
    pedals: { forwardMm: 840, heightMm: 0 },
    ground: 'rough',
    headroomMm: 1780,
    notes: 'No desk; two levers in front of the seat, throttle pedal on the right.',
  },
  {
    ...PLAIN,
    name: 'Crew crèche table',
    seatClasses: ['child'],
    task: 'writing',
    adjustments: [fixedAt(530)],
    deskThicknessMm: 22,
    keyboardThicknessMm: 0,
    notes: 'For four to eight-year-olds.',
  },
  {
    ...PLAIN,
    name: 'Cab of the harbour crane',
    seatClasses: ['operator'],
    needs: ['suspension'],
    task: 'controls',
    adjustments: [],
    deskThicknessMm: 0,
    keyboardThicknessMm: 0,
    handControls: { forwardMm: 400, heightMm: 690 },
    pedals: { forwardMm: 800, heightMm: 20 },
    ground: 'smooth',
    headroomMm: 1420,
    notes: 'Low roof over the seat; levers in both hands.',
  },
  {
    ...PLAIN,
    name: 'Ticket window',
    seatClasses: ['office', 'task', 'perching'],
    task: 'writing',
    adjustments: [fixedAt(1000)],
    deskThicknessMm: 40,
    drawerMm: 110,
    apronMm: 70,
    keyboardThicknessMm: 0,
    wins: 'desk',
    notes: 'Counter for standing customers, with a cash drawer.',
  },
];
