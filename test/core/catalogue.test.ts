import { expect } from 'chai';
import MessageFormat from '@messageformat/core';
import offline from '../../src/words/compiled/offline';
import { ABOUTS, CARDS, COMMON, OFFLINE, PAGES, SERVER, SHEET, WALK } from '../../src/words/en-GB';
import '../../src/words/pages';
import '../../src/words/server';
import '../../src/words/walk';
import { addMessages } from '../../src/words/messages';
import { DEFAULT_READING, say, sayWith, t } from '../../src/words';
import { PSEUDO, pseudo } from '../../scripts/words.mjs';
import { message } from '../../src/core/message';

const ALL = { ...COMMON, ...PAGES, ...SERVER, ...ABOUTS, ...OFFLINE, ...WALK, ...SHEET, ...CARDS };
addMessages(offline);
const format = new MessageFormat('en');

/** Names of what a message takes. */
const holesOf = (text: string): string[] =>
  [...text.matchAll(/\{(\w+)(?:,|\})/g)].map((m) => m[1]!).filter((name) => !/^(one|other|zero)$/.test(name));

describe('the catalogue', () => {
  it('is compiled to what a parser makes of it', () => {
    for (const [key, text] of Object.entries(ALL)) {
      const values = Object.fromEntries(holesOf(text).map((name, i) => [name, i === 0 ? 1 : `«${name}»`]));
      expect(t(key, values), key).to.equal(String(format.compile(text)(values)));
    }
  });

  it('says one and several as a reader of English does, and large counts as the reader writes numbers', () => {
    expect(sayWith('list.all.people', { all: 1 })).to.equal('1 person.');
    const clicks = (n: number) =>
      say(
        message('position.clicks', {
          clicks: { count: n },
          end: { text: 'the lowest' },
          number: { count: n + 1 },
          of: { count: 1200 },
        }),
        DEFAULT_READING,
      );
    expect(clicks(1)).to.match(/^1 click from the lowest/);
    expect(clicks(2)).to.match(/^2 clicks from the lowest/);
    expect(clicks(2)).to.contain('1,200');
  });

  it('shows a key that nobody worded', () => {
    expect(t('no.such.key')).to.equal('no.such.key');
  });

  it('has no quotes that the message format would swallow', () => {
    for (const [key, text] of Object.entries(ALL)) expect(text, key).not.to.match(/'[{}#]/);
  });
});

describe('the made-up language', () => {
  it('keeps every hole, and is four tenths longer', () => {
    expect(PSEUDO).to.equal('en-XA');
    for (const [key, text] of Object.entries(ALL)) {
      const made = pseudo(text);
      expect(holesOf(made), key).to.deep.equal(holesOf(text));
      const values = Object.fromEntries(holesOf(text).map((name) => [name, 1]));
      const [plain, strange] = [String(format.compile(text)(values)), String(format.compile(made)(values))];
      if (/[a-z]/i.test(plain.replace(/\d/g, ''))) expect(strange.length, key).to.be.at.least(plain.length);
    }
    expect(pseudo('{n, plural, one {# seat} other {# seats}} in {place}')).to.match(
      /^\{n, plural, one \{# šéåţ\} other \{# šéåţš\}\} îñ \{place\}/,
    );
  });
});
