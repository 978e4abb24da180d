import { Button, FileInput, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useState, type SubmitEvent } from 'react';
import type { TableSummary } from '../../contract';
import type { ReadTable } from '../../core/population';
import { api } from '../../ui/client';
import { putFaults } from '../../ui/form-faults';
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
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const form = useForm({
    mode: 'controlled',
    initialValues: { name: '', source: '', csv: '' },
    validate: (typed) => ({
      ...(typed.name.trim() === '' ? { name: word('tables.new.nameMissing') } : {}),
      ...(typed.source.trim() === '' ? { source: word('tables.new.sourceMissing') } : {}),
      ...(chosen?.read.ok ? {} : { csv: word('tables.new.fileMissing') }),
    }),
  });
  const choose = async (file: File | null) => {
    const isTooLong = file !== null && file.size > MOST_BYTES;
    if (isTooLong) form.setFieldError('csv', word('tables.new.tooLong'));
    else form.clearFieldError('csv');
    setChosen(file && !isTooLong ? await readFile(file) : null);
  };
  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    setProblem(null);
    if (form.validate().hasErrors || !chosen) return;
    const { name, source } = form.getValues();
    try {
      const taken = await api.addTable({
        id: newId(),
        name: name.trim(),
        source: source.trim(),
        csv: chosen.csv,
      });
      form.reset();
      setChosen(null);
      onTaken(taken);
    } catch (error) {
      setProblem(putFaults(form, error));
    }
  };
  return (
    <form className={styles.panel} onSubmit={(e) => void save(e)} noValidate aria-label={word('tables.new')}>
      <h2>{word('tables.new')}</h2>
      <p className={parts.soft}>{word('tables.new.about')}</p>
      <TextInput label={word('tables.new.name')} {...form.getInputProps('name')} maxLength={120} />
      <TextInput label={word('tables.new.source')} {...form.getInputProps('source')} maxLength={300} />
      <FileInput
        label={word('tables.new.file')}
        accept=".csv,text/csv"
        placeholder={word('tables.new.choose')}
        value={chosen?.file ?? null}
        clearable
        clearButtonProps={{ 'aria-label': word('limits.remove') }}
        error={form.errors.csv}
        onChange={(file) => void choose(file)}
      />
      {chosen && <Read read={chosen.read} />}
      {problem && <p role="alert">{problem}</p>}
      <Button type="submit">{word('tables.new.save')}</Button>
    </form>
  );
}
