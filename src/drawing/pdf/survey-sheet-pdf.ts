/** A sheet to survey a seat by on paper: its values on one page, its controls on another. */
import type { Reading } from '../../words';
import { drawMeasuringSheet, type MeasuringSheet } from './measuring-sheet-pdf';
import { MARGIN, PAPERS, documentOf, mm, type Paper } from './paper';
import { TypeSetter } from './type-setter';

/** Rows to be written into by hand. */
export interface BlankTable {
  readonly title: string;
  readonly hint: string;
  readonly heads: readonly string[];
  /** What stands in the first column. */
  readonly rows: readonly string[];
}

const TITLE_PT = 13;
const TEXT_PT = 9;
/** Of the first column; the others share the rest. */
const FIRST_SHARE = 0.26;
const HIGHEST_ROW = mm(17);

function drawTable(doc: PDFKit.PDFDocument, table: BlankTable, paper: Paper): void {
  const { width, height } = PAPERS[paper];
  const inner = width - 2 * MARGIN;
  const setter = new TypeSetter(doc);
  let y = MARGIN;
  y += setter.paragraph([{ text: table.title, weight: 'strong' }], MARGIN, y, inner, TITLE_PT) + mm(1);
  y += setter.paragraph([{ text: table.hint, weight: 'regular' }], MARGIN, y, inner, TEXT_PT) + mm(2);
  const first = inner * FIRST_SHARE;
  const other = (inner - first) / (table.heads.length - 1);
  const columns = table.heads.map((_, i) => ({
    x: MARGIN + (i === 0 ? 0 : first + (i - 1) * other),
    width: (i === 0 ? first : other) - mm(2),
  }));
  const heads = table.heads.map((text, i) =>
    setter.paragraph([{ text, weight: 'strong' }], columns[i]!.x, y, columns[i]!.width, TEXT_PT),
  );
  y += Math.max(...heads) + mm(1);
  const line = (at: number, thick: number) =>
    doc
      .moveTo(MARGIN, at)
      .lineTo(MARGIN + inner, at)
      .lineWidth(thick)
      .stroke('black');
  line(y, 1.2);
  const row = Math.min(HIGHEST_ROW, (height - MARGIN - y) / table.rows.length);
  for (const text of table.rows) {
    setter.paragraph([{ text, weight: 'regular' }], MARGIN, y + mm(1.5), columns[0]!.width, TEXT_PT);
    for (const { x } of columns.slice(1))
      doc
        .moveTo(x - mm(1), y)
        .lineTo(x - mm(1), y + row)
        .lineWidth(0.3)
        .stroke('black');
    y += row;
    line(y, 0.3);
  }
}

export function surveySheetPdf(
  sheet: MeasuringSheet,
  table: BlankTable,
  reading: Reading,
  paper: Paper,
  made: Date,
): Promise<Uint8Array> {
  const { width, height } = PAPERS[paper];
  return documentOf(paper, sheet.title, made, (doc) => {
    drawMeasuringSheet(doc, sheet, reading, paper);
    doc.addPage({ size: [width, height], margin: 0 });
    drawTable(doc, table, paper);
  });
}
