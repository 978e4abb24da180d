import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { MOST_FILE_BYTES, MOST_PEOPLE, PEOPLE_HEAD } from '../../src/core/exchange';
import { PEOPLE_SCHEMA_PATH } from '../../src/contract/schema-path';

describe('what is said of files of people', () => {
  const said = readFileSync('docs/exchange.md', 'utf8');

  it('names every column, and no other', () => {
    for (const column of PEOPLE_HEAD) expect(said, column).to.include(`\`${column}\``);
    const named = [...said.matchAll(/`(\w+ \[(?:mm|kg)\])`/g)].map((m) => m[1]);
    expect(named).to.have.members(PEOPLE_HEAD.filter((column) => column.includes('[')));
  });

  it('has the limits that hold', () => {
    const group = (n: number) => n.toLocaleString('en-GB');
    expect(said).to.include(`${group(MOST_FILE_BYTES)} bytes and ${group(MOST_PEOPLE)} people`);
    expect(said).to.include(`\`${PEOPLE_SCHEMA_PATH}\``);
  });
});
