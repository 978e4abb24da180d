/** Where a measurement lies in a reference population: its percentile and the spread of the dimension. */
import '../../words/pages';
import { NativeSelect } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import type { BodyDimension } from '../../core/population';
import type { SitterDetail, TableSummary } from '../../contract';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayTable, sayWith, word } from '../../words';
import { Growth } from './Growth';
import styles from './people.module.css';
import { sayMeasure, typed, unitOf } from '../shared/measures/use-measures';
import { ageYears, tableFor, useTables } from '../shared/measures/use-population';

type Tables = typeof import('../../core/population');
type Charts = typeof import('./standing-chart') & typeof import('./growth-chart');
interface Loaded {
  readonly tables: Tables;
  readonly charts: Charts;
}

/** Tables and charts come when somebody asks for them. */
function useLoaded(isWanted: boolean): Loaded | null {
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  useEffect(() => {
    if (!isWanted || loaded) return;
    Promise.all([import('../../core/population'), import('./standing-chart'), import('./growth-chart')]).then(
      ([tables, standing, growth]) => setLoaded({ tables, charts: { ...standing, ...growth } }),
      () => undefined,
    );
  }, [isWanted, loaded]);
  return loaded;
}

function Chart({
  sitter,
  id,
  own,
  tables,
  charts,
}: {
  readonly sitter: SitterDetail;
  readonly id: BodyDimension;
  readonly own: readonly TableSummary[];
  readonly tables: Tables;
  readonly charts: Charts;
}) {
  const reading = useReading();
  const canvas = useRef<HTMLCanvasElement>(null);
  const { value } = sitter.body[id]!;
  const who = sitter.sex ?? 'mixed';
  const population = tables.populationOf(tableFor(own, sitter), who);
  const about = { table: sayTable(population.table), who: word(`measure.who.${who}`), name: sitter.name };
  const dimension = word(`dimension.${id}`);
  useEffect(() => {
    if (!canvas.current) return;
    const chart = charts.drawStanding(canvas.current, {
      curve: tables.densityOf(population, id),
      value,
      title: sayWith('standing.axis', { dimension, unit: unitOf(id, reading) }),
      say: (x) => typed(id, Math.round(x), reading),
    });
    return () => chart.destroy();
  }, [charts, dimension, id, population, reading, tables, value]);
  const percent = Math.round(100 * tables.centileOf(population, id, value));
  return (
    <>
      <p>{sayWith('standing.centile', { ...about, value: sayMeasure(id, value, reading), percent })}</p>
      <div className={styles.chart}>
        <canvas
          ref={canvas}
          role="img"
          aria-label={sayWith('standing.chart', { ...about, dimension: dimension.toLowerCase() })}
        />
      </div>
    </>
  );
}

export function Standing({ sitter }: { readonly sitter: SitterDetail }) {
  const [openedAt, setOpenedAt] = useState<number | null>(null);
  const [chosen, setChosen] = useState<BodyDimension>('stature');
  const loaded = useLoaded(openedAt !== null);
  const own = useTables();
  const measured = loaded?.tables.MODELLED.filter((id) => sitter.body[id]) ?? [];
  const id = measured.includes(chosen) ? chosen : measured[0];
  const age = openedAt === null ? null : ageYears(sitter.birthDate, openedAt);
  const isChild = loaded && age !== null && age < loaded.tables.ADULT_FROM;
  return (
    <details
      className={styles.standing}
      onToggle={(e) => setOpenedAt(e.currentTarget.open ? Date.now() : null)}
    >
      <summary>{word('standing.title')}</summary>
      {isChild && <Growth sitter={sitter} ageYears={age} openedAt={openedAt!} {...loaded} />}
      {loaded && !isChild && !id && <p className={parts.soft}>{word('standing.none')}</p>}
      {loaded && own && !isChild && id && (
        <>
          <NativeSelect
            label={word('standing.dimension')}
            value={id}
            onChange={(e) => setChosen(e.currentTarget.value as BodyDimension)}
            data={measured.map((value) => ({ value, label: word(`dimension.${value}`) }))}
          />
          <Chart sitter={sitter} id={id} own={own} {...loaded} />
        </>
      )}
    </details>
  );
}
