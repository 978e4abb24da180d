/** Pictograms in a row on a PDF page, in black. */
import { PICTOGRAMS, PICTOGRAM_FIELD, PICTOGRAM_PEN } from '../pictograms';

/** From one to the next, in sides. */
const STEP = 1.1;

/** How wide so many stand in a row. */
export const pictogramsWidth = (count: number, side: number): number =>
  count === 0 ? 0 : ((count - 1) * STEP + 1) * side;

/** @param side of each, pt */
export function paintPictograms(
  doc: PDFKit.PDFDocument,
  ids: readonly string[],
  { x, y, side }: { readonly x: number; readonly y: number; readonly side: number },
): void {
  ids.forEach((id, i) => {
    const { line, solid } = PICTOGRAMS[id]!;
    doc
      .save()
      .translate(x + i * side * STEP, y)
      .scale(side / PICTOGRAM_FIELD)
      .lineCap('round')
      .lineJoin('round')
      .lineWidth(PICTOGRAM_PEN);
    doc.path(line).stroke('black');
    if (solid) doc.path(solid).fill('black');
    doc.restore();
  });
  doc.fillColor('black');
}
