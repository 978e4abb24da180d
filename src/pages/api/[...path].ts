import { answerApi } from '@/server/api-endpoint';

export const ALL = answerApi;
