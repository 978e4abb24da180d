/** Requests that nobody would send: nearly right bodies, wrong types, odd texts, at every operation of the table. */
import fc from 'fast-check';
import { isFileType, methodOf, pathOf, type AnyRoute } from '../../src/api/route';
import { ROUTES } from '../../src/api/table';
import { DIMENSION_IDS } from '../../src/core/body';
import { ADJUSTMENT_KIND_IDS } from '../../src/core/seat';

const AT_ONCE = 16;

export interface Hostile {
  readonly method: string;
  readonly path: string;
  readonly headers: Record<string, string>;
  readonly body: string | Uint8Array | null;
}

const TEXTS = [
  '',
  ' ',
  '<script>alert(1)</script>',
  "'; drop table sitters; --",
  '\u0000',
  '\uFEFF',
  '𝕏'.repeat(40),
  'ø'.repeat(130),
  '../../etc/passwd',
  '%00',
  '{}',
  'null',
  'NaN',
  '١٢٣',
  '\u202Eabc',
];
const NUMBERS = [0, -0, -1, 1e308, -1e308, 1.5, 2 ** 53, 1e-320, 4294967296];

const anyId = fc.oneof(
  fc.uuid(),
  fc.constantFrom('1', 'null', '..%2f..', '%00', 'a'.repeat(300), '00000000-0000-0000-0000-000000000000'),
);
const anyValue: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom(...TEXTS),
  fc.constantFrom(...NUMBERS),
  fc.boolean(),
  fc.constant(null),
  fc.jsonValue({ maxDepth: 3 }),
  anyId,
);

/** Bodies that are nearly right: the fields of the endpoint with something else in them, or missing, or too many. */
const FIELDS = [
  'id',
  'name',
  'birthDate',
  'dimension',
  'value',
  'task',
  'desk',
  'deskThicknessMm',
  'keyboardThicknessMm',
  'notes',
  'sitterId',
  'fitterId',
  'seatVersionId',
  'placeVersionId',
  'methodVersionId',
  'toolsKg',
  'positions',
  'remedies',
  'act',
  'settings',
  '__proto__',
  'constructor',
];
const nearlyRight = fc
  .dictionary(fc.constantFrom(...FIELDS), anyValue, { maxKeys: 8 })
  .map((body) => JSON.stringify(body));
const hostileName = fc.oneof(
  fc.constantFrom(...TEXTS),
  fc.constantFrom('Plain Name', 'Øyvind 100%', "O'Neil; --"),
  // Twice, so that enough of what is made is right throughout.
  fc.constantFrom('Plain Name', 'Øyvind 100%', 'Ylva'),
);

/** A control that waits for itself and gives more both ways. */
const HOSTILE_CONTROL = {
  id: '__proto__',
  name: '<script>alert(1)</script>',
  kind: 'lever',
  hand: 'right',
  place: '../../etc/passwd',
  latch: 'none',
  scale: { type: 'none' },
  moves: (['up', 'down'] as const).map((directionForMore) => ({
    adjustmentId: 'seatHeight',
    action: 'liftAndHold',
    directionForMore,
    sitter: { forMore: 'nothing', forLess: 'nothing' },
    preconditions: [{ of: 'seatHeight', is: 'x' }],
  })),
};

/** For each kind of body one of the right form, with the worst that the form allows. */
const RIGHT_FORM: Readonly<Record<string, fc.Arbitrary<unknown>>> = {
  createSitter: fc.record({
    id: fc.uuid({ version: 7 }),
    name: hostileName,
    birthDate: fc.constantFrom(null, '2020-02-29', '0001-01-01', '9999-12-31'),
  }),
  editSitter: fc.record({ name: hostileName }),
  takeReading: fc.record({
    dimension: fc.constantFrom(...DIMENSION_IDS),
    value: fc.constantFrom(null, 420, ...NUMBERS),
    takes: fc.constantFrom(undefined, [420], [420, 421, 422], [1e-300, 1e300]),
    session: fc.constantFrom(undefined, '00000000-0000-7000-8000-000000000000'),
  }),
  saveMeasuringSession: fc.record({
    id: fc.uuid({ version: 7 }),
    shoesOn: fc.boolean(),
    clothes: hostileName,
    notes: hostileName,
  }),
  lookUpPeople: fc.record({
    people: fc.array(fc.record({ id: fc.constant(null), name: hostileName, birthDate: fc.constant(null) }), {
      maxLength: 3,
    }),
  }),
  sendImportPart: fc.record({
    file: hostileName,
    number: fc.constantFrom(0, 1, 20_000),
    people: fc.array(
      fc.record({
        name: hostileName,
        isNickname: fc.boolean(),
        birthDate: fc.constantFrom(null, '2020-02-29', '0001-01-01'),
        sex: fc.constant(null),
        tableId: fc.constantFrom(null, 'none'),
        consentOn: fc.constant(null),
        consentBy: fc.constant(null),
        sessions: fc.constant([]),
        readings: fc.constantFrom(
          [],
          [{ dimension: 'stature', value: 1700, unit: 'mm' }],
          [{ dimension: 'stature', value: 1e300, unit: 'mm' }],
        ),
      }),
      { minLength: 1, maxLength: 2 },
    ),
  }),
  saveTolerances: fc.dictionary(fc.constantFrom(...DIMENSION_IDS), fc.constantFrom(1, 5, ...NUMBERS), {
    maxKeys: 3,
  }),
  beginImport: fc.record({ parts: fc.constantFrom(1, 2), existing: fc.constantFrom('leave', 'add') }),
  createTable: fc.record({
    id: fc.uuid({ version: 7 }),
    name: hostileName,
    source: hostileName,
    csv: hostileName,
  }),
  createFitter: fc.record({ id: fc.uuid({ version: 7 }), name: hostileName }),
  createPlace: fc.record({
    id: fc.uuid({ version: 7 }),
    name: hostileName,
    task: fc.constant('writing'),
    desk: fc.constant(null),
    deskThicknessMm: fc.constantFrom(0, 1e-300, 400),
    keyboardThicknessMm: fc.constantFrom(0, 100),
    needs: fc.constantFrom([], ['harness'], ['nothing']),
    seatClasses: fc.constantFrom([], ['office']),
    notes: hostileName,
  }),
  createSeat: fc.record({
    schema: fc.constantFrom(2, 1, '2'),
    id: fc.uuid({ version: 7 }),
    name: hostileName,
    seatClass: fc.constantFrom('office', 'ordinary'),
    ratedLoadKg: fc.constant(null),
    seatWidthMm: fc.constant(null),
    cushion: fc.record({
      sinkMm: fc.constant(null),
      referenceMassKg: fc.constantFrom(75, ...NUMBERS),
      heightsAre: fc.constantFrom('loaded', 'empty'),
    }),
    pan: fc.constant({ axisFromRearMm: null, recessMm: null, frontEdgeRadiusMm: null }),
    back: fc.constant({ topMm: null, synchroRatio: null }),
    arms: fc.constant(null),
    offers: fc.constantFrom([], ['glides'], ['glides', 'bolted']),
    states: fc.constantFrom([], [{ id: 'off', kind: 'armsOff', removes: ['__proto__'] }]),
    strappedCushions: fc.constant([]),
    adjustments: fc.constantFrom(
      ...[[400], [400, 450], [450, 400], [1e300], []].map((heights) => [
        {
          id: 'seatHeight',
          kind: 'seatHeight',
          side: 'both',
          unit: 'mm',
          travel: {
            type: 'listed',
            values: heights.map((value) => ({
              value,
              basis: 'stated',
              spread: 0,
              source: '',
              takenAt: null,
              takenBy: null,
            })),
          },
          holds: { how: 'notched' },
        },
      ]),
    ),
    controls: fc.constantFrom([], [], [], [], [HOSTILE_CONTROL]),
    procedures: fc.constantFrom(
      [],
      [],
      [],
      [],
      [{ id: 'one', kind: 'own', controlId: '__proto__', steps: [] }],
    ),
    notes: hostileName,
  }),
  createFitting: fc.record({
    id: fc.uuid({ version: 7 }),
    sitterId: fc.uuid(),
    fitterId: fc.constantFrom(null, '00000000-0000-7000-8000-000000000000'),
  }),
  editFitting: fc.record({
    toolsKg: fc.constantFrom(0, 1e-300, 99.999999),
    seatVersionId: fc.constantFrom(null, '00000000-0000-7000-8000-000000000000'),
  }),
  actOnFitting: fc.record({ act: fc.constantFrom('solve', 'signOff', 'reopen') }),
  saveSettings: fc.record({
    positions: fc.dictionary(fc.constantFrom(...ADJUSTMENT_KIND_IDS), fc.constantFrom(0, 1, 5, 5000), {
      maxKeys: 2,
    }),
    remedies: fc.record({
      footrestMm: fc.constantFrom(0, 1e-9, 400),
      backCushionMm: fc.constantFrom(0, 200),
    }),
  }),
};
const rightForm = (route: AnyRoute): fc.Arbitrary<string> =>
  route.body
    ? (RIGHT_FORM[route.operationId] ?? fc.constant(route.example)).map((body) => JSON.stringify(body))
    : fc.constant('');

const deep = fc.integer({ min: 50, max: 3000 }).map((depth) => '['.repeat(depth) + ']'.repeat(depth));
const notJson = fc.constantFrom(
  '{',
  '[1,',
  '{"a":NaN}',
  '{"value":Infinity}',
  '\uFEFF{}',
  'undefined',
  '"',
  '{"a":1}{"b":2}',
  '',
);
const bytes = fc.uint8Array({ minLength: 1, maxLength: 200 });

const anyHeaders = fc.record({
  'content-type': fc.constantFrom(
    'application/json',
    'application/json',
    'application/json',
    'application/json',
    'application/merge-patch+json',
    'application/json; charset=utf-16',
    'text/plain',
    'application/xml',
    'multipart/form-data',
  ),
  'if-match': fc.constantFrom(
    '"1"',
    '"draft-1"',
    '"4"',
    '1',
    '*',
    '"-1"',
    '"99999999999999999999"',
    'W/"1"',
    '',
  ),
  origin: fc.constantFrom(null, null, null, 'http://elsewhere.example', 'null'),
});

export function hostileOf(ids: readonly string[]): fc.Arbitrary<Hostile> {
  const someId = fc.oneof(fc.constantFrom(...ids), anyId);
  const on = (endpoint: AnyRoute) =>
    fc
      .record({
        id: someId,
        query: fc.oneof(
          { weight: 3, arbitrary: fc.constant('') },
          fc.constantFrom(
            '?limit=0',
            '?limit=1e9',
            '?limit=2&limit=3',
            '?cursor=x',
            '?units=in',
            '?paper=A4',
            '?__proto__=1',
          ),
          fc
            .constantFrom(...TEXTS)
            .map((t) => `?search=${encodeURIComponent(t)}&sitter=${encodeURIComponent(t)}`),
        ),
        headers: anyHeaders,
        body: fc.oneof(
          { weight: 4, arbitrary: nearlyRight },
          { weight: 12, arbitrary: rightForm(endpoint) },
          deep,
          notJson,
          bytes,
        ),
        method: fc.oneof(
          { weight: 11, arbitrary: fc.constant(null) },
          fc.constantFrom('DELETE', 'OPTIONS', 'PATCH'),
        ),
      })
      .map(({ id, query, headers, body, method }) => {
        const verb = method ?? methodOf(endpoint);
        const given: Record<string, string> = {};
        for (const [name, value] of Object.entries(headers)) if (value !== null) given[name] = value;
        return {
          method: verb,
          path: `/api/v1${pathOf(endpoint).replace('{id}', encodeURIComponent(id).replace(/^\.+$/, 'dots'))}${query}`,
          headers: given,
          body: verb === 'GET' ? null : body,
        };
      });
  // What makes records comes more often, for there are few such endpoints; whole papers and files half as often.
  const records = ROUTES.filter((r) => !isFileType(r.answer as never));
  const makers = ROUTES.filter((r) => r.status === 201);
  const oftener = Array.from({ length: 9 }, () => makers).flat();
  return fc.constantFrom(...ROUTES, ...records, ...oftener).chain(on);
}

export interface HostileOutcome {
  readonly statuses: ReadonlyMap<number, number>;
  /** Answers that no request deserves: a fault of ours, or one that says too much. */
  readonly faults: readonly string[];
}

/**
 * A connection that was kept open may be closed in the very moment in which something is sent on it: as browsers do, it
 * is sent once more. A server that is gone does not answer that either.
 */
async function sentTwice(url: string, init: RequestInit): Promise<Response> {
  try {
    return await fetch(url, init);
  } catch (error) {
    const { cause } = error as { cause?: { code?: string } };
    if (cause?.code !== 'ECONNRESET') throw error;
    return fetch(url, init);
  }
}

/** Sends them all, several at once, and gives what came of it. */
export async function sendHostile(
  base: string,
  ids: readonly string[],
  count: number,
  seed: number,
): Promise<HostileOutcome> {
  const statuses = new Map<number, number>();
  const faults: string[] = [];
  // Drawn a part at a time: a hundred thousand at once would fill the memory.
  for (let from = 0; from < count; from += A_DRAW) {
    const queue = fc.sample(hostileOf(ids), { numRuns: Math.min(A_DRAW, count - from), seed: seed + from });
    const work = async () => {
      for (let next = queue.pop(); next; next = queue.pop()) {
        const response = await sentTwice(base + next.path, {
          method: next.method,
          headers: next.headers,
          ...(next.body === null ? {} : { body: next.body as string }),
        });
        const text = await response.text();
        const { status } = response;
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
        if (status >= 500 && !(status === 503 && response.headers.has('retry-after')))
          faults.push(`${status} ${next.method} ${next.path} ${String(next.body).slice(0, 200)}`);
        if (/SQLITE|drizzle|at .*\.m?js:\d+/.test(text)) faults.push(`says too much: ${text.slice(0, 200)}`);
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, work));
  }
  return { statuses, faults };
}

const A_DRAW = 10_000;
