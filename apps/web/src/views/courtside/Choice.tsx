import type { ReactNode } from 'react';

/** One question of a round with its answers side by side. */
export const Choice = ({ name, children }: { name: string; children: ReactNode }) => (
  <fieldset className="mt-3">
    <legend className="mb-1 text-quiet">{name}</legend>
    <div className="flex flex-wrap gap-2">{children}</div>
  </fieldset>
);
