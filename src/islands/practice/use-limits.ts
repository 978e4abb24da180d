import { useEffect, useRef, useState } from 'react';
import type { TableSummary } from '../../contract';
import type { Counted, Limits } from '../../core/crowd';
import { BODY_DIMENSIONS, type BodyDimension, type PopulationTable } from '../../core/population/table';
import { JobDesk } from '../../workers/desk';
import { word, type Reading } from '../../words';
import { parseMeasure, typed } from '../shared/measures/use-measures';

export const COUNT = 1_000_000;
export const WHO = ['mixed', 'women', 'men'] as const;
const SEED = 1;
const [LOW, HIGH] = [0.05, 0.95];

/** One dimension's ends as typed; `key` stays while the dimension changes. */
export interface LimitText {
  readonly key: number;
  readonly dimension: BodyDimension;
  readonly from: string;
  readonly to: string;
}

export interface Outcome {
  readonly counted: Counted;
  readonly isDone: boolean;
}

const FIRST: readonly BodyDimension[] = ['poplitealHeight', 'buttockPoplitealLength', 'hipBreadthSitting'];

/** The middle nine tenths of a dimension, as typed in this reader's unit. */
async function middleOf(
  table: PopulationTable,
  who: (typeof WHO)[number],
  dimension: BodyDimension,
  reading: Reading,
): Promise<Pick<LimitText, 'from' | 'to'>> {
  const { populationOf, valueAtShare } = await import('../../core/population');
  const population = populationOf(table, who);
  const end = (share: number) =>
    typed(dimension, Math.round(valueAtShare(population, dimension, share)), reading);
  return { from: end(LOW), to: end(HIGH) };
}

function limitOf({ dimension, from, to }: LimitText, reading: Reading): Limits | null {
  const [lo, hi] = [parseMeasure(dimension, from, reading), parseMeasure(dimension, to, reading)];
  return lo.ok && hi.ok && lo.value < hi.value ? { dimension, lo: lo.value, hi: hi.value } : null;
}

/** Limits while they are typed, and the counting of people between them in the background. */
export function useLimits(tables: readonly TableSummary[], reading: Reading) {
  const usual = (tables.find((t) => t.isUsual) ?? tables[0]!).table;
  const [tableId, setTableId] = useState(usual.id);
  const table = tables.find((t) => t.table.id === tableId)?.table ?? usual;
  const [who, setWho] = useState<(typeof WHO)[number]>('mixed');
  const [rows, setRows] = useState<readonly LimitText[]>(() =>
    FIRST.map((dimension, key) => ({ key, dimension, from: '', to: '' })),
  );
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [state, setState] = useState<'idle' | 'counting' | 'cancelled' | 'failed'>('idle');
  const desk = useRef<JobDesk | null>(null);
  const nextKey = useRef(FIRST.length);

  const forget = () => {
    desk.current?.cancel();
    setOutcome(null);
    setState('idle');
  };
  const fill = async (key: number, dimension: BodyDimension, by = { table, who }) => {
    const ends = await middleOf(by.table, by.who, dimension, reading);
    setRows((all) => all.map((r) => (r.key === key && r.dimension === dimension ? { ...r, ...ends } : r)));
  };
  const fillAll = (by: { readonly table: PopulationTable; readonly who: (typeof WHO)[number] }) =>
    rows.forEach((r) => void fill(r.key, r.dimension, by));
  useEffect(() => {
    fillAll({ table, who });
    return () => desk.current?.close();
    // Once, and again in the other unit.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [reading.length]);

  const change = (key: number, part: Partial<LimitText>) => {
    forget();
    setRows((all) => all.map((r) => (r.key === key ? { ...r, ...part } : r)));
    if (part.dimension) void fill(key, part.dimension);
  };
  const add = () => {
    const dimension = BODY_DIMENSIONS.find((id) => !rows.some((r) => r.dimension === id));
    if (!dimension) return;
    forget();
    const key = nextKey.current++;
    setRows([...rows, { key, dimension, from: '', to: '' }]);
    void fill(key, dimension);
  };
  const limits = rows.map((r) => limitOf(r, reading));
  const count = async () => {
    const input = { table, who, limits: limits.filter((l) => l !== null), seed: SEED, count: COUNT };
    desk.current ??= new JobDesk();
    setOutcome(null);
    setState('counting');
    try {
      const counted = await desk.current.run('count', input, (so) =>
        setOutcome({ counted: so, isDone: false }),
      );
      if (!counted) return;
      setOutcome({ counted, isDone: true });
      setState('idle');
    } catch {
      desk.current.close();
      setState('failed');
    }
  };
  return {
    table,
    who,
    rows,
    /** In the order of the rows; an empty row has none yet. */
    faults: rows.map((r, i) => ((limits[i] ?? r.from + r.to === '') ? null : word('limits.fault'))),
    isReady: limits.every((l) => l !== null),
    outcome,
    state,
    change,
    add,
    remove: (key: number) => {
      forget();
      setRows(rows.filter((r) => r.key !== key));
    },
    chooseTable: (id: string) => {
      const next = tables.find((t) => t.table.id === id)?.table ?? usual;
      forget();
      setTableId(next.id);
      fillAll({ table: next, who });
    },
    chooseWho: (next: (typeof WHO)[number]) => {
      forget();
      setWho(next);
      fillAll({ table, who: next });
    },
    count,
    cancel: () => {
      desk.current?.cancel();
      setOutcome(null);
      setState('cancelled');
    },
  };
}
