/** Fittings: choosing, settings, acts, the card. */
import { z } from 'zod';
import {
  ChoicesSchema,
  DeletionSchema,
  DraftEditSchema,
  FITTING_STATES,
  FittingActSchema,
  FittingDetailSchema,
  FittingEditSchema,
  FittingSummarySchema,
  Id,
  NewFittingSchema,
  RemainsSchema,
  SavedDraftSchema,
} from '../contract';
import { PAGE_QUERY, pageOf } from '../contract/paging';
import {
  actOnFitting,
  createFitting,
  deleteFitting,
  draftSettings,
  editFitting,
  fittingChoices,
  fittingDetail,
  fittingRemains,
  recentFittings,
  restoreFitting,
  saveSettings,
} from '../service/fittings';
import { drawingsPaper } from './papers';
import { UNITS_QUERY, readingIn } from './reading';
import { query, route } from './route';
import { PAPER_QUERY } from './sitters';

const MOST_CHOICES = 8;
const USUAL_CHOICES = 3;
const PRINTED = query({ ...PAPER_QUERY, ...UNITS_QUERY });
const SEATED = ['incomplete', 'erased'] as const;

export const FITTING_ROUTES = [
  route({
    key: 'GET /fittings',
    operationId: 'listFittings',
    tag: 'Fittings',
    summary: 'List fittings',
    description: 'The newest first.',
    act: 'read',
    record: 'fitting',
    query: query({
      ...PAGE_QUERY,
      sitter: Id.optional().describe('id of a person'),
      state: z.enum(FITTING_STATES).optional().describe('open, or left as signed off'),
    }),
    answer: pageOf(FittingSummarySchema),
    handle: ({ ctx, query }) => recentFittings(ctx, query),
  }),
  route({
    key: 'POST /fittings',
    operationId: 'createFitting',
    tag: 'Fittings',
    summary: 'Open a fitting',
    description:
      'The caller makes the id. The same request again gives the first record; the same id for another person is refused.',
    act: 'create',
    record: 'fitting',
    body: NewFittingSchema,
    example: {
      id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a03',
      sitterId: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a01',
      fitterId: null,
    },
    answer: FittingDetailSchema,
    status: 201,
    location: ({ id }) => `/fittings/${id}`,
    refusals: ['idInUse'],
    handle: ({ ctx, body }) => createFitting(ctx, body),
  }),
  route({
    key: 'GET /fittings/{id}',
    operationId: 'getFitting',
    tag: 'Fittings',
    summary: 'Read a fitting with its inputs and draft settings',
    description:
      'Its ETag is the version of the fitting. Draft settings have a tag of their own: see `GET /fittings/{id}/settings`.',
    act: 'read',
    record: 'fitting',
    answer: FittingDetailSchema,
    refusals: ['erased'],
    handle: ({ ctx, id }) => fittingDetail(ctx, id),
  }),
  route({
    key: 'PATCH /fittings/{id}',
    operationId: 'editFitting',
    tag: 'Fittings',
    summary: 'Choose seat, workstation, method, fitter, tools or tagged seat',
    description:
      'Also chooses whether missing measurements are estimated. Draft settings that mean nothing on the new seat or workstation are dropped, and so is a tagged seat of another model.',
    act: 'edit',
    record: 'fitting',
    body: FittingEditSchema,
    example: { toolsKg: 2.5, estimateMissing: true },
    answer: FittingDetailSchema,
    versioned: 'record',
    refusals: ['closed', 'erased'],
    handle: ({ ctx, id, version, body }) => editFitting(ctx, id, version, body),
  }),
  route({
    key: 'DELETE /fittings/{id}',
    operationId: 'deleteFitting',
    tag: 'Fittings',
    summary: 'Delete a fitting',
    description:
      'The fitting is hidden at once and erased when the time for undoing is over. Needs a named fitter.',
    act: 'delete',
    record: 'fitting',
    answer: DeletionSchema,
    refusals: ['fitterMissing'],
    handle: ({ ctx, id }) => deleteFitting(ctx, id),
  }),
  route({
    key: 'POST /fittings/{id}/restore',
    operationId: 'restoreFitting',
    tag: 'Fittings',
    summary: 'Restore a deleted fitting',
    description: 'Possible until the fitting has been erased.',
    act: 'restore',
    record: 'fitting',
    answer: FittingSummarySchema,
    handle: ({ ctx, id }) => restoreFitting(ctx, id),
  }),
  route({
    key: 'GET /fittings/{id}/settings',
    operationId: 'getSettings',
    tag: 'Fittings',
    summary: 'Read the draft settings',
    description:
      'Empty before the first. Positions count from 0 at the lowest end. The ETag is the revision of the draft, as "draft-3".',
    act: 'read',
    record: 'fitting',
    answer: SavedDraftSchema,
    refusals: ['erased'],
    handle: ({ ctx, id }) => draftSettings(ctx, id),
  }),
  route({
    key: 'PUT /fittings/{id}/settings',
    operationId: 'saveSettings',
    tag: 'Fittings',
    summary: 'Save the draft settings',
    description:
      'Replaces positions, remedies in use and pinned adjustments. `If-Match` names the revision of the draft, not the version of the fitting.',
    act: 'edit',
    record: 'fitting',
    body: DraftEditSchema,
    example: {
      positions: { seatHeight: 30 },
      remedies: { footrestMm: 0, backCushionMm: 0 },
      held: ['seatHeight'],
    },
    answer: SavedDraftSchema,
    versioned: 'draft',
    refusals: ['closed', 'incomplete'],
    handle: ({ ctx, id, version, body }) => saveSettings(ctx, id, version, body),
  }),
  route({
    key: 'POST /fittings/{id}/acts',
    operationId: 'actOnFitting',
    tag: 'Fittings',
    summary: 'Solve, sign off or reopen',
    description:
      'Each act makes a version. `solve` calculates the best settings around what is pinned, `signOff` keeps the settings as left, `reopen` opens the fitting again.',
    act: 'edit',
    record: 'fitting',
    body: FittingActSchema,
    example: { act: 'solve' },
    answer: FittingDetailSchema,
    versioned: 'record',
    refusals: ['closed', 'incomplete', 'seatRefused', 'doNotUse', 'erased'],
    handle: ({ ctx, id, version, body }) => actOnFitting(ctx, id, version, body),
  }),
  route({
    key: 'GET /fittings/{id}/choices',
    operationId: 'listChoices',
    tag: 'Fittings',
    summary: 'The best settings, what they cost and why, and the next best',
    description: 'Calculated with the remedies in use. Costs are in millionths of a point.',
    act: 'read',
    record: 'fitting',
    query: query({
      count: z.coerce
        .number()
        .int()
        .min(0)
        .max(MOST_CHOICES)
        .default(USUAL_CHOICES)
        .describe('how many of the next best'),
    }),
    answer: ChoicesSchema,
    refusals: [...SEATED, 'tooLong', 'busy'],
    handle: ({ ctx, id, query }) => fittingChoices(ctx, id, query.count),
  }),
  route({
    key: 'GET /fittings/{id}/remains',
    operationId: 'getRemains',
    tag: 'Fittings',
    summary: 'What is kept of a fitting whose person was deleted',
    description: 'Seat, date and settings, without the person.',
    act: 'read',
    record: 'fitting',
    answer: RemainsSchema,
    handle: ({ ctx, id }) => fittingRemains(ctx, id),
  }),
  route({
    key: 'GET /fittings/{id}/drawings.pdf',
    operationId: 'printDrawings',
    tag: 'Fittings',
    summary: 'Rule, views and tracks of a fitting',
    description: 'Side, front and plan view, the rule from the floor, and every track.',
    act: 'read',
    record: 'fitting',
    query: PRINTED,
    answer: 'pdf',
    refusals: SEATED,
    handle: ({ ctx, id, query: { units, paper } }) =>
      drawingsPaper(ctx, id, readingIn(ctx.practice, units), paper),
  }),
] as const;
