/** Seats that stand somewhere, each with a tag, and what the labels on them lead to. */
import { z } from 'zod';
import { DeletionSchema } from '../contract';
import { PAGE_QUERY, pageOf } from '../contract/paging';
import {
  LabelReportSchema,
  LabelReportedSchema,
  NewPieceFaultSchema,
  NewPieceSchema,
  PIECE_QUERY,
  PieceDetailSchema,
  PieceEditSchema,
  PieceFaultEditSchema,
  PieceSeriesSchema,
  PieceSummarySchema,
} from '../contract/pieces';
import { LONGEST_SERIES } from '../contract/piece-lists';
import { TOKEN } from '../service/random-token';
import { reportByLabel } from '../service/labels';
import {
  createPiece,
  createSeries,
  deletePiece,
  editFault,
  editPiece,
  pageOfPieces,
  pieceOf,
  reportFault,
  restorePiece,
} from '../service/pieces';
import { labelledControls } from './control-sheet';
import { labelPaper } from './labels';
import { UNITS_QUERY, readingIn } from './reading';
import { query, route } from './route';
import { PAPER_QUERY } from './sitters';

const MOST_TAKEN = 32;
const A_TOKEN = 'Zx3_q-9LkTt0aVbN4mPcQw';

export const PIECE_ROUTES = [
  route({
    key: 'GET /tagged-seats',
    operationId: 'listTaggedSeats',
    tag: 'Tagged seats',
    summary: 'Find seats that have a tag',
    description: 'By tag.',
    act: 'read',
    record: 'piece',
    query: query({ ...PAGE_QUERY, ...PIECE_QUERY }),
    answer: pageOf(PieceSummarySchema),
    handle: ({ ctx, query: { cursor, limit, ...filter } }) => pageOfPieces(ctx, filter, { cursor, limit }),
  }),
  route({
    key: 'GET /tagged-seats/{id}',
    operationId: 'getTaggedSeat',
    tag: 'Tagged seats',
    summary: 'Read a tagged seat with its users, faults and what is set on it',
    description: 'Positions count from 0 at the lowest end.',
    act: 'read',
    record: 'piece',
    answer: PieceDetailSchema,
    handle: ({ ctx, id }) => pieceOf(ctx, id),
  }),
  route({
    key: 'POST /tagged-seats',
    operationId: 'createTaggedSeat',
    tag: 'Tagged seats',
    summary: 'Tag a seat',
    description:
      'The caller makes the id. The same request again gives the first record. A tag that is in use, and a model that was retired, are refused.',
    act: 'create',
    record: 'piece',
    body: NewPieceSchema,
    example: {
      id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a11',
      tag: 'HC-021',
      seatId: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a07',
      placeId: null,
    },
    answer: PieceDetailSchema,
    status: 201,
    location: ({ id }) => `/tagged-seats/${id}`,
    refusals: ['idInUse'],
    handle: ({ ctx, body }) => createPiece(ctx, body),
  }),
  route({
    key: 'POST /tagged-seats/series',
    operationId: 'createSeries',
    tag: 'Tagged seats',
    summary: 'Tag several seats of one model',
    description: `Tags count up from the first number; up to ${LONGEST_SERIES} at once, all or none.`,
    act: 'create',
    record: 'piece',
    body: PieceSeriesSchema,
    example: {
      seatId: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a07',
      prefix: 'WR-',
      first: 1,
      digits: 3,
      count: 12,
    },
    answer: z.object({ tags: z.array(z.string()) }),
    status: 201,
    handle: ({ ctx, body }) => createSeries(ctx, body),
  }),
  route({
    key: 'PATCH /tagged-seats/{id}',
    operationId: 'editTaggedSeat',
    tag: 'Tagged seats',
    summary: 'Change tag, workstation, users or notes',
    description:
      'Also notes that somebody looked it over, says that it is away or back, and withdraws the labels printed so far.',
    act: 'edit',
    record: 'piece',
    body: PieceEditSchema,
    example: { isAway: true, notes: 'In the workshop for a new castor.' },
    answer: PieceDetailSchema,
    versioned: 'record',
    handle: ({ ctx, id, version, body }) => editPiece(ctx, id, version, body),
  }),
  route({
    key: 'POST /tagged-seats/{id}/faults',
    operationId: 'reportFault',
    tag: 'Tagged seats',
    summary: 'Report a fault',
    description:
      'With `doNotUse` nobody may sit on the seat: no fitting on it is signed off, and its card says so.',
    act: 'edit',
    record: 'piece',
    body: NewPieceFaultSchema,
    example: { kind: 'castor', note: 'Rear left castor does not turn.', doNotUse: false },
    answer: PieceDetailSchema,
    status: 201,
    handle: ({ ctx, id, body }) => reportFault(ctx, id, body),
  }),
  route({
    key: 'PATCH /tagged-seats/{id}/faults',
    operationId: 'editFault',
    tag: 'Tagged seats',
    summary: 'Say of a fault that it is mended, or whether the seat may be used',
    description: 'Fields that are left out stay as they are.',
    act: 'edit',
    record: 'piece',
    body: PieceFaultEditSchema,
    example: { fault: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a12', isMended: true },
    answer: PieceDetailSchema,
    handle: ({ ctx, id, body }) => editFault(ctx, id, body),
  }),
  route({
    key: 'DELETE /tagged-seats/{id}',
    operationId: 'deleteTaggedSeat',
    tag: 'Tagged seats',
    summary: 'Delete a tagged seat',
    description:
      'It is hidden at once and erased when the time for undoing is over. Fittings made on it stay. Needs a named fitter.',
    act: 'delete',
    record: 'piece',
    answer: DeletionSchema,
    refusals: ['fitterMissing'],
    handle: ({ ctx, id }) => deletePiece(ctx, id),
  }),
  route({
    key: 'POST /tagged-seats/{id}/restore',
    operationId: 'restoreTaggedSeat',
    tag: 'Tagged seats',
    summary: 'Restore a deleted tagged seat',
    description: 'Possible until it has been erased, and while no other seat has its tag.',
    act: 'restore',
    record: 'piece',
    answer: PieceDetailSchema,
    handle: ({ ctx, id }) => restorePiece(ctx, id),
  }),
  route({
    key: 'GET /labels.pdf',
    operationId: 'printLabels',
    tag: 'Tagged seats',
    summary: 'Labels of tagged seats, to be stuck on',
    description:
      'Of all that the filter lets through, by tag. With a public address the code leads to the seat; without one it holds the tag only.',
    act: 'read',
    record: 'piece',
    query: query({
      ...PIECE_QUERY,
      ...PAPER_QUERY,
      taken: z.coerce
        .number()
        .int()
        .min(0)
        .max(MOST_TAKEN)
        .default(0)
        .describe('how many labels of the first sheet are used already'),
    }),
    answer: 'pdf',
    handle: ({ ctx, query: { paper, taken, ...filter } }) => labelPaper(ctx, filter, paper, taken),
  }),
  route({
    key: 'POST /labels/{id}/faults',
    operationId: 'reportByLabel',
    tag: 'Tagged seats',
    summary: 'Report a fault by the label on a seat',
    description:
      'By the random part of the address on the label; no signing in. So many an hour are taken, and what is reported already is not noted again.',
    act: 'create',
    record: 'label',
    idPattern: TOKEN,
    idExample: A_TOKEN,
    body: LabelReportSchema,
    example: { kind: 'cover', note: 'Torn at the front.' },
    answer: LabelReportedSchema,
    status: 201,
    refusals: ['tooManyReports'],
    handle: ({ ctx, id, body }) => reportByLabel(ctx, id, body),
  }),
  route({
    key: 'GET /labels/{id}/controls.pdf',
    operationId: 'controlSheetByLabel',
    tag: 'Tagged seats',
    summary: 'The control sheet by the label on a seat',
    description: 'One page.',
    act: 'read',
    record: 'label',
    idPattern: TOKEN,
    idExample: A_TOKEN,
    query: query({ ...PAPER_QUERY, ...UNITS_QUERY }),
    answer: 'pdf',
    handle: ({ ctx, id, query: { units, paper } }) =>
      labelledControls(ctx, id, readingIn(ctx.practice, units), paper),
  }),
] as const;
