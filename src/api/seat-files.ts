/** Seats as files, out and in. */
import { done } from '../contract';
import { PAGE_QUERY, pageOf } from '../contract/paging';
import {
  SeatCountsSchema,
  SeatImportSchema,
  SeatLookSchema,
  SeatLookedSchema,
  SeatPartSchema,
  seatsJsonSchema,
} from '../contract/seats-file';
import { today } from '../service/context';
import { pageOf as pageOfAll } from '../service/paging';
import {
  importSeats,
  lookUpSeats,
  recentSeatImports,
  seatsCsv,
  seatsJson,
  undoSeatImport,
} from '../service/seat-files';
import { SEAT_EXAMPLE } from './examples';
import { StreamAnswer, textFile } from './files';
import { query, route } from './route';

export const SEAT_FILE_ROUTES = [
  route({
    key: 'GET /seats.csv',
    operationId: 'exportSeatsCsv',
    tag: 'Seats',
    summary: 'Export the flat part of every seat as CSV',
    description:
      'A row a seat: each adjustment by its ends and its positions. Controls, states and procedures are in the JSON file only. Texts that a spreadsheet would calculate are defused.',
    act: 'read',
    record: 'seat',
    answer: 'csv',
    handle: async ({ ctx }) => {
      const parts = await seatsCsv(ctx);
      return parts.ok ? done(new StreamAnswer(`seats-${today(ctx)}.csv`, 'csv', parts.value)) : parts;
    },
  }),
  route({
    key: 'GET /seats.json',
    operationId: 'exportSeatsJson',
    tag: 'Seats',
    summary: 'Export every seat as JSON',
    description: 'The newest version of each in full. `GET /seats.schema.json` is its schema.',
    act: 'read',
    record: 'seat',
    answer: 'json',
    handle: async ({ ctx }) => {
      const parts = await seatsJson(ctx);
      return parts.ok ? done(new StreamAnswer(`seats-${today(ctx)}.json`, 'json', parts.value)) : parts;
    },
  }),
  route({
    key: 'GET /seats.schema.json',
    operationId: 'getSeatsSchema',
    tag: 'Seats',
    summary: 'The schema of a file of seats',
    description: 'JSON Schema 2020-12.',
    act: 'read',
    record: 'seat',
    answer: 'schema',
    isImpersonal: true,
    handle: () => done(textFile('seats.schema.json', 'schema', JSON.stringify(seatsJsonSchema(), null, 1))),
  }),
  route({
    key: 'POST /seats/look',
    operationId: 'lookUpSeats',
    tag: 'Seats',
    summary: 'See how seats of a file stand to those that are here',
    description: 'Nothing is written.',
    act: 'read',
    record: 'seat',
    body: SeatLookSchema,
    example: { seats: [SEAT_EXAMPLE] },
    answer: SeatLookedSchema,
    handle: ({ ctx, body }) => lookUpSeats(ctx, body.seats),
  }),
  route({
    key: 'POST /seat-imports/{id}',
    operationId: 'importSeats',
    tag: 'Seats',
    summary: 'Import a part of a file of seats',
    description:
      'All seats of the part or, where one is wrong, none. Parts with the same id are one import, and are undone together.',
    act: 'create',
    record: 'import',
    body: SeatPartSchema,
    example: { file: 'waiting rooms.json', existing: 'leave', seats: [SEAT_EXAMPLE] },
    answer: SeatCountsSchema,
    refusals: ['importBegun'],
    handle: ({ ctx, id, body }) => importSeats(ctx, id, body),
  }),
  route({
    key: 'GET /seat-imports',
    operationId: 'listSeatImports',
    tag: 'Seats',
    summary: 'List the latest imports of seats',
    description: 'The newest first, 20 at most.',
    act: 'read',
    record: 'import',
    query: query(PAGE_QUERY),
    answer: pageOf(SeatImportSchema),
    handle: async ({ ctx, query: page }) => {
      const recent = await recentSeatImports(ctx);
      return recent.ok ? pageOfAll(recent.value, (i) => i.id, page) : recent;
    },
  }),
  route({
    key: 'POST /seat-imports/{id}/undo',
    operationId: 'undoSeatImport',
    tag: 'Seats',
    summary: 'Undo an import of seats',
    description:
      'Takes out again what it brought. Seats that a fitting uses, or that were changed since, stay and are counted. The same again changes nothing.',
    act: 'delete',
    record: 'import',
    answer: SeatImportSchema,
    handle: ({ ctx, id }) => undoSeatImport(ctx, id),
  }),
] as const;
