/** The settings card on paper, one page: the type is set smaller until it fits. */
import { VERDICT_LINES } from '../../core/scene';
import { t, word } from '../../words';
import type { Block } from '../card-forms';
import type { Paragraph, Sheet, SheetRow } from '../sheet';
import { paintPictograms } from './paint-pictograms';
import { paintCode } from './paint-code';
import { MARGIN, PAPERS, documentOf, mm, type Printed } from './paper';
import { TypeSetter, type Span } from './type-setter';

const LARGEST_PT = 9.6;
const SMALLEST_PT = 4;
const STEP_PT = 0.2;
/** Shares of the width: adjustment, setting, control. */
const COLUMNS = [0.24, 0.31, 0.45] as const;
const COLUMN_GAP = 10;
/** Field of a verdict's line, and its size on paper. */
/** A pictogram's side, in type sizes. */
const PICTOGRAM_EMS = 1.8;
const CODE_SIDE = mm(24);
const GLYPH = { width: 26, scale: 0.5 };

const strong = (text: string): Span => ({ text, weight: 'strong' });
const regular = (text: string): Span => ({ text, weight: 'regular' });

/** What stands on the page. */
interface Page {
  readonly sheet: Sheet;
  readonly left: Block | null;
  readonly url: string | null;
  readonly width: number;
}

/** Lays the sheet out from the top down in one type size, drawing it or only measuring how long it gets. */
class SheetLayout {
  private y = MARGIN;
  private readonly sheet: Sheet;
  private readonly width: number;
  private readonly url: string | null;

  constructor(
    private readonly setter: TypeSetter,
    private readonly page: Page,
    private readonly size: number,
    private readonly draw: boolean,
  ) {
    ({ sheet: this.sheet, width: this.width, url: this.url } = page);
  }

  /** @returns where it ends */
  run(): number {
    this.header();
    this.refusals();
    if (this.sheet.start) this.rows(this.sheet.start);
    this.below();
    return this.y;
  }

  private paragraph(spans: readonly Span[], x: number, y: number, width: number, size = this.size): number {
    return this.setter.paragraph(spans, x, y, width, size, this.draw);
  }

  private ruleAt(y: number, thick: number, width = this.width): void {
    if (!this.draw) return;
    this.setter.doc
      .moveTo(MARGIN, y)
      .lineTo(MARGIN + width, y)
      .lineWidth(thick)
      .stroke('black');
  }

  private header(): void {
    const { sheet, size, url } = this;
    const top = this.y;
    // Beside the code, where there is one.
    const width = url === null ? this.width : this.width - CODE_SIDE - COLUMN_GAP;
    const large = size * 1.5;
    if (sheet.draft) {
      const small = size * 0.9;
      const draftWidth = this.setter.widthOf([regular(sheet.draft)], small);
      this.paragraph(
        [regular(sheet.draft)],
        MARGIN + width - draftWidth,
        this.y + size * 0.5,
        draftWidth + 1,
        small,
      );
    }
    this.y += this.paragraph([strong(sheet.title)], MARGIN, this.y, width * 0.6, large);
    this.ruleAt(this.y, 3, width);
    this.y += size * 0.6;
    const column = width / 3;
    for (let i = 0; i < sheet.facts.length; i += 3) {
      const heights = sheet.facts.slice(i, i + 3).map(({ name, value }, j) => {
        const x = MARGIN + j * column;
        const nameHeight = this.paragraph([regular(name)], x, this.y, column - COLUMN_GAP, size * 0.85);
        return nameHeight + this.paragraph([strong(value)], x, this.y + nameHeight, column - COLUMN_GAP);
      });
      this.y += Math.max(...heights) + size * 0.2;
    }
    if (url === null) return;
    const x = MARGIN + this.width - CODE_SIDE;
    if (this.draw) paintCode(this.setter.doc, url, { x, y: top, side: CODE_SIDE });
    const caption = this.paragraph([regular(word('cards.code'))], x, top + CODE_SIDE, CODE_SIDE, size * 0.75);
    this.y = Math.max(this.y, top + CODE_SIDE + caption);
  }

  private refusals(): void {
    const { refusals } = this.sheet;
    if (refusals.length === 0) return;
    const inset = this.size * 0.7;
    const top = this.y + this.size * 0.3;
    this.y = top + inset;
    for (const text of refusals)
      this.y += this.paragraph([strong(text)], MARGIN + inset, this.y, this.width - 2 * inset);
    this.y += inset;
    if (this.draw)
      this.setter.doc
        .rect(MARGIN, top, this.width, this.y - top)
        .lineWidth(2)
        .stroke('black');
    this.y += this.size * 0.4;
  }

  private cells(): { readonly x: number; readonly width: number }[] {
    let x = MARGIN;
    return COLUMNS.map((share) => {
      const cell = { x, width: this.width * share - COLUMN_GAP };
      x += this.width * share;
      return cell;
    });
  }

  private rows(start: string): void {
    const { sheet, size } = this;
    const cells = this.cells();
    this.y += size * 0.3;
    this.y += this.paragraph([regular(start)], MARGIN, this.y, this.width) + size * 0.3;
    const heads = sheet.head.map((text, i) =>
      this.paragraph([regular(text)], cells[i]!.x, this.y, cells[i]!.width, size * 0.85),
    );
    this.y += Math.max(...heads);
    this.ruleAt(this.y, 1);
    for (const row of sheet.rows) {
      this.y += size * 0.3;
      const [name, setting, control] = cells as [(typeof cells)[0], (typeof cells)[0], (typeof cells)[0]];
      let nameHeight = this.paragraph([strong(row.name)], name.x, this.y, name.width);
      nameHeight += this.verdict(row, name.x, this.y + nameHeight, name.width);
      nameHeight += this.pictograms(row, name.x, this.y + nameHeight);
      let settingHeight = this.paragraph([strong(row.setting)], setting.x, this.y, setting.width);
      if (row.check)
        settingHeight += this.paragraph(
          [regular(row.check)],
          setting.x,
          this.y + settingHeight,
          setting.width,
        );
      const controlHeight = this.paragraph([regular(row.control)], control.x, this.y, control.width);
      this.y += Math.max(nameHeight, settingHeight, controlHeight) + size * 0.2;
      this.ruleAt(this.y, 0.4);
    }
    this.y += size * 0.5;
  }

  /** What the hand finds and does. */
  private pictograms({ pictograms }: SheetRow, x: number, y: number): number {
    if (pictograms.length === 0) return 0;
    const side = this.size * PICTOGRAM_EMS;
    if (this.draw) paintPictograms(this.setter.doc, pictograms, { x, y: y + this.size * 0.2, side });
    return side + this.size * 0.3;
  }

  /** The line of the verdict with its word beside it. */
  private verdict({ verdict, isEstimate }: SheetRow, x: number, y: number, width: number): number {
    const said = [t(`verdict.${verdict}`), isEstimate && word('set.onEstimate')].filter(Boolean).join(', ');
    if (this.draw)
      this.setter.doc
        .save()
        .translate(x, y + this.size * 0.15)
        .scale(GLYPH.scale)
        .path(VERDICT_LINES[verdict] ?? '')
        .lineWidth(2.2)
        .stroke('black')
        .restore();
    const at = GLYPH.width * GLYPH.scale + 5;
    return this.paragraph([regular(said)], x + at, y, width - at);
  }

  private below(): void {
    const half = (this.width - COLUMN_GAP) / 2;
    const { postures } = this.sheet;
    if (postures.paragraphs.length > 0)
      this.y = this.block(postures.title, postures.paragraphs, MARGIN, this.y, this.width) + this.size * 0.3;
    const { left } = this.page;
    if (left) this.y = this.block(left.title, left.paragraphs, MARGIN, this.y, this.width) + this.size * 0.3;
    const top = this.y;
    const ends = [this.sheet.unreached, this.sheet.cautions]
      .filter((block) => block.paragraphs.length > 0)
      .map((block, i) =>
        this.block(block.title, block.paragraphs, MARGIN + i * (half + COLUMN_GAP), top, half),
      );
    this.y = Math.max(...ends);
  }

  private block(
    title: string,
    paragraphs: readonly Paragraph[],
    x: number,
    top: number,
    width: number,
  ): number {
    let y = top + this.paragraph([strong(title)], x, top, width, this.size * 1.05);
    for (const { lead, text } of paragraphs) {
      const spans = lead === null ? [regular(text)] : [strong(lead), regular(text)];
      y += this.paragraph(spans, x, y, width) + this.size * 0.2;
    }
    return y;
  }
}

/**
 * The whole card on one page.
 * @param left what was left at the seat; null where that was not signed off
 */
export function cardPdf(
  sheet: Sheet,
  left: Block | null,
  { paper, title, made, url }: Printed,
): Promise<Uint8Array> {
  const { width, height } = PAPERS[paper];
  const inner = width - 2 * MARGIN;
  return documentOf(paper, title, made, (doc) => {
    const setter = new TypeSetter(doc);
    const run = (size: number, draw: boolean) =>
      new SheetLayout(setter, { sheet, left, url, width: inner }, size, draw).run();
    let size = LARGEST_PT;
    while (size > SMALLEST_PT && run(size, false) > height - MARGIN) size -= STEP_PT;
    run(size, true);
  });
}
