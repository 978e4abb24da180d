/** What a frame of a drag costs in the browser, on a device four times slower than this machine. */
import { startApp } from '../test/support/app';
import { startBrowser } from '../test/support/browser';
import { Driver } from '../test/support/driver';
import { readRows } from '../test/support/read-database';
import { quantile, traceFrames, type FrameCosts } from './trace';
import type { Figure } from './figure';

const SLOWER = Number(process.env.SLOW ?? 4);
const RUNS = 3;
const MOVES = 60;

async function dragOnce(user: Driver): Promise<FrameCosts> {
  const box = (await (await user.track('Seat height')).boundingBox())!;
  const y = box.y + box.height / 2;
  const { mouse } = user.page;
  return traceFrames(user.page, async () => {
    await mouse.move(box.x + 10, y);
    await mouse.down();
    for (let i = 1; i <= MOVES; i++) await mouse.move(box.x + 10 + ((box.width - 20) * i) / MOVES, y);
    await mouse.up();
  });
}

/** The best of three drags over the track of the demo seat with the most adjustments. */
export async function dragFigures(): Promise<Figure[]> {
  const app = await startApp();
  const bench = await startBrowser();
  try {
    const user = new Driver(await bench.open(), app.base);
    const [row] = await readRows(
      app.folder,
      "select f.id from fittings f join seat_versions v on v.id = f.seat_version_id where f.state = 'open' and f.place_version_id is not null order by json_array_length(v.document, '$.adjustments') desc limit 1",
    );
    await user.goTo(`/fittings/${String(row?.id)}?stage=set`);
    await user.press('OK');
    await user.saved();
    const session = await user.page.createCDPSession();
    await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    // The first drag of a page compiles what the others run.
    await dragOnce(user);
    const runs: FrameCosts[] = [];
    for (let i = 0; i < RUNS; i++) runs.push(await dragOnce(user));
    const best = (of: (run: FrameCosts) => readonly number[], share: number) =>
      Math.round(Math.min(...runs.map((run) => quantile(of(run), share))) * 100) / 100;
    const figure = (name: string, of: (run: FrameCosts) => readonly number[]): Figure => ({
      name,
      unit: 'ms',
      runs: RUNS,
      median: best(of, 0.5),
      p95: best(of, 0.95),
      detail: { slower: SLOWER, frames: Math.min(...runs.map((run) => of(run).length)) },
    });
    return [
      figure('drag/script', (run) => run.script),
      figure('drag/styleLayoutPaint', (run) => run.drawing),
    ];
  } finally {
    await bench.stop();
    await app.stop();
  }
}
