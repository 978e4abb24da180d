import { expect } from 'chai';
import fc from 'fast-check';
import { DIMENSIONS } from '../../src/core/body';
import { Lines, calliperPress, heard, scaleSteps, seededRandom } from '../../src/devices';

const LINE = '{"velto":1,"device":"calliper","simulated":false,"value":445.2,"unit":"mm","settled":true}';
const faultOf = (line: string) => {
  const said = heard(line);
  return said.ok ? null : said.fault;
};

describe('what a device says', () => {
  it('is a reading with its unit', () => {
    const said = heard(LINE);
    expect(said.ok && said.message).to.deep.include({ device: 'calliper', value: 445.2, unit: 'mm' });
  });

  it('is refused for a reason where it is none', () => {
    expect(faultOf('445.2')).to.equal('notMessage');
    expect(faultOf('hello')).to.equal('notJson');
    expect(faultOf(LINE.replace('"velto":1', '"velto":2'))).to.equal('otherVersion');
    expect(faultOf(LINE.replace('445.2', '-3'))).to.equal('notMessage');
    expect(faultOf(LINE.replace('445.2', '1e400'))).to.equal('notMessage');
    expect(faultOf(LINE.replace('"mm"', '"furlong"'))).to.equal('notMessage');
    expect(faultOf('x'.repeat(10_000))).to.equal('tooLong');
  });

  it('never makes the hearer fall, whatever it is', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (line) => {
        expect(heard(line)).to.have.property('ok');
      }),
      { seed: 5 },
    );
  });

  it('comes in whole lines, however it was broken up', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 40 })), (cuts) => {
        const sent = `${LINE}\r\n\n${LINE}\n`;
        const lines = new Lines();
        const found: string[] = [];
        let at = 0;
        for (const cut of [...cuts, sent.length]) {
          found.push(...lines.push(sent.slice(at, at + cut)));
          at += cut;
        }
        expect(found).to.deep.equal([LINE, LINE]);
      }),
      { seed: 6 },
    );
  });

  it('is not kept forever where no line ends', () => {
    const lines = new Lines();
    for (let i = 0; i < 100; i++) expect(lines.push('x'.repeat(1000))).to.deep.equal([]);
    expect(lines.push('\n')[0]!.length).to.be.lessThan(3000);
  });
});

describe('a simulated device', () => {
  it('says so, with noise about the true value and now and then a slip', () => {
    const random = seededRandom(1);
    const off: number[] = [];
    for (let n = 0; n < 2000; n++) {
      const said = heard(calliperPress('poplitealHeight', 440, random));
      if (!said.ok) throw new Error(said.fault);
      expect(said.message).to.deep.include({
        simulated: true,
        device: 'calliper',
        unit: 'mm',
        settled: true,
      });
      off.push(said.message.value - 440);
    }
    const slips = off.filter((by) => by > 9);
    expect(slips.length / off.length).to.be.within(0.02, 0.06);
    const usual = off.filter((by) => by <= 9);
    const sd = Math.sqrt(usual.reduce((sum, by) => sum + by * by, 0) / usual.length);
    expect(sd).to.be.closeTo(0.35 * DIMENSIONS.poplitealHeight.repeatTolerance, 0.15);
  });

  it('says the same for the same seed', () => {
    const say = () => {
      const random = seededRandom(9);
      return [calliperPress('stature', 1700, random), ...scaleSteps(70, random)];
    };
    expect(say()).to.deep.equal(say());
  });

  it('swings before it settles, as a scale does', () => {
    const said = scaleSteps(72.5, seededRandom(3)).map(heard);
    const settled = said.map((s) => s.ok && s.message.settled);
    expect(settled).to.deep.equal([false, false, false, false, true]);
    const last = said.at(-1)!;
    expect(last.ok && last.message.value).to.be.closeTo(72.5, 0.5);
  });
});
