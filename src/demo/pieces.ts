/** The invented seats of Skarrow Isles Ferries as they stand there, each with its tag. */
import type { pieceFaults } from '../data/schema';

export interface DemoPiece {
  readonly tag: string;
  /** Index of the seat, of the place, and of those who sit on it. */
  readonly seat: number;
  readonly place: number | null;
  readonly users: readonly number[];
  readonly isAway?: true;
  readonly notes?: string;
  /** Days since somebody looked it over. */
  readonly lookedDaysAgo?: number;
  readonly faults?: readonly {
    readonly kind: (typeof pieceFaults.$inferSelect)['kind'];
    readonly note: string;
    readonly doNotUse?: true;
    readonly isByLabel?: true;
    readonly daysAgo: number;
    readonly mendedDaysAgo?: number;
  }[];
}

export const DEMO_PIECES: readonly DemoPiece[] = [
  {
    tag: 'BO-01',
    seat: 0,
    place: 0,
    users: [0, 6],
    lookedDaysAgo: 11,
    notes: 'Counter on the left.',
  },
  {
    tag: 'BO-02',
    seat: 0,
    place: 0,
    users: [0],
    lookedDaysAgo: 40,
    faults: [{ kind: 'castor', note: 'Rear left does not turn.', isByLabel: true, daysAgo: 2 }],
  },
  {
    tag: 'BO-03',
    seat: 0,
    place: null,
    users: [],
    isAway: true,
    notes: 'In the workshop for a new cover.',
    lookedDaysAgo: 65,
    faults: [{ kind: 'cover', note: 'Torn along the front edge.', daysAgo: 20 }],
  },
  { tag: 'CR-01', seat: 1, place: 1, users: [1], lookedDaysAgo: 90 },
  { tag: 'SL-01', seat: 2, place: 2, users: [2], lookedDaysAgo: 3 },
  {
    tag: 'HC-01',
    seat: 3,
    place: 3,
    users: [3],
    lookedDaysAgo: 4,
    notes: 'Watch of three: set it at every change.',
    faults: [{ kind: 'lockGives', note: 'Backrest slipped once.', daysAgo: 60, mendedDaysAgo: 55 }],
  },
  {
    tag: 'HC-02',
    seat: 3,
    place: 3,
    users: [3],
    lookedDaysAgo: 4,
    faults: [
      { kind: 'liftSinks', note: 'Sinks to the bottom within a minute.', doNotUse: true, daysAgo: 4 },
      { kind: 'other', note: 'Squeaks when leaning back.', isByLabel: true, daysAgo: 30 },
    ],
  },
  { tag: 'HS-01', seat: 4, place: 4, users: [4], lookedDaysAgo: 6, notes: 'Bolted to the deck.' },
  { tag: 'CC-01', seat: 5, place: 5, users: [5], lookedDaysAgo: 9 },
  { tag: 'CC-02', seat: 5, place: 5, users: [] },
  { tag: 'HX-01', seat: 15, place: 6, users: [], lookedDaysAgo: 120 },
  { tag: 'TW-01', seat: 14, place: 7, users: [], lookedDaysAgo: 33 },
];
