import { expect } from 'chai';
import fc from 'fast-check';
import { DIMENSIONS, DIMENSION_IDS, SEXES, type DimensionId } from '../../src/core/body';
import {
  MOST_PEOPLE,
  PEOPLE_HEAD,
  columnByHead,
  defused,
  fused,
  isFormula,
  peopleCsvHead,
  peopleCsvRow,
  personFaults,
  readPeopleCsv,
  type CsvPerson,
  type PeopleFault,
  type PeopleRead,
} from '../../src/core/exchange';
import { hasInvisible } from '../../src/core/exchange/invisible';
import { readPeopleJson } from '../../src/contract/people-file';
import { FILE_PERSON } from '../support/file-person';

const TODAY = '2026-11-26';

function lastOf(reading: ReturnType<typeof readPeopleCsv>): PeopleRead {
  let read: PeopleRead | null = null;
  for (const progress of reading) read = progress.read;
  return read!;
}
const read = (text: string): PeopleRead => lastOf(readPeopleCsv(text, TODAY));
const placed = ({ reason, row, column }: PeopleFault): string => `${reason} ${row} ${column}`.trim();
/** What is wrong with one row under a head. */
const faultsOf = (head: string, row: string): string[] => read(`${head}\n${row}\n`).faults.map(placed);

describe('the head of a file of people', () => {
  it('says every dimension with its unit, and is understood as it is written', () => {
    for (const id of DIMENSION_IDS) expect(PEOPLE_HEAD).to.include(`${id} [${DIMENSIONS[id].unit}]`);
    expect(read(`${peopleCsvHead()}`).faults.map(placed)).to.deep.equal(['empty 0']);
  });

  it('takes other ways to write a dimension, and the units that belong to it', () => {
    for (const head of ['Popliteal height (cm)', 'popliteal_height [CM]', 'POPLITEALHEIGHT [ cm ]'])
      expect(columnByHead(head), head).to.deep.equal({
        of: 'reading',
        dimension: 'poplitealHeight',
        unit: 'cm',
        per: 10,
      });
    expect(columnByHead('bodyMass [lb]')).to.deep.include({ dimension: 'bodyMass', per: 0.45359237 });
    expect(columnByHead('Birth Date')).to.deep.equal({ of: 'person', column: 'birth date' });
    expect(columnByHead('shoe size')).to.deep.equal({ of: 'nothing' });
  });

  it('has to say units, once each, and a name', () => {
    expect(faultsOf('name,stature', 'A,1700')).to.deep.equal(['unitMissing 1 stature']);
    expect(faultsOf('name,stature [kg]', 'A,1700')).to.deep.equal(['wrongUnit 1 stature [kg]']);
    expect(faultsOf('name,stature [mm],stature [cm]', 'A,1700,170')).to.deep.equal([
      'columnTwice 1 stature [cm]',
    ]);
    expect(faultsOf('stature [mm]', '1700')).to.deep.equal(['noName 0']);
  });

  it('tells which columns are not taken', () => {
    const found = read('name,shoe size,stature [mm]\nA,44,1700\n');
    expect(found.ignored).to.deep.equal(['shoe size']);
    expect(found.people).to.have.length(1);
  });
});

describe('a row of a file of people', () => {
  const cases: readonly [string, string, string, string][] = [
    ['no name', 'name,sex', ' ,male', 'nameMissing 2 name'],
    ['a name that is too long', 'name', 'x'.repeat(121), 'tooLong 2 name'],
    ['a control character', 'name', 'Ru\u0007na', 'control 2 name'],
    ['a formula for a name', 'name', '"=HYPERLINK(""http://x"",""y"")"', 'formula 2 name'],
    [
      'a formula for whoever measured',
      'name,measured on,measured by',
      'A,2026-01-01,@SUM(1)',
      'formula 2 measured by',
    ],
    ['a date in another order', 'name,birth date', 'A,03/09/2016', 'notADate 2 birth date'],
    ['a day that there is not', 'name,birth date', 'A,2025-02-29', 'notADate 2 birth date'],
    ['a birth still to come', 'name,birth date', 'A,2026-11-27', 'dateAhead 2 birth date'],
    ['a birth too long ago', 'name,birth date', 'A,1899-01-01', 'tooOld 2 birth date'],
    ['a consent still to come', 'name,consent on', 'A,2027-01-01', 'dateAhead 2 consent on'],
    [
      'a measurement still to come',
      'name,measured on,stature [mm]',
      'A,2026-12-01,1700',
      'dateAhead 2 measured on',
    ],
    ['who measured, but not when', 'name,measured by', 'A,Hedda', 'dateMissing 2 measured on'],
    ['another sex', 'name,sex', 'A,x', 'notASex 2 sex'],
    ['neither yes nor no', 'name,nickname', 'A,maybe', 'notYesNo 2 nickname'],
    ['no number', 'name,stature [mm]', 'A,tall', 'notANumber 2 stature [mm]'],
    ['a formula for a number', 'name,stature [mm]', 'A,=1+1', 'notANumber 2 stature [mm]'],
    ['no finite number', 'name,stature [mm]', 'A,1e999', 'notANumber 2 stature [mm]'],
    ['centimetres for millimetres', 'name,stature [mm]', 'A,170', 'outOfRange 2 stature [mm]'],
    ['no id of ours', 'id,name', '17,A', 'notAnId 2 id'],
    ['too many cells', 'name', 'A,B', 'tooManyCells 2'],
  ];
  for (const [what, head, row, fault] of cases)
    it(`tells ${what}, with row and column`, () => {
      const found = read(`${head}\n${row}\n`);
      expect(found.faults.map(placed)).to.deep.equal([fault]);
      expect(found.people).to.deep.equal([]);
    });

  it('tells a value and its limits in the unit of the column', () => {
    expect(read('name,stature [cm]\nA,17\n').faults).to.deep.equal([
      { reason: 'outOfRange', row: 2, column: 'stature [cm]', value: '17', limits: [70, 240], unit: 'cm' },
    ]);
  });

  it('tells everything that is wrong with it, and takes the rows beside it', () => {
    const found = read('name,sex,stature [mm]\nA,male,1700\n,x,17\n\nB,,\n');
    expect(found.faults.map(placed)).to.have.members([
      'nameMissing 3 name',
      'notASex 3 sex',
      'outOfRange 3 stature [mm]',
    ]);
    expect(found.people.map(({ row, person }) => [row, person.name])).to.deep.equal([
      [2, 'A'],
      [5, 'B'],
    ]);
    expect(found.rows).to.equal(3);
  });

  it('is told where an id stands twice, and to be looked at where a name does', () => {
    const id = '0190a8e0-0000-7000-8000-000000000001';
    expect(read(`id,name\n${id},A\n${id.toUpperCase()},B\n`).faults.map(placed)).to.deep.equal([
      'twice 3 id',
    ]);
    const named = read('name\nA\na\n');
    expect(named.doubts.map(placed)).to.deep.equal(['sameName 3 name']);
    expect(named.people).to.have.length(2);
  });

  it('names pairs that no body has, without refusing them', () => {
    const found = read('name,poplitealHeight [mm],Knee height [cm]\nA,520,48\n');
    expect(found.doubts).to.deep.equal([
      { reason: 'pair', row: 2, column: 'poplitealHeight [mm]', value: 'Knee height [cm]' },
    ]);
    expect(found.people).to.have.length(1);
  });

  it('is read in its unit, with a point or a comma, to the tenth', () => {
    const [one] = read('name;stature [cm];bodyMass [lb];shoeHeel [in]\nA;170,25;154.3;1\n').people;
    expect(one!.person.readings.map(({ dimension, value, unit }) => [dimension, value, unit])).to.deep.equal([
      ['stature', 1702.5, 'mm'],
      ['bodyMass', 69.99, 'kg'],
      ['shoeHeel', 25.4, 'mm'],
    ]);
  });

  it('is measured where a day is said, and only stated where none is', () => {
    const [dated, plain] = read(
      'name,measured on,measured by,stature [mm]\nA,9.3.2016,Hedda,1700\nB,,,1700\n',
    ).people;
    expect(dated!.person.readings[0]).to.deep.include({
      basis: 'measured',
      takenAt: '2016-03-09',
      takenBy: 'Hedda',
    });
    expect(plain!.person.readings[0]).to.deep.equal({ dimension: 'stature', value: 1700, unit: 'mm' });
  });
});

describe('files that are none', () => {
  const cases: readonly [string, string, string][] = [
    ['nothing', ' \n', 'empty 0'],
    ['a program for a browser', '<!doctype html><script>alert(1)</script>', 'noName 0'],
    ['a NUL', 'name\nA\0B\n', 'notText 0'],
    ['a quotation mark that never ends', 'name,sex\nA,male\n"B,male\nC,male\n', 'quotes 3'],
    ['only a head', 'name,sex\n', 'empty 0'],
    ['more people than one file may have', `name\n${'A\n'.repeat(MOST_PEOPLE + 2)}`, 'tooManyRows 0'],
  ];
  for (const [what, text, fault] of cases)
    it(`tells ${what}`, () => {
      const found = read(text);
      expect(found.faults.map(placed)).to.deep.equal([fault]);
      expect(found.people).to.deep.equal([]);
    });

  it('tells JSON that is none, is another, or is of another version', () => {
    const json = (text: string) => lastOf(readPeopleJson(text, TODAY)).faults.map(placed);
    expect(json('{"format":')).to.deep.equal(['notJson 0']);
    expect(json('[1,2]')).to.deep.equal(['otherFormat 0']);
    expect(json('null')).to.deep.equal(['otherFormat 0']);
    expect(json('{"format":"velto-people","version":2,"people":[]}')).to.deep.equal(['otherVersion 0']);
    expect(json(`${'['.repeat(5000)}${']'.repeat(5000)}`)).to.deep.equal(['otherFormat 0']);
  });

  it('tells what is wrong with a person in JSON by its path', () => {
    const people = [
      FILE_PERSON,
      { ...FILE_PERSON, name: 3 },
      { ...FILE_PERSON, colour: 'red' },
      { ...FILE_PERSON, readings: [{ dimension: 'stature', value: 17, unit: 'mm' }] },
      { ...FILE_PERSON, readings: [{ dimension: 'stature', value: 1700, unit: 'kg' }] },
      {
        ...FILE_PERSON,
        readings: [
          { dimension: 'stature', value: 1700, unit: 'mm', session: '0190a8e0-0000-7000-8000-000000000001' },
        ],
      },
      { ...FILE_PERSON, readings: [0, 1].map(() => ({ dimension: 'stature', value: 1700, unit: 'mm' })) },
      JSON.parse('{"__proto__":{"name":"x"}}') as unknown,
    ];
    const found = lastOf(
      readPeopleJson(JSON.stringify({ format: 'velto-people', version: 1, people }), TODAY),
    );
    expect(found.people.map(({ row }) => row)).to.deep.equal([1]);
    const told = found.faults.map(placed);
    expect(told.slice(0, 6)).to.deep.equal([
      'notOfTheForm 2 name',
      'unknownKey 3',
      'outOfRange 4 readings/0/value',
      'otherUnit 5 readings/0/unit',
      'noSession 6 readings/0/session',
      'holdTwice 7 readings/1',
    ]);
    expect(told.slice(6).every((t) => /^(notOfTheForm|missing|unknownKey) 8/.test(t))).to.equal(true);
  });
});

describe('cells that a spreadsheet would compute', () => {
  it('are defused, and given back to the letter', () => {
    for (const text of ['=1+1', '+1', '-1', '@x', '＝1', "'=1", "''-x"]) {
      expect(isFormula(defused(text)), text).to.equal(false);
      expect(fused(defused(text))).to.equal(text);
    }
    expect(defused("'Ndrea")).to.equal("'Ndrea");
    fc.assert(fc.property(fc.string({ unit: 'binary' }), (text) => fused(defused(text)) === text));
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom("'", '=', '-', 'a') }), (t) => fused(defused(t)) === t),
    );
  });
});

/** Names as people have them, and as nobody should. */
const anyName = fc
  .oneof(
    fc.string({ unit: 'grapheme', minLength: 1, maxLength: 40 }),
    fc.constantFrom(
      '=cmd|x',
      "'=x",
      'Ann "the Oar", 2nd',
      'Zoé; Åsland',
      '<script>alert(1)</script>',
      '0012',
      'null',
    ),
  )
  .map((name) => name.replace(/\p{Cc}/gu, '').trim())
  .filter((name) => name !== '' && name.length <= 120 && !hasInvisible(name));
const anyDay = fc
  .date({ min: new Date('1930-01-01'), max: new Date('2026-11-25'), noInvalidDate: true })
  .map((d) => d.toISOString().slice(0, 10));
const valueOf = (id: DimensionId) => {
  const { lowest, highest, unit } = DIMENSIONS[id];
  const per = unit === 'kg' ? 100 : 10;
  return fc.integer({ min: lowest * per, max: highest * per }).map((n) => n / per);
};
const anyCsvPerson: fc.Arbitrary<CsvPerson> = fc
  .record({
    id: fc.uuid({ version: 7 }),
    name: anyName,
    isNickname: fc.boolean(),
    birthDate: fc.option(anyDay),
    sex: fc.option(fc.constantFrom(...SEXES)),
    consentOn: fc.option(anyDay),
    consentBy: fc.option(anyName),
    measuredOn: fc.option(anyDay),
    measuredBy: fc.option(anyName),
    values: fc.record(Object.fromEntries(DIMENSION_IDS.map((id) => [id, valueOf(id)])), { requiredKeys: [] }),
  })
  .map((p) => ({ ...p, measuredBy: p.measuredOn === null ? null : p.measuredBy }));

describe('people as CSV', () => {
  it('are told apart by what divides the head, whatever their names hold', () => {
    for (const [name, delimiter] of [
      ['cmd|x', ','],
      ['Zoé; Åsland', ','],
      ['Holm, Ann', ';'],
      ['a;b;c', '\t'],
    ] as const) {
      const cell = `"${name}"`;
      const file = ['name,birth date', ...[0, 1, 2].map(() => `${cell},1990-01-01`)].join('\n');
      const found = read(file.replaceAll(/,(?=1990|birth)/g, delimiter));
      expect(found.faults, name).to.deep.equal([]);
      expect(found.people.map(({ person }) => person.name)).to.deep.equal([name, name, name]);
    }
  });

  it('are read as they were written, to the last digit', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(anyCsvPerson, { minLength: 1, maxLength: 8, selector: (p) => p.id }),
        (people) => {
          const found = read(peopleCsvHead() + people.map(peopleCsvRow).join(''));
          expect(found.faults).to.deep.equal([]);
          const back = found.people.map(({ person }): CsvPerson => {
            const [first] = person.readings;
            const { name, isNickname, birthDate, sex, consentOn, consentBy } = person;
            return {
              id: person.id!,
              name,
              isNickname,
              birthDate,
              sex,
              consentOn,
              consentBy,
              measuredOn: first?.takenAt ?? null,
              measuredBy: first?.takenBy ?? null,
              values: Object.fromEntries(person.readings.map((r) => [r.dimension, r.value])),
            };
          });
          // When somebody was measured is said by the readings: without any there is nothing to say.
          const wanted = people.map((p) =>
            Object.keys(p.values).length > 0 ? p : { ...p, measuredOn: null, measuredBy: null },
          );
          expect(back).to.deep.equal(wanted.map((p) => ({ ...p, values: { ...p.values } })));
        },
      ),
      { numRuns: 150 },
    );
  });

  it('tells how far it has come, and everything at the end only', () => {
    const text = `name\n${Array.from({ length: 1000 }, (_, i) => `P ${i}`).join('\n')}\n`;
    const steps = [...readPeopleCsv(text, TODAY)];
    expect(steps.length).to.be.greaterThan(4);
    expect(steps.slice(0, -1).every((s) => s.read === null && s.done < s.of)).to.equal(true);
    expect(steps.at(-1)!.read!.people).to.have.length(1000);
  });
});

describe('a person of a file', () => {
  it('may be measured tomorrow only where the day has begun elsewhere', () => {
    const at = (takenAt: string) =>
      personFaults(
        { ...FILE_PERSON, readings: [{ dimension: 'stature', value: 1700, unit: 'mm', takenAt }] },
        TODAY,
      ).map((f) => f.reason);
    expect(at('2026-11-27T00:30:00Z')).to.deep.equal([]);
    expect(at('2026-11-28T00:30:00Z')).to.deep.equal(['dateAhead']);
    expect(at('2026-11-27')).to.deep.equal(['dateAhead']);
  });
});
