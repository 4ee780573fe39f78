import { useEffect, useState } from 'react';

/**
 * Keeps the screen of a phone awake while something goes on.
 * @returns whether it cannot: the person has to see to it
 */
export function useAwake(isOn: boolean): boolean {
  const [cannot, setCannot] = useState(false);
  useEffect(() => {
    if (!isOn || !window.matchMedia?.('(pointer: coarse)').matches) return;
    let lock: WakeLockSentinel | null = null;
    const ask = async (): Promise<void> => {
      if (document.visibilityState !== 'visible') return;
      try {
        if (!navigator.wakeLock) throw new Error('no wake lock');
        lock = await navigator.wakeLock.request('screen');
        setCannot(false);
      } catch {
        setCannot(true);
      }
    };
    void ask();
    // a browser lets go of it when the page is left
    document.addEventListener('visibilitychange', ask);
    return () => {
      document.removeEventListener('visibilitychange', ask);
      void lock?.release().catch(() => {});
    };
  }, [isOn]);
  return cannot && isOn;
}
