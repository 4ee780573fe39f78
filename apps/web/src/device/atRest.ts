/** What a person does with a page. */
const DOES = ['pointerdown', 'pointermove', 'keydown', 'wheel', 'touchmove'] as const;

/** When somebody did something last, as `performance.now` counts; from the first call on. */
let lastAt: number | null = null;

/**
 * Waits until nobody did anything for so long: what comes by itself does not hold a hand up that moves something.
 * @param forMs,mostMs and at most so long
 */
export async function atRest(forMs = 1000, mostMs = 20_000): Promise<void> {
  if (lastAt === null) {
    lastAt = performance.now();
    const does = (): void => {
      lastAt = performance.now();
    };
    for (const each of DOES) addEventListener(each, does, { capture: true, passive: true });
  }
  const end = performance.now() + mostMs;
  for (let now = performance.now(); now < end && now - lastAt < forMs; now = performance.now())
    await new Promise((resolve) => setTimeout(resolve, Math.min(end - now, forMs - (now - lastAt!))));
}
