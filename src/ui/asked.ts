/**
 * Who was asked on this device today for signs that come before any measuring: kept in a cookie until midnight, so that
 * the server's first paint knows it. What was answered is kept nowhere.
 */
import { createContext } from 'react';
import { keep } from './preferences';

export const ASKED_COOKIE = 'velto-asked';
/** Of so many people a cookie holds the ids. */
const MOST_PEOPLE = 30;
const DAY_S = 86_400;

export interface Asked {
  /** Local date of the practice. */
  readonly today: string;
  /** Ids of people. */
  readonly ids: readonly string[];
}

/** Returns who was asked on a day, by what the cookie says; nobody where it says nothing of that day. */
export function askedOn(today: string, cookie: string | undefined): Asked {
  const [day, list = ''] = (cookie ?? '').split(' ');
  return { today, ids: day === today ? list.split(',').filter(Boolean) : [] };
}

export const AskedContext = createContext<Asked>({ today: '', ids: [] });

/** Since the page came. */
const here = new Set<string>();

export const wasAsked = ({ ids }: Asked, sitterId: string): boolean =>
  here.has(sitterId) || ids.includes(sitterId);

export function rememberAsked({ today, ids }: Asked, sitterId: string): void {
  here.add(sitterId);
  const all = [...new Set([...ids, ...here])].slice(-MOST_PEOPLE);
  keep(ASKED_COOKIE, `${today} ${all.join(',')}`, DAY_S);
}
