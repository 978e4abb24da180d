import { expect } from 'chai';
import { readArguments } from '../../src/server/arguments';

describe('the command line', () => {
  it('has sensible defaults', () => {
    expect(readArguments([], {})).to.deep.equal({
      port: 4780,
      dataFolder: 'var',
      fresh: false,
      demo: false,
      host: '127.0.0.1',
      passphrase: null,
      proxies: [],
      publicUrl: null,
    });
  });

  it('takes port and data folder in both forms', () => {
    const wanted = { port: 5000, dataFolder: '/tmp/x', fresh: true, demo: true };
    expect(readArguments(['--port', '5000', '--data', '/tmp/x', '--fresh', '--demo'], {})).to.deep.include(
      wanted,
    );
    expect(readArguments(['--port=5000', '--data=/tmp/x', '--fresh', '--demo'], {})).to.deep.include(wanted);
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

  it('asks for a passphrase wherever others can come in: behind a proxy, or under a public address', () => {
    for (const env of [{ VELTO_PROXIES: '127.0.0.1' }, { VELTO_PUBLIC_URL: 'https://seats.example' }]) {
      const result = readArguments([], env);
      expect('error' in result && result.error).to.match(/VELTO_PASSPHRASE/);
      expect(readArguments([], { ...env, VELTO_PASSPHRASE: passphrase })).not.to.have.property('error');
    }
  });

  it('says which proxy or public address is none', () => {
    const env = { VELTO_PASSPHRASE: passphrase };
    const proxies = readArguments([], { ...env, VELTO_PROXIES: '10.0.0.1, nonsense' });
    expect('error' in proxies && proxies.error).to.contain('nonsense');
    const address = readArguments([], { ...env, VELTO_PUBLIC_URL: 'ftp://seats.example' });
    expect('error' in address && address.error).to.contain('ftp://seats.example');
    expect(readArguments([], { ...env, VELTO_PROXIES: '10.0.0.0/8 ::1' })).to.deep.include({
      proxies: ['10.0.0.0/8', '::1'],
    });
  });

  it('never takes the passphrase from the command line, where everybody can read it', () => {
    expect(readArguments(['--passphrase', passphrase], {})).to.have.property('error');
  });
});
