import type { Point } from '../posture';
import type { Primitive, Role, Shape } from './primitives';

/**
 * A point of a view.
 * @param x mm, positive forward or to the right
 * @param z mm, positive upwards
 * @returns mm. Definition.
 */
export const at = (x: number, z: number): Point => ({ x, z });
/**
 * A point moved.
 * @param dx mm
 * @param dz mm
 * @returns a new point, mm. Definition.
 */
export const shift = (p: Point, dx: number, dz: number): Point => at(p.x + dx, p.z + dz);

/** Collects the primitives of a view. */
export class Pen {
  readonly primitives: Primitive[] = [];

  private layer = 0;

  /** What follows lies over what is there, with an outline of its own. */
  over(): void {
    this.layer++;
  }

  add(id: string, role: Role, shape: Shape): void {
    this.primitives.push({ id, role, shape, layer: this.layer });
  }

  line(id: string, role: Role, ...points: Point[]): void {
    this.add(id, role, { type: 'polyline', closed: false, points });
  }

  area(id: string, role: Role, ...points: Point[]): void {
    this.add(id, role, { type: 'polyline', closed: true, points });
  }

  /** A rectangle from its lower left corner, mm. */
  box(
    id: string,
    role: Role,
    {
      x,
      z,
      width,
      height,
    }: { readonly x: number; readonly z: number; readonly width: number; readonly height: number },
  ): void {
    this.area(id, role, at(x, z), at(x + width, z), at(x + width, z + height), at(x, z + height));
  }

  dot(id: string, role: Role, centre: Point, radius: number): void {
    this.add(id, role, { type: 'circle', at: centre, radius });
  }

  limb(
    id: string,
    {
      from,
      to,
      fromRadius,
      toRadius,
    }: {
      readonly from: Point | null;
      readonly to: Point | null;
      readonly fromRadius: number;
      readonly toRadius: number;
    },
  ): void {
    if (from && to) this.add(id, 'sitter', { type: 'limb', from, to, fromRadius, toRadius });
  }

  /** A board of a thickness below its upper edge. */
  slab(
    id: string,
    role: Role,
    { from, to, thick }: { readonly from: Point; readonly to: Point; readonly thick: number },
  ): void {
    const length = Math.hypot(to.x - from.x, to.z - from.z) || 1;
    const nx = ((to.z - from.z) / length) * thick;
    const nz = ((from.x - to.x) / length) * thick;
    this.area(id, role, from, to, shift(to, nx, nz), shift(from, nx, nz));
  }
}
