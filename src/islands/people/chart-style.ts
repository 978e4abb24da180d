/** What charts have in common: the colours and the type that hold where the canvas stands. */
export interface ChartStyle {
  /** Of a token of the palette, without its dashes. */
  readonly colour: (token: string) => string;
  readonly title: (text: string) => object;
  readonly ticks: object;
  readonly grid: object;
}

/** Of a chart that shows points as they are and does not move. */
export const STILL = { animation: false, maintainAspectRatio: false, parsing: false } as const;

export function chartStyle(canvas: HTMLCanvasElement): ChartStyle {
  const style = getComputedStyle(canvas);
  const colour = (token: string): string => style.getPropertyValue(`--${token}`).trim();
  const font = { family: style.fontFamily, size: 12 };
  return {
    colour,
    title: (text) => ({ display: true, text, color: colour('ink'), font }),
    ticks: { color: colour('ink-soft'), font },
    grid: { color: colour('line') },
  };
}
