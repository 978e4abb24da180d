import { expect } from 'chai';
import fc from 'fast-check';
import type { StateLink } from '../../src/contract/state-link';
import { STATE_LINK_VERSION } from '../../src/contract/state-link-version';
import { ADJUSTMENT_KIND_IDS } from '../../src/core/seat';
import { keysOf } from '../../src/ui/commands';
import { fragmentOf, stateIn } from '../../src/ui/state-link';

const anyState: fc.Arbitrary<StateLink> = fc.record({
  v: fc.constant(STATE_LINK_VERSION),
  fitting: fc.uuid(),
  seat: fc.uuid(),
  place: fc.option(fc.uuid(), { nil: null }),
  method: fc.uuid(),
  settings: fc.record({
    positions: fc.dictionary(fc.constantFrom(...ADJUSTMENT_KIND_IDS), fc.integer({ min: 0, max: 5000 })),
    remedies: fc.record({
      footrestMm: fc.integer({ min: 0, max: 4000 }).map((n) => n / 10),
      backCushionMm: fc.integer({ min: 0, max: 2000 }).map((n) => n / 10),
    }),
  }),
});

describe('a link of a state', () => {
  it('gives back the same state, from an address that needs no escaping', async () => {
    await fc.assert(
      fc.asyncProperty(anyState, async (state) => {
        const fragment = await fragmentOf(state);
        expect(fragment).to.match(/^#state=1\.[\w-]+$/);
        expect(JSON.parse(JSON.stringify(await stateIn(fragment)))).to.deep.equal(
          JSON.parse(JSON.stringify(state)),
        );
      }),
      { numRuns: 100 },
    );
  });

  it('is none in any other fragment', async () => {
    for (const fragment of ['', '#content', '#states=1.abc'])
      expect(await stateIn(fragment), fragment).to.equal(null);
  });

  it('is unreadable where it is cut, altered, of another version or a bomb', async () => {
    const [state] = fc.sample(anyState, { numRuns: 1, seed: 7 });
    const good = await fragmentOf(state!);
    const zeros = new Uint8Array(5_000_000);
    const stream = new Blob([zeros]).stream().pipeThrough(new CompressionStream('deflate-raw'));
    const bomb = Buffer.from(await new Response(stream).arrayBuffer()).toString('base64url');
    const wrong = [
      good.slice(0, -6),
      good.replace('=1.', '=2.').slice(0, 40),
      '#state=1.',
      '#state=1.!!!',
      '#state=1.AAAA',
      `#state=1.${bomb}`,
      `#state=1.${'A'.repeat(30_000)}`,
    ];
    for (const fragment of wrong)
      expect(await stateIn(fragment), fragment.slice(0, 40)).to.equal('unreadable');
  });
});

describe('a key as commands name it', () => {
  const press = (
    key: string,
    more: Partial<Record<'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey', boolean>> = {},
  ) => keysOf({ key, ctrlKey: false, metaKey: false, shiftKey: false, altKey: false, ...more });

  it('counts Command as Ctrl and the shift of a sign as part of the sign', () => {
    expect(press('z', { ctrlKey: true })).to.equal('Ctrl+Z');
    expect(press('Z', { metaKey: true, shiftKey: true })).to.equal('Ctrl+Shift+Z');
    expect(press('?', { shiftKey: true })).to.equal('?');
    expect(press('3')).to.equal('3');
    expect(press('s')).to.equal('S');
    expect(press('k', { altKey: true, ctrlKey: true })).to.equal('Ctrl+Alt+K');
  });
});
