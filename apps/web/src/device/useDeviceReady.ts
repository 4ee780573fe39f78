import { useEffect, useState } from 'react';
import { device } from './store.ts';

/** Whether what this device kept before is known to the page. */
export function useDeviceReady(): boolean {
  const [isReady, setIsReady] = useState(false);
  useEffect(() => void device().ready.then(() => setIsReady(true)), []);
  return isReady;
}
