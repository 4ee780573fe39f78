import { type PlanDocument, type PlayerId, planSchema, scheduleOf } from '@good-arc/core';
import { useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { v7 as uuidv7 } from 'uuid';
import type { Kit, LadderRow, PlanRound, PlanRow, Versioned, Viewer } from '../../api/rows.ts';
import { ApiError, api, messageOf } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { ChangedSince } from '../../ui/ChangedSince.tsx';
import { download, fileName } from '../../ui/download.ts';
import { mergedFields } from '../../ui/merge.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { Units } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { ByTheClock } from './ByTheClock.tsx';
import { CallSheets } from './CallSheets.tsx';
import { clockAt } from './clock.ts';
import { Players } from './PlanPlayers.tsx';

interface Props {
  viewer: Viewer;
  kit: Kit;
  ladder: LadderRow;
  /** Null for one that is not kept yet. */
  plan: PlanRow | null;
  /** Day and time a new plan begins with. */
  startsAt: string;
  /** Rounds of this ladder on the day of the plan. */
  rounds: PlanRound[];
}

const HELPERS = ['feeding', 'calling', 'picking up'] as const;

export default function PlanPage(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <PlanView {...props} />
    </Units>
  );
}

function firstPlan(ladder: LadderRow, kit: Kit, startsAt: string): PlanDocument {
  const fitting = kit.players.filter(({ level }) => level === ladder.level);
  return {
    name: ladder.name,
    ladderId: ladder.id,
    startsAt,
    playerIds: (fitting.length > 0 ? fitting : kit.players).slice(0, 3).map(({ id }) => id),
    absentIds: [],
    lines: 1,
    stations: ['picking up'],
    rotateBy: { kind: 'balls', balls: ladder.rungs[0]?.document.ballsPerRound ?? 10 },
    capBalls: 28,
    notes: '',
  };
}

function PlanView({ viewer, kit, ladder, plan: kept, startsAt, rounds }: Props) {
  const [id] = useState(() => kept?.id ?? uuidv7());
  const [plan, setPlan] = useState(() => kept?.document ?? firstPlan(ladder, kit, startsAt));
  const [saved, setSaved] = useState(kept !== null);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [theirs, setTheirs] = useState<PlanRow | null>(null);
  /** As it is kept, as far as this page knows. */
  const base = useRef<Pick<PlanRow, 'version' | 'document'> | null>(kept);
  const readOnly = !viewer.canPlan;
  const documents = useMemo(() => ladder.rungs.map(({ document }) => document), [ladder]);
  const schedule = useMemo(() => scheduleOf(plan, documents), [plan, documents]);
  const nameOf = (playerId: PlayerId): string => kit.players.find((each) => each.id === playerId)?.name ?? 'somebody who left';

  function change(part: Partial<PlanDocument>): void {
    setPlan((now) => ({ ...now, ...part }));
    setSaved(false);
  }

  async function save(): Promise<void> {
    const parsed = planSchema.safeParse(plan);
    setProblems(parsed.success ? {} : Object.fromEntries(parsed.error.issues.map(({ path, message }) => [path.join('.'), message])));
    if (!parsed.success) return;
    await write(parsed.data);
  }

  async function write(document: PlanDocument): Promise<void> {
    setTheirs(null);
    try {
      const { version } = await api<Versioned>('PUT', `plans/${id}`, document, { seen: base.current?.version });
      base.current = { version, document };
    } catch (error) {
      if (error instanceof ApiError && error.isChangedSince && error.current) setTheirs(error.current as PlanRow);
      else toast.error(messageOf(error));
      return;
    }
    setSaved(true);
    window.history.replaceState(null, '', `/plan?id=${id}`);
  }

  /** Goes on from what somebody else made of it. */
  function settle(whose: 'mine' | 'theirs' | 'both'): void {
    if (!theirs) return;
    const both = mergedFields(base.current?.document ?? plan, plan, theirs.document);
    const next = whose === 'mine' ? plan : whose === 'theirs' ? theirs.document : both;
    base.current = theirs;
    setPlan(next);
    void write(next);
  }

  async function remove(): Promise<void> {
    if (!(await attempt(() => api('DELETE', `plans/${id}`)))) return;
    setSaved(false);
    saidWithUndo('The plan was deleted.', async () => {
      await api('POST', `plans/${id}/restore`, {});
      setSaved(true);
    });
  }

  async function calendar(): Promise<void> {
    const { calendarOf } = await import('./calendar.ts');
    const text = calendarOf({ id, plan, schedule, rungs: documents, nameOf });
    download(`${fileName(plan.name)}.ics`, new Blob([text], { type: 'text/calendar' }));
  }

  return (
    <div className="px-4 pt-4 pb-12 md:px-6">
      {theirs && (
        <ChangedSince
          className="no-print mb-3"
          what="this plan"
          onMine={() => settle('mine')}
          onTheirs={() => settle('theirs')}
          onBoth={() => settle('both')}
        />
      )}
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
          <Button look="primary" size="l" className="px-6" disabled={readOnly} aria-disabled={saved} onClick={() => !saved && save()}>
            {saved ? 'Kept' : 'Keep the plan'}
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
