/** Reading aloud with the browser’s own voice, where it has one. */
import { useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import { onDevice } from '../../ui/device-storage';

const VOICE = 'velto-voice';

const hasVoice = (): boolean => 'speechSynthesis' in window && 'SpeechSynthesisUtterance' in window;
const never = (): (() => void) => () => undefined;

export interface Voice {
  /** null: not known before the page is in a browser. */
  readonly canSpeak: boolean | null;
  readonly isOn: boolean;
  readonly toggle: () => void;
}

/** Reads a text whenever it changes, while it is switched on. */
export function useVoice(text: string, locale: string): Voice {
  const canSpeak = useSyncExternalStore(never, hasVoice, () => null);
  const [isOn, setOn] = useState(false);
  useEffect(() => {
    if (canSpeak && onDevice.get(VOICE) === '1') setOn(true);
  }, [canSpeak]);
  useEffect(() => {
    if (!isOn || !canSpeak) return undefined;
    window.speechSynthesis.cancel();
    const utterance = new SpeechSynthesisUtterance(text);
    utterance.lang = locale;
    window.speechSynthesis.speak(utterance);
    return () => window.speechSynthesis.cancel();
  }, [canSpeak, isOn, locale, text]);
  const toggle = useCallback(() => {
    setOn((now) => {
      if (now) onDevice.remove(VOICE);
      else onDevice.set(VOICE, '1');
      return !now;
    });
  }, []);
  return { canSpeak, isOn, toggle };
}
