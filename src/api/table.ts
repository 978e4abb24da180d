/** Every operation of the API: server, client, description and tests read this one table. */
import { done } from '../contract';
import { CALCULATION_ROUTES } from './calculation';
import { CARD_ROUTES } from './cards';
import { CATALOGUE_ROUTES } from './catalogue';
import { EXCHANGE_ROUTES } from './exchange';
import { textFile } from './files';
import { FITTING_ROUTES } from './fittings';
import { openApiOf } from './openapi';
import { PIECE_ROUTES } from './pieces';
import { PRACTICE_ROUTES } from './practice';
import { route, type AnyRoute } from './route';
import { SEAT_FILE_ROUTES } from './seat-files';
import { SITTER_ROUTES } from './sitters';
import { WALK_ROUTES } from './walks';

const DESCRIPTION_ROUTES = [
  route({
    key: 'GET /openapi.json',
    operationId: 'getDescription',
    tag: 'Door',
    summary: 'This description',
    description: 'OpenAPI 3.1.',
    act: 'read',
    record: 'description',
    answer: 'json',
    isImpersonal: true,
    handle: () => done(textFile('openapi.json', 'json', JSON.stringify(openApiDocument()))),
  }),
] as const;

export const TYPED_ROUTES = [
  ...SITTER_ROUTES,
  ...FITTING_ROUTES,
  ...CARD_ROUTES,
  ...WALK_ROUTES,
  ...CATALOGUE_ROUTES,
  ...SEAT_FILE_ROUTES,
  ...PIECE_ROUTES,
  ...PRACTICE_ROUTES,
  ...EXCHANGE_ROUTES,
  ...CALCULATION_ROUTES,
  ...DESCRIPTION_ROUTES,
] as const;

export const ROUTES: readonly AnyRoute[] = TYPED_ROUTES;

let made: Record<string, unknown> | null = null;
/** Returns the whole description in OpenAPI 3.1; made once. */
export const openApiDocument = (): Record<string, unknown> => (made ??= openApiOf(ROUTES));
