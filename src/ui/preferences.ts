import { createContext, useContext } from 'react';
import type { Fitter } from '../contract';
import { DEFAULT_READING, say, type Reading } from '../words';
import type { Message } from '../core/message';
import type { ASKED_COOKIE, Asked } from '../contract/asked';
import type { DENSITY_COOKIE } from './density';

/** What every page is handed by the server: this device's units and fitter, and the fitters to choose from. */
export interface PageProps {
  readonly reading: Reading;
  readonly fitterId: string | null;
  readonly fitters: readonly Fitter[];
  /** Whether the practice asks for a passphrase, so that signing out means something. */
  readonly signsIn: boolean;
  /** Local date of the practice. */
  readonly today: string;
  /** Whether what the tool is and is not has been read on this device. */
  readonly isScopeSeen: boolean;
  /** Who was asked on this device today what comes before measuring. */
  readonly asked: Asked;
}

export const ReadingContext = createContext<Reading>(DEFAULT_READING);
export const useReading = (): Reading => useContext(ReadingContext);

/** Says messages in this reader's units. */
export function useSay(): (message: Message) => string {
  const reading = useReading();
  return (message) => say(message, reading);
}

const YEAR_S = 31_536_000;

/** Keeps a choice of this device in a cookie, so that the server's first paint already follows it. */
export function keep(
  name: 'velto-units' | 'velto-fitter' | typeof DENSITY_COOKIE | 'velto-scope' | typeof ASKED_COOKIE,
  value: string,
  forS = YEAR_S,
): void {
  document.cookie = `${name}=${encodeURIComponent(value)}; path=/; max-age=${forS}; samesite=lax`;
}
