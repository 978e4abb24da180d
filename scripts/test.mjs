// One command: installs what is missing (Debian's Chromium and pdftotext included), builds, runs every test.
import { spawnSync } from 'node:child_process';
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
// The listing of the tests ends with the line that counts them: nothing is printed after it.
const tests = spawnSync('npx', ['mocha', ...process.argv.slice(2)], { cwd: ROOT, stdio: 'inherit' });
process.exit(tests.status ?? 1);
