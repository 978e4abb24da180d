/** One operation of the API, declared once: what it is called, what it takes and gives, who may use it, what it does. */
import { z } from 'zod';
import type { Outcome, ProblemReason } from '../contract';
import type { Context } from '../service/context';
import type { EditedVersion } from '../service/edited';
import type { Act, RecordRef } from '../service/rights';
import type { Door } from './door';

export const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
export type Method = (typeof METHODS)[number];

export const FILE_TYPES = {
  pdf: 'application/pdf',
  csv: 'text/csv; charset=utf-8',
  json: 'application/json',
  schema: 'application/schema+json',
} as const;
export type FileType = keyof typeof FILE_TYPES;
export const isFileType = (answer: z.ZodType | FileType): answer is FileType => typeof answer === 'string';

export const TAGS = {
  Sitters: 'People who are fitted, with their measurements.',
  Fittings: 'One sitter, one seat, one workstation and one method: settings and acts.',
  Cards: 'The settings card of a fitting, in its forms, and private links to it.',
  Walks: 'Setting a seat step by step beside it: answers, and what the sitter felt.',
  Seats: 'Seats and the ranges of their adjustments.',
  'Tagged seats': 'Seats that stand somewhere: where they are, who sits on them, what is set, what is wrong.',
  Workstations: 'Desks, cabs, helms and benches.',
  Methods: 'Targets, acceptable ranges, tie-breaks and order of setting.',
  Tables: 'Body-size tables to estimate from.',
  Practice: 'Fitters and what the practice has set for itself.',
  Exchange: 'People as files, out and in.',
  Calculation: 'Cases and rankings that are calculated and not kept.',
  Door: 'Signing in and out, and this description.',
} as const;
export type Tag = keyof typeof TAGS;

/** What an operation is handed, checked. */
export interface Call<Q, B> {
  readonly ctx: Context;
  /** From the path; '' where it has none. */
  readonly id: string;
  readonly query: Q;
  readonly body: B;
  /** From `If-Match`; `any` for `*`. 0 where none is asked for. */
  readonly version: EditedVersion;
  /** From `If-Match` where it may be left away: null without it. */
  readonly optionalVersion: EditedVersion | null;
  /** For signing in and out only. */
  readonly door: Door;
}

/** Which tags an operation goes by: those of records, or those of draft settings. */
export type TagKind = 'record' | 'draft';

export interface Route<K extends string, Q, B, A, I = B, QI = Q> {
  /** `GET /sitters/{id}`: names the operation wherever it is called. */
  readonly key: K;
  readonly operationId: string;
  readonly tag: Tag;
  readonly summary: string;
  readonly description: string;
  readonly act: Act;
  readonly record: RecordRef['kind'];
  /** Pattern of the id in the path; a UUID where absent. */
  readonly idPattern?: RegExp;
  /** An id of that pattern, for the description. */
  readonly idExample?: string;
  readonly query?: z.ZodType<Q, QI>;
  readonly body?: z.ZodType<B, I>;
  /** An example of the body; of the answer there is one in `answer-examples.json`. */
  readonly example?: unknown;
  readonly answer: z.ZodType<A> | FileType;
  readonly status?: 200 | 201;
  /** Which tags `If-Match` must name; absent where no version is asked for. */
  readonly versioned?: TagKind;
  /** As `versioned`, where `If-Match` may be left away for a record that begins. */
  readonly isVersionOptional?: true;
  /** Where the new record is found. */
  readonly location?: (answer: A) => string;
  /** Whether nothing personal is answered: then it may be kept and asked for again by its ETag. */
  readonly isImpersonal?: true;
  /** What it refuses beyond what every operation may. */
  readonly refusals?: readonly ProblemReason[];
  readonly handle: (call: Call<Q, B>) => Promise<Outcome<unknown>> | Outcome<unknown>;
}

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- routes of every type stand in one table
export type AnyRoute = Route<string, any, any, any, any, any>;

/** Returns the route as it is; its types are inferred from its schemas. */
export const route = <
  const K extends `${Method} /${string}`,
  Q = undefined,
  B = undefined,
  A = unknown,
  I = B,
  QI = Q,
>(
  declared: Route<K, Q, B, A, I, QI>,
): Route<K, Q, B, A, I, QI> => declared;

export function methodOf({ key }: Pick<AnyRoute, 'key'>): Method {
  return key.slice(0, key.indexOf(' ')) as Method;
}
export const pathOf = ({ key }: Pick<AnyRoute, 'key'>): string => key.slice(key.indexOf(' ') + 1);

/** Query parameters by name; one that is not named is refused. */
export const query = <S extends z.core.$ZodLooseShape>(shape: S) => z.strictObject(shape);
