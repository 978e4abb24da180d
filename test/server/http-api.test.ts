import { spawnSync } from 'node:child_process';
import { expect } from 'chai';
import { SHIPPED_METHODS } from '../../src/core/method';
import { v7 } from 'uuid';
import {
  ChoicesSchema,
  type Choices,
  type FittingDetail,
  type FittingSummary,
  type ProblemDetails,
  type SitterDetail,
} from '../../src/contract';
import type { SeatListing } from '../../src/contract/catalogue';
import type { Page } from '../../src/contract/paging';
import { startApp, type App } from '../support/app';

interface Answer<T> {
  readonly status: number;
  readonly body: T;
  readonly headers: Headers;
}

describe('the API', () => {
  let app: App;
  before(async () => {
    app = await startApp({ env: { VELTO_CHECK_ANSWERS: '1' } });
  });
  after(() => app.stop());

  async function send<T>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer<T>> {
    const response = await fetch(`${app.base}/api/v1${path}`, {
      method,
      headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    return { status: response.status, body: (await response.json()) as T, headers: response.headers };
  }

  const newSitter = async () =>
    (await send<SitterDetail>('POST', '/sitters', { id: v7(), name: 'Api Sitter', birthDate: null })).body;

  it('creates, finds and reads a sitter', async () => {
    const sitter = await newSitter();
    const found = await send<Page<SitterDetail>>('GET', '/sitters?search=sit%20api');
    expect(found.body.items.map((s) => s.id)).to.include(sitter.id);
    const read = await send<SitterDetail>('GET', `/sitters/${sitter.id}`);
    expect(read.status).to.equal(200);
    expect(read.headers.get('etag')).to.equal('"1"');
    expect(read.headers.get('cache-control')).to.equal('no-store');
  });

  it('edits with If-Match and answers 412 with the record as it is', async () => {
    const sitter = await newSitter();
    const edited = await send<SitterDetail>(
      'PATCH',
      `/sitters/${sitter.id}`,
      { name: 'Once' },
      { 'if-match': '"1"' },
    );
    expect(edited.status).to.equal(200);
    expect(edited.headers.get('etag')).to.equal('"2"');
    const late = await send<ProblemDetails>(
      'PATCH',
      `/sitters/${sitter.id}`,
      { name: 'Twice' },
      { 'if-match': '"1"' },
    );
    expect(late.status).to.equal(412);
    expect((late.body.current as SitterDetail).name).to.equal('Once');
    const blind = await send<ProblemDetails>('PATCH', `/sitters/${sitter.id}`, { name: 'Blind' });
    expect(blind.status).to.equal(428);
  });

  it('says what is wrong as problem details with pointers to the fields', async () => {
    const wrong = await send<ProblemDetails>('POST', '/sitters', { id: 'seven', name: '' });
    expect(wrong.status).to.equal(422);
    expect(wrong.headers.get('content-type')).to.include('application/problem+json');
    expect(wrong.body.errors?.map((e) => e.pointer)).to.have.members(['/id', '/name', '/birthDate']);
    expect(wrong.body.type).to.equal('urn:velto:problem:invalid');
  });

  it('takes a reading and refuses one that no body has', async () => {
    const sitter = await newSitter();
    const taken = await send<SitterDetail>('PUT', `/sitters/${sitter.id}/readings`, {
      dimension: 'poplitealHeight',
      value: 420.5,
    });
    expect(taken.body.body.poplitealHeight?.value).to.equal(420.5);
    const refused = await send<ProblemDetails>('PUT', `/sitters/${sitter.id}/readings`, {
      dimension: 'poplitealHeight',
      value: 42,
    });
    expect(refused.status).to.equal(422);
    expect(refused.body.errors?.[0]?.pointer).to.equal('/value');
    const unknown = await send<ProblemDetails>('PUT', `/sitters/${sitter.id}/readings`, {
      dimension: 'wingspan',
      value: 42,
    });
    expect(unknown.body.errors?.[0]?.pointer).to.equal('/dimension');
  });

  it('goes from a fitting to its card', async () => {
    const sitter = await newSitter();
    for (const [dimension, value] of Object.entries({
      poplitealHeight: 420,
      shoeHeel: 25,
      bodyMass: 70,
      hipBreadthSitting: 370,
    })) {
      await send('PUT', `/sitters/${sitter.id}/readings`, { dimension, value });
    }
    const seats = (await send<Page<SeatListing>>('GET', '/seats')).body.items;
    const seat = seats.find((s) => s.facts?.seatClass === 'office')!;
    const fitting = (
      await send<FittingDetail>('POST', '/fittings', { id: v7(), sitterId: sitter.id, fitterId: null })
    ).body;
    const chosen = await send<FittingDetail>(
      'PATCH',
      `/fittings/${fitting.id}`,
      { seatVersionId: seat.versionId },
      { 'if-match': `"${fitting.version}"` },
    );
    expect(chosen.status).to.equal(200);
    const solved = await send<FittingDetail>(
      'POST',
      `/fittings/${fitting.id}/acts`,
      { act: 'solve' },
      { 'if-match': `"${chosen.body.version}"` },
    );
    expect(solved.body.draft?.settings.positions.seatHeight).to.be.a('number');
    const settings = { positions: { seatHeight: 30 }, remedies: { footrestMm: 0, backCushionMm: 0 } };
    const put = (headers: Record<string, string>) =>
      send<{ savedAt: string; revision: number }>(
        'PUT',
        `/fittings/${fitting.id}/settings`,
        settings,
        headers,
      );
    expect((await put({})).status).to.equal(428);
    const key = v7();
    const revision = { 'if-match': `"draft-${solved.body.draftRevision}"`, 'idempotency-key': key };
    const saved = await put(revision);
    expect(saved.status).to.equal(200);
    expect(saved.body.revision).to.equal(solved.body.draftRevision + 1);
    expect((await put(revision)).body).to.deep.equal(saved.body);
    expect((await put({ ...revision, 'idempotency-key': v7() })).status).to.equal(412);
    expect(
      (await put({ 'if-match': `"draft-${saved.body.revision}"`, 'idempotency-key': key })).status,
    ).to.equal(422);
    const choices = await send<Choices>('GET', `/fittings/${fitting.id}/choices?count=2`);
    expect(choices.status).to.equal(200);
    expect(ChoicesSchema.parse(choices.body)).to.deep.equal(choices.body);
    expect(choices.body.best.settings.positions).to.deep.equal(solved.body.draft?.settings.positions);
    expect(choices.body.next).to.have.length(2);
    expect(choices.body.best.boundMillionths).to.equal(choices.body.best.penaltyMillionths);
    for (const { hardTenths, penaltyMillionths } of choices.body.next)
      expect(hardTenths * 1e12 + penaltyMillionths).to.be.at.least(
        choices.body.best.hardTenths * 1e12 + choices.body.best.penaltyMillionths,
      );
    for (const count of ['9', '-1', '1.5', 'many'])
      expect((await send('GET', `/fittings/${fitting.id}/choices?count=${count}`)).status).to.equal(422);
    expect((await send('GET', `/fittings/${v7()}/choices`)).status).to.equal(404);
    const card = await send<{ settings: { adjustment: string; value: number }[] }>(
      'GET',
      `/fittings/${fitting.id}/card`,
    );
    expect(card.body.settings.find((s) => s.adjustment === 'seatHeight')?.value).to.be.closeTo(415 + 30, 5);
    const listed = (await send<Page<FittingSummary>>('GET', `/fittings?sitter=${sitter.id}`)).body.items;
    expect(listed.map((f) => f.id)).to.deep.equal([fitting.id]);
  });

  it('lists a page at a time, with a count, a link and filters', async () => {
    const seen: string[] = [];
    let path: string | null = '/sitters?limit=3';
    for (let pages = 0; path !== null && pages < 20; pages++) {
      const page: Answer<Page<SitterDetail>> = await send('GET', path);
      expect(page.body.items.length).to.be.at.most(3);
      seen.push(...page.body.items.map((s) => s.id));
      const next: string | undefined = /<\/api\/v1([^>]+)>; rel="next"/.exec(
        page.headers.get('link') ?? '',
      )?.[1];
      expect(next !== undefined).to.equal(page.body.next !== null);
      expect(page.body.total).to.be.at.least(seen.length);
      path = next ?? null;
    }
    const { body } = await send<Page<SitterDetail>>('GET', '/sitters?limit=200');
    expect(seen).to.deep.equal(body.items.map((s) => s.id));
    expect(new Set(seen).size).to.equal(body.total);
    const open = await send<Page<FittingSummary>>('GET', '/fittings?state=open');
    expect(new Set(open.body.items.map((f) => f.state))).to.deep.equal(new Set(['open']));
    const lost = await send<ProblemDetails>('GET', `/fittings?cursor=${v7()}`);
    expect(lost.body.errors?.[0]?.pointer).to.equal('/cursor');
  });

  it('refuses what it does not know, and says where: fields, parameters, twice the same', async () => {
    const misspelt = await send<ProblemDetails>('POST', '/sitters', {
      id: v7(),
      name: 'Misspelt',
      birthDate: null,
      birthdate: '1990-01-01',
    });
    expect(misspelt.status).to.equal(422);
    expect(misspelt.body.errors).to.deep.equal([
      { pointer: '/birthdate', detail: 'There is no such field here.' },
    ]);
    for (const [path, pointer] of [
      ['/sitters?serach=x', '/serach'],
      ['/sitters?limit=0', '/limit'],
      ['/sitters?limit=1&limit=2', '/limit'],
      ['/fittings?sitter=nobody', '/sitter'],
      ['/fittings?state=lost', '/state'],
      ['/tolerances?x=1', '/x'],
    ] as const) {
      const refused = await send<ProblemDetails>('GET', path);
      expect(refused.status, path).to.equal(422);
      expect(
        refused.body.errors?.map((e) => e.pointer),
        path,
      ).to.deep.equal([pointer]);
    }
  });

  it('takes the same id once: again with the same, not with anything else', async () => {
    const sitter = { id: v7(), name: 'Once Only', birthDate: '1990-05-05' };
    const first = await send<SitterDetail>('POST', '/sitters', sitter);
    expect(first.headers.get('location')).to.equal(`/api/v1/sitters/${sitter.id}`);
    expect((await send('POST', '/sitters', sitter)).status).to.equal(201);
    const other = await send<ProblemDetails>('POST', '/sitters', { ...sitter, name: 'Somebody Else' });
    expect(other.status).to.equal(409);
    expect(other.body.type).to.equal('urn:velto:problem:idInUse');
  });

  it('says which methods an address has, and never with a page', async () => {
    const wrong = await send<ProblemDetails>('DELETE', '/sitters');
    expect(wrong.status).to.equal(405);
    expect(wrong.headers.get('allow')).to.equal('GET, POST, HEAD, OPTIONS');
    expect(wrong.headers.get('content-type')).to.include('application/problem+json');
    const asked = await fetch(`${app.base}/api/v1/sitters`, { method: 'OPTIONS' });
    expect([asked.status, asked.headers.get('allow')]).to.deep.equal([204, 'GET, POST, HEAD, OPTIONS']);
    const page = await fetch(`${app.base}/people`, { method: 'POST' });
    expect([page.status, page.headers.get('allow')]).to.deep.equal([405, 'GET, HEAD']);
    const head = await fetch(`${app.base}/api/v1/seats`, { method: 'HEAD' });
    expect([head.status, await head.text()]).to.deep.equal([200, '']);
  });

  it('answers 304 where nothing personal forbids it, and nothing has changed', async () => {
    const { items } = (await send<Page<SeatListing>>('GET', '/seats?limit=1')).body;
    for (const path of ['/seats', `/seats/${items[0]!.versionId}`, '/methods/right-angle', '/openapi.json']) {
      const first = await fetch(`${app.base}/api/v1${path}`);
      await first.arrayBuffer();
      const tag = first.headers.get('etag')!;
      expect(tag, path).to.match(/^".+"$/);
      for (const known of [tag, `W/${tag}`, `"x", ${tag}`]) {
        const again = await fetch(`${app.base}/api/v1${path}`, { headers: { 'if-none-match': known } });
        expect(again.status, path).to.equal(304);
      }
    }
    const sitter = await newSitter();
    const personal = await fetch(`${app.base}/api/v1/sitters/${sitter.id}`, {
      headers: { 'if-none-match': '"1"' },
    });
    expect(personal.status).to.equal(200);
  });

  it('goes by weak tags and the star too, and says when a tag is of something else', async () => {
    const sitter = await newSitter();
    const edit = (tag: string, name: string) =>
      send<ProblemDetails>('PATCH', `/sitters/${sitter.id}`, { name }, { 'if-match': tag });
    expect((await edit('W/"1"', 'Weak')).status).to.equal(200);
    expect((await edit('*', 'Star')).status).to.equal(200);
    expect((await edit('"2"', 'Late')).status).to.equal(412);
    for (const odd of ['2', '"x"', '"draft-2"', '""'])
      expect((await edit(odd, 'Odd')).status, odd).to.equal(400);
    const merge = await fetch(`${app.base}/api/v1/sitters/${sitter.id}`, {
      method: 'PATCH',
      headers: { 'content-type': 'application/merge-patch+json', 'if-match': '"3"' },
      body: JSON.stringify({ name: 'Merged' }),
    });
    expect(merge.status).to.equal(200);
    const fitting = (
      await send<FittingDetail>('POST', '/fittings', { id: v7(), sitterId: sitter.id, fitterId: null })
    ).body;
    const draft = await send('GET', `/fittings/${fitting.id}/settings`);
    expect(draft.headers.get('etag')).to.equal(`"draft-${fitting.draftRevision}"`);
    const settings = { positions: {}, remedies: {} };
    const mixedUp = await send<ProblemDetails>('PUT', `/fittings/${fitting.id}/settings`, settings, {
      'if-match': `"${fitting.version}"`,
    });
    expect(mixedUp.body.type).to.equal('urn:velto:problem:wrongTag');
  });

  it('takes JSON and nothing that only looks like it', async () => {
    const body = JSON.stringify({ id: v7(), name: 'Typed', birthDate: null });
    for (const type of [
      'application/jsonx',
      'application/json; charset=utf-16',
      'application/merge-patch+json',
      'json',
    ]) {
      const refused = await fetch(`${app.base}/api/v1/sitters`, {
        method: 'POST',
        headers: { 'content-type': type },
        body,
      });
      expect(refused.status, type).to.equal(415);
    }
    const taken = await fetch(`${app.base}/api/v1/sitters`, {
      method: 'POST',
      headers: { 'content-type': 'Application/JSON; Charset="UTF-8"' },
      body,
    });
    expect(taken.status).to.equal(201);
  });

  it('keeps names free of what nobody sees', async () => {
    for (const odd of ['Ma\u200Bren', '\u202Enerol', 'Or\u2066la', 'St\uFEFFen', 'Ru\u00ADna', 'Ada\u200D'])
      expect((await send('POST', '/sitters', { id: v7(), name: odd, birthDate: null })).status, odd).to.equal(
        422,
      );
    for (const fine of ['Zoë O’Neil-Ström', '林 美玲', 'می\u200Cخواهم', 'नेहा'])
      expect(
        (await send('POST', '/sitters', { id: v7(), name: fine, birthDate: null })).status,
        fine,
      ).to.equal(201);
  });

  it('answers what is not there with 404, page and record alike', async () => {
    expect((await send('GET', `/sitters/${v7()}`)).status).to.equal(404);
    const page = await fetch(`${app.base}/people/${v7()}`);
    expect(page.status).to.equal(404);
    expect(await page.text()).to.include('No such record');
    const nowhere = await fetch(`${app.base}/nowhere/at/all`);
    expect(nowhere.status).to.equal(404);
    expect(await nowhere.text()).to.include('No such record');
    expect((await send<ProblemDetails>('GET', '/nothing')).body.title).to.equal('There is no such record');
  });

  it('refuses what is not JSON, too large or from another site', async () => {
    const text = await fetch(`${app.base}/api/v1/sitters`, {
      method: 'POST',
      headers: { 'content-type': 'text/plain' },
      body: '{}',
    });
    expect(text.status).to.equal(415);
    const broken = await fetch(`${app.base}/api/v1/sitters`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{',
    });
    expect(broken.status).to.equal(400);
    const large = await fetch(`${app.base}/api/v1/sitters`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: 'x'.repeat(1_100_000),
    });
    expect(large.status).to.equal(413);
    const foreign = await send<ProblemDetails>(
      'POST',
      '/sitters',
      { id: v7(), name: 'x', birthDate: null },
      { origin: 'http://elsewhere.example' },
    );
    expect(foreign.status).to.equal(403);
  });

  it('sends security headers with pages, files and answers', async () => {
    for (const path of ['/', '/mark.svg', '/api/v1/seats']) {
      const { headers } = await fetch(app.base + path);
      expect(headers.get('x-content-type-options'), path).to.equal('nosniff');
      expect(headers.get('x-frame-options'), path).to.equal('DENY');
      expect(headers.get('permissions-policy'), path).to.include('camera=()');
      expect(headers.get('cross-origin-opener-policy'), path).to.equal('same-origin');
      expect(headers.get('content-security-policy'), path).to.match(/script-src 'self' 'sha256-/);
    }
    const page = await (await fetch(app.base)).text();
    const script = /\/_astro\/[\w.-]+\.js/.exec(page)![0];
    const { headers } = await fetch(app.base + script);
    // A worker goes by the policy of its own file.
    expect(headers.get('content-security-policy')).to.match(/script-src 'self';.*frame-ancestors 'none'/);
    expect(headers.get('x-content-type-options')).to.equal('nosniff');
  });
});

describe('starting', () => {
  it('loads the demo once and keeps the data; the address is said last; a port that is taken is', async () => {
    const first = await startApp({ isFirst: true });
    expect(first.output[first.output.length - 1]).to.match(/^Velto is at http:\/\/127\.0\.0\.1:\d+\/$/);
    expect(first.output.join('\n')).to.include('demo records loaded');
    const id = v7();
    await fetch(`${first.base}/api/v1/sitters`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id, name: 'Kept', birthDate: null }),
    });
    const { port } = new URL(first.base);
    const other = spawnSync(
      process.execPath,
      ['dist/serve.mjs', '--port', port, '--data', `${first.folder}/second`],
      { encoding: 'utf8', timeout: 20_000 },
    );
    expect(other.status).to.equal(1);
    expect(other.stderr).to.include(`port ${port} is taken`);
    await first.end();
    const second = await startApp({ folder: first.folder });
    expect(second.output.join('\n')).not.to.include('demo records loaded');
    expect((await fetch(`${second.base}/api/v1/sitters/${id}`)).status).to.equal(200);
    await second.stop();
  });

  it('can start empty', async () => {
    const empty = await startApp({ isEmpty: true });
    expect(await (await fetch(`${empty.base}/api/v1/sitters`)).json()).to.deep.equal({
      items: [],
      total: 0,
      next: null,
    });
    expect(await (await fetch(`${empty.base}/api/v1/methods`)).json()).to.have.property(
      'total',
      SHIPPED_METHODS.length,
    );
    await empty.stop();
  });

  it('says what it does not understand and ends', () => {
    const wrong = spawnSync(process.execPath, ['dist/serve.mjs', '--prot', '4'], {
      encoding: 'utf8',
      timeout: 20_000,
    });
    expect(wrong.status).to.equal(1);
    expect(wrong.stderr).to.include('“--prot” is not understood');
  });
});
