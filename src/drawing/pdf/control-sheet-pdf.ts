/** The controls of a seat on paper, one page: the type is set smaller until it fits. */
import type { SeatModel } from '../../core/seat';
import { word, type Reading } from '../../words';
import { controlMarks } from '../control-marks';
import type { ControlSheet, SheetControl } from '../control-sheet';
import { paintMarks } from './drawings-pdf';
import { paintPictograms } from './paint-pictograms';
import { MARGIN, PAPERS, documentOf, mm, type Paper } from './paper';
import { TypeSetter, type Span } from './type-setter';

const LARGEST_PT = 10;
const SMALLEST_PT = 4.5;
const STEP_PT = 0.2;
const VIEW_HEIGHT = mm(62);
const VIEW_SCALE = 0.55;
const GAP = mm(3);
/** A pictogram beside what it shows, in type sizes. */
const PICTOGRAM_EMS = 2.1;
const BADGE_EMS = 0.85;

const strong = (text: string): Span => ({ text, weight: 'strong' });
const regular = (text: string): Span => ({ text, weight: 'regular' });

/** Two columns of controls and procedures, drawn or only measured. */
class Columns {
  private column = 0;
  private y: number;

  constructor(
    private readonly setter: TypeSetter,
    private readonly size: number,
    private readonly box: { readonly top: number; readonly bottom: number; readonly width: number },
    private readonly draw: boolean,
  ) {
    this.y = box.top;
  }

  /** Whether everything found room. */
  get fits(): boolean {
    return this.column < 2;
  }

  private get width(): number {
    return (this.box.width - GAP) / 2;
  }

  private get x(): number {
    return MARGIN + this.column * (this.width + GAP);
  }

  /** Puts a block that is never broken into the next place where it goes. */
  put(block: (x: number, y: number, width: number, draw: boolean) => number): void {
    const height = block(0, 0, this.width, false);
    if (this.y + height > this.box.bottom && this.y > this.box.top) {
      this.column++;
      this.y = this.box.top;
    }
    if (this.y + height > this.box.bottom) this.column = 2;
    if (this.draw && this.fits) block(this.x, this.y, this.width, true);
    this.y += height + this.size * 0.5;
  }

  paragraph(spans: readonly Span[], x: number, y: number, width: number, draw: boolean): number {
    return this.setter.paragraph(spans, x, y, width, this.size, draw);
  }

  pictograms(ids: readonly string[], x: number, y: number): void {
    paintPictograms(this.setter.doc, ids, { x, y, side: this.size * PICTOGRAM_EMS });
  }

  badge(number: number, x: number, y: number): void {
    const { doc } = this.setter;
    const r = this.size * BADGE_EMS;
    doc
      .circle(x + r, y + r, r)
      .lineWidth(0.9)
      .stroke('black');
    const text = [strong(String(number))];
    const width = this.setter.widthOf(text, this.size * 0.95);
    this.setter.line(text, x + r - width / 2, y + r - this.size * 0.62, this.size * 0.95);
  }
}

function controlBlock(columns: Columns, control: SheetControl, size: number) {
  const indent = size * (2 * BADGE_EMS + 0.6);
  return (x: number, y: number, width: number, draw: boolean): number => {
    let at = y;
    if (draw) columns.badge(control.number, x, at);
    at += columns.paragraph([strong(control.name)], x + indent, at, width - indent, draw);
    at += columns.paragraph([regular(control.where)], x + indent, at, width - indent, draw);
    for (const { what, how, pictograms } of control.moves) {
      if (draw) columns.pictograms(pictograms, x + indent, at + size * 0.15);
      at += size * (PICTOGRAM_EMS + 0.3);
      at += columns.paragraph([strong(`${what}:`), regular(how)], x + indent, at, width - indent, draw);
    }
    return at - y;
  };
}

function stepsBlock(columns: Columns, name: string, steps: readonly string[], size: number) {
  return (x: number, y: number, width: number, draw: boolean): number => {
    let at = y + columns.paragraph([strong(name)], x, y, width, draw);
    steps.forEach((text, i) => {
      if (draw) columns.paragraph([regular(`${i + 1}.`)], x, at, size * 2, true);
      at += columns.paragraph([regular(text)], x + size * 1.5, at, width - size * 1.5, draw);
    });
    return at - y;
  };
}

export function controlSheetPdf(
  seat: SeatModel,
  sheet: ControlSheet,
  reading: Reading,
  paper: Paper,
  made: Date,
): Promise<Uint8Array> {
  const { width, height } = PAPERS[paper];
  const inner = width - 2 * MARGIN;
  return documentOf(paper, `${sheet.title}: ${sheet.seat}`, made, (doc) => {
    const setter = new TypeSetter(doc);
    let y = MARGIN;
    y += setter.paragraph([strong(`${sheet.title}: ${sheet.seat}`)], MARGIN, y, inner, 15);
    doc
      .moveTo(MARGIN, y)
      .lineTo(MARGIN + inner, y)
      .lineWidth(2.5)
      .stroke('black');
    y += mm(1.5);
    const half = (inner - GAP) / 2;
    (['side', 'above'] as const).forEach((view, i) => {
      const x = MARGIN + i * (half + GAP);
      doc.fillColor('black');
      setter.line([strong(word(`controls.${view}`))], x, y, 8.5);
      const marks = controlMarks(seat, view, half / VIEW_SCALE, VIEW_HEIGHT / VIEW_SCALE, reading);
      paintMarks(setter, marks, x, y + mm(4), VIEW_SCALE);
    });
    doc.fillColor('black');
    y += VIEW_HEIGHT + mm(5);
    y += setter.paragraph([regular([sheet.hint, ...sheet.notes].join(' '))], MARGIN, y, inner, 8.5) + mm(1.5);
    const cautions = sheet.cautions.join(' ');
    const foot = setter.paragraph([regular(cautions)], MARGIN, 0, inner, 7.5, false);
    const box = { top: y, bottom: height - MARGIN - foot - mm(2), width: inner };
    const run = (size: number, draw: boolean): boolean => {
      const columns = new Columns(setter, size, box, draw);
      for (const control of sheet.controls) columns.put(controlBlock(columns, control, size));
      for (const { name, steps } of sheet.procedures) columns.put(stepsBlock(columns, name, steps, size));
      return columns.fits;
    };
    let size = LARGEST_PT;
    while (size > SMALLEST_PT && !run(size, false)) size -= STEP_PT;
    run(size, true);
    setter.paragraph([regular(cautions)], MARGIN, height - MARGIN - foot, inner, 7.5);
  });
}
