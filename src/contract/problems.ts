import { z } from 'zod';

/** Reason → status: the one closed table of what can go wrong at the border (RFC 9457). The words are `problem.…`. */
export const PROBLEMS = {
  badRequest: 400,
  badAddress: 400,
  invalid: 422,
  notFound: 404,
  changedMeanwhile: 412,
  idInUse: 409,
  versionMissing: 428,
  closed: 409,
  unreadable: 409,
  incomplete: 409,
  seatRefused: 409,
  doNotUse: 409,
  notSigned: 409,
  erased: 410,
  importBegun: 409,
  importUnfinished: 409,
  keyReused: 422,
  signInFirst: 401,
  wrongPassphrase: 403,
  tooManyTries: 429,
  tooManyReports: 429,
  busy: 503,
  storageGone: 503,
  proxyUnknown: 421,
  wrongMethod: 405,
  wrongTag: 400,
  fitterMissing: 403,
  wrongHost: 421,
  wrongOrigin: 403,
  lengthMissing: 411,
  tooLong: 422,
  tooLarge: 413,
  unsupported: 415,
  unexpected: 500,
} as const satisfies Record<string, number>;

export type ProblemReason = keyof typeof PROBLEMS;

export const ProblemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string().optional(),
  errors: z.array(z.object({ pointer: z.string(), detail: z.string() })).optional(),
  current: z.unknown().optional(),
});

export interface FieldFault {
  /** JSON pointer into the body. */
  readonly pointer: string;
  readonly detail: string;
}

export interface ProblemDetails {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail?: string;
  readonly errors?: readonly FieldFault[];
  /** With `changedMeanwhile`: the record as it is now. */
  readonly current?: unknown;
}

/** A result of a use case: a value, or one of the closed reasons. */
export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false;
      readonly reason: ProblemReason;
      readonly faults?: readonly FieldFault[];
      readonly current?: unknown;
      /** With a refusal for now: after how many seconds it may be tried again. */
      readonly retryAfterS?: number;
    };

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const refused = (
  reason: ProblemReason,
  more: { faults?: readonly FieldFault[]; current?: unknown; retryAfterS?: number } = {},
): {
  ok: false;
  reason: ProblemReason;
  faults?: readonly FieldFault[];
  current?: unknown;
  retryAfterS?: number;
} => ({
  ok: false,
  reason,
  ...more,
});
