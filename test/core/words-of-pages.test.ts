/** Which words come with which page: a fitting and its card load only their own part of the catalogue. */
import { readFileSync, readdirSync } from 'node:fs';
import { expect } from 'chai';
import { build } from 'esbuild';
import { CHOOSE_WORDS } from '../../src/words/en-GB/choose';
import { ABOUTS, CARDS, COMMON, PAGES, SERVER, SHEET, WALK } from '../../src/words/en-GB';

/** The first pages that a fitter opens; every other page brings the rest of the words along. */
const LIGHT_PAGES = [
  'src/islands/fitting/FittingPage.tsx',
  'src/islands/fitting/RemainsPage.tsx',
  'src/islands/card/CardPage.tsx',
  'src/islands/fittings/FittingsPage.tsx',
  'src/islands/fittings/NotFoundPage.tsx',
  'src/islands/sign-in/SignInPage.tsx',
  'src/islands/walk/WalkPage.tsx',
];

/** Returns the project’s own files that a page is built from. */
async function filesOf(page: string): Promise<string[]> {
  const { metafile } = await build({
    entryPoints: [page],
    bundle: true,
    write: false,
    metafile: true,
    packages: 'external',
    format: 'esm',
    jsx: 'automatic',
    outdir: 'unused',
    loader: { '.css': 'empty', '.js': 'js' },
  });
  return Object.keys(metafile.inputs).filter((file) => /^src\/.*\.tsx?$/.test(file));
}

/** Returns the keys that a text names: whole ones, and those that begin as a key does that is put together. */
function keysIn(text: string, keys: readonly string[]): string[] {
  const whole = new Set([...text.matchAll(/'([\w-]+(?:\.[\w-]+)+)'/g)].map((m) => m[1]!));
  const begun = [...text.matchAll(/`([\w-]+\.(?:[\w-]+\.)*)\$\{/g)].map((m) => m[1]!);
  return keys.filter((key) => whole.has(key) || begun.some((start) => key.startsWith(start)));
}

describe('the words that come with a page', () => {
  const elsewhere = [
    ...new Set([PAGES, SERVER, WALK, SHEET, CARDS].flatMap((words) => Object.keys(words))),
  ].filter((key) => !(key in COMMON));

  for (const page of LIGHT_PAGES)
    it(`are all that ${page} uses`, async () => {
      const files = await filesOf(page);
      if (files.includes('src/words/pages.ts')) return;
      const brought = {
        ...(files.includes('src/words/walk.ts') && WALK),
        ...(files.includes('src/words/sheet.ts') && SHEET),
        ...(files.includes('src/words/cards.ts') && CARDS),
      };
      const others = elsewhere.filter((key) => !(key in brought));
      const missing = files
        .filter((file) => /^src\/(?:islands|ui|drawing)\//.test(file))
        .flatMap((file) => keysIn(readFileSync(file, 'utf8'), others).map((key) => `${file}: ${key}`));
      expect(missing).to.deep.equal([]);
    });

  it('says what a method is for only where those words come along', () => {
    const saying = [...readdirSync('src/islands', { recursive: true })]
      .map((name) => `src/islands/${String(name)}`)
      .filter((file) => /\.tsx?$/.test(file) && /sayMethodAbout\(/.test(readFileSync(file, 'utf8')));
    expect(saying.length).to.be.greaterThan(2);
    for (const file of saying)
      expect(readFileSync(file, 'utf8'), file).to.match(
        /import '\.\.\/\.\.\/words\/(?:about|pages)'|PracticeNav/,
      );
    expect(Object.keys(ABOUTS).every((key) => key.endsWith('.about') || key in CHOOSE_WORDS)).to.equal(true);
  });

  it('would be missed', () => {
    expect(keysIn('word(`screenWay.${way}`)', ['screenWay.lower', 'other.lower'])).to.deep.equal([
      'screenWay.lower',
    ]);
    expect(keysIn("t('armsTo.desk')", ['armsTo.desk', 'armsTo.elbow'])).to.deep.equal(['armsTo.desk']);
  });
});
