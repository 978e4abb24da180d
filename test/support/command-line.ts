/** The command line, as its script starts it. */
import { spawn } from 'node:child_process';

export interface Ran {
  readonly out: string;
  readonly error: string;
  readonly code: number | null;
}

/** @param input what it reads on standard input */
export function runLines(args: readonly string[], input = ''): Promise<Ran> {
  const child = spawn(process.execPath, ['dist/fit.mjs', ...args], { stdio: ['pipe', 'pipe', 'pipe'] });
  let [out, error] = ['', ''];
  child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()));
  child.stderr.on('data', (chunk: Buffer) => (error += chunk.toString()));
  child.stdin.on('error', () => undefined);
  child.stdin.end(input);
  return new Promise((resolve) => child.on('close', (code) => resolve({ out, error, code })));
}
