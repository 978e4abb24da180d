/** What the label on a seat leads to, for somebody who never signed in. */
import { expect } from 'chai';
import { startApp, type App } from '../support/app';
import { readRows } from '../support/read-database';

const PASSPHRASE = 'grey seals at noon';
const PUBLIC = 'https://seats.skarrow.example';

describe('the label on a seat, without signing in', function () {
  this.timeout(60_000);
  let app: App;
  let token: string;
  let id: string;
  before(async () => {
    app = await startApp({
      args: ['--host', '0.0.0.0'],
      env: { VELTO_PASSPHRASE: PASSPHRASE, VELTO_PUBLIC_URL: PUBLIC, VELTO_CHECK_ANSWERS: '1' },
    });
    const [row] = await readRows(app.folder, "select id, token from pieces where tag = 'HC-02'");
    [id, token] = [String(row?.id), String(row?.token)];
  });
  after(() => app.stop());

  const ask = (path: string, init: RequestInit = {}) =>
    fetch(app.base + path, { redirect: 'manual', ...init });
  const report = (to: string, body: unknown, method = 'POST') =>
    ask(`/api/v1/labels/${to}/faults`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });

  it('shows the seat, that it must not be used, and its control sheet', async () => {
    const page = await ask(`/t/${token}`);
    expect(page.status).to.equal(200);
    expect(page.headers.get('cache-control')).to.equal('no-store');
    const html = await page.text();
    expect(html).to.include('HC-02: Lanternfold watch seat').and.include('Do not use this seat');
    for (const secret of [
      'Hedda',
      'Ines',
      'Harbour control',
      'Squeaks',
      'Sinks to',
      id,
      'velto-fitter',
      '/people',
    ])
      expect(html.includes(secret), secret).to.equal(false);
    expect(html).not.to.include('Open record');
    const sheet = await ask(`/api/v1/labels/${token}/controls.pdf`);
    expect(sheet.headers.get('content-type')).to.equal('application/pdf');
  });

  it('says of a label that leads nowhere that it is gone, and gives nothing else away', async () => {
    const gone = await ask(`/t/${'A'.repeat(22)}`);
    expect(gone.status).to.equal(404);
    expect(await gone.text()).to.include('This label no longer works');
    for (const path of [
      '/seats/tagged',
      `/seats/tagged/${id}`,
      `/t/${token}/`,
      `/t/${token}/../../seats`,
      `/t/%2e%2e/seats`,
      '/t/',
      `/t/${token}%2f..%2fseats`,
      `//t/${token}`,
      `/T/${token}`,
    ]) {
      const answer = await ask(path);
      expect(answer.status, path).to.be.oneOf([303, 400, 404]);
      expect(await answer.text(), path).not.to.include('Lanternfold');
    }
    for (const path of ['/tagged-seats', `/tagged-seats/${id}`, '/labels.pdf', `/labels/${id}/controls.pdf`])
      expect((await ask(`/api/v1${path}`)).status, path).to.be.oneOf([401, 404]);
  });

  it('takes a report and nothing more, and no more than so many an hour', async () => {
    expect((await report(token, { kind: 'cover', note: 'Torn.', doNotUse: true })).status).to.equal(422);
    expect((await report(token, { kind: 'explodes', note: '' })).status).to.equal(422);
    expect((await report(token, { kind: 'cover', note: 'x'.repeat(301) })).status).to.equal(422);
    expect((await report(id, { kind: 'cover' })).status).to.equal(404);
    expect((await report('A'.repeat(22), { kind: 'cover' })).status).to.equal(404);
    const first = await report(token, { kind: 'cover', note: 'Torn.' });
    expect(first.status).to.equal(201);
    expect(await first.json()).to.deep.equal({ reported: true });
    const statuses = [];
    for (let i = 0; i < 8; i++)
      statuses.push((await report(token, { kind: 'other', note: `no ${i}` })).status);
    expect(statuses).to.deep.equal([201, 201, 201, 201, 201, 429, 429, 429]);
    const last = await report(token, { kind: 'castor' });
    expect(Number(last.headers.get('retry-after'))).to.be.within(1, 3600);
    const [row] = await readRows(
      app.folder,
      `select count(*) as n, sum(do_not_use) as stops from piece_faults where piece_id = '${id}' and reported_by is null`,
    );
    expect(row).to.deep.include({ n: 7, stops: 0 });
  });

  it('has codes that lead to the public address', async () => {
    const signedIn = await ask('/api/v1/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ passphrase: PASSPHRASE }),
    });
    const cookie = signedIn.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const piece = (await (await ask(`/api/v1/tagged-seats/${id}`, { headers: { cookie } })).json()) as {
      labelUrl: string;
    };
    expect(piece.labelUrl).to.equal(`${PUBLIC}/t/${token}`);
    const page = await ask(`/t/${token}`, { headers: { cookie } });
    expect(await page.text()).to.include(`/seats/tagged/${id}`);
  });
});
