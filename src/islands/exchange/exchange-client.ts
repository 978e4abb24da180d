/** What this page asks of the server. */
import { z } from 'zod';
import {
  ImportStateSchema,
  ListedImportSchema,
  LookedSchema,
  type ImportOrder,
  type Look,
} from '../../contract/importing';
import { call } from '../../ui/client';

const path = (id: string): string => `/imports/${id}`;

export const exchange = {
  look: (look: Look) => call('/imports/look', LookedSchema, { method: 'POST', body: look, isAside: true }),
  /** @param people a JSON list, as the worker made it */
  send: (id: string, file: string, number: number, people: Blob) =>
    call(`${path(id)}/parts`, ImportStateSchema, {
      method: 'PUT',
      json: new Blob([`{"file":${JSON.stringify(file)},"number":${number},"people":`, people, '}']),
      isAside: true,
    }),
  begin: (id: string, order: ImportOrder) =>
    call(path(id), ImportStateSchema, { method: 'POST', body: order }),
  lately: () => call('/imports', z.array(ListedImportSchema)),
  undo: (id: string) => call(`${path(id)}/undo`, ImportStateSchema, { method: 'POST', body: {} }),
  state: (id: string) => call(path(id), ImportStateSchema),
  drop: (id: string) => call(path(id), ImportStateSchema, { method: 'DELETE' }),
};
