import { Button, FileInput, TextInput } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import type { TableSummary } from '../../contract';
import type { ReadTable } from '../../core/population';
import { ClientError, api, explain } from '../../ui/client';
import { newId } from '../../ui/ids';
import parts from '../../ui/parts.module.css';
import { sayTableFault, sayWith, word } from '../../words';
import styles from './practice.module.css';

/** Longer files are no table of bodies. */
const MOST_BYTES = 200_000;

interface Chosen {
  readonly file: File;
  readonly csv: string;
  readonly read: ReadTable;
}

async function readFile(file: File): Promise<Chosen> {
  const { readTable } = await import('../../core/population');
  const csv = await file.text();
  return { file, csv, read: readTable(csv, { id: 'new', name: file.name, source: '' }) };
}

function Read({ read }: { readonly read: ReadTable }) {
  if (!read.ok)
    return (
      <div role="alert" className={styles.faults}>
        <p>{sayWith('tables.new.faults', { n: read.faults.length })}</p>
        <ul>
          {read.faults.slice(0, 20).map((fault, i) => (
            <li key={i}>{sayTableFault(fault)}</li>
          ))}
        </ul>
      </div>
    );
  const { men, women } = read.table.rows;
  return (
    <p role="status">
      {sayWith('tables.new.read', { men: Object.keys(men).length, women: Object.keys(women).length })}
    </p>
  );
}

/** A table from a file: what was read is told before it is taken, and every fault with its line and column. */
export function NewTable({ onTaken }: { readonly onTaken: (table: TableSummary) => void }) {
  const [name, setName] = useState('');
  const [source, setSource] = useState('');
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [faults, setFaults] = useState<{ name?: string; source?: string; file?: string; other?: string }>({});
  const choose = async (file: File | null) => {
    const isTooLong = file !== null && file.size > MOST_BYTES;
    setFaults(isTooLong ? { file: word('tables.new.tooLong') } : {});
    setChosen(file && !isTooLong ? await readFile(file) : null);
  };
  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    const found = {
      ...(name.trim() === '' ? { name: word('tables.new.nameMissing') } : {}),
      ...(source.trim() === '' ? { source: word('tables.new.sourceMissing') } : {}),
      ...(chosen?.read.ok ? {} : { file: word('tables.new.fileMissing') }),
    };
    setFaults(found);
    if (Object.keys(found).length > 0 || !chosen) return;
    try {
      const taken = await api.addTable({
        id: newId(),
        name: name.trim(),
        source: source.trim(),
        csv: chosen.csv,
      });
      setName('');
      setSource('');
      setChosen(null);
      onTaken(taken);
    } catch (error) {
      const detail = error instanceof ClientError ? error.problem?.errors?.[0]?.detail : null;
      setFaults({ other: detail ?? explain(error) });
    }
  };
  return (
    <form className={styles.panel} onSubmit={(e) => void save(e)} noValidate aria-label={word('tables.new')}>
      <h2>{word('tables.new')}</h2>
      <p className={parts.soft}>{word('tables.new.about')}</p>
      <TextInput
        label={word('tables.new.name')}
        value={name}
        maxLength={120}
        error={faults.name}
        onChange={(e) => setName(e.currentTarget.value)}
      />
      <TextInput
        label={word('tables.new.source')}
        value={source}
        maxLength={300}
        error={faults.source}
        onChange={(e) => setSource(e.currentTarget.value)}
      />
      <FileInput
        label={word('tables.new.file')}
        accept=".csv,text/csv"
        placeholder={word('tables.new.choose')}
        value={chosen?.file ?? null}
        clearable
        clearButtonProps={{ 'aria-label': word('limits.remove') }}
        error={faults.file}
        onChange={(file) => void choose(file)}
      />
      {chosen && <Read read={chosen.read} />}
      {faults.other && <p role="alert">{faults.other}</p>}
      <Button type="submit">{word('tables.new.save')}</Button>
    </form>
  );
}
