/** What is typed into forms, and what it comes to: without a browser. */
import { expect } from 'chai';
import fc from 'fast-check';
import '../../src/words/pages';
import { DIMENSIONS, DIMENSION_IDS } from '../../src/core/body';
import { SHIPPED_METHODS } from '../../src/core/method';
import { DEMO_PLACES } from '../../src/demo/places';
import { PlaceEditSchema } from '../../src/contract';
import { faultOf, readingsOf, typed } from '../../src/islands/shared/measures/use-measures';
import { differingFields, readPlace, sayField, textsOf, toggled } from '../../src/islands/places/place-text';
import { faultsOf, readMethod, textOf } from '../../src/islands/practice/method-text';
import { asRecord, recordMet } from '../../src/ui/current';
import { ClientError } from '../../src/ui/client-error';
import { readBetween } from '../../src/ui/read-length';
import { DEFAULT_READING, type Reading } from '../../src/words';
import { evenly } from '../support/evenly';

const ID = '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a01';
const READINGS: readonly Reading[] = [
  DEFAULT_READING,
  { ...DEFAULT_READING, length: 'cm' },
  { ...DEFAULT_READING, length: 'in', mass: 'lb' },
];
const clean = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

describe('the form of a workstation', () => {
  it('gives every demo workstation back as it was read, in mm', () => {
    for (const demo of DEMO_PLACES) {
      const place = { ...demo, id: ID };
      const { edit, faults } = readPlace(ID, textsOf(place, DEFAULT_READING), DEFAULT_READING);
      expect(faults, place.name).to.deep.equal({});
      expect(PlaceEditSchema.safeParse(clean(edit)).success, place.name).to.equal(true);
      const again = { ...place, adjustments: [edit.desk, edit.screen, edit.footrest].filter((a) => !!a) };
      expect(differingFields(textsOf(place, DEFAULT_READING), textsOf(again, DEFAULT_READING))).to.deep.equal(
        [],
      );
    }
  });

  it('keeps what a seat needs there, and says it in words', () => {
    const texts = textsOf({ ...DEMO_PLACES[1]!, id: ID }, DEFAULT_READING);
    expect(sayField('needs', texts)).to.equal('any');
    const ticked = {
      ...texts,
      needs: toggled(toggled('', 'harness'), 'suspension'),
      seatClasses: 'operator',
    };
    expect(readPlace(ID, ticked, DEFAULT_READING).edit).to.deep.include({
      needs: ['suspension', 'harness'],
      seatClasses: ['operator'],
    });
    expect(sayField('needs', ticked)).to.equal('Harness, Suspension');
    expect(toggled(ticked.needs, 'harness')).to.equal('suspension');
    expect(differingFields(texts, ticked)).to.deep.equal(['needs', 'seatClasses']);
  });

  it('means the same lengths in every unit, to the finest that is written', () => {
    for (const reading of READINGS)
      for (const demo of DEMO_PLACES) {
        const place = { ...demo, id: ID };
        const { edit, faults } = readPlace(ID, textsOf(place, reading), reading);
        expect(faults, `${place.name} ${reading.length}`).to.deep.equal({});
        // Inches are written to the sixteenth.
        expect(edit.deskThicknessMm).to.be.closeTo(place.deskThicknessMm, 0.8);
      }
  });

  it('says at the field what cannot be, and takes nothing for it', () => {
    const blank = textsOf(null, DEFAULT_READING);
    expect(readPlace(ID, blank, DEFAULT_READING).faults).to.include.keys('name', 'height');
    const desk = {
      ...blank,
      name: 'Hatch',
      form: 'slides' as const,
      deskThicknessMm: '30',
      keyboardThicknessMm: '20',
    };
    const faultAt = (change: Partial<typeof desk>) =>
      Object.keys(
        readPlace(ID, { ...desk, lowest: '650', highest: '850', ...change }, DEFAULT_READING).faults,
      );
    expect(faultAt({})).to.deep.equal([]);
    expect(faultAt({ deskThicknessMm: '3000' })).to.deep.equal(['deskThicknessMm']);
    expect(faultAt({ drawerMm: 'wide' })).to.deep.equal(['drawerMm']);
    expect(faultAt({ lowest: '900' }).length).to.be.greaterThan(0);
    expect(faultAt({ highest: '' })).to.include('highest');
  });

  it('says each field in words where two versions differ', () => {
    const texts = textsOf({ ...DEMO_PLACES[1]!, id: ID }, DEFAULT_READING);
    for (const key of Object.keys(texts) as (keyof typeof texts)[])
      expect(sayField(key, texts), key)
        .to.match(/\S/)
        .and.not.to.match(/^[a-z]+\.[a-z]/);
    expect(differingFields(texts, { ...texts, name: 'Other', notes: 'x' })).to.have.members([
      'name',
      'notes',
    ]);
  });
});

describe('the form of a method', () => {
  it('gives every built-in method back as it was read, and finds nothing wrong with it', () => {
    for (const method of SHIPPED_METHODS) {
      const read = readMethod(method, textOf(method), DEFAULT_READING);
      expect(clean(read), method.id).to.deep.equal(clean(method));
      expect(faultsOf(method), method.id).to.deep.equal({});
    }
  });

  it('says at the field what is no number, and at the row what does not rise', () => {
    const [method] = SHIPPED_METHODS as [(typeof SHIPPED_METHODS)[number]];
    const text = textOf(method);
    const faults = (change: Partial<typeof text>) =>
      Object.keys(faultsOf(readMethod(method, { ...text, ...change }, DEFAULT_READING)));
    expect(faults({ headRestFrom: 'late' })).to.deep.equal(['headRestFromDeg']);
    expect(faults({ reported: { ...text.reported, knee: { lo: '120', hi: '90' } } })).to.deep.equal([
      'reported/knee',
    ]);
    const thigh = {
      hardLo: '',
      bandLo: '9',
      aimLo: '0',
      aimHi: '0',
      bandHi: '4',
      hardHi: '',
      weight: '2',
      source: '',
    };
    expect(faults({ targets: { thigh } })).to.deep.equal(['thigh']);
  });
});

describe('a measurement as it is typed', () => {
  it('is read back as it was written, in every unit', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DIMENSION_IDS),
        evenly(0, 1),
        fc.constantFrom(...READINGS),
        (id, share, reading) => {
          const { lowest, highest } = DIMENSIONS[id];
          const value = Math.round(lowest + 1 + share * (highest - lowest - 2));
          expect(faultOf(id, typed(id, value, reading), reading)).to.equal(null);
        },
      ),
      { seed: 5, numRuns: 400 },
    );
  });

  it('is asked about where it can mean two things, and explained where no body has it', () => {
    expect(readingsOf('stature', '1,740', DEFAULT_READING)).to.include('1740');
    expect(faultOf('stature', '1,740', DEFAULT_READING)).to.be.a('string');
    expect(faultOf('stature', '17', DEFAULT_READING)).to.contain('2400');
    expect(faultOf('stature', 'tall', DEFAULT_READING)).to.be.a('string');
    expect(faultOf('stature', '', DEFAULT_READING)).to.equal(null);
  });

  it('is held between ends where it has any', () => {
    expect(readBetween('5,6 cm', [30, 80], DEFAULT_READING)).to.include({ value: 56, fault: null });
    expect(readBetween('750', [40, 110], DEFAULT_READING).fault).to.contain('110');
  });
});

describe('a record out of a refusal', () => {
  it('is taken where it looks like one, and never out of something else', () => {
    const session = { id: ID, taken: [], clothes: '', notes: '', version: 2 };
    expect(asRecord('session', session)).to.equal(session);
    for (const odd of [null, undefined, 'x', [], {}, { version: 1 }])
      expect(asRecord('session', odd)).to.equal(null);
    expect(asRecord('fitting', session)).to.equal(null);
    const problem = { type: 't', title: 'Changed', status: 412, current: session };
    expect(recordMet('session', new ClientError('refused', problem))).to.equal(session);
    expect(recordMet('session', new Error('other'))).to.equal(null);
  });
});
