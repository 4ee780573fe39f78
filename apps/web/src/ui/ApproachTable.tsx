import { type Approach, operatingTable, printShare } from '@good-arc/core';
import { useMemo, useState } from 'react';

/** What an approach does to players of known skill, worked out when it is opened. */
export function ApproachTable({ approach }: { approach: Approach }) {
  const [open, setOpen] = useState(false);
  const rows = useMemo(() => (open ? operatingTable(approach) : []), [open, approach]);
  return (
    <details open={open} onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary className="flex min-h-11 cursor-pointer items-center text-sm font-semibold">How often it is right</summary>
      {open && (
        <>
          <table className="w-full text-sm">
            <thead>
              <tr className="border-b border-base-content text-left">
                <th className="pr-2 font-medium">Who hits</th>
                <th className="pr-2 font-medium">climbs in 3 rounds</th>
                <th className="pr-2 font-medium">in 6</th>
                <th className="font-medium">sent down in 6</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ rate, climbsInThree, sentUpInSix, sentDownInSix }) => (
                <tr key={rate} className="border-b border-base-300">
                  <td className="dial py-1">{printShare(rate)}</td>
                  <td className="dial">{printShare(climbsInThree)}</td>
                  <td className="dial">{printShare(sentUpInSix)}</td>
                  <td className="dial">{printShare(sentDownInSix)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 text-sm text-quiet">
            A thousand simulated players each, rounds of ten. Who hits half should stay; who hits eight of ten should climb.
          </p>
        </>
      )}
    </details>
  );
}
