import { expect } from 'chai';
import { ClientError } from '../../src/ui/client-error';
import { memoryEntries } from '../../src/ui/outbox/device';
import type { Entry, EntryStore, NewEntry } from '../../src/ui/outbox/entry';
import { Outbox } from '../../src/ui/outbox/outbox';

const SUBJECT = 'settings:f:s';

const entry = (body: unknown, subject = SUBJECT, base: Entry['base'] = 1): NewEntry => ({
  kind: 'settings',
  subject,
  recordId: 'f',
  body,
  base,
});

const refusal = (status: number) =>
  new ClientError('refused', { type: 't', title: 'Refused', status, current: { version: 9 } });

/** A server that keeps what it took by key, counts revisions and can be cut off. */
class FakeServer {
  readonly taken: { key: string; body: unknown; base: unknown }[] = [];
  readonly answers = new Map<string, unknown>();
  reachable = true;
  /** The request arrives, the answer does not. */
  losesAnswers = false;
  refuses: number | null = null;
  requests = 0;

  readonly send = async (e: Entry): Promise<unknown> => {
    this.requests++;
    await Promise.resolve();
    if (!this.reachable) throw new ClientError('offline', null);
    if (this.refuses !== null) throw refusal(this.refuses);
    if (!this.answers.has(e.key)) {
      this.taken.push({ key: e.key, body: e.body, base: e.base });
      this.answers.set(e.key, { revision: Number(e.base) + 1 });
    }
    if (this.losesAnswers) throw new ClientError('offline', null);
    return this.answers.get(e.key);
  };
}

let keys = 0;
function boxOver(store: EntryStore, server: FakeServer): Outbox {
  return new Outbox({
    store,
    spare: memoryEntries,
    send: server.send,
    baseAfter: (_, answer) => (answer as { revision: number }).revision,
    newKey: () => `key-${++keys}`,
    now: () => '2026-11-25T09:30:00.000Z',
  });
}

describe('entries on their way', () => {
  let store: EntryStore;
  let server: FakeServer;
  let box: Outbox;
  beforeEach(() => {
    store = memoryEntries();
    server = new FakeServer();
    box = boxOver(store, server);
  });
  afterEach(() => box.stop());
  const bodies = () => server.taken.map((t) => t.body);

  it('go out in the order they were made, each once, and leave', async () => {
    await box.put(entry('a', 'one'));
    await box.put(entry('b', 'two'));
    await box.put(entry('c', 'three'));
    await Promise.all([box.flush(), box.flush(), box.flush()]);
    expect(bodies()).to.deep.equal(['a', 'b', 'c']);
    expect(server.requests).to.equal(3);
    expect(await store.all()).to.deep.equal([]);
    expect(box.get().link).to.equal('idle');
  });

  it('stay on the device without a connection and go out when it is back', async () => {
    server.reachable = false;
    await box.put(entry('a', 'one'));
    await box.put(entry('b', 'two'));
    await box.flush();
    expect(box.get().link).to.equal('unreachable');
    expect(await store.all()).to.have.length(2);
    server.reachable = true;
    await box.flush();
    expect(bodies()).to.deep.equal(['a', 'b']);
    expect(await store.all()).to.deep.equal([]);
  });

  it('survive a page that is closed and are sent by the next, under the same key', async () => {
    server.losesAnswers = true;
    await box.put(entry('a'));
    await box.flush();
    server.losesAnswers = false;
    const next = boxOver(store, server);
    await next.start();
    await next.flush();
    next.stop();
    expect(bodies()).to.deep.equal(['a']);
    expect(server.requests).to.equal(2);
    expect(await store.all()).to.deep.equal([]);
  });

  it('about one subject: the last takes the place of one that was never sent', async () => {
    server.reachable = false;
    await box.put(entry('first'));
    await box.put(entry('second'));
    expect((await store.all()).map((e) => e.body)).to.deep.equal(['second']);
    server.reachable = true;
    await box.flush();
    expect(bodies()).to.deep.equal(['second']);
  });

  it('that may have arrived are never altered: the next goes behind, on what the server then has', async () => {
    server.losesAnswers = true;
    await box.put(entry('first', SUBJECT, 4));
    await box.flush();
    await box.put(entry('second', SUBJECT, 4));
    expect((await store.all()).map((e) => e.body)).to.deep.equal(['first', 'second']);
    server.losesAnswers = false;
    await box.flush();
    expect(server.taken.map(({ body, base }) => [body, base])).to.deep.equal([
      ['first', 4],
      ['second', 5],
    ]);
  });

  it('that are refused wait for a decision and hold up only their own subject', async () => {
    server.refuses = 412;
    await box.put(entry('mine'));
    await box.flush();
    server.refuses = null;
    await box.put(entry('other', 'elsewhere'));
    await box.flush();
    expect(bodies()).to.deep.equal(['other']);
    expect(box.about(SUBJECT)[0]?.refusal?.current).to.deep.equal({ version: 9 });
    await box.resolve(SUBJECT, entry('both', SUBJECT, 9));
    await box.flush();
    expect(server.taken.at(-1)).to.include({ body: 'both', base: 9 });
    expect(await store.all()).to.deep.equal([]);
  });

  it('can be let go', async () => {
    server.refuses = 412;
    await box.put(entry('mine'));
    await box.flush();
    await box.resolve(SUBJECT, null);
    expect(await store.all()).to.deep.equal([]);
    expect(bodies()).to.deep.equal([]);
  });

  it('wait while the server is at fault or asks to sign in first', async () => {
    for (const [status, link] of [
      [500, 'unreachable'],
      [429, 'unreachable'],
      [401, 'signIn'],
    ] as const) {
      server.refuses = status;
      await box.put(entry('a'));
      await box.flush();
      expect(box.get().link, String(status)).to.equal(link);
      expect(box.about(SUBJECT)[0]?.refusal, String(status)).to.equal(null);
    }
  });

  it('are sent again by themselves', async function () {
    this.timeout(6000);
    server.reachable = false;
    await box.put(entry('a'));
    await box.flush();
    server.reachable = true;
    await new Promise((resolve) => setTimeout(resolve, 2000));
    expect(bodies()).to.deep.equal(['a']);
  });

  it('go on where the browser keeps nothing, and it is said', async () => {
    const broken: EntryStore = {
      all: () => Promise.reject(new Error('no storage')),
      put: () => Promise.reject(new Error('no storage')),
      remove: () => Promise.reject(new Error('no storage')),
    };
    const unkept = boxOver(broken, server);
    server.reachable = false;
    await unkept.put(entry('a'));
    await unkept.flush();
    expect(unkept.get().isKept).to.equal(false);
    server.reachable = true;
    await unkept.flush();
    expect(bodies()).to.deep.equal(['a']);
    unkept.stop();
  });

  it('tell who listens what was taken, and no more after stopping', async () => {
    const heard: unknown[] = [];
    const stop = box.onTaken(SUBJECT, (answer) => heard.push(answer));
    await box.put(entry('a'));
    await box.flush();
    stop();
    await box.put(entry('b'));
    await box.flush();
    expect(heard).to.deep.equal([{ revision: 2 }]);
  });

  it('are there until who listens has heard what was taken: nobody sees a moment without either', async () => {
    const seen: string[] = [];
    box.subscribe(() => seen.push(box.about(SUBJECT).length > 0 ? 'entry' : 'nothing'));
    box.onTaken(SUBJECT, () => seen.push(`answer beside ${box.about(SUBJECT).length}`));
    await box.put(entry('a'));
    await box.flush();
    expect(seen).to.include('answer beside 1');
    expect(seen.slice(0, seen.indexOf('answer beside 1'))).not.to.include('nothing');
    expect(seen.at(-1)).to.equal('nothing');
  });
});
