/** The thin border between HTTP and the use cases. */
import { createHash } from 'node:crypto';
import type { APIContext, APIRoute } from 'astro';
import type { ZodType } from 'zod';
import {
  Id,
  PROBLEMS,
  done,
  faultsOf,
  refused,
  type FieldFault,
  type Outcome,
  type ProblemDetails,
  type ProblemReason,
} from '../contract';
import type { Context } from '../service/context';
import { mayNot, type Act, type RecordRef } from '../service/rights';
import { currentContext } from './current';
import { FileAnswer, StreamAnswer } from './files';
import { preferencesOf } from './preferences';

const PROBLEM_TYPE = 'urn:velto:problem:';

export function problem(
  reason: ProblemReason,
  more: { faults?: readonly FieldFault[] | undefined; current?: unknown } = {},
): Response {
  const { status, title } = PROBLEMS[reason];
  const body: ProblemDetails = {
    type: `${PROBLEM_TYPE}${reason}`,
    title,
    status,
    ...(more.faults ? { errors: more.faults } : {}),
    ...(more.current === undefined ? {} : { current: more.current }),
  };
  return Response.json(body, {
    status,
    headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store' },
  });
}

/** What the next change of this value goes by: a draft has a revision, a record a version. */
function tagOf(value: unknown): number | undefined {
  const { version, revision } = (value ?? {}) as { version?: number; revision?: number };
  return revision ?? version;
}

const fileHeaders = (name: string, type: string, disposition: string) => ({
  'content-type': type,
  'content-disposition': `${disposition}; filename="${name}"`,
  'cache-control': 'no-store',
});

/** Answers with a value, or with the problem details of the reason; a versioned value carries its ETag. */
export function answer(outcome: Outcome<unknown>, status = 200): Response {
  if (!outcome.ok) return problem(outcome.reason, outcome);
  if (outcome.value instanceof FileAnswer) {
    const { name, type, bytes, disposition } = outcome.value;
    return new Response(Buffer.from(bytes), { headers: fileHeaders(name, type, disposition) });
  }
  if (outcome.value instanceof StreamAnswer) {
    const { name, type } = outcome.value;
    return new Response(outcome.value.body(), { headers: fileHeaders(name, type, 'attachment') });
  }
  const tag = tagOf(outcome.value);
  const headers: Record<string, string> = { 'cache-control': 'no-store' };
  if (typeof tag === 'number') headers.etag = `"${tag}"`;
  return Response.json(outcome.value, { status, headers });
}

/** Checks the text of a JSON body. */
function readBody<T>(request: Request, text: string, schema: ZodType<T>): Outcome<T> {
  if (!(request.headers.get('content-type') ?? '').startsWith('application/json'))
    return refused('unsupported');
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return refused('badRequest');
  }
  const parsed = schema.safeParse(raw);
  if (parsed.success) return done(parsed.data);
  return refused('invalid', { faults: faultsOf(parsed.error) });
}

/** The version that was edited, from `If-Match: "3"`; null where absent or not one of ours. */
function editedVersion(request: Request): number | null {
  const match = /^"(\d{1,15})"$/.exec(request.headers.get('if-match') ?? '');
  return match ? Number(match[1]) : null;
}

const KEY_HEADER = 'idempotency-key';

/** The key of a request with what it stands for; null where it has none. */
function keyOf(request: Request, path: string, text: string): Outcome<Context['request']> {
  const key = request.headers.get(KEY_HEADER);
  if (key === null || request.method === 'GET') return done(null);
  if (!Id.safeParse(key).success)
    return refused('invalid', { faults: [{ pointer: '', detail: 'Idempotency-Key is not a UUID.' }] });
  const asked = [request.method, path, request.headers.get('if-match') ?? '', text].join('\n');
  return done({ key, fingerprint: createHash('sha256').update(asked).digest('base64') });
}

/** What a request is handled with: who asks and what for, checked. */
export interface Call<T> {
  readonly ctx: Context;
  readonly id: string;
  readonly body: T;
  /** From `If-Match`; 0 in an endpoint that does not ask for it. */
  readonly version: number;
  readonly api: APIContext;
}

interface Options<T> {
  readonly act: Act;
  readonly record: RecordRef['kind'];
  readonly body?: ZodType<T>;
  /** Whether the version that was edited has to be sent. */
  readonly versioned?: true;
  readonly status?: number;
}

async function callOf<T>(options: Options<T>, api: APIContext): Promise<Outcome<Call<T>>> {
  const { request, url } = api;
  const id = api.params.id ?? '';
  const context = currentContext();
  const actor = { ...context.actor, ...actorOf(api) };
  const forbidden = mayNot(actor, options.act, { kind: options.record, id: id || null });
  if (forbidden) return refused(forbidden);
  const text = request.method === 'GET' ? '' : await request.text();
  const body = options.body ? readBody(request, text, options.body) : done(undefined as T);
  if (!body.ok) return body;
  const version = options.versioned ? editedVersion(request) : 0;
  if (version === null) return refused('versionMissing');
  const key = keyOf(request, url.pathname, text);
  if (!key.ok) return key;
  return done({ ctx: { ...context, actor, request: key.value }, id, body: body.value, version, api });
}

/** Who asks: the guard around the framework has seen to signing in; the device has chosen its fitter. */
export function actorOf(api: Pick<APIContext, 'cookies' | 'locals'>): Context['actor'] {
  const { signedIn } = api.locals;
  const fitterId = preferencesOf(api.cookies, currentContext().practice).fitterId;
  return signedIn === false ? { kind: 'visitor', fitterId: null } : { kind: 'fitter', fitterId };
}

/** An endpoint: asks whether this act is allowed, reads and checks what was sent, and answers with what came of it. */
export const endpoint =
  <T = undefined>(
    options: Options<T>,
    handle: (call: Call<T>) => Promise<Outcome<unknown>> | Outcome<unknown>,
  ): APIRoute =>
  async (api) => {
    const call = await callOf(options, api);
    return call.ok ? answer(await handle(call.value), options.status) : answer(call);
  };
