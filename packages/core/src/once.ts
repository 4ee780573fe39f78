/** What was worked out by a key; of so many keys at most, then it begins anew. */
export function onceBy<R extends object | number>(most: number): (key: string, work: () => R) => R {
  const known = new Map<string, R>();
  return (key, work) => {
    const before = known.get(key);
    if (before !== undefined) return before;
    const found = work();
    if (known.size >= most) known.clear();
    known.set(key, found);
    return found;
  };
}

/** What was worked out of a document, for as long as it is kept: years of rounds share a few cards, and no document is ever changed in place. */
export function once<D extends object, R>(work: (document: D) => R): (document: D) => R {
  const known = new WeakMap<D, R>();
  return (document) => {
    const before = known.get(document);
    if (before !== undefined) return before;
    const found = work(document);
    known.set(document, found);
    return found;
  };
}
