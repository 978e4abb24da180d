import { expect } from 'chai';
import { v7 } from 'uuid';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';

/** Most JavaScript that signing in may bring, as transferred. */
const MOST_SIGN_IN_BYTES = 110 * 1024;
/** Most JavaScript that the fitting page may bring, as transferred. */
const MOST_SCRIPT_BYTES = 220 * 1024;

describe('what a page may do and how much it weighs', function () {
  this.timeout(60_000);
  let app: App;
  let bench: BrowserBench;
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
  });
  after(async () => {
    await bench.stop();
    await app.stop();
  });

  it('shows a name that looks like a script as text and runs none of it', async () => {
    const name = '<script>document.title="taken"</script><img src=x onerror="document.title=\'taken\'">';
    const id = v7();
    const made = await fetch(`${app.base}/api/v1/sitters`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id, name, birthDate: null }),
    });
    expect(made.status).to.equal(201);
    const user = new Driver(await bench.open(), app.base);
    for (const path of ['/people', `/people/${id}`, '/']) {
      await user.goTo(path);
      expect(await user.page.title(), path).not.to.equal('taken');
    }
    await user.goTo(`/people/${id}`);
    expect(await user.page.$eval('h1', (e) => e.textContent)).to.equal(name);
    expect(user.faults).to.deep.equal([]);
  });

  it('runs no script that somebody has put into a page', async () => {
    const page = await bench.open();
    await page.goto(`${app.base}/people`, { waitUntil: 'networkidle0' });
    const ran = await page.evaluate(() => {
      const script = document.createElement('script');
      script.textContent = 'globalThis.wasRun = true';
      document.body.append(script);
      return 'wasRun' in globalThis;
    });
    expect(ran).to.equal(false);
    await page.close();
  });

  /** JavaScript that a page brings, as transferred, bytes. */
  async function scriptBytes(path: string): Promise<number> {
    const page = await bench.open();
    const session = await page.createCDPSession();
    await session.send('Network.enable');
    const scripts = new Map<string, number>();
    const isScript = new Set<string>();
    session.on('Network.responseReceived', (event) => {
      if (event.type === 'Script') isScript.add(event.requestId);
    });
    session.on('Network.loadingFinished', (event) => {
      if (isScript.has(event.requestId)) scripts.set(event.requestId, event.encodedDataLength);
    });
    await page.goto(app.base + path, { waitUntil: 'networkidle0' });
    await page.close();
    expect(scripts.size).to.be.greaterThan(3);
    return [...scripts.values()].reduce((sum, bytes) => sum + bytes, 0);
  }

  it('brings the fitting page and a walk in at most 220 KB of JavaScript, and signing in in at most 110', async () => {
    const [row] = await readRows(app.folder, 'select id from fittings limit 1');
    const fitting = await scriptBytes(`/fittings/${String(row?.id)}?stage=set`);
    expect(fitting).to.be.within(10_000, MOST_SCRIPT_BYTES);
    const walk = await scriptBytes(`/fittings/${String(row?.id)}/walk`);
    expect(walk).to.be.within(10_000, MOST_SCRIPT_BYTES);
    const signIn = await scriptBytes('/sign-in');
    expect(signIn).to.be.within(10_000, MOST_SIGN_IN_BYTES);
  });

  it('serves what was compressed at build, for good where the name changes with the content', async () => {
    const html = await (await fetch(`${app.base}/people`)).text();
    const script = /component-url="([^"]+\.js)"/.exec(html)?.[1];
    expect(script).to.be.a('string');
    const response = await fetch(app.base + script!, { headers: { 'accept-encoding': 'br' } });
    expect(response.headers.get('content-encoding')).to.equal('br');
    expect(response.headers.get('cache-control')).to.include('immutable');
    expect((await fetch(`${app.base}/mark.svg`)).headers.get('cache-control')).to.equal('no-cache');
  });

  it('sends pages and answers of the API compressed, where the browser takes them so', async () => {
    for (const path of ['/', '/people', '/api/v1/seats']) {
      const packed = await fetch(app.base + path, { headers: { 'accept-encoding': 'br' } });
      expect(packed.headers.get('content-encoding'), path).to.equal('br');
      const plain = await fetch(app.base + path, { headers: { 'accept-encoding': 'identity' } });
      expect(plain.headers.get('content-encoding'), path).to.equal(null);
      expect((await packed.text()).length, path).to.equal((await plain.text()).length);
    }
  });
});
