import type { APIContext } from 'astro';
import { problem } from '../api/answers';
import { dispatch } from '../api/dispatch';
import { isStorageGone } from '../data/storage-gone';
import { callerOf } from './caller';
import { logFault, withoutIds } from './log-fault';

/** Answers every request under `/api/`, by the table of operations. */
export async function answerApi(api: APIContext): Promise<Response> {
  try {
    return await dispatch(api.request, api.url, await callerOf(api));
  } catch (error) {
    if (isStorageGone(error)) return problem('storageGone');
    logFault(`${api.request.method} ${withoutIds(api.url.pathname)}`, error);
    return problem('unexpected');
  }
}
