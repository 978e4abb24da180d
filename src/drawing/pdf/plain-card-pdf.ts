/**
 * The plain forms of a card on paper: large on whole pages for the sitter and for a shared seat; for the pocket on
 * panels that are cut out and folded. Everything stands in frames, one after the other; the type is set smaller, down
 * to what can still be read, before another frame is begun.
 */
import { sayWith, word } from '../../words';
import type { Block, PlainSheet, PlainStep } from '../card-forms';
import type { Paragraph } from '../sheet';
import { paintCode } from './paint-code';
import { paintPictograms, pictogramsWidth } from './paint-pictograms';
import { MARGIN, PAPERS, documentOf, mm, type Paper, type Printed } from './paper';
import { TypeSetter, type Span } from './type-setter';

interface Frame {
  readonly page: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Where a form is set, and how large. */
interface Plan {
  readonly frames: readonly Frame[];
  readonly largestPt: number;
  readonly smallestPt: number;
  /** Frames are begun so many at a time. */
  readonly first: number;
  readonly codeSide: number;
}

const STEP_PT = 0.25;
/** So many pages at most: a seat with every kind of adjustment fills three. */
const MOST_PAGES = 6;
/** Kept free at the foot of a page for its number. */
const FOOT = mm(6);
const FOOT_PT = 8;

/** Cut out and folded in the middle it is A7, 74 by 105 mm. */
const PANEL = { width: mm(74), height: mm(105), edge: mm(4) };
const GAP = mm(6);
const HINT_PT = 7;

const strong = (text: string): Span => ({ text, weight: 'strong' });
const regular = (text: string): Span => ({ text, weight: 'regular' });

/** Something that stays together: how high it is at a width and size, drawn or only measured. */
type Item = (setter: TypeSetter, x: number, y: number, width: number, size: number, draw: boolean) => number;

function ruled(setter: TypeSetter, x: number, y: number, width: number, thick: number): void {
  setter.doc
    .moveTo(x, y)
    .lineTo(x + width, y)
    .lineWidth(thick)
    .stroke('black');
}

const headOf =
  (sheet: PlainSheet, url: string | null, codeSide: number): Item =>
  (setter, x, y, width, size, draw) => {
    const inner = url === null ? width : width - codeSide - size;
    let h = setter.paragraph([strong(sheet.title)], x, y, inner, size * 1.5, draw);
    if (sheet.draft) h += setter.paragraph([strong(sheet.draft)], x, y + h, inner, size, draw);
    for (const text of sheet.heads) h += setter.paragraph([regular(text)], x, y + h, inner, size, draw);
    if (url !== null) {
      const left = x + width - codeSide;
      if (draw) paintCode(setter.doc, url, { x: left, y, side: codeSide });
      const caption = setter.paragraph(
        [regular(sheet.code)],
        left,
        y + codeSide,
        codeSide,
        size * 0.65,
        draw,
      );
      h = Math.max(h, codeSide + caption);
    }
    if (draw) ruled(setter, x, y + h + size * 0.2, width, 2);
    return h + size * 0.7;
  };

const refusalOf =
  (texts: readonly string[]): Item =>
  (setter, x, y, width, size, draw) => {
    const inset = size * 0.6;
    let h = inset;
    for (const text of texts)
      h += setter.paragraph([strong(text)], x + inset, y + h, width - 2 * inset, size * 1.1, draw);
    h += inset;
    if (draw) setter.doc.rect(x, y, width, h).lineWidth(2).stroke('black');
    return h + size * 0.5;
  };

/** A step: what it comes to in the largest type, then how; the pictures of it at the right. */
const stepItem =
  (step: PlainStep): Item =>
  (setter, x, y, width, size, draw) => {
    const side = size * 2.2;
    const pictures = pictogramsWidth(step.pictograms.length, side);
    const inner = width - (pictures > 0 ? pictures + size * 0.6 : 0);
    if (draw && pictures > 0)
      paintPictograms(setter.doc, step.pictograms, { x: x + width - pictures, y: y + size * 0.2, side });
    let h = setter.paragraph([strong(step.name)], x, y, inner, size, draw);
    h += setter.paragraph([strong(step.setting)], x, y + h, inner, size * 1.15, draw);
    if (step.check) h += setter.paragraph([regular(step.check)], x, y + h, inner, size * 0.9, draw);
    h = Math.max(h, pictures > 0 ? side + size * 0.3 : 0);
    if (step.how) h += setter.paragraph([regular(step.how)], x, y + h, width, size * 0.9, draw);
    if (draw) ruled(setter, x, y + h + size * 0.2, width, 0.4);
    return h + size * 0.45;
  };

/** The same in as few lines as will do. */
const shortStep =
  (step: PlainStep): Item =>
  (setter, x, y, width, size, draw) => {
    const spans = [
      regular(`${step.name}:`),
      strong(step.setting),
      ...(step.check ? [regular(step.check)] : []),
    ];
    return setter.paragraph(spans, x, y, width, size, draw) + size * 0.25;
  };

const lineOf =
  (text: string): Item =>
  (setter, x, y, width, size, draw) =>
    setter.paragraph([regular(text)], x, y, width, size, draw) + size * 0.35;

/** The heading stays with the first paragraph below it. */
const paragraphItem =
  (title: string | null, { lead, text }: Paragraph, share: number): Item =>
  (setter, x, y, width, size, draw) => {
    let h = title === null ? 0 : size * 0.3;
    if (title !== null) h += setter.paragraph([strong(title)], x, y + h, width, size, draw);
    const spans = lead === null ? [regular(text)] : [strong(lead), regular(text)];
    return h + setter.paragraph(spans, x, y + h, width, size * share, draw) + size * 0.2;
  };

/** Cautions are set smaller than what is done. */
const blockItems = ({ title, paragraphs }: Block): Item[] =>
  paragraphs.map((p, i) => paragraphItem(i === 0 ? title : null, p, 0.88));

const itemsOf = (sheet: PlainSheet, url: string | null, codeSide: number): Item[] => [
  headOf(sheet, url, codeSide),
  ...(sheet.refusals.length > 0 ? [refusalOf(sheet.refusals)] : []),
  ...sheet.first.map(lineOf),
  ...sheet.steps.map(sheet.form === 'pocket' ? shortStep : stepItem),
  ...sheet.rest.map(lineOf),
  ...sheet.blocks.flatMap(blockItems),
];

interface Placed {
  readonly item: Item;
  readonly frame: Frame;
  readonly y: number;
}

/** Sets items into frames, one after the other; null where they do not go in. */
function placed(
  setter: TypeSetter,
  items: readonly Item[],
  frames: readonly Frame[],
  size: number,
): Placed[] | null {
  const all: Placed[] = [];
  let [i, y] = [0, frames[0]!.y];
  for (const item of items) {
    for (;;) {
      const frame = frames[i];
      if (!frame) return null;
      const height = item(setter, frame.x, y, frame.width, size, false);
      if (y + height <= frame.y + frame.height || y === frame.y) {
        all.push({ item, frame, y });
        y += height;
        break;
      }
      i++;
      y = frames[i]?.y ?? 0;
    }
  }
  return all;
}

/** As few frames as will do, and the largest size at which everything goes into them. */
function sized(setter: TypeSetter, items: readonly Item[], plan: Plan): { size: number; all: Placed[] } {
  for (let count = plan.first; count <= plan.frames.length; count += plan.first) {
    const frames = plan.frames.slice(0, count);
    let best: { size: number; all: Placed[] } | null = null;
    for (let size = plan.smallestPt; size <= plan.largestPt; size += STEP_PT) {
      const all = placed(setter, items, frames, size);
      if (!all) break;
      best = { size, all };
    }
    if (best) return best;
  }
  throw new RangeError('a card that fills more pages than there are');
}

function pagesOf(paper: Paper): Plan {
  const { width, height } = PAPERS[paper];
  const frames = Array.from({ length: MOST_PAGES }, (_, page) => ({
    page,
    x: MARGIN,
    y: MARGIN,
    width: width - 2 * MARGIN,
    height: height - 2 * MARGIN - FOOT,
  }));
  return { frames, largestPt: 16, smallestPt: 11.5, first: 1, codeSide: mm(30) };
}

/** Two cards a page, each of two panels. */
function panelsOf(paper: Paper): Plan {
  const left = (PAPERS[paper].width - 2 * PANEL.width) / 2;
  const frames = Array.from({ length: MOST_PAGES * 4 }, (_, i) => ({
    page: Math.floor(i / 4),
    x: left + (i % 2) * PANEL.width + PANEL.edge,
    y: MARGIN + (Math.floor(i / 2) % 2) * (PANEL.height + GAP) + PANEL.edge,
    width: PANEL.width - 2 * PANEL.edge,
    height: PANEL.height - 2 * PANEL.edge,
  }));
  return { frames, largestPt: 8.5, smallestPt: 6, first: 2, codeSide: mm(20) };
}

/** Lines to cut along and to fold, and a word about them. */
function paintFolds(setter: TypeSetter, frames: readonly Frame[]): void {
  for (const { x, y } of frames) {
    const [left, top] = [x - PANEL.edge, y - PANEL.edge];
    setter.doc
      .rect(left, top, 2 * PANEL.width, PANEL.height)
      .lineWidth(0.5)
      .stroke('black');
    setter.doc
      .moveTo(left + PANEL.width, top)
      .lineTo(left + PANEL.width, top + PANEL.height)
      .dash(3, { space: 3 })
      .lineWidth(0.4)
      .stroke('black')
      .undash();
    setter.paragraph([regular(word('cards.fold'))], left, top + PANEL.height + 2, 2 * PANEL.width, HINT_PT);
  }
}

/** A plain form of a card; for the pocket with lines to cut and to fold. */
export function plainCardPdf(sheet: PlainSheet, { paper, title, made, url }: Printed): Promise<Uint8Array> {
  const isPocket = sheet.form === 'pocket';
  const plan = isPocket ? panelsOf(paper) : pagesOf(paper);
  const { width, height } = PAPERS[paper];
  return documentOf(paper, title, made, (doc) => {
    const setter = new TypeSetter(doc);
    const { size, all } = sized(setter, itemsOf(sheet, url, plan.codeSide), plan);
    const of = all.at(-1)!.frame.page + 1;
    for (let page = 0; page < of; page++) {
      if (page > 0) doc.addPage({ size: [width, height], margin: 0 });
      const here = all.filter(({ frame }) => frame.page === page);
      for (const { item, frame, y } of here) item(setter, frame.x, y, frame.width, size, true);
      // The left panel of each card that something stands on.
      if (isPocket) {
        const used = new Set(here.map(({ frame }) => Math.floor(plan.frames.indexOf(frame) / 2) * 2));
        paintFolds(
          setter,
          [...used].map((i) => plan.frames[i]!),
        );
      } else if (of > 1) {
        const text = sayWith('cards.page', { n: page + 1, of });
        setter.paragraph([regular(text)], MARGIN, height - MARGIN - FOOT_PT, width - 2 * MARGIN, FOOT_PT);
      }
    }
  });
}
