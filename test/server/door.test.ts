import { install, type Clock } from '@sinonjs/fake-timers';
import { expect } from 'chai';
import type { IncomingMessage } from 'node:http';
import { addressOf, cameThroughProxy, isFromHere, isSecure, trustOf } from '../../src/server/addresses';
import { COOKIES, Gate, SESSION_S, cookieOf, type Guesser } from '../../src/server/gate';
import { comesFromHere, namesOneHost, strangerTo } from '../../src/server/guard';
import { safeText } from '../../src/server/log-fault';
import { readTarget } from '../../src/server/request-target';
import { destinationOf } from '../../src/ui/destination';

const PASSPHRASE = 'grey seals at noon';
/** Tests look at many guesses; how dear one is, is measured elsewhere. */
const CHEAP = { N: 2 ** 4, r: 8, p: 1 };
const from = (address: string, device?: string): Guesser => ({ address, device });

describe('the gate', function () {
  this.timeout(30_000);
  let clock: Clock;
  let gate: Gate;
  before(async () => {
    clock = install({ toFake: ['Date', 'setTimeout', 'clearTimeout'] });
    gate = await Gate.make(PASSPHRASE, CHEAP, 0);
  });
  after(() => clock.uninstall());

  const guess = (who: Guesser, times: number) =>
    Promise.all(Array.from({ length: times }, () => gate.signIn(who, 'wrong all along')));

  it('opens a session to the passphrase only, for twelve hours', async () => {
    expect(await gate.signIn(from('a'), 'grey seals at noo')).to.deep.equal({ refused: 'wrongPassphrase' });
    const opened = await gate.signIn(from('a'), PASSPHRASE);
    const token = 'token' in opened ? opened.token : '';
    expect(gate.isOpen(token)).to.equal(true);
    expect(gate.isOpen(`${token}x`)).to.equal(false);
    expect(gate.isOpen(undefined)).to.equal(false);
    clock.tick(SESSION_S * 1000 - 1);
    expect(gate.isOpen(token)).to.equal(true);
    clock.tick(1);
    expect(gate.isOpen(token)).to.equal(false);
  });

  it('ends a session', async () => {
    const opened = await gate.signIn(from('a'), PASSPHRASE);
    const token = 'token' in opened ? opened.token : '';
    gate.end(token);
    expect(gate.isOpen(token)).to.equal(false);
  });

  it('looks at five wrong guesses of an address, be they forty at once, and says how long to wait', async () => {
    const told = await guess(from('b'), 40);
    expect(told.filter((t) => 'refused' in t && t.refused === 'wrongPassphrase')).to.have.length(5);
    const refused = await gate.signIn(from('b'), PASSPHRASE);
    expect(refused).to.have.property('refused', 'tooManyTries');
    expect(refused).to.have.property('retryAfterS').that.is.within(1, 15);
    expect(await gate.signIn(from('c'), PASSPHRASE)).to.have.property('token');
    clock.tick(15_001);
    expect(await gate.signIn(from('b'), PASSPHRASE)).to.have.property('token');
  });

  it('looks at the last of a flood first', async () => {
    const busy = await Gate.make(PASSPHRASE, CHEAP, 25);
    const answered: string[] = [];
    const all = [...'0123456789', 'honest'].map(async (who) => {
      await busy.signIn(from(who), who === 'honest' ? PASSPHRASE : 'wrong all along');
      answered.push(who);
    });
    // Counting a guess takes a turn of the event loop each.
    await new Promise((after) => setImmediate(after));
    clock.tick(25);
    await Promise.all(all);
    expect(answered).to.deep.equal([...'0123456789', 'honest'].reverse());
  });

  it('makes whoever goes on all hour wait a quarter of an hour', async () => {
    const told: Awaited<ReturnType<typeof guess>> = [];
    for (let i = 0; i < 7; i++) {
      told.push(...(await guess(from('d'), 6)));
      clock.tick(15_001);
    }
    expect(told.filter((t) => 'refused' in t && t.refused === 'wrongPassphrase')).to.have.length(30);
    const refused = await gate.signIn(from('d'), PASSPHRASE);
    expect(refused).to.have.property('retryAfterS').that.is.greaterThan(600);
    clock.tick(900_000);
  });

  it('knows a device that has signed in: what others guess at its address does not keep it out', async () => {
    const opened = await gate.signIn(from('e'), PASSPHRASE);
    const device = 'token' in opened ? opened.device : '';
    await guess(from('e'), 8);
    expect(await gate.signIn(from('e'), PASSPHRASE)).to.have.property('refused', 'tooManyTries');
    expect(await gate.signIn(from('e', device), PASSPHRASE)).to.have.property('token');
    // A device that was made up is nobody's.
    const [id] = device.split('.');
    for (const forged of [`${id}.x`, `other.${device.split('.')[1]}`, 'x', ''])
      expect(await gate.signIn(from('e', forged), PASSPHRASE), forged).to.have.property(
        'refused',
        'tooManyTries',
      );
  });

  it('finds its token among cookies', () => {
    expect(cookieOf('velto-units=mm; velto-session=abc; x=1', COOKIES.session)).to.equal('abc');
    expect(cookieOf('x-velto-session=abc', COOKIES.session)).to.equal(undefined);
    expect(cookieOf(undefined, COOKIES.session)).to.equal(undefined);
  });
});

type Given = Partial<Pick<IncomingMessage, 'method' | 'headers' | 'rawHeaders'>> & { remote?: string };
const request = ({ remote = '127.0.0.1', headers = {}, ...rest }: Given = {}): IncomingMessage =>
  ({
    method: 'GET',
    headers,
    rawHeaders: Object.entries(headers).flatMap(([name, value]) => [name, String(value)]),
    socket: { remoteAddress: remote },
    connection: { remoteAddress: remote },
    ...rest,
  }) as unknown as IncomingMessage;

describe('where a request comes from', () => {
  const changing = (headers: Record<string, string>, method = 'POST') => request({ method, headers });

  it('does not matter for reading', () =>
    expect(
      comesFromHere(changing({ origin: 'http://elsewhere', host: '127.0.0.1:4780' }, 'GET'), null),
    ).to.equal(true));

  it('is the address it was sent to, for a change', () => {
    const is = (origin: string, host: string, publicHost: string | null = null) =>
      comesFromHere(changing({ origin, host }), publicHost);
    expect(is('http://127.0.0.1:4780', '127.0.0.1:4780')).to.equal(true);
    expect(is('http://localhost:4780', 'localhost:4780')).to.equal(true);
    expect(is('https://seats.example', 'seats.example')).to.equal(true);
    expect(is('http://evil.example', '127.0.0.1:4780')).to.equal(false);
    expect(is('null', '127.0.0.1:4780')).to.equal(false);
    // A proxy in front may name itself to the program; browsers name the public address.
    expect(is('https://seats.example', '127.0.0.1:4780', 'seats.example')).to.equal(true);
    expect(is('https://evil.example', '127.0.0.1:4780', 'seats.example')).to.equal(false);
  });

  it('may be left out by a program that is no browser', () => {
    expect(comesFromHere(changing({ host: '127.0.0.1:4780' }), null)).to.equal(true);
    expect(
      comesFromHere(changing({ host: '127.0.0.1:4780', 'sec-fetch-site': 'cross-site' }), null),
    ).to.equal(false);
  });

  it('is this machine, by the connection and by the name, where no passphrase is set', () => {
    const told = (host: string, more: Record<string, string> = {}, remote = '127.0.0.1') =>
      strangerTo(request({ headers: { host, ...more }, remote }));
    for (const host of ['127.0.0.1:4780', 'localhost:4780', '[::1]:4780', 'LOCALHOST'])
      expect(told(host), host).to.equal(null);
    for (const host of ['rebind.example:4780', '127.0.0.1.example', '127.0.0.2'])
      expect(told(host), host).to.equal('wrongHost');
    expect(told('localhost', {}, '192.168.0.7')).to.equal('wrongHost');
    expect(told('localhost', {}, '::ffff:127.0.0.1')).to.equal(null);
  });

  it('is not this machine where a proxy says that it comes from elsewhere', () => {
    for (const name of ['x-forwarded-for', 'forwarded', 'via', 'x-forwarded-host', 'x-real-ip']) {
      const proxied = request({ headers: { host: 'localhost', [name]: 'anything' } });
      expect(strangerTo(proxied), name).to.equal('proxyUnknown');
      expect(cameThroughProxy(proxied)).to.equal(true);
    }
    expect(isFromHere(request({ remote: '10.0.0.3' }))).to.equal(false);
  });

  it('is the connection’s address for limits; a proxy is believed only where it was named', () => {
    const spoofed = request({ remote: '10.0.0.9', headers: { 'x-forwarded-for': '1.2.3.4' } });
    expect(addressOf(spoofed, trustOf([]))).to.equal('10.0.0.9');
    expect(addressOf(spoofed, trustOf(['10.0.0.1']))).to.equal('10.0.0.9');
    expect(addressOf(spoofed, trustOf(['10.0.0.0/24']))).to.equal('1.2.3.4');
    // What stands before what the proxy itself has added is the client's own invention.
    const longer = request({ remote: '10.0.0.9', headers: { 'x-forwarded-for': '9.9.9.9, 1.2.3.4' } });
    expect(addressOf(longer, trustOf(['10.0.0.9']))).to.equal('1.2.3.4');
    const secured = request({ remote: '10.0.0.9', headers: { 'x-forwarded-proto': 'https' } });
    expect(isSecure(secured, trustOf([]))).to.equal(false);
    expect(isSecure(secured, trustOf(['10.0.0.9']))).to.equal(true);
  });

  it('names one host, in one way', () => {
    const named = (...hosts: string[]) =>
      namesOneHost(
        request({
          ...(hosts[0] === undefined ? {} : { headers: { host: hosts[0] } }),
          rawHeaders: hosts.flatMap((host) => ['Host', host]),
        }),
      );
    expect(named('localhost:4780')).to.equal(true);
    expect(named('[::1]:4780')).to.equal(true);
    for (const hosts of [[], ['a', 'b'], ['a/b'], ['user@a'], ['a b'], ['a?b']])
      expect(named(...hosts), hosts.join()).to.equal(false);
  });
});

describe('the address of a request', () => {
  it('is read where it is written plainly', () => {
    expect(readTarget('/')).to.deep.equal({ path: '/', search: '' });
    expect(readTarget('/people/0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a01?stage=set')).to.deep.equal({
      path: '/people/0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a01',
      search: '?stage=set',
    });
    for (const plain of [
      '/api/v1/sitters?search=%C3%98',
      '/_astro/client.Cq8-x_y.js',
      '/people/',
      '/mark.svg',
    ])
      expect(readTarget(plain), plain).not.to.equal(null);
  });

  it('is refused where it could be read in two ways', () => {
    for (const odd of [
      undefined,
      '',
      '*',
      'people',
      '//people',
      '/a//b',
      '/a/./b',
      '/a/../b',
      '/..',
      '/.',
      '/a/..',
      '/a\\b',
      '/%2e%2e/a',
      '/a%2fb',
      '/%70eople',
      '/a;b',
      '/a b',
      '/ä',
      '/a?b c',
      '/a?<b>',
      '/a?b#c',
      'http://localhost/people',
      `/${'a'.repeat(9000)}`,
    ])
      expect(readTarget(odd), String(odd)).to.equal(null);
  });
});

describe('where signing in leads', () => {
  const to = (wish: string) => destinationOf(`http://localhost:4780/sign-in?to=${encodeURIComponent(wish)}`);

  it('is the page that was wanted', () => {
    expect(to('/people/1?a=b#c')).to.equal('/people/1?a=b#c');
    expect(destinationOf('http://localhost:4780/sign-in')).to.equal('/');
  });

  it('is never another site, however it is written', () => {
    for (const wish of [
      '//evil.example/',
      '/\\evil.example/',
      '/\t/evil.example/',
      '/\n/evil.example/',
      '\t//evil.example/',
      'https://evil.example/',
      'javascript:alert(1)',
      '/..//evil.example/',
      '/./\\evil.example',
    ])
      expect(to(wish), JSON.stringify(wish)).to.equal('/');
  });
});

describe('what is logged of a fault', () => {
  it('is the statement and never its values', () => {
    const failed = new Error(
      'Failed query: insert into sitters values (?, ?)\nparams: Maren Tolve,1990-02-03',
    );
    expect(safeText(failed))
      .to.contain('insert into sitters')
      .and.not.to.match(/Maren|1990/);
    const caused = new Error('UNIQUE constraint failed: Maren Tolve');
    caused.name = 'LibsqlError';
    expect(safeText(Object.assign(caused, { code: 'SQLITE_CONSTRAINT' })))
      .to.contain('SQLITE_CONSTRAINT')
      .and.not.to.contain('Maren');
    expect(safeText('Maren Tolve')).not.to.contain('Maren');
  });
});
