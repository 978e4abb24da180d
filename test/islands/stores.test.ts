import '../../src/words/pages';
import { expect } from 'chai';
import type { Settings } from '../../src/core/fit';
import { SettingsStore } from '../../src/islands/fitting/settings-store';
import { faultOf, readingsOf, typed, unitOf } from '../../src/islands/shared/measures/use-measures';
import { readPlace, textsOf } from '../../src/islands/places/place-text';
import { DEFAULT_READING } from '../../src/words';
import { listed, placeWith, slides } from '../support/inputs';

const at = (seatHeight: number): Settings => ({
  positions: { seatHeight },
  remedies: { footrestMm: 0, backCushionMm: 0 },
});

describe('settings under the hand', () => {
  it('undo and redo step by step', () => {
    const store = new SettingsStore(at(0));
    store.set(at(1));
    store.set(at(2));
    store.undo();
    expect(store.get()).to.deep.equal(at(1));
    store.redo();
    expect(store.get()).to.deep.equal(at(2));
    store.undo();
    store.undo();
    expect(store.get()).to.deep.equal(at(0));
    expect(store.canUndo).to.equal(false);
    store.undo();
    expect(store.get()).to.deep.equal(at(0));
  });

  it('take a whole drag back as one step', () => {
    const store = new SettingsStore(at(0));
    for (const position of [1, 2, 3, 4]) store.drag(at(position));
    store.endDrag();
    expect(store.get()).to.deep.equal(at(4));
    store.undo();
    expect(store.get()).to.deep.equal(at(0));
    expect(store.canRedo).to.equal(true);
  });

  it('forget what was undone once something new is set', () => {
    const store = new SettingsStore(at(0));
    store.set(at(1));
    store.undo();
    store.set(at(5));
    expect(store.canRedo).to.equal(false);
  });

  it('do not count a touch that moved nothing', () => {
    const store = new SettingsStore(at(0));
    store.endDrag();
    expect(store.canUndo).to.equal(false);
  });

  it('tell those who listen, until they stop', () => {
    const store = new SettingsStore(at(0));
    let heard = 0;
    const stop = store.subscribe(() => heard++);
    store.set(at(1));
    stop();
    store.set(at(2));
    expect(heard).to.equal(1);
  });
});

describe('a measure as typed', () => {
  const inches = { ...DEFAULT_READING, length: 'in', mass: 'lb' } as const;

  it('has no fault where it can be taken or is empty', () => {
    for (const text of ['445', '44,5 cm', '17 1/2"', ''])
      expect(faultOf('poplitealHeight', text, DEFAULT_READING), text).to.equal(null);
  });

  it('says in the reader’s unit between what it must lie', () => {
    expect(faultOf('poplitealHeight', '44.5', DEFAULT_READING)).to.equal(
      'Outside 150–650 mm. Check the unit and the row.',
    );
    expect(faultOf('poplitealHeight', '445', inches)).to.match(/Outside 5 7\/8–25 9\/16 in/);
    expect(faultOf('bodyMass', '500', DEFAULT_READING)).to.match(/Outside 7–350 kg/);
  });

  it('offers both readings of what is ambiguous', () => {
    expect(faultOf('stature', '1,740', DEFAULT_READING)).to.equal(
      'This could mean 1.7 mm or 1740 mm. Which one?',
    );
  });

  it('offers of those only what a body can have', () => {
    expect(readingsOf('stature', '1,740', DEFAULT_READING)).to.deep.equal(['1740']);
    expect(readingsOf('stature', '1740', DEFAULT_READING)).to.deep.equal([]);
  });

  it('is shown in the unit chosen', () => {
    expect(typed('poplitealHeight', 444.5, inches)).to.equal('17 1/2');
    expect(typed('bodyMass', 72.57, inches)).to.equal('160');
    expect(unitOf('bodyMass', inches)).to.equal('lb');
    expect(unitOf('stature', inches)).to.equal('in');
  });
});

describe('a place as typed', () => {
  const base = textsOf(null, DEFAULT_READING);

  it('reads every form of desk', () => {
    const fixed = readPlace(
      'p',
      { ...base, name: 'A', height: '740', deskThicknessMm: '3 cm' },
      DEFAULT_READING,
    );
    expect(fixed.faults).to.deep.equal({});
    expect(fixed.edit.desk?.travel).to.have.property('type', 'listed');
    expect(fixed.edit.deskThicknessMm).to.equal(30);
    const free = readPlace(
      'p',
      { ...base, name: 'A', form: 'slides', lowest: '65 cm', highest: '125 cm', deskThicknessMm: '30' },
      DEFAULT_READING,
    );
    expect(free.faults).to.deep.equal({});
    const stops = readPlace(
      'p',
      { ...base, name: 'A', form: 'stops', stops: '780; 740;780', deskThicknessMm: '30' },
      DEFAULT_READING,
    );
    expect(
      stops.edit.desk?.travel.type === 'listed' && stops.edit.desk.travel.values.map((v) => v.value),
    ).to.deep.equal([740, 780]);
    expect(readPlace('p', { ...base, name: 'A', form: 'none' }, DEFAULT_READING).edit.desk).to.equal(null);
  });

  it('says field by field what is wrong', () => {
    const wrong = readPlace('p', { ...base, height: '74', deskThicknessMm: 'thick' }, DEFAULT_READING);
    expect(Object.keys(wrong.faults)).to.have.members(['name', 'height', 'deskThicknessMm']);
    const reversed = readPlace(
      'p',
      { ...base, name: 'A', form: 'slides', lowest: '900', highest: '700', deskThicknessMm: '30' },
      DEFAULT_READING,
    );
    expect(reversed.faults).to.deep.equal({ highest: 'The highest value is below the lowest.' });
    const none = readPlace(
      'p',
      { ...base, name: 'A', form: 'stops', stops: ' ; ', deskThicknessMm: '30' },
      DEFAULT_READING,
    );
    expect(none.faults).to.have.property('stops');
  });

  it('shows a stored place as it would be typed', () => {
    expect(textsOf(placeWith(listed(740)), DEFAULT_READING)).to.deep.include({
      form: 'fixed',
      height: '740',
      deskThicknessMm: '30',
      keyboardThicknessMm: '20',
    });
    expect(textsOf(placeWith(slides(650, 1250)), DEFAULT_READING)).to.deep.include({
      form: 'slides',
      lowest: '650',
      highest: '1250',
    });
    expect(textsOf(placeWith(listed(740, 780)), DEFAULT_READING)).to.deep.include({
      form: 'stops',
      stops: '740; 780',
    });
    expect(textsOf(placeWith(null), DEFAULT_READING).form).to.equal('none');
  });
});
