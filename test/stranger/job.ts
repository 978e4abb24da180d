/**
 * The main job, done by somebody who knows nothing but the description: types and paths come from it. Type-checked and
 * run by test/server/stranger.test.ts, which makes `paths` first.
 */
import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from './paths';

export interface Done {
  readonly sitter: components['schemas']['SitterDetail'];
  readonly solved: components['schemas']['FittingDetail'];
  readonly saved: components['schemas']['SavedDraft'];
  readonly card: components['schemas']['Card'];
  readonly pages: number;
  readonly pdf: string;
}

const MEASURED = {
  poplitealHeight: 440,
  buttockPoplitealLength: 495,
  bodyMass: 75,
  hipBreadthSitting: 360,
  shoeHeel: 25,
  elbowHeightSitting: 245,
} as const;

/** Signs in, adds a person, measures, chooses a seat, solves, changes a setting, signs off, prints. */
export async function doTheMainJob(base: string, passphrase: string, newId: () => string): Promise<Done> {
  const client = createClient<paths>({ baseUrl: `${base}/api/v1` });
  const cookies: string[] = [];
  const session: Middleware = {
    onRequest: ({ request }) => {
      if (cookies.length > 0) request.headers.set('cookie', cookies.join('; '));
      return request;
    },
  };
  client.use(session);
  const { response } = await client.POST('/session', { body: { passphrase } });
  cookies.push(...response.headers.getSetCookie().map((cookie) => cookie.split(';')[0]!));

  const fitter = newId();
  await client.POST('/fitters', { body: { id: fitter, name: 'Orla Fenn' } });
  const who = { 'Velto-Fitter': fitter };
  const id = newId();
  const made = await client.POST('/sitters', {
    params: { header: who },
    body: { id, name: 'Sten Karr', birthDate: null },
  });
  if (made.error) throw new Error(JSON.stringify(made.error));
  const followed = await fetch(base + made.response.headers.get('location')!, {
    headers: { cookie: cookies.join('; ') },
  });
  if (!followed.ok) throw new Error('Location leads nowhere');
  for (const [dimension, value] of Object.entries(MEASURED)) {
    const taken = await client.PUT('/sitters/{id}/readings', {
      params: { path: { id }, header: who },
      body: { dimension: dimension as keyof typeof MEASURED, value, seenReading: null },
    });
    if (taken.error) throw new Error(JSON.stringify(taken.error));
  }
  const sitter = (await client.GET('/sitters/{id}', { params: { path: { id } } })).data!;

  let pages = 0;
  let seat: components['schemas']['SeatListing'] | undefined;
  for (let cursor: string | undefined, more = true; more; pages++) {
    const page = await client.GET('/seats', {
      params: { query: { limit: 3, ...(cursor ? { cursor } : {}) } },
    });
    seat ??= page.data!.items.find((s) => s.facts?.seatClass === 'office');
    more = page.data!.next !== null;
    cursor = page.data!.next ?? undefined;
  }
  const fittingId = newId();
  const opened = await client.POST('/fittings', {
    params: { header: who },
    body: { id: fittingId, sitterId: id, fitterId: fitter },
  });
  const path = { id: fittingId };
  const chosen = await client.PATCH('/fittings/{id}', {
    params: { path, header: { 'If-Match': opened.response.headers.get('etag')! } },
    body: { seatVersionId: seat!.versionId },
  });
  const solved = await client.POST('/fittings/{id}/acts', {
    params: { path, header: { 'If-Match': chosen.response.headers.get('etag')! } },
    body: { act: 'solve' },
  });
  if (solved.error) throw new Error(JSON.stringify(solved.error));
  const draft = await client.GET('/fittings/{id}/settings', { params: { path } });
  const positions = draft.data!.settings.positions;
  const saved = await client.PUT('/fittings/{id}/settings', {
    params: { path, header: { 'If-Match': draft.response.headers.get('etag')! } },
    body: {
      positions: { ...positions, seatHeight: positions.seatHeight! + 1 },
      remedies: draft.data!.settings.remedies,
      held: ['seatHeight'],
    },
  });
  if (saved.error) throw new Error(JSON.stringify(saved.error));
  const left = await client.POST('/fittings/{id}/acts', {
    params: { path, header: { 'If-Match': solved.response.headers.get('etag')! } },
    body: { act: 'signOff' },
  });
  if (left.error) throw new Error(JSON.stringify(left.error));
  const card = await client.GET('/fittings/{id}/card', { params: { path, query: { units: 'cm' } } });
  const printed = await client.GET('/fittings/{id}/card.pdf', {
    params: { path, query: { paper: 'Letter' } },
    parseAs: 'text',
  });
  return {
    sitter,
    solved: solved.data!,
    saved: saved.data!,
    card: card.data!,
    pages,
    pdf: printed.data! as unknown as string,
  };
}
