import { expect } from 'chai';
import type { IncomingMessage } from 'node:http';
import { readArguments } from '../../src/server/arguments';
import { Gate, SESSION_S, sessionToken } from '../../src/server/gate';
import { comesFromHere, meantForLoopback } from '../../src/server/guard';

describe('the command line', () => {
  it('has sensible defaults', () => {
    expect(readArguments([], {})).to.deep.equal({
      port: 4780,
      dataFolder: 'var',
      fresh: false,
      empty: false,
      host: '127.0.0.1',
      passphrase: null,
    });
  });

  it('takes port and data folder in both forms', () => {
    const wanted = { port: 5000, dataFolder: '/tmp/x', fresh: true, empty: true };
    expect(readArguments(['--port', '5000', '--data', '/tmp/x', '--fresh', '--empty'], {})).to.deep.include(
      wanted,
    );
    expect(readArguments(['--port=5000', '--data=/tmp/x', '--fresh', '--empty'], {})).to.deep.include(wanted);
  });

  it('takes them from the environment, and the command line before that', () => {
    const env = { PORT: '5001', VELTO_DATA: '/tmp/y' };
    expect(readArguments([], env)).to.deep.include({ port: 5001, dataFolder: '/tmp/y' });
    expect(readArguments(['--port', '5002', '--data', '/tmp/z'], env)).to.deep.include({
      port: 5002,
      dataFolder: '/tmp/z',
    });
  });

  for (const argv of [
    ['--port'],
    ['--port', 'abc'],
    ['--port', '70000'],
    ['--port=-1'],
    ['--data'],
    ['--help'],
    ['8080'],
  ]) {
    it(`says what is wrong with ${argv.join(' ')}`, () => {
      const result = readArguments(argv, {});
      expect(result).to.have.property('error');
      expect('error' in result && result.error).to.match(/port|--data|not understood/);
    });
  }
});

describe('listening beyond this machine', () => {
  const passphrase = 'grey seals at noon';

  it('asks for a passphrase first, and for a long one', () => {
    for (const env of [{}, { VELTO_PASSPHRASE: 'short' }]) {
      const result = readArguments(['--host', '0.0.0.0'], env);
      expect('error' in result && result.error).to.match(/VELTO_PASSPHRASE.*12 characters/);
    }
    expect(readArguments(['--host', '0.0.0.0'], { VELTO_PASSPHRASE: passphrase })).to.include({
      host: '0.0.0.0',
      passphrase,
    });
  });

  it('never takes the passphrase from the command line, where everybody can read it', () => {
    expect(readArguments(['--passphrase', passphrase], {})).to.have.property('error');
  });
});

describe('the gate', () => {
  const passphrase = 'grey seals at noon';
  let now = 0;

  it('opens a session to the passphrase only, for twelve hours', async () => {
    const gate = await Gate.make(passphrase, () => now);
    expect(await gate.signIn('a', 'grey seals at noo')).to.deep.equal({ refused: 'wrongPassphrase' });
    const opened = await gate.signIn('a', passphrase);
    const token = 'token' in opened ? opened.token : '';
    expect(gate.isOpen(token)).to.equal(true);
    expect(gate.isOpen(`${token}x`)).to.equal(false);
    expect(gate.isOpen(undefined)).to.equal(false);
    now += SESSION_S * 1000 - 1;
    expect(gate.isOpen(token)).to.equal(true);
    now += 1;
    expect(gate.isOpen(token)).to.equal(false);
  });

  it('ends a session', async () => {
    const gate = await Gate.make(passphrase, () => now);
    const opened = await gate.signIn('a', passphrase);
    const token = 'token' in opened ? opened.token : '';
    gate.end(token);
    expect(gate.isOpen(token)).to.equal(false);
  });

  it('makes an address wait longer and longer after five wrong tries, even for the right one', async function () {
    this.timeout(30_000);
    const gate = await Gate.make(passphrase, () => now);
    for (let i = 0; i < 5; i++)
      expect(await gate.signIn('b', 'wrong')).to.have.property('refused', 'wrongPassphrase');
    expect(await gate.signIn('b', passphrase)).to.deep.equal({ refused: 'tooManyTries' });
    expect(await gate.signIn('c', passphrase)).to.have.property('token');
    now += 15_001;
    expect(await gate.signIn('b', 'wrong')).to.deep.equal({ refused: 'wrongPassphrase' });
    now += 15_001;
    expect(await gate.signIn('b', passphrase)).to.deep.equal({ refused: 'tooManyTries' });
    now += 15_001;
    expect(await gate.signIn('b', passphrase)).to.have.property('token');
  });

  it('finds its token among cookies', () => {
    expect(sessionToken('velto-units=mm; velto-session=abc; x=1')).to.equal('abc');
    expect(sessionToken('x-velto-session=abc')).to.equal(undefined);
    expect(sessionToken(undefined)).to.equal(undefined);
  });
});

describe('where a request comes from', () => {
  const request = (method: string, headers: Record<string, string>) =>
    ({ method, headers }) as unknown as IncomingMessage;

  it('does not matter for reading', () =>
    expect(comesFromHere(request('GET', { origin: 'http://elsewhere', host: '127.0.0.1:4780' }))).to.equal(
      true,
    ));

  it('is the address it was sent to, for a change', () => {
    expect(
      comesFromHere(request('POST', { origin: 'http://127.0.0.1:4780', host: '127.0.0.1:4780' })),
    ).to.equal(true);
    expect(
      comesFromHere(request('POST', { origin: 'http://localhost:4780', host: 'localhost:4780' })),
    ).to.equal(true);
    expect(
      comesFromHere(request('POST', { origin: 'http://evil.example', host: '127.0.0.1:4780' })),
    ).to.equal(false);
    expect(comesFromHere(request('DELETE', { origin: 'null', host: '127.0.0.1:4780' }))).to.equal(false);
    expect(
      comesFromHere(request('POST', { origin: 'https://seats.example', host: 'seats.example' })),
    ).to.equal(true);
  });

  it('was meant for this machine and not led here by a name', () => {
    const meant = (host: string) => meantForLoopback(request('GET', { host }));
    expect(['127.0.0.1:4780', 'localhost:4780', '[::1]:4780', 'LOCALHOST'].map(meant)).to.deep.equal(
      Array(4).fill(true),
    );
    expect(['rebind.example:4780', '127.0.0.1.example', '', '127.0.0.2'].map(meant)).to.deep.equal(
      Array(4).fill(false),
    );
  });

  it('may be unsaid by a program that is no browser', () => {
    expect(comesFromHere(request('PUT', { host: '127.0.0.1:4780' }))).to.equal(true);
    expect(
      comesFromHere(request('PUT', { host: '127.0.0.1:4780', 'sec-fetch-site': 'cross-site' })),
    ).to.equal(false);
  });
});
