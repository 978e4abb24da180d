import { useEffect, useState } from 'react';
import { DIMENSION_IDS, estimatedOf, type Body, type DimensionId } from '../../../core/body';
import type { Implausible, PopulationTable, TableSitter } from '../../../core/population';
import { isBodyDimension } from '../../../core/population/table';
import type { Quantity } from '../../../core/quantity';
import type { SitterDetail, TableSummary } from '../../../contract';
import { api } from '../../../ui/client';

/** What tables of bodies say of somebody: what was not measured, and what of the measures does not fit the others. */
export interface Told {
  readonly estimates: Partial<Record<DimensionId, Quantity>>;
  /** What a fitting is filled in with, where it is. */
  readonly filled: readonly DimensionId[];
  readonly doubts: readonly Implausible[];
  /** Whose tables, and whether they are those of children of the age. */
  readonly by: { readonly table: PopulationTable; readonly isChild: boolean };
}

export const YEAR_MS = 365.25 * 24 * 3600 * 1000;

/** @param now milliseconds since 1970 */
export const ageYears = (birthDate: string | null, now: number): number | null =>
  birthDate === null ? null : (now - Date.parse(birthDate)) / YEAR_MS;

type Whose = Pick<SitterDetail, 'sex' | 'birthDate' | 'tableId'>;

/** Asked for once a page; a page that cannot ask goes by the tables that come with the program. */
let asked: Promise<readonly TableSummary[]> | null = null;
export async function loadTables(): Promise<readonly TableSummary[]> {
  asked ??= api.tables();
  try {
    return await asked;
  } catch {
    asked = null;
    const { TABLES } = await import('../../../core/population');
    return TABLES.map((table, i) => ({ table, isOwn: false, isUsual: i === 0, isRetired: false }));
  }
}

/** The table chosen for a sitter, else the usual one. */
export const tableFor = (
  tables: readonly TableSummary[],
  { tableId }: Pick<Whose, 'tableId'>,
): PopulationTable =>
  (tables.find((t) => t.table.id === tableId) ?? tables.find((t) => t.isUsual) ?? tables[0]!).table;

const tableSitter = ({ sex, birthDate }: Whose): TableSitter => ({
  sex,
  ageYears: ageYears(birthDate, Date.now()),
});

/** The tables are large and wanted on few screens: they come when they are first asked for. */
async function peopleLike(whose: Whose) {
  const [core, tables] = await Promise.all([import('../../../core/population'), loadTables()]);
  const table = tableFor(tables, whose);
  return { core, table, population: core.populationFor(tableSitter(whose), table)! };
}

async function tell(body: Body, whose: Whose): Promise<Told | null> {
  const { core, table, population } = await peopleLike(whose);
  if (core.knownOf(body).length === 0) return null;
  return {
    estimates: core.estimatesOf(body, population),
    filled: estimatedOf(core.filledBody(body, tableSitter(whose), table), DIMENSION_IDS),
    doubts: core.implausible(body, population),
    by: { table, isChild: population.table !== table },
  };
}

/** Why a measure would not be believed without a reason; null where it would, and where nobody can tell. */
export async function reasonAsked(
  sitter: SitterDetail,
  dimension: DimensionId,
  typed: Quantity,
): Promise<Implausible | null> {
  if (!isBodyDimension(dimension)) return null;
  try {
    const { core, population } = await peopleLike(sitter);
    return core.reasonWanted(sitter.body, dimension, typed, population);
  } catch {
    // Without the tables measures are taken all the same; the server looks again.
    return null;
  }
}

/** null until it is known, and where nothing is measured yet. */
export function usePopulation({ body, sex, birthDate, tableId }: SitterDetail): Told | null {
  const [told, setTold] = useState<{ readonly of: Body; readonly told: Told | null } | null>(null);
  useEffect(() => {
    let isWanted = true;
    tell(body, { sex, birthDate, tableId }).then(
      (found) => isWanted && setTold({ of: body, told: found }),
      // Without the tables measures are taken all the same.
      () => undefined,
    );
    return () => {
      isWanted = false;
    };
  }, [body, sex, birthDate, tableId]);
  return told?.told ?? null;
}

/** null until they are known. */
export function useTables(): readonly TableSummary[] | null {
  const [tables, setTables] = useState<readonly TableSummary[] | null>(null);
  useEffect(() => {
    let isWanted = true;
    void loadTables().then((found) => isWanted && setTables(found));
    return () => {
      isWanted = false;
    };
  }, []);
  return tables;
}

export const doubtAbout = (told: Told | null, id: DimensionId): Implausible | undefined =>
  told?.doubts.find((d) => d.dimension === id);
