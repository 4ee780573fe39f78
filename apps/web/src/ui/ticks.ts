const TICK_MS = 250;

/**
 * Runs four times a second while the page itself runs, in front or not. A page that hangs or is put to sleep answers no tick: that is what its silence means.
 * @returns a function that ends it
 */
export function onTicks(run: () => void): () => void {
  if (typeof Worker === 'undefined') {
    const timer = setInterval(run, TICK_MS);
    return () => clearInterval(timer);
  }
  const worker = new Worker(new URL('../workers/ticker.worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = run;
  return () => worker.terminate();
}
