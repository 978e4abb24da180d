import { expect } from 'chai';
import type { FittingDetail } from '../../src/contract';
import { PLAIN_WORK, type Settings } from '../../src/core/fit';
import { mergeSettings } from '../../src/islands/fitting/merge-settings';
import { DraftKeeper } from '../../src/islands/fitting/draft-keeper';
import { SettingsStore } from '../../src/islands/fitting/settings-store';
import { ClientError } from '../../src/ui/client-error';
import { memoryEntries } from '../../src/ui/outbox/device';
import type { Entry, EntryStore } from '../../src/ui/outbox/entry';
import { draftOf } from '../../src/ui/outbox';
import type { AdjustmentKind } from '../../src/core/seat';
import { Outbox } from '../../src/ui/outbox/outbox';
import { inputsOf } from '../support/inputs';

const at = (seatHeight: number, seatDepth = 0): Settings => ({
  positions: { seatHeight, seatDepth },
  remedies: { footrestMm: 0, backCushionMm: 0 },
});
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
/** Waits until something is so. */
async function until(isSo: () => boolean): Promise<void> {
  while (!isSo()) await pause(20);
}
const ID = '01990000-0000-7000-8000-00000000000f';
const SEAT = '01990000-0000-7000-8000-00000000000e';
const NOW = '2026-11-25T09:30:00.000Z';

const fittingWith = (settings: Settings, draftRevision: number): FittingDetail => ({
  id: ID,
  version: 3,
  draftRevision,
  postures: [],
  state: 'open',
  date: '2026-11-25',
  updatedAt: NOW,
  sitter: {
    id: ID,
    name: 'A',
    isNickname: false,
    consentOn: null,
    consentBy: null,
    birthDate: null,
    sex: null,
    tableId: null,
    version: 1,
    measured: 0,
    updatedAt: NOW,
    body: {},
  },
  piece: null,
  seat: { versionId: SEAT, name: 'Plain seat' },
  place: null,
  method: { id: 'right-angle', versionId: SEAT, name: 'Upright' },
  fitter: null,
  measured: 0,
  ...PLAIN_WORK,
  estimateMissing: false,
  body: {},
  people: { sitter: { ageYears: null } },
  inputs: inputsOf(),
  draft: { stage: 'reached', version: 0, settings, held: [], savedAt: NOW },
});

/** A draft on a server, changed by whoever knows its revision. */
class DraftServer {
  settings = at(0);
  held: readonly AdjustmentKind[] = [];
  revision = 1;
  reachable = true;
  saves = 0;

  readonly send = async (e: Entry): Promise<unknown> => {
    await pause(1);
    if (!this.reachable) throw new ClientError('offline', null);
    if (e.base !== this.revision)
      throw new ClientError('refused', {
        type: 't',
        title: 'Changed',
        status: 412,
        current: fittingWith(this.settings, this.revision),
      });
    this.saves++;
    const { settings: saved, held } = draftOf(e);
    this.settings = saved;
    this.held = held;
    return { stage: 'reached', version: 0, settings: saved, held, savedAt: NOW, revision: ++this.revision };
  };
}

let keys = 0;
const boxOver = (server: DraftServer, store: EntryStore = memoryEntries()): Outbox =>
  new Outbox({
    store,
    spare: memoryEntries,
    send: server.send,
    baseAfter: (_, answer) => (answer as { revision: number }).revision,
    newKey: () => `draft-${++keys}`,
    now: () => NOW,
  });

function open(server: DraftServer, box = boxOver(server)) {
  const store = new SettingsStore(server.settings, {
    settings: server.settings,
    held: server.held,
    savedAt: 'before',
  });
  const keeper = new DraftKeeper(store, ID, SEAT, server.revision);
  const stop = keeper.start(box);
  return {
    store,
    keeper,
    stop: () => {
      stop();
      box.stop();
    },
  };
}

describe('draft settings', () => {
  it('are sent after a quiet moment, and only the last of several changes', async () => {
    const server = new DraftServer();
    const { store, keeper, stop } = open(server);
    expect(keeper.get()).to.deep.equal({ state: 'saved', at: 'before' });
    store.set(at(1));
    store.set(at(2));
    expect(keeper.get().state).to.equal('unsent');
    await until(() => keeper.get().state === 'saved');
    expect(server.settings).to.deep.equal(at(2));
    expect(server.saves).to.equal(1);
    expect(keeper.get()).to.deep.equal({ state: 'saved', at: NOW });
    stop();
  });

  it('are not said to be saved while a later change is not', async () => {
    const server = new DraftServer();
    const { store, keeper, stop } = open(server);
    store.set(at(1));
    const saving = keeper.settle();
    store.set(at(2));
    await saving;
    expect(keeper.get().state).to.equal('unsent');
    expect(await keeper.settle()).to.equal(true);
    expect(server.settings).to.deep.equal(at(2));
    expect(keeper.get().state).to.equal('saved');
    stop();
  });

  it('keep what is held, on the server and on the device, until it is let go', async () => {
    const server = new DraftServer();
    const kept = memoryEntries();
    const first = open(server, boxOver(server, kept));
    first.store.hold('seatHeight', true);
    expect(first.keeper.get().state).to.equal('unsent');
    expect(await first.keeper.settle()).to.equal(true);
    expect(server.held).to.deep.equal(['seatHeight']);
    server.reachable = false;
    first.store.hold('seatDepth', true);
    expect(await first.keeper.settle()).to.equal(false);
    first.stop();

    // The page is loaded again: what the server has not heard of yet is on the device.
    const second = open(server, boxOver(server, kept));
    await pause(20);
    expect(second.store.heldKinds).to.deep.equal(['seatDepth', 'seatHeight']);
    expect(second.store.held).to.deep.equal(at(0).positions);
    server.reachable = true;
    second.store.holdOnly([]);
    expect(await second.keeper.settle()).to.equal(true);
    expect(server.held).to.deep.equal([]);
    second.stop();
  });

  it('need not be sent again after undoing back to what was saved', async () => {
    const server = new DraftServer();
    const { store, keeper, stop } = open(server);
    store.set(at(1));
    store.undo();
    await pause(400);
    expect(server.saves).to.equal(0);
    expect(keeper.get().state).to.equal('saved');
    stop();
  });

  it('are kept without a connection, and taken up by the page that opens next', async () => {
    const server = new DraftServer();
    const kept = memoryEntries();
    server.reachable = false;
    const first = open(server, boxOver(server, kept));
    first.store.set(at(7));
    expect(await first.keeper.settle()).to.equal(false);
    expect(first.keeper.get().state).to.equal('kept');
    first.stop();

    const second = open(server, boxOver(server, kept));
    await pause(20);
    expect(second.store.get()).to.deep.equal(at(7));
    server.reachable = true;
    expect(await second.keeper.settle()).to.equal(true);
    expect(server.settings).to.deep.equal(at(7));
    second.stop();
  });

  it('of two who set at once are both kept; each field is decided', async () => {
    const server = new DraftServer();
    const [ada, bo] = [open(server), open(server)];
    ada.store.set(at(5, 0));
    expect(await ada.keeper.settle()).to.equal(true);
    bo.store.set(at(0, 3));
    expect(await bo.keeper.settle()).to.equal(false);
    expect(bo.keeper.get().state).to.equal('conflict');
    const conflict = bo.keeper.conflict()!;
    expect(conflict.mine).to.deep.equal(at(0, 3));
    expect(conflict.theirs.draft?.settings).to.deep.equal(at(5, 0));
    const chosen = mergeSettings(conflict.mine, at(5, 0), { seatHeight: 'theirs', seatDepth: 'mine' });
    await bo.keeper.decide(chosen, conflict.theirs);
    expect(await bo.keeper.settle()).to.equal(true);
    expect(server.settings).to.deep.equal(at(5, 3));
    expect(bo.store.get()).to.deep.equal(at(5, 3));
    expect(ada.keeper.seen(fittingWith(at(5, 3), server.revision), false)).to.equal(true);
    expect(ada.keeper.takenOver()).to.equal(true);
    ada.keeper.understood();
    expect(ada.keeper.takenOver()).to.equal(false);
    expect(ada.store.get()).to.deep.equal(at(5, 3));
    [ada, bo].forEach(({ stop }) => stop());
  });

  it('of two who set the same need no decision', async () => {
    const server = new DraftServer();
    const [ada, bo] = [open(server), open(server)];
    ada.store.set(at(5));
    await ada.keeper.settle();
    bo.store.set(at(5));
    await bo.keeper.settle();
    await until(() => bo.keeper.get().state === 'saved');
    expect(bo.keeper.conflict()).to.equal(null);
    expect(server.saves).to.equal(1);
    [ada, bo].forEach(({ stop }) => stop());
  });

  it('of somebody else are taken over only where nothing of ours is on its way', async () => {
    const server = new DraftServer();
    const { store, keeper, stop } = open(server);
    store.set(at(4));
    expect(keeper.seen(fittingWith(at(9), 8), false)).to.equal(false);
    expect(store.get()).to.deep.equal(at(4));
    await keeper.settle();
    expect(keeper.seen(fittingWith(at(9), 8), false)).to.equal(true);
    expect(store.get()).to.deep.equal(at(9));
    stop();
  });

  it('made after a change of our own stand on it, and meet nobody', async () => {
    const server = new DraftServer();
    const { store, keeper, stop } = open(server);
    await pause(5);
    // Choosing a place has changed the draft on the server; the settings follow before it is seen.
    server.settings = at(0, 9);
    server.revision = 2;
    store.set(at(6));
    expect(keeper.seen(fittingWith(at(0, 9), 2), true)).to.equal(false);
    expect(await keeper.settle()).to.equal(true);
    expect(server.settings).to.deep.equal(at(6));
    stop();
  });

  it('that an act has stored count as saved', async () => {
    const server = new DraftServer();
    const { store, keeper, stop } = open(server);
    await pause(5);
    store.set(at(3));
    keeper.adopt({ stage: 'reached', version: 0, settings: store.get(), held: [], savedAt: 'by the act' }, 2);
    await pause(450);
    expect(server.saves).to.equal(0);
    expect(keeper.get()).to.deep.equal({ state: 'saved', at: 'by the act' });
    stop();
  });
});
