/** Where the tape goes on a seat that is measured: one picture a question. */
import type { SeatModel } from '../seat';
import { at } from './pen';
import type { Scene, Tape } from './primitives';
import { seatFrameOf, seatFrontView, seatPlanView, seatSideView, type SeatFrame } from './seat-views';

/** What a tape, a level or an eye is held to. */
export const SURVEY_PLACES = [
  'label',
  'seatHeight',
  'sink',
  'seatDepth',
  'seatWidth',
  'padHeight',
  'padGap',
  'lumbar',
  'back',
  'tension',
  'head',
] as const;
export type SurveyPlace = (typeof SURVEY_PLACES)[number];

type Seen = 'side' | 'front' | 'above';
/** From where each is seen, and between which points the tape runs; none where nothing is measured with a tape. */
const TAPES: Record<SurveyPlace, readonly [Seen, ((f: SeatFrame) => Tape) | null]> = {
  label: ['side', null],
  seatHeight: ['side', (f) => ({ from: at(f.depthMm + 30, 0), to: at(f.depthMm + 30, f.heightMm) })],
  sink: ['side', (f) => ({ from: at(f.depthMm / 2, f.heightMm + 70), to: at(f.depthMm / 2, f.heightMm) })],
  seatDepth: ['side', (f) => ({ from: at(0, f.heightMm + 35), to: at(f.depthMm, f.heightMm + 35) })],
  seatWidth: [
    'above',
    (f) => ({ from: at(-f.widthMm / 2, f.depthMm / 2), to: at(f.widthMm / 2, f.depthMm / 2) }),
  ],
  padHeight: [
    'side',
    (f) => ({ from: at(f.padMiddleMm, f.heightMm), to: at(f.padMiddleMm, f.heightMm + f.padsMm) }),
  ],
  padGap: [
    'front',
    (f) => ({
      from: at(-f.clearMm / 2, f.heightMm + f.padsMm),
      to: at(f.clearMm / 2, f.heightMm + f.padsMm),
    }),
  ],
  lumbar: ['side', (f) => ({ from: f.onBack(0), to: f.onBack(190) })],
  back: ['side', (f) => ({ from: f.onBack(60), to: f.onBack(f.backTopMm) })],
  tension: ['side', null],
  head: ['side', (f) => ({ from: f.onBack(0), to: f.onBack(f.backTopMm + 100) })],
};

const VIEWS: Record<Seen, (seat: SeatModel) => Scene> = {
  side: seatSideView,
  front: seatFrontView,
  above: seatPlanView,
};

/**
 * The seat as it is measured at a place.
 * @returns primitives in mm, with the tape where one is used. Definition.
 * @example
 * surveyView(seat, 'label').tape // => undefined
 */
export function surveyView(seat: SeatModel, place: SurveyPlace): Scene {
  const [seen, tapeOf] = TAPES[place];
  const scene = VIEWS[seen](seat);
  return {
    ...scene,
    dimensions: [],
    primitives: scene.primitives.filter(({ id }) => !/-(lowest|highest)$/.test(id)),
    tape: tapeOf?.(seatFrameOf(seat)),
    alternative: [],
  };
}
