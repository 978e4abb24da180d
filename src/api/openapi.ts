/** The API described in OpenAPI 3.1, from the table that the server itself goes by. */
import { z } from 'zod';
import { PROBLEMS, type ProblemReason } from '../contract';
import { ProblemSchema } from '../contract/problems';
import answerExamples from './answer-examples.json';
import { PUBLIC } from '../service/rights';
import { NAMED_SCHEMAS } from './named-schemas';
import { FILE_TYPES, TAGS, isFileType, methodOf, pathOf, type AnyRoute, type Method } from './route';
import { word } from '../words';
import '../words/server';

const SHARED = '#/components/schemas/__shared';

type Side = 'input' | 'output';
type Schemas = Record<string, object>;

/** Shared parts that have no name of their own are written where they are used. */
const NO_NAMES = { reused: 'inline', unrepresentable: 'any' } as const;

function schemasOf(side: Side, named: Readonly<Record<string, z.ZodType>>): Schemas {
  const registry = z.registry<{ id: string }>();
  for (const [id, schema] of Object.entries(named)) registry.add(schema, { id });
  const { schemas } = z.toJSONSchema(registry, {
    uri: (id) => `#/components/schemas/${id}`,
    io: side,
    ...NO_NAMES,
  });
  const text = JSON.stringify(schemas).replaceAll(`${SHARED}#/$defs/`, '#/components/schemas/');
  const { __shared: shared, ...own } = JSON.parse(text) as Record<string, { readonly $defs?: Schemas }>;
  const twice = Object.keys(shared?.$defs ?? {}).filter((id) => id in own);
  if (twice.length > 0) throw new Error(`two schemas have one name: ${twice.join(', ')}`);
  const inside = (schema: object) =>
    Object.fromEntries(Object.entries(schema).filter(([key]) => key !== '$schema' && key !== '$id'));
  return Object.fromEntries(
    Object.entries({ ...own, ...shared?.$defs }).map(([id, schema]) => [id, inside(schema)]),
  );
}

const json = (value: unknown): string => JSON.stringify(value);

/** By `operationId`; `scripts/examples.mjs` takes them from the demo records. */
const ANSWERS: Readonly<Record<string, unknown>> = answerExamples;

interface Components {
  readonly schemas: Schemas;
  /** Of the answer: its own, or that of another operation that answers the same. */
  readonly exampleOf: (route: AnyRoute) => unknown;
  readonly nameOf: (schema: z.ZodType, side: Side) => string;
}

/**
 * Component schemas of what is taken and what is given. Where the two sides of one differ (defaults make a field
 * optional on the way in), the one on the way in is called so.
 */
function componentsOf(routes: readonly AnyRoute[]): Components {
  const named: Record<string, z.ZodType> = { ...NAMED_SCHEMAS, Problem: ProblemSchema };
  const known = new Map<z.ZodType, string>(Object.entries(named).map(([name, schema]) => [schema, name]));
  const add = (schema: z.ZodType, name: string) => {
    if (known.has(schema)) return;
    named[name] = schema;
    known.set(schema, name);
  };
  const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);
  for (const r of routes) {
    if (r.body) add(r.body, `${capital(r.operationId)}Request`);
    if (!isFileType(r.answer)) add(r.answer, `${capital(r.operationId)}Answer`);
  }
  const output = schemasOf('output', named);
  const input = schemasOf('input', named);
  const differing = new Set(Object.keys(named).filter((name) => json(input[name]) !== json(output[name])));
  // What refers to one that differs, differs.
  for (let before = -1; before !== differing.size;) {
    before = differing.size;
    for (const [name, schema] of Object.entries(input)) {
      const refers = [...json(schema).matchAll(/"#\/components\/schemas\/(\w+)"/g)].some((m) =>
        differing.has(m[1]!),
      );
      if (refers) differing.add(name);
    }
  }
  const onTheWayIn = (name: string): string => (differing.has(name) ? `${name}Input` : name);
  const renamed = json(input).replace(
    /"#\/components\/schemas\/(\w+)"/g,
    (_, name: string) => `"#/components/schemas/${onTheWayIn(name)}"`,
  );
  const inputs = Object.fromEntries(
    Object.entries(JSON.parse(renamed) as Schemas).map(([name, schema]) => [onTheWayIn(name), schema]),
  );
  const used = new Set<string>();
  const all: Schemas = { ...inputs, ...output };
  const nameOf = (schema: z.ZodType, side: Side): string => {
    const name = known.get(schema)!;
    return side === 'input' ? onTheWayIn(name) : name;
  };
  const follow = (name: string): void => {
    if (used.has(name)) return;
    used.add(name);
    for (const m of json(all[name]).matchAll(/"#\/components\/schemas\/(\w+)"/g)) follow(m[1]!);
  };
  follow('Problem');
  for (const r of routes) {
    if (r.body) follow(nameOf(r.body, 'input'));
    if (!isFileType(r.answer)) follow(nameOf(r.answer, 'output'));
  }
  const schemas = Object.fromEntries(
    [...used].sort((a, b) => (a < b ? -1 : 1)).map((name) => [name, all[name]!]),
  );
  const exampleOf = (route: AnyRoute): unknown => {
    const own = ANSWERS[route.operationId];
    if (own !== undefined || isFileType(route.answer)) return own;
    const same = routes.find((r) => r.answer === route.answer && r.operationId in ANSWERS);
    return same && ANSWERS[same.operationId];
  };
  return { schemas, nameOf, exampleOf };
}

const reference = (name: string) => ({ $ref: `#/components/schemas/${name}` });
const header = (name: string, required: boolean, description: string, schema: object, example: string) => ({
  name,
  in: 'header',
  required,
  description,
  schema,
  example,
});

const AN_ID = '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a01';

function queryParameters(route: AnyRoute): object[] {
  if (!route.query) return [];
  const { properties = {}, required = [] } = z.toJSONSchema(route.query as z.ZodType, { io: 'input' }) as {
    properties?: Record<string, { description?: string; default?: unknown }>;
    required?: string[];
  };
  return Object.entries(properties).map(([name, { description, ...schema }]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    description: description ?? name,
    schema: 'default' in schema && !('type' in schema) ? { type: 'integer', ...schema } : schema,
  }));
}

function parametersOf(route: AnyRoute): object[] {
  const inPath = pathOf(route).includes('{id}')
    ? [
        {
          name: 'id',
          in: 'path',
          required: true,
          description: 'id of the record',
          schema: route.idPattern
            ? { type: 'string', pattern: route.idPattern.source }
            : { type: 'string', format: 'uuid' },
          example: route.idExample ?? (route.idPattern ? 'right-angle' : AN_ID),
        },
      ]
    : [];
  const version = route.versioned
    ? [
        header(
          'If-Match',
          !route.isVersionOptional,
          route.versioned === 'draft'
            ? 'ETag of `GET /fittings/{id}/settings`; `*` for whatever is there now'
            : 'ETag of the record that was edited; `*` for whatever is there now',
          { type: 'string' },
          route.versioned === 'draft' ? '"draft-3"' : '"3"',
        ),
      ]
    : [];
  const known = route.isImpersonal
    ? [header('If-None-Match', false, 'ETag of what is known already', { type: 'string' }, '"3"')]
    : [];
  const changing =
    methodOf(route) === 'GET'
      ? []
      : [
          header(
            'Idempotency-Key',
            false,
            'a UUID of the request: sent again with it, the request gets its first answer',
            { type: 'string', format: 'uuid' },
            '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8aff',
          ),
        ];
  const fitter = PUBLIC.includes(route.record)
    ? []
    : [
        header(
          'Velto-Fitter',
          false,
          'id of the fitter who acts; readings and imports carry their name, and only a named fitter may delete',
          { type: 'string', format: 'uuid' },
          AN_ID,
        ),
      ];
  return [...inPath, ...queryParameters(route), ...version, ...known, ...changing, ...fitter];
}

const ALWAYS: readonly ProblemReason[] = ['badAddress', 'wrongHost', 'invalid', 'unexpected'];

/** Every reason for which an operation may be refused. */
function refusalsOf(route: AnyRoute): ProblemReason[] {
  const path = pathOf(route);
  const isChange = methodOf(route) !== 'GET';
  return [
    ...ALWAYS,
    ...(PUBLIC.includes(route.record) ? [] : (['signInFirst'] as const)),
    ...(path.includes('{id}') ? (['notFound'] as const) : []),
    ...(isChange
      ? (['badRequest', 'wrongOrigin', 'lengthMissing', 'tooLarge', 'keyReused', 'storageGone'] as const)
      : []),
    ...(route.body ? (['unsupported'] as const) : []),
    ...(route.versioned ? (['changedMeanwhile', 'versionMissing', 'wrongTag'] as const) : []),
    ...(route.refusals ?? []),
  ];
}

function problemResponses(route: AnyRoute): Record<string, object> {
  const byStatus = new Map<number, Set<ProblemReason>>();
  for (const reason of refusalsOf(route)) {
    const status = PROBLEMS[reason];
    byStatus.set(status, (byStatus.get(status) ?? new Set()).add(reason));
  }
  return Object.fromEntries(
    [...byStatus].map(([status, reasons]) => [
      status,
      {
        description: [...reasons].map((reason) => `${word(`problem.${reason}`)} (${reason}).`).join(' '),
        content: { 'application/problem+json': { schema: reference('Problem') } },
      },
    ]),
  );
}

const textHeader = (description: string) => ({ description, schema: { type: 'string' } });

function successOf(route: AnyRoute, { nameOf, exampleOf }: Components): object {
  const example = exampleOf(route);
  const headers: Record<string, object> = {};
  if (route.status === 201) headers.Location = textHeader('address of the new record');
  if (!isFileType(route.answer)) headers.ETag = textHeader('version of the record, where it has one');
  if (queryParameters(route).some((p) => (p as { name: string }).name === 'cursor'))
    headers.Link = textHeader('the next page, with rel="next"');
  if (isFileType(route.answer)) {
    const isJson = route.answer === 'json' || route.answer === 'schema';
    const schema = isJson
      ? { type: 'object' }
      : { type: 'string', ...(route.answer === 'pdf' ? { format: 'binary' } : {}) };
    const type = FILE_TYPES[route.answer].split(';')[0]!;
    return { description: 'The file.', content: { [type]: { schema, example } } };
  }
  return {
    description: 'Done.',
    headers,
    content: { 'application/json': { schema: reference(nameOf(route.answer, 'output')), example } },
  };
}

function operationOf(route: AnyRoute, components: Components): object {
  const { operationId, tag, summary, description, body, status = 200, example } = route;
  const content = body && { schema: reference(components.nameOf(body, 'input')), example };
  return {
    operationId,
    tags: [tag],
    summary,
    description,
    parameters: parametersOf(route),
    ...(content
      ? {
          requestBody: {
            required: true,
            description: 'Unknown fields are refused.',
            content: {
              'application/json': content,
              ...(methodOf(route) === 'PATCH' ? { 'application/merge-patch+json': content } : {}),
            },
          },
        }
      : {}),
    responses: {
      [status]: successOf(route, components),
      ...(route.isImpersonal ? { 304: { description: 'Nothing has changed since `If-None-Match`.' } } : {}),
      ...problemResponses(route),
    },
    security: PUBLIC.includes(route.record) ? [] : [{ session: [] }],
  };
}

const DESCRIPTION = `Lengths are in mm, masses in kg, angles in degrees; field names end in their unit. Positions of an adjustment count from 0 at its lowest end; sentences count from 1.

**Lists** come a page at a time as \`items\` with \`total\`; \`next\` is the \`cursor\` of the page after, also as \`Link\`.

**Changes** name in \`If-Match\` the ETag that was edited. A fitting goes by "3", its draft settings by "draft-3". With \`Idempotency-Key\` a request can be sent again without being done twice. Unknown fields and parameters are refused.

**Faults** are problem details (RFC 9457) with JSON pointers to the fields.

**Who acts**: the session cookie of \`POST /session\`, where the practice has a passphrase; \`Velto-Fitter\` names the fitter. The pages of the application send a cookie of the same meaning, \`velto-fitter\`.

**Changed on 28 November 2026**: lists are pages instead of arrays; \`leave\` is \`signOff\`, \`instead\` is \`seenReading\`, \`fillIn\` is \`estimateMissing\`, \`boxes\` is \`boxesOpened\`; draft settings have their own ETag and keep what is pinned; positions of the card count from 0; fitters, tolerances and measuring sessions have versions; units are a parameter, not a cookie; the same id with other contents is refused.

**Changed on 29 November 2026**: documents of seats and workstations have a \`schema\` number; a seat says what it \`offers\` instead of \`hasHarness\`, \`hasSuspension\` and \`castors\`, has \`arms\` instead of \`armPad\`, and states, strapped cushions and procedures; an adjustment says how it \`holds\`; rated load, width and sink may be null; a workstation says what it \`needs\`; a fitting says \`helmet\`, \`glasses\` and \`risesByArms\`. Cases take seats and workstations by id as well as by id of a version. What nobody described of a seat may be left out. Ranked seats say why they are \`notMeant\` for a workstation. The card (format version 3) says where the seat starts, how far each setting may be off and what further postures set otherwise; \`offered\` is one sentence a remedy; remedies have up to three parts and come to those in use. A fitting has \`postures\`; a method says when the tilt locks (\`lock\`), \`neutralStart\` and \`screen\`, and may have the pads carry the forearm (\`armsTo\`); a fitting says where its \`screen\` stands.

**Changed on 30 November 2026**: seats that stand somewhere are \`/tagged-seats\`; a fitting names one as \`pieceId\` and \`piece\`, and is not signed off where nobody may sit on it (\`doNotUse\`). A listed seat says how many of it are \`tagged\`. The card (format version 4) names the tag; \`start\` is null where nothing of the seat moves or nobody may sit on it, and what is not used has no line.`;

/** Returns the description of some routes. */
export function openApiOf(routes: readonly AnyRoute[]): Record<string, unknown> {
  const components = componentsOf(routes);
  const paths: Record<string, Record<string, object>> = {};
  for (const route of routes) {
    const method = methodOf(route).toLowerCase() as Lowercase<Method>;
    (paths[pathOf(route)] ??= {})[method] = operationOf(route, components);
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Velto',
      version: '1.1.0',
      description: DESCRIPTION,
      license: { name: 'MIT', identifier: 'MIT' },
      contact: { name: 'The practice that runs this installation' },
    },
    servers: [{ url: '/api/v1', description: 'This installation' }],
    tags: Object.entries(TAGS).map(([name, description]) => ({ name, description })),
    paths,
    components: {
      schemas: components.schemas,
      securitySchemes: {
        session: {
          type: 'apiKey',
          in: 'cookie',
          name: 'velto-session',
          description: 'Set by `POST /session`. Not asked for where no passphrase is set.',
        },
      },
    },
  };
}
