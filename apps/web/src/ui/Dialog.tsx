import { X } from 'lucide-react';
import { type ReactNode, useEffect, useId, useRef } from 'react';
import { Button } from './Button.tsx';

/** A dialog over the page: Escape or the cross closes it, focus stays inside. */
export function Dialog({
  title,
  wide = false,
  onClose,
  children,
}: {
  title: string;
  wide?: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  const element = useRef<HTMLDialogElement>(null);
  const id = useId();
  useEffect(() => {
    element.current?.showModal();
    // showModal focuses the first button it finds; what one came for is the first field
    element.current?.querySelector<HTMLElement>('[data-first]')?.focus();
  }, []);
  return (
    <dialog ref={element} className="modal" aria-labelledby={id} onClose={onClose}>
      <div
        className={`modal-box max-h-[92dvh] ${wide ? 'w-full max-w-4xl' : 'max-w-xl'} overflow-y-auto border border-base-content bg-base-100 p-5`}
      >
        <div className="mb-3 flex items-center justify-between gap-3">
          <h2 id={id} className="text-2xl">
            {title}
          </h2>
          <Button look="ghost" square aria-label="Close" onClick={() => element.current?.close()}>
            <X aria-hidden />
          </Button>
        </div>
        {children}
      </div>
    </dialog>
  );
}
