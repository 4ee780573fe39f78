import { type ComponentType, type ReactNode, startTransition, useEffect, useState } from 'react';
import { Button } from './Button.tsx';
import { Notice } from './Notice.tsx';
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
  const [isMissing, setIsMissing] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once each time it is opened, or tried again
  useEffect(() => {
    if (Known || isMissing) return;
    let isOpen = true;
    part.load().then(
      (known) => {
        part.known = known;
        // in slices: what is drawn for the first time may be large
        if (isOpen) startTransition(() => setKnown(() => known));
      },
      () => {
        if (!isOpen) return;
        const { onClose } = props as { onClose?: () => void };
        if (!onClose) return setIsMissing(true);
        toast.error(NOT_LOADED);
        onClose();
      },
    );
    return () => {
      isOpen = false;
    };
  }, [isMissing]);
  if (Known) return <Known {...props} />;
  if (!isMissing) return part.waiting;
  return (
    <Notice tone="warning" role="alert">
      {NOT_LOADED} <Button onClick={() => setIsMissing(false)}>Try again</Button>
    </Notice>
  );
}

/**
 * A part that is loaded when it is shown for the first time. One that cannot be had says so: what was opened is closed again by its `onClose`, what belongs to the
 * page stands there to be tried again. Thrown, as React's own `lazy` does, the error would take the whole page with it, and what was typed there.
 * @param waiting stands there meanwhile
 * @returns the part; `ready` loads it before it is shown
 */
export function later<Props extends object>(load: () => Promise<ComponentType<Props>>, waiting: ReactNode = null) {
  const part: Part<Props> = { load, waiting, known: null };
  const ready = async (): Promise<void> => {
    part.known = await part.load();
  };
  return Object.assign((props: Props) => <Later part={part} props={props} />, { ready });
}
