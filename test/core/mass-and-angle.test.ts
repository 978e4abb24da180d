import { expect } from 'chai';
import fc from 'fast-check';
import {
  acosDeg,
  asinDeg,
  atan2Deg,
  cosDeg,
  formatAngle,
  formatMass,
  formatMassNumber,
  parseMass,
  sinDeg,
  tanDeg,
  type MassUnit,
  type ParseReason,
} from '../../src/core/units';
import { evenly } from '../support/evenly';

describe('typing a mass', () => {
  const read: readonly [string, MassUnit, number][] = [
    ['72.5', 'kg', 72.5],
    ['72,5', 'kg', 72.5],
    ['72.5 kg', 'lb', 72.5],
    ['160 lb', 'kg', 72.57],
    ['160', 'lb', 72.57],
    ['160lbs', 'kg', 72.57],
    ['0', 'kg', 0],
    ['21.475', 'kg', 21.48],
  ];
  for (const [text, shown, kg] of read) {
    it(`reads ${JSON.stringify(text)} with ${shown} shown as ${kg} kg`, () =>
      expect(parseMass(text, shown)).to.deep.equal({ ok: true, value: kg }));
  }

  const refused: readonly [string, ParseReason][] = [
    ['', 'empty'],
    ['heavy', 'notANumber'],
    ['72 cm', 'wrongUnit'],
    ['72 st', 'wrongUnit'],
    ['1,205', 'ambiguous'],
    ['-5', 'notANumber'],
  ];
  for (const [text, reason] of refused) {
    it(`refuses ${JSON.stringify(text)}: ${reason}`, () => {
      const result = parseMass(text, 'kg');
      expect(!result.ok && result.reason).to.equal(reason);
    });
  }

  it('writes to a tenth, without a needless zero', () => {
    expect(formatMass(72.5, 'kg')).to.equal('72.5 kg');
    expect(formatMass(72, 'kg')).to.equal('72 kg');
    expect(formatMass(72.57, 'lb')).to.equal('160 lb');
  });

  it('reads back what it wrote within half a tenth', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 40000 }),
        fc.constantFrom<MassUnit>('kg', 'lb'),
        (hundredths, unit) => {
          const back = parseMass(formatMassNumber(hundredths / 100, unit), unit);
          expect(back.ok && Math.abs(back.value - hundredths / 100)).to.be.at.most(0.051);
        },
      ),
      { seed: 21, numRuns: 300 },
    );
  });
});

describe('angles in degrees', () => {
  it('knows the corners', () => {
    expect(sinDeg(30)).to.be.closeTo(0.5, 1e-12);
    expect(cosDeg(60)).to.be.closeTo(0.5, 1e-12);
    expect(tanDeg(45)).to.be.closeTo(1, 1e-12);
    expect(atan2Deg(1, 1)).to.be.closeTo(45, 1e-12);
  });

  it('turns a ratio a hair beyond one into a right angle instead of nothing', () => {
    expect(asinDeg(1 + 1e-12)).to.equal(90);
    expect(acosDeg(1 + 1e-12)).to.equal(0);
    expect(acosDeg(-1 - 1e-12)).to.equal(180);
  });

  it('undoes itself', () => {
    fc.assert(
      fc.property(evenly(-89, 89), (deg) => {
        expect(asinDeg(sinDeg(deg))).to.be.closeTo(deg, 1e-6);
      }),
      { seed: 22 },
    );
  });

  it('is written to half a degree with a true minus', () => {
    expect(formatAngle(-2.6)).to.equal('−2.5°');
    expect(formatAngle(10)).to.equal('10°');
    expect(formatAngle(0.2)).to.equal('0°');
  });
});
