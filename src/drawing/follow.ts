/** What is dragged changes many times a second: it is painted past React, part by part, and only where it changed. */
import { useLayoutEffect, useSyncExternalStore } from 'react';

/** Something that changes outside React: what it is now, and a call whenever it may have changed. */
export interface Source<T> {
  readonly get: () => T;
  readonly subscribe: (listener: () => void) => () => void;
}

/** Calls `paint` with a part of the source: after every drawing by React, and whenever the part is another one. */
export function usePaint<T, P>(
  source: Source<T>,
  part: (value: T) => P,
  paint: (part: P) => void,
  isSame: (a: P, b: P) => boolean = Object.is,
): void {
  useLayoutEffect(() => {
    let painted = part(source.get());
    paint(painted);
    return source.subscribe(() => {
      const next = part(source.get());
      if (isSame(next, painted)) return;
      painted = next;
      paint(next);
    });
  });
}

/** A part of the source for React, drawn again only when the part is another one. */
export function usePart<T, P>(source: Source<T>, part: (value: T) => P): P {
  const get = () => part(source.get());
  return useSyncExternalStore(source.subscribe, get, get);
}

/** What follows from a source, worked out once for each of its values and only when asked for. */
export function derived<T, P>(source: Source<T>, work: (value: T) => P): Source<P> {
  let known: { readonly from: T; readonly made: P } | null = null;
  return {
    subscribe: source.subscribe,
    get: () => {
      const from = source.get();
      if (!known || !Object.is(known.from, from)) known = { from, made: work(from) };
      return known.made;
    },
  };
}

/** Writes what has changed: to write the same once more would cost the browser as much. */
export function writeAttribute(element: Element, name: string, value: string): void {
  if (element.getAttribute(name) !== value) element.setAttribute(name, value);
}

/** Writes a text that React also writes: into the same node, so that either finds what the other left. */
export function writeText(element: Element | null, text: string): void {
  const node = element?.firstChild;
  if (node && node.nodeValue !== text) node.nodeValue = text;
}
