import type { Clock } from '../src/index.ts';

/** A clock that only moves when told to: step by step, or at one stroke as for a process that did not run meanwhile. */
export function handClock(): Clock & { pass(ms: number): void; sleep(ms: number): void } {
  let now = 0;
  let timers: { at: number; run: () => void }[] = [];
  /** The timer that is due next, taken off the list. */
  function take(until: number) {
    const next = timers.filter(({ at }) => at <= until).sort((a, b) => a.at - b.at)[0];
    timers = timers.filter((each) => each !== next);
    return next;
  }
  return {
    nowMs: () => now,
    after(ms, run) {
      const timer = { at: now + ms, run };
      timers.push(timer);
      return () => {
        timers = timers.filter((each) => each !== timer);
      };
    },
    pass(ms) {
      const end = now + ms;
      for (let next = take(end); next; next = take(end)) {
        now = next.at;
        next.run();
      }
      now = end;
    },
    sleep(ms) {
      now += ms;
      for (let next = take(now); next; next = take(now)) next.run();
    },
  };
}

/** Waits until it is so. @returns what was read */
export async function until<T>(read: () => T | undefined | false): Promise<T> {
  for (const end = Date.now() + 20_000; ; await new Promise((resolve) => setTimeout(resolve, 10))) {
    const value = read();
    if (value) return value;
    if (Date.now() > end) throw new Error('did not happen in time');
  }
}
