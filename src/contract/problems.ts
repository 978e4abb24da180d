import { z } from 'zod';

/** Reason → status → wording: the one closed table of what can go wrong at the border (RFC 9457). */
export const PROBLEMS = {
  badRequest: { status: 400, title: 'The request is not understood' },
  badAddress: { status: 400, title: 'The address is not written in its plain form' },
  invalid: { status: 422, title: 'Some values are not valid' },
  notFound: { status: 404, title: 'There is no such record' },
  changedMeanwhile: { status: 412, title: 'Somebody changed this record meanwhile' },
  idInUse: { status: 409, title: 'This id already belongs to another record' },
  versionMissing: { status: 428, title: 'The version that was edited is missing' },
  closed: { status: 409, title: 'This fitting has been handed over; open it again first' },
  unreadable: {
    status: 409,
    title: 'This record was written in a form that this version of the program cannot read',
  },
  incomplete: { status: 409, title: 'Choose a seat first' },
  seatRefused: { status: 409, title: 'This seat is refused for this sitter: choose another' },
  erased: { status: 410, title: 'The person of this fitting was deleted; seat, date and settings remain' },
  importBegun: { status: 409, title: 'This import has been decided on' },
  importUnfinished: { status: 409, title: 'This import is not finished yet' },
  keyReused: { status: 422, title: 'This key belongs to another request' },
  signInFirst: { status: 401, title: 'Sign in with the passphrase first' },
  wrongPassphrase: { status: 403, title: 'This is not the passphrase' },
  tooManyTries: { status: 429, title: 'Too many wrong passphrases: wait, then try again' },
  busy: { status: 503, title: 'Too much is being calculated at the moment: try again shortly' },
  storageGone: {
    status: 503,
    title: 'The data folder is no longer there, so nothing can be saved: restart the program',
  },
  proxyUnknown: { status: 421, title: 'This request came through a proxy that is not configured' },
  wrongMethod: { status: 405, title: 'This method is not allowed here' },
  wrongTag: { status: 400, title: 'If-Match does not name a version of this record' },
  fitterMissing: { status: 403, title: 'Choose who works here first: only a named fitter may delete' },
  wrongHost: { status: 421, title: 'This address is not served here' },
  wrongOrigin: { status: 403, title: 'This request came from another site' },
  lengthMissing: { status: 411, title: 'The length of the request is missing' },
  tooLong: { status: 422, title: 'This case takes too long to compute' },
  tooLarge: { status: 413, title: 'The request is too large' },
  unsupported: { status: 415, title: 'Only JSON is taken here' },
  unexpected: { status: 500, title: 'Something went wrong here; nothing was changed' },
} as const satisfies Record<string, { readonly status: number; readonly title: string }>;

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
