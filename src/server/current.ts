import type { Context } from '../service/context';
import type { Gate } from './gate';

/** The built pages and the server around them are two bundles with their own copies of every module: they meet here. */
const meeting = globalThis as typeof globalThis & { __velto?: { context: Context; gate: Gate | null } };

/** @param gate null where everybody who reaches the program may use it: on this machine only */
export function setCurrent(context: Context, gate: Gate | null): void {
  meeting.__velto = { context, gate };
}

function current() {
  if (!meeting.__velto) throw new Error('the database was not opened');
  return meeting.__velto;
}

export const currentContext = (): Context => current().context;
export const currentGate = (): Gate | null => current().gate;
