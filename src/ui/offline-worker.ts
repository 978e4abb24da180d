/**
 * The service worker: keeps the pages that were opened, so that one can be opened again without a connection, and the
 * files they need. It keeps nothing else, sends nothing, and only runs where the page is secure; entries do not depend
 * on it. The page that shows a record is fetched again after a change of it was taken.
 */
/// <reference lib="webworker" />
import offline from '../words/compiled/offline';
import { KEPT_PAGES, NEVER_KEPT, REFRESH } from './kept-pages';

const worker = globalThis as unknown as ServiceWorkerGlobalScope;

const FILES = 'velto-files';
/** The newest so many pages are kept. */
const MOST_PAGES = 20;
const HASHED = '/_astro/';

const said = (key: string): string => String(offline[key]!({}));
const UNKNOWN = `<!doctype html><html lang="en-GB"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Velto</title><body><h1>${said('offline.title')}</h1><p>${said('offline.notKept')} ${said('offline.kept')}</p></body></html>`;

worker.addEventListener('install', () => void worker.skipWaiting());
worker.addEventListener('activate', (event) => event.waitUntil(worker.clients.claim()));

/** Pages are kept by their path: what stands in the query only says which part of them is shown. */
const pageKey = (url: string): string => new URL(url).origin + new URL(url).pathname;

async function keepPage(url: string, response: Response): Promise<void> {
  const { status, headers } = response;
  // Read to its end first: a connection that breaks half-way leaves the older copy in its place.
  const whole = new Response(await response.blob(), { status, headers });
  const cache = await caches.open(KEPT_PAGES);
  const key = pageKey(url);
  await cache.delete(key);
  await cache.put(key, whole);
  const kept = await cache.keys();
  await Promise.all(kept.slice(0, Math.max(0, kept.length - MOST_PAGES)).map((old) => cache.delete(old)));
}

const isPage = (response: Response): boolean =>
  response.ok && !response.redirected && (response.headers.get('content-type') ?? '').startsWith('text/html');

async function page(event: FetchEvent): Promise<Response> {
  try {
    const response = await fetch(event.request);
    if (isPage(response) && !new URL(event.request.url).pathname.startsWith(NEVER_KEPT))
      event.waitUntil(keepPage(event.request.url, response.clone()));
    return response;
  } catch {
    const kept = await (await caches.open(KEPT_PAGES)).match(pageKey(event.request.url));
    return (
      kept ?? new Response(UNKNOWN, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } })
    );
  }
}

async function file(request: Request): Promise<Response> {
  const cache = await caches.open(FILES);
  const kept = await cache.match(request);
  if (kept) return kept;
  const response = await fetch(request);
  if (response.ok) await cache.put(request, response.clone());
  return response;
}

/** Brings the kept copy of a page up to what the server now has. */
async function refreshPage(url: string): Promise<void> {
  if (!(await (await caches.open(KEPT_PAGES)).match(pageKey(url)))) return;
  const response = await fetch(url, { credentials: 'same-origin' });
  if (isPage(response)) await keepPage(url, response);
}

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== worker.location.origin || request.method !== 'GET') return;
  if (request.mode === 'navigate') event.respondWith(page(event));
  else if (url.pathname.startsWith(HASHED)) event.respondWith(file(request));
});

worker.addEventListener('message', (event) => {
  if (event.data !== REFRESH || !(event.source instanceof WindowClient)) return;
  event.waitUntil(refreshPage(event.source.url).catch(() => undefined));
});
