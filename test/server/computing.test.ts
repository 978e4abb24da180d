import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { type FitInputs, PLAIN_WORK, makeInputs, problemOf, solve } from '../../src/core/fit';
import type { Sitter } from '../../src/contract';
import type { SeatListing } from '../../src/contract/catalogue';
import {
  type FitAnswer,
  type FitRequest,
  type RankAnswer,
  FitAnswerSchema,
  RankAnswerSchema,
} from '../../src/contract/compute';
import { DIMENSIONS, type Body, type DimensionId } from '../../src/core/body';
import { SHIPPED_METHODS } from '../../src/core/method';
import type { SeatModel } from '../../src/core/seat';
import { openThreads } from '../../src/server/threads';
import { Turns } from '../../src/server/turns';
import type { Page } from '../../src/contract/paging';
import { startApp, type App } from '../support/app';
import { runLines as run } from '../support/command-line';
import { EVERYTHING, FULL, bodyWith, inputsOf } from '../support/inputs';

const FIT = readFileSync('docs/examples/fit.json', 'utf8');
const RANK = readFileSync('docs/examples/rank.json', 'utf8');
const fitCase = (): FitRequest => JSON.parse(FIT) as FitRequest;

/** The answer that the documentation shows of an example. */
function shown(name: string): object {
  const block = new RegExp('```json ' + name + '\\n([^`]+)```').exec(
    readFileSync('docs/computing.md', 'utf8'),
  );
  return JSON.parse(block![1]!) as object;
}

const mapBody = (body: Body): Body =>
  Object.fromEntries(
    Object.entries(body).map(([id, quantity]) => [
      id,
      { ...quantity, spread: DIMENSIONS[id as DimensionId].readingSd },
    ]),
  );

/** Whether everything of one is in the other; lists from their beginning. */
function expectWithin(part: unknown, whole: unknown, at = ''): void {
  if (part === null || typeof part !== 'object') return expect(whole, at).to.equal(part) as never;
  for (const [key, value] of Object.entries(part))
    expectWithin(value, (whole as Record<string, unknown>)[key], `${at}/${key}`);
}

describe('cases from outside', () => {
  let app: App;
  let folder: string;
  before(async () => {
    app = await startApp();
    folder = mkdtempSync(join(tmpdir(), 'velto-cases-'));
  });
  after(async () => {
    await app.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  async function post<T>(path: string, body: string): Promise<{ status: number; body: T }> {
    const response = await fetch(`${app.base}/api/v1${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    });
    return { status: response.status, body: (await response.json()) as T };
  }
  const get = async <T>(path: string): Promise<T> =>
    (await (await fetch(`${app.base}/api/v1${path}`)).json()) as T;

  it('are answered as the documentation shows, and by its own schema', async () => {
    const fit = await post<FitAnswer>('/fit', FIT);
    expect(fit.status).to.equal(200);
    expect(FitAnswerSchema.parse(fit.body)).to.deep.equal(fit.body);
    expectWithin(shown('fit'), fit.body);
    const rank = await post<RankAnswer>('/rank', RANK);
    expect(RankAnswerSchema.parse(rank.body)).to.deep.equal(rank.body);
    expectWithin(shown('rank'), rank.body);
  });

  it('have the same answer over HTTP, from a file, on a line and in the core', async () => {
    const { body } = await post<FitAnswer>('/fit', FIT);
    const file = join(folder, 'case.json');
    writeFileSync(file, FIT);
    const fromFile = await run([file]);
    expect(fromFile.code).to.equal(0);
    expect(JSON.parse(fromFile.out)).to.deep.equal(body);
    const oneLine = JSON.stringify(fitCase());
    const onLines = await run([], `${oneLine}\n\n${JSON.stringify(JSON.parse(RANK))}\r\n${oneLine}\n`);
    const answers = onLines.out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as object);
    expect(answers).to.have.length(3);
    expect(answers[0]).to.deep.equal(body);
    expect(answers[2]).to.deep.equal(body);
    expect(answers[1]).to.deep.equal((await post<RankAnswer>('/rank', RANK)).body);
    const { seat, place, sitter } = fitCase();
    const measures = (sitter as Extract<FitRequest['sitter'], { measures: object }>).measures;
    const plain = Object.fromEntries(
      Object.entries(measures).map(([id, m]) => [
        id,
        typeof m === 'number' ? m : (m as { value: number }).value,
      ]),
    );
    const exact = await post<FitAnswer>(
      '/fit',
      JSON.stringify({
        ...fitCase(),
        include: [],
        sitter: { measures: plain, ageYears: 34, estimateMissing: false },
      }),
    );
    const p = problemOf(
      makeInputs({
        sitter: { ageYears: 34 },
        // A number alone errs as a single reading does.
        body: mapBody(bodyWith(plain)),
        seat: seat as SeatModel,
        place: place as never,
        method: SHIPPED_METHODS.find((m) => m.id === 'open-hip')!,
        work: PLAIN_WORK,
      }),
    );
    const solved = solve(p, { remedies: {} });
    expect(exact.body.penaltyMillionths).to.equal(solved.penalty);
    expect(Object.fromEntries(exact.body.settings.map((s) => [s.adjustment, s.position]))).to.deep.equal(
      solved.settings.positions,
    );
  });

  it('find sitter, seat, place and method by id, and rank all seats there are', async () => {
    const { items: sitters } = await get<Page<Sitter>>('/sitters');
    const { items: seats } = await get<Page<SeatListing>>('/seats?include=document');
    const sitter = { id: sitters.find((s) => s.name === 'Ines Farrowby')!.id };
    const task = seats.find((s) => s.facts?.seatClass === 'task')!;
    const byId = { sitter, seat: { id: task.versionId }, method: { id: 'open-hip' } };
    const found = await post<FitAnswer>('/fit', JSON.stringify(byId));
    expect(found.status).to.equal(200);
    const inFull = await post<FitAnswer>('/fit', JSON.stringify({ ...byId, seat: task.seat }));
    expect(inFull.body).to.deep.equal(found.body);
    const ranked = await post<RankAnswer>('/rank', JSON.stringify({ sitter, limit: 3 }));
    expect(ranked.body.count).to.equal(seats.length);
    expect(ranked.body.ranked).to.have.length(3);
    expect(seats.map((s) => s.versionId)).to.include(ranked.body.ranked[0]!.seat);
    const lines = await run(['--data', app.folder], `${JSON.stringify(byId)}\n`);
    expect(JSON.parse(lines.out)).to.deep.equal(found.body);
  });

  it('put remedies in place and leave what is held', async () => {
    const held = await post<FitAnswer>('/fit', JSON.stringify({ ...fitCase(), held: { seatHeight: 10 } }));
    const height = (answer: FitAnswer) => answer.settings.find((s) => s.adjustment === 'seatHeight')!;
    expect(height(held.body).position).to.equal(10);
    const padded = await post<FitAnswer>(
      '/fit',
      JSON.stringify({ ...fitCase(), held: { seatHeight: 10 }, remedies: { seatPadMm: 30 } }),
    );
    expect(height(padded.body).value - height(held.body).value).to.be.closeTo(30, 1e-9);
    expect(padded.body.remedies).to.deep.equal({ seatPadMm: 30 });
  });

  it('say what is wrong where it is wrong, and compute nothing', async () => {
    const seat = fitCase().seat as SeatModel;
    const { cushion } = seat;
    const sunken = { ...seat, cushion: { ...cushion, sinkMm: { ...cushion.sinkMm, value: -5 } } };
    const wrong: readonly [object, string][] = [
      [{ ...fitCase(), seat: { id: '01990000-0000-7000-8000-0000000000ff' } }, '/seat/id'],
      [{ ...fitCase(), method: { id: 'nobody-knows' } }, '/method/id'],
      [{ ...fitCase(), sitter: { measures: { stature: 99_999 } } }, '/sitter/measures/stature'],
      [{ ...fitCase(), sitter: { measures: { height: 1700 } } }, '/sitter/measures/height'],
      [
        { ...fitCase(), sitter: { measures: { stature: { value: 1740, spread: 1e308 } } } },
        '/sitter/measures/stature/spread',
      ],
      [{ ...fitCase(), remedies: { elevatorMm: 10 } }, '/remedies/elevatorMm'],
      [{ ...fitCase(), held: { seatHeight: 4000 } }, '/held/seatHeight'],
      [{ ...fitCase(), held: { suspensionWeight: 1 } }, '/held/suspensionWeight'],
      [{ ...fitCase(), seat: sunken }, '/seat/cushion/sinkMm'],
      [{ ...fitCase(), seat: { ...seat, pan: { ...seat.pan, colour: 1 } } }, '/seat/pan/colour'],
      [{ ...fitCase(), toolsKg: -1 }, '/toolsKg'],
      [{ ...fitCase(), remedies: { seatPadMm: 5000 } }, '/remedies/seatPadMm'],
      [{ ...fitCase(), hurry: true }, '/hurry'],
      [{ ...fitCase(), seat: { ...(fitCase().seat as SeatModel), seatClass: 'throne' } }, '/seat/seatClass'],
    ];
    for (const [body, pointer] of wrong) {
      const answer = await post<{ errors: { pointer: string }[] }>('/fit', JSON.stringify(body));
      expect(answer.status, pointer).to.equal(422);
      expect(answer.body.errors.map((e) => e.pointer)).to.include(pointer);
    }
    const { out } = await run([], wrong.map(([body]) => `${JSON.stringify(body)}\n`).join(''));
    const said = out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { line: number; faults: { pointer: string }[] });
    expect(said.map(({ line }) => line)).to.deep.equal(wrong.map((_, i) => i + 1));
    for (const [i, [, pointer]] of wrong.entries())
      expect(said[i]!.faults.map((f) => f.pointer)).to.include(pointer);
    const rank = await post<{ errors: { pointer: string }[] }>(
      '/rank',
      JSON.stringify({
        ...(JSON.parse(RANK) as object),
        seats: [{ id: '01990000-0000-7000-8000-0000000000ff' }],
      }),
    );
    expect(rank.body.errors.map((e) => e.pointer)).to.deep.equal(['/seats/0/id']);
  });

  it('go on after a line that cannot be read, and say so in the end', async () => {
    const { out, code } = await run([], `nonsense\n${JSON.stringify(fitCase())}\n`);
    const [first, second] = out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>);
    expect(first).to.include({ line: 1 });
    expect(second).to.have.property('settings');
    expect(code).to.equal(1);
    expect((await run(['no-such-file.json'])).error).to.contain('no-such-file.json');
    expect((await run(['--data', folder], '')).error).to.contain('velto.db');
  });
});

describe('threads beside the server', () => {
  const low = SHIPPED_METHODS.find((m) => m.id === 'low-seat')!;
  const question = (inputs: FitInputs) => ({ inputs, remedies: {}, held: {}, include: [] }) as const;
  /** Takes far longer than any limit here. */
  const endless = {
    asked: inputsOf({ seat: EVERYTHING, body: bodyWith(FULL), method: low }),
    seats: Array.from({ length: 400 }, () => EVERYTHING),
  };
  const quick = question(inputsOf({ body: bodyWith(FULL) }));

  it('give up what takes too long; waiting for a turn is not taking long', async () => {
    const threads = openThreads('dist/thread.mjs', { limitMs: 1500, threads: 1 });
    try {
      const [first, second, third] = await Promise.all([
        threads.compute.rank(endless),
        threads.compute.rank(endless),
        threads.compute.fit(quick),
      ]);
      expect(first).to.deep.include({ ok: false, reason: 'tooLong' });
      expect(second).to.deep.include({ ok: false, reason: 'tooLong' });
      // It has waited for twice as long as any case may take.
      expect(third.ok).to.equal(true);
    } finally {
      await threads.close();
    }
  });

  it('keep so many waiting and ask the others to try again; a page that can do without does not wait', async () => {
    const threads = openThreads('dist/thread.mjs', { limitMs: 1500, threads: 1, mostWaiting: 2 });
    try {
      const answers: string[] = [];
      const heavy = Array.from({ length: 12 }, async () => {
        const o = await threads.compute.rank(endless);
        answers.push(o.ok ? 'done' : `${o.reason} ${o.retryAfterS ?? ''}`);
      });
      const urgent = await threads.compute.fit(quick, { patienceMs: 100, limitMs: 1000 });
      expect(urgent).to.deep.include({ ok: false, reason: 'busy' });
      // Before the first of those that are calculated has taken too long.
      expect(answers).to.deep.equal(new Array(9).fill('busy 5'));
      await Promise.all(heavy);
      expect(answers.slice(9)).to.deep.equal(new Array(3).fill('tooLong '));
    } finally {
      await threads.close();
    }
  });
});

describe('turns', () => {
  it('go to whoever came first, urgent ones before, and no further than there is room', async () => {
    const turns = new Turns(1, 2);
    const order: string[] = [];
    const ask = (name: string, patienceMs?: number) =>
      turns.take(patienceMs).then((has) => order.push(has ? name : `${name} not`));
    await ask('a');
    const all = [ask('b'), ask('c'), ask('d'), ask('urgent', 1000), ask('hasty', 1)];
    await new Promise((after) => setTimeout(after, 20));
    expect(order).to.deep.equal(['a', 'd not', 'hasty not']);
    for (let i = 0; i < 4; i++) {
      turns.end();
      await new Promise((after) => setTimeout(after));
    }
    await Promise.all(all);
    expect(order.slice(3)).to.deep.equal(['urgent', 'b', 'c']);
    await ask('again');
    expect(order.at(-1)).to.equal('again');
  });
});
