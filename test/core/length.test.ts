import { expect } from 'chai';
import fc from 'fast-check';
import {
  LENGTH_UNITS,
  formatLength,
  formatLengthNumber,
  parseLength,
  type LengthUnit,
  type ParseReason,
} from '../../src/core/units';

describe('typing a length', () => {
  const read: readonly [string, LengthUnit, number][] = [
    ['445', 'mm', 445],
    ['445 mm', 'cm', 445],
    ['44.5', 'cm', 445],
    ['44,5', 'cm', 445],
    ['44,5 cm', 'mm', 445],
    ['44.5cm', 'in', 445],
    ['  445  ', 'mm', 445],
    ['0', 'mm', 0],
    ['0,5 cm', 'mm', 5],
    ['17 1/2"', 'mm', 444.5],
    ['17 1/2 in', 'mm', 444.5],
    ['17-1/2', 'in', 444.5],
    ['17½', 'in', 444.5],
    ['17½”', 'mm', 444.5],
    ['1/2', 'in', 12.7],
    ['17.5', 'in', 444.5],
    ['17,5 inches', 'mm', 444.5],
    ['5\' 8"', 'mm', 1727.2],
    ["5'8", 'mm', 1727.2],
    ['5 ft 8 in', 'cm', 1727.2],
    ['5 ft', 'mm', 1524],
    ['5\' 8 1/2"', 'mm', 1739.9],
    ['1740', 'mm', 1740],
    ['174.0 cm', 'mm', 1740],
  ];
  for (const [text, shown, mm] of read) {
    it(`reads ${JSON.stringify(text)} with ${shown} shown as ${mm} mm`, () => {
      expect(parseLength(text, shown)).to.deep.equal({ ok: true, value: mm });
    });
  }

  const refused: readonly [string, LengthUnit, ParseReason][] = [
    ['', 'mm', 'empty'],
    ['   ', 'cm', 'empty'],
    ['tall', 'mm', 'notANumber'],
    ['--4', 'mm', 'notANumber'],
    ['4..5', 'mm', 'notANumber'],
    ['-20', 'mm', 'notANumber'],
    ['1e3', 'mm', 'notANumber'],
    ['44.5 kg', 'cm', 'wrongUnit'],
    ['44.5 m', 'cm', 'wrongUnit'],
    ['17 1/2 cm', 'mm', 'fractionOnlyInInches'],
    ['17 1/2', 'mm', 'fractionOnlyInInches'],
    ['17 1/0"', 'mm', 'notANumber'],
    ['1,740', 'mm', 'ambiguous'],
    ['1.740', 'mm', 'ambiguous'],
    ['1,740 cm', 'mm', 'ambiguous'],
  ];
  for (const [text, shown, reason] of refused) {
    it(`refuses ${JSON.stringify(text)} with ${shown} shown: ${reason}`, () => {
      const result = parseLength(text, shown);
      expect(result.ok).to.equal(false);
      expect(!result.ok && result.reason).to.equal(reason);
    });
  }

  it('offers both readings of an ambiguous entry, in millimetres', () => {
    const result = parseLength('1,740', 'mm');
    expect(!result.ok && result.readings).to.deep.equal([1.7, 1740]);
    const inCm = parseLength('1,740', 'cm');
    expect(!inCm.ok && inCm.readings).to.deep.equal([17.4, 17400]);
  });

  it('takes 0,125 for a decimal: nothing is grouped after a zero', () => {
    expect(parseLength('0,125', 'in')).to.deep.equal({ ok: true, value: 3.2 });
  });
});

describe('writing a length', () => {
  const written: readonly [number, LengthUnit, string][] = [
    [445, 'mm', '445 mm'],
    [444.5, 'mm', '444.5 mm'],
    [445, 'cm', '44.5 cm'],
    [440, 'cm', '44.0 cm'],
    [444.5, 'cm', '44.45 cm'],
    [444.5, 'in', '17 1/2 in'],
    [25.4, 'in', '1 in'],
    [12.7, 'in', '1/2 in'],
    [1.6, 'in', '1/16 in'],
    [0, 'in', '0 in'],
    [0, 'mm', '0 mm'],
    [-12, 'mm', '−12 mm'],
    [-12.7, 'in', '−1/2 in'],
    [0.2, 'in', '0 in'],
  ];
  for (const [mm, unit, text] of written) {
    it(`writes ${mm} mm in ${unit} as ${text}`, () => expect(formatLength(mm, unit)).to.equal(text));
  }

  it('reads back what it wrote, to a tenth of a millimetre in mm and cm', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 30000 }),
        fc.constantFrom<LengthUnit>('mm', 'cm'),
        (tenths, unit) => {
          const mm = tenths / 10;
          expect(parseLength(formatLengthNumber(mm, unit), unit)).to.deep.equal({ ok: true, value: mm });
        },
      ),
      { seed: 11, numRuns: 500 },
    );
  });

  it('reads back what it wrote in inches within half a sixteenth', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 30000 }), (tenths) => {
        const back = parseLength(formatLength(tenths / 10, 'in'), 'mm');
        // Half of 1/16 inch is 0.794 mm; the reading is then rounded to a tenth.
        expect(back.ok && Math.abs(back.value - tenths / 10)).to.be.at.most(0.794 + 0.051);
      }),
      { seed: 12, numRuns: 500 },
    );
  });

  it('writes the same text for what it has written and read before', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 30000 }), fc.constantFrom(...LENGTH_UNITS), (tenths, unit) => {
        const text = formatLengthNumber(tenths / 10, unit);
        const back = parseLength(text, unit);
        expect(back.ok && formatLengthNumber(back.value, unit)).to.equal(text);
      }),
      { seed: 13, numRuns: 500 },
    );
  });

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 20 }), fc.constantFrom(...LENGTH_UNITS), (text, unit) => {
        const result = parseLength(text, unit);
        if (result.ok) expect(result.value).to.be.at.least(0);
      }),
      { seed: 14, numRuns: 1000 },
    );
  });
});
