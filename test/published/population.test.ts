/** Body dimensions of populations, children and repeatability against published figures; from memory unless a check says otherwise. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import {
  BRITISH,
  MODELLED,
  US_ARMY,
  childSeatRow,
  childAt,
  estimatesOf,
  numberOf,
  populationOf,
  repeatability,
  samplePeople,
  sampleScores,
  scoreCorrelation,
  sizeMarkFor,
  skewOf,
  statureAt,
  type BodyDimension,
} from '../../src/core/population';
import { SEXES, type Sex } from '../../src/core/body';
import { RIGHT_ANGLE, adjustment, bodyWith, seatWith, slides } from '../support/inputs';

const lines = (name: string): string[][] =>
  readFileSync(join('test', 'published', 'data', name), 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => line.split(','));

interface Drawn {
  readonly mean: number;
  readonly sd: number;
  readonly centile: (share: number) => number;
}

function drawn(sex: Sex, table = BRITISH, count = 120_000): Record<string, Drawn> {
  const columns = MODELLED.map(() => new Float64Array(count));
  let person = 0;
  for (const values of samplePeople(populationOf(table, sex), MODELLED, { seed: 19, count }))
    for (let at = 0; at < values.length; person++)
      for (let i = 0; i < MODELLED.length; i++) columns[i]![person] = values[at++]!;
  return Object.fromEntries(
    MODELLED.map((id, i) => {
      const sorted = columns[i]!.sort();
      const mean = sorted.reduce((a, b) => a + b) / count;
      const sd = Math.sqrt(sorted.reduce((sum, x) => sum + (x - mean) ** 2, 0) / count);
      return [id, { mean, sd, centile: (share: number) => sorted[Math.round(share * (count - 1))]! }];
    }),
  );
}

describe('people drawn from a population', function () {
  this.timeout(60_000);
  /** Pheasant, Bodyspace, British adults 19–65: 5th and 95th centile, printed to 5 mm. */
  const PRINTED: readonly [BodyDimension, readonly [number, number], readonly [number, number]][] = [
    ['stature', [1625, 1855], [1505, 1710]],
    ['sittingHeight', [850, 965], [795, 910]],
    ['eyeHeightSitting', [735, 845], [685, 795]],
    ['shoulderHeightSitting', [540, 645], [505, 610]],
    ['elbowHeightSitting', [195, 295], [185, 280]],
    ['buttockKneeLength', [540, 645], [520, 620]],
    ['buttockPoplitealLength', [440, 550], [435, 530]],
    ['poplitealHeight', [395, 490], [355, 445]],
    ['biacromialBreadth', [365, 430], [325, 385]],
    ['shoulderElbowLength', [330, 395], [300, 360]],
    ['forearmHandLength', [440, 510], [400, 460]],
    ['footLength', [240, 285], [215, 255]],
    ['elbowHeightStanding', [1005, 1180], [930, 1085]],
  ];
  const people = { men: drawn('men'), women: drawn('women') };

  for (const sex of SEXES) {
    it(`have the means and deviations of the table: ${sex}`, () => {
      for (const id of MODELLED) {
        const { mean, sd } = BRITISH.rows[sex][id]!;
        expect(people[sex][id]!.mean, id).to.be.closeTo(mean, 0.02 * sd);
        expect(people[sex][id]!.sd, id).to.be.closeTo(sd, 0.02 * sd);
      }
    });

    it(`have the printed 5th and 95th centiles to 5 mm: Pheasant, Bodyspace, ${sex}`, () => {
      for (const [id, ofMen, ofWomen] of PRINTED) {
        const [low, high] = sex === 'men' ? ofMen : ofWomen;
        expect(people[sex][id]!.centile(0.05), id).to.be.closeTo(low, 5);
        expect(people[sex][id]!.centile(0.95), id).to.be.closeTo(high, 5);
      }
    });
  }

  it('have a mass skewed as the US Army’s of 1988: 5th and 95th centile of men 61.6 and 98.1 kg, of women 49.6 and 77.0', () => {
    const [ofMen, ofWomen] = [drawn('men', US_ARMY).bodyMass!, drawn('women', US_ARMY).bodyMass!];
    expect(ofMen.centile(0.05)).to.be.closeTo(61.6, 0.8);
    expect(ofMen.centile(0.95)).to.be.closeTo(98.1, 0.8);
    expect(ofWomen.centile(0.05)).to.be.closeTo(49.6, 0.8);
    expect(ofWomen.centile(0.95)).to.be.closeTo(77, 0.8);
    // Its middle lies about 1.3 kg above the mean (computed).
    expect((ofMen.centile(0.05) + ofMen.centile(0.95)) / 2 - 78.49).to.be.closeTo(1.3, 0.3);
    expect(skewOf(78.49, 11.1, 61.6, 98.1)).to.be.within(0.3, 0.6);
  });

  /** Plausible bands of adult military, both sexes. */
  const BANDS: readonly [BodyDimension, BodyDimension, number, number][] = [
    ['stature', 'kneeHeight', 0.85, 0.91],
    ['stature', 'poplitealHeight', 0.79, 0.85],
    ['stature', 'buttockKneeLength', 0.76, 0.84],
    ['stature', 'buttockPoplitealLength', 0.68, 0.78],
    ['stature', 'hipBreadthSitting', 0.3, 0.45],
    ['stature', 'elbowHeightSitting', 0.1, 0.3],
    ['bodyMass', 'hipBreadthSitting', 0.75, 0.88],
    ['bodyMass', 'shoulderBreadth', 0.75, 0.88],
    ['bodyMass', 'thighClearance', 0.65, 0.8],
    ['sittingHeight', 'elbowHeightSitting', 0.5, 0.65],
    ['poplitealHeight', 'kneeHeight', 0.85, 0.95],
  ];
  for (const [a, b, low, high] of BANDS)
    it(`${a} and ${b} hang together by ${low} to ${high}`, () =>
      expect(scoreCorrelation(a, b)).to.be.within(low, high));

  it('stature and mass by 0.515 to 0.533: NASA RP-1024 (1978)', () =>
    expect(scoreCorrelation('stature', 'bodyMass')).to.be.within(0.515, 0.533));

  it('stature and sitting height by about 0.79: USAF men 1967', () =>
    expect(scoreCorrelation('stature', 'sittingHeight')).to.be.closeTo(0.79, 0.01));
});

describe('how many lie within the 5th to 95th centile of everything, equally correlated (computed)', function () {
  this.timeout(60_000);
  const shares: readonly [dimensions: number, rho: number, percent: number][] = [
    [2, 0, 81],
    [2, 0.2, 81.23],
    [2, 0.3, 81.52],
    [2, 0.5, 82.45],
    [2, 0.7, 83.92],
    [2, 0.8, 84.95],
    [2, 0.9, 86.37],
    [2, 1, 90],
    [3, 0.3, 74.2],
    [3, 0.5, 76.36],
    [3, 0.7, 79.47],
    [5, 0, 59.05],
    [5, 0.5, 66.85],
    [5, 0.9, 81.1],
  ];
  for (const [dimensions, rho, percent] of shares)
    it(`${dimensions} dimensions at ${rho}: ${percent} %`, () => {
      const loadings = Array.from({ length: dimensions }, () => [Math.sqrt(rho)]);
      const count = 400_000;
      let inside = 0;
      for (const scores of sampleScores(loadings, { seed: 5, count }))
        for (let at = 0; at < scores.length; at += dimensions) {
          let isIn = true;
          for (let i = 0; i < dimensions; i++) isIn &&= Math.abs(scores[at + i]!) <= 1.6448536;
          if (isIn) inside++;
        }
      // Three standard errors of so many draws.
      expect((100 * inside) / count).to.be.closeTo(percent, 0.25);
    });
});

describe('253 real adults: Heinz et al. 2003, Journal of Statistics Education 11(2), open data', () => {
  const sexOf = (said: string | undefined): Sex => (said === 'male' ? 'men' : 'women');
  const people = lines('body-dimensions-253.csv').map(([biacromial, , , stature, mass, , sex]) => ({
    sex: sexOf(sex),
    biacromial: 10 * Number(biacromial),
    body: bodyWith({ stature: 10 * Number(stature), bodyMass: Number(mass) }),
  }));

  it('have a biacromial breadth within two reported spreads of the estimate from stature, mass and sex: 93 to 97 %', () => {
    expect(people).to.have.length(253);
    const inside = people.filter(({ sex, biacromial, body }) => {
      const { value, spread } = estimatesOf(body, populationOf(BRITISH, sex)).biacromialBreadth!;
      return Math.abs(biacromial - value) <= 2 * spread;
    });
    expect((100 * inside.length) / people.length).to.be.within(93, 97);
  });

  it('have a mass and a biacromial breadth that hang together with stature about as in the model', () => {
    for (const sex of SEXES) {
      const some = people.filter((p) => p.sex === sex);
      const r = correlation(
        some.map((p) => p.body.stature!.value),
        some.map((p) => p.body.bodyMass!.value),
      );
      // About 125 people: a standard error of 0.07.
      expect(r).to.be.closeTo(scoreCorrelation('stature', 'bodyMass'), 0.14);
      const breadth = correlation(
        some.map((p) => p.body.stature!.value),
        some.map((p) => p.biacromial),
      );
      expect(breadth).to.be.closeTo(scoreCorrelation('stature', 'biacromialBreadth'), 0.14);
    }
  });
});

function correlation(a: readonly number[], b: readonly number[]): number {
  const mean = (x: readonly number[]) => x.reduce((s, y) => s + y, 0) / x.length;
  const [ma, mb] = [mean(a), mean(b)];
  const sum = (f: (i: number) => number) => a.reduce((s, _, i) => s + f(i), 0);
  const both = sum((i) => (a[i]! - ma) * (b[i]! - mb));
  return both / Math.sqrt(sum((i) => (a[i]! - ma) ** 2) * sum((i) => (b[i]! - mb) ** 2));
}

describe('stature of children: WHO 2007, read out of a growth-chart package’s data', () => {
  for (const [sex, age, centile, stature] of lines('who-2007-stature.csv')) {
    const years = Number(age);
    it(`${sex}, ${age} years, ${centile}th centile: ${stature} cm`, () => {
      const { mean, sd } = statureAt(sex === 'male' ? 'men' : 'women', years);
      const z = { 5: -1.6449, 50: 0, 95: 1.6449 }[Number(centile)]!;
      expect(mean + z * sd).to.be.closeTo(10 * Number(stature), 1.5);
    });
  }
});

describe('school furniture: EN 1729-1, popliteal height of the middle stature of a mark', () => {
  const marks: readonly [
    mark: number,
    stature: readonly [number, number],
    popliteal: readonly [number, number],
  ][] = [
    [1, [930, 1160], [250, 280]],
    [2, [1080, 1210], [280, 315]],
    [3, [1190, 1420], [315, 355]],
    [4, [1330, 1590], [355, 405]],
    [5, [1460, 1765], [405, 435]],
  ];
  for (const [mark, [short, tall], [low, high]] of marks)
    it(`mark ${mark}: ${low} to ${high}`, () => {
      const middle = (short + tall) / 2;
      let age = 3;
      while (age < 19 && childAt('mixed', age, 0.5).stature!.value < middle) age += 1 / 24;
      expect(childAt('mixed', age, 0.5).poplitealHeight!.value).to.be.within(low - 3, high + 3);
      expect(sizeMarkFor((low + high) / 2)?.mark).to.equal(mark);
    });
});

describe('a child’s seat with its lowest front edge at 300 mm and shortest depth at 260 mm: common practice, no source', () => {
  const seat = seatWith(
    [adjustment('seatHeight', slides(300, 380)), adjustment('seatDepth', slides(260, 330))],
    { seatClass: 'child' },
  );
  const given = { seat, place: null, method: RIGHT_ANGLE };
  const wholeYear = (from: number | null): number => Math.ceil((from ?? Infinity) - 1e-6);

  it('fits the average child barefoot from seven by its height', () =>
    expect(wholeYear(childSeatRow(given, 'mixed', 0.5, 0).height.from)).to.equal(7));

  it('and by its depth from five', () =>
    expect(wholeYear(childSeatRow(given, 'mixed', 0.5, 0).depth.from)).to.equal(5));

  it('by both from seven: its height is the limit', () =>
    expect(wholeYear(childSeatRow(given, 'mixed', 0.5, 0).both.from)).to.equal(7));

  it('does not fit the smallest twentieth of seven-year-olds', () =>
    expect(childSeatRow(given, 'mixed', 0.05, 0).both.from!).to.be.greaterThan(7));

  it('has an average seven-year-old’s lower leg of about 310 mm, the smallest twentieth’s of about 280', () => {
    expect(childAt('mixed', 7, 0.5).poplitealHeight!.value).to.be.closeTo(310, 5);
    expect(childAt('mixed', 7, 0.05).poplitealHeight!.value).to.be.closeTo(280, 5);
  });

  // WHO growth reference 2007, weight for age, median, kg; from memory. Kept apart from what masses are made of: BMI for
  // age (WHO 2007, from memory) and stature for age.
  const WEIGHT_FOR_AGE = {
    men: { 5: 18.3, 6: 20.5, 8: 25.4, 10: 31.2 },
    women: { 5: 18.2, 6: 20.2, 8: 25, 10: 31.9 },
  } as const;
  for (const sex of SEXES)
    for (const [age, kg] of Object.entries(WEIGHT_FOR_AGE[sex]))
      it(`has the average mass of ${sex === 'men' ? 'boys' : 'girls'} of ${age}: ${kg} kg (WHO 2007, from memory)`, () =>
        expect(childAt(sex, Number(age), 0.5).bodyMass!.value).to.be.within(0.97 * kg, 1.03 * kg));

  // WHO 2007, BMI for age one deviation above and below the middle; from memory.
  const ONE_OFF = [
    ['men', 5, 14.1, 16.6],
    ['men', 10, 14.9, 18.5],
    ['men', 15, 17.6, 22.7],
    ['women', 5, 13.9, 16.9],
    ['women', 10, 14.8, 19],
    ['women', 15, 17.8, 23.5],
  ] as const;
  for (const [sex, age, below, above] of ONE_OFF)
    it(`spreads the mass of ${sex} of ${age} more upward than downward, at least as BMI alone does (WHO 2007)`, () => {
      const at = (share: number) => childAt(sex, age, share).bodyMass!.value;
      const square = (childAt(sex, age, 0.5).stature!.value / 1000) ** 2;
      expect(at(0.8413) - at(0.5)).to.be.greaterThan(at(0.5) - at(0.1587));
      expect(at(0.8413)).to.be.at.least(0.99 * above * square);
      expect(at(0.1587)).to.be.at.most(1.01 * below * square);
    });

  it('has an average five-year-old’s thigh of about 280 mm, where adult proportions would make it 311', () => {
    expect(childAt('mixed', 5, 0.5).buttockPoplitealLength!.value).to.be.closeTo(280, 3);
    const { means } = populationOf(BRITISH, 'men');
    const share = means[numberOf('buttockPoplitealLength')]! / means[numberOf('stature')]!;
    expect(share * childAt('mixed', 5, 0.5).stature!.value).to.be.closeTo(311, 3);
  });
});

describe('technical error of measurement: Ulijaszek & Kerr 1999', () => {
  it('of the differences 2, −3, 4, 0, −1, 5, −2, 3, −4, 1 mm is 2.0616 mm, 0.515 % of 400, reliability 0.99417 with a spread of 27 (computed)', () => {
    const pairs = [2, -3, 4, 0, -1, 5, -2, 3, -4, 1].map((d) => [400 + d / 2, 400 - d / 2] as const);
    const { tem, relative, reliability } = repeatability(pairs, 27)!;
    expect(tem).to.be.closeTo(2.0616, 5e-5);
    expect(100 * relative).to.be.closeTo(0.515, 5e-4);
    expect(reliability).to.be.closeTo(0.99417, 5e-6);
  });
});
