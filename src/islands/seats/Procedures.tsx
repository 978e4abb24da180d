import { Textarea } from '@mantine/core';
import { PROCEDURE_KINDS, type Procedure } from '../../core/seat';
import { word } from '../../words';
import { Chips } from './fields';
import type { SectionProps } from './SeatSections';

const OFFERED = PROCEDURE_KINDS.filter((kind) => kind !== 'own');

/** Procedures as they are usually done, or in the fitter’s own steps. */
export function Procedures({ text, onChange }: Pick<SectionProps, 'text' | 'onChange'>) {
  const { procedures } = text;
  const put = (next: readonly Procedure[]) => onChange({ procedures: next }, 'procedures');
  const toggle = (kind: Procedure['kind']) =>
    put(
      procedures.some((p) => p.kind === kind)
        ? procedures.filter((p) => p.kind !== kind)
        : [...procedures, { id: kind.toLowerCase(), kind, steps: [] }],
    );
  return (
    <>
      <h3>{word('controls.procedures')}</h3>
      <Chips
        label={word('controls.procedures')}
        options={OFFERED.map((kind) => [kind, word(`procedure.${kind}`)] as const)}
        chosen={procedures.map((p) => p.kind)}
        onToggle={toggle}
      />
      {procedures.map((procedure) => (
        <Textarea
          key={procedure.id}
          label={word(`procedure.${procedure.kind}`)}
          description={word('controlForm.steps.hint')}
          autosize
          minRows={1}
          value={procedure.steps.map((s) => s.text).join('\n')}
          onChange={(e) => {
            // A line that is still empty is being typed: it goes when the seat is read.
            const steps = e.currentTarget.value
              .split('\n')
              .map((line, at) => ({ ...procedure.steps[at], text: line }));
            const isBlank = steps.every(({ text: line }) => line.trim() === '');
            put(procedures.map((p) => (p.id === procedure.id ? { ...p, steps: isBlank ? [] : steps } : p)));
          }}
        />
      ))}
    </>
  );
}
