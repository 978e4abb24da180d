import { useState } from 'react';
import type { TableEdit, TableSummary, Unreadable } from '../../contract';
import { BODY_DIMENSIONS, type PopulationTable } from '../../core/population/table';
import { api, explain } from '../../ui/client';
import { Frame } from '../../ui/Frame';
import { UnreadableNote } from '../../ui/UnreadableNote';
import { PanelBoundary } from '../../ui/PanelBoundary';
import type { PageProps } from '../../ui/preferences';
import { WideTable } from '../../ui/WideTable';
import parts from '../../ui/parts.module.css';
import { sayTable, sayWith, word } from '../../words';
import { Limits } from './Limits';
import { NewTable } from './NewTable';
import { PracticeNav } from './PracticeNav';
import { TableRows } from './TableRows';
import styles from './practice.module.css';

const sayPeople = ({ n }: PopulationTable): string =>
  n ? sayWith('tables.people.n', { men: n.men, women: n.women }) : word('tables.people.none');

const sayDimensions = ({ rows }: PopulationTable): string =>
  sayWith('tables.dimensions.n', {
    n: BODY_DIMENSIONS.filter((id) => rows.men[id] ?? rows.women[id]).length,
    all: BODY_DIMENSIONS.length,
  });

/** Hands a table over as a file; the code that writes it comes when it is wanted. */
async function download(table: PopulationTable): Promise<void> {
  const { writeTable } = await import('../../core/population');
  const url = URL.createObjectURL(new Blob([writeTable(table)], { type: 'text/csv' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${table.id}.csv`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 0);
}

function TableLine({
  summary: { table, isOwn, isUsual, isRetired },
  isShown,
  onShow,
  onEdit,
}: {
  readonly summary: TableSummary;
  readonly isShown: boolean;
  readonly onShow: () => void;
  readonly onEdit: (edit: TableEdit) => void;
}) {
  return (
    <tr data-retired={isRetired || undefined}>
      <td>
        <label>
          <input
            type="radio"
            name="usual"
            checked={isUsual}
            disabled={isRetired}
            aria-label={`${word('tables.usual')}: ${sayTable(table)}`}
            onChange={() => onEdit({ isUsual: true })}
          />
        </label>
      </td>
      <td>
        <strong>{sayTable(table)}</strong> {isOwn && <span className={parts.soft}>{word('tables.own')}</span>}
        <div className={parts.soft}>{table.source}</div>
        {isRetired && <div className={parts.soft}>{word('tables.retired')}</div>}
      </td>
      <td>{sayPeople(table)}</td>
      <td>{sayDimensions(table)}</td>
      <td className={styles.acts}>
        <button type="button" className={parts.plainButton} aria-expanded={isShown} onClick={onShow}>
          {word('tables.show')}
        </button>
        <button type="button" className={parts.plainButton} onClick={() => void download(table)}>
          {word('tables.download')}
        </button>
        {isOwn && !isUsual && (
          <button
            type="button"
            className={parts.plainButton}
            onClick={() => onEdit({ isRetired: !isRetired })}
          >
            {word(isRetired ? 'tables.takeBack' : 'tables.retire')}
          </button>
        )}
      </td>
    </tr>
  );
}

function Tables({ initial }: { readonly initial: readonly TableSummary[] }) {
  const [tables, setTables] = useState(initial);
  const [shown, setShown] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const edit = async (id: string, wish: TableEdit) => {
    try {
      await api.editTable(id, wish);
      setTables(await api.tables());
      setFault(null);
    } catch (error) {
      setFault(explain(error));
    }
  };
  const onTaken = async ({ table }: TableSummary) => {
    setTables(await api.tables());
    setSaid(sayWith('tables.new.saved', { name: sayTable(table) }));
  };
  const whole = tables.find((t) => t.table.id === shown)?.table;
  const first = tables[0]!.table;
  return (
    <>
      <PracticeNav page="tables" />
      <div className={parts.head}>
        <h1>{word('tables.title')}</h1>
      </div>
      <p className={styles.about}>{word('tables.about')}</p>
      {said && (
        <p role="status" className={parts.soft}>
          {said}
        </p>
      )}
      {fault && (
        <div className={parts.notice} data-tone="misfit" role="alert">
          {fault}
        </div>
      )}
      <WideTable name={word('tables.title')}>
        <thead>
          <tr>
            {(['usual', 'name', 'people', 'dimensions'] as const).map((head) => (
              <th key={head} scope="col" title={head === 'usual' ? word('tables.usual.hint') : undefined}>
                {word(`tables.${head}`)}
              </th>
            ))}
            <th scope="col">
              <span className="visually-hidden">{word('tables.acts')}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {tables.map((summary) => (
            <TableLine
              key={summary.table.id}
              summary={summary}
              isShown={summary.table.id === shown}
              onShow={() => setShown(summary.table.id === shown ? null : summary.table.id)}
              onEdit={(wish) => void edit(summary.table.id, wish)}
            />
          ))}
        </tbody>
      </WideTable>
      <p className={parts.soft}>{sayWith('tables.rest', { name: sayTable(first) })}</p>
      {whole && <TableRows table={whole} ids={BODY_DIMENSIONS} />}
      <div className={styles.columns}>
        <PanelBoundary>
          <Limits tables={tables.filter((t) => !t.isRetired)} />
        </PanelBoundary>
        <PanelBoundary>
          <NewTable onTaken={(taken) => void onTaken(taken)} />
        </PanelBoundary>
      </div>
    </>
  );
}

export default function TablesPage({
  page,
  tables,
  unreadable,
}: {
  readonly page: PageProps;
  readonly tables: readonly TableSummary[];
  readonly unreadable: readonly Unreadable[];
}) {
  return (
    <Frame page={page} area="practice">
      <UnreadableNote records={unreadable} />
      <Tables initial={tables} />
    </Frame>
  );
}
