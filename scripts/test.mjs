// One command: installs what is missing (Debian's Chromium and pdftotext included), builds, runs every test.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, buildIfStale, checkNode, fail, installPackages } from './machine.mjs';

const TOOLS = [
  {
    path: process.env.CHROMIUM ?? '/usr/bin/chromium',
    package: 'chromium',
    why: 'the tests drive the interface in it',
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
  const still = missing.filter((tool) => !existsSync(tool.path));
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
buildIfStale();

const filesIn = (folder) =>
  readdirSync(join(ROOT, 'test', folder), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => `${folder}/${name}`);
const isDrawn = (file) => /^core\/(certainty|crowd|population)/.test(file);
const IN_PLACE = [
  'core',
  'published',
  'data',
  'service',
  'server',
  'islands',
  'workers',
  'devices',
  'docs',
].flatMap(filesIn);

/**
 * What can run beside something else, the longest first. The interface waits a good deal: each of its files is a run of
 * its own, so that there is always another to go on with.
 */
const BESIDE = [
  { name: 'without the interface', files: IN_PLACE.filter((file) => !isDrawn(file)) },
  { name: 'bodies drawn by the thousand', files: IN_PLACE.filter(isDrawn) },
  ...filesIn('web').map((file) => ({ name: file, files: [file] })),
];
/** Runs at the same time: more would make those wait too long that look at the time. */
const AT_ONCE = 2;
/** With others beside them tests take their time. */
const BESIDE_MS = '60000';
/** What measures time runs by itself, after everything else. */
const ALONE = [{ name: 'load', files: filesIn('load') }];

/** Runs some tests; what they say is shown when they have ended, for others run at the same time. */
function run({ name, files }) {
  const child = spawn('npx', ['mocha', '--timeout', BESIDE_MS, ...files.map((file) => `test/${file}`)], {
    cwd: ROOT,
    stdio: ['inherit', 'pipe', 'inherit'],
  });
  let said = '';
  child.stdout.setEncoding('utf8').on('data', (text) => (said += text));
  return new Promise((resolve) => {
    child.on('close', (code) => {
      const [, passed, failed] = /(\d+) passed, (\d+) failed\s*$/.exec(said) ?? [null, '0', '1'];
      const told = said.replace(/\d+ passed, \d+ failed\s*$/, '');
      process.stdout.write(`${name}\n${told}\n`);
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

/** Runs several at a time, and gives what they came to. */
async function runAll(jobs, atOnce) {
  const left = [...jobs];
  const results = [];
  const runOn = async () => {
    for (let job = left.shift(); job; job = left.shift()) results.push(await run(job));
  };
  await Promise.all(Array.from({ length: atOnce }, runOn));
  return results;
}

const given = process.argv.slice(2);
if (given.length > 0) {
  // The listing of the tests ends with the line that counts them: nothing is printed after it.
  const tests = spawnSync('npx', ['mocha', ...given], { cwd: ROOT, stdio: 'inherit' });
  process.exit(tests.status ?? 1);
}
const results = [...(await runAll(BESIDE, AT_ONCE)), ...(await runAll(ALONE, 1))];
// Said once more at the end: among thousands of lines nobody finds it.
for (const { name, faults } of results.filter(({ failed }) => failed > 0)) console.log(`${name}\n${faults}`);
const total = (key) => results.reduce((sum, result) => sum + result[key], 0);
console.log(`${total('passed')} passed, ${total('failed')} failed`);
process.exit(total('failed') === 0 ? 0 : 1);
