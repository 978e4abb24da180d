/** Sentences that can be read once: at most thirty words in what is written for users and contributors. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';

const MOST_WORDS = 30;
/** The model is read beside its formulas, and the design beside its pictures. */
const READ_SLOWLY = ['model.md', 'design.md'];

const pages = [
  'README.md',
  'CONTRIBUTING.md',
  'CHANGELOG.md',
  ...readdirSync('docs')
    .filter((name) => name.endsWith('.md') && !READ_SLOWLY.includes(name))
    .map((name) => join('docs', name)),
  ...readdirSync('docs/guide').map((name) => join('docs/guide', name)),
];

/** Without code, tables, pictures, headings and addresses of links. */
function sentencesOf(page: string): string[] {
  const prose = page
    .replace(/```[\s\S]*?```/g, '')
    .split('\n')
    .filter((line) => !/^\s*[|!#]/.test(line))
    .join('\n')
    .replace(/`[^`]*`/g, 'X')
    .replace(/\]\([^)]*\)/g, ']');
  return prose
    .split(/\n\s*\n|\n\s*(?:-|\d\.) /)
    .flatMap((paragraph) => paragraph.split(/(?<=[.!?:]\**_?\)?)\s+/))
    .map((sentence) => sentence.replace(/\s+/g, ' ').trim());
}

describe('the sentences of the documents', () => {
  it('have at most thirty words', () => {
    const long = pages.flatMap((page) =>
      sentencesOf(readFileSync(page, 'utf8'))
        .filter((sentence) => sentence.split(' ').length > MOST_WORDS)
        .map((sentence) => `${page}: ${sentence}`),
    );
    expect(pages.length).to.be.greaterThan(10);
    expect(long).to.deep.equal([]);
  });

  it('would be found where they are longer', () => {
    expect(sentencesOf(`One. ${'word '.repeat(31)}end. Two.`)[1]!.split(' ')).to.have.length(32);
  });
});
