/** Every word that Velto shows, by key. British spelling; numbers come in with their units. */
import { CARD_WORDS } from './card';
import { CHAIN_WORDS } from './chain';
import { FIT_WORDS } from './fit';
import { PEOPLE_WORDS } from './people';
import { SCREEN_WORDS } from './screens';
import { TRADE_WORDS } from './trade';

export const WORDS = {
  ...TRADE_WORDS,
  ...FIT_WORDS,
  ...CHAIN_WORDS,
  ...CARD_WORDS,
  ...PEOPLE_WORDS,
  ...SCREEN_WORDS,
} as const;
export type WordKey = keyof typeof WORDS;
