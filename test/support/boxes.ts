/** Words as boxes on a surface: which leave it, and which run into each other. */

export interface Box {
  readonly text: string;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** A hair: text is laid out a little otherwise from machine to machine. */
const HAIR = 1;

const overlap = (a: Box, b: Box): boolean =>
  a.left < b.right - HAIR && b.left < a.right - HAIR && a.top < b.bottom - HAIR && b.top < a.bottom - HAIR;

export function collisions(
  boxes: readonly Box[],
  { width, height }: { readonly width: number; readonly height: number },
): string[] {
  return boxes.flatMap((box, i) => [
    ...(box.left < -HAIR || box.right > width + HAIR || box.top < -HAIR || box.bottom > height + HAIR
      ? [`off the surface: ${box.text}`]
      : []),
    ...boxes.slice(i + 1).flatMap((other) => (overlap(box, other) ? [`${box.text} over ${other.text}`] : [])),
  ]);
}
