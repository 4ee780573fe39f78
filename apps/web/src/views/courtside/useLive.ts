import { useEffect, useRef } from 'react';
import type { LiveAnswer } from '../../api/live.ts';
import { device } from '../../device/store.ts';
import { api } from '../../ui/api.ts';
import { toast } from '../../ui/toast.ts';
import type { Changing } from './changes.ts';
import type { Shown } from './shown.ts';

/** How often a round is shown, ms: while somebody follows it, and while nobody does. */
const EVERY_MS = { followed: 1000, alone: 5000 };
/** Changes that come together are shown together, ms. */
const TOGETHER_MS = 150;
const WITHIN_MS = 3000;
/** The wish that was taken up last, on the device: a page that is loaded again does not take it up twice. */
const TAKEN_KEY = 'wish';

/**
 * Shows the round of this device to others that follow it, and takes up what they ask for. Whether it gets through or not changes nothing here: it is no
 * letter, and a network that is away is no fault.
 */
export function useLive(shown: Shown | null, changing: Changing): void {
  const latest = useRef({ shown, changing });
  latest.current = { shown, changing };
  const roundId = shown?.run.roundId ?? null;
  const { run, state = '', everyS = 0 } = shown ?? {};

  const show = useRef<() => void>(() => {});
  useEffect(() => {
    if (roundId === null) return;
    let isOpen = true;
    let timer: ReturnType<typeof setTimeout>;
    let isOnTheWay = false;
    const later = (ms: number): void => {
      clearTimeout(timer);
      timer = setTimeout(() => void tell(), ms);
    };
    async function tell(): Promise<void> {
      const now = latest.current.shown;
      if (!isOpen || now?.run.roundId !== roundId) return;
      if (isOnTheWay) {
        later(TOGETHER_MS);
        return;
      }
      isOnTheWay = true;
      let every = EVERY_MS.alone;
      try {
        const { changesOn, shownOf } = await import('./inRound.ts');
        const { isFollowed, wish } = await api<LiveAnswer>('PUT', `rounds/${roundId}/live`, shownOf(now, performance.now()), {
          withinMs: WITHIN_MS,
        });
        if (isFollowed) every = EVERY_MS.followed;
        if (wish && isOpen && device().getItem(TAKEN_KEY) !== wish.id) {
          device().setItem(TAKEN_KEY, wish.id);
          toast('Another screen asked for other balls.');
          changesOn(latest.current.changing).list(wish.change);
        }
      } catch {
        // shown again later
      }
      isOnTheWay = false;
      if (isOpen) later(every);
    }
    show.current = () => later(TOGETHER_MS);
    return () => {
      isOpen = false;
      clearTimeout(timer);
      show.current = () => {};
    };
  }, [roundId]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: it is shown anew when one of these is another; when the next ball is due comes with the next showing
  useEffect(() => show.current(), [run, state, everyS]);
}
