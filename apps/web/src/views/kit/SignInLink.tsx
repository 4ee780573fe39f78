import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Qr } from '../../ui/Qr.tsx';
import { toast } from '../../ui/toast.ts';

/** A link that signs one browser in: to be looked at by another device's camera, or sent. @param forWhom empty for oneself */
export default function SignInLink({ address, forWhom, onClose }: { address: string; forWhom: string; onClose: () => void }) {
  const [copied, setCopied] = useState(false);
  async function copy(): Promise<void> {
    try {
      await navigator.clipboard.writeText(address);
      setCopied(true);
    } catch {
      toast.error('This browser does not let it be copied: mark the link and copy it by hand.');
    }
  }
  return (
    <Dialog title={forWhom ? `Sign ${forWhom} in` : 'Sign in on another device'} onClose={onClose}>
      <p>
        {forWhom ? 'Let their camera look at this, or send them the link.' : 'Let its camera look at this, or send yourself the link.'} It
        works once, within the hour, and a new one ends it. Whoever opens it is signed in{forWhom && ` as ${forWhom}`}.
      </p>
      <Qr text={address} label="QR code of the link" className="mx-auto my-4 w-56 max-w-full" />
      <label className="block">
        <span className="mb-0.5 block text-sm font-medium text-quiet">Link</span>
        <input
          readOnly
          data-first
          className="input h-11 w-full border-base-content/60 bg-base-100 text-base"
          value={address}
          onFocus={(event) => event.target.select()}
        />
      </label>
      <Button look="primary" size="l" className="mt-3" onClick={copy}>
        {copied ? 'Copied' : 'Copy the link'}
      </Button>
    </Dialog>
  );
}
