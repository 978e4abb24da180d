/** The one way from a screen to the API: typed by its table of operations; every failure comes in a closed form. */
import type { AnswerOf, ArgumentsOf, Operation } from '../api/types';
import type {
  DraftEdit,
  FittingAct,
  FittingEdit,
  Hand,
  MeasuringSessionEdit,
  NewFitter,
  NewFitting,
  NewSitter,
  NewTable,
  PlaceEdit,
  ProblemDetails,
  ReadingEdit,
  OfferedSeat,
  SitterEdit,
  TableEdit,
} from '../contract';
import type { NewWalk, NewWalkEvents } from '../contract/walks';
import type { Method } from '../core/method';
import type { RecordState } from '../contract/catalogue';
import type { SeatClass, SeatModel } from '../core/seat';
import type { Tolerances } from '../core/measuring';
import { ClientError } from './client-error';
import { newId } from './ids';
import { refreshKeptPage } from './kept-pages';

/** A connection that says nothing for this long counts as lost, ms. */
const LONGEST_WAIT_MS = 8000;
const API = '/api/v1';

export { ClientError, currentOf, explain } from './client-error';

interface CallOptions {
  /** In place of `body`, where it is JSON already. */
  readonly json?: Blob;
  /** Nothing that a page shows is changed by it. */
  readonly isAside?: boolean;
  /** What was edited, for `If-Match`: the version of a record. */
  readonly version?: number;
  /** As `version`: the revision of draft settings. */
  readonly revision?: number;
  /** Names the request, so that sent twice it is done once; made here unless the sender keeps one. */
  readonly key?: string;
  /** Lets the request outlive the page, for what is saved on leaving it. */
  readonly keepalive?: boolean;
}

interface LooseArguments {
  readonly id?: string;
  readonly query?: Readonly<Record<string, unknown>>;
  readonly body?: unknown;
}

function addressOf(path: string, { id, query }: LooseArguments): string {
  const given = Object.entries(query ?? {}).filter(([, value]) => value !== undefined && value !== '');
  const search = new URLSearchParams(given.map(([name, value]) => [name, String(value)])).toString();
  return `${API}${path.replace('{id}', encodeURIComponent(id ?? ''))}${search && `?${search}`}`;
}

/** Sends one request of the table: `call('GET /sitters/{id}', { id })`. */
export async function call<K extends Operation>(
  operation: K,
  given: ArgumentsOf<K>,
  { json, isAside = false, version, revision, key, keepalive = false }: CallOptions = {},
): Promise<AnswerOf<K>> {
  const [method = 'GET', path = ''] = operation.split(' ');
  const loose = given as LooseArguments;
  const sent = json ?? (loose.body === undefined ? undefined : JSON.stringify(loose.body));
  const headers: Record<string, string> = {};
  if (sent !== undefined) headers['content-type'] = 'application/json';
  if (version !== undefined) headers['if-match'] = `"${version}"`;
  if (revision !== undefined) headers['if-match'] = `"draft-${revision}"`;
  if (method !== 'GET') headers['idempotency-key'] = key ?? newId();
  const request = { method, headers, keepalive, ...(sent === undefined ? {} : { body: sent }) };
  const response = await fetchTwice(addressOf(path, loose), request);
  if (!response.ok) throw new ClientError('refused', await problemOf(response));
  if (method !== 'GET' && !isAside) refreshKeptPage();
  try {
    return (await response.json()) as AnswerOf<K>;
  } catch {
    throw new ClientError('unreadable', null);
  }
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

const LARGEST_PAGE = 200;

interface Paged<T> {
  readonly items: readonly T[];
  readonly next: string | null;
}

/** Every item of a list that is short by nature: page after page. */
async function everyItem<T>(page: (cursor: string | undefined) => Promise<Paged<T>>): Promise<T[]> {
  const all: T[] = [];
  let cursor: string | undefined;
  do {
    const { items, next } = await page(cursor);
    all.push(...items);
    cursor = next ?? undefined;
  } while (cursor !== undefined);
  return all;
}

const limit = LARGEST_PAGE;

export const api = {
  sitters: (search: string, cursor?: string) => call('GET /sitters', { query: { search, cursor } }),
  createSitter: (body: NewSitter) => call('POST /sitters', { body }),
  editSitter: (id: string, version: number, body: SitterEdit) =>
    call('PATCH /sitters/{id}', { id, body }, { version }),
  deleteSitter: (id: string) => call('DELETE /sitters/{id}', { id }),
  restoreSitter: (id: string) => call('POST /sitters/{id}/restore', { id }),
  takeReading: (id: string, body: ReadingEdit, key: string) =>
    call('PUT /sitters/{id}/readings', { id, body }, { key, keepalive: true }),
  measuringSessions: (id: string) =>
    everyItem((cursor) => call('GET /sitters/{id}/measuring-sessions', { id, query: { cursor, limit } })),
  saveMeasuringSession: (id: string, body: MeasuringSessionEdit, version: number | null, key: string) =>
    call(
      'PUT /sitters/{id}/measuring-sessions',
      { id, body },
      { key, keepalive: true, ...(version === null ? {} : { version }) },
    ),
  /** Body-size tables, as far as they can be read. */
  tables: async () => {
    const items = await everyItem((cursor) => call('GET /tables', { query: { cursor, limit } }));
    return items.flatMap((item) => ('table' in item ? [item] : []));
  },
  addTable: (body: NewTable) => call('POST /tables', { body }),
  editTable: (id: string, body: TableEdit) => call('PATCH /tables/{id}', { id, body }),
  createMethod: (body: Method) => call('POST /methods', { body }),
  editMethod: (body: Method, version: number) =>
    call('PUT /methods/{id}', { id: body.id, body }, { version }),
  saveHand: (id: string, version: number, body: Hand) =>
    call('PUT /fitters/{id}', { id, body }, { version, keepalive: true }),
  addFitter: (body: NewFitter) => call('POST /fitters', { body }),
  saveTolerances: (version: number, body: Tolerances) =>
    call('PUT /tolerances', { body }, { version, keepalive: true }),
  createPlace: (body: PlaceEdit) => call('POST /places', { body }),
  editPlace: (body: PlaceEdit, version: number) =>
    call('PUT /places/{id}', { id: body.id, body }, { version }),
  /** Seats in full, those of one class first, as far as they can be read and a page holds them. */
  seatsFrom: async (seatClass: SeatClass): Promise<OfferedSeat[]> => {
    const [first, rest] = await Promise.all([
      call('GET /seats', { query: { class: seatClass, include: 'document', limit } }),
      call('GET /seats', { query: { include: 'document', limit } }),
    ]);
    const others = rest.items.filter(({ id }) => !first.items.some((item) => item.id === id));
    return [...first.items, ...others].flatMap(({ versionId, version, state, seat }) =>
      seat ? [{ versionId, version, state, seat }] : [],
    );
  },
  createSeat: (body: SeatModel) => call('POST /seats', { body }),
  editSeat: (body: SeatModel, version: number) => call('PUT /seats/{id}', { id: body.id, body }, { version }),
  putSeatState: (id: string, version: number, state: RecordState) =>
    call('PATCH /seats/{id}', { id, body: { state } }, { version }),
  fittings: (cursor?: string, sitter?: string) => call('GET /fittings', { query: { cursor, sitter } }),
  fitting: (id: string) => call('GET /fittings/{id}', { id }),
  createFitting: (body: NewFitting) => call('POST /fittings', { body }),
  editFitting: (id: string, version: number, body: FittingEdit) =>
    call('PATCH /fittings/{id}', { id, body }, { version }),
  deleteFitting: (id: string) => call('DELETE /fittings/{id}', { id }),
  restoreFitting: (id: string) => call('POST /fittings/{id}/restore', { id }),
  saveSettings: (id: string, revision: number, body: DraftEdit, key: string) =>
    call('PUT /fittings/{id}/settings', { id, body }, { revision, key, keepalive: true }),
  walk: (id: string) => call('GET /fittings/{id}/walk', { id }),
  beginWalk: (id: string, body: NewWalk) => call('POST /fittings/{id}/walk', { id, body }),
  addWalkEvents: (id: string, body: NewWalkEvents, key: string) =>
    call('POST /fittings/{id}/walk/events', { id, body }, { key, keepalive: true }),
  act: (id: string, version: number, body: FittingAct) =>
    call('POST /fittings/{id}/acts', { id, body }, { version }),
  signIn: (passphrase: string) => call('POST /session', { body: { passphrase } }),
  signOut: () => call('DELETE /session', {}),
};
