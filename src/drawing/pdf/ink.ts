/** What the styles of a drawing look like on paper: told apart by line and grey, so that they survive a copier. */
import type { Style, TextStyle } from '../marks';
import type { Weight } from './type-setter';

export interface Ink {
  readonly fill?: string;
  readonly stroke?: string;
  readonly width?: number;
  readonly dash?: readonly [number, number];
  /** The outline first, then the fill over its inner half. */
  readonly isUnion?: true;
}

const BLACK = '#000000';
const DARK = '#4d4d4d';
const MIDDLE = '#8c8c8c';
const LIGHT = '#e4e4e4';
const PALE = '#f4f4f4';
const WHITE = '#ffffff';

export const INK: Record<Style, Ink> = {
  sitter: { fill: LIGHT, stroke: BLACK, width: 2, isUnion: true },
  sitterLine: { fill: BLACK, stroke: BLACK, width: 0.7 },
  seat: { fill: PALE, stroke: DARK, width: 3.6, isUnion: true },
  seatLine: { stroke: DARK, width: 2.4 },
  place: { fill: WHITE, stroke: MIDDLE, width: 1.2 },
  // No lever is in hand on paper.
  moved: { stroke: BLACK, width: 2 },
  remedy: { fill: WHITE, stroke: BLACK, width: 1.4, dash: [5, 3] },
  seatThin: { stroke: BLACK, width: 0.75, dash: [3, 2] },
  leader: { stroke: BLACK, width: 1, dash: [1.5, 3] },
  floor: { stroke: BLACK, width: 3 },
  rule: { stroke: BLACK, width: 1.6 },
  tick: { stroke: BLACK, width: 0.8 },
  halfSitter: { stroke: BLACK, width: 1.8 },
  halfSeat: { stroke: DARK, width: 2.6 },
  threadSitter: { stroke: MIDDLE, width: 0.6 },
  threadSeat: { stroke: MIDDLE, width: 0.6 },
  apart: { stroke: BLACK, width: 1.8 },
  plate: { fill: WHITE },
  measureSitter: { stroke: BLACK, width: 0.9 },
  tape: { stroke: BLACK, width: 1.8 },
  measureSeat: { stroke: DARK, width: 0.9, dash: [4, 2] },
  travel: { stroke: DARK, width: 2 },
  notch: { stroke: DARK, width: 0.9 },
  band: { fill: LIGHT, stroke: MIDDLE, width: 0.6 },
  aim: { fill: BLACK },
  doubt: { stroke: BLACK, width: 0.9 },
  leftOver: { stroke: BLACK, width: 1.8, dash: [4, 3] },
  best: { stroke: DARK, width: 1.1 },
  knob: { fill: DARK, stroke: WHITE, width: 1 },
  badge: { fill: WHITE, stroke: BLACK, width: 1.2 },
};

export interface TypeInk {
  readonly size: number;
  readonly weight: Weight;
  readonly fill: string;
}

export const TYPE: Record<TextStyle, TypeInk> = {
  tickText: { size: 11, weight: 'regular', fill: DARK },
  tagSitter: { size: 13, weight: 'regular', fill: BLACK },
  tagEquipment: { size: 13, weight: 'regular', fill: DARK },
  numberSitter: { size: 13, weight: 'strong', fill: BLACK },
  numberEquipment: { size: 13, weight: 'strong', fill: DARK },
  sideSitter: { size: 12, weight: 'strong', fill: BLACK },
  sideEquipment: { size: 12, weight: 'strong', fill: DARK },
  apartNumber: { size: 13, weight: 'strong', fill: BLACK },
  closeNumber: { size: 12, weight: 'strong', fill: BLACK },
  badgeNumber: { size: 14, weight: 'strong', fill: BLACK },
};
