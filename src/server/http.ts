/** The thin border between HTTP and the use cases. */
import type { APIContext } from 'astro';
import { z, type ZodType } from 'zod';
import {
  PROBLEMS,
  refused,
  type FieldFault,
  type Outcome,
  type ProblemDetails,
  type ProblemReason,
} from '../contract';

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

/** Answers with a value, or with the problem details of the reason; a versioned value carries its ETag. */
export function answer(outcome: Outcome<unknown>, status = 200): Response {
  if (!outcome.ok) return problem(outcome.reason, outcome);
  const version = (outcome.value as { version?: number } | null)?.version;
  const headers: Record<string, string> = { 'cache-control': 'no-store' };
  if (typeof version === 'number') headers.etag = `"${version}"`;
  return Response.json(outcome.value, { status, headers });
}

const pointerOf = (path: readonly PropertyKey[]): string =>
  path.map((key) => `/${String(key).replace(/~/g, '~0').replace(/\//g, '~1')}`).join('');

/** Reads a JSON body and checks it. */
export async function readBody<T>(request: Request, schema: ZodType<T>): Promise<Outcome<T>> {
  if (!(request.headers.get('content-type') ?? '').startsWith('application/json'))
    return refused('unsupported');
  let raw: unknown;
  try {
    raw = await request.json();
  } catch {
    return refused('badRequest');
  }
  const parsed = schema.safeParse(raw);
  if (parsed.success) return { ok: true, value: parsed.data };
  return refused('invalid', {
    faults: parsed.error.issues.map((issue: z.core.$ZodIssue) => ({
      pointer: pointerOf(issue.path),
      detail: issue.message,
    })),
  });
}

/** The version that was edited, from `If-Match: "3"`; null where absent or not one of ours. */
export function editedVersion(request: Request): number | null {
  const match = /^"(\d+)"$/.exec(request.headers.get('if-match') ?? '');
  return match ? Number(match[1]) : null;
}

type Handle<T> = (body: T, api: APIContext) => Promise<Outcome<unknown>>;

/** An endpoint that takes a JSON body. */
export const taking =
  <T>(schema: ZodType<T>, handle: Handle<T>, status = 200) =>
  async (api: APIContext): Promise<Response> => {
    const body = await readBody(api.request, schema);
    return body.ok ? answer(await handle(body.value, api), status) : answer(body);
  };

/** An endpoint that takes a JSON body and the version that was edited. */
export const editing = <T>(
  schema: ZodType<T>,
  handle: (body: T, version: number, api: APIContext) => Promise<Outcome<unknown>>,
) =>
  taking(schema, (body, api) => {
    const version = editedVersion(api.request);
    return version === null ? Promise.resolve(refused('versionMissing')) : handle(body, version, api);
  });

export const idOf = (api: APIContext): string => api.params.id ?? '';
