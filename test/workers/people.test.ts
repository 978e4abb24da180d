import { expect } from 'chai';
import { MOST_FILE_BYTES } from '../../src/core/exchange';
import { FILE_PERSON, sentParts } from '../support/file-person';
import { PEOPLE_JOBS, textOf, type PeopleFound } from '../../src/workers/people';

const TODAY = '2026-11-26';

function found(bytes: Uint8Array): PeopleFound {
  let last: PeopleFound | null = null;
  for (const progress of PEOPLE_JOBS.read({ bytes: bytes.buffer as ArrayBuffer, today: TODAY }))
    last = progress.found ?? last;
  return last!;
}
const utf8 = (text: string) => new TextEncoder().encode(text);
const utf16 = (text: string, isBig = false) => {
  const bytes = Buffer.from(`\uFEFF${text}`, 'utf16le');
  return new Uint8Array(isBig ? bytes.swap16() : bytes);
};
const reasons = (f: PeopleFound) => f.faults.map(({ reason }) => reason);

describe('the bytes of a file of people', () => {
  it('are text in UTF-8 or in UTF-16 that says so, and nothing else', () => {
    const text = 'name,sex\r\nZoé Åsland,female\r\n';
    for (const bytes of [utf8(text), utf8(`\uFEFF${text}`), utf16(text), utf16(text, true)])
      expect(found(bytes).kept.map(({ name }) => name)).to.deep.equal(['Zoé Åsland']);
    const latin1 = new Uint8Array(Buffer.from(text, 'latin1'));
    expect(textOf(latin1)).to.equal(null);
    expect(reasons(found(latin1))).to.deep.equal(['notText']);
    expect(reasons(found(new Uint8Array([0x50, 0x4b, 3, 4, 0xff, 0xfe, 0, 0])))).to.deep.equal(['notText']);
  });

  it('are not looked at where there are too many', () => {
    const Decoder = globalThis.TextDecoder;
    globalThis.TextDecoder = class {
      constructor() {
        throw new Error('Nobody is to look at them.');
      }
    } as unknown as typeof Decoder;
    try {
      expect(reasons(found(new Uint8Array(MOST_FILE_BYTES + 1)))).to.deep.equal(['tooLarge']);
      expect(reasons(found(utf8('name\nA\n'))), 'what is looked at').to.deep.equal(['notText']);
    } finally {
      globalThis.TextDecoder = Decoder;
    }
  });

  it('are JSON where they begin as JSON does', () => {
    expect(reasons(found(utf8(' {"format":"x"}')))).to.deep.equal(['otherFormat']);
    expect(reasons(found(utf8('[1')))).to.deep.equal(['notJson']);
  });

  it('come apart into parts that a server takes, in the order of the rows', async () => {
    const rows = Array.from({ length: 2300 }, (_, i) => `P ${i},${1500 + (i % 200)}`);
    const read = found(utf8(`name,stature [mm]\n${rows.join('\n')}\n`));
    const { parts, kept, faultCount } = read;
    expect(faultCount).to.equal(0);
    expect(parts.map(({ count }) => count)).to.deep.equal([1000, 1000, 300]);
    const people = (await sentParts(read)).flatMap((part) => part.people);
    expect(people.map(({ name }) => name)).to.deep.equal(kept.map(({ name }) => name));
    expect(kept[2299]).to.deep.equal({ row: 2301, id: null, name: 'P 2299', birthDate: null, readings: 1 });
  });

  it('are told of by number where too much is wrong', () => {
    const rows = Array.from({ length: 6000 }, () => 'A,x');
    const { faults, faultCount, badRows } = found(utf8(`name,sex\n${rows.join('\n')}\n`));
    expect([faults.length, faultCount, badRows]).to.deep.equal([5000, 6000, 6000]);
  });

  it('may hold somebody of whom more is kept than one request carries: told, not cut off', () => {
    const readings = Array.from({ length: 15_000 }, () => ({
      dimension: 'stature',
      value: 1700,
      unit: 'mm',
      withdrawnAt: '2026-01-01T00:00:00Z',
    }));
    const person = { ...FILE_PERSON, readings };
    const file = {
      format: 'velto-people',
      version: 1,
      people: [person, { ...FILE_PERSON, name: 'B' }],
    };
    const { faults, kept } = found(utf8(JSON.stringify(file)));
    expect(faults.map(({ reason, row }) => [reason, row])).to.deep.equal([['tooLong', 1]]);
    expect(kept.map(({ name }) => name)).to.deep.equal(['B']);
  });
});
