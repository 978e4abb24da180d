import type { APIContext } from 'astro';
import { problem } from '../api/answers';
import { dispatch } from '../api/dispatch';
import { isStorageGone } from '../data/storage-gone';
import { callerOf } from './caller';
import { logFault } from './log-fault';

const ID = /[0-9a-f]{8}-[0-9a-f-]{27}/gi;

/** Answers every request under `/api/`, by the table of operations. */
export async function answerApi(api: APIContext): Promise<Response> {
  try {
    return await dispatch(api.request, api.url, await callerOf(api));
  } catch (error) {
    if (isStorageGone(error)) return problem('storageGone');
    logFault(`${api.request.method} ${api.url.pathname.replace(ID, '…')}`, error);
    return problem('unexpected');
  }
}
