import { atRest } from './atRest.ts';
import { canKeep, KEPT_AT_KEY } from './canKeep.ts';

/** Pages are looked after this often, and so long after one has opened, ms: what the page itself needs goes first. */
const AGAIN_AFTER_MS = 60_000;
const FIRST_AFTER_MS = 3000;

/** Starts the service worker and keeps the pages of what is in use, when nobody does anything. @returns a function that ends it */
export function keepWhatIsInUse(): () => void {
  if (!canKeep() || !import.meta.env.PROD) return () => {};
  void navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => {});
  const timer = setTimeout(() => {
    if (Date.now() - Number(localStorage.getItem(KEPT_AT_KEY) ?? 0) <= AGAIN_AFTER_MS) return;
    // before it begins, and not in between: whoever asks for them meanwhile waits until it ends
    void atRest()
      .then(() => import('./keep.ts'))
      .then(({ keepPages }) => keepPages())
      .catch(() => {});
  }, FIRST_AFTER_MS);
  return () => clearTimeout(timer);
}
