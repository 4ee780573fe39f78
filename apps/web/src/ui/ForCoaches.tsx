import type { ReactNode } from 'react';
import { HELPER_WORDS } from '../words/roles.ts';

/** What a coach or an owner may do; a helper reads in its place why it is not there. */
export function ForCoaches({ may, children }: { may: boolean; children: ReactNode }) {
  return may ? children : <p className="no-print max-w-60 text-sm text-quiet">{HELPER_WORDS}</p>;
}
