import type { AstroGlobal } from 'astro';
import { allFitters } from '../service/catalogue';
import { today } from '../service/context';
import { currentContext, currentGate } from './current';
import { actorOf } from './http';
import { preferencesOf } from './preferences';

/** What every page hands to its frame. */
export async function pageProps(astro: Pick<AstroGlobal, 'cookies' | 'locals'>) {
  const context = { ...currentContext(), actor: actorOf(astro) };
  const { reading, fitterId } = preferencesOf(astro.cookies, context.practice);
  const fitters = await allFitters(context);
  // The device may remember a fitter of a database that is gone.
  const known = fitters.some((f) => f.id === fitterId);
  return {
    context,
    page: {
      reading,
      fitterId: known ? fitterId : null,
      fitters,
      signsIn: currentGate() !== null,
      today: today(context),
    },
  };
}
