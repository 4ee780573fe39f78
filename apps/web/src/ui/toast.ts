import type { ExternalToast } from 'sonner';

type Sonner = typeof import('sonner');

let isThere: (sonner: Sonner) => void = () => {};
let shown: Promise<Sonner>;
let fetchIt = (): void => {};

/** Nothing shows messages, yet or any more: what is said waits. */
function nothingShows(): void {
  shown = new Promise((resolve) => {
    isThere = resolve;
  });
  fetchIt = () => {};
}
nothingShows();

/**
 * Whoever shows messages: what was said before is shown when they are there.
 * @param fetch is called with each message until then: a line may have been down
 * @returns a function that says they are gone
 */
export function showsToasts(fetch: () => void): () => void {
  fetchIt = fetch;
  return nothingShows;
}

/** The messages can be seen from now on. */
export function toastsAreThere(sonner: Sonner): void {
  fetchIt = () => {};
  isThere(sonner);
}

function say(show: (sonner: Sonner) => (text: string, more?: ExternalToast) => unknown) {
  return (text: string, more?: ExternalToast): void => {
    fetchIt();
    void shown.then((sonner) => show(sonner)(text, more));
  };
}

/** A message that pops up. What shows it comes after the page: a page stands before it has anything to say. */
export const toast = Object.assign(
  say((sonner) => sonner.toast),
  { error: say((sonner) => sonner.toast.error), success: say((sonner) => sonner.toast.success) },
);
