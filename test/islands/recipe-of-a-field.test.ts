/** Follows “Add a length of a workstation or a seat” of CONTRIBUTING.md: three files changed, nothing else. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { join, relative, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { expect } from 'chai';
import { build, type Plugin } from 'esbuild';
import { compiledModule } from '../../scripts/words.mjs';

const ROOT = resolve(import.meta.dirname, '../..');

/** What is written into which file: after the first text, the second. */
type Change = readonly [after: string, added: string];
type Changes = Readonly<Record<string, Change>>;

/** The place and the seat get a length each. */
const PLACE: Changes = {
  'src/core/place/lists.ts': [
    'export const PLACE_LENGTHS = {',
    `cableTrayMm: { limits: [0, 300], isRequired: false, about: 'desk top to the bottom of a cable tray' },`,
  ],
  'src/words/en-GB/pages.ts': ['export const PAGE_WORDS = {', `'places.cableTrayMm': 'Cable tray',`],
  'src/islands/places/place-layout.ts': [
    'export const DESK_LENGTHS: readonly PlaceLength[] = [',
    `'cableTrayMm',`,
  ],
};
const SEAT: Changes = {
  'src/core/seat/lengths.ts': [
    'export const SEAT_LENGTHS = {',
    `wing: { at: 'back/wingMm', form: 'optionalSize', limits: [0, 200], common: null, about: 'side wing' },`,
  ],
  'src/words/en-GB/seat-form.ts': ['export const SEAT_FORM_WORDS = {', `'seatForm.wing': 'Side wing',`],
  'src/islands/seats/seat-layout.ts': ['back: [', `'wing',`],
};

/** Reads the three files as changed, and compiles the words from them. */
const changed = (changes: Changes, words: () => Promise<string>): Plugin => ({
  name: 'changed',
  setup(bundler) {
    bundler.onLoad({ filter: /src\/.*\.ts$/ }, ({ path }) => {
      const change = changes[relative(ROOT, path)];
      if (!change) return undefined;
      const text = readFileSync(path, 'utf8');
      expect(text, path).to.include(change[0]);
      return { contents: text.replace(change[0], `${change[0]}\n${change[1]}`), loader: 'ts' };
    });
    bundler.onResolve({ filter: /compiled\/pages$/ }, () => ({ path: 'pages', namespace: 'words' }));
    bundler.onLoad({ filter: /.*/, namespace: 'words' }, async () => ({
      contents: await words(),
      resolveDir: ROOT,
    }));
  },
});

/** Bundles a module of the application with the changes made to it, and runs it. */
async function runWith<T>(changes: Changes, code: string): Promise<T> {
  // Among the packages: what is there is run as it was made.
  const folder = mkdtempSync(join(ROOT, 'node_modules', '.velto-recipe-'));
  const bundled = async (contents: string, words: () => Promise<string>): Promise<unknown> => {
    const outfile = join(folder, `${contents.length}.mjs`);
    await build({
      stdin: { contents, resolveDir: ROOT, loader: 'tsx' },
      outfile,
      bundle: true,
      platform: 'node',
      format: 'esm',
      jsx: 'automatic',
      loader: { '.css': 'empty', '.module.css': 'local-css' },
      banner: {
        js: `import { createRequire } from 'node:module'; const require = createRequire('${ROOT}/');`,
      },
      plugins: [changed(changes, words)],
      logLevel: 'silent',
    });
    return import(pathToFileURL(outfile).href);
  };
  const words = async (): Promise<string> => {
    const none = () => Promise.resolve('export default {}');
    const { PAGES } = (await bundled(`export { PAGES } from './src/words/en-GB';`, none)) as {
      PAGES: Readonly<Record<string, string>>;
    };
    return compiledModule(PAGES);
  };
  try {
    return (await bundled(code, words)) as T;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

describe('a new length', function () {
  this.timeout(60_000);

  it('of a workstation is checked, read, said and shown after three files have changed', async () => {
    const { faults, read, again, html, takes } = await runWith<Record<string, unknown>>(
      PLACE,
      `import './src/words/pages';
      import { MantineProvider } from '@mantine/core';
      import { renderToString } from 'react-dom/server';
      import { PlaceSchema } from './src/core/place/schema';
      import { PlaceForm } from './src/islands/places/PlaceForm';
      import { readPlace, textsOf } from './src/islands/places/place-text';
      import { DEFAULT_READING } from './src/words';
      const text = { ...textsOf(null, DEFAULT_READING), name: 'Hatch', height: '740', deskThicknessMm: '30' };
      const readAs = (cableTrayMm) => readPlace('p', { ...text, cableTrayMm }, DEFAULT_READING);
      export const faults = readAs('900').faults;
      export const read = readAs('12 cm').edit.cableTrayMm;
      const { desk, screen, footrest, ...rest } = readAs('12 cm').edit;
      const place = { ...rest, id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a01', schema: 2, adjustments: [desk] };
      export const again = textsOf(place, DEFAULT_READING).cableTrayMm;
      export const takes = [place, { ...place, cableTrayMm: 900 }].map((p) =>
        PlaceSchema.safeParse(JSON.parse(JSON.stringify(p))).success);
      export const html = renderToString(
        <MantineProvider><PlaceForm existing={null} onSaved={() => {}} onCancel={() => {}} /></MantineProvider>);`,
    );
    expect(faults).to.have.all.keys('cableTrayMm');
    expect([read, again]).to.deep.equal([120, '120']);
    expect(takes).to.deep.equal([true, false]);
    expect(html).to.include('Cable tray').and.to.include('Keyboard thickness');
  });

  it('of a seat is checked, read, said and shown after three files have changed', async () => {
    const { faults, read, again, html, takes } = await runWith<Record<string, unknown>>(
      SEAT,
      `import './src/words/pages';
      import { MantineProvider } from '@mantine/core';
      import { renderToString } from 'react-dom/server';
      import { SeatSchema } from './src/core/seat/schema';
      import { PartSection } from './src/islands/seats/SeatSections';
      import { readSeat } from './src/islands/seats/read-seat';
      import { newSeatText, textOfSeat } from './src/islands/seats/seat-text';
      import { DEFAULT_READING } from './src/words';
      const text = newSeatText(DEFAULT_READING);
      const [height] = text.adjustments;
      const described = { ...text, name: 'Stool', adjustments: [{ ...height, lowest: '400', highest: '520' }] };
      const readAs = (wing) =>
        readSeat('0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a02', { ...described, wing }, DEFAULT_READING, null);
      export const faults = readAs('900').faults;
      const { seat } = readAs('9 cm');
      export const read = seat.back.wingMm;
      export const again = textOfSeat(seat, DEFAULT_READING).wing;
      export const takes = [seat, { ...seat, back: { ...seat.back, wingMm: -1 } }].map((s) =>
        SeatSchema.safeParse(JSON.parse(JSON.stringify(s))).success);
      export const html = renderToString(
        <MantineProvider>
          <PartSection part="back" isOpen newest={null} onNewest={() => {}} text={text}
            form={{ faults: {}, hasTried: false }} onChange={() => {}} />
        </MantineProvider>);`,
    );
    expect(faults).to.have.all.keys('wing');
    expect([read, again]).to.deep.equal([90, '90']);
    expect(takes).to.deep.equal([true, false]);
    expect(html).to.include('Side wing').and.to.include('Top of the backrest');
  });
});
