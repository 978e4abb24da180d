import { useEffect, useState } from 'react';
import { SEXES, type Sex } from '../../core/body';
import type { BodyDimension, PopulationTable } from '../../core/population/table';
import { useReading } from '../../ui/preferences';
import { WideTable } from '../../ui/WideTable';
import parts from '../../ui/parts.module.css';
import { sayTable, sayWith, word, type Reading } from '../../words';
import { typed, unitOf } from '../shared/measures/use-measures';
import styles from './practice.module.css';

type Core = typeof import('../../core/population');

function useCore(): Core | null {
  const [core, setCore] = useState<Core | null>(null);
  useEffect(() => {
    import('../../core/population').then(setCore, () => undefined);
  }, []);
  return core;
}

function sayRow(core: Core, table: PopulationTable, sex: Sex, id: BodyDimension, reading: Reading): string {
  const row = table.rows[sex][id];
  if (!row) return '–';
  const marginal = core.marginalOf(row);
  const say = (value: number) => typed(id, id === 'bodyMass' ? value : Math.round(value), reading);
  return sayWith('tables.row.value', {
    mean: say(row.mean),
    sd: say(row.sd),
    low: say(core.centile(marginal, 0.05)),
    high: say(core.centile(marginal, 0.95)),
  });
}

/** Everything a table has, in the order of measuring. */
export function TableRows({
  table,
  ids,
}: {
  readonly table: PopulationTable;
  readonly ids: readonly BodyDimension[];
}) {
  const reading = useReading();
  const core = useCore();
  if (!core) return null;
  const has = ids.filter((id) => SEXES.some((sex) => table.rows[sex][id]));
  const basisOf = (id: BodyDimension) => (table.rows.men[id] ?? table.rows.women[id])!.basis;
  return (
    <section className={styles.rows} aria-label={sayTable(table)}>
      <h2>{sayWith('tables.rows', { name: sayTable(table) })}</h2>
      <WideTable name={sayTable(table)}>
        <thead>
          <tr>
            {(['dimension', 'men', 'women', 'basis'] as const).map((head) => (
              <th key={head} scope="col">
                {word(`tables.row.${head}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {has.map((id) => (
            <tr key={id}>
              <th scope="row">
                {word(`dimension.${id}`)} <span className={parts.soft}>{unitOf(id, reading)}</span>
              </th>
              {SEXES.map((sex) => (
                <td key={sex}>{sayRow(core, table, sex, id, reading)}</td>
              ))}
              <td>{word(`tables.basis.${basisOf(id)}`)}</td>
            </tr>
          ))}
        </tbody>
      </WideTable>
    </section>
  );
}
