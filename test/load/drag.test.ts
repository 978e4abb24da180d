import { expect } from 'chai';
import type { CDPSession } from 'puppeteer-core';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';
import { quantile, traceFrames, type FrameCosts } from '../support/trace';

/** A tablet is about four times slower than this machine. */
const SLOWER = 4;
const RUNS = 3;
const MOVES = 60;
const MEDIAN_MS = 10;
const P95_MS = 20;

describe('dragging a notch on a slow device', function () {
  this.timeout(180_000);
  let app: App;
  let bench: BrowserBench;
  let user: Driver;
  let session: CDPSession;
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
    user = new Driver(await bench.open(), app.base);
    const [row] = await readRows(
      app.folder,
      "select f.id from fittings f join seat_versions v on v.id = f.seat_version_id where f.state = 'open' and f.place_version_id is not null order by json_array_length(v.document, '$.adjustments') desc limit 1",
    );
    await user.goTo(`/fittings/${String(row?.id)}?stage=set`);
    await user.press('Understood');
    await user.saved();
    session = await user.page.createCDPSession();
    await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  });
  after(async () => {
    await bench.stop();
    await app.stop();
  });

  async function drag(): Promise<FrameCosts> {
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

  it(`costs at most ${MEDIAN_MS} ms of script a frame in the middle and ${P95_MS} ms at the 95th centile`, async () => {
    const runs: FrameCosts[] = [];
    // The first drag also warms the code up; the best of three is what the page itself costs.
    for (let i = 0; i < RUNS; i++) runs.push(await drag());
    const figures = runs.map(({ script, drawing }) => ({
      frames: script.length,
      median: quantile(script, 0.5),
      p95: quantile(script, 0.95),
      drawing: quantile(drawing, 0.5),
      drawingP95: quantile(drawing, 0.95),
    }));
    const said = figures.map(
      (f) =>
        `${f.frames} frames: script ${f.median.toFixed(1)} / ${f.p95.toFixed(1)} ms, style, layout and paint ${f.drawing.toFixed(1)} / ${f.drawingP95.toFixed(1)} ms`,
    );
    console.log(`      ${said.join('\n      ')}`);
    expect(Math.min(...figures.map((f) => f.frames))).to.be.greaterThan(MOVES / 4);
    expect(Math.min(...figures.map((f) => f.median)), said.join('; ')).to.be.at.most(MEDIAN_MS);
    expect(Math.min(...figures.map((f) => f.p95)), said.join('; ')).to.be.at.most(P95_MS);
  });
});
