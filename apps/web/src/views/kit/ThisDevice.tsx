import { useEffect, useState } from 'react';
import { canKeep } from '../../device/canKeep.ts';
import { forgetPages, keepPages, keptOnDevice } from '../../device/keep.ts';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { useWaiting } from '../../ui/outbox.ts';
import { attempt } from '../../ui/undo.ts';

const mb = (bytes: number): string => `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;

/** What this device keeps for a court without a network, and how much room it takes. */
export function ThisDevice({ hasSession, onLink }: { hasSession: boolean; onLink: () => void }) {
  const [kept, setKept] = useState<Awaited<ReturnType<typeof keptOnDevice>> | null>(null);
  const [done, setDone] = useState<[number, number] | null>(null);
  const [able, setAble] = useState(true);
  const waiting = useWaiting();
  const look = (): void => void keptOnDevice().then(setKept, () => {});
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, as the page opens
  useEffect(() => {
    setAble(canKeep());
    look();
  }, []);

  async function keepNow(): Promise<void> {
    setDone([0, 1]);
    await attempt(() => keepPages((i, of) => setDone([i, of])));
    setDone(null);
    look();
  }

  async function makeLasting(): Promise<void> {
    await navigator.storage?.persist?.();
    look();
  }

  /** What waits stays: it is sent when somebody signs in here again. */
  async function signOut(everywhere: boolean): Promise<void> {
    if (!(await attempt(() => api('POST', 'sign-out', { everywhere })))) return;
    await forgetPages();
    location.href = '/';
  }

  return (
    <section aria-labelledby="this-device" className="mt-10 max-w-3xl border-t border-base-content pt-3">
      <h2 id="this-device" className="text-xl">
        This device
      </h2>
      {able ? (
        <p className="mt-1">
          {kept && kept.pages > 0
            ? `${kept.pages} pages are kept here and open without a network: Today, the bench, the ladders in use, their cards and rungs on court. Rounds by hand are kept here ball by ball and sent when the network is back.`
            : 'Nothing is kept here yet. Once a page has been open for a moment, the ladders in use are kept by themselves.'}
        </p>
      ) : (
        <p className="mt-1">
          This browser keeps no pages here: the address must begin with https. Rounds that were begun are kept ball by ball all the same.
        </p>
      )}
      <p className="mt-1 text-quiet">
        {waiting.length === 0
          ? 'Nothing waits to be sent.'
          : `${waiting.length} ${waiting.length === 1 ? 'entry waits' : 'entries wait'} to be sent.`}
        {kept?.bytes != null && ` It all takes ${mb(kept.bytes)}${kept.ofBytes ? ` of ${mb(kept.ofBytes)} that the browser allows` : ''}.`}
        {kept &&
          (kept.lasting ? ' The browser has promised not to clear it by itself.' : ' The browser may clear it when room gets short.')}
      </p>
      {able && (
        <div className="mt-3 flex flex-wrap items-center gap-2">
          <Button size="l" onClick={keepNow} disabled={done !== null}>
            Keep the newest now
          </Button>
          {kept && !kept.lasting && (
            <Button look="ghost" size="l" onClick={makeLasting}>
              Ask the browser never to clear it
            </Button>
          )}
          {done && (
            <span className="flex items-center gap-2" role="status">
              <progress className="progress w-40" value={done[0]} max={Math.max(1, done[1])} aria-label="Pages kept" />
              {done[0]} of {done[1]}
            </span>
          )}
        </div>
      )}
      {hasSession && (
        <div className="mt-4 flex flex-wrap items-center gap-2">
          <Button size="l" onClick={onLink}>
            Sign in on another device
          </Button>
          <Button size="l" onClick={() => signOut(false)}>
            Sign out of this browser
          </Button>
          <Button look="ghost" size="l" onClick={() => signOut(true)}>
            Sign out everywhere
          </Button>
          {waiting.length > 0 && (
            <span>
              {waiting.length === 1 ? 'The entry that waits stays' : `The ${waiting.length} entries that wait stay`} here, and go out when
              you sign in again.
            </span>
          )}
        </div>
      )}
    </section>
  );
}
