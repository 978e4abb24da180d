/** What a private link to a card opens for somebody who never signed in, and that it opens nothing else. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import jsQR from 'jsqr';
import type { NewCardLink } from '../../src/contract';
import { startApp, type App } from '../support/app';
import { readRows } from '../support/read-database';

const PASSPHRASE = 'grey seals at noon';
const PUBLIC = 'https://seats.skarrow.example';
/** Of the picture that a page of paper becomes, dots an inch. */
const DPI = 110;

/** What a reader of codes makes of the first page of a paper. */
function codeOn(pdf: Uint8Array): string | null {
  const folder = mkdtempSync(join(tmpdir(), 'velto-code-'));
  try {
    writeFileSync(join(folder, 'a.pdf'), pdf);
    const picture = execFileSync('pdftoppm', ['-r', String(DPI), '-singlefile', join(folder, 'a.pdf')], {
      maxBuffer: 2 ** 26,
    });
    const head = /^P6\s+(\d+)\s+(\d+)\s+255\s/.exec(picture.subarray(0, 40).toString('latin1'))!;
    const [width, height] = [Number(head[1]), Number(head[2])];
    const pixels = new Uint8ClampedArray(width * height * 4).fill(255);
    for (let i = 0; i < width * height; i++)
      for (let c = 0; c < 3; c++) pixels[i * 4 + c] = picture[head[0].length + i * 3 + c]!;
    return jsQR(pixels, width, height, { inversionAttempts: 'dontInvert' })?.data ?? null;
  } finally {
    rmSync(folder, { recursive: true });
  }
}

describe('a private link to a card, without signing in', function () {
  this.timeout(60_000);
  let app: App;
  let cookie: string;
  let signed: string;
  let open: string;
  before(async () => {
    app = await startApp({
      args: ['--host', '0.0.0.0'],
      env: { VELTO_PASSPHRASE: PASSPHRASE, VELTO_PUBLIC_URL: PUBLIC, VELTO_CHECK_ANSWERS: '1' },
    });
    const entered = await fetch(`${app.base}/api/v1/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ passphrase: PASSPHRASE }),
    });
    cookie = entered.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const id = async (state: string) =>
      String(
        (
          await readRows(app.folder, `select id from fittings where state = '${state}' order by id limit 1`)
        )[0]?.id,
      );
    [signed, open] = [await id('left'), await id('open')];
  });
  after(() => app.stop());

  const ask = (path: string, init: RequestInit = {}) =>
    fetch(app.base + path, { redirect: 'manual', ...init });
  const inside = (method: string, path: string) =>
    ask(`/api/v1${path}`, { method, headers: { cookie, 'content-type': 'application/json' } });
  const added = async () => (await (await inside('POST', `/fittings/${signed}/links`)).json()) as NewCardLink;

  it('shows the card and its paper, and keeps both out of caches and searches', async () => {
    const { path, token, url, code } = await added();
    expect(url).to.equal(PUBLIC + path);
    expect(code!.path).to.match(/^M/);
    const page = await ask(path);
    expect(page.status).to.equal(200);
    expect(page.headers.get('cache-control')).to.equal('no-store');
    expect(page.headers.get('x-robots-tag')).to.include('noindex');
    const html = await page.text();
    expect(html).to.include('Your seat').and.include('Odd Quillsay').and.include('Keep moving');
    // No more than the card: nothing leads on, and nothing of the record stands in it.
    const leads = [...html.matchAll(/href="([^"]*)"/g)].map((m) => m[1]!);
    expect(leads.filter((href) => !/^\/(?:_astro|mark\.svg)|^\/api\/v1\/cards\//.test(href))).to.deep.equal(
      [],
    );
    for (const secret of [signed, 'poplitealHeight', 'bodyMass', 'inputs', '/people', 'velto-fitter'])
      expect(html.includes(secret), secret).to.equal(false);
    const paper = await ask(`/api/v1/cards/${token}/card.pdf`);
    expect(paper.headers.get('content-type')).to.equal('application/pdf');
    expect(paper.headers.get('cache-control')).to.equal('no-store');
  });

  it('is on paper as a code that a reader reads, on every form', async () => {
    const { token, url } = await added();
    for (const how of [
      'form=record',
      'form=sitter',
      'form=shared',
      'form=pocket',
      'form=pocket&paper=Letter',
    ]) {
      const at = `/fittings/${signed}/card.pdf?${how}&link=${token}`;
      const pdf = await inside('GET', at);
      expect(pdf.status, at).to.equal(200);
      expect(codeOn(new Uint8Array(await pdf.arrayBuffer())), at).to.equal(url);
    }
    const bare = await inside('GET', `/fittings/${signed}/card.pdf?form=sitter`);
    expect(codeOn(new Uint8Array(await bare.arrayBuffer()))).to.equal(null);
  });

  it('opens nothing once it is withdrawn, and nothing by another address', async () => {
    const { id, path, token } = await added();
    expect((await ask(path)).status).to.equal(200);
    for (const way of [
      `${path}/`,
      `${path}/../../people`,
      `/c/%2e%2e/people`,
      '/c/',
      '/c',
      `//c/${token}`,
      `/C/${token}`,
      `/c/${token}%2f..%2fpeople`,
      `/c/${token.slice(0, 21)}`,
    ]) {
      const answer = await ask(way);
      expect(answer.status, way).to.be.oneOf([303, 400, 404]);
      expect(await answer.text(), way).not.to.include('Quillsay');
    }
    for (const closed of [
      `/fittings/${signed}/card`,
      `/fittings/${signed}/card.pdf?link=${token}`,
      `/fittings/${signed}/links`,
    ])
      expect((await ask(`/api/v1${closed}`)).status, closed).to.equal(401);
    for (const method of ['POST', 'DELETE'])
      expect((await ask(`/api/v1/cards/${token}/card.pdf`, { method })).status, method).to.be.oneOf([
        404, 405,
      ]);
    expect((await ask(`/api/v1/links/${id}`, { method: 'DELETE' })).status).to.equal(401);
    expect((await inside('DELETE', `/links/${id}`)).status).to.equal(200);
    const gone = await ask(path);
    expect(gone.status).to.equal(404);
    expect(await gone.text())
      .to.include('not shown here any more')
      .and.not.include('Quillsay');
    expect((await ask(`/api/v1/cards/${token}/card.pdf`)).status).to.equal(404);
    expect((await inside('GET', `/fittings/${signed}/card.pdf?link=${token}`)).status).to.equal(422);
  });

  it('says what is wrong with what is asked for', async () => {
    const refused = await inside('POST', `/fittings/${open}/links`);
    expect(refused.status).to.equal(409);
    expect(await refused.text()).to.include('sign the fitting off first');
    for (const query of ['form=large', 'link=x', 'link=', 'sort=1'])
      expect((await inside('GET', `/fittings/${signed}/card.pdf?${query}`)).status, query).to.equal(422);
  });
});
