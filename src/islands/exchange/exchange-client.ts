/** What this page asks of the server. */
import type { ImportOrder, Look } from '../../contract/importing';
import type { ImportPart } from '../../contract/people-file';
import { call } from '../../ui/client';

/** The parts that are sent are JSON already: what stands here is never looked at. */
const SENT_AS_JSON = null as unknown as ImportPart;

export const exchange = {
  look: (body: Look) => call('POST /imports/look', { body }, { isAside: true }),
  /** @param people a JSON list, as the worker made it */
  send: (id: string, file: string, number: number, people: Blob) =>
    call(
      'PUT /imports/{id}/parts',
      { id, body: SENT_AS_JSON },
      {
        json: new Blob([`{"file":${JSON.stringify(file)},"number":${number},"people":`, people, '}']),
        isAside: true,
      },
    ),
  begin: (id: string, body: ImportOrder) => call('POST /imports/{id}', { id, body }),
  recent: async () => (await call('GET /imports', { query: {} })).items,
  undo: (id: string) => call('POST /imports/{id}/undo', { id, body: {} }),
  state: (id: string) => call('GET /imports/{id}', { id }),
  drop: (id: string) => call('DELETE /imports/{id}', { id }),
};
