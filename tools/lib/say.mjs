/** What the person at the terminal reads. All of it goes to standard error, so that standard output stays for answers. */

/** @param {string} text */
export const say = (text) => process.stderr.write(`${text}\n`);

/**
 * Says what is being done, does it, and says how long it took.
 * @template T
 * @param {string} what
 * @param {() => T | Promise<T>} work
 * @returns {Promise<T>}
 */
export async function step(what, work) {
  const start = Date.now();
  say(`  ${what} …`);
  const result = await work();
  say(`  ${what}: done in ${((Date.now() - start) / 1000).toFixed(1)} s`);
  return result;
}

/** An end that the person can act on: its message is all they need. */
export class Stop extends Error {}
