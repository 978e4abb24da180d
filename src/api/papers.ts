/** What is handed out on paper. */
import { frontView, planView, ruleOf, sideView, trackOf } from '../core/scene';
import { cardPdf } from '../drawing/pdf/card-pdf';
import { drawingsPdf } from '../drawing/pdf/drawings-pdf';
import type { Paper } from '../drawing/pdf/paper';
import { sheetOf } from '../drawing/sheet';
import { done, type Outcome } from '../contract';
import { fittingCard, type FittingCard } from '../service/card';
import type { Context } from '../service/context';
import { FileAnswer } from './files';
import { say, sayDate, word, type Reading } from '../words';

type Draw = (of: FittingCard, paper: Paper, title: string) => Promise<Uint8Array>;

async function paperOf(
  ctx: Context,
  id: string,
  reading: Reading,
  paper: Paper,
  title: string,
  draw: Draw,
): Promise<Outcome<FileAnswer>> {
  const found = await fittingCard(ctx, id, reading);
  if (!found.ok) return found;
  const { sitter, date } = found.value.card.header;
  const bytes = await draw(found.value, paper, `${title}: ${sitter}, ${sayDate(date, reading)}`);
  return done(new FileAnswer(`${title.toLowerCase().replace(/\s+/g, '-')}-${date}.pdf`, 'pdf', bytes));
}

/** The settings card, one page. */
export const cardPaper = (
  ctx: Context,
  id: string,
  reading: Reading,
  paper: Paper,
): Promise<Outcome<FileAnswer>> =>
  paperOf(ctx, id, reading, paper, word('card.title'), ({ card, detail }, size, title) =>
    cardPdf(sheetOf(card, detail.state === 'open', reading), size, title, ctx.now()),
  );

/** Rule, views and tracks of a fitting, one page. */
export const drawingsPaper = (
  ctx: Context,
  id: string,
  reading: Reading,
  paper: Paper,
): Promise<Outcome<FileAnswer>> =>
  paperOf(ctx, id, reading, paper, word('drawings.title'), ({ assessment, card }, size, title) => {
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
      size,
      title,
      ctx.now(),
    );
  });
