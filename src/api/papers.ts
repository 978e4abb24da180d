/** What is handed out on paper. */
import '../words/cards';
import { frontView, planView, ruleOf, sideView, trackOf } from '../core/scene';
import type { CardForm } from '../core/card';
import { asLeftBlock, plainSheetOf } from '../drawing/card-forms';
import { cardPdf } from '../drawing/pdf/card-pdf';
import { plainCardPdf } from '../drawing/pdf/plain-card-pdf';
import { drawingsPdf } from '../drawing/pdf/drawings-pdf';
import type { Paper } from '../drawing/pdf/paper';
import { sheetOf } from '../drawing/sheet';
import { done, type Outcome } from '../contract';
import { PAGE_WAITS_MS, fittingCard, linkedCard, type FittingCard } from '../service/card';
import { cardLinkUrl } from '../service/card-links';
import type { Context } from '../service/context';
import { FileAnswer } from './files';
import { say, sayDate, word, type Reading } from '../words';

/** What a paper is called, in its file and its heading. */
interface Named {
  readonly file: string;
  readonly title: string;
}

type Draw = (of: FittingCard, title: string) => Promise<Uint8Array>;

async function fileOf(
  found: Outcome<FittingCard>,
  reading: Reading,
  { file, title }: Named,
  draw: Draw,
): Promise<Outcome<FileAnswer>> {
  if (!found.ok) return found;
  const { sitter, date } = found.value.card.header;
  const bytes = await draw(found.value, `${title}: ${sitter}, ${sayDate(date, reading)}`);
  return done(new FileAnswer(`${file}-${date}.pdf`, 'pdf', bytes));
}

interface HowPrinted {
  readonly paper: Paper;
  readonly form: CardForm;
  /** Where its code leads; null: it has none. */
  readonly url: string | null;
}

/** A card in one of its forms. */
const drawCard =
  (ctx: Context, reading: Reading, { paper, form, url }: HowPrinted): Draw =>
  ({ card, more, detail }, title) => {
    const isDraft = detail.state === 'open';
    const how = { paper, title, made: ctx.now(), url };
    if (form === 'record') return cardPdf(sheetOf(card, isDraft, reading), asLeftBlock(more, reading), how);
    return plainCardPdf(plainSheetOf(form, card, more, isDraft, reading), how);
  };

/** The settings card: all on one page for the record, large for the sitter, three levers, or to be folded. */
export async function cardPaper(
  ctx: Context,
  id: string,
  reading: Reading,
  {
    paper,
    form,
    link,
  }: { readonly paper: Paper; readonly form: CardForm; readonly link?: string | undefined },
): Promise<Outcome<FileAnswer>> {
  const url = link === undefined ? done(null) : await cardLinkUrl(ctx, id, link);
  if (!url.ok) return url;
  const file = form === 'record' ? 'settings-card' : `settings-card-${form}`;
  const named = { file, title: word('card.title') };
  const draw = drawCard(ctx, reading, { paper, form, url: url.value });
  // Only the whole card tells of remedies, and waits for them for a moment.
  const found = await fittingCard(ctx, id, form === 'record' ? PAGE_WAITS_MS : 0);
  return fileOf(found, reading, named, draw);
}

/** The sitter’s card by a private link. */
export async function linkedPaper(
  ctx: Context,
  token: string,
  reading: Reading,
  paper: Paper,
): Promise<Outcome<FileAnswer>> {
  const named = { file: 'settings-card', title: word('card.title') };
  const draw = drawCard(ctx, reading, { paper, form: 'sitter', url: null });
  return fileOf(await linkedCard(ctx, token), reading, named, draw);
}

/** Rule, views and tracks of a fitting, one page. */
export async function drawingsPaper(
  ctx: Context,
  id: string,
  reading: Reading,
  paper: Paper,
): Promise<Outcome<FileAnswer>> {
  const named = { file: 'drawings', title: word('drawings.title') };
  return fileOf(await fittingCard(ctx, id, 0), reading, named, ({ assessment, card }, title) => {
    const { sitter, seat, place, date } = card.header;
    return drawingsPdf(
      {
        headline: [sitter, seat, place, sayDate(date, reading)].filter(Boolean).join(' · '),
        rule: ruleOf(assessment),
        side: sideView(assessment),
        front: frontView(assessment),
        plan: planView(assessment),
        tracks: assessment.outcomes.map((o) => ({
          name: word(`kind.${o.kind}`),
          value: `${say(o.words, reading)}, ${word(`verdict.${o.verdict}`)}`,
          track: trackOf(o),
        })),
      },
      reading,
      paper,
      title,
      ctx.now(),
    );
  });
}
