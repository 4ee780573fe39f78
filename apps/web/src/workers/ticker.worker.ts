/** Ticks for a page: a browser slows the timers of a page that is not in front, not those of its workers. */
const TICK_MS = 250;
setInterval(() => postMessage(null), TICK_MS);
