import { useEffect, useState } from 'react';
import type { Body, DimensionId } from '../../core/body';
import type { Implausible, PopulationTable } from '../../core/population';
import type { Quantity } from '../../core/quantity';
import type { SitterDetail } from '../../contract';
import { tableOf, useTableChoice } from './table-choice';

export interface Tables {
  readonly table: PopulationTable;
  /** All that can be chosen. */
  readonly tables: readonly PopulationTable[];
}

/** What tables of bodies say of somebody: what was not measured, and what of the measures does not fit the others. */
export interface Told {
  readonly estimates: Partial<Record<DimensionId, Quantity>>;
  readonly doubts: readonly Implausible[];
  /** Whose tables: their name, or children of the age. */
  readonly by: Tables | { readonly child: true };
}

export const YEAR_MS = 365.25 * 24 * 3600 * 1000;

/** @param now milliseconds since 1970 */
export const ageYears = (birthDate: string | null, now: number): number | null =>
  birthDate === null ? null : (now - Date.parse(birthDate)) / YEAR_MS;

/** The tables are large and wanted on few screens: they come when they are first asked for. */
async function tell(
  body: Body,
  sex: SitterDetail['sex'],
  birthDate: string | null,
  tableId: string | null,
): Promise<Told | null> {
  const { ADULT_FROM, TABLES, childEstimatesOf, estimatesOf, implausible, knownOf, populationOf } =
    await import('../../core/population');
  if (knownOf(body).length === 0) return null;
  const who = sex ?? 'mixed';
  const age = ageYears(birthDate, Date.now());
  if (age !== null && age < ADULT_FROM)
    return { estimates: childEstimatesOf(body, who, age), doubts: [], by: { child: true } };
  const table = tableOf(TABLES, tableId);
  const population = populationOf(table, who);
  return {
    estimates: estimatesOf(body, population),
    doubts: implausible(body, population),
    by: { table, tables: TABLES },
  };
}

/** null until it is known, and where nothing is measured yet. */
export function usePopulation({ body, sex, birthDate }: SitterDetail): Told | null {
  const tableId = useTableChoice();
  const [told, setTold] = useState<{ readonly of: Body; readonly told: Told | null } | null>(null);
  useEffect(() => {
    let isWanted = true;
    tell(body, sex, birthDate, tableId).then(
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

export const doubtAbout = (told: Told | null, id: DimensionId): Implausible | undefined =>
  told?.doubts.find((d) => d.dimension === id);
