/** The API described in OpenAPI 3.1, made from the schemas that the endpoints themselves check with. */
import { z } from 'zod';
import { ENDPOINTS, FILE_TYPES, NAMED, type Endpoint, type FileType, type SchemaName } from './endpoints';
import { PROBLEMS } from './problems';

const isFile = (answer: Endpoint['answer']): answer is FileType => FILE_TYPES.some((type) => type === answer);

const reference = (name: SchemaName) => ({ $ref: `#/components/schemas/${name}` });

const SHARED = '#/components/schemas/__shared';

function componentSchemas(): Record<string, unknown> {
  const registry = z.registry<{ id: string }>();
  for (const [id, schema] of Object.entries(NAMED)) registry.add(schema, { id });
  const { schemas: made } = z.toJSONSchema(registry, {
    uri: (id) => `#/components/schemas/${id}`,
    unrepresentable: 'any',
  });
  // What named schemas share under a name of its own becomes one of them.
  const { __shared: shared, ...own } = JSON.parse(
    JSON.stringify(made).replaceAll(`${SHARED}#/$defs/`, '#/components/schemas/'),
  ) as Record<string, { readonly $defs?: Record<string, object> }>;
  const schemas: Record<string, object> = { ...own, ...shared?.$defs };
  // The identifiers are for standalone schemas; inside one document the component's name says the same.
  const inside = (schema: object) =>
    Object.fromEntries(Object.entries(schema).filter(([key]) => key !== '$schema' && key !== '$id'));
  return Object.fromEntries(Object.entries(schemas).map(([id, schema]) => [id, inside(schema)]));
}

const inJson = (schema: unknown, type = 'application/json') => ({ content: { [type]: { schema } } });

function parametersOf(endpoint: Endpoint): unknown[] {
  const inPath = [...endpoint.path.matchAll(/\{(\w+)\}/g)].map((m) => ({
    name: m[1],
    in: 'path',
    required: true,
    schema: { type: 'string', format: 'uuid' },
  }));
  const inQuery = Object.entries(endpoint.query ?? {}).map(([name, description]) => ({
    name,
    in: 'query',
    required: false,
    description,
    schema: { type: 'string' },
  }));
  const version = endpoint.versioned
    ? [
        {
          name: 'If-Match',
          in: 'header',
          required: true,
          description: 'the version that was edited, as "3"',
          schema: { type: 'string' },
        },
      ]
    : [];
  const key =
    endpoint.method === 'get'
      ? []
      : [
          {
            name: 'Idempotency-Key',
            in: 'header',
            required: false,
            description: 'a UUID of the request: sent again with it, the request gets its first answer',
            schema: { type: 'string', format: 'uuid' },
          },
        ];
  return [...inPath, ...inQuery, ...version, ...key];
}

function operationOf(endpoint: Endpoint): unknown {
  const { answer, body, status = 200, summary } = endpoint;
  const content = isFile(answer)
    ? inJson({}, answer)
    : inJson(typeof answer === 'string' ? reference(answer) : { type: 'array', items: reference(answer[0]) });
  return {
    summary,
    parameters: parametersOf(endpoint),
    ...(body ? { requestBody: { required: true, ...inJson(reference(body)) } } : {}),
    responses: {
      [status]: { description: 'Done', ...content },
      default: {
        description: 'What went wrong',
        ...inJson(reference('Problem'), 'application/problem+json'),
      },
    },
  };
}

/** The whole document. */
export function openApiDocument(): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const endpoint of ENDPOINTS) (paths[endpoint.path] ??= {})[endpoint.method] = operationOf(endpoint);
  return {
    openapi: '3.1.0',
    info: {
      title: 'Velto',
      version: '1',
      description: `Lengths in mm, masses in kg, angles in degrees. Faults are problem details (RFC 9457): ${Object.keys(PROBLEMS).join(', ')}.`,
    },
    servers: [{ url: '/api/v1' }],
    paths,
    components: { schemas: componentSchemas() },
  };
}
