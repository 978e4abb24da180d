// Compiles the catalogue of words, in ICU message format, to functions: no parser goes into the browser.
import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const ROOT = fileURLToPath(new URL('..', import.meta.url));
const WORDS = join(ROOT, 'src/words');
/** The catalogue's own language, and the made one that tests look for left-over English with. */
const CATALOGUE = 'en-GB';
export const PSEUDO = 'en-XA';

const ACCENTS = Object.fromEntries(
  [
    ...'AÅBƁCÇDÐEÉFƑGĜHĤIÎJĴKĶLĻMṀNÑOÖPÞQǪRŔSŠTŢUÛVṼWŴXẊYÝZŽaåbƀcçdðeéfƒgĝhĥiîjĵkķlļmɱnñoöpþqǫrŕsštţuûvṽwŵxẋyýzž',
  ].reduce((pairs, c, i, all) => (i % 2 === 0 ? [...pairs, [c, all[i + 1]]] : pairs), []),
);
/** Four tenths longer, as translations are. */
const LONGER = 0.4;

/** A text with accents and padding, its holes left as they are. */
export function pseudo(text) {
  let depth = 0;
  let letters = 0;
  let made = '';
  for (const c of text) {
    if (c === '{') depth++;
    if (depth % 2 === 0 && ACCENTS[c]) {
      made += ACCENTS[c];
      letters++;
    } else made += c;
    if (c === '}') depth--;
  }
  return `${made}${'·'.repeat(Math.ceil(letters * LONGER))}`;
}

const files = () => [
  fileURLToPath(import.meta.url),
  ...readdirSync(join(WORDS, CATALOGUE))
    .sort()
    .map((name) => join(WORDS, CATALOGUE, name)),
];

function fingerprint(language) {
  const hash = createHash('sha256').update(language);
  for (const file of files()) hash.update(readFileSync(file));
  return hash.digest('hex');
}

/** The source of a module with one function a message. */
export async function compiledModule(messages) {
  const { default: MessageFormat } = await import('@messageformat/core');
  const { default: compileModule } = await import('@messageformat/core/compile-module.js');
  return compileModule(new MessageFormat('en'), messages);
}

/** Compiles what has changed; does nothing where nothing has. */
export async function compileWords(language = process.env.VELTO_LANGUAGE ?? CATALOGUE) {
  const mark = join(WORDS, 'compiled/.sources');
  const wanted = fingerprint(language);
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  const { build } = await import('esbuild');
  const folder = mkdtempSync(join(tmpdir(), 'velto-words-'));
  try {
    const outfile = join(folder, 'catalogue.mjs');
    await build({ entryPoints: [join(WORDS, CATALOGUE, 'index.ts')], bundle: true, format: 'esm', outfile });
    const { ABOUTS, CARDS, COMMON, OFFLINE, PAGES, SERVER, SHEET, WALK } = await import(
      pathToFileURL(outfile).href
    );
    for (const [name, messages] of Object.entries({
      about: ABOUTS,
      cards: CARDS,
      common: COMMON,
      offline: OFFLINE,
      pages: PAGES,
      server: SERVER,
      sheet: SHEET,
      walk: WALK,
    })) {
      const texts =
        language === PSEUDO
          ? Object.fromEntries(Object.entries(messages).map(([key, text]) => [key, pseudo(text)]))
          : messages;
      writeFileSync(join(WORDS, `compiled/${name}.js`), await compiledModule(texts));
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  writeFileSync(mark, wanted);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await compileWords();
