import { codeOf } from '../code';

/** Paints the QR code of a text, its quiet edge included, points. */
export function paintCode(
  doc: PDFKit.PDFDocument,
  text: string,
  { x, y, side }: { readonly x: number; readonly y: number; readonly side: number },
): void {
  const { size, bars } = codeOf(text);
  const unit = side / size;
  for (const bar of bars) doc.rect(x + bar.x * unit, y + bar.y * unit, bar.length * unit, unit);
  doc.fill('black');
}
