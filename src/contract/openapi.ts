/** The API described in OpenAPI 3.1, made from the schemas that the endpoints themselves check with. */
import { z, type ZodType } from 'zod';
import {
  ChoicesSchema,
  DeletionSchema,
  FitterSchema,
  HandSchema,
  FittingActSchema,
  FittingDetailSchema,
  FittingEditSchema,
  FittingSummarySchema,
  MeasuringSessionEditSchema,
  MeasuringSessionSchema,
  MethodSummarySchema,
  NewFittingSchema,
  NewSitterSchema,
  NewTableSchema,
  PlaceEditSchema,
  PlaceSummarySchema,
  PassphraseSchema,
  ReadingEditSchema,
  RemainsSchema,
  SavedDraftSchema,
  SeatSummarySchema,
  SessionSchema,
  SettingSetSchema,
  SitterDetailSchema,
  SitterEditSchema,
  SitterSchema,
  TableEditSchema,
  TableSummarySchema,
} from './api';
import { CardSchema } from './card';
import { FitAnswerSchema, FitRequestSchema, RankAnswerSchema, RankRequestSchema } from './compute';
import { PROBLEMS, ProblemSchema } from './problems';
import { MethodSchema, SettingsSchema } from './records';

const NAMED = {
  Sitter: SitterSchema,
  SitterDetail: SitterDetailSchema,
  NewSitter: NewSitterSchema,
  SitterEdit: SitterEditSchema,
  ReadingEdit: ReadingEditSchema,
  MeasuringSession: MeasuringSessionSchema,
  MeasuringSessionEdit: MeasuringSessionEditSchema,
  TableSummary: TableSummarySchema,
  NewTable: NewTableSchema,
  TableEdit: TableEditSchema,
  Fitter: FitterSchema,
  Hand: HandSchema,
  SeatSummary: SeatSummarySchema,
  PlaceSummary: PlaceSummarySchema,
  PlaceEdit: PlaceEditSchema,
  Method: MethodSchema,
  MethodSummary: MethodSummarySchema,
  FittingSummary: FittingSummarySchema,
  FittingDetail: FittingDetailSchema,
  NewFitting: NewFittingSchema,
  FittingEdit: FittingEditSchema,
  FittingAct: FittingActSchema,
  Settings: SettingsSchema,
  SettingSet: SettingSetSchema,
  SavedDraft: SavedDraftSchema,
  Choices: ChoicesSchema,
  Deletion: DeletionSchema,
  Remains: RemainsSchema,
  Passphrase: PassphraseSchema,
  Session: SessionSchema,
  FitRequest: FitRequestSchema,
  FitAnswer: FitAnswerSchema,
  RankRequest: RankRequestSchema,
  RankAnswer: RankAnswerSchema,
  Card: CardSchema,
  Problem: ProblemSchema,
} satisfies Readonly<Record<string, ZodType>>;

export type SchemaName = keyof typeof NAMED;

const PDF = 'application/pdf';

interface Endpoint {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  readonly path: string;
  readonly summary: string;
  readonly query?: Readonly<Record<string, string>>;
  readonly body?: SchemaName;
  /** A schema's name, a list of one, or a file. */
  readonly answer: SchemaName | readonly [SchemaName] | typeof PDF;
  readonly status?: 201;
  /** Whether the version that was edited has to be sent in `If-Match`. */
  readonly versioned?: true;
}

/** Every endpoint there is; a test holds it against the routes. */
export const ENDPOINTS: readonly Endpoint[] = [
  {
    method: 'post',
    path: '/fit',
    summary: 'Compute the settings of one case; nothing is kept',
    body: 'FitRequest',
    answer: 'FitAnswer',
  },
  {
    method: 'post',
    path: '/rank',
    summary: 'Put seats in order for one sitter; nothing is kept',
    body: 'RankRequest',
    answer: 'RankAnswer',
  },
  {
    method: 'get',
    path: '/sitters',
    summary: 'Find sitters by a part of their name',
    query: { search: 'part of a name; accents and case do not matter' },
    answer: ['Sitter'],
  },
  {
    method: 'post',
    path: '/sitters',
    summary: 'Add a sitter; the same id again gives the first record',
    body: 'NewSitter',
    answer: 'SitterDetail',
    status: 201,
  },
  {
    method: 'get',
    path: '/sitters/{id}',
    summary: 'A sitter with the readings that hold',
    answer: 'SitterDetail',
  },
  {
    method: 'patch',
    path: '/sitters/{id}',
    summary: 'Change name, birth date, sex or table of bodies',
    body: 'SitterEdit',
    answer: 'SitterDetail',
    versioned: true,
  },
  {
    method: 'get',
    path: '/sitters/{id}/measuring-sessions',
    summary: 'All sessions in which a sitter was measured, newest first, with their readings',
    answer: ['MeasuringSession'],
  },
  {
    method: 'put',
    path: '/sitters/{id}/measuring-sessions',
    summary: 'Begin a session, or change what holds of it; the same id again is the same session',
    body: 'MeasuringSessionEdit',
    answer: 'MeasuringSession',
  },
  {
    method: 'put',
    path: '/sitters/{id}/readings',
    summary: 'Take a reading, or take it back with null; one that the others speak against needs a reason',
    body: 'ReadingEdit',
    answer: 'SitterDetail',
  },
  {
    method: 'delete',
    path: '/sitters/{id}',
    summary: 'Delete a sitter: hidden at once, erased when undoing is over',
    answer: 'Deletion',
  },
  {
    method: 'post',
    path: '/sitters/{id}/restore',
    summary: 'Take the deletion of a sitter back',
    answer: 'SitterDetail',
  },
  {
    method: 'get',
    path: '/tables',
    summary: 'The tables of bodies: those that come with the program, and the practice’s own',
    answer: ['TableSummary'],
  },
  {
    method: 'post',
    path: '/tables',
    summary: 'Bring a table of bodies as CSV; the same id again gives the first',
    body: 'NewTable',
    answer: 'TableSummary',
    status: 201,
  },
  {
    method: 'patch',
    path: '/tables/{id}',
    summary: 'Make a table the usual one, set one of the practice’s own aside, or take it back',
    body: 'TableEdit',
    answer: 'TableSummary',
  },
  { method: 'get', path: '/fitters', summary: 'The fitters', answer: ['Fitter'] },
  {
    method: 'put',
    path: '/fitters/{id}',
    summary: 'The breadth of a fitter’s fingers, which some methods measure with',
    body: 'Hand',
    answer: 'Fitter',
  },
  {
    method: 'post',
    path: '/fitters',
    summary: 'Add a fitter',
    body: 'Fitter',
    answer: 'Fitter',
    status: 201,
  },
  { method: 'get', path: '/seats', summary: 'The newest version of every seat', answer: ['SeatSummary'] },
  { method: 'get', path: '/places', summary: 'The newest version of every place', answer: ['PlaceSummary'] },
  {
    method: 'post',
    path: '/places',
    summary: 'Add a place',
    body: 'PlaceEdit',
    answer: 'PlaceSummary',
    status: 201,
  },
  {
    method: 'put',
    path: '/places/{id}',
    summary: 'Make a new version of a place',
    body: 'PlaceEdit',
    answer: 'PlaceSummary',
    versioned: true,
  },
  {
    method: 'get',
    path: '/methods',
    summary: 'The newest version of every method',
    answer: ['MethodSummary'],
  },
  {
    method: 'post',
    path: '/methods',
    summary: 'Add a method of the practice’s own, a copy of another as a rule',
    body: 'Method',
    answer: 'MethodSummary',
    status: 201,
  },
  {
    method: 'put',
    path: '/methods/{id}',
    summary: 'Make a new version of a method of the practice’s own',
    body: 'Method',
    answer: 'MethodSummary',
    versioned: true,
  },
  {
    method: 'get',
    path: '/methods/{id}/versions',
    summary: 'Every version of a method, the newest first',
    answer: ['MethodSummary'],
  },
  {
    method: 'get',
    path: '/fittings',
    summary: 'Fittings, newest first',
    query: { sitter: 'id of a sitter' },
    answer: ['FittingSummary'],
  },
  {
    method: 'post',
    path: '/fittings',
    summary: 'Open a fitting; the same id again gives the first record',
    body: 'NewFitting',
    answer: 'FittingDetail',
    status: 201,
  },
  {
    method: 'get',
    path: '/fittings/{id}',
    summary: 'A fitting with its inputs and draft settings',
    answer: 'FittingDetail',
  },
  {
    method: 'patch',
    path: '/fittings/{id}',
    summary: 'Choose seat, place, method, fitter or tools, and whether estimates fill in',
    body: 'FittingEdit',
    answer: 'FittingDetail',
    versioned: true,
  },
  {
    method: 'put',
    path: '/fittings/{id}/settings',
    summary: 'Save the draft settings; the version is the revision of the draft',
    body: 'Settings',
    answer: 'SavedDraft',
    versioned: true,
  },
  {
    method: 'post',
    path: '/fittings/{id}/acts',
    summary: 'Solve, hand over or open again: each makes a version',
    body: 'FittingAct',
    answer: 'FittingDetail',
    versioned: true,
  },
  {
    method: 'delete',
    path: '/fittings/{id}',
    summary: 'Delete a fitting: hidden at once, erased when undoing is over',
    answer: 'Deletion',
  },
  {
    method: 'post',
    path: '/fittings/{id}/restore',
    summary: 'Take the deletion of a fitting back',
    answer: 'FittingSummary',
  },
  {
    method: 'get',
    path: '/fittings/{id}/choices',
    summary: 'The best settings as computed, what they cost and why, and the next best',
    query: { count: 'how many of the next best, 0 to 8; 3 where it is not said' },
    answer: 'Choices',
  },
  {
    method: 'get',
    path: '/fittings/{id}/remains',
    summary: 'What is kept of a fitting whose sitter was deleted',
    answer: 'Remains',
  },
  {
    method: 'post',
    path: '/session',
    summary: 'Sign in, where the practice has a passphrase',
    body: 'Passphrase',
    answer: 'Session',
  },
  { method: 'delete', path: '/session', summary: 'Sign out', answer: 'Session' },
  {
    method: 'get',
    path: '/fittings/{id}/card',
    summary: 'The settings card as JSON, in the units of the reader',
    answer: 'Card',
  },
  {
    method: 'get',
    path: '/fittings/{id}/card.pdf',
    summary: 'The settings card on one page',
    query: { paper: 'A4 or Letter' },
    answer: 'application/pdf',
  },
  {
    method: 'get',
    path: '/fittings/{id}/drawings.pdf',
    summary: 'Rule, side, front and plan view and every track, on one page',
    query: { paper: 'A4 or Letter' },
    answer: 'application/pdf',
  },
];

const reference = (name: SchemaName) => ({ $ref: `#/components/schemas/${name}` });

function componentSchemas(): Record<string, unknown> {
  const registry = z.registry<{ id: string }>();
  for (const [id, schema] of Object.entries(NAMED)) registry.add(schema, { id });
  const { schemas } = z.toJSONSchema(registry, {
    uri: (id) => `#/components/schemas/${id}`,
    unrepresentable: 'any',
  });
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
  const content =
    answer === PDF
      ? inJson({}, PDF)
      : inJson(
          typeof answer === 'string' ? reference(answer) : { type: 'array', items: reference(answer[0]) },
        );
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
