/** Work that stops now and then, for whoever has something else to do in between, all at once. */
export function atOnce<T>(parts: Generator<void, T>): T {
  for (;;) {
    const part = parts.next();
    if (part.done) return part.value;
  }
}
