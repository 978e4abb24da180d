import { expect } from 'chai';
import { inputsOfPosture, inputsOfStep, problemOf } from '../../src/core/fit';
import { SHIPPED_METHODS, leanMethod } from '../../src/core/method';
import { inputsOf } from '../support/inputs';

describe('a method in fewer words', () => {
  for (const method of SHIPPED_METHODS)
    it(`aims at the same: ${method.name}`, () => {
      const [whole, lean] = [inputsOf({ method }), inputsOf({ method: leanMethod(method) })];
      const size = (m: object) => JSON.stringify(m).length;
      expect(size(lean.method)).to.be.lessThan(size(method) / 2);
      expect(problemOf(lean).targets).to.deep.equal(problemOf(whole).targets);
      const leaning = { name: 'Reading', leanDeg: 25 };
      expect(problemOf(inputsOfPosture(lean, leaning)).targets).to.deep.equal(
        problemOf(inputsOfPosture(whole, leaning)).targets,
      );
      for (const n of (method.steps ?? []).keys())
        expect(problemOf(inputsOfStep(lean, n)).targets).to.deep.equal(
          problemOf(inputsOfStep(whole, n)).targets,
        );
    });
});
