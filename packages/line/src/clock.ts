/** Time as the link and the simulation see it; tests bring their own. */
export interface Clock {
  nowMs(): number;
  /** @returns a function that cancels it */
  after(ms: number, run: () => void): () => void;
}

/** A timer that comes later than this shows that we did not run meanwhile, ms. */
const LATE_MS = 150;
/** Time to hear what was said while we did not run, ms. */
const CATCH_UP_MS = 300;

/**
 * Runs when somebody else has had `ms` to be heard. Time in which this process itself did not run does not count against them: what they said waits
 * unread, so a timer that comes late gives them a moment more.
 * @returns a function that cancels it
 */
export function afterListening(clock: Clock, ms: number, run: () => void): () => void {
  const due = clock.nowMs() + ms;
  let cancel = clock.after(ms, () => {
    if (clock.nowMs() - due > LATE_MS) cancel = clock.after(CATCH_UP_MS, run);
    else run();
  });
  return () => cancel();
}

export const realClock: Clock = {
  nowMs: () => performance.now(),
  after(ms, run) {
    const timer = setTimeout(run, ms);
    return () => clearTimeout(timer);
  },
};
