/** How the code hangs together: no file imports, by way of others, itself; the core holds the size it was given. */
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import { expect } from 'chai';

const sources = readdirSync('src', { recursive: true })
  .map((name) => join('src', String(name)))
  .filter((file) => /\.tsx?$/.test(file));

function resolved(from: string, name: string): string | null {
  const path = normalize(join(dirname(from), name));
  return [`${path}.ts`, `${path}.tsx`, join(path, 'index.ts')].find((file) => existsSync(file)) ?? null;
}

/** What a file needs when it runs: types alone are gone by then. */
function importsOf(file: string): string[] {
  const text = readFileSync(file, 'utf8');
  const names = [...text.matchAll(/^(?:import|export)(?! type)[^;']*?from '(\.[^']+)'/gm)].map((m) => m[1]!);
  return names.flatMap((name) => resolved(file, name) ?? []);
}

/** Returns the files of every circle, each circle once. */
function circlesIn(graph: ReadonlyMap<string, readonly string[]>): string[][] {
  const done = new Set<string>();
  const found: string[][] = [];
  const walk = (file: string, way: readonly string[]): void => {
    const at = way.indexOf(file);
    if (at >= 0) {
      found.push([...way.slice(at), file]);
      return;
    }
    if (done.has(file)) return;
    for (const next of graph.get(file) ?? []) walk(next, [...way, file]);
    done.add(file);
  };
  for (const file of graph.keys()) walk(file, []);
  return found;
}

describe('the code', () => {
  it('has no circle of imports', () => {
    const graph = new Map(sources.map((file) => [file, importsOf(file)]));
    expect(graph.size).to.be.greaterThan(300);
    expect(circlesIn(graph)).to.deep.equal([]);
  });

  it('would show one', () => {
    const circle = new Map([
      ['a', ['b']],
      ['b', ['c']],
      ['c', ['a']],
    ]);
    expect(circlesIn(circle)).to.deep.equal([['a', 'b', 'c', 'a']]);
  });

  it('passes nothing on wholesale', () => {
    const whole = sources.filter((file) => /^export \* /m.test(readFileSync(file, 'utf8')));
    expect(whole).to.deep.equal([]);
  });
});
