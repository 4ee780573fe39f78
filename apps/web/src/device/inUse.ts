import { atRest } from './atRest.ts';

/** Pages are looked after this often, and so long after one has opened, ms: what the page itself needs goes first. */
const AGAIN_AFTER_MS = 60_000;
const FIRST_AFTER_MS = 3000;
/** When pages were kept last, as this device counts. */
export const KEPT_AT_KEY = 'good-arc-kept-at';

/** Whether this browser can keep pages at all: not over plain HTTP from another machine. */
export const canKeep = (): boolean => 'serviceWorker' in navigator && 'caches' in window;

/** Starts the service worker and keeps the pages of what is in use, when nobody does anything. @returns a function that ends it */
export function keepWhatIsInUse(): () => void {
  if (!canKeep() || !import.meta.env.PROD) return () => {};
  void navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => {});
  const timer = setTimeout(() => {
    if (Date.now() - Number(localStorage.getItem(KEPT_AT_KEY) ?? 0) <= AGAIN_AFTER_MS) return;
    void import('./keep.ts').then(({ keepPages }) => keepPages(undefined, atRest)).catch(() => {});
  }, FIRST_AFTER_MS);
  return () => clearTimeout(timer);
}
