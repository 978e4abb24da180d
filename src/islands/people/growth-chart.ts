import { Chart, LineController, LineElement, LinearScale, PointElement, type ChartDataset } from 'chart.js';
import { STILL, chartStyle } from './chart-style';

Chart.register(LineController, LineElement, LinearScale, PointElement);

type Point = { readonly x: number; readonly y: number };

export interface GrowthPicture {
  /** 5th percentile, average, 95th percentile: mm by age. */
  readonly curves: readonly (readonly Point[])[];
  /** The child, now and as it will grow; empty where it was not measured. */
  readonly child: readonly Point[];
  /** The least and the greatest that the seat takes, mm; null without a seat. */
  readonly limits: readonly [number, number] | null;
  readonly titles: { readonly x: string; readonly y: string };
  readonly say: (mm: number) => string;
}

/** Draws in the colours that hold where the canvas stands. */
export function drawGrowth(canvas: HTMLCanvasElement, picture: GrowthPicture): Chart {
  const { curves, child, limits, titles, say } = picture;
  const { colour, title, ticks, grid } = chartStyle(canvas);
  const ages = curves[0]!.map((p) => p.x);
  const [first, last] = [ages[0]!, ages[ages.length - 1]!];
  const line = (data: readonly Point[], more: Partial<ChartDataset<'line'>>): ChartDataset<'line'> => ({
    data: data.map((p) => ({ ...p })),
    pointRadius: 0,
    borderWidth: 2,
    ...more,
  });
  return new Chart(canvas, {
    type: 'line',
    data: {
      datasets: [
        line(child, { borderColor: colour('ink'), borderWidth: 3, borderDash: [6, 4] }),
        line(child.slice(0, 1), {
          borderColor: colour('ink'),
          backgroundColor: colour('ink'),
          pointRadius: 6,
        }),
        ...curves.map((curve, i) =>
          line(curve, { borderColor: colour('sitter'), borderWidth: i === 1 ? 3 : 1.5 }),
        ),
        ...(limits ?? []).map((mm) =>
          line(
            [
              { x: first, y: mm },
              { x: last, y: mm },
            ],
            { borderColor: colour('seat'), borderWidth: 3 },
          ),
        ),
      ],
    },
    options: {
      ...STILL,
      scales: {
        x: {
          type: 'linear',
          min: first,
          max: last,
          title: title(titles.x),
          ticks: { ...ticks, stepSize: 1 },
          grid,
        },
        y: {
          title: title(titles.y),
          ticks: { ...ticks, callback: (mm) => say(Number(mm)) },
          grid,
        },
      },
    },
  });
}
