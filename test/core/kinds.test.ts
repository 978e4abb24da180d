import { expect } from 'chai';
import { NO_REMEDIES, assess, conditionsFor, problemOf, solve } from '../../src/core/fit';
import { ORDERS } from '../../src/core/method';
import { ADJUSTMENT_KINDS, ADJUSTMENT_KIND_IDS, type AdjustmentKind } from '../../src/core/seat';
import { EVERYTHING, EVERY_PLACE, FULL, bodyWith, inputsOf } from '../support/inputs';

/** Noted and never calculated: the sitter sets it. */
const NOTED: readonly AdjustmentKind[] = ['climate'];

describe('every kind of adjustment', () => {
  const p = problemOf(inputsOf({ seat: EVERYTHING, place: EVERY_PLACE, body: bodyWith(FULL) }));
  const a = assess(p, solve(p, { remedies: NO_REMEDIES, budget: 200 }).settings);

  for (const kind of ADJUSTMENT_KIND_IDS) {
    it(`${kind} is planned, ordered and set to a number`, () => {
      const { part, rest } = ADJUSTMENT_KINDS[kind];
      expect(['stance', 'after']).to.include(part);
      expect(['level', 'lowest', 'middle', 'none']).to.include(rest);
      expect(ORDERS.groundUp, 'order of setting').to.include(kind);
      const variable = p.variables[kind];
      if (!variable) {
        expect(EVERYTHING.adjustments.some((x) => x.kind === kind)).to.equal(false);
        return;
      }
      expect(a.settings.positions[kind], 'position').to.be.a('number');
      expect(Number.isFinite(a.values[kind]), 'value').to.equal(true);
    });

    it(`${kind} is judged by some condition, or noted`, () =>
      expect(conditionsFor(kind).length > 0).to.equal(!NOTED.includes(kind)));
  }
});
