import type { ExternalToast } from 'sonner';

type Sonner = typeof import('sonner');

let isThere: (sonner: Sonner) => void = () => {};
const shown = new Promise<Sonner>((resolve) => {
  isThere = resolve;
});
let fetchIt = (): void => {};

/** Whoever shows messages: what was said before is shown then. @param fetch is called with each message until it has come: a line may have been down */
export const showsToasts = (fetch: () => void): void => {
  fetchIt = fetch;
};
/** The messages can be seen from now on. */
export const toastsAreThere = (sonner: Sonner): void => {
  fetchIt = () => {};
  isThere(sonner);
};

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
