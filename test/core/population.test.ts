import { expect } from 'chai';
import fc from 'fast-check';
import { CholeskyDecomposition } from 'ml-matrix';
import {
  BRITISH,
  LOADINGS,
  MODELLED,
  SIZE_MARKS,
  TABLES,
  childSeatRow,
  centile,
  centileOf,
  childAt,
  childRow,
  conditional,
  estimatesOf,
  grown,
  implausible,
  marginalOf,
  numberOf,
  ownShare,
  populationOf,
  readTable,
  reasonWanted,
  repeatability,
  repeatabilityByFitter,
  rowOf,
  samplePeople,
  scoreCorrelation,
  scoreOf,
  sizeMarkFor,
  valueAt,
  yearsToNextMeasuring,
  type BodyDimension,
  type Known,
  type Who,
} from '../../src/core/population';
import { SEXES } from '../../src/core/body';
import { FULL, RIGHT_ANGLE, adjustment, bodyWith, seatWith, slides } from '../support/inputs';
import { evenly } from '../support/evenly';

const WHO: readonly Who[] = [...SEXES, 'mixed'];
const all = TABLES.flatMap((table) => WHO.map((who) => populationOf(table, who)));
const men = populationOf(BRITISH, 'men');
const known = (id: BodyDimension, value: number, spread = 0): Known => ({
  number: numberOf(id),
  value,
  spread,
});

describe('a population', () => {
  it('has a row and loadings for every dimension of a body', () => {
    for (const table of TABLES)
      for (const sex of SEXES)
        for (const id of MODELLED) {
          const { mean, sd, skew } = rowOf(table, sex, id);
          expect(sd, `${table.id} ${sex} ${id}`).to.be.within(0.02 * mean, 0.45 * mean);
          expect(skew).to.be.within(0, 1);
        }
    expect(Object.keys(LOADINGS).sort()).to.deep.equal([...MODELLED].sort());
    for (const id of MODELLED) {
      const explained = LOADINGS[id].reduce((sum, x) => sum + x * x, 0);
      expect(explained, id).to.be.within(0, 1 + 1e-9);
      expect(ownShare(id)).to.be.closeTo(1 - explained, 1e-9);
    }
  });

  it('is one that people can be of: positive definite, of each table and sex', () => {
    for (const population of all)
      expect(new CholeskyDecomposition(population.covariance).isPositiveDefinite()).to.equal(true);
  });

  it('keeps mean, deviation and skew of a row, scores there and back', () => {
    const row = { mean: 360, sd: 29, skew: 0.47, basis: 'published' } as const;
    const m = marginalOf(row);
    // By summing over a fine lattice of centiles.
    const n = 200_000;
    const values = Array.from({ length: n }, (_, i) => centile(m, (i + 0.5) / n));
    const mean = values.reduce((a, b) => a + b) / n;
    const moment = (k: number) => values.reduce((sum, x) => sum + (x - mean) ** k, 0) / n;
    expect(mean).to.be.closeTo(360, 0.01);
    expect(Math.sqrt(moment(2))).to.be.closeTo(29, 0.02);
    expect(moment(3) / moment(2) ** 1.5).to.be.closeTo(0.47, 0.01);
    for (const z of [-3, -1, 0, 0.5, 3]) expect(scoreOf(m, valueAt(m, z))).to.be.closeTo(z, 1e-9);
    expect(scoreOf(m, -1e6)).to.equal(-Infinity);
  });

  it('tells where somebody stands: half at the median, of both sexes between the two', () => {
    expect(centileOf(men, 'stature', 1740)).to.be.closeTo(0.5, 1e-9);
    expect(centileOf(men, 'stature', 1855)).to.be.closeTo(0.95, 0.003);
    const both = centileOf(populationOf(BRITISH, 'mixed'), 'stature', 1740);
    expect(both).to.be.closeTo((0.5 + centileOf(populationOf(BRITISH, 'women'), 'stature', 1740)) / 2, 1e-9);
  });
});

describe('estimates', () => {
  it('of nothing known are the population itself', () => {
    conditional(men, []).forEach(({ mean, spread }, i) => {
      expect(mean).to.equal(men.means[i]);
      expect(spread ** 2).to.be.closeTo(men.covariance.get(i, i), 1e-6);
    });
  });

  it('from one dimension are what the formula for two normals says', () => {
    const r = scoreCorrelation('stature', 'poplitealHeight');
    const { mean, spread } = conditional(men, [known('stature', 1880)])[numberOf('poplitealHeight')]!;
    expect(mean).to.be.closeTo(440 + ((r * 29) / 70) * 140, 1e-6);
    expect(spread).to.be.closeTo(29 * Math.sqrt(1 - r * r), 1e-6);
    // An error as large as people differ halves what a reading tells.
    const doubtful = conditional(men, [known('stature', 1880, 70)])[numberOf('poplitealHeight')]!;
    expect(doubtful.mean).to.be.closeTo(440 + ((r * 29) / 70) * 70, 1e-6);
    expect(doubtful.spread).to.be.closeTo(29 * Math.sqrt(1 - (r * r) / 2), 1e-6);
  });

  it('never widen with another dimension known, whoever it is', () => {
    const drawn = fc.tuple(
      fc.nat(all.length - 1),
      fc.uniqueArray(fc.nat(MODELLED.length - 1), { minLength: 2, maxLength: 12 }),
      fc.array(evenly(-3, 3), { minLength: 12, maxLength: 12 }),
      evenly(0, 20),
    );
    fc.assert(
      fc.property(drawn, ([n, numbers, scores, spread]) => {
        const population = all[n]!;
        const given = numbers.map((number, i) => ({
          number,
          value:
            population.means[number]! + scores[i]! * Math.sqrt(population.covariance.get(number, number)),
          spread,
        }));
        const fewer = conditional(population, given.slice(1));
        const more = conditional(population, given);
        more.forEach((e, i) => expect(e.spread).to.be.at.most(fewer[i]!.spread + 1e-4));
      }),
      { seed: 51, numRuns: 1500 },
    );
  });

  it('are what plain sampling finds, skewed dimensions and mixed sexes included', function () {
    this.timeout(60_000);
    const population = populationOf(BRITISH, 'mixed');
    const ids = ['stature', 'bodyMass', 'hipBreadthSitting', 'poplitealHeight'] as const;
    const given = [known('stature', 1690), known('bodyMass', 70)];
    const told = conditional(population, given);
    // The best straight line through sampled people, by least squares.
    let n = 0;
    const sums = Array.from({ length: 5 }, () => new Float64Array(5));
    for (const values of samplePeople(population, ids, { seed: 3, count: 400_000 }))
      for (let at = 0; at < values.length; at += 4, n++) {
        const x = [1, values[at]! - 1690, values[at + 1]! - 70, values[at + 2]!, values[at + 3]!];
        for (let i = 0; i < 5; i++) for (let j = 0; j < 5; j++) sums[i]![j]! += x[i]! * x[j]!;
      }
    for (const [column, id] of [
      [3, 'hipBreadthSitting'],
      [4, 'poplitealHeight'],
    ] as const) {
      const a = [0, 1, 2].map((i) => [0, 1, 2].map((j) => sums[i]![j]! / n));
      const b = [0, 1, 2].map((i) => sums[i]![column]! / n);
      const [intercept, ...rest] = solve3(a, b);
      const explained = intercept! * b[0]! + rest[0]! * b[1]! + rest[1]! * b[2]!;
      const { mean, spread } = told[numberOf(id)]!;
      expect(intercept).to.be.closeTo(mean, 0.3);
      expect(Math.sqrt(sums[column]![column]! / n - explained)).to.be.closeTo(spread, 0.15);
    }
  });

  it('are marked as estimates, and never take the place of what was measured', () => {
    const body = bodyWith({ stature: 1700, bodyMass: 70 });
    const found = estimatesOf(body, populationOf(BRITISH, 'mixed'));
    expect(Object.keys(found).sort()).to.deep.equal(
      MODELLED.filter((id) => id !== 'stature' && id !== 'bodyMass').sort(),
    );
    for (const quantity of Object.values(found)) {
      expect(quantity).to.include({ basis: 'estimated', source: BRITISH.name, takenBy: null });
      expect(quantity.spread).to.be.greaterThan(0);
    }
    // What was estimated before says nothing more.
    expect(estimatesOf({ ...body, ...found }, populationOf(BRITISH, 'mixed'))).to.deep.equal(found);
  });

  it('fall back on shares of stature where no population is chosen', () => {
    const found = estimatesOf(bodyWith({ stature: 1700 }), null);
    expect(found.sittingHeight).to.include({ value: 884, basis: 'estimated' });
    expect(found.poplitealHeight).to.equal(undefined);
    expect(estimatesOf(bodyWith({ bodyMass: 70 }), null)).to.deep.equal({});
  });
});

/** Three equations, by Cramer's rule. */
function solve3(a: readonly (readonly number[])[], b: readonly number[]): number[] {
  const det = (m: readonly (readonly number[])[]): number =>
    m[0]![0]! * (m[1]![1]! * m[2]![2]! - m[1]![2]! * m[2]![1]!) -
    m[0]![1]! * (m[1]![0]! * m[2]![2]! - m[1]![2]! * m[2]![0]!) +
    m[0]![2]! * (m[1]![0]! * m[2]![1]! - m[1]![1]! * m[2]![0]!);
  return [0, 1, 2].map((k) => det(a.map((row, i) => row.map((x, j) => (j === k ? b[i]! : x)))) / det(a));
}

describe('plausibility', () => {
  const population = populationOf(BRITISH, 'mixed');
  const about = (measures: Parameters<typeof bodyWith>[0]) => implausible(bodyWith(measures), population);

  it('lets a body be that can be', () => {
    expect(about(FULL)).to.deep.equal([]);
    expect(about({ stature: 1900 })).to.deep.equal([]);
    expect(about({})).to.deep.equal([]);
  });

  it('names two rows swapped, once', () => {
    const [first, ...rest] = about({
      ...FULL,
      poplitealHeight: FULL.buttockPoplitealLength + 10,
      buttockPoplitealLength: FULL.poplitealHeight - 10,
    });
    expect(rest).to.deep.equal([]);
    const slip = first!.slips.find((s) => s.kind === 'swapped')!;
    expect([first!.dimension, slip.other].sort()).to.deep.equal([
      'buttockPoplitealLength',
      'poplitealHeight',
    ]);
  });

  for (const [slip, dimension, typed, meant] of [
    ['tenfold', 'bodyMass', 750, 75],
    ['centimetres', 'thighClearance', 14, 140],
    ['inches', 'shoulderBreadth', 17.7, 449.6],
    ['tenth', 'bodyMass', 7.5, 75],
  ] as const) {
    it(`names the slip: ${slip}`, () => {
      const [first] = about({ ...FULL, [dimension]: typed });
      expect(first).to.include({ dimension, level: 'reason' });
      const found = first!.slips.find((s) => s.kind === slip);
      expect(found?.instead).to.be.closeTo(meant, 0.1);
    });
  }

  it('names shoes kept on', () => {
    const [first] = about({ ...FULL, shoeHeel: 60, poplitealHeight: FULL.poplitealHeight + 60 });
    expect(first).to.include({ dimension: 'poplitealHeight', level: 'ask' });
    expect(first!.slips.map((s) => s.kind)).to.include('shoesOn');
  });

  it('asks from three deviations on and wants a reason from five', () => {
    const level = (elbowHeightSitting: number) => about({ ...FULL, elbowHeightSitting })[0]?.level;
    expect(level(FULL.elbowHeightSitting + 40)).to.equal(undefined);
    expect(level(FULL.elbowHeightSitting + 90)).to.equal('ask');
    expect(level(FULL.elbowHeightSitting + 150)).to.equal('reason');
  });
});

describe('a reason', () => {
  const population = populationOf(BRITISH, 'mixed');
  const wanted = (before: Parameters<typeof bodyWith>[0], dimension: BodyDimension, value: number) =>
    reasonWanted(bodyWith(before), dimension, bodyWith({ [dimension]: value })[dimension]!, population);

  it('is wanted for a new measure far from what the others let expect', () => {
    expect(wanted(FULL, 'elbowHeightSitting', FULL.elbowHeightSitting + 5)).to.equal(null);
    expect(wanted(FULL, 'elbowHeightSitting', FULL.elbowHeightSitting + 150)).to.include({
      dimension: 'elbowHeightSitting',
      level: 'reason',
    });
    expect(wanted({}, 'stature', 2390)).to.equal(null);
  });

  it('is not wanted for what was doubtful before, nor where a measure stands with one', () => {
    const odd = { ...FULL, elbowHeightSitting: FULL.elbowHeightSitting + 150 };
    expect(wanted(odd, 'footLength', FULL.footLength)).to.equal(null);
    const body = bodyWith(odd);
    const kept = { ...body, elbowHeightSitting: { ...body.elbowHeightSitting!, reason: 'seen' } };
    expect(implausible(body, population)).to.have.length(1);
    expect(implausible(kept, population)).to.deep.equal([]);
  });
});

describe('children', () => {
  it('grow: older is taller in every part, and the grown have an adult’s proportions', () => {
    for (const sex of SEXES)
      for (const id of MODELLED) {
        for (let age = 3; age < 16; age++)
          expect(childRow(sex, id, age + 1).mean, `${id} ${age}`).to.be.greaterThan(
            childRow(sex, id, age).mean,
          );
        const share = rowOf(BRITISH, sex, id).mean / rowOf(BRITISH, sex, 'stature').mean;
        if (id !== 'stature' && id !== 'bodyMass')
          expect(childRow(sex, id, 18).mean).to.be.closeTo(share * childRow(sex, 'stature', 18).mean, 1e-6);
      }
  });

  it('keep their place among children of their age, less surely the longer ahead', () => {
    const body = childAt('women', 6, 0.3);
    const later = grown(body, 'women', 6, 9);
    for (const id of ['stature', 'poplitealHeight', 'sittingHeight'] as const) {
      expect(later[id]!.value, id).to.be.closeTo(childAt('women', 9, 0.3)[id]!.value, 1e-6);
      expect(later[id]!.basis).to.equal('estimated');
      expect(later[id]!.spread).to.be.lessThan(grown(body, 'women', 6, 12)[id]!.spread);
      expect(grown(body, 'women', 6, 6)[id]!.value).to.be.closeTo(body[id]!.value, 1e-9);
    }
    expect(grown({ shoeHeel: body.stature }, 'women', 6, 9)).to.deep.equal({ shoeHeel: body.stature });
  });

  it('are measured again within half a year, sooner while they shoot up', () => {
    for (let age = 3; age < 19; age++) expect(yearsToNextMeasuring('mixed', age)).to.be.within(1 / 12, 0.5);
    expect(yearsToNextMeasuring('mixed', 5)).to.be.lessThan(0.5);
    expect(yearsToNextMeasuring('mixed', 18)).to.equal(0.5);
  });

  it('have one size of school furniture for each lower leg, and a taller seat for a longer one', () => {
    SIZE_MARKS.slice(1).forEach((mark, i) => {
      expect(mark.popliteal[0]).to.equal(SIZE_MARKS[i]!.popliteal[1]);
      expect(mark.seatMm).to.be.greaterThan(SIZE_MARKS[i]!.seatMm);
    });
    expect(sizeMarkFor(199)).to.equal(null);
    expect(sizeMarkFor(315)?.mark).to.equal(3);
    expect(sizeMarkFor(600)?.mark).to.equal(7);
  });

  it('fit a seat for a stretch of years, none where none is made for them', () => {
    const seat = (lowest: number, highest: number) =>
      seatWith([adjustment('seatHeight', slides(lowest, highest))]);
    const given = (lowest: number, highest: number) =>
      ({ seat: seat(lowest, highest), place: null, method: RIGHT_ANGLE }) as const;
    const small = childSeatRow(given(280, 320), 'mixed', 0.5, 20).both;
    const large = childSeatRow(given(340, 380), 'mixed', 0.5, 20).both;
    expect(small.from!).to.be.lessThan(large.from!);
    expect(small.to!).to.be.lessThan(large.to!);
    expect(childSeatRow(given(540, 560), 'mixed', 0.5, 0).both).to.deep.equal({ from: null, to: null });
  });
});

describe('a practice’s own table', () => {
  const named = { id: 'own', name: 'Crew of the Skarrow Isles', source: 'own readings' };
  const head = 'dimension,sex,unit,mean,sd,p5,p95,skew,n,basis';
  const read = (...lines: string[]) => readTable([head, ...lines].join('\n'), named);
  const both = ['stature,men,cm,178,7,,', 'stature,women,mm,"1650",65,,'];

  it('is read in its own units, and what it lacks is taken from the first table in proportion', () => {
    const found = read(...both, 'bodyMass,men,kg,80,12,62,101');
    if (!found.ok) throw new Error(JSON.stringify(found.faults));
    const { table } = found;
    expect(table.rows.men.stature).to.include({ mean: 1780, sd: 70, skew: 0, basis: 'published' });
    expect(table.rows.men.bodyMass!.skew).to.be.greaterThan(0);
    expect(rowOf(table, 'men', 'poplitealHeight')).to.include({ basis: 'derived' });
    expect(rowOf(table, 'men', 'poplitealHeight').mean).to.be.closeTo((440 * 1780) / 1740, 1e-9);
    expect(populationOf(table, 'men').means[0]).to.equal(1780);
  });

  for (const [what, lines, reason, line, column] of [
    ['a dimension that is none', ['girth,men,mm,900,50,,'], 'notADimension', 4, 'dimension'],
    ['a shoe', ['shoeHeel,men,mm,25,5,,'], 'notADimension', 4, 'dimension'],
    ['a sex that is none', ['footLength,all,mm,250,12,,'], 'notASex', 4, 'sex'],
    ['a length in kilograms', ['footLength,men,kg,250,12,,'], 'notAUnit', 4, 'unit'],
    ['a word for a number', ['footLength,men,mm,long,12,,'], 'notANumber', 4, 'mean'],
    ['a deviation of nothing', ['footLength,men,mm,265,0,,'], 'outOfRange', 4, 'sd'],
    ['centiles the wrong way round', ['footLength,men,mm,265,14,280,240'], 'outOfRange', 4, 'p5'],
    ['a skew that nobody has', ['footLength,men,mm,265,14,,,9,,'], 'outOfRange', 4, 'skew'],
    ['half a person', ['footLength,men,mm,265,14,,,,1.5,'], 'outOfRange', 4, 'n'],
    ['a basis that is none', ['footLength,men,mm,265,14,,,,,heard'], 'notABasis', 4, 'basis'],
    ['a row twice', ['stature,men,mm,1780,70,,'], 'twice', 4, 'dimension'],
  ] as const) {
    it(`says where it is wrong: ${what}`, () => {
      const found = read(...both, ...lines);
      expect(found.ok).to.equal(false);
      expect(!found.ok && found.faults[0]).to.include({ reason, line, column });
    });
  }

  it('needs its columns, a row and the stature of both', () => {
    const reasons = (text: string) => {
      const found = readTable(text, named);
      return found.ok ? [] : found.faults.map((f) => f.reason);
    };
    expect(reasons('')).to.include('noColumn');
    expect(reasons('dimension,sex,unit,mean\n')).to.deep.equal(['noColumn']);
    expect(reasons(head)).to.deep.equal(['empty']);
    expect(reasons(`${head}\nfootLength,men,mm,265,14,,`)).to.deep.equal(['noStature', 'noStature']);
  });
});

describe('repeatability', () => {
  it('of no pairs is not told', () => expect(repeatability([])).to.equal(null));
  it('is told of each fitter and dimension', () => {
    const pair = (fitter: string, dimension: BodyDimension, a: number, b: number) =>
      ({ fitter, dimension, readings: [a, b] }) as const;
    const all = repeatabilityByFitter(
      [
        pair('Ada', 'elbowHeightSitting', 240, 250),
        pair('Ada', 'stature', 1740, 1742),
        pair('Bo', 'elbowHeightSitting', 240, 241),
        pair('Ada', 'elbowHeightSitting', 230, 220),
      ],
      (id) => rowOf(BRITISH, 'men', id).sd,
    );
    expect(all.map((x) => [x.fitter, x.dimension, x.found.pairs])).to.deep.equal([
      ['Ada', 'elbowHeightSitting', 2],
      ['Ada', 'stature', 1],
      ['Bo', 'elbowHeightSitting', 1],
    ]);
    expect(all[0]!.found.tem).to.be.closeTo(Math.sqrt(200 / 4), 1e-9);
    expect(all[0]!.found.reliability).to.be.closeTo(1 - 50 / 31 ** 2, 1e-9);
  });
  it('is perfect where readings agree', () =>
    expect(repeatability([[400, 400]], 27)).to.deep.equal({ pairs: 1, tem: 0, relative: 0, reliability: 1 }));
});
