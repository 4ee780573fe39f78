import { type ComponentType, type ReactNode, useEffect, useState } from 'react';
import { toast } from './toast.ts';

/** Said when a part of the app cannot be had. */
export const NOT_LOADED = 'This could not be loaded. Try again when there is a network.';

interface Part<Props> {
  load: () => Promise<ComponentType<Props>>;
  waiting: ReactNode;
  /** Once it is loaded. */
  known: ComponentType<Props> | null;
}

function Later<Props extends object>({ part, props }: { part: Part<Props>; props: Props }) {
  const [Known, setKnown] = useState(() => part.known);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, each time it is opened
  useEffect(() => {
    if (Known) return;
    let isOpen = true;
    part.load().then(
      (known) => {
        part.known = known;
        if (isOpen) setKnown(() => known);
      },
      () => {
        if (!isOpen) return;
        toast.error(NOT_LOADED);
        (props as { onClose?: () => void }).onClose?.();
      },
    );
    return () => {
      isOpen = false;
    };
  }, []);
  return Known ? <Known {...props} /> : part.waiting;
}

/**
 * A part that is loaded when it is opened. One that cannot be had says so and is closed again (by its `onClose`, where it has one): thrown, as React's own
 * `lazy` does, the error would take the whole page with it, and what was typed there.
 * @param waiting stands there meanwhile
 */
export function later<Props extends object>(load: () => Promise<ComponentType<Props>>, waiting: ReactNode = null) {
  const part: Part<Props> = { load, waiting, known: null };
  return (props: Props) => <Later part={part} props={props} />;
}
