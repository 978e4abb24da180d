// Cases on the command line: `npm run fit -- case.json`, or one case a line on standard input.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT, buildIfStale, checkNode, installPackages } from './machine.mjs';

checkNode();
// Answers go to standard output: whatever else there is to say does not.
installPackages({ asError: true });
buildIfStale({ asError: true });
const { status } = spawnSync(process.execPath, [join(ROOT, 'dist', 'fit.mjs'), ...process.argv.slice(2)], {
  stdio: 'inherit',
  // Where the command was given, not where npm goes.
  cwd: process.env.INIT_CWD ?? process.cwd(),
});
process.exitCode = status ?? 1;
