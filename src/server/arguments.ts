export interface Arguments {
  readonly port: number;
  readonly dataFolder: string;
  /** Empty the data folder's database first. */
  readonly fresh: boolean;
  /** Leave an empty database empty. */
  readonly empty: boolean;
}

const DEFAULT_PORT = 4780;
const DEFAULT_DATA = 'var';
const HIGHEST_PORT = 65535;

const USAGE = 'Use: --port 4780 --data var --fresh --empty (or PORT, VELTO_DATA in the environment)';

/** Reads the command line over the environment; a message where something is not understood. */
export function readArguments(
  argv: readonly string[],
  env: Readonly<Record<string, string | undefined>>,
): Arguments | { readonly error: string } {
  const given: Record<string, string> = {};
  const flags = new Set<string>();
  for (let i = 0; i < argv.length; i++) {
    const [name = '', inline] = (argv[i] ?? '').split(/=(.*)/s, 2);
    if (name === '--fresh' || name === '--empty') flags.add(name);
    else if (name === '--port' || name === '--data') {
      const value = inline ?? argv[++i];
      if (value === undefined || value === '') return { error: `${name} needs a value. ${USAGE}` };
      given[name] = value;
    } else return { error: `“${argv[i]}” is not understood. ${USAGE}` };
  }
  const portText = given['--port'] ?? env.PORT ?? String(DEFAULT_PORT);
  const port = Number(portText);
  if (!/^\d+$/.test(portText) || port > HIGHEST_PORT)
    return { error: `The port “${portText}” is not a number from 0 to ${HIGHEST_PORT}.` };
  return {
    port,
    dataFolder: given['--data'] ?? env.VELTO_DATA ?? DEFAULT_DATA,
    fresh: flags.has('--fresh'),
    empty: flags.has('--empty'),
  };
}
