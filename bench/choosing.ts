/** How long somebody waits among a thousand seats: from opening the page until the first are seen in order, and all are. */
import { startApp } from '../test/support/app';
import { startBrowser } from '../test/support/browser';
import { taskFitting } from '../test/support/demo-records';
import { Driver } from '../test/support/driver';
import { manySeats } from '../test/support/many-seats';
import { figureOf, type Figure } from './figure';

const SEED = 7;
/** Beside those of the demo records. */
const SEATS_HERE = 980;
const RUNS = 5;

/** In the page: resolves when the seats stand in an order, and when nothing is being calculated any more. */
const WATCH = `new Promise((resolve) => {
  let first = 0;
  const look = () => {
    const cards = document.querySelector('[data-waits]') ? 0 : document.querySelectorAll('button[aria-pressed]').length;
    const said = [...document.querySelectorAll('[role=status]')].map((e) => e.textContent).join();
    if (cards > 0) first ||= performance.now();
    if (cards > 0 && !/Calculating|Loading/.test(said)) resolve([first, performance.now()]);
    else setTimeout(look, 20);
  };
  look();
})`;

export async function choosingFigures(): Promise<Figure[]> {
  const folder = await manySeats({ seed: SEED, count: SEATS_HERE, demo: true });
  const app = await startApp({ folder, isEmpty: true });
  const bench = await startBrowser();
  try {
    const { fittingId } = await taskFitting(app.folder);
    const [first, all]: number[][] = [[], []];
    for (let run = 0; run < RUNS; run++) {
      const user = new Driver(await bench.open(), app.base);
      await user.goTo(`/fittings/${fittingId}?stage=choose`);
      const [seen, done] = (await user.page.evaluate(WATCH)) as [number, number];
      first!.push(seen);
      all!.push(done);
      await user.page.close();
    }
    return [figureOf('choosing/first', first!), figureOf('choosing/all', all!)];
  } finally {
    await bench.stop();
    await app.stop();
  }
}
