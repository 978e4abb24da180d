/** Every page and every operation, asked by those who may and by those who may not. */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { v7 } from 'uuid';
import { ROUTES } from '../../src/api/table';
import { methodOf, pathOf, type AnyRoute } from '../../src/api/route';
import * as card from '../../src/service/card';
import * as cardLinks from '../../src/service/card-links';
import * as catalogue from '../../src/service/catalogue';
import * as shelf from '../../src/service/shelf';
import * as exchange from '../../src/service/exchange';
import * as fittings from '../../src/service/fittings';
import * as importing from '../../src/service/importing';
import * as labels from '../../src/service/labels';
import * as measuring from '../../src/service/measuring';
import * as pieces from '../../src/service/pieces';
import * as sitters from '../../src/service/sitters';
import * as tables from '../../src/service/tables';
import * as walks from '../../src/service/walks';
import { UNNAMED_FITTER, VISITOR, mayNot, type Guarded } from '../../src/service/rights';
import { openBench, type Bench } from '../support/context';
import { startApp, type App } from '../support/app';
import { PATH_TRICKS } from '../support/path-tricks';
import { askRaw, sendRaw } from '../support/raw-request';
import { readRows } from '../support/read-database';

const PASSPHRASE = 'grey seals at noon';
const PAGES = join('src', 'pages');

/** Addresses of all pages, with the records' ids in them. */
function pages(ids: Readonly<Record<string, string>>): string[] {
  return (
    readdirSync(PAGES, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && entry.name.endsWith('.astro'))
      .map((entry) =>
        join(entry.parentPath, entry.name)
          .slice(PAGES.length)
          .replace(/(\/index)?\.astro$/, ''),
      )
      // What a label or a private link leads to is everybody's: test/server/labels.test.ts, linked-card.test.ts.
      .filter((path) => !/^\/(?:404|500|sign-in|[tc]\/\[token\])$/.test(path))
      .map(
        (path) =>
          path.replace(
            '[id]',
            ids[path.split('/').at(-2) === '[id]' ? path.split('/').at(-3)! : path.split('/').at(-2)!] ?? 'x',
          ) || '/',
      )
  );
}

const address = (route: AnyRoute, id: string): string => `/api/v1${pathOf(route).replace('{id}', id)}`;

/** Use cases by name; helpers that are called within them are not among them. */
const USE_CASES = {
  card,
  cardLinks,
  catalogue,
  shelf,
  exchange,
  fittings,
  importing,
  labels,
  measuring,
  pieces,
  sitters,
  tables,
  walks,
};
/** What the program itself calls, pure helpers, and what a label or a private link leads everybody to. */
const INNER = [
  'linkedCard',
  'labelled',
  'reportByLabel',
  'ensureShippedMethods',
  'carryThrough',
  'tidyImports',
  'refreshOpen',
  'shelfOf',
  'fitCase',
  'rankCase',
  'walkToSign',
  'keepFelt',
  'staysAfter',
];

describe('rights, inside every use case', () => {
  let bench: Bench;
  before(async () => {
    bench = await openBench();
  });
  after(() => bench.close());

  it('are asked for by each of them, and refuse a visitor before anything is read', async () => {
    const found: string[] = [];
    for (const [module, exported] of Object.entries(USE_CASES))
      for (const [name, value] of Object.entries(exported as Record<string, unknown>)) {
        if (typeof value !== 'function' || INNER.includes(name)) continue;
        const guarded = value as unknown as Guarded & ((...args: unknown[]) => Promise<unknown>);
        expect(guarded.act, `${module}.${name} is not guarded`).to.be.a('string');
        const blind = {
          actor: VISITOR,
          get store() {
            throw new Error(`${name} read before it asked`);
          },
        };
        expect(await guarded(blind, v7(), 1, {}), name).to.deep.equal({ ok: false, reason: 'signInFirst' });
        found.push(name);
      }
    expect(found.length).to.be.greaterThan(45);
  });
});

describe('the door', function () {
  this.timeout(180_000);
  let app: App;
  let port: number;
  let ids: Record<string, string>;
  let names: readonly string[];
  let cookie: string;
  let fitterId: string;
  before(async () => {
    app = await startApp({ args: ['--host', '0.0.0.0'], env: { VELTO_PASSPHRASE: PASSPHRASE } });
    port = Number(new URL(app.base).port);
    const one = async (sql: string) => String((await readRows(app.folder, sql))[0]?.id);
    ids = {
      people: await one('select id from sitters order by id'),
      fittings: await one("select id from fittings where state = 'open' order by id"),
      seats: await one('select id from seat_versions order by id'),
      tagged: await one('select id from pieces order by id'),
      methods: 'right-angle',
    };
    fitterId = await one('select id from fitters order by id');
    names = (await readRows(app.folder, 'select name from sitters union select name from fitters')).map((r) =>
      String(r.name),
    );
    const signedIn = await fetch(`${app.base}/api/v1/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ passphrase: PASSPHRASE }),
    });
    cookie = signedIn.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
  });
  after(() => app.stop());

  const idFor = ({ record }: AnyRoute): string =>
    ({ sitter: ids.people, fitting: ids.fittings, seat: ids.seats, method: ids.methods })[
      record as 'sitter'
    ] ?? v7();
  const showsNobody = (text: string, where: string) => {
    for (const name of names) expect(text.includes(name), `${where} shows ${name}`).to.equal(false);
  };

  it('shows a visitor no page: each leads to signing in', async () => {
    const all = pages(ids);
    expect(all.length).to.be.greaterThan(12);
    for (const path of all) {
      const { status, head, body } = await askRaw(port, 'GET', path);
      expect(status, path).to.equal(303);
      expect(head, path).to.match(/location: \/sign-in/i);
      showsNobody(body, path);
    }
  });

  it('answers a visitor no operation but those of the door', async () => {
    for (const route of ROUTES) {
      const isOpen = mayNot(VISITOR, route.act, { kind: route.record, id: null }) === null;
      if (isOpen) continue;
      const { status, body } = await askRaw(port, methodOf(route), address(route, idFor(route)), [
        'Content-Type: application/json',
        'Content-Length: 2',
        '',
        '{}',
      ]);
      expect(status, route.key).to.equal(401);
      showsNobody(body, route.key);
    }
    expect((await askRaw(port, 'GET', '/api/v1/nothing')).status).to.equal(401);
  });

  it('lets nobody in by the way an address is written', async () => {
    let tried = 0;
    const targets = [
      ...pages(ids),
      ...ROUTES.filter((r) => methodOf(r) === 'GET').map((r) => address(r, idFor(r))),
    ];
    for (const target of targets)
      for (const trick of PATH_TRICKS) {
        const odd = trick(target);
        const { status, body } = await askRaw(port, 'GET', odd);
        expect(
          [200, 304].includes(status) && !/passphrase|openapi|JSON Schema|json-schema/i.test(body),
          `${odd}: ${status}`,
        ).to.equal(false);
        expect(status, odd).to.be.below(500);
        showsNobody(body, odd);
        tried++;
      }
    expect(tried).to.be.greaterThan(1500);
  });

  it('lets nobody in by the way a request is written', async () => {
    const target = `/api/v1/sitters/${ids.people}`;
    const requests: readonly (readonly string[])[] = [
      [`GET ${target} HTTP/1.0`],
      ['GET /people HTTP/1.0'],
      [`GET ${target} HTTP/1.0`, 'Host: localhost'],
      [`GET http://localhost${target} HTTP/1.1`, 'Host: localhost', 'Connection: close'],
      ['GET http://localhost/people HTTP/1.1', 'Host: localhost', 'Connection: close'],
      [`GET ${target} HTTP/1.1`, 'Host: localhost', 'Host: evil.example', 'Connection: close'],
      [`GET ${target} HTTP/1.1`, 'Host: localhost', 'X-Forwarded-For: 127.0.0.1', 'Connection: close'],
      [`GET ${target} HTTP/1.1`, 'Host: localhost', 'X-Original-URL: /sign-in', 'Connection: close'],
      [`GET /sign-in HTTP/1.1`, 'Host: localhost', `X-Rewrite-URL: ${target}`, 'Connection: close'],
      [`GET ${target} HTTP/1.1`, 'Host: localhost', 'Cookie: velto-session=', 'Connection: close'],
      [`GET ${target} HTTP/1.1`, 'Host: localhost', `Cookie: velto-fitter=${fitterId}`, 'Connection: close'],
      [`GET ${target} HTTP/1.1`, 'Host: localhost', `Velto-Fitter: ${fitterId}`, 'Connection: close'],
      [`HEAD ${target} HTTP/1.1`, 'Host: localhost', 'Connection: close'],
      [`TRACE ${target} HTTP/1.1`, 'Host: localhost', 'Connection: close'],
      [`OPTIONS * HTTP/1.1`, 'Host: localhost', 'Connection: close'],
    ];
    for (const lines of requests) {
      const { status, body } = await sendRaw(port, lines);
      if (!lines[0]!.includes('/sign-in')) expect(status, lines[0]).not.to.equal(200);
      expect(status, lines.join(' | ')).to.be.below(500);
      showsNobody(body, lines.join(' | '));
    }
  });

  it('lets a fitter do everything but delete, and a named one that too', async () => {
    const send = (route: AnyRoute, headers: Record<string, string>) =>
      fetch(app.base + address(route, v7()), {
        method: methodOf(route),
        headers: { cookie, 'content-type': 'application/json', ...headers },
        ...(methodOf(route) === 'GET' ? {} : { body: route.body ? '{"no":"such"}' : '' }),
      });
    const said = async (response: Response) => ({
      status: response.status,
      type: response.headers.get('content-type')?.includes('problem')
        ? String(((await response.json()) as { type: string }).type)
        : '',
    });
    for (const route of ROUTES.filter(({ record }) => record !== 'session')) {
      const wanted = mayNot(UNNAMED_FITTER, route.act, { kind: route.record, id: null });
      const nameless = await said(await send(route, {}));
      expect(nameless.type.includes('fitterMissing'), route.key).to.equal(wanted === 'fitterMissing');
      // A cookie with an id that nobody has names nobody.
      const invented = await said(await send(route, { cookie: `${cookie}; velto-fitter=${v7()}` }));
      expect(invented.type.includes('fitterMissing'), route.key).to.equal(wanted === 'fitterMissing');
      const named = await said(await send(route, { 'velto-fitter': fitterId }));
      expect([401, 403], `${route.key} ${named.type}`).not.to.include(named.status);
    }
    const unknown = await fetch(`${app.base}/api/v1/sitters`, { headers: { cookie, 'velto-fitter': v7() } });
    expect(unknown.status).to.equal(422);
  });

  it('keeps nothing personal in a browser, and has a fault of its own say nothing', async () => {
    for (const path of pages(ids)) {
      const page = await fetch(app.base + path, { headers: { cookie } });
      expect(page.status, path).to.equal(200);
      expect(page.headers.get('cache-control'), path).to.equal('no-store');
    }
    for (const route of ROUTES.filter((r) => methodOf(r) === 'GET' && !r.isImpersonal)) {
      const answer = await fetch(app.base + address(route, idFor(route)), { headers: { cookie } });
      await answer.arrayBuffer();
      expect(answer.headers.get('cache-control'), route.key).to.equal('no-store');
    }
  });

  it('sets cookies that scripts and other sites cannot use', async () => {
    const signedIn = await fetch(`${app.base}/api/v1/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ passphrase: PASSPHRASE }),
    });
    for (const set of signedIn.headers.getSetCookie())
      expect(set)
        .to.match(/HttpOnly/)
        .and.match(/SameSite=Lax/);
  });

  it('tells whoever guesses too often when to try again, whatever address they claim', async () => {
    const guess = (i: number) =>
      fetch(`${app.base}/api/v1/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'x-forwarded-for': `10.0.0.${i}` },
        body: JSON.stringify({ passphrase: 'wrong all along' }),
      });
    const told = await Promise.all(Array.from({ length: 40 }, (_, i) => guess(i)));
    const waiting = told.filter((r) => r.status === 429);
    expect(waiting.length).to.equal(35);
    for (const r of waiting) expect(Number(r.headers.get('retry-after'))).to.be.within(1, 15);
  });
});
