/** Who was asked today for signs that come before any measuring. */
import { createContext } from 'react';
import { ASKED_COOKIE, saidAsked, type Asked } from '../contract/asked';
import { keep } from './preferences';

const DAY_S = 86_400;

export const AskedContext = createContext<Asked>({ today: '', ids: [] });

/** Since the page came. */
const here = new Set<string>();

export const wasAsked = ({ ids }: Asked, sitterId: string): boolean =>
  here.has(sitterId) || ids.includes(sitterId);

export function rememberAsked({ today, ids }: Asked, sitterId: string): void {
  here.add(sitterId);
  keep(ASKED_COOKIE, saidAsked({ today, ids: [...new Set([...ids, ...here])] }), DAY_S);
}
