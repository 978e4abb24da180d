/** The best settings stand inside what fits: how sure they are beside the surest that a random search finds. */
import { expect } from 'chai';
import fc from 'fast-check';
import { DIMENSIONS, type Body, type DimensionId } from '../../src/core/body';
import { drawsOf } from '../../src/core/certainty';
import { standardNormals, type Draws } from '../../src/core/certainty/draws';
import {
  NO_REMEDIES,
  computableConditions,
  problemOf,
  solve,
  valuesOfSettings,
  withBody,
  type Problem,
  type Settings,
  type Variable,
} from '../../src/core/fit';
import { isPassive } from '../../src/core/fit/search/solve';
import { looseness, type AdjustmentKind } from '../../src/core/seat';
import { bandOf } from '../../src/core/target';
import { drawnProblems } from '../support/drawn-seats';
import { mayBeSet } from '../support/enumeration';
import { fullCases } from '../support/full-cases';

const CASES = 200;
const FULL_CASES = 60;
const FAR = 0.05;
const RANDOM = 2000;
/** Bodies by which the random settings are sorted out, by which the best of them are improved, and by which all is told. */
const [FEW, MORE, MANY] = [24, 128, 4096];
const IMPROVED = 2;
/** How many positions each is moved by in turn. */
const STEPS = [-9, -3, -1, 1, 3, 9];
const SLACK = 0.05;

/** Every measure as unsure as one reading of it is. */
function asRead(p: Problem): Problem {
  const body: Body = Object.fromEntries(
    Object.entries(p.inputs.body).map(([id, quantity]) => [
      id,
      { ...quantity, spread: DIMENSIONS[id as DimensionId].readingSd },
    ]),
  );
  return problemOf({ ...p.inputs, body });
}

/** True bodies, and how far each adjustment is off with each of them. */
interface Bodies {
  readonly problems: readonly Problem[];
  readonly off: readonly Float64Array[];
  readonly loose: readonly { readonly kind: AdjustmentKind; readonly spread: number }[];
}

function bodiesOf(p: Problem, count: number, seed: number): Bodies {
  const draws: Draws = drawsOf(p.inputs.body, { count, seed });
  const problems = Array.from({ length: count }, (_, d) => {
    const body: Partial<Record<DimensionId, Body[DimensionId]>> = { ...p.inputs.body };
    draws.ids.forEach((id, i) => {
      const quantity = p.inputs.body[id]!;
      body[id] = { ...quantity, value: quantity.value + draws.off[d * draws.ids.length + i]! };
    });
    return withBody(p, body);
  });
  const loose = Object.values(p.variables)
    .map(({ kind, adjustment }) => ({ kind, spread: looseness(adjustment, 0) }))
    .filter(({ spread }) => spread > 0);
  return { problems, off: standardNormals(count, loose.length), loose };
}

/** In how many of some bodies everything is within its band; 0 where that is soon seen to be no more than `beyond`. */
function chanceOf(p: Problem, settings: Settings, { problems, off, loose }: Bodies, beyond = 0): number {
  const asSet = valuesOfSettings(p, settings);
  const conditions = computableConditions(p);
  const mayMiss = problems.length * (1 - beyond);
  let held = 0;
  for (const [d, there] of problems.entries()) {
    const v = { ...asSet };
    loose.forEach(({ kind, spread }, i) => {
      v[kind] += spread * off[i]![d]!;
    });
    const isHeld = conditions.every((c) => {
      const { lo, hi } = bandOf(there.targets[c.id]);
      // A switch takes its own place, and what it goes by as it is set.
      const residual = c.residual(there, c.unit === 'own' ? asSet : v);
      return residual >= lo - SLACK && residual <= hi + SLACK;
    });
    if (isHeld) held++;
    else if (d + 1 - held > mayMiss) return 0;
  }
  return held / problems.length;
}

/** Settings drawn at random within which everything fits the body as stated. */
function fitting(p: Problem, best: Settings, free: readonly Variable[], random: (below: number) => number) {
  const stated: Bodies = { problems: [p], off: [], loose: [] };
  const drawn = (): Settings => {
    const positions: Partial<Record<AdjustmentKind, number>> = { ...best.positions };
    for (const variable of free) {
      let at = random(variable.values.length);
      while (!mayBeSet(p, variable, at)) at = random(variable.values.length);
      positions[variable.kind] = at;
    }
    return { positions, remedies: NO_REMEDIES };
  };
  return [best, ...Array.from({ length: RANDOM }, drawn)].filter((s) => chanceOf(p, s, stated) === 1);
}

/** The surest of those, the best of them improved step by step until nothing beside them is surer; null where none fits. */
function surestOf(p: Problem, best: Settings, random: (below: number) => number): Settings | null {
  // What using a footrest is worth is the method's price and no matter of chance, and what tips with the sitter nobody sets.
  const free = Object.values(p.variables).filter(
    (v) => v.values.length > 1 && v.kind !== 'footrest' && !isPassive(v),
  );
  const found = fitting(p, best, free, random);
  if (found.length === 0) return null;
  const [few, more] = [bodiesOf(p, FEW, 5), bodiesOf(p, MORE, 6)];
  const sorted = found
    .map((settings) => ({ settings, chance: chanceOf(p, settings, few) }))
    .sort((a, b) => b.chance - a.chance);
  const improved = sorted.slice(0, IMPROVED).map(({ settings }) => {
    let here = { settings, chance: chanceOf(p, settings, more) };
    for (let moved = true; moved;) {
      moved = false;
      for (const variable of free)
        for (const by of STEPS) {
          const at = here.settings.positions[variable.kind]! + by;
          if (variable.values[at] === undefined || !mayBeSet(p, variable, at)) continue;
          const positions = { ...here.settings.positions, [variable.kind]: at };
          const beside = { positions, remedies: NO_REMEDIES };
          const chance = chanceOf(p, beside, more, here.chance);
          if (chance > here.chance) {
            here = { settings: beside, chance };
            moved = true;
          }
        }
    }
    return here;
  });
  return improved.reduce((a, b) => (b.chance > a.chance ? b : a)).settings;
}

/** Seeded, so that every run draws the same. */
function generator(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

const drawn = (): Problem[] => fc.sample(drawnProblems(), { numRuns: 12_000, seed: 1911 });

/** A place may ask that desk or feet count ten times: that is a wish, and no matter of chance. */
function withoutWinner(p: Problem): Problem {
  const { place } = p.inputs;
  return place?.wins ? problemOf({ ...p.inputs, place: { ...place, wins: undefined } }) : p;
}

const fullProblems = (count: number): Problem[] =>
  fullCases(19, count, { sitters: 300, seats: 120 }).map(problemOf);

const mean = (list: readonly number[]) => list.reduce((sum, x) => sum + x, 0) / list.length;

/** By how much the best settings fall short of the surest, over so many of some cases that can fit. */
function shortfalls(problems: readonly Problem[], most: number): readonly number[] {
  const random = generator(19);
  const short: number[] = [];
  const ours: number[] = [];
  for (const plain of problems) {
    if (short.length === most) break;
    const p = asRead(plain);
    const { settings } = solve(p, { remedies: NO_REMEDIES });
    const surest = surestOf(p, settings, random);
    // Whether a seat can fit at all is another question.
    if (!surest) continue;
    const told = bodiesOf(p, MANY, 7);
    const [mine, theirs] = [chanceOf(p, settings, told), chanceOf(p, surest, told)];
    ours.push(mine);
    short.push(theirs - mine);
  }
  const percent = (x: number) => (100 * x).toFixed(1);
  const far = short.filter((x) => x > FAR).length;
  console.log(
    `      ${short.length} cases: ${percent(mean(ours))} % as set, short by ${percent(mean(short))} points in the mean, by over 5 in ${far}`,
  );
  return short;
}

describe('the chance that everything fits as set', function () {
  this.timeout(900_000);

  // How many are far changes with the draw (20 of 200 here; others gave 19 and 25); most are pads that the cost leaves unused.
  it('falls little short of the surest that 2,000 random settings and a local search find', () => {
    const short = shortfalls(drawn().map(withoutWinner), CASES);
    expect(short).to.have.length(CASES);
    expect(mean(short)).to.be.at.most(0.03);
    expect(short.filter((x) => x > FAR).length).to.be.at.most(0.1 * CASES);
  });

  // Pads and desk err together with the elbow, and what is added up does not know it: more is left here.
  it('falls short by more on full seats at a desk, where what errs together is added up as if it did not', () => {
    const short = shortfalls(fullProblems(600), FULL_CASES);
    expect(short).to.have.length(FULL_CASES);
    expect(mean(short)).to.be.at.most(0.08);
  });
});
