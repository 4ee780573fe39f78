import { CloudUpload } from 'lucide-react';
import { useState } from 'react';
import { Button } from './Button.tsx';
import { Dialog } from './Dialog.tsx';
import { download } from './download.ts';
import { Notice } from './Notice.tsx';
import { outbox, useDeviceTrouble, useWaiting, writtenAt } from './outbox.ts';
import { printMoment } from './when.ts';

/** How many entries wait on this device, on every page; opened, each of them and why. */
export function OutboxMark() {
  const waiting = useWaiting();
  const trouble = useDeviceTrouble();
  const [open, setOpen] = useState(false);
  const [sure, setSure] = useState<string | null>(null);
  if (waiting.length === 0 && trouble === '' && !open) return null;
  const refused = waiting.filter((letter) => letter.refused !== '').length;
  return (
    <>
      <Button
        look={refused > 0 || trouble !== '' ? 'error' : 'ghost'}
        className={`px-2 font-semibold ${refused > 0 ? '' : 'border-warning'}`}
        onClick={() => setOpen(true)}
        data-testid="outbox"
      >
        <CloudUpload size={18} aria-hidden />
        {waiting.length}
        <span className="sr-only">{waiting.length === 1 ? ' entry waits' : ' entries wait'}</span>
        <span aria-hidden="true" className="hidden sm:inline">
          {trouble ? 'not kept' : refused > 0 ? 'refused' : 'waiting'}
        </span>
      </Button>
      {open && (
        <Dialog title="Kept on this device" onClose={() => setOpen(false)}>
          {trouble && (
            <Notice role="alert" tone="error" className="mb-2">
              This device can keep nothing more ({trouble}). What you tap is in this page only: leave it open until it is sent, or save it
              as a file.
            </Notice>
          )}
          <p className="mb-2">
            {waiting.length === 0
              ? 'Everything has reached the server.'
              : outbox().signedOut
                ? `You are signed out. Sign in again on this device to send ${waiting.length === 1 ? 'this entry' : `these ${waiting.length} entries`}; nothing is lost.`
                : `What the server has not taken yet, the oldest since ${printMoment(writtenAt(waiting[0]!))}. It is sent again by itself; nothing is removed before the server has it.`}
          </p>
          <ul>
            {waiting.map(({ id, what, refused: why }) => (
              <li key={id} className="flex flex-wrap items-center gap-x-3 border-b border-base-300 py-2">
                <span className="min-w-0 grow basis-48">
                  <b>{what}</b>
                  {why && <span className="block border-l-4 border-error pl-2">{why}</span>}
                </span>
                {why && (
                  <Button
                    look="ghost"
                    className="px-2"
                    onClick={() => {
                      if (sure === id) outbox().discard(id);
                      setSure(sure === id ? null : id);
                    }}
                  >
                    {sure === id ? 'Really: it is gone for good' : 'Throw it away'}
                  </Button>
                )}
              </li>
            ))}
          </ul>
          {waiting.length > 0 && (
            <div className="mt-3 flex flex-wrap gap-2">
              <Button look="primary" size="l" onClick={() => outbox().flush(true)}>
                Send again now
              </Button>
              <Button
                look="ghost"
                size="l"
                onClick={() =>
                  download('good-arc-waiting.json', new Blob([JSON.stringify(waiting, null, 2)], { type: 'application/json' }))
                }
              >
                Save all of it as a file
              </Button>
            </div>
          )}
        </Dialog>
      )}
    </>
  );
}
