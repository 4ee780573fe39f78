/** Time as the link and the simulation see it; tests bring their own. */
export interface Clock {
  nowMs(): number;
  /** @returns a function that cancels it */
  after(ms: number, run: () => void): () => void;
}

export const realClock: Clock = {
  nowMs: () => performance.now(),
  after(ms, run) {
    const timer = setTimeout(run, ms);
    return () => clearTimeout(timer);
  },
};
