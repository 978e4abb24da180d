/**
 * A drawing laid out: paths, plates and texts in the units of its paper, each with the name of its style. What a style
 * looks like is the painter's: a class on the screen (drawing.module.css), ink on paper (pdf/ink.ts).
 */
export const STYLES = [
  'sitter',
  'sitterLine',
  'seat',
  'seatLine',
  'place',
  'remedy',
  'moved',
  'seatThin',
  'leader',
  'floor',
  'rule',
  'tick',
  'halfSitter',
  'halfSeat',
  'threadSitter',
  'threadSeat',
  'apart',
  'plate',
  'measureSitter',
  'measureSeat',
  'tape',
  'travel',
  'notch',
  'band',
  'aim',
  'doubt',
  'leftOver',
  'best',
  'knob',
  'badge',
] as const;
export type Style = (typeof STYLES)[number];

export const TEXT_STYLES = [
  'tickText',
  'tagSitter',
  'tagEquipment',
  'numberSitter',
  'numberEquipment',
  'sideSitter',
  'sideEquipment',
  'apartNumber',
  'closeNumber',
  'badgeNumber',
] as const;
export type TextStyle = (typeof TEXT_STYLES)[number];

export interface PathMark {
  readonly type: 'path';
  /** SVG path data. */
  readonly d: string;
  readonly style: Style;
  /** What it is, for those who look for it: one name, or several with spaces between. */
  readonly part?: string;
}

export interface TextMark {
  readonly type: 'text';
  readonly x: number;
  /** Of the base line. */
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
  readonly spans: readonly { readonly text: string; readonly style: TextStyle }[];
}

export type Mark = PathMark | TextMark;

export const path = (d: string, style: Style, more: { part?: string } = {}): PathMark => ({
  type: 'path',
  d,
  style,
  ...more,
});

export const textAt = (
  x: number,
  y: number,
  anchor: TextMark['anchor'],
  ...spans: TextMark['spans']
): TextMark => ({ type: 'text', x, y, anchor, spans });

/** Coordinates to a tenth: shorter and the same in every engine. */
export function tenth(n: number): string {
  const tenths = Math.round(n * 10);
  const rest = tenths % 10;
  if (rest === 0) return String(tenths / 10);
  // Whole numbers become text several times faster than broken ones, and a frame of a drag has hundreds of them.
  const whole = Math.trunc(tenths / 10);
  return `${tenths < 0 && whole === 0 ? '-0' : whole}.${Math.abs(rest)}`;
}

/** One path a style, in the order in which the styles first come, and the texts over them: quicker to draw again. */
export function oneAStyle(marks: readonly Mark[]): Mark[] {
  const paths = new Map<Style, string>();
  for (const mark of marks)
    if (mark.type === 'path') paths.set(mark.style, (paths.get(mark.style) ?? '') + mark.d);
  return [...[...paths].map(([style, d]) => path(d, style)), ...marks.filter((mark) => mark.type === 'text')];
}
