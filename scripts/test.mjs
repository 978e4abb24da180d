// One command: installs what is missing (Debian's Chromium and pdftotext included), builds, runs every test.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
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

/** What measures time runs by itself, after everything else. */
const DRAWN = 'core/{certainty*,crowd,population}';
const BESIDE = [
  {
    folders: ['core', 'published', 'data', 'service', 'server', 'islands', 'workers', 'devices', 'docs'],
    ignore: [`${DRAWN}.test.ts`],
  },
  // The interface waits a good deal: what draws bodies by the thousand goes beside it.
  { folders: ['web'], files: [`${DRAWN}.test.ts`] },
];
/** With others beside them tests take their time. */
const BESIDE_MS = '60000';
const ALONE = [{ folders: ['load'] }];

/** Runs the tests of some folders; what they say is shown when they have ended, for others run at the same time. */
function runFolders({ folders, files = [], ignore = [] }) {
  const globs = [...folders.map((folder) => `${folder}/**/*.test.ts`), ...files].map(
    (glob) => `test/${glob}`,
  );
  const left = ignore.flatMap((glob) => ['--ignore', `test/${glob}`]);
  const child = spawn('npx', ['mocha', '--timeout', BESIDE_MS, ...left, ...globs], {
    cwd: ROOT,
    stdio: ['inherit', 'pipe', 'inherit'],
  });
  let said = '';
  child.stdout.setEncoding('utf8').on('data', (text) => (said += text));
  return new Promise((resolve) => {
    child.on('close', (code) => {
      const [, passed, failed] = /(\d+) passed, (\d+) failed\s*$/.exec(said) ?? [null, '0', '1'];
      process.stdout.write(`${folders.join(', ')}\n${said.replace(/\d+ passed, \d+ failed\s*$/, '')}\n`);
      resolve({ passed: Number(passed), failed: Math.max(Number(failed), code === 0 ? 0 : 1) });
    });
  });
}

const given = process.argv.slice(2);
if (given.length > 0) {
  // The listing of the tests ends with the line that counts them: nothing is printed after it.
  const tests = spawnSync('npx', ['mocha', ...given], { cwd: ROOT, stdio: 'inherit' });
  process.exit(tests.status ?? 1);
}
const results = await Promise.all(BESIDE.map(runFolders));
for (const group of ALONE) results.push(await runFolders(group));
const total = (key) => results.reduce((sum, result) => sum + result[key], 0);
console.log(`${total('passed')} passed, ${total('failed')} failed`);
process.exit(total('failed') === 0 ? 0 : 1);
