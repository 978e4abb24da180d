import { v7 } from 'uuid';
import type { Store } from '../data/store';

/** What use cases are handed: the data, the time and new ids. They know no HTTP. */
export interface Context {
  readonly store: Store;
  readonly now: () => Date;
  readonly newId: () => string;
}

/** The clock of the program; `VELTO_NOW` stops it for tests and pictures. */
export function systemClock(): () => Date {
  const fixed = process.env.VELTO_NOW;
  if (fixed === undefined || fixed === '') return () => new Date();
  const at = new Date(fixed);
  if (Number.isNaN(at.getTime())) throw new Error(`VELTO_NOW is not an instant: ${fixed}`);
  return () => new Date(at);
}

export const contextOf = (store: Store): Context => ({ store, now: systemClock(), newId: () => v7() });

/** The local date of an instant, ISO 8601, in the time zone of the practice (the machine's). */
export function localDate(at: Date): string {
  const two = (n: number) => String(n).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}

/** Whole years from a birth date to a date, both ISO 8601 local dates. */
export function ageOn(birthDate: string, date: string): number {
  const years = Number(date.slice(0, 4)) - Number(birthDate.slice(0, 4));
  return date.slice(5) < birthDate.slice(5) ? years - 1 : years;
}
