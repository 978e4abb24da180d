import { Chart, Filler, LineController, LineElement, LinearScale, PointElement } from 'chart.js';
import { STILL, chartStyle } from './chart-style';

Chart.register(Filler, LineController, LineElement, LinearScale, PointElement);

export interface StandingPicture {
  /** Value and how common it is, rising. */
  readonly curve: readonly { readonly x: number; readonly y: number }[];
  readonly value: number;
  readonly title: string;
  readonly say: (x: number) => string;
}

/** Draws in the colours that hold where the canvas stands. */
export function drawStanding(
  canvas: HTMLCanvasElement,
  { curve, value, title, say }: StandingPicture,
): Chart {
  const { colour, title: titled, ticks, grid } = chartStyle(canvas);
  const highest = Math.max(...curve.map((point) => point.y));
  return new Chart(canvas, {
    type: 'line',
    data: {
      datasets: [
        {
          data: curve.map((point) => ({ ...point })),
          borderColor: colour('sitter'),
          backgroundColor: colour('sitter-wash'),
          fill: true,
          pointRadius: 0,
          borderWidth: 2,
          order: 1,
        },
        {
          data: [
            { x: value, y: 0 },
            { x: value, y: highest * 1.05 },
          ],
          borderColor: colour('ink'),
          borderWidth: 3,
          pointRadius: 0,
          // Over the curve.
          order: 0,
        },
      ],
    },
    options: {
      ...STILL,
      scales: {
        x: {
          type: 'linear',
          min: Math.min(curve[0]!.x, value),
          max: Math.max(curve[curve.length - 1]!.x, value),
          title: titled(title),
          ticks: { ...ticks, callback: (x) => say(Number(x)) },
          grid,
        },
        y: { display: false, min: 0, max: highest * 1.1 },
      },
    },
  });
}
