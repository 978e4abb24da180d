import { install, type Clock } from '@sinonjs/fake-timers';
import { expect } from 'chai';
import { NO_REMEDIES, solve } from '../../src/core/fit';
import { derived } from '../../src/drawing/follow';
import { Live } from '../../src/islands/fitting/live';
import { SettingsStore } from '../../src/islands/fitting/settings-store';
import { problemFor } from '../support/inputs';

describe('what follows from the settings while they are dragged', () => {
  const problem = problemFor();
  const start = solve(problem, { remedies: NO_REMEDIES }).settings;
  let clock: Clock;
  beforeEach(() => {
    clock = install({ toFake: ['performance', 'setTimeout', 'clearTimeout'] });
  });
  afterEach(() => clock.uninstall());
  const at = (seatHeight: number) => ({ ...start, positions: { ...start.positions, seatHeight } });

  function following() {
    const store = new SettingsStore(start);
    const live = new Live(problem, store);
    const heard = {
      every: [] as number[],
      paced: [] as number[],
      calm: [] as number[],
      atRest: [] as number[],
    };
    const position = () => live.get().settings.positions.seatHeight!;
    live.subscribe(() => heard.every.push(position()));
    live.paced.subscribe(() => heard.paced.push(position()));
    live.calm.subscribe(() => heard.calm.push(position()));
    live.atRest.subscribe(() => heard.atRest.push(position()));
    return { store, live, heard };
  }

  it('is worked out once for each of them, and is the same object where nothing has changed', () => {
    const { store, live } = following();
    const before = live.get();
    expect(live.get()).to.equal(before);
    store.set(at(10));
    expect(live.get()).not.to.equal(before);
    expect(live.outcomeIn(live.get(), 'seatDepth')).to.equal(live.outcomeIn(before, 'seatDepth'));
    expect(live.outcomeIn(live.get(), 'seatHeight').position).to.equal(10);
  });

  it('is heard with every move on a device that keeps up', () => {
    const { store, heard } = following();
    store.set(at(1));
    for (let n = 2; n < 12; n++) store.drag(at(n));
    expect(heard.every).to.have.length(11);
    expect(heard.paced).to.have.length(11);
    store.endDrag();
  });

  it('lets every other move go by on one that does not, and comes to rest at the last', () => {
    const { store, heard } = following();
    store.set(at(1));
    for (let n = 2; n < 12; n++) {
      clock.tick(40);
      store.drag(at(n));
    }
    store.drag(at(12));
    expect(heard.every).to.have.length(12);
    expect(heard.paced).to.deep.equal([1, 3, 5, 7, 9, 11, 12]);
    clock.tick(40);
    store.drag(at(13));
    expect(heard.paced.at(-1)).to.equal(12);
    clock.tick(100);
    expect(heard.paced.at(-1)).to.equal(13);
    clock.tick(40);
    store.drag(at(20));
    store.endDrag();
    expect(heard.paced.at(-1)).to.equal(20);
  });

  it('says sentences where a drag pauses, words for the ear at the end, and both at once where nothing is dragged', () => {
    const { store, heard } = following();
    for (let n = 2; n < 22; n++) {
      clock.tick(30);
      store.drag(at(n));
    }
    expect(heard.calm).to.deep.equal([]);
    clock.tick(250);
    expect(heard.calm).to.deep.equal([21]);
    store.drag(at(22));
    expect(heard.atRest).to.deep.equal([]);
    store.endDrag();
    // What follows waits until letting go is drawn.
    expect(heard.calm).to.deep.equal([21]);
    expect(heard.atRest).to.deep.equal([]);
    clock.tick(250);
    expect(heard.calm).to.deep.equal([21, 22]);
    expect(heard.atRest).to.deep.equal([22]);
    store.set(at(3));
    expect(heard.calm.at(-1)).to.equal(3);
    expect(heard.atRest.at(-1)).to.equal(3);
  });

  it('lets what is derived from it be made once for each value', () => {
    const { store, live } = following();
    let made = 0;
    const derivedOne = derived(live, (a) => ({ made: ++made, at: a.settings.positions.seatHeight }));
    expect(derivedOne.get()).to.equal(derivedOne.get());
    store.set(at(5));
    expect(derivedOne.get()).to.deep.equal({ made: 2, at: 5 });
  });
});
