/** One measured figure: median and 95th centile of repeated runs. */
export interface Figure {
  readonly name: string;
  readonly unit: 'ms' | 'perSecond' | 'ratio';
  readonly runs: number;
  readonly median: number;
  readonly p95: number;
  readonly detail?: Readonly<Record<string, number>>;
}

export function figureOf(
  name: string,
  values: readonly number[],
  more: Partial<Pick<Figure, 'unit' | 'detail'>> = {},
): Figure {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number): number =>
    Math.round(sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]! * 1000) / 1000;
  return { name, unit: 'ms', runs: values.length, median: at(0.5), p95: at(0.95), ...more };
}
