// One command: installs what is missing, builds what is stale, then opens the database and serves.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT, buildIfStale, checkNode, fail, installPackages } from './machine.mjs';

checkNode();
installPackages();
buildIfStale();
const server = spawn(
  process.execPath,
  [join(ROOT, 'dist', 'serve.mjs'), '--demo', ...process.argv.slice(2)],
  {
    cwd: ROOT,
    stdio: 'inherit',
  },
);
server.on('error', (error) => fail(`The server did not start: ${error.message}`));
server.on('exit', (code, signal) => process.exit(signal ? 0 : (code ?? 1)));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
