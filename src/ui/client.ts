/** The one way from a screen to the API: checks what comes back, and turns every failure into a closed form. */
import { z, type ZodType } from 'zod';
import {
  DeletionSchema,
  FitterSchema,
  FittingDetailSchema,
  FittingSummarySchema,
  MeasuringSessionSchema,
  MethodSummarySchema,
  PlaceSummarySchema,
  SavedDraftSchema,
  SessionSchema,
  SeatSummarySchema,
  SitterDetailSchema,
  SitterSchema,
  TableSummarySchema,
  type Fitter,
  type Hand,
  type FittingAct,
  type FittingEdit,
  type MeasuringSessionEdit,
  type NewFitting,
  type NewSitter,
  type NewTable,
  type PlaceEdit,
  type ProblemDetails,
  type ReadingEdit,
  type SitterEdit,
  type TableEdit,
} from '../contract';
import type { Settings } from '../core/fit';
import type { Method } from '../core/method';
import { ClientError } from './client-error';
import { newId } from './ids';
import { refreshKeptPage } from './kept-pages';

/** A connection that says nothing for this long counts as lost, ms. */
const LONGEST_WAIT_MS = 8000;

export { ClientError, explain } from './client-error';

interface Call {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  readonly body?: unknown;
  /** In place of `body`, where it is JSON already. */
  readonly json?: Blob;
  /** Nothing that a page shows is changed by it. */
  readonly isAside?: boolean;
  readonly version?: number;
  /** Names the request, so that sent twice it is done once; made here unless the sender keeps one. */
  readonly key?: string;
  /** Lets the request outlive the page, for what is saved on leaving it. */
  readonly keepalive?: boolean;
}

/** One request; pages with calls of their own make them by this. */
export async function call<T>(
  path: string,
  schema: ZodType<T>,
  { method = 'GET', body, json, isAside = false, version, key, keepalive = false }: Call = {},
): Promise<T> {
  const sent = json ?? (body === undefined ? undefined : JSON.stringify(body));
  const headers: Record<string, string> = {};
  if (sent !== undefined) headers['content-type'] = 'application/json';
  if (version !== undefined) headers['if-match'] = `"${version}"`;
  if (method !== 'GET') headers['idempotency-key'] = key ?? newId();
  const request = {
    method,
    headers,
    keepalive,
    ...(sent === undefined ? {} : { body: sent }),
  };
  const response = await fetchTwice(`/api/v1${path}`, request);
  if (!response.ok) throw new ClientError('refused', await problemOf(response));
  if (method !== 'GET' && !isAside) refreshKeptPage();
  const parsed = schema.safeParse(await response.json());
  if (!parsed.success) throw new ClientError('unreadable', null);
  return parsed.data;
}

/** Once more after a connection that broke: the key makes sure that nothing is done twice. */
async function fetchTwice(url: string, request: RequestInit): Promise<Response> {
  const once = () => fetch(url, { ...request, signal: AbortSignal.timeout(LONGEST_WAIT_MS) });
  try {
    return await once();
  } catch {
    try {
      return await once();
    } catch {
      throw new ClientError('offline', null);
    }
  }
}

async function problemOf(response: Response): Promise<ProblemDetails | null> {
  try {
    return (await response.json()) as ProblemDetails;
  } catch {
    return null;
  }
}

export const api = {
  searchSitters: (search: string) =>
    call(`/sitters?search=${encodeURIComponent(search)}`, z.array(SitterSchema)),
  createSitter: (sitter: NewSitter) => call('/sitters', SitterDetailSchema, { method: 'POST', body: sitter }),
  editSitter: (id: string, version: number, edit: SitterEdit) =>
    call(`/sitters/${id}`, SitterDetailSchema, { method: 'PATCH', body: edit, version }),
  deleteSitter: (id: string) => call(`/sitters/${id}`, DeletionSchema, { method: 'DELETE' }),
  restoreSitter: (id: string) => call(`/sitters/${id}/restore`, SitterDetailSchema, { method: 'POST' }),
  takeReading: (id: string, reading: ReadingEdit, key: string) =>
    call(`/sitters/${id}/readings`, SitterDetailSchema, {
      method: 'PUT',
      body: reading,
      key,
      keepalive: true,
    }),
  measuringSessions: (id: string) =>
    call(`/sitters/${id}/measuring-sessions`, z.array(MeasuringSessionSchema)),
  saveMeasuringSession: (id: string, session: MeasuringSessionEdit, key: string) =>
    call(`/sitters/${id}/measuring-sessions`, MeasuringSessionSchema, {
      method: 'PUT',
      body: session,
      key,
      keepalive: true,
    }),
  tables: () => call('/tables', z.array(TableSummarySchema)),
  addTable: (table: NewTable) => call('/tables', TableSummarySchema, { method: 'POST', body: table }),
  editTable: (id: string, edit: TableEdit) =>
    call(`/tables/${encodeURIComponent(id)}`, TableSummarySchema, { method: 'PATCH', body: edit }),
  createMethod: (method: Method) => call('/methods', MethodSummarySchema, { method: 'POST', body: method }),
  editMethod: (method: Method, version: number) =>
    call(`/methods/${method.id}`, MethodSummarySchema, { method: 'PUT', body: method, version }),
  saveHand: (id: string, hand: Hand) => call(`/fitters/${id}`, FitterSchema, { method: 'PUT', body: hand }),
  addFitter: (fitter: Fitter) => call('/fitters', FitterSchema, { method: 'POST', body: fitter }),
  createPlace: (place: PlaceEdit) => call('/places', PlaceSummarySchema, { method: 'POST', body: place }),
  editPlace: (place: PlaceEdit, version: number) =>
    call(`/places/${place.id}`, PlaceSummarySchema, { method: 'PUT', body: place, version }),
  seats: () => call('/seats', z.array(SeatSummarySchema)),
  fittings: () => call('/fittings', z.array(FittingSummarySchema)),
  fitting: (id: string) => call(`/fittings/${id}`, FittingDetailSchema),
  createFitting: (fitting: NewFitting) =>
    call('/fittings', FittingDetailSchema, { method: 'POST', body: fitting }),
  editFitting: (id: string, version: number, edit: FittingEdit) =>
    call(`/fittings/${id}`, FittingDetailSchema, { method: 'PATCH', body: edit, version }),
  deleteFitting: (id: string) => call(`/fittings/${id}`, DeletionSchema, { method: 'DELETE' }),
  restoreFitting: (id: string) => call(`/fittings/${id}/restore`, FittingSummarySchema, { method: 'POST' }),
  saveSettings: (id: string, revision: number, settings: Settings, key: string) =>
    call(`/fittings/${id}/settings`, SavedDraftSchema, {
      method: 'PUT',
      body: settings,
      version: revision,
      key,
      keepalive: true,
    }),
  act: (id: string, version: number, act: FittingAct) =>
    call(`/fittings/${id}/acts`, FittingDetailSchema, { method: 'POST', body: act, version }),
  signIn: (passphrase: string) => call('/session', SessionSchema, { method: 'POST', body: { passphrase } }),
  signOut: () => call('/session', SessionSchema, { method: 'DELETE' }),
};
