const PT_PER_MM = 72 / 25.4;
export const mm = (millimetres: number): number => millimetres * PT_PER_MM;

export const PAPER_NAMES = ['A4', 'Letter'] as const;
export type Paper = (typeof PAPER_NAMES)[number];

export const PAPERS = {
  A4: { width: mm(210), height: mm(297) },
  Letter: { width: mm(215.9), height: mm(279.4) },
} as const satisfies Record<Paper, { readonly width: number; readonly height: number }>;

/** Free edge all round. */
export const MARGIN = mm(12);

/** How a card is printed. */
export interface Printed {
  readonly paper: Paper;
  readonly title: string;
  readonly made: Date;
  /** Where its code leads; null: it has none. */
  readonly url: string | null;
}

/**
 * Draws a document and gives its bytes.
 * @param made when it was made, so that the same input gives the same file
 */
export async function documentOf(
  paper: Paper,
  title: string,
  made: Date,
  draw: (doc: PDFKit.PDFDocument) => void,
): Promise<Uint8Array> {
  const { width, height } = PAPERS[paper];
  // Read when the first sheet is drawn: a server has started by then.
  const { default: Document } = await import('pdfkit');
  const doc = new Document({
    size: [width, height],
    margin: 0,
    lang: 'en-GB',
    displayTitle: true,
    info: { Title: title, CreationDate: made, ModDate: made },
  });
  const chunks: Uint8Array[] = [];
  const ended = new Promise<void>((resolve, reject) => {
    doc.on('data', (chunk: Uint8Array) => chunks.push(chunk));
    doc.on('end', resolve);
    doc.on('error', reject);
  });
  draw(doc);
  doc.end();
  await ended;
  return Buffer.concat(chunks);
}
