/** How the code hangs together: no file imports, by way of others, itself; the core holds the size it was given. */
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import { expect } from 'chai';
import ts from 'typescript';

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

/** Longer functions are not allowed in the core, and become no more elsewhere: lines that are neither blank nor comment. */
const LONGEST = 60;
const LONG_OUTSIDE_OF_CORE = 55;

function longFunctions(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const look = (node: ts.Node): void => {
    if (ts.isFunctionLike(node) && 'body' in node && node.body) {
      const code = node.getText().replace(/\/\*[\s\S]*?\*\//g, '');
      const lines = code.split('\n').filter((line) => line.trim() !== '' && !line.trim().startsWith('//'));
      if (lines.length > LONGEST) found.push(`${file}: ${lines.length} lines`);
    }
    ts.forEachChild(node, look);
  };
  look(source);
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

  it('has no long functions in the core, and no more of them elsewhere', () => {
    const long = sources.flatMap(longFunctions);
    expect(long.filter((found) => found.startsWith(join('src', 'core')))).to.deep.equal([]);
    expect(long.length).to.be.at.most(LONG_OUTSIDE_OF_CORE);
  });

  it('passes nothing on wholesale', () => {
    const whole = sources.filter((file) => /^export \* /m.test(readFileSync(file, 'utf8')));
    expect(whole).to.deep.equal([]);
  });
});
