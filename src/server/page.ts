import type { AstroGlobal } from 'astro';
import { allFitters } from '../service/catalogue';
import { currentContext } from './current';
import { preferencesOf } from './preferences';

/** What every page hands to its frame. */
export async function pageProps(astro: Pick<AstroGlobal, 'cookies'>) {
  const context = currentContext();
  return { context, page: { ...preferencesOf(astro.cookies), fitters: await allFitters(context) } };
}
