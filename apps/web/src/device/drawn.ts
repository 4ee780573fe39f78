/** How a page that comes from the device finds out for which address, and when, the server drew it. */

/** Parameters of the address, when the page was drawn for another one; null when it was drawn for this. */
export function askedBesides(): URLSearchParams | null {
  const { pathname, search } = window.location;
  return document.body.dataset.drawnFor === pathname + search ? null : new URLSearchParams(search);
}

/** A page that is older than that when it opens comes from the device, ms: two clocks may differ. */
const KEPT_FOR_MS = 120_000;

/** When it was drawn, if it comes from the device; null for one fresh from the server. */
export function keptSince(openedAtMs: number): Date | null {
  const at = new Date(document.body.dataset.drawnAt ?? '');
  return openedAtMs - at.getTime() > KEPT_FOR_MS ? at : null;
}
