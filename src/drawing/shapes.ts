/** Shapes of a scene as SVG path data. `x` and `y` turn millimetres into pixels. */
import type { Shape } from '../core/scene';
import type { Point } from '../core/posture';
import { tenth as round } from './marks';

export interface Place2d {
  readonly x: (mm: number) => number;
  readonly y: (mm: number) => number;
  readonly scale: number;
}

function circle(p: Place2d, at: Point, radius: number): string {
  const r = round(radius * p.scale);
  const [x, y] = [p.x(at.x), p.y(at.z)];
  return `M${round(x - radius * p.scale)} ${round(y)}a${r} ${r} 0 1 1 ${round(2 * radius * p.scale)} 0a${r} ${r} 0 1 1 ${round(-2 * radius * p.scale)} 0Z`;
}

/** The hull of two circles: two outer tangents and two arcs. */
function limb(p: Place2d, from: Point, to: Point, fromRadius: number, toRadius: number): string {
  const [ax, ay, bx, by] = [p.x(from.x), p.y(from.z), p.x(to.x), p.y(to.z)];
  const [ra, rb] = [fromRadius * p.scale, toRadius * p.scale];
  const distance = Math.hypot(bx - ax, by - ay);
  if (distance <= Math.abs(ra - rb)) return circle(p, ra > rb ? from : to, Math.max(fromRadius, toRadius));
  const along = Math.atan2(by - ay, bx - ax);
  const spread = Math.acos((ra - rb) / distance);
  const at = (cx: number, cy: number, r: number, angle: number) =>
    `${round(cx + r * Math.cos(angle))} ${round(cy + r * Math.sin(angle))}`;
  const [one, two] = [along + spread, along - spread];
  const big = spread > Math.PI / 2 ? 1 : 0;
  return `M${at(ax, ay, ra, one)}A${round(ra)} ${round(ra)} 0 ${1 - big} 1 ${at(ax, ay, ra, two)}L${at(bx, by, rb, two)}A${round(rb)} ${round(rb)} 0 ${big} 1 ${at(bx, by, rb, one)}Z`;
}

/** Closed shapes all run the same way round, so that several in one path fill as their union. */
function clockwise(points: readonly Point[]): readonly Point[] {
  let area = 0;
  points.forEach((q, i) => {
    const next = points[(i + 1) % points.length]!;
    area += q.x * next.z - next.x * q.z;
  });
  return area > 0 ? [...points].reverse() : points;
}

export function pathOf(shape: Shape, p: Place2d): string {
  switch (shape.type) {
    case 'circle':
      return circle(p, shape.at, shape.radius);
    case 'limb':
      return limb(p, shape.from, shape.to, shape.fromRadius, shape.toRadius);
    case 'polyline':
      return (
        (shape.closed ? clockwise(shape.points) : shape.points)
          .map((q, i) => `${i === 0 ? 'M' : 'L'}${round(p.x(q.x))} ${round(p.y(q.z))}`)
          .join('') + (shape.closed ? 'Z' : '')
      );
  }
}
