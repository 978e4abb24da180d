import { expect } from 'chai';
import { v7 } from 'uuid';
import { ClientError, api, call, currentOf } from '../../src/ui/client';

interface Sent {
  readonly url: string;
  readonly method: string;
  readonly headers: Record<string, string>;
  readonly body: unknown;
}

describe('the client of the API', () => {
  const real = globalThis.fetch;
  let sent: Sent[] = [];
  let answers: (() => Response | Error)[] = [];
  beforeEach(() => {
    sent = [];
    answers = [];
    globalThis.fetch = ((url: string, init: RequestInit) => {
      sent.push({
        url,
        method: init.method ?? 'GET',
        headers: init.headers as Record<string, string>,
        body: typeof init.body === 'string' ? JSON.parse(init.body) : init.body,
      });
      const answer = answers.shift()?.() ?? Response.json({ items: [], total: 0, next: null });
      return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer);
    }) as typeof fetch;
  });
  after(() => {
    globalThis.fetch = real;
  });

  it('writes the address from the operation: id, parameters, nothing that is not given', async () => {
    await api.sitters('holm h7');
    await api.sitters('', v7());
    await call('GET /fittings/{id}', { id: 'a/b' });
    expect(sent.map((s) => s.url.replace(/[0-9a-f-]{36}/, 'id'))).to.deep.equal([
      '/api/v1/sitters?search=holm+h7',
      '/api/v1/sitters?cursor=id',
      '/api/v1/fittings/a%2Fb',
    ]);
  });

  it('names what was edited: a record by its version, draft settings by their revision', async () => {
    const key = v7();
    await api.editSitter('s', 3, { name: 'Ada' });
    await api.saveSettings('f', 7, { positions: {}, remedies: {}, held: ['seatHeight'] }, key);
    expect(sent.map((s) => s.headers['if-match'])).to.deep.equal(['"3"', '"draft-7"']);
    expect(sent[1]!.headers['idempotency-key']).to.equal(key);
    expect(sent[0]!.headers['idempotency-key']).to.match(/^[0-9a-f-]{36}$/);
    expect(sent[1]!.body).to.deep.equal({ positions: {}, remedies: {}, held: ['seatHeight'] });
  });

  it('sends once more after a connection that broke, under the same key', async () => {
    answers = [() => new TypeError('broken'), () => Response.json({ id: 's' })];
    await api.editSitter('s', 1, { name: 'Ada' });
    expect(sent).to.have.length(2);
    expect(sent[0]!.headers['idempotency-key']).to.equal(sent[1]!.headers['idempotency-key']);
    answers = [() => new TypeError('broken'), () => new TypeError('broken')];
    const lost = await api.fitting('f').catch((e: unknown) => e);
    expect((lost as ClientError).reason).to.equal('offline');
  });

  it('tells why it was refused, with the record as it is now', async () => {
    const problem = {
      type: 'urn:velto:problem:changedMeanwhile',
      title: 'Changed',
      status: 412,
      current: { id: 's' },
    };
    answers = [() => Response.json(problem, { status: 412 }), () => new Response('<html>', { status: 502 })];
    const refused = await api.editSitter('s', 1, { name: 'Ada' }).catch((e: unknown) => e);
    expect((refused as ClientError).problem).to.deep.equal(problem);
    expect(currentOf(refused)).to.deep.equal({ id: 's' });
    const odd = await api.fitting('f').catch((e: unknown) => e);
    expect((odd as ClientError).problem).to.equal(null);
    answers = [() => new Response('not JSON')];
    const unreadable = await api.fitting('f').catch((e: unknown) => e);
    expect((unreadable as ClientError).reason).to.equal('unreadable');
  });

  it('gathers a short list page by page, and leaves out what cannot be read', async () => {
    answers = [
      () => Response.json({ items: [{ table: 1 }, { unreadable: {} }], total: 3, next: 'b' }),
      () => Response.json({ items: [{ table: 3 }], total: 3, next: null }),
    ];
    expect(await api.tables()).to.deep.equal([{ table: 1 }, { table: 3 }]);
    expect(sent.map((s) => s.url)).to.deep.equal([
      '/api/v1/tables?limit=200',
      '/api/v1/tables?cursor=b&limit=200',
    ]);
  });

  it('is held to the table by the compiler', () => {
    // Never run: each line would not compile, did the table not know better.
    const wrong = () => {
      // @ts-expect-error there is no such operation
      void call('GET /nothing', {});
      // @ts-expect-error the id is missing
      void call('GET /sitters/{id}', {});
      // @ts-expect-error there is no such field
      void call('PATCH /sitters/{id}', { id: 's', body: { birthdate: null } });
      // @ts-expect-error there is no such parameter
      void call('GET /sitters', { query: { serach: 'x' } });
      // @ts-expect-error an answer has what its schema says
      void call('GET /sitters/{id}', { id: 's' }).then((sitter) => void sitter.nothing);
    };
    expect(wrong).to.be.a('function');
  });
});
