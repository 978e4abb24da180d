import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { ABOUTS, CARDS, COMMON, OFFLINE, PAGES, SERVER, SHEET, WALK } from '../../src/words/en-GB';
import { SHIPPED_METHODS } from '../../src/core/method';
import { TABLES } from '../../src/core/population';

/** What a colleague would not say, and what they would say instead: docs/glossary.md. */
const NOT: readonly (readonly [RegExp, string])[] = [
  [/\bhead rests?\b(?! on)/i, 'headrest'],
  [/\bmeasures\b(?! itself)/i, 'measurements'],
  [/\bplaces?\b(?! the tape)/i, 'workstation'],
  [/\baims?\b|\baimed\b/i, 'target'],
  [/\bbands?\b/i, 'acceptable range'],
  [/\bhollow of\b/i, 'back of the knee; lumbar curve'],
  [/\broom behind the knee\b/i, 'gap behind the knee'],
  [/\bprominence\b/i, 'lumbar support depth'],
  [/\bspread of the arms\b/i, 'upper-arm abduction'],
  [/\bmeanwhile\b/i, 'while you were editing'],
  [/\bcomput(e|es|ed|ing)\b/i, 'calculate'],
  [/\bfrom memory\b/i, 'not verified against source'],
  [/[\d}] %/, '88%'],
  [/\bleft over\b|\bleaves nothing over\b/i, '12 mm too high'],
  [/\bwho says so\b/i, 'source'],
  [/\bcomes with the program\b/i, 'built in'],
  [/\bset aside\b/i, 'archived'],
  [/\btaken? (back|in|out)\b/i, 'undone; imported; exported'],
  [/\bhand(ed)? over\b/i, 'signed off'],
  [/\bcannot reach\b/i, 'out of range'],
  [/\bby the tape\b|\bby the level\b/i, 'from where; by inclinometer'],
  [/\brefused\b/i, 'do not use'],
  [/\barms (off|folded|height|width|depth)\b/i, 'armrests'],
  [/(?<!of-)\b(back|pad) (angle|height|reach|turn|slope)\b(?! of)/i, 'backrest, armrest'],
  [/\bthe lumbar\b(?! (support|curve|zones?))/i, 'lumbar support'],
  [/\bday-and-night\b/i, '24-hour'],
  [/\blet (it )?go\b|\blet mine go\b/i, 'discard; unpin'],
  [/\bforetold\b/i, 'predicted'],
  [/\btwentieth\b|\bnine tenths\b/i, 'percentile'],
  [/\bas is usual\b/i, 'typical'],
  [/\bstands there\b/i, 'value'],
  [/\bnobody chosen\b|\bby that name\b/i, 'no fitter selected; no results'],
  [/\bsome position fits\b/i, 'likely to fit'],
  [/\bwould settle\b/i, 'to be surer'],
  [/\bhold here\b|\bstays? held\b/i, 'pin, pinned'],
  [/\btables of bodies\b/i, 'body-size tables'],
  [/\bnew sitter\b|\badd sitter\b/i, 'add person'],
  [/\bcosts nothing\b/i, 'no cost'],
];
/** Where a word of the list is the right one. */
const EXCEPT: Readonly<Record<string, RegExp>> = {
  'seats.orientation.hint': /A standard measures with/,
};

const withoutHoles = (text: string): string => text.replace(/\{\w+\}/g, '{}');

describe('plain words', () => {
  const all = Object.entries({
    ...COMMON,
    ...PAGES,
    ...SERVER,
    ...ABOUTS,
    ...OFFLINE,
    ...WALK,
    ...SHEET,
    ...CARDS,
  });
  for (const [pattern, instead] of NOT)
    it(`says “${instead}”`, () => {
      const found = all
        .filter(([key, text]) => pattern.test(withoutHoles(text)) && !EXCEPT[key]?.test(text))
        .map(([key, text]) => `${key}: ${text}`);
      expect(found).to.deep.equal([]);
    });

  it('names and summarises built-in methods with the same words', () => {
    for (const { name, summary } of SHIPPED_METHODS)
      for (const [pattern] of NOT) expect(`${name}. ${summary}`).not.to.match(pattern);
  });

  it('names the sources of targets and tables with the same words', () => {
    const sources = [
      ...SHIPPED_METHODS.flatMap((m) => Object.values(m.targets).map((target) => target?.source ?? '')),
      ...TABLES.map(({ source }) => source),
    ];
    expect(sources.filter((source) => source !== '').length).to.be.greaterThan(TABLES.length);
    for (const source of sources) for (const [pattern] of NOT) expect(source).not.to.match(pattern);
  });

  it('writes what a newcomer reads with the same words', () => {
    const guide = join('docs', 'guide');
    for (const file of ['README.md', ...readdirSync(guide).map((name) => join(guide, name))]) {
      // An address and the name of a file are no words.
      const text = readFileSync(file, 'utf8').replace(/[\w/]+\.md\b|\]\([^)]*\)|`[^`]*`/g, ']');
      for (const [pattern, instead] of NOT)
        expect(pattern.exec(text)?.[0] ?? null, `${file}: ${instead}`).to.equal(null);
    }
  });
});
