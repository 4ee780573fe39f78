import { CloudOff } from 'lucide-react';
import { useEffect, useState } from 'react';
import { keptSince } from '../device/drawn.ts';
import { keepWhatIsInUse } from '../device/inUse.ts';
import { Button } from './Button.tsx';
import { Dialog } from './Dialog.tsx';
import { useWaiting } from './outbox.ts';
import { printMoment } from './when.ts';

/** Says when there is no network, or when the page comes from this device; keeps what is in use for then. */
export function Network() {
  const [online, setOnline] = useState(true);
  const [since, setSince] = useState<Date | null>(null);
  const [open, setOpen] = useState(false);
  const waiting = useWaiting();
  useEffect(() => {
    setSince(keptSince(performance.timeOrigin));
    const look = (): void => setOnline(navigator.onLine);
    look();
    window.addEventListener('online', look);
    window.addEventListener('offline', look);
    const end = keepWhatIsInUse();
    return () => {
      window.removeEventListener('online', look);
      window.removeEventListener('offline', look);
      end();
    };
  }, []);
  if (online && !since) return null;
  const told = online ? 'Kept page' : 'No network';
  return (
    <>
      <Button look="ghost" className="border-warning px-2 font-semibold" onClick={() => setOpen(true)} data-testid="network">
        <CloudOff size={18} aria-hidden />
        <span className="sr-only sm:not-sr-only">{told}</span>
      </Button>
      {open && (
        <Dialog title={told} onClose={() => setOpen(false)}>
          <p className="mb-2">
            {since
              ? `This page comes from this device, as the server drew it on ${printMoment(since.toISOString())}.`
              : 'This page was drawn while there was a network.'}{' '}
            Rounds by hand go on as ever: each ball is kept here and sent when the network is back. Changes to ladders and kit need the
            network.
          </p>
          {waiting.length > 0 && <p className="mb-2">{waiting.length} wait on this device.</p>}
          <Button look="primary" size="l" onClick={() => location.reload()}>
            Load it from the server
          </Button>
        </Dialog>
      )}
    </>
  );
}
