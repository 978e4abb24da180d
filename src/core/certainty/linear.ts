/**
 * Whether any position at all meets a set of straight conditions, for one drawn body after the other: what can be moved
 * is eliminated (Fourier and Motzkin), so that only the body is left to be asked.
 */

import jstat from 'jstat';

/** `at + Σ move·value + Σ off·drawn ≥ 0`. */
export interface Row {
  readonly at: number;
  /** By how much it follows each adjustment. */
  readonly move: readonly number[];
  /** By how much it follows each thing that is not known exactly. */
  readonly off: readonly number[];
  /** The deviation of what it follows of the drawn. */
  readonly sd: number;
  /** At each stop of an adjustment what it comes to beside the straight line; of which adjustments, by their number. */
  readonly bends?: ReadonlyMap<number, readonly number[]> | undefined;
}

/**
 * Rows are all made here: of one shape they are read several times as fast.
 * @param at the residual where nothing is off, in its unit
 * @param move by how much one unit of each mover changes it
 * @param off by how much one unit of each thing not known changes it
 * @param sd deviation of what it follows, in its unit, 0 or more
 * @param bends whether it is straight on one side only
 * @returns the row as it is given. Definition.
 */
export const rowOf = ({
  at,
  move,
  off,
  sd,
  bends,
}: {
  readonly at: number;
  readonly move: readonly number[];
  readonly off: readonly number[];
  readonly sd: number;
  readonly bends: Row['bends'];
}): Row => ({ at, move, off, sd, bends });

/** An adjustment that stops only at some values, or slides between two. */
export type Mover =
  | { readonly type: 'slides'; readonly lo: number; readonly hi: number }
  | { readonly type: 'stops'; readonly values: readonly number[] };

/**
 * What a body has to be: all rows hold, and of each part, which has nothing to do with the others, one of its cases
 * does.
 */
export interface Region {
  readonly rows: readonly Row[];
  /** The likeliest case of each first. */
  readonly parts: readonly (readonly Region[])[];
  /** How far the mean body is within its narrowest row, in deviations. */
  readonly ease: number;
}

/** Nothing drawn lies further out, in deviations. */
const FURTHEST = 3.5;
/** So many stops in all are looked at one by one; beyond, the finest are taken to slide. */
const MOST_CELLS = 256;
/** More rows than this are not carried on: those that are likeliest to hold are let go. */
const MOST_ROWS = 600;
const NONE = 1e-9;

/**
 * From where to where a mover goes.
 * @returns the lowest and highest place of a mover, in its unit. Definition.
 */
export const endsOf = (m: Mover): { readonly lo: number; readonly hi: number } =>
  m.type === 'slides' ? m : { lo: m.values[0]!, hi: m.values[m.values.length - 1]! };

/** How far things that are not known exactly may be off: some together, the others each by itself by one. */
export interface Unknowns {
  /** Of the first ones, row after row. */
  readonly covariance: Float64Array;
  readonly together: number;
  readonly count: number;
}

interface Spread {
  readonly movers: readonly Mover[];
  readonly unknowns: Unknowns;
}

/**
 * The deviation of what a row follows.
 * @param off by how much one unit of each thing not known changes it
 * @returns in the row’s unit, 0 or more. Definition (variance of a sum).
 */
export function sdOf(off: readonly number[], { covariance, together }: Unknowns): number {
  let square = 0;
  for (let i = 0; i < off.length; i++) {
    const by = off[i]!;
    if (by === 0) continue;
    if (i >= together) {
      square += by * by;
      continue;
    }
    square += by * by * covariance[i * together + i]!;
    for (let k = 0; k < i; k++) if (off[k] !== 0) square += 2 * by * off[k]! * covariance[i * together + k]!;
  }
  return Math.sqrt(Math.max(0, square));
}

interface Reach {
  readonly least: number;
  readonly most: number;
}

/** The least and the most that a row can come to for the mean body, wherever everything stands. */
function reachAtMean(
  at: number,
  move: readonly number[],
  bends: Row['bends'],
  movers: readonly Mover[],
): Reach {
  let [least, most] = [at, at];
  for (let j = 0; j < move.length; j++) {
    const by = move[j]!;
    if (by === 0) continue;
    const { lo, hi } = endsOf(movers[j]!);
    least += by > 0 ? by * lo : by * hi;
    most += by > 0 ? by * hi : by * lo;
  }
  if (bends)
    for (const values of bends.values()) {
      least += Math.min(...values);
      most += Math.max(...values);
    }
  return { least, most };
}

/** The same for any body that is drawn. */
function reachOf(row: Row, { movers }: Spread): Reach {
  const { least, most } = reachAtMean(row.at, row.move, row.bends, movers);
  const far = FURTHEST * row.sd;
  return { least: least - far, most: most + far };
}

/** Without what always holds; null where a row never can. */
function pruned(rows: readonly Row[], spread: Spread): Row[] | null {
  const left: Row[] = [];
  for (const row of rows) {
    const { least, most } = reachOf(row, spread);
    if (most < 0) return null;
    if (least < 0) left.push(row);
  }
  return left;
}

function added(a: readonly number[], b: readonly number[], byA: number, byB: number): number[] {
  const both: number[] = [];
  for (let i = 0; i < a.length; i++) both.push(byA * a[i]! + byB * b[i]!);
  return both;
}

/**
 * What pushes an adjustment up against what holds it down: of it nothing is left.
 * @returns 'always' where that holds for every body, 'never' where for none
 */
function joined(a: Row, b: Row, j: number, { movers, unknowns }: Spread): Row | 'always' | 'never' {
  const [byA, byB] = [1 / a.move[j]!, -1 / b.move[j]!];
  const move = added(a.move, b.move, byA, byB);
  move[j] = 0;
  const bends = a.bends || b.bends ? summedBends(a, b, byA, byB) : undefined;
  const at = byA * a.at + byB * b.at;
  const { least, most } = reachAtMean(at, move, bends, movers);
  // It spreads at most as the two do together: most pairs need no closer look.
  if (least >= FURTHEST * (byA * a.sd + byB * b.sd)) return 'always';
  const off = added(a.off, b.off, byA, byB);
  const sd = sdOf(off, unknowns);
  if (most + FURTHEST * sd < 0) return 'never';
  return least >= FURTHEST * sd ? 'always' : rowOf({ at, move, off, sd, bends });
}

const followsNothing = ({ move }: Row): boolean => {
  for (let j = 0; j < move.length; j++) if (Math.abs(move[j]!) >= NONE) return false;
  return true;
};

function summedBends(a: Row, b: Row, byA: number, byB: number): ReadonlyMap<number, readonly number[]> {
  const bends = new Map<number, readonly number[]>();
  for (const [row, by] of [
    [a, byA],
    [b, byB],
  ] as const)
    for (const [j, values] of row.bends ?? []) {
      const known = bends.get(j);
      bends.set(
        j,
        values.map((x, n) => by * x + (known?.[n] ?? 0)),
      );
    }
  return bends;
}

/** With one adjustment gone: what pushes it up against what holds it down. */
function without(rows: readonly Row[], j: number, spread: Spread): Row[] | null {
  const left: Row[] = [];
  const [up, down]: Row[][] = [[], []];
  for (const row of rows) {
    const by = row.move[j]!;
    if (Math.abs(by) < NONE) left.push(row);
    else (by > 0 ? up! : down!).push(row);
  }
  for (const a of up!)
    for (const b of down!) {
      const both = joined(a, b, j, spread);
      if (both === 'never') return null;
      if (both !== 'always') left.push(both);
    }
  return left;
}

const usersOf = (rows: readonly Row[], j: number): number =>
  rows.reduce((n, r) => n + (Math.abs(r.move[j]!) >= NONE ? 1 : 0), 0);

/** Slides out of the rows, the one that leaves fewest first. */
function slidOut(rows: readonly Row[], slides: readonly number[], spread: Spread): Row[] | null {
  let left: Row[] | null = [...rows];
  const waiting = new Set(slides);
  while (left && waiting.size > 0) {
    const now: Row[] = left;
    const [next] = [...waiting].sort((a, b) => usersOf(now, a) - usersOf(now, b));
    waiting.delete(next!);
    left = without(now, next!, spread);
    if (left && left.length > MOST_ROWS) left = tightest(left, spread);
  }
  return left;
}

function tightest(rows: readonly Row[], spread: Spread): Row[] {
  const byLeast = rows.map((row) => ({ row, least: reachOf(row, spread).least }));
  return byLeast
    .sort((a, b) => a.least - b.least)
    .slice(0, MOST_ROWS)
    .map(({ row }) => row);
}

/** With one adjustment at a value. */
function putAt(row: Row, j: number, value: number, stop: number): Row {
  const by = row.move[j]!;
  const bent = row.bends?.get(j)?.[stop] ?? 0;
  if (by === 0 && bent === 0) return row;
  const move = row.move.slice();
  move[j] = 0;
  let bends = row.bends;
  if (bends?.has(j)) {
    const left = new Map(bends);
    left.delete(j);
    bends = left.size > 0 ? left : undefined;
  }
  return rowOf({ at: row.at + by * value + bent, move, off: row.off, sd: row.sd, bends });
}

interface Part {
  readonly movers: readonly number[];
  readonly rows: readonly Row[];
}

/** Rows that share adjustments, together; those that follow none are left out. */
function partsOf(rows: readonly Row[]): readonly Part[] {
  let parts: { movers: Set<number>; rows: Row[] }[] = [];
  for (const row of rows) {
    const own: number[] = [];
    for (let j = 0; j < row.move.length; j++) if (Math.abs(row.move[j]!) >= NONE) own.push(j);
    if (own.length === 0) continue;
    const [first, ...others] = parts.filter(({ movers }) => own.some((j) => movers.has(j)));
    const joined = first ?? { movers: new Set<number>(), rows: [] };
    if (!first) parts.push(joined);
    for (const j of own) joined.movers.add(j);
    joined.rows.push(row);
    if (others.length === 0) continue;
    for (const other of others) {
      for (const j of other.movers) joined.movers.add(j);
      joined.rows.push(...other.rows);
    }
    parts = parts.filter((part) => !others.includes(part));
  }
  return parts.map((part) => ({ movers: [...part.movers], rows: part.rows }));
}

/**
 * Those that stop and are looked at one by one; the rest slides.
 * @returns places among `part`, rising. Definition.
 */
export function stopsAmong(part: readonly number[], movers: readonly Mover[]): number[] {
  const count = (j: number): number => {
    const m = movers[j]!;
    return m.type === 'stops' ? m.values.length : Infinity;
  };
  const stops: number[] = [];
  let cells = 1;
  for (const j of [...part].sort((a, b) => count(a) - count(b))) {
    cells *= count(j);
    if (cells > MOST_CELLS) break;
    stops.push(j);
  }
  return stops;
}

/** The range of an adjustment as two rows. */
function rangeRows(movers: readonly Mover[], j: number, offs: number): Row[] {
  const { lo, hi } = endsOf(movers[j]!);
  const none = new Array<number>(offs).fill(0);
  const row = (by: number, at: number): Row => {
    const move = movers.map((_, i) => (i === j ? by : 0));
    return rowOf({ at, move, off: none, sd: 0, bends: undefined });
  };
  return [row(1, -lo), row(-1, hi)];
}

/** What is left to be asked when nothing slides any more: of each part the stops are tried, what most hangs on first. */
function cased(rows: readonly Row[], spread: Spread): Region | null {
  const asked = pruned(rows, spread);
  if (!asked) return null;
  const parts: (readonly Region[])[] = [];
  for (const { movers, rows: own } of partsOf(asked)) {
    const [first] = [...movers].sort((a, b) => usersOf(own, b) - usersOf(own, a));
    const cases = casesOf(own, first!, spread);
    if (cases.length === 0) return null;
    if (!cases.some(({ rows: r, parts: p }) => r.length + p.length === 0)) parts.push(cases);
  }
  const plain = asked.filter(followsNothing);
  let ease = Infinity;
  for (const { at, sd } of plain) ease = Math.min(ease, at / sd);
  for (const [likeliest] of parts) ease = Math.min(ease, likeliest!.ease);
  return { rows: plain, parts, ease };
}

function casesOf(rows: readonly Row[], j: number, spread: Spread): Region[] {
  const mover = spread.movers[j]!;
  const values = mover.type === 'stops' ? mover.values : [mover.lo];
  const cases: Region[] = [];
  for (const [stop, value] of values.entries()) {
    const found = cased(
      rows.map((row) => putAt(row, j, value, stop)),
      spread,
    );
    if (!found) continue;
    // Where one always holds nothing else needs to be asked.
    if (found.rows.length + found.parts.length === 0) return [found];
    cases.push(found);
  }
  return cases.sort((a, b) => b.ease - a.ease);
}

/**
 * What the body has to be for some position to meet every row; null where none ever does.
 * @param unknowns in the order of every row's `off`
 * @returns null where none ever does. Definition (elimination of Fourier and Motzkin).
 */
export function regionOf(rows: readonly Row[], movers: readonly Mover[], unknowns: Unknowns): Region | null {
  const spread: Spread = { movers, unknowns };
  const asked = pruned(rows, spread);
  if (!asked) return null;
  const left: Row[] = asked.filter(followsNothing);
  for (const { movers: part, rows: own } of partsOf(asked)) {
    const stops = stopsAmong(part, movers);
    const slides = part.filter((j) => !stops.includes(j));
    const slid = slidOut(
      [...own, ...slides.flatMap((j) => rangeRows(movers, j, unknowns.count))],
      slides,
      spread,
    );
    if (!slid) return null;
    left.push(...slid);
  }
  return cased(left, spread);
}

/** A row as it is asked of drawn bodies: only what it follows. */
interface Sieve {
  readonly at: number;
  readonly by: readonly number[];
  readonly columns: readonly Float64Array[];
  /** The lower, the more bodies fail it. */
  readonly ease: number;
}

function askedOf({ at, off, sd }: Row, drawn: readonly Float64Array[]): Sieve {
  const by: number[] = [];
  const columns: Float64Array[] = [];
  off.forEach((one, i) => {
    if (Math.abs(one) < NONE) return;
    by.push(one);
    columns.push(drawn[i]!);
  });
  return { at, by, columns, ease: at / sd };
}

/** Those of the first `count` bodies that meet a row, moved to the front; @returns how many */
function sift({ at, by, columns }: Sieve, bodies: Int32Array, count: number): number {
  let left = 0;
  for (let n = 0; n < count; n++) {
    const d = bodies[n]!;
    let value = at;
    for (let k = 0; k < by.length; k++) value += by[k]! * columns[k]![d]!;
    if (value >= 0) bodies[left++] = d;
  }
  return left;
}

const byEase = (a: { readonly ease: number }, b: { readonly ease: number }): number => a.ease - b.ease;

interface Drawn {
  readonly columns: readonly Float64Array[];
  /** Of each body the last part of which it was found to lie in a case. */
  readonly marks: Int32Array;
  /** How many parts have been asked. */
  stamp: number;
}

/** Those of the first `count` bodies that are marked so, or are not, moved to the front; @returns how many */
function siftMarked({
  marks,
  stamp,
  isMarked,
  bodies,
  count,
}: {
  readonly marks: Int32Array;
  readonly stamp: number;
  readonly isMarked: boolean;
  readonly bodies: Int32Array;
  readonly count: number;
}): number {
  let left = 0;
  for (let n = 0; n < count; n++) {
    const d = bodies[n]!;
    if ((marks[d] === stamp) === isMarked) bodies[left++] = d;
  }
  return left;
}

/** Those of the first `count` bodies that lie in a region, moved to the front; @returns how many */
function within({ rows, parts }: Region, bodies: Int32Array, count: number, drawn: Drawn): number {
  let left = count;
  const asked = rows.map((row) => askedOf(row, drawn.columns)).sort(byEase);
  for (const row of asked) left = sift(row, bodies, left);
  for (const cases of parts) {
    if (left === 0) return 0;
    const stamp = ++drawn.stamp;
    const { marks } = drawn;
    const open = bodies.slice(0, left);
    let waiting = left;
    for (const one of cases) {
      const tried = open.slice(0, waiting);
      const found = within(one, tried, waiting, drawn);
      if (found === 0) continue;
      for (let n = 0; n < found; n++) marks[tried[n]!] = stamp;
      waiting = siftMarked({ marks, stamp, isMarked: false, bodies: open, count: waiting });
      if (waiting === 0) break;
    }
    left = siftMarked({ marks, stamp, isMarked: true, bodies, count: left });
  }
  return left;
}

/**
 * How many of so many drawn bodies lie in a region.
 * @param columns for each thing that is not known exactly what it is off by, body after body
 * @param count bodies drawn, 0 or more
 * @returns 0 to `count`; 0 for no region. Definition.
 */
export function countWithin(region: Region | null, columns: readonly Float64Array[], count: number): number {
  if (!region) return 0;
  const all = new Int32Array(count);
  for (let d = 0; d < count; d++) all[d] = d;
  return within(region, all, count, { columns, marks: new Int32Array(count), stamp: 0 });
}

/**
 * The share of all bodies that lie in a region that is told by at most one row, or two that pull against each other
 * along one line; null for any other, of which bodies have to be drawn.
 * @returns a share, 0 to 1; null where bodies have to be drawn. Definition (normal error).
 */
export function plainShare(region: Region | null, unknowns: Unknowns): number | null {
  if (!region) return 0;
  const [a, b, ...more] = region.rows;
  if (region.parts.length > 0 || more.length > 0) return null;
  if (!a) return 1;
  const below = (z: number): number => jstat.jStat.normal.cdf(z, 0, 1);
  if (!b) return below(a.at / a.sd);
  // They lie on one line where their sum does not follow the body.
  const both = sdOf(added(a.off, b.off, 1 / a.sd, 1 / b.sd), unknowns);
  return both < STRAIGHT ? Math.max(0, below(a.at / a.sd) + below(b.at / b.sd) - 1) : null;
}
const STRAIGHT = 0.02;
