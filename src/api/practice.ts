/** Fitters, repeat tolerances, signing in and out, and the description itself. */
import { z } from 'zod';
import {
  FitterSchema,
  HandSchema,
  NewFitterSchema,
  OwnTolerancesSchema,
  PassphraseSchema,
  SessionSchema,
  done,
  refused,
} from '../contract';
import { PAGE_QUERY, pageOf } from '../contract/paging';
import { TolerancesSchema } from '../contract/tolerances';
import { addFitter, fitterOf, pageOfFitters, saveHand } from '../service/catalogue';
import { saveTolerances, tolerances } from '../service/measuring';
import { query, route } from './route';

export const PRACTICE_ROUTES = [
  route({
    key: 'GET /fitters',
    operationId: 'listFitters',
    tag: 'Practice',
    summary: 'List the fitters',
    description: 'By name.',
    act: 'read',
    record: 'fitter',
    query: query(PAGE_QUERY),
    answer: pageOf(FitterSchema),
    handle: ({ ctx, query: page }) => pageOfFitters(ctx, page),
  }),
  route({
    key: 'POST /fitters',
    operationId: 'createFitter',
    tag: 'Practice',
    summary: 'Add a fitter',
    description:
      'The caller makes the id. The same request again gives the first record; the same id with another name is refused.',
    act: 'create',
    record: 'fitter',
    body: NewFitterSchema,
    example: { id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a06', name: 'Ada Sund' },
    answer: FitterSchema,
    status: 201,
    location: ({ id }) => `/fitters/${id}`,
    refusals: ['idInUse'],
    handle: ({ ctx, body }) => addFitter(ctx, body),
  }),
  route({
    key: 'GET /fitters/{id}',
    operationId: 'getFitter',
    tag: 'Practice',
    summary: 'Read a fitter',
    description: 'With the breadth of three and of four fingers in mm, where they were measured.',
    act: 'read',
    record: 'fitter',
    answer: FitterSchema,
    handle: ({ ctx, id }) => fitterOf(ctx, id),
  }),
  route({
    key: 'PUT /fitters/{id}',
    operationId: 'saveHand',
    tag: 'Practice',
    summary: 'Set the breadth of a fitter’s fingers',
    description: 'Some methods measure the gap behind the knee with them.',
    act: 'edit',
    record: 'fitter',
    body: HandSchema,
    example: { threeFingersMm: 52, fourFingersMm: 71 },
    answer: FitterSchema,
    versioned: 'record',
    handle: ({ ctx, id, version, body }) => saveHand(ctx, id, version, body),
  }),
  route({
    key: 'GET /tolerances',
    operationId: 'getTolerances',
    tag: 'Practice',
    summary: 'Read the repeat tolerances of the practice',
    description: 'By dimension, in mm or kg. What is left out is as built in.',
    act: 'read',
    record: 'practice',
    answer: OwnTolerancesSchema,
    handle: ({ ctx }) => tolerances(ctx),
  }),
  route({
    key: 'PUT /tolerances',
    operationId: 'saveTolerances',
    tag: 'Practice',
    summary: 'Set the repeat tolerances of the practice',
    description: 'Replaces all of them.',
    act: 'edit',
    record: 'practice',
    body: TolerancesSchema,
    example: { stature: 5, elbowHeightSitting: 8 },
    answer: OwnTolerancesSchema,
    versioned: 'record',
    handle: ({ ctx, version, body }) => saveTolerances(ctx, version, body),
  }),
  route({
    key: 'POST /session',
    operationId: 'signIn',
    tag: 'Door',
    summary: 'Sign in',
    description:
      'Sets the cookie `velto-session`, where the practice has a passphrase. Wrong passphrases are limited by address: after several, wait as `Retry-After` says.',
    act: 'create',
    record: 'session',
    body: PassphraseSchema,
    example: { passphrase: 'a long one of your own' },
    answer: SessionSchema,
    refusals: ['wrongPassphrase', 'tooManyTries', 'busy'],
    handle: async ({ body, door }) => {
      const result = await door.signIn(body.passphrase);
      if (result.ok) return done({ open: true });
      const { reason, retryAfterS } = result;
      return refused(reason, retryAfterS === undefined ? {} : { retryAfterS });
    },
  }),
  route({
    key: 'DELETE /session',
    operationId: 'signOut',
    tag: 'Door',
    summary: 'Sign out',
    description: 'Ends the session and removes its cookie.',
    act: 'delete',
    record: 'session',
    answer: SessionSchema,
    handle: ({ door }) => {
      door.signOut();
      return done({ open: false });
    },
  }),
] as const;

export const OpenApiDocument = z.record(z.string(), z.unknown());
