import { APPROACHES, type Approach, type Drill, fitDrill, heightOf } from '@good-arc/core';
import { useMemo, useState } from 'react';
import type { Kit, LadderRow, Viewer } from '../../api/rows.ts';
import { ArcsOverlay } from '../../ui/ArcsOverlay.tsx';
import { Button } from '../../ui/Button.tsx';
import { ForCoaches } from '../../ui/ForCoaches.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Select } from '../../ui/Select.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { attempt } from '../../ui/undo.ts';
import { useOwnScatter } from '../../ui/useOwnScatter.ts';
import { sayUnfit } from '../../words/building.ts';
import { MANUAL_FIRST } from '../../words/hazards.ts';
import { sayLevel } from '../../words/level.ts';
import { saySizedBy } from '../../words/logbook.ts';
import { APPROACH_NAMES } from '../../words/progress.ts';
import { keepLadder } from './keep.ts';
import { Preview } from './Preview.tsx';
import { drillMinutes } from './search.ts';
import { useWhere } from './useWhere.ts';
import { WhereFields } from './WhereFields.tsx';

export const sayPlayers = ([least, most]: Drill['players']): string =>
  least === most ? `${least} players` : `${least} to ${most} players`;

/** One drill: what a coach says of it, and its rungs as they would be here. */
export function DrillPage({
  drill,
  viewer,
  kit,
  ladders,
  params,
  onBack,
}: {
  drill: Drill;
  viewer: Viewer;
  kit: Kit;
  ladders: Pick<LadderRow, 'id' | 'name' | 'origin'>[];
  params: URLSearchParams;
  onBack: () => void;
}) {
  const state = useWhere(kit, viewer, params, drill.sport, drill.level);
  const { venue, where, player, court } = state;
  const units = useUnits();
  const [approach, setApproach] = useState<Approach>(drill.rungs.some(({ gate }) => gate && 'streak' in gate) ? 'in-a-row' : 'sweet-spot');
  const [secondId, setSecondId] = useState('');
  const [saving, setSaving] = useState(false);
  const needsTwo = drill.rungs.some(({ balls }) => balls.some(({ second }) => second));
  const others = kit.machines.filter(({ id, profile }) => id !== where?.machineId && profile.sports.includes(drill.sport));
  const second = needsTwo ? (others.find(({ id }) => id === secondId) ?? others[0]) : undefined;
  const fits = court?.sport === drill.sport;
  const own = useOwnScatter(where?.playerId ?? '', drill.sport);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the venue is made anew of these
  const fitted = useMemo(
    () =>
      venue && fits
        ? fitDrill(drill, {
            ...venue,
            hand: where?.hand ?? 'right',
            heightM: player?.heightM ?? heightOf(drill.sport, venue),
            approach,
            scatter: own.scatter,
            ...(second && { second: { id: second.id, profile: second.profile } }),
          })
        : null,
    [drill, where, player, approach, second, fits, own.balls],
  );
  const copies = ladders.filter(({ origin }) => origin?.drillId === drill.id);

  async function keep(): Promise<void> {
    if (!fitted || !where) return;
    setSaving(true);
    const ladder = { name: drill.name, sport: drill.sport, level: where.level, approach };
    if (!(await attempt(() => keepLadder(ladder, fitted.rungs, drill.id)))) setSaving(false);
  }

  return (
    <div className="px-4 pt-4 pb-12 md:px-6">
      <button type="button" className="text-sm font-medium text-quiet hover:underline" onClick={onBack}>
        Library
      </button>
      <h1 className="text-3xl">{drill.name}</h1>
      <p className="max-w-3xl text-lg">{drill.why}</p>
      <p className="text-quiet">
        {drill.sport} · written for {sayLevel(drill.sport, drill.level)} · {drill.purpose} · {drillMinutes(drill)} min ·{' '}
        {sayPlayers(drill.players)}
      </p>
      {copies.length > 0 && (
        <p className="mt-1 text-sm">
          Your own copies:{' '}
          {copies.map(({ id, name }, i) => (
            <span key={id}>
              {i > 0 && ', '}
              <a className="font-semibold underline" href={`/ladders/${id}`}>
                {name}
              </a>
            </span>
          ))}
        </p>
      )}
      <div className="mt-4 grid gap-x-8 gap-y-6 lg:grid-cols-[20rem_minmax(0,1fr)]">
        <div className="flex flex-col gap-4">
          <WhereFields state={state} kit={kit} />
          {needsTwo && others.length > 0 && (
            <Select
              label="Second machine"
              value={second?.id ?? ''}
              onChange={setSecondId}
              options={others.map(({ id, name }) => [id, name] as const)}
            />
          )}
          {needsTwo && others.length === 0 && (
            <Notice tone="warning">This drill is for two machines; the club has one of the sport. One machine throws all of it.</Notice>
          )}
          <Select
            label="Approach"
            value={approach}
            onChange={setApproach}
            options={APPROACHES.map((each) => [each, APPROACH_NAMES[each]] as const)}
          />
          <Words title="Set-up" lines={[drill.setUp]} />
          <Words title="Cues" lines={drill.cues} />
          <Words title="Common faults" lines={drill.faults} />
          <Words title="Take care" lines={[...drill.cautions, MANUAL_FIRST]} />
          <Words title="Easier" lines={[drill.easier]} />
          <Words title="Harder" lines={[drill.harder]} />
        </div>
        <div className="min-w-0">
          {!fits && (
            <p className="text-lg">Choose a {drill.sport} court to see its rungs there; the club needs one, and a machine for it.</p>
          )}
          {fitted && (
            <>
              <div className="flex flex-wrap items-center gap-3 pb-3">
                <h2 className="text-xl">Here, on {state.machine?.name}</h2>
                <ForCoaches may={viewer.canPlan}>
                  <Button look="primary" size="l" className="ml-auto px-6" disabled={saving || fitted.rungs.length === 0} onClick={keep}>
                    {saving ? 'Adding …' : 'Add to our ladders'}
                  </Button>
                </ForCoaches>
              </div>
              {fitted.problems.length > 0 && (
                <Notice tone="warning" className="mb-3" role="status">
                  <b>{fitted.rungs.length === 0 ? 'This machine cannot do it.' : 'Some of it is left out here.'}</b>
                  <ul>
                    {fitted.problems.map((problem) => (
                      <li key={problem.rung}>
                        {problem.rung}: {sayUnfit(problem, units.length)}
                      </li>
                    ))}
                  </ul>
                </Notice>
              )}
              {own.balls > 0 && player && <p className="mb-2">{saySizedBy(player.name, own.balls)}</p>}
              {fitted.rungs.length > 0 && <ArcsOverlay rungs={fitted.rungs} sport={drill.sport} />}
              {fitted.rungs.length > 0 && <Preview rungs={fitted.rungs} sport={drill.sport} kit={kit} playerId={where?.playerId ?? ''} />}
            </>
          )}
        </div>
      </div>
    </div>
  );
}

const Words = ({ title, lines }: { title: string; lines: readonly string[] }) => (
  <section>
    <h2 className="text-lg">{title}</h2>
    <ul>
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  </section>
);
