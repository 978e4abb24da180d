import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import {
  NO_REMEDIES,
  assess,
  costOf,
  PLAIN_WORK,
  makeInputs,
  problemOf,
  solve,
  type Problem,
  type Settings,
  type Variable,
} from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import { buildDemo } from '../../src/demo/build';
import { bodyWith } from '../support/inputs';

const PASSES = 20;

/** The middle of its travel; what is free against its spring works where it works. */
const startOf = (p: Problem, { kind, values }: Variable): number =>
  p.leaning?.kind === kind ? p.leaning.position : Math.floor((values.length - 1) / 2);

/**
 * One lever after the other in the method's order, from the middle of every travel: each to its best with the others as
 * they stand, again and again until none moves.
 */
function leverByLever(p: Problem): Settings {
  let settings: Settings = {
    positions: Object.fromEntries(Object.values(p.variables).map((v) => [v.kind, startOf(p, v)])),
    remedies: NO_REMEDIES,
  };
  for (let pass = 0; pass < PASSES; pass++) {
    const before = settings;
    for (const kind of p.inputs.method.order) {
      const outcome = assess(p, settings).outcomes.find((o) => o.kind === kind);
      if (!outcome || outcome.conditions.length === 0) continue;
      if (outcome.bestPosition !== outcome.position)
        settings = { ...settings, positions: { ...settings.positions, [kind]: outcome.bestPosition } };
    }
    if (settings === before) return settings;
  }
  return settings;
}

/** The rows of the table in the documentation. */
function documented(): string[][] {
  const text = readFileSync('docs/model.md', 'utf8');
  const table = /\| lever by lever \| together \|\n\|[-| ]+\|\n((?:\|.*\|\n)+)/.exec(
    text.replace(/ +\|/g, ' |'),
  )![1]!;
  return table
    .trim()
    .split('\n')
    .map((row) =>
      row
        .split('|')
        .slice(1, -1)
        .map((cell) => cell.trim()),
    );
}

describe('setting one lever after the other', () => {
  const demo = buildDemo(1, new Date('2026-11-25T09:30:00Z'));
  const totals = (sitterName: string, seatName: string, placeName: string, methodName: string) => {
    const sitter = demo.sitters.find((s) => s.name === sitterName)!;
    const p = problemOf(
      makeInputs({
        sitter: { ageYears: null },
        body: bodyWith(Object.fromEntries(sitter.readings.map((r) => [r.dimension, r.value]))),
        seat: demo.seats.find((s) => s.seat.name === seatName)!.seat,
        place: demo.places.find((x) => x.place.name === placeName)!.place,
        method: SHIPPED_METHODS.find((m) => m.name === methodName)!,
        work: PLAIN_WORK,
      }),
    );
    return { apart: costOf(p, leverByLever(p)), together: solve(p, { remedies: NO_REMEDIES }) };
  };
  const inPoints = (millionths: number): string => (millionths / 1e6).toFixed(2);

  it('ends worse than setting together, by as much as is documented', () => {
    const rows = documented();
    expect(rows.length).to.be.at.least(5);
    for (const [sitter, seat, place, method, apart, together] of rows) {
      const found = totals(sitter!, seat!, place!, method!);
      expect(found.apart.hard, sitter).to.equal(0);
      expect(found.together.hard, sitter).to.equal(0);
      expect([inPoints(found.apart.penalty), inPoints(found.together.penalty)], sitter).to.deep.equal([
        apart,
        together,
      ]);
      expect(found.apart.penalty).to.be.greaterThan(found.together.penalty);
    }
  });
});
