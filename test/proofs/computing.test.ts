import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { SeatSummary } from '../../src/contract';
import type { Page } from '../../src/contract/paging';
import type { FitRequest, RankAnswer } from '../../src/contract/compute';
import { startApp, type App } from '../support/app';
import { runLines } from '../support/command-line';
import { FULL } from '../support/inputs';

const FIT = JSON.parse(readFileSync('docs/examples/fit.json', 'utf8')) as FitRequest;
const RANK = JSON.parse(readFileSync('docs/examples/rank.json', 'utf8')) as object;

const TRIES = 12;

describe('cases from outside, many at once', () => {
  let app: App;
  before(async () => {
    app = await startApp();
  });
  after(() => app.stop());
  const get = async <T>(path: string): Promise<T> =>
    (await (await fetch(`${app.base}/api/v1${path}`)).json()) as T;

  it('are a thousand in five seconds, one a line', async function () {
    this.timeout(180_000);
    const one = FIT;
    const lines = Array.from({ length: 1000 }, (_, n) =>
      JSON.stringify({
        ...one,
        include: [],
        sitter: { measures: { ...FULL, stature: 1550 + (n % 300), bodyMass: 50 + (n % 60) }, ageYears: 40 },
      }),
    );
    // What else the machine does can be in the way: the best of some counts.
    let took = Infinity;
    for (let n = 0; n < TRIES && took >= 5000; n++) {
      const start = performance.now();
      const { out, code } = await runLines([], `${lines.join('\n')}\n`);
      took = performance.now() - start;
      expect(code).to.equal(0);
      expect(out.trim().split('\n')).to.have.length(1000);
    }
    expect(took).to.be.lessThan(5000);
  });

  it('keep nobody else waiting: many are ranked beside a page that is asked for', async function () {
    this.timeout(30_000);
    const seats = (await get<Page<SeatSummary>>('/seats')).items.map(({ versionId }) => ({ id: versionId }));
    const many = Array.from({ length: 600 }, (_, n) => seats[n % seats.length]!);
    const body = JSON.stringify({ ...RANK, seats: many });
    const ranking = fetch(`${app.base}/api/v1/rank`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    }).then(async (answer) => (await answer.json()) as RankAnswer);
    let isDone = false;
    void ranking.then(() => (isDone = true));
    const waits: number[] = [];
    while (!isDone) {
      const start = performance.now();
      await get('/fitters');
      waits.push(performance.now() - start);
      await new Promise((go) => setTimeout(go, 20));
    }
    expect((await ranking).count).to.equal(600);
    expect(waits.length).to.be.greaterThan(3);
    expect(waits.sort((a, b) => a - b)[Math.floor(waits.length / 2)]).to.be.lessThan(100);
  });
});
