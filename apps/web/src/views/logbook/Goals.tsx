import { degToRad, outlookOf, radToDeg, type StrokeGoal } from '@good-arc/core';
import { useState } from 'react';
import type { PlayerRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { dayAfter, dayOf, today } from '../../ui/day.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { sayDay } from '../../ui/when.ts';
import { sayOutlook } from '../../words/logbook.ts';
import { keepPlayer } from './keepPlayer.ts';
import type { ShownStroke } from './shown.ts';

/** A first goal: so much nearer to the target, in so many days. */
const FIRST = { share: 0.85, days: 42 } as const;

/** Goals of one stroke, each with where the way so far leads by its day. @param onPlayer without it they are only shown */
export function Goals({
  player,
  stroke,
  onPlayer,
}: {
  player: PlayerRow;
  stroke: ShownStroke;
  onPlayer?: ((player: PlayerRow) => void) | undefined;
}) {
  const units = useUnits();
  const [isOpen, setIsOpen] = useState(false);
  const ofStroke = ({ sport, stroke: of }: StrokeGoal): boolean => sport === stroke.sport && of === stroke.stroke;
  const goals = player.aims.filter(ofStroke);

  async function keep(aims: readonly StrokeGoal[], said: string): Promise<void> {
    if (await keepPlayer(player, { aims }, said, onPlayer)) setIsOpen(false);
  }

  return (
    <div className="mt-1">
      {goals.length > 0 && (
        <ul aria-label="Goals">
          {goals.map((goal) => (
            <li key={JSON.stringify(goal)} className="flex flex-wrap items-center gap-x-3 border-l-4 border-secondary py-1 pl-3">
              <span className="min-w-0 grow basis-72">
                <b>
                  By {sayDay(goal.by)}: two of three within {units.length(goal.sideM)} to the side
                  {Math.abs(goal.distanceM / stroke.distanceM - 1) > 0.03 && ` at ${units.length(goal.distanceM)}`}.
                </b>{' '}
                {sayOutlook(
                  outlookOf(stroke.days, radToDeg(Math.atan(goal.sideM / goal.distanceM)), dayOf(today()), dayOf(goal.by)),
                  (deg) => units.length(goal.distanceM * Math.tan(degToRad(deg))),
                )}
              </span>
              {onPlayer && (
                <Button
                  look="ghost"
                  className="no-print px-2 text-base"
                  onClick={() =>
                    void keep(
                      player.aims.filter((each) => each !== goal),
                      'The goal was taken back.',
                    )
                  }
                >
                  Take it back
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {onPlayer &&
        (isOpen ? (
          <GoalForm
            stroke={stroke}
            onKeep={(goal) => void keep([...player.aims, goal], 'The goal was set.')}
            onClose={() => setIsOpen(false)}
          />
        ) : (
          <Button look="ghost" className="no-print px-2 text-base" onClick={() => setIsOpen(true)}>
            Set a goal
          </Button>
        ))}
    </div>
  );
}

function GoalForm({
  stroke: { sport, stroke, distanceM, days },
  onKeep,
  onClose,
}: {
  stroke: ShownStroke;
  onKeep: (goal: StrokeGoal) => void;
  onClose: () => void;
}) {
  const now = distanceM * Math.tan(degToRad(days.at(-1)!.scatter.sideDeg));
  const [sideM, setSideM] = useState(FIRST.share * now);
  const [by, setBy] = useState(dayAfter(today(), FIRST.days));
  return (
    <form
      className="mt-1 grid grid-cols-2 items-end gap-3 md:grid-cols-4"
      aria-label="A goal"
      onSubmit={(event) => {
        event.preventDefault();
        onKeep({ sport, stroke, sideM, distanceM, by });
      }}
    >
      <QuantityField label="Two of three within" dimension="length" min={0.2} max={10} step={0.05} value={sideM} onChange={setSideM} />
      <TextField label="By" type="date" required min={dayAfter(today(), 1)} value={by} onChange={({ target }) => setBy(target.value)} />
      <Button look="primary" size="l" type="submit">
        Set it
      </Button>
      <Button size="l" onClick={onClose}>
        Not now
      </Button>
    </form>
  );
}
