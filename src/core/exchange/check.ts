/** What is wrong with one person of a file, whichever form the file has. */
import { DIMENSIONS, pairDoubts, rangeDoubt, type Body } from '../body';
import type { Quantity } from '../quantity';
import { shown, type FilePerson, type FileReading, type PeopleFault } from './people';
import { hasInvisible } from './invisible';

/** Longest texts; a file that has more is not cut off but told. */
export const TEXT_LIMITS = { name: 120, consentBy: 120, takenBy: 120, source: 200, reason: 300 } as const;
const OLDEST_YEARS = 120;

/** A fault within a person: `path` as in JSON, `readings/3/value`. */
export interface PersonFault extends Pick<PeopleFault, 'reason' | 'value' | 'limits' | 'unit'> {
  readonly path: string;
}

/**
 * Whether it is a day of the calendar, ISO 8601.
 * @returns false for a day that the calendar does not have. Source: ISO 8601.
 */
export function isDate(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const at = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text);
}

const dayOf = (takenAt: string): string => takenAt.slice(0, 10);

/** A day later than today cannot have been; an instant may be tomorrow's where the zone is ahead. */
const isAhead = (takenAt: string, today: string): boolean =>
  dayOf(takenAt) > today &&
  (takenAt.length === 10 ||
    dayOf(takenAt) > new Date(Date.parse(today) + 86_400_000).toISOString().slice(0, 10));

/** A text of one line in which nothing was wrong: most texts of a file are those of the row before. */
let lastGood = '';

function textFault(
  path: string,
  text: string | null | undefined,
  longest: number,
  manyLines = false,
): PersonFault[] {
  if (text === null || text === undefined) return [];
  if (text.length > longest) return [{ path, reason: 'tooLong', value: shown(text), limits: [0, longest] }];
  if (text === lastGood) return [];
  if ((manyLines ? /(?![\n\t\r])\p{Cc}/u : /\p{Cc}/u).test(text))
    return [{ path, reason: 'control', value: shown(text) }];
  if (!manyLines && hasInvisible(text.replace(/^\uFEFF/, '')))
    return [{ path, reason: 'invisible', value: shown(text) }];
  if (!manyLines) lastGood = text;
  return [];
}

function dateFault(path: string, date: string | null, today: string): PersonFault[] {
  if (date === null) return [];
  if (!isDate(date)) return [{ path, reason: 'notADate', value: shown(date) }];
  return date > today ? [{ path, reason: 'dateAhead', value: date }] : [];
}

function birthFault(birthDate: string | null, today: string): PersonFault[] {
  const faults = dateFault('birthDate', birthDate, today);
  if (birthDate === null || faults.length > 0) return faults;
  const oldest = `${String(Number(today.slice(0, 4)) - OLDEST_YEARS - 1).padStart(4, '0')}${today.slice(4)}`;
  return birthDate > oldest ? [] : [{ path: 'birthDate', reason: 'tooOld', value: birthDate }];
}

function readingFaults(reading: FileReading, path: string, person: FilePerson, today: string): PersonFault[] {
  const { dimension, value, unit, takenAt, takenBy, source, reason, session, takes = [] } = reading;
  const { lowest, highest, unit: own } = DIMENSIONS[dimension];
  if (unit !== own) return [{ path: `${path}/unit`, reason: 'otherUnit', value: unit }];
  const faults: PersonFault[] = [];
  const off = [value, ...takes].find((v) => rangeDoubt(dimension, v) !== null);
  if (off !== undefined)
    faults.push({
      path: `${path}/value`,
      reason: 'outOfRange',
      value: String(off),
      limits: [lowest, highest],
      unit: own,
    });
  if (takenAt !== undefined && isAhead(takenAt, today))
    faults.push({ path: `${path}/takenAt`, reason: 'dateAhead', value: takenAt });
  if (session !== undefined && !person.sessions.some((s) => s.id === session))
    faults.push({ path: `${path}/session`, reason: 'noSession', value: session });
  faults.push(...textFault(`${path}/takenBy`, takenBy, TEXT_LIMITS.takenBy));
  faults.push(...textFault(`${path}/source`, source, TEXT_LIMITS.source));
  faults.push(...textFault(`${path}/reason`, reason, TEXT_LIMITS.reason, true));
  return faults;
}

/**
 * Everything that is wrong with one person.
 * @param today local date: nothing lies after it
 * @returns empty where nothing is. Definition.
 * @example
 * personFaults({ ...person, name: '' }, '2026-11-25').map((fault) => fault.reason) // => ['nameMissing']
 */
export function personFaults(person: FilePerson, today: string): PersonFault[] {
  const faults = [
    ...(person.name.trim() === '' ? [{ path: 'name', reason: 'nameMissing' as const, value: '' }] : []),
    ...textFault('name', person.name, TEXT_LIMITS.name),
    ...textFault('consentBy', person.consentBy, TEXT_LIMITS.consentBy),
    ...birthFault(person.birthDate, today),
    ...dateFault('consentOn', person.consentOn, today),
  ];
  for (const [i, { takenBy, clothes, notes, date }] of person.sessions.entries()) {
    faults.push(...textFault(`sessions/${i}/takenBy`, takenBy, TEXT_LIMITS.takenBy));
    faults.push(...textFault(`sessions/${i}/clothes`, clothes, Infinity, true));
    faults.push(...textFault(`sessions/${i}/notes`, notes, Infinity, true));
    faults.push(...dateFault(`sessions/${i}/date`, date, today));
  }
  const holding = new Set<string>();
  for (const [i, reading] of person.readings.entries()) {
    const path = `readings/${i}`;
    faults.push(...readingFaults(reading, path, person, today));
    if (reading.withdrawnAt !== undefined) continue;
    if (holding.has(reading.dimension)) faults.push({ path, reason: 'holdTwice', value: reading.dimension });
    holding.add(reading.dimension);
  }
  return faults;
}

/** The readings of a file that hold, as a body; spreads do not matter to what is asked of it here. */
function bodyOf(readings: readonly FileReading[]): Body {
  return Object.fromEntries(
    readings
      .filter((r) => r.withdrawnAt === undefined)
      .map(({ dimension, value }): [string, Quantity] => [
        dimension,
        { value, basis: 'stated', spread: 0, source: '', takenAt: null, takenBy: null },
      ]),
  );
}

/**
 * Pairs of readings that no body has: told, not refused, for one cannot see which of the two is wrong.
 * @returns empty where there are none. Definition.
 * @example
 * personDoubts(person) // => []
 */
export function personDoubts(person: FilePerson): PersonFault[] {
  return pairDoubts(bodyOf(person.readings)).map(({ dimension, other }) => ({
    path: `readings/${person.readings.findIndex((r) => r.dimension === dimension && r.withdrawnAt === undefined)}/value`,
    reason: 'pair',
    value: other ?? '',
  }));
}
