import { useState } from 'react';
import { SitterDetailSchema, type SitterDetail, type SitterEdit } from '../../contract';
import { ClientError, api, explain } from '../../ui/client';

/** One choice about a sitter that stands by itself: made on whatever version there is. */
export function useSitterEdit(sitter: SitterDetail, onSaved: (sitter: SitterDetail) => void) {
  const [fault, setFault] = useState<string | null>(null);
  const send = async (edit: SitterEdit, version: number): Promise<void> => {
    try {
      onSaved(await api.editSitter(sitter.id, version, edit));
      setFault(null);
    } catch (error) {
      const problem = error instanceof ClientError ? error.problem : null;
      const current = SitterDetailSchema.safeParse(problem?.current).data;
      // Something else was changed meanwhile: it does not touch this choice.
      if (current && current.version !== version) return send(edit, current.version);
      setFault(explain(error));
    }
  };
  return { edit: (edit: SitterEdit) => send(edit, sitter.version), fault };
}
