import { printAngle, type RungDocument } from '@good-arc/core';
import type { MachineRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { dialWords } from '../../ui/dialWords.ts';
import { Notice } from '../../ui/Notice.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { sayMiss, sayTurn } from '../../words/today.ts';
import type { useToday } from './useToday.ts';

/** What today’s air does to the balls of a rung, and what to turn for it: one press takes it for this rung and the next ones. */
export function ForToday({
  today: { solved, isTaken, take },
  rung,
  machine,
}: {
  today: ReturnType<typeof useToday>;
  /** As it is kept. */
  rung: RungDocument;
  machine: MachineRow;
}) {
  const units = useUnits();
  const [first] = solved.changes;
  const lost = solved.lost.map((i) => rung.feeds[i]!.name).join(', ');
  if (!first)
    return lost === '' ? null : (
      <Notice tone="warning" className="mt-2">
        In this air the machine cannot bring {lost} to the spot: another place or a calmer day.
      </Notice>
    );
  const dials = dialWords(solved.rung, machine);
  const { elevationDeg, speedMps } = solved.rung.feeds[first.feed]!.launch;
  return (
    <Notice tone={isTaken ? 'good' : 'warning'} role="status" className="mt-2">
      <p>
        {isTaken ? 'Set for today’s air' : `In today’s air it ${sayMiss(first.miss, rung.feeds[first.feed]!.target.kind, units.length)}`}:{' '}
        <b>
          {[
            `elevation ${printAngle(elevationDeg, 1)}`,
            Math.abs(first.speedMps) > 0.05 && units.speed(speedMps, 1),
            dials,
            sayTurn(first.turnDeg),
          ]
            .filter(Boolean)
            .join(' · ')}
        </b>
        {solved.changes.length > 1 && `, and ${solved.changes.length - 1} more of its balls`}
        {lost !== '' && `. ${lost} cannot be brought to the spot`}.
      </p>
      <Button size="l" look={isTaken ? 'outline' : 'primary'} className="mt-2" onClick={() => take(!isTaken)}>
        {isTaken ? 'As on the card after all' : 'Set it so today'}
      </Button>
    </Notice>
  );
}
