/**
 * Small pictures of controls, of what the hand does with them and of what the body does: drawn for this product, in one
 * line on a field of 24 by 24. They are told apart in black and white at 16 mm.
 */
import type { Action, Control, ControlKind, Move, SitterAct } from '../core/seat';

/** Drawn with the pen, and filled. */
export interface Pictogram {
  readonly line: string;
  readonly solid?: string;
}

/** The side of the field that they are drawn in. */
export const PICTOGRAM_FIELD = 24;
/** The pen, in the same unit. */
export const PICTOGRAM_PEN = 1.7;

const circle = (x: number, y: number, r: number): string =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;

/** Somebody on a seat, seen from the right. */
const SEAT = 'M4 21V13.5M4 17.5H14M10 17.5V21';

const KINDS: Record<ControlKind, Pictogram> = {
  lever: { line: `M5 18.5L16.5 9${circle(18.5, 7.5, 2.6)}`, solid: circle(5, 18.5, 2.4) },
  paddle: { line: 'M2.5 12H9', solid: 'M9 7.5H20A1.5 1.5 0 0 1 21.5 9V15A1.5 1.5 0 0 1 20 16.5H9Z' },
  knob: { line: `${circle(12, 13, 6.5)}M12 13V7.5M12 1.5V4M4 4.5L5.7 6.2M20 4.5L18.3 6.2` },
  wheel: { line: 'M6 3.5H18V20.5H6ZM6 7H18M6 10.4H18M6 13.8H18M6 17.2H18' },
  button: { line: 'M2.5 19.5H21.5M4.5 19.5V16H19.5V19.5', solid: 'M7.5 16V12A4.5 4.5 0 0 1 16.5 12V16Z' },
  trigger: { line: 'M3 6H21M15.5 6C15.5 12 13.5 16 8.5 20M11 6C11 9 10 12 7 14.5' },
  bulb: { line: `${circle(9, 12, 6.5)}M15.5 12H18L21.5 8.5`, solid: circle(20, 15.5, 1.7) },
  switch: { line: 'M3 19.5H21V14L12 11.5L3 8.5Z', solid: 'M12 11.5L21 14V19.5H12Z' },
  ratchet: { line: 'M8 21.5V2.5L13 6.3H8L13 10.1H8L13 13.9H8L13 17.7H8M18 20V7M15.5 9.5L18 6.5L20.5 9.5' },
  strap: { line: 'M1.5 9.5H8M1.5 14.5H8M16 9.5H22.5M16 14.5H22.5M8 6H16V18H8ZM12 9V15' },
  byHand: {
    line: 'M7.5 21L4 14.5A1.6 1.6 0 0 1 6.8 13L8 15V5.5A1.5 1.5 0 0 1 11 5.5V11V4A1.5 1.5 0 0 1 14 4V11V5.5A1.5 1.5 0 0 1 17 5.5V12V8.5A1.5 1.5 0 0 1 20 8.5V15C20 18.5 18 21 15 21Z',
  },
  tool: { line: 'M6 2.5V15A5 5 0 0 0 11 20H21.5', solid: 'M3.6 2.5H8.4V6H3.6Z' },
};

const ACTIONS: Record<Action, Pictogram> = {
  liftAndHold: { line: 'M3 21H21M12 18V6.5M7.5 10.5L12 6L16.5 10.5M6 2.5H18' },
  pressAndHold: { line: 'M3 3H21M12 6V17.5M7.5 13.5L12 18L16.5 13.5M6 21.5H18' },
  pullAndSlide: { line: 'M3.5 4V14M3.5 9H17M13 5L17.5 9L13 13M3 20H21M7 17.5V20M12 17.5V20M17 17.5V20' },
  turn: { line: 'M18.8 15.5A7.6 7.6 0 1 1 17.5 6.8M18.5 2V7.5H13' },
  squeeze: { line: 'M1.5 12H8.5M5.5 8.5L9 12L5.5 15.5M22.5 12H15.5M18.5 8.5L15 12L18.5 15.5M12 5V19' },
  slide: { line: 'M2.5 10H21.5M6.5 6L2.5 10L6.5 14M17.5 6L21.5 10L17.5 14M3 19.5H21' },
  raiseByClicks: { line: 'M2.5 21H7.5V16.5H12.5V12H17.5V7.5H21.5M4 4.5L6 7M10 2.5V5.5M2 9.5H5' },
  setToStop: { line: 'M2.5 12H15M11 8L15.5 12L11 16M20 4V20', solid: 'M17.5 4H22V20H17.5Z' },
  pump: { line: 'M12 3.5V20.5M8 7.5L12 3L16 7.5M8 16.5L12 21L16 16.5M3 8V16M21 8V16' },
  press: { line: 'M12 2.5V14.5M7.5 10.5L12 15L16.5 10.5', solid: 'M5 18.5H19V21.5H5Z' },
  pullOut: { line: 'M3.5 3V21M3.5 12H20M15.5 7.5L20.5 12L15.5 16.5' },
  flip: { line: `M12 19L19 6.5M5 9.5A8.5 8.5 0 0 1 13 3M5 4.5V10H10.5`, solid: circle(12, 19, 2.6) },
  leanUntilClick: {
    line: 'M13 21L7 8M3 21H16M17 3.5V6.5M21.5 5L19.5 7.5M22.5 10.5H19.5',
    solid: circle(6, 5, 2.6),
  },
};

const SITTER_ACTS: Record<Exclude<SitterAct, 'nothing'>, Pictogram> = {
  weightOff: {
    line: `${SEAT}M9 8V12.5H14.5M19.5 17V5.5M16.5 8.5L19.5 5L22.5 8.5`,
    solid: circle(9, 4.5, 2.4),
  },
  weightOn: {
    line: `${SEAT}M7.5 9.5V15.5H13.5M19.5 5V16.5M16.5 13.5L19.5 17L22.5 13.5`,
    solid: circle(7.5, 6, 2.4),
  },
  leanForward: {
    line: 'M3 21H13M5 21V18M8 18L13 9M15 12.5H21.5M18.5 9.5L21.5 12.5L18.5 15.5',
    solid: circle(14.2, 6, 2.6),
  },
  leanBack: {
    line: 'M8 21H20M11 21L15.5 18.5H19M14 18L9.5 8.5M9 13H2.5M5.5 10L2.5 13L5.5 16',
    solid: circle(8.4, 5.2, 2.6),
  },
  keepStill: { line: `M3.5 5V20M20.5 5V20M12 9V15.5H16.5V21M9 21H7V14`, solid: circle(12, 5.5, 2.6) },
  standUp: {
    line: 'M12 7.5V14L9 21.5M12 14L15 21.5M7 12.5L12 9L17 12.5M2.5 21.5H21.5',
    solid: circle(12, 4, 2.4),
  },
  toesUp: { line: 'M8 3V15.5L5 19.5H9L19 13.5M3 21.5H21.5M20.5 10V4.5M18 7L20.5 4.2L23 7' },
};

const LATCH: Pictogram = {
  line: 'M3 19.5H21M4 12H11.5A4 4 0 0 1 11.5 19.5M15 3V6.5M20 5L17.8 7.5M10 5L12.2 7.5',
  solid: circle(8, 16, 1.9),
};

/** All of them by what they show. */
export const PICTOGRAMS: Readonly<Record<string, Pictogram>> = Object.fromEntries<Pictogram>([
  ...Object.entries(KINDS).map(([id, drawn]) => [`kind.${id}`, drawn] as const),
  ...Object.entries(ACTIONS).map(([id, drawn]) => [`action.${id}`, drawn] as const),
  ...Object.entries(SITTER_ACTS).map(([id, drawn]) => [`sitter.${id}`, drawn] as const),
  ['latch', LATCH] as const,
]);

/** What of a move is shown: the control, the hand’s move, the body’s, the latch. */
export function pictogramsOf(
  { kind, latch }: Pick<Control, 'kind' | 'latch'>,
  { action, sitter }: Pick<Move, 'action' | 'sitter'>,
): string[] {
  const acts = [sitter.forMore, sitter.forLess].filter(
    (act, i, all) => act !== 'nothing' && all.indexOf(act) === i,
  );
  return [
    `kind.${kind}`,
    `action.${action}`,
    ...acts.map((act) => `sitter.${act}`),
    ...(latch === 'clicks' ? ['latch'] : []),
  ];
}
