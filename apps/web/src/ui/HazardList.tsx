import type { Hazard } from '@good-arc/core';
import { TriangleAlert } from 'lucide-react';
import { MANUAL_FIRST, sayHazard } from '../words/hazards.ts';
import { Notice } from './Notice.tsx';
import { useUnits } from './Units.tsx';

/** What to think of before a ball is thrown, each with its reason and the way out. @param brief without the way out: balls are on their way */
export function HazardList({ hazards, brief = false }: { hazards: readonly Hazard[]; brief?: boolean }) {
  const units = useUnits();
  return (
    <ul>
      {hazards.map((hazard) => {
        const { what, why, doThis } = sayHazard(hazard, units.length);
        return (
          <li key={hazard.code} className="mb-2">
            <Notice tone={hazard.weight === 'grave' ? 'error' : 'warning'}>
              <p className="flex items-start gap-2 font-bold">
                <TriangleAlert size={20} aria-hidden className="mt-0.5 shrink-0" /> {what}
              </p>
              <p className="text-sm">
                {why} {!brief && <b>{doThis}</b>}
              </p>
            </Notice>
          </li>
        );
      })}
    </ul>
  );
}

/** Said under every list. */
export const ManualFirst = () => <p className="text-sm text-quiet">{MANUAL_FIRST} Nobody forward of the machine while it is armed.</p>;
