import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect } from 'chai';
import { plainFontOf } from '../../src/drawing/pdf/unpacked-font';

const require = createRequire(import.meta.url);
const { resolve } = require;
/** The library that lays out what is printed. */
const { create } = require('fontkit') as { readonly create: (file: Buffer) => Font };

interface Font {
  readonly numGlyphs: number;
  readonly getGlyph: (id: number) => {
    readonly advanceWidth: number;
    readonly path: { readonly toSVG: () => string };
  };
}

const FILES = ['latin-400', 'latin-700', 'latin-ext-400', 'latin-ext-700'].map((part) =>
  resolve(`@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${part}-normal.woff`),
);

describe('a face unpacked', () => {
  it('has every letter of the packed one, as wide and of the same outline (read by a general font library)', () => {
    for (const path of FILES) {
      const packed = readFileSync(path);
      const [before, after] = [create(packed), create(plainFontOf(packed))];
      expect(after.numGlyphs).to.equal(before.numGlyphs);
      for (let id = 0; id < before.numGlyphs; id += 7) {
        const [a, b] = [before.getGlyph(id), after.getGlyph(id)];
        expect(b.advanceWidth).to.equal(a.advanceWidth);
        expect(b.path.toSVG()).to.equal(a.path.toSVG());
      }
    }
  }).timeout(60_000);

  it('has tables that add up to their own checksums', () => {
    const font = plainFontOf(readFileSync(FILES[0]!));
    const count = font.readUInt16BE(4);
    expect(count).to.be.greaterThan(8);
    for (let i = 0; i < count; i++) {
      const entry = font.subarray(12 + 16 * i);
      const [sum, offset, length] = [entry.readUInt32BE(4), entry.readUInt32BE(8), entry.readUInt32BE(12)];
      let own = 0;
      for (let at = offset; at < offset + length; at += 4) own = (own + font.readUInt32BE(at)) >>> 0;
      // That of the head is told without the sum of the whole file, which stands in it.
      const tag = entry.toString('latin1', 0, 4);
      if (tag === 'head') own = (own - font.readUInt32BE(offset + 8)) >>> 0;
      expect(own, tag).to.equal(sum);
    }
  });

  it('is refused where it is none', () => {
    expect(() => plainFontOf(Buffer.from('no font at all'))).to.throw('not a WOFF file');
  });
});
