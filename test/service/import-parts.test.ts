import { expect } from 'chai';
import fc from 'fast-check';
import { v7 } from 'uuid';
import { DIMENSIONS, DIMENSION_IDS, type DimensionId } from '../../src/core/body';
import type { FilePerson, FileReading } from '../../src/core/exchange';
import { ImportPartSchema, partText } from '../../src/contract/people-file';
import { beginImport, carryThrough, gatherPart } from '../../src/service/importing';
import { openBench, type Bench } from '../support/context';
import { FILE_PERSON } from '../support/file-person';
import { valueOf } from '../support/outcome';
import { readRows } from '../support/read-database';

const reading = (dimension: DimensionId, value: number): FileReading => ({
  dimension,
  value,
  unit: DIMENSIONS[dimension].unit,
});

describe('people on the way to the server', () => {
  const benches: Bench[] = [];
  const open = async () => {
    const bench = await openBench();
    benches.push(bench);
    return bench;
  };
  afterEach(async () => {
    while (benches.length > 0) await benches.pop()!.close();
  });

  it('are the same in the records however their readings were sent', async () => {
    const dimension = fc.constantFrom(...DIMENSION_IDS);
    const measured = dimension.chain((id) =>
      fc
        .integer({ min: DIMENSIONS[id].lowest * 10, max: DIMENSIONS[id].highest * 10 })
        .map((tenths) => reading(id, tenths / 10)),
    );
    const someone = fc.record({
      takenAt: fc.option(fc.constantFrom('2026-03-09', '2026-03-09T10:11:12.000Z'), { nil: undefined }),
      takenBy: fc.option(fc.constantFrom('Hedda', 'Åse'), { nil: undefined }),
      basis: fc.constantFrom('measured' as const, 'stated' as const, undefined),
      isNickname: fc.boolean(),
      readings: fc.uniqueArray(measured, { minLength: 1, selector: (r) => r.dimension }),
    });
    const told = async (people: readonly FilePerson[]) => {
      const bench = await open();
      const id = v7();
      valueOf(await gatherPart(bench.context, id, { file: 'f', number: 0, people: [...people] }));
      valueOf(await beginImport(bench.context, id, { parts: 1, existing: 'leave' }));
      await carryThrough(bench.context, id);
      const rows = await readRows(
        bench.folder,
        `select s.name, s.is_nickname, s.birth_date, dimension, value, typeof(value), basis, spread, typeof(spread), source,
          taken_at, taken_by, reason, session_id, takes, instrument, withdrawn_at
        from readings r join sitters s on s.id = r.sitter_id order by s.name, dimension`,
      );
      const [ids] = await readRows(bench.folder, 'select count(*) n from readings where length(id) = 36');
      expect(ids!.n).to.equal(rows.length);
      return rows;
    };
    await fc.assert(
      fc.asyncProperty(fc.array(someone, { minLength: 1, maxLength: 5 }), async (crew) => {
        const people = crew.map(({ takenAt, takenBy, basis, isNickname, readings }, i): FilePerson => ({
          ...FILE_PERSON,
          name: `P ${i}`,
          isNickname,
          readings: readings.map((r) => ({ ...r, takenAt, takenBy, basis })),
        }));
        const sent = `[${people.map(partText).join(',')}]`;
        const drawn = ImportPartSchema.parse({ file: 'f', number: 0, people: JSON.parse(sent) as unknown });
        expect(drawn.people.every((p) => p.plain && p.readings.length === 0)).to.equal(true);
        expect(await told(drawn.people)).to.deep.equal(await told(people));
        while (benches.length > 0) await benches.pop()!.close();
      }),
      { numRuns: 15 },
    );
  });

  it('have a dimension once, and one that there is', () => {
    const parse = (person: object) =>
      ImportPartSchema.safeParse({
        file: 'f',
        number: 0,
        people: [{ name: 'A', ...person }],
      }).error?.issues.map(({ path }) => path.join('/')) ?? [];
    const values = { stature: 1700 };
    expect(parse({ plain: { values } })).to.deep.equal([]);
    expect(parse({ plain: { values }, readings: [reading('stature', 1700)] })).to.deep.equal([
      'people/0/readings',
    ]);
    expect(parse({ plain: { values: { ...values, wingspan: 1 } } })).to.deep.equal([
      'people/0/plain/values/wingspan',
    ]);
    for (const bad of ['1700', null, -1, 1e9])
      expect(parse({ plain: { values: { stature: bad } } })).to.deep.equal(['people/0/plain/values/stature']);
    for (const bad of [[], null, 'x', undefined])
      expect(parse({ plain: { values: bad } })).to.deep.equal(['people/0/plain/values']);
  });

  it('are told where a plain reading cannot be', async () => {
    const bench = await open();
    const plain = { takenAt: '2099-01-01', values: { stature: 17, kneeHeight: 520 } };
    const people = [{ ...FILE_PERSON, plain }];
    const refused = await gatherPart(bench.context, v7(), { file: 'f', number: 0, people });
    expect(refused.ok ? [] : refused.faults).to.deep.equal([
      { pointer: '/people/0/plain/takenAt', detail: 'dateAhead: 2099-01-01' },
      { pointer: '/people/0/plain/values/stature', detail: 'outOfRange: 17' },
    ]);
    expect(await readRows(bench.folder, 'select * from imports')).to.deep.equal([]);
  });
});
