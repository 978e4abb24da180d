/** Cases and rankings that are calculated and not kept. */
import { FitAnswerSchema, FitRequestSchema, RankAnswerSchema, RankRequestSchema } from '../contract/compute';
import { fitAsked, rankAsked } from '../service/shelf';
import { route } from './route';

const SITTER_EXAMPLE = {
  measures: {
    stature: 1740,
    bodyMass: 75,
    poplitealHeight: { value: 440, spread: 6 },
    buttockPoplitealLength: 495,
    hipBreadthSitting: 360,
    elbowHeightSitting: 245,
    shoeHeel: 25,
  },
};

export const CALCULATION_ROUTES = [
  route({
    key: 'POST /fit',
    operationId: 'fit',
    tag: 'Calculation',
    summary: 'Calculate the settings of one case',
    description:
      'Sitter, seat, workstation and method by id or in full. Nothing is kept. Lengths in mm, masses in kg, angles in degrees, positions from 0.',
    act: 'read',
    record: 'case',
    body: FitRequestSchema,
    example: { sitter: SITTER_EXAMPLE, seat: { id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a07' } },
    answer: FitAnswerSchema,
    refusals: ['tooLong', 'busy'],
    handle: ({ ctx, body }) => fitAsked(ctx, body),
  }),
  route({
    key: 'POST /rank',
    operationId: 'rank',
    tag: 'Calculation',
    summary: 'Put seats in order for one sitter',
    description:
      'By how likely it is that the seat can be set to fit. Unsuitable seats are named with the reason.',
    act: 'read',
    record: 'case',
    body: RankRequestSchema,
    example: { sitter: SITTER_EXAMPLE, seats: null, limit: 10 },
    answer: RankAnswerSchema,
    refusals: ['tooLong', 'busy'],
    handle: ({ ctx, body }) => rankAsked(ctx, body),
  }),
] as const;
