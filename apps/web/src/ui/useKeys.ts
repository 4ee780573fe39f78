import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';

/** What each key does, by its name as the library writes it (`Shift+A`, `$mod+z`, `Space`); undefined while it does nothing. */
export type KeyActs = Readonly<Record<string, ((event: KeyboardEvent) => unknown) | undefined>>;

const TYPED_IN = 'textarea, select, [contenteditable], input:not([type=checkbox], [type=radio], [type=range], [type=button], [type=file])';
const PRESSED = 'button, a, summary, input, [role=button], [role=slider]';

/** Whether a key belongs to what has the focus: letters to a field, space and Enter to whatever can be pressed. */
function belongsThere(event: KeyboardEvent): boolean {
  const { target, key } = event;
  if (!(target instanceof Element)) return false;
  return target.matches(TYPED_IN) || ((key === ' ' || key === 'Enter') && target.matches(PRESSED));
}

/**
 * Keys of a page, while it is shown.
 * @param repeats also while the key is held down
 */
export function useKeys(acts: KeyActs, { repeats = false }: { repeats?: boolean } = {}): void {
  const now = useRef(acts);
  now.current = acts;
  const names = Object.keys(acts).join('\n');
  useEffect(() => {
    const bindings = Object.fromEntries(
      names.split('\n').map((name) => [
        name,
        (event: KeyboardEvent): void => {
          const act = now.current[name];
          if (!act) return;
          event.preventDefault();
          act(event);
        },
      ]),
    );
    const ignore = (event: KeyboardEvent): boolean => event.isComposing || (event.repeat && !repeats) || belongsThere(event);
    return tinykeys(window, bindings, { ignore });
  }, [names, repeats]);
}
