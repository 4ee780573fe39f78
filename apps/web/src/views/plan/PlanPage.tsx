import { type PlayerId, scheduleOf } from '@good-arc/core';
import { useMemo } from 'react';
import type { Kit, LadderRow, PlanRound, PlanRow, Viewer } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { ChangedSince } from '../../ui/ChangedSince.tsx';
import { download, fileName } from '../../ui/download.ts';
import { planLadder } from '../../ui/planLadder.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { Units } from '../../ui/Units.tsx';
import { ByTheClock } from './ByTheClock.tsx';
import { CallSheets } from './CallSheets.tsx';
import { clockAt } from './clock.ts';
import { DayLoad } from './DayLoad.tsx';
import { FitTime } from './FitTime.tsx';
import { PlanParts } from './PlanParts.tsx';
import { Players } from './PlanPlayers.tsx';
import { usePlan } from './usePlan.ts';

interface Props {
  viewer: Viewer;
  kit: Kit;
  ladder: LadderRow;
  /** Null for one that is not kept yet. */
  plan: PlanRow | null;
  /** Day and time a new plan begins with. */
  startsAt: string;
  /** Rounds of this ladder on the day of the plan. */
  rounds: readonly PlanRound[];
  /** Balls that other plans of that day give to each player. */
  elsewhere: Record<string, number>;
}

const HELPERS = ['feeding', 'calling', 'picking up'] as const;

export default function PlanPage(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <PlanView {...props} />
    </Units>
  );
}

function PlanView({ viewer, kit, ladder: whole, plan: kept, startsAt, rounds, elsewhere }: Props) {
  const { id, plan, change, isSaved, problems, isStale, settle, save, remove } = usePlan(kept, { ladder: whole, kit, startsAt });
  const ladder = useMemo(() => planLadder(plan, [whole]) ?? whole, [plan, whole]);
  const readOnly = !viewer.canPlan;
  const documents = useMemo(() => ladder.rungs.map(({ document }) => document), [ladder]);
  const schedule = useMemo(() => scheduleOf(plan, documents), [plan, documents]);
  const nameOf = (playerId: PlayerId): string => kit.players.find((each) => each.id === playerId)?.name ?? 'somebody who left';

  async function calendar(): Promise<void> {
    const { calendarOf } = await import('./calendar.ts');
    const text = calendarOf({ id, plan, schedule, rungs: documents, nameOf });
    download(`${fileName(plan.name)}.ics`, new Blob([text], { type: 'text/calendar' }));
  }

  return (
    <div className="px-4 pt-4 pb-12 md:px-6">
      {isStale && <ChangedSince className="no-print mb-3" what="this plan" onSettle={settle} />}
      <a href={`/ladders/${ladder.id}`} className="no-print text-sm font-medium text-quiet hover:underline">
        {ladder.name}
      </a>
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="min-w-0 grow text-3xl break-words">{plan.name || 'A plan'}</h1>
        <div className="no-print flex flex-wrap gap-2">
          {kept && (
            <Button look="ghost" disabled={readOnly} onClick={remove}>
              Delete
            </Button>
          )}
          <Button onClick={() => window.print()}>Print</Button>
          <Button disabled={schedule.turns.length === 0} onClick={calendar}>
            To a calendar
          </Button>
          <Button look="primary" size="l" className="px-6" disabled={readOnly} aria-disabled={isSaved} onClick={() => !isSaved && save()}>
            {isSaved ? 'Kept' : 'Keep the plan'}
          </Button>
        </div>
      </div>
      <div className="mt-3 grid gap-x-8 gap-y-6 lg:grid-cols-[20rem_minmax(0,1fr)]">
        <div className="no-print flex flex-col gap-3">
          <Line label="Name" problem={problems.name}>
            <input
              className="input h-11 w-full border-base-content/60 bg-base-100 text-base"
              maxLength={120}
              value={plan.name}
              onChange={({ target }) => change({ name: target.value })}
            />
          </Line>
          <Line label="Begins" problem={problems.startsAt}>
            <input
              type="datetime-local"
              className="input h-11 w-full border-base-content/60 bg-base-100 text-base"
              value={plan.startsAt}
              onChange={({ target }) => change({ startsAt: target.value.slice(0, 16) })}
            />
          </Line>
          {plan.rungs && <PlanParts parts={plan.rungs} rungs={whole.rungs} onChange={(rungs) => change({ rungs })} />}
          <Players kit={kit} plan={plan} change={change} problem={problems.playerIds} />
          <div className="grid grid-cols-2 gap-3">
            <QuantityField
              label="Hit at once"
              dimension="count"
              min={1}
              max={6}
              step={1}
              value={plan.lines}
              onChange={(lines) => change({ lines: Math.round(lines) })}
            />
            <QuantityField
              label="Balls to a stop"
              dimension="count"
              min={5}
              max={200}
              step={1}
              value={plan.capBalls}
              onChange={(balls) => change({ capBalls: Math.round(balls) })}
            />
            <Select
              label="Rotate by"
              value={plan.rotateBy.kind}
              onChange={(kind) => change({ rotateBy: kind === 'balls' ? { kind, balls: 10 } : { kind, minutes: 2 } })}
              options={[
                ['balls', 'balls'],
                ['minutes', 'minutes'],
              ]}
            />
            {plan.rotateBy.kind === 'balls' ? (
              <QuantityField
                label="Balls a turn"
                dimension="count"
                min={1}
                max={200}
                step={1}
                value={plan.rotateBy.balls}
                onChange={(balls) => change({ rotateBy: { kind: 'balls', balls: Math.round(balls) } })}
              />
            ) : (
              <QuantityField
                label="Minutes a turn"
                dimension="number"
                min={0.5}
                max={60}
                step={0.5}
                value={plan.rotateBy.minutes}
                onChange={(minutes) => change({ rotateBy: { kind: 'minutes', minutes } })}
              />
            )}
          </div>
          <fieldset>
            <legend className="text-sm font-medium text-quiet">Stations besides hitting</legend>
            {HELPERS.map((station) => (
              <label key={station} className="flex min-h-11 items-center gap-2.5">
                <input
                  type="checkbox"
                  className="checkbox"
                  checked={plan.stations.includes(station)}
                  onChange={({ target }) =>
                    change({ stations: HELPERS.filter((each) => (each === station ? target.checked : plan.stations.includes(each))) })
                  }
                />
                {station}
              </label>
            ))}
          </fieldset>
          <Line label="Notes" problem={problems.notes}>
            <input
              className="input h-11 w-full border-base-content/60 bg-base-100 text-base"
              maxLength={500}
              value={plan.notes}
              onChange={({ target }) => change({ notes: target.value })}
            />
          </Line>
        </div>
        <div className="min-w-0">
          {schedule.turns.length === 0 ? (
            <p className="text-lg">
              {ladder.rungs.length === 0
                ? 'The ladder has no rungs yet.'
                : 'Nobody is there: choose who comes, or take somebody off the absent.'}
            </p>
          ) : (
            <>
              <p className="text-lg" data-testid="plan-sums">
                {clockAt(plan.startsAt, 0)} to {clockAt(plan.startsAt, schedule.endsS)} ·{' '}
                {schedule.share
                  .map(({ playerId, turns, balls }) => `${nameOf(playerId)} ${turns} turns, ${Math.round(balls)} balls`)
                  .join(' · ')}
              </p>
              <FitTime plan={plan} rungs={ladder.rungs} endsS={schedule.endsS} readOnly={readOnly} onTake={change} />
              <DayLoad share={schedule.share} sport={ladder.sport} kit={kit} elsewhere={elsewhere} />
              <ByTheClock plan={plan} schedule={schedule} ladder={ladder} nameOf={nameOf} rounds={rounds} />
              {plan.notes && <p className="mt-2">{plan.notes}</p>}
            </>
          )}
          <CallSheets ladder={ladder} kit={kit} />
        </div>
      </div>
    </div>
  );
}

const Line = ({ label, problem, children }: { label: string; problem: string | undefined; children: React.ReactNode }) => (
  // biome-ignore lint/a11y/noLabelWithoutControl: the control is the child
  <label>
    <span className="mb-0.5 block text-sm font-medium text-quiet">{label}</span>
    {children}
    {problem && (
      <span role="alert" className="mt-1 block text-sm font-medium text-error">
        {problem}
      </span>
    )}
  </label>
);
