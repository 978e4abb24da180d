import { trustOf } from './addresses';

export interface Arguments {
  readonly port: number;
  readonly dataFolder: string;
  /** Address to listen on; beyond this machine only with a passphrase. */
  readonly host: string;
  readonly passphrase: string | null;
  /** Addresses or ranges of proxies that are believed. */
  readonly proxies: readonly string[];
  /** Where browsers find the program, if not at the address it listens on. */
  readonly publicUrl: string | null;
  /** Empty the data folder's database first. */
  readonly fresh: boolean;
  /** Put the demo records into a folder that has never held data. */
  readonly demo: boolean;
}

const DEFAULT_PORT = 4780;
const DEFAULT_DATA = 'var';
export const LOOPBACK_HOST = '127.0.0.1';
/** Shorter passphrases are not taken, characters. */
const SHORTEST_PASSPHRASE = 12;
const HIGHEST_PORT = 65535;

const USAGE =
  'Use: --port 4780 --data var --host 127.0.0.1 --demo --fresh (or PORT, VELTO_DATA, VELTO_HOST, VELTO_PROXIES, VELTO_PUBLIC_URL in the environment)';

/** Reads the command line over the environment; a message where something is not understood. */
export function readArguments(
  argv: readonly string[],
  env: Readonly<Record<string, string | undefined>>,
): Arguments | { readonly error: string } {
  const given: Record<string, string> = {};
  const flags = new Set<string>();
  for (let i = 0; i < argv.length; i++) {
    const [name = '', inline] = (argv[i] ?? '').split(/=(.*)/s, 2);
    if (name === '--fresh' || name === '--demo') flags.add(name);
    else if (name === '--port' || name === '--data' || name === '--host') {
      const value = inline ?? argv[++i];
      if (value === undefined || value === '') return { error: `${name} needs a value. ${USAGE}` };
      given[name] = value;
    } else return { error: `“${argv[i]}” is not understood. ${USAGE}` };
  }
  const portText = given['--port'] ?? env.PORT ?? String(DEFAULT_PORT);
  const port = Number(portText);
  if (!/^\d+$/.test(portText) || port > HIGHEST_PORT)
    return { error: `The port “${portText}” is not a number from 0 to ${HIGHEST_PORT}.` };
  const host = given['--host'] ?? (env.VELTO_HOST || LOOPBACK_HOST);
  const passphrase = env.VELTO_PASSPHRASE || null;
  if (passphrase !== null && passphrase.length < SHORTEST_PASSPHRASE)
    return { error: `VELTO_PASSPHRASE is too short: at least ${SHORTEST_PASSPHRASE} characters.` };
  if (host !== LOOPBACK_HOST && passphrase === null)
    return {
      error: `Listening on ${host} lets other devices in: set a passphrase in VELTO_PASSPHRASE first (at least ${SHORTEST_PASSPHRASE} characters).`,
    };
  const proxies = (env.VELTO_PROXIES ?? '').split(/[\s,]+/).filter(Boolean);
  try {
    trustOf(proxies);
  } catch {
    return { error: `VELTO_PROXIES names something that is no address: ${proxies.join(', ')}.` };
  }
  const publicUrl = env.VELTO_PUBLIC_URL || null;
  if (publicUrl !== null && !(URL.canParse(publicUrl) && /^https?:$/.test(new URL(publicUrl).protocol)))
    return { error: `VELTO_PUBLIC_URL is not an address: ${publicUrl}.` };
  if ((proxies.length > 0 || publicUrl !== null) && passphrase === null)
    return {
      error: `A proxy or a public address lets other devices in: set a passphrase in VELTO_PASSPHRASE first (at least ${SHORTEST_PASSPHRASE} characters).`,
    };
  return {
    host,
    passphrase,
    port,
    proxies,
    publicUrl,
    dataFolder: given['--data'] ?? env.VELTO_DATA ?? DEFAULT_DATA,
    fresh: flags.has('--fresh'),
    demo: flags.has('--demo'),
  };
}
