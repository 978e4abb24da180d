/** What is sent in a wrong form is told in the words of the catalogue, at the field. */
import { expect } from 'chai';
import { z } from 'zod';
import { faultsOf } from '../../src/contract';
import { PosturesSchema } from '../../src/contract/api';
import { TolerancesSchema } from '../../src/contract/tolerances';
import { NewName } from '../../src/contract/records';
import { WITH_INPUT, sayIssue } from '../../src/words/say-schema';

const said = (schema: z.ZodType, given: unknown): Record<string, string> => {
  const read = schema.safeParse(given, WITH_INPUT);
  return read.success
    ? {}
    : Object.fromEntries(faultsOf(read.error, sayIssue).map(({ pointer, detail }) => [pointer, detail]));
};

const Sent = z.strictObject({
  name: z.string().min(2).max(3),
  mm: z.number().min(0).lt(100),
  above: z.number().positive(),
  count: z.int(),
  on: z.iso.date(),
  id: z.uuid(),
  list: z.array(z.string()).min(1).max(1),
  sex: z.enum(['women', 'men']),
  one: z.literal(2),
  of: z.union([z.strictObject({ a: z.number() }), z.strictObject({ b: z.string(), c: z.string() })]),
});
const RIGHT = {
  name: 'abc',
  mm: 5,
  above: 1,
  count: 2,
  on: '2026-03-14',
  id: '01990000-0000-7000-8000-000000000002',
  list: ['a'],
  sex: 'women',
  one: 2,
  of: { a: 1 },
};

describe('a fault of what was sent', () => {
  it('is none where all is right', () => {
    expect(said(Sent, RIGHT)).to.deep.equal({});
  });

  it('says what is missing and what is not known here', () => {
    const { name, ...rest } = RIGHT;
    expect(name).to.equal('abc');
    expect(said(Sent, { ...rest, tall: 1 })).to.deep.equal({
      '/name': 'This has to be given.',
      '/tall': 'There is no such field here.',
    });
  });

  it('says form, limits and choices', () => {
    const wrong = {
      name: 'a',
      mm: 100,
      above: 0,
      count: 1.5,
      on: '14.3.2026',
      id: 'seven',
      list: ['a', 'b'],
      sex: 'cat',
      one: 3,
      of: { a: 'x' },
    };
    expect(said(Sent, wrong)).to.deep.equal({
      '/name': 'Enter at least 2 characters.',
      '/mm': 'This has to be below 100.',
      '/above': 'This has to be above 0.',
      '/count': 'This has to be a whole number.',
      '/on': 'This has to be a date, such as 2026-03-14.',
      '/id': 'This has to be an id (UUID).',
      '/list': 'Give at most 1.',
      '/sex': 'This has to be one of women, men.',
      '/one': 'This has to be 2.',
      '/of/a': 'This has to be a number.',
    });
    expect(said(Sent, { ...RIGHT, name: null, list: [], mm: -1 })).to.deep.equal({
      '/name': 'This has to be text.',
      '/list': 'Give at least 1.',
      '/mm': 'This has to be at least 0.',
    });
  });

  it('says what checks of our own find', () => {
    expect(said(TolerancesSchema, { stature: 900 })['/stature']).to.match(/^Enter a value from .* mm\.$/);
    expect(said(NewName, 'a\u0007b')).to.deep.equal({ '': 'Control characters cannot be part of a name.' });
    expect(said(NewName, 'a\u200bb')['']).to.include('invisible character');
    const twice = { name: 'Reading' };
    expect(said(PosturesSchema, [twice, twice])).to.deep.equal({ '': 'Two have the same name.' });
  });

  it('is never said in the words of the library', () => {
    for (const given of [null, 1, 'x', [], { ...RIGHT, of: null }, { ...RIGHT, of: [] }])
      for (const detail of Object.values(said(Sent, given)))
        expect(detail).not.to.match(/Invalid|expected|received|Too (?:small|big)|schema\./);
  });
});
