/** Where each field of a workstation's form stands. A new length of a workstation is added to one of these lists. */
import type { PlaceLength } from '../../core/place';
import type { DeskForm, PlaceText } from './place-text';

/** Heights of a desk, by how it moves. */
export const DESK_HEIGHTS: Readonly<Record<DeskForm, readonly (keyof PlaceText)[]>> = {
  none: [],
  fixed: ['height'],
  slides: ['lowest', 'highest'],
  stops: ['stops'],
};

/** Shown, and read, where there is a desk. */
export const DESK_LENGTHS: readonly PlaceLength[] = [
  'deskThicknessMm',
  'keyboardThicknessMm',
  'drawerMm',
  'apronMm',
  'keysFromEdgeMm',
];

/** What else a workstation may have. */
export const MORE_FIELDS: readonly (keyof PlaceText)[] = [
  'screenLowest',
  'screenHighest',
  'screenDistanceMm',
  'footrests',
  'gripForward',
  'gripHeight',
  'heelForward',
  'heelHeight',
  'headroomMm',
];

/** Heights with semicolons between: not typed on a keyboard of digits. */
export const LISTS: readonly (keyof PlaceText)[] = ['stops', 'footrests'];
