/** From an HTTP request to an operation of the table and back. */
import { createHash } from 'node:crypto';
import type { z } from 'zod';
import { Id, done, faultsOf, refused, type FieldFault, type Outcome } from '../contract';
import type { Context } from '../service/context';
import type { EditedVersion } from '../service/edited';
import { mayNot } from '../service/rights';
import { answerOf, problem, wrongMethod } from './answers';
import type { Door } from './door';
import { mediaTypeOf } from './media-type';
import { methodOf, pathOf, type AnyRoute, type Call, type Method, type TagKind } from './route';
import { ROUTES } from './table';
import { readTag } from './tags';
import { word } from '../words';
import { WITH_INPUT, sayIssue } from '../words/say-schema';
import '../words/server';

export const API_BASE = '/api/v1';

export interface Caller {
  /** With the actor who asks. */
  readonly ctx: Context;
  readonly door: Door;
  /** Why the caller could not be made out; null where it could. */
  readonly fault: FieldFault | null;
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

interface Segment {
  readonly text: string;
  readonly isId: boolean;
}
const segmentsOf = (path: string): Segment[] =>
  path
    .split('/')
    .slice(1)
    .map((text) => ({ text, isId: text === '{id}' }));

const TABLE = ROUTES.map((route) => ({ route, segments: segmentsOf(pathOf(route)) }));

/** The routes of one address with the id in it; a fixed name wins over an id. */
function routesAt(path: string): { readonly routes: readonly AnyRoute[]; readonly id: string } {
  const given = path.split('/').slice(1);
  const matching = TABLE.filter(
    ({ segments }) =>
      segments.length === given.length && segments.every((s, i) => s.isId || s.text === given[i]),
  );
  const fixed = matching.filter(({ segments }) => !segments.some((s) => s.isId));
  const chosen = fixed.length > 0 ? fixed : matching;
  const at = chosen[0]?.segments.findIndex((s) => s.isId) ?? -1;
  return { routes: chosen.map(({ route }) => route), id: at < 0 ? '' : (given[at] ?? '') };
}

function readQuery(route: AnyRoute, search: URLSearchParams): Outcome<unknown> {
  const names = [...search.keys()];
  const twice = names.find((name, i) => names.indexOf(name) < i);
  if (twice !== undefined)
    return refused('invalid', { faults: [{ pointer: `/${twice}`, detail: word('field.once') }] });
  const given = Object.fromEntries(search);
  if (!route.query)
    return names.length === 0
      ? done(undefined)
      : refused('invalid', {
          faults: names.map((name) => ({ pointer: `/${name}`, detail: word('field.noParameter') })),
        });
  return parsed(route.query, given);
}

function parsed<T>(schema: z.ZodType<T>, raw: unknown): Outcome<T> {
  const result = schema.safeParse(raw, WITH_INPUT);
  return result.success
    ? done(result.data)
    : refused('invalid', { faults: faultsOf(result.error, sayIssue) });
}

const MERGE_PATCH = 'application/merge-patch+json';

function readBody(route: AnyRoute, request: Request, text: string): Outcome<unknown> {
  if (!route.body) return text.trim() === '' ? done(undefined) : refused('badRequest');
  const type = mediaTypeOf(request.headers.get('content-type'));
  const takes = ['application/json', ...(methodOf(route) === 'PATCH' ? [MERGE_PATCH] : [])];
  if (type === null || !takes.includes(type)) return refused('unsupported');
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return refused('badRequest');
  }
  return parsed(route.body, raw);
}

function readVersion(request: Request, kind: TagKind | undefined): Outcome<EditedVersion | null> {
  const given = request.headers.get('if-match');
  if (kind === undefined || given === null) return done(null);
  const version = readTag(given, kind);
  return version === null ? refused('wrongTag') : done(version);
}

const KEY_HEADER = 'idempotency-key';

/** The key of a request with what it stands for; null where it has none. */
function readKey(request: Request, path: string, text: string): Outcome<Context['request']> {
  const key = request.headers.get(KEY_HEADER);
  if (key === null || request.method === 'GET') return done(null);
  if (!Id.safeParse(key).success)
    return refused('invalid', { faults: [{ pointer: '', detail: word('field.keyNotUuid') }] });
  const asked = [request.method, path, request.headers.get('if-match') ?? '', text].join('\n');
  return done({ key, fingerprint: createHash('sha256').update(asked).digest('base64') });
}

async function readCall(
  route: AnyRoute,
  id: string,
  request: Request,
  url: URL,
  { ctx, door, fault }: Caller,
): Promise<Outcome<Call<unknown, unknown>>> {
  const forbidden = mayNot(ctx.actor, route.act, { kind: route.record, id: id || null });
  if (forbidden) return refused(forbidden);
  if (fault) return refused('invalid', { faults: [fault] });
  if (id !== '' && !(route.idPattern ?? UUID).test(id)) return refused('notFound');
  const query = readQuery(route, url.searchParams);
  if (!query.ok) return query;
  const text = request.method === 'GET' || request.method === 'HEAD' ? '' : await request.text();
  const body = readBody(route, request, text);
  if (!body.ok) return body;
  const edited = readVersion(request, route.versioned);
  if (!edited.ok) return edited;
  const version = edited.value;
  if (version === null && route.versioned && !route.isVersionOptional) return refused('versionMissing');
  const key = readKey(request, url.pathname, text);
  if (!key.ok) return key;
  return done({
    ctx: { ...ctx, request: key.value },
    id,
    query: query.value,
    body: body.value,
    version: version ?? 0,
    optionalVersion: version,
    door,
  });
}

const asRead = (method: string): string => (method === 'HEAD' ? 'GET' : method);

/**
 * Answers a request under the API's base. What is not in the table is not there; everything that goes wrong comes as
 * problem details.
 * @param url its address, in plain form
 */
export async function dispatch(request: Request, url: URL, caller: Caller): Promise<Response> {
  const { routes, id } = routesAt(url.pathname.slice(API_BASE.length));
  if (routes.length === 0) return problem(caller.ctx.actor.kind === 'visitor' ? 'signInFirst' : 'notFound');
  const route = routes.find((r) => methodOf(r) === asRead(request.method));
  if (!route) return wrongMethod(routes.map(methodOf), request.method === 'OPTIONS');
  const call = await readCall(route, id, request, url, caller);
  const outcome: Outcome<unknown> = call.ok ? await route.handle(call.value) : call;
  return answerOf(route, outcome, request, url);
}

export type { Method };
