/** Tries until it is so: a line takes a moment to open, a machine to move. */
export async function until(check: () => boolean | Promise<boolean>, withinMs = 20_000): Promise<void> {
  for (const end = Date.now() + withinMs; !(await check()); await new Promise((resolve) => setTimeout(resolve, 15)))
    if (Date.now() > end) throw new Error('did not happen in time');
}
