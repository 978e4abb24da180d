/** What a fitter waits for at the server: pages after the first, a saved draft, and how many drafts it takes a second. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { v7 } from 'uuid';
import type { FittingDetail, FittingSummary, SavedDraft } from '../src/contract';
import type { Page } from '../src/contract/paging';
import { CARD_FORMS } from '../src/core/card';
import { NO_REMEDIES, type Settings } from '../src/core/fit';
import { openDatabase } from '../src/data/client';
import { settingSets } from '../src/data/schema';
import { Store } from '../src/data/store';
import { loadDemo } from '../src/demo/load';
import { ensureShippedMethods } from '../src/service/catalogue';
import { contextOf, type Context } from '../src/service/context';
import { fittingDetail, recentFittings, saveSettings } from '../src/service/fittings';
import { startApp } from '../test/support/app';
import { fileUrl } from '../test/support/context';
import { figureOf, type Figure } from './figure';

const PAGE_RUNS = 20;
const PDF_RUNS = 5;
const SAVES = 200;
/** Rounds of raw inserts and of drafts in turn, so that both see the same machine. */
const ROUNDS = 7;

const settings = (n: number): Settings => ({
  positions: {},
  remedies: { ...NO_REMEDIES, footrestMm: (n % 4000) / 10 },
});

async function overHttp(): Promise<Figure[]> {
  const app = await startApp();
  try {
    const json = async <T>(path: string, init?: RequestInit): Promise<T> =>
      (await (await fetch(`${app.base}/api/v1${path}`, init)).json()) as T;
    const fittings = (await json<Page<FittingSummary>>('/fittings')).items;
    const fitting = fittings.find((f) => f.state === 'open' && f.seat)!;
    const figures: Figure[] = [];
    const timed = async (name: string, path: string, runs: number) => {
      const times: number[] = [];
      for (let i = 0; i <= runs; i++) {
        const start = performance.now();
        await (await fetch(app.base + path)).arrayBuffer();
        if (i > 0) times.push(performance.now() - start);
      }
      figures.push(figureOf(name, times));
    };
    for (const path of ['/', '/people', `/fittings/${fitting.id}?stage=set`, `/fittings/${fitting.id}/card`])
      await timed(`page${path.replace(fitting.id, 'id')}`, path, PAGE_RUNS);
    // On paper after it was on the screen.
    for (const form of CARD_FORMS)
      await timed(`pdf/${form}`, `/api/v1/fittings/${fitting.id}/card.pdf?form=${form}`, PDF_RUNS);
    // Of every other fitting once, before anything of it was on a screen.
    const first: number[] = [];
    for (const { id } of fittings.filter((f) => f.id !== fitting.id && f.seat)) {
      const start = performance.now();
      await (await fetch(`${app.base}/api/v1/fittings/${id}/card.pdf`)).arrayBuffer();
      first.push(performance.now() - start);
    }
    figures.push(figureOf('pdf/unseen', first));
    let { draftRevision: revision } = await json<FittingDetail>(`/fittings/${fitting.id}`);
    const times: number[] = [];
    for (let n = 0; n < SAVES; n++) {
      const start = performance.now();
      const saved = await json<SavedDraft>(`/fittings/${fitting.id}/settings`, {
        method: 'PUT',
        headers: {
          'content-type': 'application/json',
          'if-match': `"draft-${revision}"`,
          'idempotency-key': v7(),
        },
        body: JSON.stringify(settings(n)),
      });
      times.push(performance.now() - start);
      revision = saved.revision;
    }
    return [...figures, figureOf('draft/http', times)];
  } finally {
    await app.stop();
  }
}

async function firstFittings(context: Context) {
  const found = await recentFittings(context, { limit: 50 });
  if (!found.ok) throw new Error(found.reason);
  return found.value.items;
}

/** Drafts with everything that belongs to them against bare inserts of the same row, through the same queue. */
async function throughput(): Promise<Figure[]> {
  const folder = mkdtempSync(join(tmpdir(), 'velto-bench-'));
  const context = contextOf(new Store(await openDatabase(fileUrl(folder))));
  await ensureShippedMethods(context);
  await loadDemo(context);
  const fitting = (await firstFittings(context)).find((f) => f.state === 'open' && f.seat)!;
  const found = await fittingDetail(context, fitting.id);
  let revision = found.ok ? found.value.draftRevision : 0;
  let version = 1000;
  const perSecond = async (act: (n: number) => Promise<unknown>): Promise<number> => {
    const start = performance.now();
    for (let n = 0; n < SAVES; n++) await act(n);
    return (SAVES * 1000) / (performance.now() - start);
  };
  const raw: number[] = [];
  const drafts: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    raw.push(
      await perSecond((n) =>
        context.store.write((q) =>
          q.insert(settingSets).values({
            id: v7(),
            fittingId: fitting.id,
            stage: 'reached',
            version: ++version,
            settings: settings(n),
            savedAt: new Date().toISOString(),
          }),
        ),
      ),
    );
    drafts.push(
      await perSecond(async (n) => {
        const keyed = { ...context, request: { key: v7(), fingerprint: String(n) } };
        const saved = await saveSettings(keyed, fitting.id, revision, { ...settings(n), held: [] });
        if (!saved.ok) throw new Error(saved.reason);
        revision = saved.value.revision;
      }),
    );
  }
  await context.store.close();
  rmSync(folder, { recursive: true, force: true });
  return [
    figureOf('insert/raw', raw, { unit: 'perSecond' }),
    figureOf('draft/saved', drafts, { unit: 'perSecond' }),
    figureOf(
      'draft/share',
      drafts.map((d, i) => d / raw[i]!),
      { unit: 'ratio' },
    ),
  ];
}

export const serverFigures = async (): Promise<Figure[]> => [...(await overHttp()), ...(await throughput())];
