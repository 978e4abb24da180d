/** The pages that the service worker (offline-worker.ts) keeps for a lost connection. */
export const KEPT_PAGES = 'velto-pages';

/** Where pages begin that are never kept: a card opened by a private link is gone once the link is withdrawn. */
export const NEVER_KEPT = '/c/';

/** Said to the worker when what the page shows has changed on the server. */
export const REFRESH = 'refresh';

/** Lets all of them go: none may outlive the session, or a record that it shows. */
export async function forgetKeptPages(): Promise<void> {
  // There is no cache where the page is not secure, and so nothing is kept.
  if ('caches' in window) await caches.delete(KEPT_PAGES);
}

/** The kept copy of this page is fetched again. */
export function refreshKeptPage(): void {
  if (typeof navigator === 'undefined' || !('serviceWorker' in navigator)) return;
  navigator.serviceWorker.controller?.postMessage(REFRESH);
}
