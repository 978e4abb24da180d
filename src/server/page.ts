import type { AstroGlobal } from 'astro';
import type { Outcome } from '../contract';
import { ASKED_COOKIE, askedOn } from '../contract/asked';
import { linkedCard } from '../service/card';
import { allFitters } from '../service/catalogue';
import { today } from '../service/context';
import { labelled, pieceByLabel } from '../service/labels';
import { actorOf } from './caller';
import { currentContext, currentGate } from './current';
import { DEVICE_COOKIES, readingOf } from './preferences';
import { SignInNeeded } from './sign-in-needed';

type PageRequest = Pick<AstroGlobal, 'cookies' | 'locals'>;

/** Returns what a page cannot do without; whoever may not see it is led to signing in. */
export function needed<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  if (outcome.reason === 'signInFirst') throw new SignInNeeded();
  throw new Error(`a page was refused what it needs: ${outcome.reason}`);
}

/** Returns a record to show, or null where there is none; whoever may not see it is led to signing in. */
export function shown<T>(outcome: Outcome<T>): T | null {
  return !outcome.ok && outcome.reason !== 'signInFirst' ? null : needed(outcome);
}

/** Returns what the label on a seat leads to; null where it leads nowhere. Whoever works here gets to the record. */
export async function labelOf(astro: PageRequest, token: string) {
  const context = { ...currentContext(), actor: await actorOf(astro) };
  const found = await labelled(context, token);
  if (!found.ok) return null;
  const record = await pieceByLabel(context, token);
  return {
    reading: readingOf(astro.cookies, context.practice),
    token,
    ...found.value,
    record: record.ok ? `/seats/tagged/${record.value}` : null,
  };
}

/** Returns the card that a private link opens, and how this reader wants it; null where it opens nothing. */
export async function linkedCardOf(astro: PageRequest, token: string) {
  const context = { ...currentContext(), actor: await actorOf(astro) };
  const found = await linkedCard(context, token);
  if (!found.ok) return null;
  const reading = readingOf(astro.cookies, context.practice);
  const { card, more } = found.value;
  return { reading, token, card, more };
}

/** Returns what every page hands to its frame. */
export async function pageProps(astro: PageRequest) {
  const context = { ...currentContext(), actor: await actorOf(astro) };
  return {
    context,
    page: {
      reading: readingOf(astro.cookies, context.practice),
      fitterId: context.actor.fitter?.id ?? null,
      fitters: needed(await allFitters(context)),
      signsIn: currentGate() !== null,
      today: today(context),
      asked: askedOn(today(context), astro.cookies.get(ASKED_COOKIE)?.value),
      isScopeSeen: astro.cookies.get(DEVICE_COOKIES.scope)?.value === '1',
    },
  };
}
