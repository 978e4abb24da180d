/**
 * A drawing as data: primitives in mm with a role, painted by whoever can. Roles say what a thing is; the painter's
 * style says what it looks like. `x` runs across the drawing, `z` up it: forward and up in the side view, across and
 * up in the front view, across and forward in the plan view.
 */
import type { Message } from '../message';
import type { Point } from '../posture';

export type Role =
  | 'sitter'
  | 'sitterLine'
  | 'seat'
  | 'seatLine'
  /** Where a seat can go, or what of it is only guessed. */
  | 'seatThin'
  | 'place'
  | 'floor'
  | 'remedy'
  /** Outline of what the lever in hand moves. */
  | 'moved'
  | 'leader';

export type Shape =
  | { readonly type: 'polyline'; readonly points: readonly Point[]; readonly closed: boolean }
  /** The hull of two circles: a limb. */
  | {
      readonly type: 'limb';
      readonly from: Point;
      readonly to: Point;
      readonly fromRadius: number;
      readonly toRadius: number;
    }
  | { readonly type: 'circle'; readonly at: Point; readonly radius: number };

export interface Primitive {
  readonly id: string;
  readonly role: Role;
  readonly shape: Shape;
  /** Neighbours of one role on one layer share an outline. */
  readonly layer: number;
}

/** A length written into the drawing: a line with ends, and its number. */
export interface Dimension {
  readonly id: string;
  readonly of: 'sitter' | 'seat';
  readonly from: Point;
  readonly to: Point;
  readonly mm: number;
}

/** Where a tape or a calliper runs, level or upright: a line with ends and no number. */
export interface Tape {
  readonly from: Point;
  readonly to: Point;
}

export interface Bounds {
  readonly lowX: number;
  readonly highX: number;
  readonly lowZ: number;
  readonly highZ: number;
}

export interface Scene {
  readonly bounds: Bounds;
  readonly primitives: readonly Primitive[];
  readonly dimensions: readonly Dimension[];
  readonly tape?: Tape | undefined;
  /** Whether parts had to be left out because nobody measured them. */
  readonly isPartial: boolean;
  /** What the drawing says, for those who cannot see it: the same numbers. */
  readonly alternative: readonly Message[];
}
