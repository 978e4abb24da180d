import { Chart, LineController, LineElement, LinearScale, PointElement } from 'chart.js';
import { STILL, chartStyle } from './chart-style';

Chart.register(LineController, LineElement, LinearScale, PointElement);

export interface HistoryPicture {
  /** Instant in milliseconds, and the value that was settled then. */
  readonly points: readonly { readonly x: number; readonly y: number }[];
  readonly title: string;
  readonly sayTime: (ms: number) => string;
  readonly sayValue: (value: number) => string;
}

/** Days are marked, and a day is left to either side, ms. */
const DAY_MS = 86_400_000;
const MOST_MARKS = 6;
const dayOf = (ms: number): number => Math.floor(ms / DAY_MS) * DAY_MS;

/** One dimension over time, in the colours that hold where the canvas stands. */
export function drawHistory(canvas: HTMLCanvasElement, picture: HistoryPicture): Chart {
  const { points, title, sayTime, sayValue } = picture;
  const [min, max] = [dayOf(points[0]!.x) - DAY_MS, dayOf(points.at(-1)!.x) + 2 * DAY_MS];
  const { colour, title: titled, ticks, grid } = chartStyle(canvas);
  return new Chart(canvas, {
    type: 'line',
    data: {
      datasets: [
        {
          data: points.map((point) => ({ ...point })),
          borderColor: colour('sitter'),
          backgroundColor: colour('sitter'),
          borderWidth: 2,
          pointRadius: 5,
        },
      ],
    },
    options: {
      ...STILL,
      scales: {
        x: {
          type: 'linear',
          min,
          max,
          ticks: {
            ...ticks,
            stepSize: Math.ceil((max - min) / DAY_MS / MOST_MARKS) * DAY_MS,
            callback: (x) => sayTime(Number(x)),
          },
          grid,
        },
        y: { title: titled(title), ticks: { ...ticks, callback: (y) => sayValue(Number(y)) }, grid },
      },
    },
  });
}
