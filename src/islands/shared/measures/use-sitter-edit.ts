import { useState } from 'react';
import type { SitterDetail, SitterEdit } from '../../../contract';
import { api, explain } from '../../../ui/client';
import { recordMet } from '../../../ui/current';

/** One choice about a sitter that stands by itself: made on whatever version there is. */
export function useSitterEdit(sitter: SitterDetail, onSaved: (sitter: SitterDetail) => void) {
  const [fault, setFault] = useState<string | null>(null);
  const send = async (edit: SitterEdit, version: number): Promise<void> => {
    try {
      onSaved(await api.editSitter(sitter.id, version, edit));
      setFault(null);
    } catch (error) {
      const current = recordMet('sitter', error);
      // Something else was changed at the same time: it does not touch this choice.
      if (current && current.version !== version) return send(edit, current.version);
      setFault(explain(error));
    }
  };
  return { edit: (edit: SitterEdit) => send(edit, sitter.version), fault };
}
