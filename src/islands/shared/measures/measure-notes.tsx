/** What is said above the measures: what becomes of those that are missing, and by whose table. */
import type { DimensionId } from '../../../core/body';
import { DONE_WITHOUT } from '../../../core/fit';
import type { SitterDetail } from '../../../contract';
import { InlineSelect } from '../../../ui/InlineSelect';
import parts from '../../../ui/parts.module.css';
import { sayTable, sayWith, t, word } from '../../../words';
import { useTables, type Told } from './use-population';
import { useSitterEdit } from './use-sitter-edit';

function sayTold({ by }: Told, sex: SitterDetail['sex']): string {
  if (by.isChild) return word('measure.estimatesByAge');
  return sayWith('measure.estimatesBy', {
    table: sayTable(by.table),
    who: word(`measure.who.${sex ?? 'mixed'}`),
  });
}

/** What becomes of what was not measured: estimated, a typical value taken, or not calculated. */
export function Notes({
  missing,
  filled,
}: {
  readonly missing: readonly DimensionId[];
  readonly filled: readonly DimensionId[];
}) {
  const rest = missing.filter((id) => !filled.includes(id));
  const notes = {
    filledNote: missing.filter((id) => filled.includes(id)),
    withoutNote: rest.filter((id) => DONE_WITHOUT.includes(id)),
    missingNote: rest.filter((id) => !DONE_WITHOUT.includes(id)),
  };
  return Object.entries(notes).map(
    ([note, ids]) =>
      ids.length > 0 && (
        <p key={note} className={parts.soft}>
          {t(`measure.${note}`, {
            list: ids.map((id) => word(`dimension.${id}`).toLowerCase()).join(', '),
          })}
        </p>
      ),
  );
}

/** By which table estimates are made, and another one for this sitter. */
export function EstimatedBy({
  told,
  sitter,
  onSaved,
  disabled,
}: {
  readonly told: Told;
  readonly sitter: SitterDetail;
  readonly onSaved: (sitter: SitterDetail) => void;
  readonly disabled: boolean;
}) {
  const tables = useTables();
  const { edit, fault } = useSitterEdit(sitter, onSaved);
  const first = tables?.find((t) => t.isUsual)?.table;
  const offered = tables?.filter((t) => !t.isRetired || t.table.id === sitter.tableId) ?? [];
  return (
    <div className={parts.soft}>
      {sayTold(told, sitter.sex)}{' '}
      {!told.by.isChild && (
        <InlineSelect
          label={word('measure.table')}
          value={sitter.tableId ?? ''}
          // Before the tables are known it takes its room already.
          disabled={disabled || !tables}
          onChange={(e) => void edit({ tableId: e.currentTarget.value || null })}
          data={[
            { value: '', label: sayWith('measure.table.usual', { name: first ? sayTable(first) : '' }) },
            ...offered.map(({ table }) => ({ value: table.id, label: sayTable(table) })),
          ]}
        />
      )}
      {fault && <span role="alert"> {fault}</span>}
    </div>
  );
}
