/** The one way from a screen to the API: checks what comes back, and turns every failure into a closed form. */
import { z, type ZodType } from 'zod';
import {
  FitterSchema,
  FittingDetailSchema,
  FittingSummarySchema,
  PlaceSummarySchema,
  SettingSetSchema,
  SitterDetailSchema,
  SitterSchema,
  type Fitter,
  type FittingAct,
  type FittingEdit,
  type NewFitting,
  type NewSitter,
  type PlaceEdit,
  type ProblemDetails,
  type ReadingEdit,
  type SitterEdit,
} from '../contract';
import type { Settings } from '../core/fit';
import { word } from '../words';

/** What went wrong: no connection, or the problem that the server named. */
export class ClientError extends Error {
  constructor(
    readonly reason: string,
    readonly problem: ProblemDetails | null,
  ) {
    super(problem?.title ?? reason);
  }
}

/** A failure in words, for the place where it happened. */
export function explain(error: unknown): string {
  if (!(error instanceof ClientError)) return word('fault.unknown');
  return error.problem?.title ?? word(error.reason === 'offline' ? 'save.offline' : 'fault.unknown');
}

interface Call {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'PATCH';
  readonly body?: unknown;
  readonly version?: number;
  /** Lets the request outlive the page, for what is saved on leaving it. */
  readonly keepalive?: boolean;
}

async function call<T>(
  path: string,
  schema: ZodType<T>,
  { method = 'GET', body, version, keepalive = false }: Call = {},
): Promise<T> {
  const headers: Record<string, string> = {};
  if (body !== undefined) headers['content-type'] = 'application/json';
  if (version !== undefined) headers['if-match'] = `"${version}"`;
  let response: Response;
  try {
    response = await fetch(`/api/v1${path}`, {
      method,
      headers,
      keepalive,
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  } catch {
    throw new ClientError('offline', null);
  }
  if (!response.ok) throw new ClientError('refused', await problemOf(response));
  const parsed = schema.safeParse(await response.json());
  if (!parsed.success) throw new ClientError('unreadable', null);
  return parsed.data;
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
  takeReading: (id: string, reading: ReadingEdit) =>
    call(`/sitters/${id}/readings`, SitterDetailSchema, { method: 'PUT', body: reading, keepalive: true }),
  addFitter: (fitter: Fitter) => call('/fitters', FitterSchema, { method: 'POST', body: fitter }),
  createPlace: (place: PlaceEdit) => call('/places', PlaceSummarySchema, { method: 'POST', body: place }),
  editPlace: (place: PlaceEdit, version: number) =>
    call(`/places/${place.id}`, PlaceSummarySchema, { method: 'PUT', body: place, version }),
  fittings: () => call('/fittings', z.array(FittingSummarySchema)),
  fitting: (id: string) => call(`/fittings/${id}`, FittingDetailSchema),
  createFitting: (fitting: NewFitting) =>
    call('/fittings', FittingDetailSchema, { method: 'POST', body: fitting }),
  editFitting: (id: string, version: number, edit: FittingEdit) =>
    call(`/fittings/${id}`, FittingDetailSchema, { method: 'PATCH', body: edit, version }),
  saveSettings: (id: string, settings: Settings) =>
    call(`/fittings/${id}/settings`, SettingSetSchema, { method: 'PUT', body: settings, keepalive: true }),
  act: (id: string, version: number, act: FittingAct) =>
    call(`/fittings/${id}/acts`, FittingDetailSchema, { method: 'POST', body: act, version }),
};
