import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';

describe('the figures of the model', function () {
  this.timeout(60_000);
  const drawn = join('docs', 'figures');
  const fresh = mkdtempSync(join(tmpdir(), 'velto-figures-'));
  before(() => execFileSync(process.execPath, ['scripts/figures.mjs', fresh], { stdio: 'pipe' }));
  after(() => rmSync(fresh, { recursive: true, force: true }));

  it('are what the painter draws today', () => {
    expect(readdirSync(drawn).sort()).to.deep.equal(readdirSync(fresh).sort());
    for (const name of readdirSync(fresh))
      expect(
        readFileSync(join(drawn, name), 'utf8') === readFileSync(join(fresh, name), 'utf8'),
        name,
      ).to.equal(true);
  });

  it('are all shown in the description of the model, and no others', () => {
    const told = readFileSync(join('docs', 'model.md'), 'utf8');
    const shown = [...told.matchAll(/\]\(figures\/([a-z]+\.svg)\)/g)].map((m) => m[1]!);
    expect(shown.sort()).to.deep.equal(readdirSync(drawn).sort());
  });
});
