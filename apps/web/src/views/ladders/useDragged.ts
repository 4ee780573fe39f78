import { type RefObject, useEffect, useRef } from 'react';

/** What can be dragged in a list, and what it is held by. */
export const DRAGGED = 'data-dragged';
export const GRIP = 'data-grip';
/** On the list, once its parts can be dragged. */
const READY = 'data-drags';

const EASE_MS = 150;

/**
 * Lets what is marked in a list be dragged by its grip, once the library that does so has come after the page.
 * @param list may hold other lines between
 * @param onDrop from which place to which, among the marked ones, from the top
 */
export function useDragged(list: RefObject<HTMLElement | null>, isOn: boolean, onDrop: (from: number, to: number) => void): void {
  const drop = useRef(onDrop);
  useEffect(() => {
    drop.current = onDrop;
  });
  useEffect(() => {
    if (!isOn) return;
    let end: (() => void) | null = null;
    let isGone = false;
    import('sortablejs').then(
      ({ default: Sortable }) => {
        if (isGone || !list.current) return;
        let after: Node | null = null;
        const sortable = Sortable.create(list.current, {
          draggable: `[${DRAGGED}]`,
          handle: `[${GRIP}]`,
          // one way for mouse, pen and finger
          forceFallback: true,
          fallbackTolerance: 4,
          animation: window.matchMedia('(prefers-reduced-motion: reduce)').matches ? 0 : EASE_MS,
          fallbackClass: 'in-hand',
          ghostClass: 'would-be-here',
          onStart: ({ item }) => {
            after = item.nextSibling;
          },
          onEnd: ({ from, item, oldDraggableIndex, newDraggableIndex }) => {
            // the list is React's, which is told of the new order and finds it as it drew it
            from.insertBefore(item, after);
            if (oldDraggableIndex !== undefined && newDraggableIndex !== undefined && oldDraggableIndex !== newDraggableIndex)
              drop.current(oldDraggableIndex, newDraggableIndex);
          },
        });
        list.current.setAttribute(READY, '');
        end = () => sortable.destroy();
      },
      // without it the keys still move them
      () => undefined,
    );
    return () => {
      isGone = true;
      end?.();
    };
  }, [list, isOn]);
}
