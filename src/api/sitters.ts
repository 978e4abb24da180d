/** People who are fitted, their measurements and sessions. */
import { z } from 'zod';
import {
  DeletionSchema,
  MeasuringSessionEditSchema,
  MeasuringSessionSchema,
  NewSitterSchema,
  ReadingEditSchema,
  SitterDetailSchema,
  SitterEditSchema,
  SitterSchema,
  done,
} from '../contract';
import { PAGE_QUERY, pageOf } from '../contract/paging';
import { TOUR_SETS } from '../core/measuring';
import { PAPER_NAMES } from '../drawing/pdf/paper';
import { today } from '../service/context';
import { everythingAbout } from '../service/exchange';
import { measuringSessions, saveMeasuringSession } from '../service/measuring';
import { pageOf as pageOfAll } from '../service/paging';
import {
  createSitter,
  deleteSitter,
  editSitter,
  restoreSitter,
  searchSitters,
  sitterDetail,
  takeReading,
} from '../service/sitters';
import { textFile } from './files';
import { measuringPaper } from './measuring-sheet';
import { UNITS_QUERY, readingIn } from './reading';
import { query, route } from './route';

export const PAPER_QUERY = { paper: z.enum(PAPER_NAMES).default('A4').describe('size of the paper') };
const SHEET_QUERY = {
  ...PAPER_QUERY,
  ...UNITS_QUERY,
  set: z.enum(TOUR_SETS).default('quick').describe('which dimensions are on it'),
};

export const SITTER_ROUTES = [
  route({
    key: 'GET /sitters',
    operationId: 'listSitters',
    tag: 'Sitters',
    summary: 'Find people by words of their name',
    description:
      'Lists people by name. A search finds those whose name has every word of it, in any order; case and accents do not matter.',
    act: 'read',
    record: 'sitter',
    query: query({ ...PAGE_QUERY, search: z.string().max(200).optional().describe('words of a name') }),
    answer: pageOf(SitterSchema),
    handle: ({ ctx, query }) => searchSitters(ctx, query),
  }),
  route({
    key: 'POST /sitters',
    operationId: 'createSitter',
    tag: 'Sitters',
    summary: 'Add a person',
    description:
      'The caller makes the id, a UUID. The same request again gives the first record; the same id with anything else is refused.',
    act: 'create',
    record: 'sitter',
    body: NewSitterSchema,
    example: { id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a01', name: 'Runa Tofte', birthDate: null },
    answer: SitterDetailSchema,
    status: 201,
    location: ({ id }) => `/sitters/${id}`,
    refusals: ['idInUse'],
    handle: ({ ctx, body }) => createSitter(ctx, body),
  }),
  route({
    key: 'GET /sitters/{id}',
    operationId: 'getSitter',
    tag: 'Sitters',
    summary: 'Read a person with the measurements that hold',
    description: 'Measurements are in mm, body mass in kg, each with its spread, source and date.',
    act: 'read',
    record: 'sitter',
    answer: SitterDetailSchema,
    handle: ({ ctx, id }) => sitterDetail(ctx, id),
  }),
  route({
    key: 'PATCH /sitters/{id}',
    operationId: 'editSitter',
    tag: 'Sitters',
    summary: 'Change name, consent, birth date, sex or reference population',
    description:
      'Fields that are left out stay as they are. Once a nickname is set, the earlier name is erased.',
    act: 'edit',
    record: 'sitter',
    body: SitterEditSchema,
    example: { name: 'Runa T.', isNickname: true },
    answer: SitterDetailSchema,
    versioned: 'record',
    handle: ({ ctx, id, version, body }) => editSitter(ctx, id, version, body),
  }),
  route({
    key: 'DELETE /sitters/{id}',
    operationId: 'deleteSitter',
    tag: 'Sitters',
    summary: 'Delete a person',
    description:
      'The person is hidden at once and erased when the time for undoing is over. Needs a named fitter.',
    act: 'delete',
    record: 'sitter',
    answer: DeletionSchema,
    refusals: ['fitterMissing'],
    handle: ({ ctx, id }) => deleteSitter(ctx, id),
  }),
  route({
    key: 'POST /sitters/{id}/restore',
    operationId: 'restoreSitter',
    tag: 'Sitters',
    summary: 'Restore a deleted person',
    description: 'Possible until the person has been erased.',
    act: 'restore',
    record: 'sitter',
    answer: SitterDetailSchema,
    handle: ({ ctx, id }) => restoreSitter(ctx, id),
  }),
  route({
    key: 'PUT /sitters/{id}/readings',
    operationId: 'takeReading',
    tag: 'Sitters',
    summary: 'Take a reading, or withdraw it with null',
    description:
      'Give `seenReading` so that a reading taken by somebody else in between is not replaced unseen. A reading five deviations from what the others let expect needs a reason.',
    act: 'edit',
    record: 'sitter',
    body: ReadingEditSchema,
    example: { dimension: 'poplitealHeight', value: 431, seenReading: null },
    answer: SitterDetailSchema,
    refusals: ['changedMeanwhile'],
    handle: ({ ctx, id, body }) => takeReading(ctx, id, body),
  }),
  route({
    key: 'GET /sitters/{id}/measuring-sessions',
    operationId: 'listMeasuringSessions',
    tag: 'Sitters',
    summary: 'List the measuring sessions of a person',
    description: 'The newest first, each with its readings, also those that were withdrawn.',
    act: 'read',
    record: 'sitter',
    query: query(PAGE_QUERY),
    answer: pageOf(MeasuringSessionSchema),
    handle: async ({ ctx, id, query: page }) => {
      const found = await measuringSessions(ctx, id);
      return found.ok
        ? pageOfAll(found.value, ({ id, date, takenBy }) => id ?? `${date} ${takenBy ?? ''}`, page)
        : found;
    },
  }),
  route({
    key: 'PUT /sitters/{id}/measuring-sessions',
    operationId: 'saveMeasuringSession',
    tag: 'Sitters',
    summary: 'Begin a measuring session, or change what holds of it',
    description:
      'The caller makes the id. A session that exists needs `If-Match` with its version; one that begins needs none.',
    act: 'edit',
    record: 'sitter',
    body: MeasuringSessionEditSchema,
    example: {
      id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a02',
      shoesOn: false,
      clothes: 'light',
      notes: '',
    },
    answer: MeasuringSessionSchema,
    versioned: 'record',
    isVersionOptional: true,
    handle: ({ ctx, id, optionalVersion, body }) => saveMeasuringSession(ctx, id, optionalVersion, body),
  }),
  route({
    key: 'GET /sitters/{id}/everything.json',
    operationId: 'exportSitter',
    tag: 'Sitters',
    summary: 'Export everything that is kept about one person',
    description: 'Sessions, readings, fittings and all settings, as one JSON file.',
    act: 'read',
    record: 'sitter',
    answer: 'json',
    handle: async ({ ctx, id }) => {
      const found = await everythingAbout(ctx, id);
      return found.ok ? done(textFile(`person-${today(ctx)}.json`, 'json', found.value)) : found;
    },
  }),
  route({
    key: 'GET /sitters/{id}/measuring-sheet.pdf',
    operationId: 'measuringSheetOfSitter',
    tag: 'Sitters',
    summary: 'A sheet to measure a person by',
    description: 'One page; with `filled`, the readings that hold are written in.',
    act: 'read',
    record: 'sitter',
    query: query({
      ...SHEET_QUERY,
      filled: z.enum(['yes', 'no']).default('no').describe('with the readings that hold'),
    }),
    answer: 'pdf',
    handle: ({ ctx, id, query: { units, paper, set, filled } }) =>
      measuringPaper(ctx, id, readingIn(ctx.practice, units), { paper, set, isFilled: filled === 'yes' }),
  }),
  route({
    key: 'GET /measuring-sheet.pdf',
    operationId: 'measuringSheet',
    tag: 'Sitters',
    summary: 'A blank sheet to measure anybody by',
    description: 'One page.',
    act: 'read',
    record: 'practice',
    query: query(SHEET_QUERY),
    answer: 'pdf',
    handle: ({ ctx, query: { units, paper, set } }) =>
      measuringPaper(ctx, null, readingIn(ctx.practice, units), { paper, set, isFilled: false }),
  }),
] as const;
