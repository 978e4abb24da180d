/** Walks at the seat: begun, read, added to. */
import { z } from 'zod';
import {
  FeltSchema,
  NewWalkEventsSchema,
  NewWalkSchema,
  WalkEventsSchema,
  WalkStateSchema,
} from '../contract/walks';
import { addWalkEvents, beginWalk, feltBySitter, walkState } from '../service/walks';
import { route } from './route';

export const WALK_ROUTES = [
  route({
    key: 'GET /fittings/{id}/walk',
    operationId: 'getWalk',
    tag: 'Walks',
    summary: 'The walk at the seat as it stands',
    description:
      'What it started from, and every answer in the order in which it counts. `walk` is null where none was begun.',
    act: 'read',
    record: 'fitting',
    answer: WalkStateSchema,
    refusals: ['erased'],
    handle: ({ ctx, id }) => walkState(ctx, id),
  }),
  route({
    key: 'POST /fittings/{id}/walk',
    operationId: 'beginWalk',
    tag: 'Walks',
    summary: 'Begin a walk',
    description:
      'The caller makes the id. While a walk is under way that one is given, unless `again` asks for a new one; a later one takes its turn and the earlier one is kept.',
    act: 'edit',
    record: 'fitting',
    body: NewWalkSchema,
    example: { id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a31' },
    answer: WalkStateSchema,
    status: 201,
    location: ({ fitting }) => `/fittings/${fitting.id}/walk`,
    refusals: ['closed', 'incomplete', 'doNotUse', 'erased', 'idInUse'],
    handle: ({ ctx, id, body }) => beginWalk(ctx, id, body),
  }),
  route({
    key: 'POST /fittings/{id}/walk/events',
    operationId: 'addWalkEvents',
    tag: 'Walks',
    summary: 'Add answers to a walk',
    description:
      'From any device, in any order, also late: each is kept once, by its id. The latest answer to a step counts. Gives all answers of the walk.',
    act: 'edit',
    record: 'fitting',
    body: NewWalkEventsSchema,
    example: {
      walkId: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a31',
      events: [
        {
          id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a32',
          step: 'set:seatHeight',
          answer: 'done',
          position: 30,
          at: '2026-11-25T09:30:00.000Z',
        },
      ],
    },
    answer: WalkEventsSchema,
    handle: ({ ctx, id, body }) => addWalkEvents(ctx, id, body),
  }),
  route({
    key: 'GET /sitters/{id}/felt',
    operationId: 'listFelt',
    tag: 'Walks',
    summary: 'What a person has felt',
    description:
      'What answers at the seat told of a measurement, the newest of each, beside what was measured and never instead of it.',
    act: 'read',
    record: 'sitter',
    answer: z.array(FeltSchema),
    handle: ({ ctx, id }) => feltBySitter(ctx, id),
  }),
] as const;
