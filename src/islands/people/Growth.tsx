/** How a child grows beside others, and from when to when a seat fits. */
import { NativeSelect } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { SHIPPED_METHODS } from '../../core/method';
import { adjustmentOf, endsOf, type AdjustmentKind, type SeatModel } from '../../core/seat';
import type { Ages, Who } from '../../core/population';
import type { OfferedSeat, SitterDetail } from '../../contract';
import { api } from '../../ui/client';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayDate, sayLength, sayWith, word } from '../../words';
import styles from './people.module.css';
import { typed, unitOf } from '../shared/measures/use-measures';
import { YEAR_MS } from '../shared/measures/use-population';

type Tables = typeof import('../../core/population');
type Charts = typeof import('./growth-chart');

/** What grows, and which adjustment of a seat has to follow it. */
const GROWING = {
  poplitealHeight: 'seatHeight',
  buttockPoplitealLength: 'seatDepth',
  stature: null,
} as const satisfies Record<string, AdjustmentKind | null>;
type Growing = keyof typeof GROWING;

const STEPS = 64;
const AHEAD_STEPS = 16;
const SMALLEST = 0.05;

/** Seats made for children first. */
function useSeats(): readonly OfferedSeat[] {
  const [seats, setSeats] = useState<readonly OfferedSeat[]>([]);
  useEffect(() => {
    api.seatsFrom('child').then(setSeats, () => undefined);
  }, []);
  return seats;
}

function sayAges({ from, to }: Ages): string {
  if (from === null || to === null) return word('growth.never');
  const half = (years: number) => String(Math.round(years * 2) / 2);
  return sayWith('growth.from', { from: half(from), to: half(to) });
}

/** What of the growing measure the seat takes: its own range, less the shoe. */
function limitsOf(seat: SeatModel | null, id: Growing, shoeMm: number): [number, number] | null {
  const kind = GROWING[id];
  const adjustment = seat && kind ? adjustmentOf(seat.adjustments, kind) : null;
  if (!adjustment) return null;
  const { lowest, highest } = endsOf(adjustment.travel);
  return kind === 'seatHeight' ? [lowest - shoeMm, highest - shoeMm] : [lowest, highest];
}

/** Hundreds of children are fitted to the seat: after the screen has been drawn. */
function useFits(tables: Tables, seat: SeatModel | null, who: Who, shoeMm: number): string | null {
  const [told, setTold] = useState<{ readonly of: SeatModel; readonly text: string } | null>(null);
  useEffect(() => {
    if (!seat) return;
    const timer = setTimeout(() => {
      const given = { seat, method: SHIPPED_METHODS[0]! };
      const text = sayWith('growth.fits', {
        seat: seat.name,
        average: sayAges(tables.childSeatRow(given, who, 0.5, shoeMm).both),
        small: sayAges(tables.childSeatRow(given, who, SMALLEST, shoeMm).both),
      });
      setTold({ of: seat, text });
    }, 0);
    return () => clearTimeout(timer);
  }, [seat, shoeMm, tables, who]);
  return told && told.of === seat ? told.text : null;
}

export function Growth({
  sitter,
  ageYears,
  openedAt,
  tables,
  charts,
}: {
  readonly sitter: SitterDetail;
  readonly ageYears: number;
  /** Milliseconds since 1970. */
  readonly openedAt: number;
  readonly tables: Tables;
  readonly charts: Charts;
}) {
  const reading = useReading();
  const seats = useSeats();
  const [id, setId] = useState<Growing>('poplitealHeight');
  const [chosen, setChosen] = useState<string | null>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const who = sitter.sex ?? 'mixed';
  const seat = seats.find((s) => s.versionId === chosen)?.seat ?? seats[0]?.seat ?? null;
  const shoe = sitter.body.shoeHeel?.value ?? 0;
  const value = sitter.body[id]?.value;
  const dimension = word(`dimension.${id}`);

  const fits = useFits(tables, seat, who, shoe);

  useEffect(() => {
    if (!canvas.current) return;
    const ages = Array.from(
      { length: STEPS + 1 },
      (_, i) => tables.YOUNGEST + (i / STEPS) * (tables.OLDEST - tables.YOUNGEST),
    );
    const at = (age: number, share: number) => tables.childAt(who, age, share)[id]!.value;
    const ahead = Array.from(
      { length: AHEAD_STEPS + 1 },
      (_, i) => ageYears + (i / AHEAD_STEPS) * (tables.OLDEST - ageYears),
    );
    const chart = charts.drawGrowth(canvas.current, {
      curves: [SMALLEST, 0.5, 1 - SMALLEST].map((share) => ages.map((x) => ({ x, y: at(x, share) }))),
      child:
        value === undefined
          ? []
          : ahead.map((x) => ({ x, y: tables.grown(sitter.body, who, ageYears, x)[id]!.value })),
      limits: limitsOf(seat, id, shoe),
      titles: {
        x: word('growth.age'),
        y: sayWith('standing.axis', { dimension, unit: unitOf(id, reading) }),
      },
      say: (mm) => typed(id, Math.round(mm), reading),
    });
    return () => chart.destroy();
  }, [ageYears, charts, dimension, id, reading, seat, shoe, sitter.body, tables, value, who]);

  const leg = sitter.body.poplitealHeight;
  const mark = leg ? tables.sizeMarkFor(leg.value) : null;
  const again = new Date(openedAt + tables.yearsToNextMeasuring(who, ageYears) * YEAR_MS);
  return (
    <>
      <div className={styles.choices}>
        <NativeSelect
          label={word('standing.dimension')}
          value={id}
          onChange={(e) => setId(e.currentTarget.value as Growing)}
          data={Object.keys(GROWING).map((key) => ({
            value: key,
            label: word(`dimension.${key as Growing}`),
          }))}
        />
        <NativeSelect
          label={word('growth.seat')}
          value={chosen ?? seats[0]?.versionId ?? ''}
          onChange={(e) => setChosen(e.currentTarget.value)}
          data={
            seats.length > 0
              ? seats.map((s) => ({ value: s.versionId, label: s.seat.name }))
              : [{ value: '', label: word('growth.noSeat') }]
          }
        />
      </div>
      {fits && <p>{fits}</p>}
      {mark && <p>{sayWith('growth.mark', { mark: mark.mark, seat: sayLength(mark.seatMm, reading) })}</p>}
      {value === undefined && <p className={parts.soft}>{word('growth.unmeasured')}</p>}
      <div className={styles.chart} data-tall>
        <canvas
          ref={canvas}
          role="img"
          aria-label={sayWith('growth.chart', { dimension: dimension.toLowerCase(), name: sitter.name })}
        />
      </div>
      <p className={parts.soft}>
        {sayWith('growth.legend', { name: sitter.name })}{' '}
        {sayWith('growth.again', { date: sayDate(again.toISOString().slice(0, 10), reading) })}
      </p>
    </>
  );
}
