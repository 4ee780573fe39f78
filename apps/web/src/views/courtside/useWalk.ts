import { away, type RungDocument } from '@good-arc/core';
import { useEffect, useRef, useState } from 'react';
import { device } from '../../device/store.ts';

/** A player walks so fast to the place, m/s, and needs so long to take up the racket, s (common practice, no source). */
const WALK_MPS = 1.2;
const TAKE_UP_S = 4;
const KEY = 'walk-over';

/** Seconds somebody needs who presses start at the machine and plays the first ball: whole, at least 5. */
export function walkOverS({ feeds, player }: Pick<RungDocument, 'feeds' | 'player'>): number {
  const { launch, meet = player.start } = feeds[0]!;
  return Math.max(5, Math.ceil(away(launch, meet) / WALK_MPS) + TAKE_UP_S);
}

/**
 * The time to walk over before the first ball: off unless this device was told otherwise.
 * @param mayGo the machine is ready; when it is not any more, whoever changed that is not overruled
 */
export function useWalk(document: RungDocument, mayGo: boolean, then: () => unknown) {
  const [wanted, setWanted] = useState(false);
  const [leftS, setLeftS] = useState<number | null>(null);
  const act = useRef(then);
  act.current = then;
  useEffect(() => void device().ready.then(() => setWanted(device().getItem(KEY) === 'on')), []);
  const counting = leftS !== null;
  useEffect(() => {
    if (!counting) return;
    const timer = setInterval(() => setLeftS((now) => (now === null ? null : now - 1)), 1000);
    return () => clearInterval(timer);
  }, [counting]);
  useEffect(() => {
    if (!mayGo) setLeftS(null);
  }, [mayGo]);
  useEffect(() => {
    if (leftS === null || leftS > 0) return;
    setLeftS(null);
    void act.current();
  }, [leftS]);
  return {
    wanted,
    /** @param on remembered by the device */
    want: (on: boolean): void => {
      device().setItem(KEY, on ? 'on' : 'off');
      setWanted(on);
    },
    seconds: walkOverS(document),
    /** Whole seconds until it begins; null while nobody walks. */
    leftS,
    start: (): void => setLeftS(walkOverS(document)),
    cancel: (): void => setLeftS(null),
  };
}
