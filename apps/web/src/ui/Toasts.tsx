import { type FocusEvent, useEffect, useRef, useState } from 'react';
import type { Theme } from './theme.ts';
import { showsToasts, toastsAreThere } from './toast.ts';

/** A toast goes this long after its button was pressed, ms. */
const GONE_MS = 400;

/** What shows them is fetched when the page has stood for so long, ms, or has something to say. */
const FETCHED_AFTER_MS = 1500;

/** Pages that hold a machine. */
const HELD_FROM = /^\/(courtside|live|right|tune)/;

/**
 * The toasts. Left to itself the toaster sends the focus back to where it came from whenever it leaves, so that Tab never gets past a toast: here
 * its own memory is kept out, and the focus goes back only when a pressed toast takes it away with it.
 */
export function Toasts({ theme }: { theme: Theme }) {
  // where a machine is held, nothing ever lies over Hold, at the foot of the page
  const [isOnCourt, setIsOnCourt] = useState(false);
  useEffect(() => setIsOnCourt(HELD_FROM.test(location.pathname)), []);
  const [sonner, setSonner] = useState<typeof import('sonner') | null>(null);
  useEffect(() => {
    const fetch = (): void => void import('sonner').then(setSonner, () => {});
    const end = showsToasts(fetch);
    const later = setTimeout(fetch, FETCHED_AFTER_MS);
    return () => {
      clearTimeout(later);
      end();
    };
  }, []);
  // what is inside listens by now
  useEffect(() => {
    if (sonner) toastsAreThere(sonner);
  }, [sonner]);
  const from = useRef<HTMLElement | null>(null);

  function remember(event: FocusEvent): void {
    event.stopPropagation();
    const { relatedTarget: before, currentTarget } = event;
    if (before instanceof HTMLElement && !currentTarget.contains(before)) from.current = before;
  }

  const goBack = (): void =>
    void setTimeout(() => {
      if (document.activeElement === document.body) from.current?.focus({ preventScroll: true });
    }, GONE_MS);

  return (
    <div className="contents" onFocusCapture={remember} onClickCapture={goBack}>
      {sonner && (
        <sonner.Toaster
          position={isOnCourt ? 'top-center' : 'bottom-center'}
          theme={theme === 'dusk' ? 'dark' : 'light'}
          richColors
          closeButton
          duration={7000}
          className="toasts"
          toastOptions={{ style: { fontSize: '1rem' } }}
        />
      )}
    </div>
  );
}
