import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { ApiError, api, messageOf } from '../../ui/api.ts';

/** A write that must reach the server, sooner or later, in order. Each is safe to send twice. */
interface Letter {
  method: 'PUT' | 'POST' | 'DELETE';
  path: string;
  body?: unknown;
}

const KEY = 'good-arc-outbox';
const RETRY_MS = 2000;

const read = (): Letter[] => {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as Letter[];
  } catch {
    return [];
  }
};

/**
 * Keeps writes on the device until the server has acknowledged them: a closed page, a lost network or a stopped database loses nothing.
 * @returns how many wait, and a function that adds one
 */
export function useOutbox() {
  const [waiting, setWaiting] = useState(0);
  const busy = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);

  const flush = useCallback(async (): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    if (timer.current) clearTimeout(timer.current);
    for (let [letter] = read(); letter; [letter] = read()) {
      try {
        await api(letter.method, letter.path, letter.body);
      } catch (error) {
        if (error instanceof ApiError && error.isAway) {
          timer.current = setTimeout(() => void flush(), RETRY_MS);
          break;
        }
        toast.error(messageOf(error));
      }
      const rest = read().slice(1);
      localStorage.setItem(KEY, JSON.stringify(rest));
      setWaiting(rest.length);
    }
    busy.current = false;
  }, []);

  useEffect(() => {
    setWaiting(read().length);
    void flush();
    return () => {
      if (timer.current) clearTimeout(timer.current);
    };
  }, [flush]);

  const post = useCallback(
    (letter: Letter): void => {
      const all = [...read(), letter];
      localStorage.setItem(KEY, JSON.stringify(all));
      setWaiting(all.length);
      void flush();
    },
    [flush],
  );

  return { waiting, post };
}
