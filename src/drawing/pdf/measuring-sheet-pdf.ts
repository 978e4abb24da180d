/** A sheet to measure somebody by on paper: where each dimension runs, and room for what the tape says. */
import type { Scene } from '../../core/scene';
import { t, type Reading } from '../../words';
import { viewMarks } from '../scene-marks';
import { paintMarks } from './drawings-pdf';
import { MARGIN, PAPERS, documentOf, mm, type Paper } from './paper';
import { TypeSetter, type Span } from './type-setter';

/** One dimension; texts of readings that were taken, empty where there is room for them. */
export interface SheetLine {
  readonly name: string;
  readonly how: string;
  readonly unit: string;
  /** By how much two readings may differ before a third is taken. */
  readonly tolerance: string;
  readonly figure: Scene;
  readonly takes: readonly [string, string, string];
  readonly counts: string;
  /** When and by whom; empty on a blank sheet. */
  readonly taken: string;
}

export interface MeasuringSheet {
  readonly title: string;
  /** What comes before everything else. */
  readonly before?: string;
  /** Name and value, the value empty where somebody writes it. */
  readonly facts: readonly { readonly name: string; readonly value: string }[];
  readonly groups: readonly { readonly posture: string; readonly lines: readonly SheetLine[] }[];
  readonly notes: readonly string[];
}

const TITLE_PT = 15;
const FACT_PT = 7.5;
const POSTURE_PT = 8;
const NOTE_PT = 7.5;
const FACT_ROW = mm(9.5);
/** Rows are as high as the page allows, within these. */
const HIGHEST_ROW = mm(27);
const LOWEST_ROW = mm(6);
/** Figure, name and how, three readings, what counts. */
const FIGURE_WIDTH = mm(17);
const BOX_WIDTH = mm(21);
const BOXES = 4;
const GAP = mm(2.5);
const FIGURE_SCALE = 0.16;
const LARGEST_PT = 8.5;
const SMALLEST_PT = 3.5;
const STEP_PT = 0.25;

const strong = (text: string): Span => ({ text, weight: 'strong' });
const regular = (text: string): Span => ({ text, weight: 'regular' });

/** What is said of a line, with its size beside the usual one. */
const textsOf = ({ name, how, tolerance, taken }: SheetLine) => [
  { spans: [strong(name)], share: 1.15 },
  { spans: [regular(`${how} ${tolerance}`)], share: 0.95 },
  ...(taken === '' ? [] : [{ spans: [regular(taken)], share: 0.85 }]),
];

class Layout {
  private y = MARGIN;
  private size = LARGEST_PT;
  private readonly width: number;
  private readonly setter: TypeSetter;

  constructor(
    private readonly doc: PDFKit.PDFDocument,
    private readonly sheet: MeasuringSheet,
    private readonly reading: Reading,
    private readonly height: number,
    pageWidth: number,
  ) {
    this.width = pageWidth - 2 * MARGIN;
    this.setter = new TypeSetter(doc);
  }

  draw(): void {
    const { setter, sheet, width } = this;
    this.y += setter.paragraph([strong(sheet.title)], MARGIN, this.y, width, TITLE_PT) + mm(1);
    if (sheet.before !== undefined)
      this.y += setter.paragraph([strong(sheet.before)], MARGIN, this.y, width, NOTE_PT) + mm(1.5);
    this.facts();
    this.head();
    const notes = sheet.notes.reduce(
      (sum, text) => sum + setter.paragraph([regular(text)], MARGIN, 0, width, NOTE_PT, false) + mm(0.5),
      0,
    );
    const count = sheet.groups.reduce((sum, { lines }) => sum + lines.length, 0);
    const postures = sheet.groups.reduce((sum, { posture }) => sum + this.postureHeight(posture), 0);
    const free = this.height - MARGIN - mm(2) - notes - postures - this.y;
    const row = Math.max(LOWEST_ROW, Math.min(HIGHEST_ROW, free / count));
    this.size = this.sizeFor(row);
    for (const { posture, lines } of sheet.groups) {
      this.y += setter.paragraph([strong(posture)], MARGIN, this.y + mm(1), width, POSTURE_PT) + mm(1.5);
      for (const line of lines) this.line(line, row);
    }
    this.y += mm(2);
    for (const text of sheet.notes)
      this.y += setter.paragraph([regular(text)], MARGIN, this.y, width, NOTE_PT) + mm(0.5);
  }

  private postureHeight(posture: string): number {
    return this.setter.paragraph([strong(posture)], MARGIN, 0, this.width, POSTURE_PT, false) + mm(1.5);
  }

  private rule(x: number, y: number, width: number, thick: number): void {
    this.doc
      .moveTo(x, y)
      .lineTo(x + width, y)
      .lineWidth(thick)
      .stroke('black');
  }

  private facts(): void {
    const column = this.width / 3;
    this.sheet.facts.forEach(({ name, value }, i) => {
      const x = MARGIN + (i % 3) * column;
      const y = this.y + Math.floor(i / 3) * FACT_ROW;
      this.setter.line([regular(name)], x, y, FACT_PT * 0.9);
      if (value !== '')
        this.setter.paragraph([strong(value)], x, y + FACT_PT * 1.1, column - GAP, FACT_PT * 1.15);
      this.rule(x, y + FACT_ROW - mm(1.2), column - GAP, 0.4);
    });
    this.y += Math.ceil(this.sheet.facts.length / 3) * FACT_ROW + mm(1);
  }

  private boxAt(i: number): number {
    return MARGIN + this.width - (BOXES - i) * BOX_WIDTH;
  }

  private head(): void {
    const names = ['sheet.first', 'sheet.second', 'sheet.third', 'sheet.counts'];
    const heights = names.map((key, i) =>
      this.setter.paragraph([regular(t(key))], this.boxAt(i) + 2, this.y, BOX_WIDTH - 4, FACT_PT * 0.9),
    );
    this.y += Math.max(...heights);
    this.rule(MARGIN, this.y, this.width, 1.2);
  }

  private get textAt(): { readonly x: number; readonly width: number } {
    const x = MARGIN + FIGURE_WIDTH + GAP;
    return { x, width: this.boxAt(0) - GAP - x };
  }

  private heightOf(line: SheetLine, size: number): number {
    const { x, width } = this.textAt;
    return textsOf(line).reduce(
      (sum, { spans, share }) => sum + this.setter.paragraph(spans, x, 0, width, size * share, false),
      0,
    );
  }

  /** The largest type in which what is said of every line fits its row. */
  private sizeFor(row: number): number {
    const lines = this.sheet.groups.flatMap((group) => group.lines);
    let size = LARGEST_PT;
    while (size > SMALLEST_PT && lines.some((line) => this.heightOf(line, size) > row - mm(1)))
      size -= STEP_PT;
    return size;
  }

  private line(line: SheetLine, row: number): void {
    const { unit, figure, takes, counts } = line;
    const { doc, setter, y } = this;
    const inner = row - mm(1);
    paintMarks(
      setter,
      viewMarks(figure, FIGURE_WIDTH / FIGURE_SCALE, inner / FIGURE_SCALE, this.reading),
      MARGIN,
      y + mm(0.5),
      FIGURE_SCALE,
    );
    doc.fillColor('black');
    const { x, width } = this.textAt;
    const size = this.size;
    let at = y + (row - this.heightOf(line, size)) / 2;
    for (const { spans, share } of textsOf(line)) at += setter.paragraph(spans, x, at, width, size * share);
    [...takes, counts].forEach((text, i) => {
      const left = this.boxAt(i);
      doc
        .rect(left, y + mm(0.6), BOX_WIDTH - 3, row - mm(1.2))
        .lineWidth(i === BOXES - 1 ? 1.4 : 0.6)
        .stroke('black');
      setter.line([regular(unit)], left + BOX_WIDTH - 3 - mm(5), y + row - mm(4.2), 6.5);
      if (text !== '')
        setter.line([i === BOXES - 1 ? strong(text) : regular(text)], left + mm(2), y + row / 2 - 6, 9.5);
    });
    this.y += row;
    this.rule(MARGIN, this.y, this.width, 0.3);
  }
}

/** Draws the sheet on the page that a document stands at. */
export function drawMeasuringSheet(
  doc: PDFKit.PDFDocument,
  sheet: MeasuringSheet,
  reading: Reading,
  paper: Paper,
): void {
  const { width, height } = PAPERS[paper];
  new Layout(doc, sheet, reading, height, width).draw();
}

export const measuringSheetPdf = (
  sheet: MeasuringSheet,
  reading: Reading,
  paper: Paper,
  made: Date,
): Promise<Uint8Array> =>
  documentOf(paper, sheet.title, made, (doc) => drawMeasuringSheet(doc, sheet, reading, paper));
