/** Reading aloud with the browser’s own voice, where it has one. */
import { useEffect, useSyncExternalStore } from 'react';
import { onDevice } from '../../ui/device-storage';

const VOICE = 'velto-voice';

const hasVoice = (): boolean => 'speechSynthesis' in window && 'SpeechSynthesisUtterance' in window;
const never = (): (() => void) => () => undefined;

const listeners = new Set<() => void>();
const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const isChosen = (): boolean => onDevice.get(VOICE) === '1';

function toggle(): void {
  if (isChosen()) onDevice.remove(VOICE);
  else onDevice.set(VOICE, '1');
  for (const listener of listeners) listener();
}

export interface Voice {
  /** null: not known before the page is in a browser. */
  readonly canSpeak: boolean | null;
  readonly isOn: boolean;
  readonly toggle: () => void;
}

/** Reads a text whenever it changes, while it is switched on. */
export function useVoice(text: string, locale: string): Voice {
  const canSpeak = useSyncExternalStore(never, hasVoice, () => null);
  const isOn = useSyncExternalStore(subscribe, isChosen, () => false);
  useEffect(() => {
    if (!isOn || !canSpeak) return undefined;
    window.speechSynthesis.cancel();
    const utterance = new SpeechSynthesisUtterance(text);
    utterance.lang = locale;
    window.speechSynthesis.speak(utterance);
    return () => window.speechSynthesis.cancel();
  }, [canSpeak, isOn, locale, text]);
  return { canSpeak, isOn, toggle };
}
