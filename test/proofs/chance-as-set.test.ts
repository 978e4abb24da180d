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
} from '../../src/core/fit';
import { looseness, type AdjustmentKind } from '../../src/core/seat';
import { bandOf } from '../../src/core/target';
import { drawnProblems } from '../support/drawn-seats';
import { mayBeSet } from '../support/enumeration';

const CASES = Number(process.env.N ?? 200);
const RANDOM = 2000;
/** Bodies by which the random settings are sorted out, by which the best of them are improved, and by which all is told. */
const [FEW, MORE, MANY] = [24, 192, 1024];
const IMPROVED = 3;
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

/** Of many random settings the surest, each of the best improved step by step until nothing beside it is surer. */
function surestOf(p: Problem, best: Settings, random: (below: number) => number): Settings {
  const free = Object.values(p.variables).filter((v) => v.values.length > 1);
  const [few, more] = [bodiesOf(p, FEW, 5), bodiesOf(p, MORE, 6)];
  const drawn = (): Settings => {
    const positions: Partial<Record<AdjustmentKind, number>> = { ...best.positions };
    for (const variable of free) {
      let at = random(variable.values.length);
      while (!mayBeSet(p, variable, at)) at = random(variable.values.length);
      positions[variable.kind] = at;
    }
    return { positions, remedies: NO_REMEDIES };
  };
  const sorted = Array.from({ length: RANDOM }, drawn)
    .map((settings) => ({ settings, chance: chanceOf(p, settings, few) }))
    .sort((a, b) => b.chance - a.chance);
  const improved = sorted.slice(0, IMPROVED).map(({ settings }) => {
    let here = { settings, chance: chanceOf(p, settings, more) };
    for (let moved = true; moved;) {
      moved = false;
      for (const variable of free)
        for (const by of [-1, 1]) {
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

describe('the chance that everything fits as set', function () {
  this.timeout(900_000);

  it('falls little short of the surest settings that 2,000 random ones and a local search find', () => {
    const random = generator(19);
    const short: number[] = [];
    const ours: number[] = [];
    const problems = fc.sample(drawnProblems(), { numRuns: 4000, seed: 1911 });
    for (const plain of problems) {
      if (short.length === CASES) break;
      const p = asRead(plain);
      const { settings } = solve(p, { remedies: NO_REMEDIES });
      const surest = surestOf(p, settings, random);
      const told = bodiesOf(p, MANY, 7);
      const [mine, theirs] = [chanceOf(p, settings, told), chanceOf(p, surest, told)];
      // A seat that hardly ever fits as set tells nothing.
      if (Math.max(mine, theirs) < 0.05) continue;
      ours.push(mine);
      short.push(theirs - mine);
      if (process.env.SAY) console.log(`${mine.toFixed(3)} ${theirs.toFixed(3)} ${p.inputs.method.id} ${JSON.stringify(settings.positions)} ${JSON.stringify(surest.positions)} ${problems.indexOf(plain)}`);
    }
    const mean = (list: readonly number[]) => list.reduce((sum, x) => sum + x, 0) / list.length;
    const far = short.filter((x) => x > 0.05).length;
    console.log(
      `      ${short.length} cases: as set ${(100 * mean(ours)).toFixed(1)} %, short by ${(100 * mean(short)).toFixed(2)} points in the mean, over 5 points in ${far}`,
    );
    expect(short).to.have.length(CASES);
    expect(mean(short)).to.be.at.most(0.03);
    expect(far).to.be.at.most(CASES / 10);
  });
});
