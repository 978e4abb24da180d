import type { Context } from '../service/context';

/** The built pages and the server around them are two bundles with their own copies of every module: they meet here. */
const meeting = globalThis as typeof globalThis & { __velto?: Context };

export function setContext(context: Context): void {
  meeting.__velto = context;
}

export function currentContext(): Context {
  if (!meeting.__velto) throw new Error('the database was not opened');
  return meeting.__velto;
}
