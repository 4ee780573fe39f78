/** Runs when no other page of this device runs the same; a browser without locks runs it at once. */
export async function alone(what: string, run: () => Promise<void>): Promise<void> {
  if (navigator.locks) await navigator.locks.request(`good-arc-${what}`, run);
  else await run();
}
