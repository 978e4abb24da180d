import { expect } from 'chai';
import { DeviceStorage } from '../../src/ui/device-storage';

/** A browser's storage, as far as it is used. */
function storage(): Storage {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
    clear: () => kept.clear(),
    key: () => null,
    length: 0,
  };
}
const denied = (): Storage => {
  throw new Error('Access is denied');
};

describe('what a browser keeps at once', () => {
  it('is kept in its storage', () => {
    const real = storage();
    const one = new DeviceStorage(() => real);
    one.set('a', '1');
    expect(new DeviceStorage(() => real).get('a')).to.equal('1');
    one.remove('a');
    expect(one.get('a')).to.equal(null);
    expect(real.getItem('a')).to.equal(null);
  });

  it('lives as long as the page where the storage may not be touched, or is full', () => {
    const full: Storage = {
      ...storage(),
      setItem: () => {
        throw new Error('QuotaExceededError');
      },
    };
    for (const open of [denied, () => full]) {
      const one = new DeviceStorage(open);
      expect(one.get('a')).to.equal(null);
      one.set('a', '1');
      expect(one.get('a')).to.equal('1');
      one.remove('a');
      expect(one.get('a')).to.equal(null);
    }
  });
});

describe('drafts on this device', () => {
  const before = globalThis.window;
  after(() => {
    globalThis.window = before;
  });

  it('are there at once, before the database has them, and the newest is the one that counts', async () => {
    const real = storage();
    globalThis.window = { localStorage: real, sessionStorage: real } as Window & typeof globalThis;
    const { keepDraft, loadDraft } = await import('../../src/ui/outbox/device');
    // There is no database here: what is written at once has to do.
    const first = keepDraft('form', { name: 'Ru' }).catch(() => undefined);
    const second = keepDraft('form', { name: 'Runa' }).catch(() => undefined);
    expect(await loadDraft('form')).to.deep.equal({ name: 'Runa' });
    await Promise.all([first, second]);
    expect(await loadDraft('form')).to.deep.equal({ name: 'Runa' });
  });
});
