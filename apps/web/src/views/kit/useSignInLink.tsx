import type { PersonId } from '@good-arc/core';
import { type ReactNode, useState } from 'react';
import { api } from '../../ui/api.ts';
import { later } from '../../ui/later.tsx';
import { attempt } from '../../ui/undo.ts';

const SignInLink = later(async () => (await import('./SignInLink.tsx')).default);

/** Asks for a link that signs one browser in, and shows it. @param me for whom no name stands on it */
export function useSignInLink(me: PersonId): { show: (whose: { id: PersonId; name: string }) => Promise<void>; dialog: ReactNode } {
  const [shown, setShown] = useState<{ address: string; forWhom: string } | null>(null);
  const show = async ({ id, name }: { id: PersonId; name: string }): Promise<void> => {
    await attempt(async () => {
      const { token } = await api<{ token: string }>('POST', `people/${id}/link`, {});
      setShown({ address: `${location.origin}/enter?token=${token}`, forWhom: id === me ? '' : name });
    });
  };
  return {
    show,
    dialog: shown && <SignInLink {...shown} onClose={() => setShown(null)} />,
  };
}
