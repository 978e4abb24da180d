/** Labels to be stuck on seats: the tag in large letters, the name of the seat, and a code. */
import { word } from '../../words';
import { paintCode } from './paint-code';
import { PAPERS, documentOf, mm, type Paper } from './paper';
import { TypeSetter } from './type-setter';

export interface LabelText {
  readonly tag: string;
  readonly seat: string;
  /** Where the code leads; null: it holds the tag. */
  readonly url: string | null;
}

interface Sheet {
  readonly columns: number;
  readonly rows: number;
  readonly width: number;
  readonly height: number;
}

/** Sheets of labels without gaps between rows, in the middle of the paper. */
const SHEETS: Readonly<Record<Paper, Sheet>> = {
  A4: { columns: 3, rows: 8, width: mm(70), height: mm(37) },
  Letter: { columns: 3, rows: 10, width: mm(69.85), height: mm(25.4) },
};

/** How many labels stand on one sheet. */
export const labelsPerSheet = (paper: Paper): number => SHEETS[paper].columns * SHEETS[paper].rows;

const EDGE = mm(3.5);
const GAP = mm(2.5);
const LARGEST_TAG_PT = 26;
const SMALLEST_TAG_PT = 7;
const NAME_PT = 8;
const HINT_PT = 6.5;
const LINES_OF_NAME = 2;
const LEADING = 1.28;

/** The largest size in which a text is no wider than a width, points. */
function sizeFor(setter: TypeSetter, text: string, width: number): number {
  const wide = setter.widthOf([{ text, weight: 'strong' }], LARGEST_TAG_PT);
  return Math.max(SMALLEST_TAG_PT, Math.min(LARGEST_TAG_PT, (LARGEST_TAG_PT * width) / wide));
}

function paintLabel(
  setter: TypeSetter,
  { tag, seat, url }: LabelText,
  x: number,
  y: number,
  sheet: Sheet,
): void {
  const side = sheet.height - 2 * EDGE;
  paintCode(setter.doc, url ?? tag, { x: x + EDGE, y: y + EDGE, side });
  const left = x + EDGE + side + GAP;
  const width = sheet.width - EDGE - side - GAP - EDGE;
  const size = sizeFor(setter, tag, width);
  let at = y + EDGE;
  at += setter.paragraph([{ text: tag, weight: 'strong' }], left, at, width, size);
  const hint = word(url === null ? 'labels.tagOnly' : 'labels.scan');
  const hintHeight = setter.paragraph([{ text: hint, weight: 'regular' }], left, 0, width, HINT_PT, false);
  const room = y + sheet.height - EDGE - hintHeight - at;
  const name = shortened(setter, seat, width, Math.min(room, LINES_OF_NAME * NAME_PT * LEADING));
  if (name) setter.paragraph([{ text: name, weight: 'regular' }], left, at, width, NAME_PT);
  const foot = y + sheet.height - EDGE - hintHeight;
  setter.paragraph([{ text: hint, weight: 'regular' }], left, foot, width, HINT_PT);
}

/** A name as far as it goes into a height, with dots where some of it is missing. */
function shortened(setter: TypeSetter, name: string, width: number, height: number): string {
  const fits = (text: string) =>
    setter.paragraph([{ text, weight: 'regular' }], 0, 0, width, NAME_PT, false) <= height + 0.01;
  if (fits(name)) return name;
  const words = name.split(' ');
  while (words.length > 1) {
    words.pop();
    const text = `${words.join(' ')} …`;
    if (fits(text)) return text;
  }
  return '';
}

/**
 * Label sheets, from the first free label on.
 * @param taken how many labels of the first sheet are used already
 */
export function labelsPdf(
  labels: readonly LabelText[],
  { paper, taken }: { readonly paper: Paper; readonly taken: number },
  made: Date,
): Promise<Uint8Array> {
  const sheet = SHEETS[paper];
  const { width, height } = PAPERS[paper];
  const each = labelsPerSheet(paper);
  const [left, top] = [(width - sheet.columns * sheet.width) / 2, (height - sheet.rows * sheet.height) / 2];
  return documentOf(paper, word('labels.title'), made, (doc) => {
    const setter = new TypeSetter(doc);
    if (labels.length === 0) {
      setter.line([{ text: word('labels.none'), weight: 'regular' }], left + EDGE, top + EDGE, NAME_PT);
      return;
    }
    labels.forEach((label, i) => {
      const at = (i + taken) % each;
      if (i > 0 && at === 0) doc.addPage({ size: [width, height], margin: 0 });
      const [row, column] = [Math.floor(at / sheet.columns), at % sheet.columns];
      paintLabel(setter, label, left + column * sheet.width, top + row * sheet.height, sheet);
    });
  });
}
