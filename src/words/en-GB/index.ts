/** The catalogue in British English, in ICU message format: words of every page, of the pages beside a fitting, and of the server. */
import { BUILT_IN_WORDS, METHOD_ABOUTS } from './built-in';
import { CARD_WORDS } from './card';
import { CARDS_WORDS } from './cards';
import { CHAIN_WORDS } from './chain';
import { CHOOSE_WORDS } from './choose';
import { FIT_WORDS } from './fit';
import { PAGE_WORDS } from './pages';
import { PEOPLE_WORDS } from './people';
import { SCREEN_WORDS } from './screens';
import { SERVER_WORDS } from './server';
import { SHEET_WORDS } from './sheet';
import { TRADE_WORDS } from './trade';
import { WALK_WORDS } from './walk';

export const COMMON = {
  ...TRADE_WORDS,
  ...BUILT_IN_WORDS,
  ...FIT_WORDS,
  ...CHAIN_WORDS,
  ...CARD_WORDS,
  ...PEOPLE_WORDS,
  ...SCREEN_WORDS,
} as const;

export const PAGES = PAGE_WORDS;
export const SERVER = SERVER_WORDS;
export const WALK = WALK_WORDS;
export const SHEET = SHEET_WORDS;
export const CARDS = CARDS_WORDS;
export const ABOUTS = { ...METHOD_ABOUTS, ...CHOOSE_WORDS } as const;

/** What the service worker says of a page that it has not kept. */
export const OFFLINE = {
  'offline.title': 'No connection',
  'offline.notKept': 'This page has not been opened on this device before, so it cannot be shown now.',
  'offline.kept': 'What you entered is kept on this device and sent when you are connected again.',
} as const;
