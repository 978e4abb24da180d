/** What can be done on this page by its name or by a key: each screen adds its own, the box and the sheet list all. */
import { useEffect, useSyncExternalStore } from 'react';
import { onDevice } from './device-storage';

export interface Command {
  readonly id: string;
  readonly name: string;
  /** `Ctrl+Z`, or a single key, which can be switched off. */
  readonly keys?: string;
  readonly run: () => void;
}

let groups: ReadonlyMap<string, readonly Command[]> = new Map();
let all: readonly Command[] = [];
const none: readonly Command[] = [];
const listeners = new Set<() => void>();

function put(group: string, commands: readonly Command[] | null): void {
  const next = new Map(groups);
  if (commands) next.set(group, commands);
  else next.delete(group);
  groups = next;
  all = [...next.values()].flat();
  for (const listener of listeners) listener();
}

/** Adds commands while the component is shown. Hand in a list that only changes when they do. */
export function useCommands(group: string, commands: readonly Command[]): void {
  useEffect(() => {
    put(group, commands);
    return () => put(group, null);
  }, [group, commands]);
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useCommandList = (): readonly Command[] =>
  useSyncExternalStore(
    subscribe,
    () => all,
    () => none,
  );

const SINGLE_KEYS_OFF = 'velto-single-keys-off';
export const singleKeysOn = (): boolean => onDevice.get(SINGLE_KEYS_OFF) === null;
export function switchSingleKeys(on: boolean): void {
  if (on) onDevice.remove(SINGLE_KEYS_OFF);
  else onDevice.set(SINGLE_KEYS_OFF, '1');
}

/** A key press as commands name it: `Ctrl+Shift+Z`, `?`. Command on a Mac counts as Ctrl. */
export function keysOf(
  event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>,
): string {
  const key = event.key.length === 1 ? event.key.toUpperCase() : event.key;
  const isLetter = /^[A-Z]$/.test(key);
  return [
    (event.ctrlKey || event.metaKey) && 'Ctrl',
    event.altKey && 'Alt',
    // The shift that makes a sign is part of the sign.
    event.shiftKey && isLetter && 'Shift',
    key,
  ]
    .filter(Boolean)
    .join('+');
}

const TYPED_IN = 'input, textarea, select, [contenteditable]';

/** Runs the command of a pressed key, unless somebody is typing. */
function onKey(event: KeyboardEvent): void {
  const keys = keysOf(event);
  const isSingle = !keys.includes('Ctrl+') && !keys.includes('Alt+');
  const isTyping = event.target instanceof Element && event.target.closest(TYPED_IN) !== null;
  const isInDialog = document.querySelector('dialog[open]') !== null;
  if (isInDialog || (isTyping && keys !== 'Ctrl+K') || (isSingle && !singleKeysOn())) return;
  const command = all.find((c) => c.keys === keys);
  if (!command) return;
  event.preventDefault();
  command.run();
}

/** Once a page. */
export function useShortcuts(): void {
  useEffect(() => {
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
