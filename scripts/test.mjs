// One command: installs what is missing (Debian's Chromium and pdftotext included), builds, runs the tests; with
// `--proofs` those that take long instead.
import { spawn, spawnSync } from 'node:child_process';
import {
  closeSync,
  existsSync,
  mkdtempSync,
  openSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, buildIfStale, checkNode, fail, installPackages } from './machine.mjs';

const TOOLS = [
  {
    path: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
    package: 'chromium-headless-shell',
    why: 'the tests drive the interface in it',
    // The same engine with windows around it: it does as well, and takes half as long again.
    orElse: '/usr/bin/chromium',
  },
  { path: '/usr/bin/pdftotext', package: 'poppler-utils', why: 'the tests read the printed card with it' },
];

function installTools() {
  const missing = TOOLS.filter((tool) => !existsSync(tool.path));
  if (missing.length === 0) return;
  const names = missing.map((tool) => tool.package);
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  console.log(`Installing ${names.join(' and ')} from Debian …`);
  const apt = (...args) =>
    spawnSync([...sudo, 'apt-get', ...args][0], [...sudo, 'apt-get', ...args].slice(1), {
      stdio: 'inherit',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  if (apt('update', '-qq').status === 0) apt('install', '-y', '-qq', '--no-install-recommends', ...names);
  const still = missing.filter((tool) => !existsSync(tool.path) && !existsSync(tool.orElse ?? tool.path));
  if (still.length === 0) return;
  fail(
    still
      .map(
        (t) =>
          `${t.package} is not installed and could not be: ${t.why}. Run as somebody who may: apt-get install ${t.package}`,
      )
      .join('\n'),
  );
}

checkNode();
installPackages();
installTools();

const filesIn = (folder) =>
  readdirSync(join(ROOT, 'test', folder), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => `${folder}/${name}`);

const IN_PLACE = [
  'core',
  'published',
  'data',
  'service',
  'server',
  'islands',
  'drawing',
  'workers',
  'devices',
  'docs',
];
/** Of those, the ones that start the built application: they wait a good deal, and go beside others. */
const STARTS_IT = (file) => /^(?:server|docs)\//.test(file);
/** Runs at the same time: more would make those wait too long that look at the time. */
const AT_ONCE = 2;
/** It looks at every screen, which takes longer than any other suite: it has a run of its own. */
const EVERY_SCREEN = 'web/accessibility.test.ts';
/** The other suites of pages go in so many runs: those of one run share a browser. */
const RUNS_OF_PAGES = 4;
/** With others beside them tests take their time. */
const BESIDE_MS = '60000';

/** Divides files into runs of about the same length; the length of a file tells how long it takes. */
function divided(files, count) {
  const runs = Array.from({ length: count }, () => ({ files: [], size: 0 }));
  const sized = files.map((file) => ({ file, size: statSync(join(ROOT, 'test', file)).size }));
  for (const { file, size } of sized.sort((a, b) => b.size - a.size)) {
    const shortest = runs.reduce((least, run) => (run.size < least.size ? run : least));
    shortest.files.push(file);
    shortest.size += size;
  }
  return runs.map(({ files }) => files);
}

const inPlace = IN_PLACE.flatMap(filesIn);
/** They need nothing built: they run while it is. */
const COMPUTATIONS = {
  name: 'computations and use cases',
  files: inPlace.filter((file) => !STARTS_IT(file)),
};
/** What needs the built application, the longest first. */
const ON_WHAT_IS_BUILT = [
  { name: 'every screen', files: [EVERY_SCREEN] },
  { name: 'the built application', files: inPlace.filter(STARTS_IT) },
  ...divided(
    filesIn('web').filter((file) => file !== EVERY_SCREEN),
    RUNS_OF_PAGES,
  ).map((files, i) => ({ name: `pages ${i + 1}`, files })),
  { name: 'load', files: filesIn('load') },
];

/** What looks at the clock, or needs every core: it runs by itself. */
const BY_THE_CLOCK = /proofs\/(?:computing|drag|exchange|kills|pages-seen|seats-seen|speed)/;
const proofs = filesIn('proofs');
/** Among the tests these take some of the cases, here all. */
const EVERYBODY = [
  'core/words.test.ts',
  'core/reasons-add-up.test.ts',
  'core/explain.test.ts',
  'core/moved.test.ts',
  'core/remedies.test.ts',
  'drawing/control-sheet.test.ts',
  'published/operator-and-place.test.ts',
  'server/page-words.test.ts',
];
/** Those of other tests that look at the clock as well: only here they do. */
const IN_TIME = {
  name: 'in time',
  files: [
    'drawing/control-sheet.test.ts',
    'drawing/labels-pdf.test.ts',
    'drawing/printed-labels.test.ts',
    'service/seat-files.test.ts',
    'service/seat-library.test.ts',
  ],
  arguments: ['--grep', 'within (?:a|three|five|100)|stay on the paper'],
  env: { VELTO_CLOCK: '1' },
};
const PROOFS = {
  beside: [
    // What is drawn less often among the tests is drawn in full here.
    { name: 'bad input', files: ['core/bad-input.test.ts'] },
    { name: 'everybody on every seat', files: EVERYBODY },
    { name: 'hostile requests', files: ['load/hostile.test.ts'] },
    { name: 'nothing lost', files: ['web/nothing-lost.test.ts'] },
    ...proofs.filter((file) => !BY_THE_CLOCK.test(file)).map((file) => ({ name: file, files: [file] })),
  ],
  alone: [
    IN_TIME,
    ...proofs.filter((file) => BY_THE_CLOCK.test(file)).map((file) => ({ name: file, files: [file] })),
  ],
};

/** Runs some tests; what they say is shown when they have ended, for others run at the same time. */
function run({ name, files, arguments: more = [], env: own = {} }, env) {
  const began = Date.now();
  // Into a file: it is filled while this process waits for the build.
  const folder = mkdtempSync(join(tmpdir(), 'velto-said-'));
  const listing = join(folder, 'listing');
  const output = openSync(listing, 'w');
  const given = ['--timeout', BESIDE_MS, ...more, ...files.map((file) => `test/${file}`)];
  const child = spawn('npx', ['mocha', ...given], {
    cwd: ROOT,
    stdio: ['inherit', output, 'inherit'],
    env: { ...process.env, ...env, ...own },
  });
  closeSync(output);
  const end = () => child.kill('SIGTERM');
  process.once('exit', end);
  return new Promise((resolve) => {
    child.on('close', (code) => {
      process.off('exit', end);
      const said = readFileSync(listing, 'utf8');
      rmSync(folder, { recursive: true });
      const [, passed, failed] = /(\d+) passed, (\d+) failed\s*$/.exec(said) ?? [null, '0', '1'];
      const told = said.replace(/\d+ passed, \d+ failed\s*$/, '');
      process.stdout.write(`${name} (${Math.round((Date.now() - began) / 1000)} s)\n${told}\n`);
      resolve({
        name,
        passed: Number(passed),
        failed: Math.max(Number(failed), code === 0 ? 0 : 1),
        // Mocha tells what failed after its counts; a run that broke off has none.
        faults: /^ +(?:\S+ )?\d+ failing[\s\S]*/m.exec(told)?.[0] ?? told.slice(-2000),
      });
    });
  });
}

/** Runs several at a time, and gives what they came to; `early` has begun before and counts as one of them. */
async function runAll(jobs, atOnce, env = {}, early = null) {
  const left = [...jobs];
  const results = [];
  const runOn = async () => {
    for (let job = left.shift(); job; job = left.shift()) results.push(await run(job, env));
  };
  const afterEarly = async () => {
    results.push(await early);
    await runOn();
  };
  await Promise.all(Array.from({ length: atOnce }, (_, i) => (early && i === 0 ? afterEarly() : runOn())));
  return results;
}

/** Demo records as a first start makes them, once for all suites: each has its own copy. */
async function preparedRecords() {
  const folder = mkdtempSync(join(tmpdir(), 'velto-records-'));
  const server = spawn(process.execPath, ['dist/serve.mjs', '--demo', '--port', '0', '--data', folder], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const ended = new Promise((resolve) => server.once('exit', resolve));
  const started = new Promise((resolve) =>
    server.stdout.setEncoding('utf8').on('data', (text) => /http:/.test(text) && resolve(true)),
  );
  if ((await Promise.race([started, ended])) !== true)
    fail('The server did not start: without it nothing can be tested.');
  server.kill('SIGTERM');
  await ended;
  return folder;
}

async function runTests() {
  const early = run(COMPUTATIONS, {});
  buildIfStale();
  const records = await preparedRecords();
  const results = await runAll(ON_WHAT_IS_BUILT, AT_ONCE, { VELTO_TEST_RECORDS: records }, early);
  rmSync(records, { recursive: true, force: true });
  return results;
}

async function runProofs() {
  const IN_FULL = { VELTO_PROOFS: '1' };
  buildIfStale();
  return [...(await runAll(PROOFS.beside, AT_ONCE, IN_FULL)), ...(await runAll(PROOFS.alone, 1, IN_FULL))];
}

const given = process.argv.slice(2);
const isProof = given[0] === '--proofs';
if (given.length > 0 && !isProof) {
  buildIfStale();
  // The listing of the tests ends with the line that counts them: nothing is printed after it.
  const tests = spawnSync('npx', ['mocha', ...given], { cwd: ROOT, stdio: 'inherit' });
  process.exit(tests.status ?? 1);
}
const began = Date.now();
const results = await (isProof ? runProofs() : runTests());
// Said once more at the end: among thousands of lines nobody finds it.
const failing = results.filter(({ failed }) => failed > 0);
if (failing.length > 0) console.log('What failed:');
for (const { name, faults } of failing) console.log(`${name}\n${faults}`);
console.log(`It took ${Math.round((Date.now() - began) / 1000)} s.`);
const total = (key) => results.reduce((sum, result) => sum + result[key], 0);
console.log(`${total('passed')} passed, ${total('failed')} failed`);
process.exit(total('failed') === 0 ? 0 : 1);
