import { expect } from 'chai';
import fc from 'fast-check';
import { dateOrder, isDate, readDate, writeDate } from '../../src/ui/read-date';

const LOCALES = ['en-GB', 'en-US', 'de-DE', 'sv-SE', 'ja-JP'];

describe('a date as a reader types it', () => {
  it('is read in the order of the reader', () => {
    expect(readDate('3/2/2019', 'en-GB')).to.equal('2019-02-03');
    expect(readDate('3/2/2019', 'en-US')).to.equal('2019-03-02');
    expect(readDate('03.02.2019', 'de-DE')).to.equal('2019-02-03');
    expect(readDate('2019-02-03', 'en-US')).to.equal('2019-02-03');
    expect(dateOrder('en-GB')).to.deep.equal(['day', 'month', 'year']);
  });

  it('is none where a day is missing, does not exist, or the year has two digits', () => {
    for (const text of ['', '3/2', '31/4/2019', '29/2/2019', '3/2/19', '3/13/2019', 'tomorrow', '1/2/3/2019'])
      expect(readDate(text, 'en-GB'), text).to.equal(null);
    expect(readDate('29/2/2020', 'en-GB')).to.equal('2020-02-29');
  });

  it('comes back as it was written, in every locale', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1900-01-01'), max: new Date('2099-12-31'), noInvalidDate: true }),
        fc.constantFrom(...LOCALES),
        (day, locale) => {
          const date = day.toISOString().slice(0, 10);
          expect(isDate(date)).to.equal(true);
          expect(readDate(writeDate(date, locale), locale), `${date} ${locale}`).to.equal(date);
        },
      ),
    );
  });

  it('is shown as it was typed where it is none', () => {
    expect(writeDate('soon', 'en-GB')).to.equal('soon');
    expect(writeDate('1987-12-28', 'en-GB')).to.equal('28/12/1987');
  });
});
