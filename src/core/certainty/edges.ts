/** Where conditions begin to fail, as one adjustment is moved or one measure is off. */
import { nudged, put, type Condition, type Problem, type SetValues, type ConditionId } from '../fit';
import { bandOf } from '../target';
import type { AdjustmentKind } from '../seat';
import { withValue, type Frame } from './frame';
import { INSIDE_SLACK } from './set';

const MOST_LOOKS = 16;
/** So near to nothing is near enough, mm or degrees. */
const NEAR = 0.1;

/** How far inside one end of its band a condition is. */
export type Margin = (p: Problem, v: SetValues) => number;

export type Side = 'lo' | 'hi';

/** Both ends of a band move with the body where a method says so; elsewhere they stand still. */
export const MOVING_BAND: ConditionId = 'kneeRoom';

/**
 * What is left to either end of a condition’s band.
 * @returns one or two, in the condition’s unit; empty where its band is open on both sides. Definition.
 */
export function marginsOf(p: Problem, c: Condition): { readonly side: Side; readonly margin: Margin }[] {
  const band = bandOf(p.targets[c.id]);
  const margins: Readonly<Record<Side, Margin>> =
    c.id === MOVING_BAND
      ? {
          lo: (q, v) => c.residual(q, v) - bandOf(q.targets[c.id]).lo + INSIDE_SLACK,
          hi: (q, v) => bandOf(q.targets[c.id]).hi - c.residual(q, v) + INSIDE_SLACK,
        }
      : {
          lo: (q, v) => c.residual(q, v) - band.lo + INSIDE_SLACK,
          hi: (q, v) => band.hi - c.residual(q, v) + INSIDE_SLACK,
        };
  return (['lo', 'hi'] as const)
    .filter((side) => Number.isFinite(band[side]))
    .map((side) => ({ side, margin: margins[side] }));
}

/** Where a margin is nothing between two places, of which one is inside. */
function crossing(
  margin: (x: number) => number,
  {
    inside,
    atInside,
    outside,
    atOutside,
  }: {
    readonly inside: number;
    readonly atInside: number;
    readonly outside: number;
    readonly atOutside: number;
  },
): number {
  let [good, bad] = [inside, outside];
  let [above, below] = [atInside, atOutside];
  let last = 0;
  for (let n = 0; n < MOST_LOOKS; n++) {
    const x = good + ((bad - good) * above) / (above - below);
    const here = margin(x);
    if (Math.abs(here) < NEAR) return x;
    // Of two on one side the other end is told to give way (Illinois).
    if (here > 0) {
      [good, above] = [x, here];
      if (last > 0) below /= 2;
    } else {
      [bad, below] = [x, here];
      if (last < 0) above /= 2;
    }
    last = here;
  }
  return (good + bad) / 2;
}

/**
 * Where a condition begins to fail while one adjustment alone is moved to either side.
 * @returns none where it fails on neither side within reach. Definition.
 */
export function edgesAlong({ p, from, reach }: Frame, margin: Margin, kind: AdjustmentKind): SetValues[] {
  const { values } = p.variables[kind]!;
  const moved: SetValues = { ...from };
  const of = (x: number): number => {
    put(p, moved, kind, x);
    return margin(p, moved);
  };
  const here = from[kind];
  const inside = of(here);
  const beyond = reach(kind);
  return [values[0]! - beyond, values[values.length - 1]! + beyond].flatMap((end) => {
    const there = of(end);
    if (Number.isNaN(there) || there >= 0 === inside >= 0) return [];
    const x =
      inside >= 0
        ? crossing(of, { inside: here, atInside: inside, outside: end, atOutside: there })
        : crossing(of, { inside: end, atInside: there, outside: here, atOutside: inside });
    return [withValue(p, from, kind, x)];
  });
}

/**
 * The same while one measure is off: for a seat on which nothing moves.
 * @returns none where it fails at no such error. Definition.
 */
export function edgesOver({ p, from, ids }: Frame, c: Condition, margin: Margin): Problem[] {
  const here = margin(p, from);
  return c
    .needs(p)
    .filter((id) => ids.includes(id))
    .flatMap((id) =>
      [-3, 3].flatMap((far) => {
        const end = far * p.inputs.body[id]!.spread;
        const of = (by: number): number => margin(nudged(p, id, by), from);
        const there = of(end);
        if (there >= 0 === here >= 0) return [];
        const by =
          here >= 0
            ? crossing(of, { inside: 0, atInside: here, outside: end, atOutside: there })
            : crossing(of, { inside: end, atInside: there, outside: 0, atOutside: here });
        return [nudged(p, id, by)];
      }),
    );
}
