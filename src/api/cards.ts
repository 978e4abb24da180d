/** The settings card of a fitting: as JSON, on paper in its forms, and by private link. */
import { z } from 'zod';
import { CardLinksSchema, CardSchema, NewCardLinkSchema, done } from '../contract';
import { CARD_FORMS } from '../core/card';
import { codeOf, codePath } from '../drawing/code';
import { fittingCardJson } from '../service/card';
import { addCardLink, cardLinks, withdrawCardLink } from '../service/card-links';
import { TOKEN } from '../service/random-token';
import { cardPaper, linkedPaper } from './papers';
import { UNITS_QUERY, readingIn } from './reading';
import { query, route } from './route';
import { PAPER_QUERY } from './sitters';

const SEATED = ['incomplete', 'erased'] as const;
const A_TOKEN = 'q1w2e3r4t5y6u7i8o9p0AA';

/** A code as it goes to a page: the black squares on a field of so many units. */
function codeFor(url: string | null) {
  if (url === null) return null;
  const code = codeOf(url);
  return { size: code.size, path: codePath(code) };
}

export const CARD_ROUTES = [
  route({
    key: 'GET /fittings/{id}/card',
    operationId: 'getCard',
    tag: 'Cards',
    summary: 'The settings card as JSON',
    description: 'Values in mm, degrees and kg; sentences in the units asked for. Positions count from 0.',
    act: 'read',
    record: 'fitting',
    query: query(UNITS_QUERY),
    answer: CardSchema,
    refusals: SEATED,
    handle: ({ ctx, id, query: { units } }) => fittingCardJson(ctx, id, readingIn(ctx.practice, units)),
  }),
  route({
    key: 'GET /fittings/{id}/card.pdf',
    operationId: 'printCard',
    tag: 'Cards',
    summary: 'The settings card on paper',
    description:
      'For the record everything on one page; for the sitter in large type, which may go on to further pages; for a shared seat three adjustments at most; for the pocket to be cut out and folded. Remedies that are not calculated in a moment are left out of the record, which says so; the card as JSON waits for them, and after it the paper has them.',
    act: 'read',
    record: 'fitting',
    query: query({
      ...PAPER_QUERY,
      ...UNITS_QUERY,
      form: z.enum(CARD_FORMS).default('record').describe('whom the card is for'),
      link: z
        .string()
        .regex(TOKEN)
        .optional()
        .describe(
          'token of a private link to this card: its code is printed, where there is a public address',
        ),
    }),
    answer: 'pdf',
    refusals: SEATED,
    handle: ({ ctx, id, query: { units, ...how } }) =>
      cardPaper(ctx, id, readingIn(ctx.practice, units), how),
  }),
  route({
    key: 'GET /fittings/{id}/links',
    operationId: 'listCardLinks',
    tag: 'Cards',
    summary: 'List the private links to a card',
    description:
      'When each was added and by whom. What a link leads by is not kept and cannot be read again.',
    act: 'read',
    record: 'fitting',
    answer: CardLinksSchema,
    refusals: ['erased'],
    handle: ({ ctx, id }) => cardLinks(ctx, id),
  }),
  route({
    key: 'POST /fittings/{id}/links',
    operationId: 'addCardLink',
    tag: 'Cards',
    summary: 'Add a private link to a card',
    description:
      'It opens the sitter’s card of the version that was signed off last, without signing in, until it is withdrawn. Its token is given this once. Sent again, the request adds another link.',
    act: 'edit',
    record: 'fitting',
    answer: NewCardLinkSchema,
    status: 201,
    refusals: ['notSigned', 'erased'],
    handle: async ({ ctx, id }) => {
      const made = await addCardLink(ctx, id);
      return made.ok ? done({ ...made.value, code: codeFor(made.value.url) }) : made;
    },
  }),
  route({
    key: 'DELETE /links/{id}',
    operationId: 'withdrawCardLink',
    tag: 'Cards',
    summary: 'Withdraw a private link',
    description: 'From then on it opens nothing. Gives the links that are left of its fitting.',
    act: 'edit',
    record: 'fitting',
    answer: CardLinksSchema,
    handle: ({ ctx, id }) => withdrawCardLink(ctx, id),
  }),
  route({
    key: 'GET /cards/{id}/card.pdf',
    operationId: 'printLinkedCard',
    tag: 'Cards',
    summary: 'The sitter’s card by its private link',
    description: 'By the random part of the address of the link; no signing in.',
    act: 'read',
    record: 'linkedCard',
    idPattern: TOKEN,
    idExample: A_TOKEN,
    query: query({ ...PAPER_QUERY, ...UNITS_QUERY }),
    answer: 'pdf',
    handle: ({ ctx, id, query: { units, paper } }) =>
      linkedPaper(ctx, id, readingIn(ctx.practice, units), paper),
  }),
] as const;
