/** What the main thread of a page did between two frames, from a trace of the browser. */
import type { Page } from 'puppeteer-core';

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly ts: number;
  readonly dur?: number;
  /** As `dur`, but of the thread's own time: without what the machine gave to others. */
  readonly tdur?: number;
  readonly pid: number;
  readonly tid: number;
  readonly args?: { readonly name?: string };
}

export interface FrameCosts {
  /** Milliseconds of script in each frame that ran any. */
  readonly script: readonly number[];
  /** Milliseconds of style, layout and paint in each such frame. */
  readonly drawing: readonly number[];
}

const SCRIPT = new Set([
  'EventDispatch',
  'FunctionCall',
  'TimerFire',
  'FireAnimationFrame',
  'RunMicrotasks',
  'EvaluateScript',
]);
const DRAWING = new Set(['UpdateLayoutTree', 'Layout', 'PrePaint', 'Paint', 'Layerize', 'Commit']);
const US_PER_MS = 1000;
/** As few as will do: each event that is recorded makes what it records slower. */
const CATEGORIES = ['devtools.timeline', 'disabled-by-default-devtools.timeline.frame'];

/** Milliseconds of a thread's own time in events that begin between two instants; what lies within one counts once. */
function spent(events: readonly TraceEvent[], from: number, to: number): number {
  let [sum, end] = [0, from];
  for (const { ts, dur = 0, tdur = dur } of events) {
    if (ts < end || ts >= to) continue;
    sum += tdur;
    end = ts + dur;
  }
  return sum / US_PER_MS;
}

export async function traceFrames(page: Page, act: () => Promise<void>): Promise<FrameCosts> {
  await page.tracing.start({ categories: CATEGORIES });
  await act();
  const { traceEvents } = JSON.parse(new TextDecoder().decode(await page.tracing.stop())) as {
    traceEvents: TraceEvent[];
  };
  const byTime = traceEvents.filter((e) => e.dur !== undefined || e.name === 'BeginMainThreadFrame');
  byTime.sort((a, b) => a.ts - b.ts);
  // The thread that ran the most script is the page's main thread.
  const time = new Map<string, number>();
  const thread = (e: TraceEvent) => `${e.pid}/${e.tid}`;
  for (const e of byTime)
    if (SCRIPT.has(e.name)) time.set(thread(e), (time.get(thread(e)) ?? 0) + (e.dur ?? 0));
  const main = [...time].sort((a, b) => b[1] - a[1])[0]?.[0];
  const mine = byTime.filter((e) => thread(e) === main);
  const frames = mine.filter((e) => e.name === 'BeginMainThreadFrame').map((e) => e.ts);
  const [script, drawing] = [mine.filter((e) => SCRIPT.has(e.name)), mine.filter((e) => DRAWING.has(e.name))];
  const costs = frames.slice(1).map((to, i) => ({
    script: spent(script, frames[i]!, to),
    drawing: spent(drawing, frames[i]!, to),
  }));
  const busy = costs.filter((c) => c.script > 0);
  return { script: busy.map((c) => c.script), drawing: busy.map((c) => c.drawing) };
}

/** A share of sorted values: 0.5 is the median. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}
