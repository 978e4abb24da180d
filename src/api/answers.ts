/** Outcomes as HTTP answers. */
import { createHash } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import {
  PROBLEMS,
  type FieldFault,
  type Outcome,
  type ProblemDetails,
  type ProblemReason,
} from '../contract';
import { FileAnswer, StreamAnswer, fileHeaders } from './files';
import { isFileType, type AnyRoute, type Method } from './route';
import { isKnown, tagOf } from './tags';
import { word } from '../words';
import '../words/server';

const PROBLEM_TYPE = 'urn:velto:problem:';
const NOT_KEPT = 'no-store';
/** Kept by the browser, and asked for again each time. */
const ASKED_AGAIN = 'private, no-cache';

interface MoreOfProblem {
  readonly faults?: readonly FieldFault[] | undefined;
  readonly current?: unknown;
  readonly retryAfterS?: number | undefined;
}

/** Returns problem details as they are sent. */
export function problemBody(reason: ProblemReason, { faults, current }: MoreOfProblem = {}): ProblemDetails {
  const status = PROBLEMS[reason];
  return {
    type: `${PROBLEM_TYPE}${reason}`,
    title: word(`problem.${reason}`),
    status,
    ...(faults ? { errors: faults } : {}),
    ...(current === undefined ? {} : { current }),
  };
}

export function problem(reason: ProblemReason, more: MoreOfProblem = {}): Response {
  const body = problemBody(reason, more);
  return Response.json(body, {
    status: body.status,
    headers: {
      'content-type': 'application/problem+json',
      'cache-control': NOT_KEPT,
      ...(more.retryAfterS === undefined ? {} : { 'retry-after': String(more.retryAfterS) }),
    },
  });
}

/** @param isAsked whether which methods there are was the question */
export function wrongMethod(allowed: readonly Method[], isAsked: boolean): Response {
  const allow = [...allowed, ...(allowed.includes('GET') ? ['HEAD'] : []), 'OPTIONS'].join(', ');
  if (isAsked) return new Response(null, { status: 204, headers: { allow } });
  const answer = problem('wrongMethod');
  answer.headers.set('allow', allow);
  return answer;
}

const hashTag = (text: string | Uint8Array): string =>
  `"${createHash('sha256').update(text).digest('base64url').slice(0, 22)}"`;

/** What the next change of this value goes by: a draft has a revision, a record a version. */
function versionTag(value: unknown): string | null {
  const { version, revision } = (value ?? {}) as { version?: unknown; revision?: unknown };
  if (typeof revision === 'number') return tagOf('draft', revision);
  return typeof version === 'number' ? tagOf('record', version) : null;
}

const nextOf = (value: unknown): string | null => {
  const { next } = (value ?? {}) as { next?: unknown };
  return typeof next === 'string' ? next : null;
};

function linkTo(url: URL, cursor: string): string {
  const next = new URL(url);
  next.searchParams.set('cursor', cursor);
  return `<${next.pathname}${next.search}>; rel="next"`;
}

function headersOf(route: AnyRoute, value: unknown, text: string, url: URL): Record<string, string> {
  const headers: Record<string, string> = {
    'content-type': 'application/json',
    'cache-control': route.isImpersonal ? ASKED_AGAIN : NOT_KEPT,
  };
  const tag = versionTag(value) ?? (route.isImpersonal ? hashTag(text) : null);
  if (tag) headers.etag = tag;
  if (route.location && route.status === 201) headers.location = `/api/v1${route.location(value)}`;
  const next = nextOf(value);
  if (next) headers.link = linkTo(url, next);
  return headers;
}

/** Set by tests: every answer is held against its schema before it goes out. */
const CHECKS_ANSWERS = process.env.VELTO_CHECK_ANSWERS === '1';

/** What an answer has that its schema does not say, as a fault of the program. */
function checkAnswer(route: AnyRoute, text: string): void {
  if (isFileType(route.answer)) return;
  const sent: unknown = JSON.parse(text);
  const parsed = route.answer.safeParse(sent);
  if (!parsed.success) throw new Error(`${route.key} answers against its schema: ${parsed.error.message}`);
  if (!isDeepStrictEqual(JSON.parse(JSON.stringify(parsed.data)), sent))
    throw new Error(`${route.key} answers more than its schema says`);
}

function file(route: AnyRoute, { name, type, disposition, bytes }: FileAnswer, request: Request): Response {
  const headers: Record<string, string> = {
    ...fileHeaders({ name, type, disposition }),
    'cache-control': route.isImpersonal ? ASKED_AGAIN : NOT_KEPT,
  };
  if (route.isImpersonal) {
    headers.etag = hashTag(bytes);
    if (isKnown(request.headers.get('if-none-match'), headers.etag))
      return new Response(null, { status: 304, headers });
  }
  return new Response(Buffer.from(bytes), { headers });
}

/** Answers with what came of an operation, or with the problem details of its refusal. */
export function answerOf(route: AnyRoute, outcome: Outcome<unknown>, request: Request, url: URL): Response {
  if (!outcome.ok) return problem(outcome.reason, outcome);
  const { value } = outcome;
  if (value instanceof FileAnswer) return file(route, value, request);
  if (value instanceof StreamAnswer)
    return new Response(value.body(), {
      headers: { ...fileHeaders({ ...value, disposition: 'attachment' }), 'cache-control': NOT_KEPT },
    });
  const text = JSON.stringify(value);
  if (CHECKS_ANSWERS) checkAnswer(route, text);
  const headers = headersOf(route, value, text, url);
  if (route.isImpersonal && headers.etag && isKnown(request.headers.get('if-none-match'), headers.etag))
    return new Response(null, { status: 304, headers });
  return new Response(text, { status: route.status ?? 200, headers });
}
