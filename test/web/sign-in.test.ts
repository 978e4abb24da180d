import { expect } from 'chai';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';

const PASSPHRASE = 'grey seals at noon';

describe('a practice that listens beyond its own machine', function () {
  this.timeout(120_000);
  let app: App;
  let bench: BrowserBench;
  let user: Driver;
  /** The server under a name: a page there is not secure, as on a tablet in the same network. */
  let named: string;
  before(async () => {
    app = await startApp({ args: ['--host', '0.0.0.0'], env: { VELTO_PASSPHRASE: PASSPHRASE } });
    bench = await startBrowser(['--host-resolver-rules=MAP skarrow.test 127.0.0.1']);
    named = `http://skarrow.test:${new URL(app.base).port}`;
    user = new Driver(await bench.open(), named);
  });
  after(async () => {
    expect(user.faults).to.deep.equal([]);
    await bench.stop();
    await app.stop();
  });

  it('leads every page to signing in and back to where one wanted to go', async () => {
    await user.goTo('/seats');
    expect(new URL(user.page.url()).pathname).to.equal('/sign-in');
    expect(await user.text()).not.to.include('Gullstone');
    await user.page.type('input[name="passphrase"]', 'not the one at all');
    await user.press('Sign in');
    await user.sees('The passphrase is wrong');
    await user.page.$eval('input[name="passphrase"]', (field) => (field.value = ''));
    await user.page.type('input[name="passphrase"]', PASSPHRASE);
    await user.pressAndGo('Sign in');
    expect(new URL(user.page.url()).pathname).to.equal('/seats');
    await user.sees('Gullstone');
  });

  it('keeps the session from scripts and from other sites', async () => {
    const cookie = (await user.page.cookies()).find((c) => c.name === 'velto-session');
    expect(cookie).to.include({ httpOnly: true, sameSite: 'Lax' });
  });

  it('needs no secure page: measures are taken and kept all the same', async () => {
    expect(await user.page.evaluate(() => window.isSecureContext)).to.equal(false);
    await user.goTo('/people');
    await user.press('OK');
    await user.type('Name', 'Insecure Page');
    await user.pressAndGo('Add person');
    await user.page.setOfflineMode(true);
    await user.enter('Stature', '1712');
    await user.sees('1 change is saved on this device');
    await user.page.setOfflineMode(false);
    await user.reload();
    await user.saved();
    await user.seesNoMore('kept on this device');
    expect(await user.valueOf('Stature')).to.equal('1712');
  });

  it('goes nowhere else after signing in', async () => {
    await user.preferences();
    await user.pressAndGo('Sign out');
    await user.goTo('/sign-in?to=//elsewhere.example/');
    await user.page.type('input[name="passphrase"]', PASSPHRASE);
    await user.pressAndGo('Sign in');
    expect(user.page.url()).to.equal(`${named}/`);
  });
});
