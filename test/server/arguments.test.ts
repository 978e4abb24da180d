import { expect } from 'chai';
import type { IncomingMessage } from 'node:http';
import { readArguments } from '../../src/server/arguments';
import { comesFromHere } from '../../src/server/guard';

describe('the command line', () => {
  it('has sensible defaults', () => {
    expect(readArguments([], {})).to.deep.equal({
      port: 4780,
      dataFolder: 'var',
      fresh: false,
      empty: false,
    });
  });

  it('takes port and data folder in both forms', () => {
    const wanted = { port: 5000, dataFolder: '/tmp/x', fresh: true, empty: true };
    expect(readArguments(['--port', '5000', '--data', '/tmp/x', '--fresh', '--empty'], {})).to.deep.equal(
      wanted,
    );
    expect(readArguments(['--port=5000', '--data=/tmp/x', '--fresh', '--empty'], {})).to.deep.equal(wanted);
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
  });

  it('may be unsaid by a program that is no browser', () => {
    expect(comesFromHere(request('PUT', { host: '127.0.0.1:4780' }))).to.equal(true);
    expect(
      comesFromHere(request('PUT', { host: '127.0.0.1:4780', 'sec-fetch-site': 'cross-site' })),
    ).to.equal(false);
  });
});
