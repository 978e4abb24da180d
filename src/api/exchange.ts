/** People as files, out and in. */
import { z } from 'zod';
import { done } from '../contract';
import {
  ImportOrderSchema,
  ImportStateSchema,
  ListedImportSchema,
  LookSchema,
  LookedSchema,
} from '../contract/importing';
import { PAGE_QUERY, pageOf } from '../contract/paging';
import { ImportPartSchema, peopleJsonSchema } from '../contract/people-file';
import { today } from '../service/context';
import { peopleCsv, peopleJson } from '../service/exchange';
import {
  beginImport,
  cancelImport,
  gatherPart,
  importState,
  recentImports,
  lookUp,
  undoImport,
} from '../service/importing';
import { StreamAnswer, textFile } from './files';
import { query, route } from './route';

export const EXCHANGE_ROUTES = [
  route({
    key: 'GET /people.csv',
    operationId: 'exportPeopleCsv',
    tag: 'Exchange',
    summary: 'Export everybody as CSV',
    description:
      'A row a person, with the readings that hold, in mm and kg. Texts that a spreadsheet would calculate are defused.',
    act: 'read',
    record: 'sitter',
    answer: 'csv',
    handle: async ({ ctx }) => {
      const parts = await peopleCsv(ctx);
      return parts.ok ? done(new StreamAnswer(`people-${today(ctx)}.csv`, 'csv', parts.value)) : parts;
    },
  }),
  route({
    key: 'GET /people.json',
    operationId: 'exportPeopleJson',
    tag: 'Exchange',
    summary: 'Export everybody as JSON',
    description: 'With every session and reading there ever was. `GET /people.schema.json` is its schema.',
    act: 'read',
    record: 'sitter',
    answer: 'json',
    handle: async ({ ctx }) => {
      const parts = await peopleJson(ctx);
      return parts.ok ? done(new StreamAnswer(`people-${today(ctx)}.json`, 'json', parts.value)) : parts;
    },
  }),
  route({
    key: 'GET /people.schema.json',
    operationId: 'getPeopleSchema',
    tag: 'Exchange',
    summary: 'The JSON Schema of a file of people',
    description: 'Draft 2020-12.',
    act: 'read',
    record: 'description',
    answer: 'schema',
    isImpersonal: true,
    handle: () => done(textFile('people.schema.json', 'schema', JSON.stringify(peopleJsonSchema(), null, 2))),
  }),
  route({
    key: 'POST /imports/look',
    operationId: 'lookUpPeople',
    tag: 'Exchange',
    summary: 'Ask who of some people is here already',
    description: 'Nothing is written. The answer is in the order of the question.',
    act: 'read',
    record: 'import',
    body: LookSchema,
    example: { people: [{ id: null, name: 'Runa Tofte', birthDate: null }] },
    answer: LookedSchema,
    handle: ({ ctx, body }) => lookUp(ctx, body),
  }),
  route({
    key: 'PUT /imports/{id}/parts',
    operationId: 'sendImportPart',
    tag: 'Exchange',
    summary: 'Send a part of an import',
    description:
      'Nothing of it is in the records before the import is begun. A part sent again replaces the first.',
    act: 'edit',
    record: 'import',
    body: ImportPartSchema,
    example: {
      file: 'crew.json',
      number: 0,
      people: [
        {
          name: 'Runa Tofte',
          isNickname: false,
          birthDate: null,
          sex: null,
          tableId: null,
          consentOn: '2026-11-25',
          consentBy: null,
          sessions: [],
          readings: [{ dimension: 'stature', value: 1702, unit: 'mm' }],
        },
      ],
    },
    answer: ImportStateSchema,
    refusals: ['importBegun'],
    handle: ({ ctx, id, body }) => gatherPart(ctx, id, body),
  }),
  route({
    key: 'POST /imports/{id}',
    operationId: 'beginImport',
    tag: 'Exchange',
    summary: 'Begin an import whose parts have all arrived',
    description: 'It is then carried through, also over a restart.',
    act: 'edit',
    record: 'import',
    body: ImportOrderSchema,
    example: { parts: 1, existing: 'leave' },
    answer: ImportStateSchema,
    handle: ({ ctx, id, body }) => beginImport(ctx, id, body),
  }),
  route({
    key: 'GET /imports',
    operationId: 'listImports',
    tag: 'Exchange',
    summary: 'List the imports of the last day',
    description: 'The newest first: what can still be undone.',
    act: 'read',
    record: 'import',
    query: query(PAGE_QUERY),
    answer: pageOf(ListedImportSchema),
    handle: ({ ctx, query: page }) => recentImports(ctx, page),
  }),
  route({
    key: 'POST /imports/{id}/undo',
    operationId: 'undoImport',
    tag: 'Exchange',
    summary: 'Undo an import',
    description:
      'Erases the people it brought, except those with whom something has been done since. Needs a named fitter.',
    act: 'delete',
    record: 'import',
    body: z.strictObject({}),
    example: {},
    answer: ImportStateSchema,
    refusals: ['importUnfinished', 'fitterMissing'],
    handle: ({ ctx, id }) => undoImport(ctx, id),
  }),
  route({
    key: 'GET /imports/{id}',
    operationId: 'getImport',
    tag: 'Exchange',
    summary: 'How far an import has come',
    description: '`waiting` counts the pieces that are still to be written, or erased.',
    act: 'read',
    record: 'import',
    answer: ImportStateSchema,
    handle: ({ ctx, id }) => importState(ctx, id),
  }),
  route({
    key: 'DELETE /imports/{id}',
    operationId: 'dropImport',
    tag: 'Exchange',
    summary: 'Drop an import that has not been begun',
    description: 'Its parts are erased.',
    act: 'edit',
    record: 'import',
    answer: ImportStateSchema,
    refusals: ['importBegun'],
    handle: ({ ctx, id }) => cancelImport(ctx, id),
  }),
] as const;
