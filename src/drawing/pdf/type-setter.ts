/** Sets type on a PDF page: one face in two weights, each in the parts that its files come in. */
import { createRequire } from 'node:module';
import { unpackedFont } from './unpacked-font';

export type Weight = 'regular' | 'strong';

export interface Span {
  readonly text: string;
  readonly weight: Weight;
}

/** Line height over type size. */
const LEADING = 1.28;
const WEIGHTS: Record<Weight, number> = { regular: 400, strong: 700 };
/** The files of a weight, the first that has a letter is used. */
const PARTS = ['latin', 'latin-ext'] as const;

/** What the library knows of an open font but does not declare. */
interface OpenFont {
  readonly hasGlyphForCodePoint: (codePoint: number) => boolean;
}

interface Run {
  readonly text: string;
  readonly face: string;
}

interface Word {
  readonly runs: readonly Run[];
  readonly width: number;
}

const faceName = (weight: Weight, part: string): string => `${weight}/${part}`;

export class TypeSetter {
  private readonly coverage = new Map<string, OpenFont>();
  /** Known words: a page is measured at one size after the other before it is drawn. */
  private readonly words = new Map<string, Word>();

  constructor(readonly doc: PDFKit.PDFDocument) {
    const { resolve } = createRequire(import.meta.url);
    for (const [weight, number] of Object.entries(WEIGHTS) as [Weight, number][]) {
      for (const part of PARTS) {
        const face = faceName(weight, part);
        doc.registerFont(
          face,
          unpackedFont(
            resolve(
              `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${part}-${number}-normal.woff`,
            ),
          ),
        );
        doc.font(face);
        this.coverage.set(face, (doc as unknown as { _font: { font: OpenFont } })._font.font);
      }
    }
  }

  /** A line of type on a base line, in the given face sizes; returns its width. */
  line(spans: readonly Span[], x: number, top: number, size: number): number {
    let at = x;
    for (const word of spans.map((s) => this.word(s.text, s.weight, size))) {
      this.put(word, at, top, size);
      at += word.width;
    }
    return at - x;
  }

  widthOf(spans: readonly Span[], size: number): number {
    return spans.reduce((sum, s) => sum + this.word(s.text, s.weight, size).width, 0);
  }

  /**
   * A paragraph broken to a width; a word that is longer than the line is broken where it ends.
   * @param draw whether it is drawn or only measured
   * @returns its height
   */
  paragraph(
    spans: readonly Span[],
    x: number,
    top: number,
    width: number,
    size: number,
    draw = true,
  ): number {
    const space = this.word(' ', 'regular', size).width;
    let [at, y] = [x, top];
    for (const span of spans) {
      for (const text of span.text.split(/\s+/).filter(Boolean)) {
        for (const word of this.broken(text, span.weight, width, size)) {
          if (at > x && at + word.width > x + width) [at, y] = [x, y + size * LEADING];
          if (draw) this.put(word, at, y, size);
          at += word.width + space;
        }
      }
    }
    return y - top + size * LEADING;
  }

  private broken(text: string, weight: Weight, width: number, size: number): Word[] {
    const whole = this.word(text, weight, size);
    if (whole.width <= width) return [whole];
    const parts: string[] = [];
    let part = '';
    for (const letter of text) {
      if (part !== '' && this.word(part + letter, weight, size).width > width) {
        parts.push(part);
        part = '';
      }
      part += letter;
    }
    return [...parts, part].map((p) => this.word(p, weight, size));
  }

  /** A word in runs of the faces that have its letters. */
  private word(text: string, weight: Weight, size: number): Word {
    const key = `${weight} ${text}`;
    const known = this.words.get(key) ?? this.wordOf(text, weight);
    this.words.set(key, known);
    return { runs: known.runs, width: known.width * size };
  }

  /** With its width in type sizes. */
  private wordOf(text: string, weight: Weight): Word {
    const runs: { text: string; face: string }[] = [];
    for (const letter of text) {
      const face = this.faceFor(letter, weight);
      const last = runs.at(-1);
      if (last?.face === face) last.text += letter;
      else runs.push({ text: letter, face });
    }
    const width = runs.reduce(
      (sum, run) => sum + this.doc.font(run.face).fontSize(1).widthOfString(run.text),
      0,
    );
    return { runs, width };
  }

  private faceFor(letter: string, weight: Weight): string {
    const codePoint = letter.codePointAt(0) ?? 0;
    const has = PARTS.find((part) =>
      this.coverage.get(faceName(weight, part))?.hasGlyphForCodePoint(codePoint),
    );
    return faceName(weight, has ?? PARTS[0]);
  }

  private put(word: Word, x: number, top: number, size: number): void {
    let at = x;
    for (const run of word.runs) {
      this.doc.font(run.face).fontSize(size).text(run.text, at, top, { lineBreak: false });
      at += this.doc.widthOfString(run.text);
    }
  }
}
