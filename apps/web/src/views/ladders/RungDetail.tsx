import { hazardsOfRung, type Judgement, mirrorRung, netPlayOf, type PlayerId, type RungDocument, type Sport, wholly } from '@good-arc/core';
import { useMemo } from 'react';
import type { Kit, RungRow } from '../../api/rows.ts';
import { aroundOf } from '../../ui/around.ts';
import { Button } from '../../ui/Button.tsx';
import { HazardList, ManualFirst } from '../../ui/HazardList.tsx';
import { machineOf } from '../../ui/judge.ts';
import { courtsideLink } from '../../ui/links.ts';
import { isTaken } from '../../ui/sayTarget.ts';
import { Feeds } from './Feeds.tsx';
import { DemandAndShare, IntervalChoices, MachineNeeds, TimeBudget } from './Judged.tsx';
import { RitualFields } from './RitualFields.tsx';
import { RungFields } from './RungFields.tsx';
import { Sequence } from './Sequence.tsx';
import { TargetPlan } from './TargetPlan.tsx';

interface Props {
  rung: RungRow;
  number: number;
  sport: Sport;
  kit: Kit;
  judgement: Judgement;
  compared: boolean;
  readOnly: boolean;
  onChange: (part: Partial<RungDocument>, key?: string) => void;
  onDuplicate: () => void;
  onDelete: () => void;
  onCompare: (on: boolean) => void;
  /** Who is looked at on this ladder; they hit when it is run. */
  playerId: PlayerId;
}

/** A rung opened: everything about it can be changed in place, and is judged as it changes. */
export function RungDetail({
  rung,
  number,
  sport,
  kit,
  judgement,
  playerId,
  compared,
  readOnly,
  onChange,
  onDuplicate,
  onDelete,
  onCompare,
}: Props) {
  const { document } = rung;
  const hazards = useMemo(
    () => hazardsOfRung(document, sport, judgement, aroundOf(kit, document, playerId)),
    [document, sport, judgement, kit, playerId],
  );
  const judged = wholly(judgement);
  return (
    <section className="px-2 pt-1 pb-4 md:px-5" aria-label={`Rung ${number} opened`}>
      {!readOnly && <RungFields document={document} onChange={onChange} />}
      <div className="mt-4 grid gap-x-8 gap-y-5 lg:grid-cols-2">
        <div className="min-w-0">
          <h3 className="text-lg font-semibold">Balls</h3>
          <Feeds rungId={rung.id} document={document} sport={sport} kit={kit} change={onChange} readOnly={readOnly} />
          <div className="mt-3">
            <Sequence document={document} machine={machineOf(kit, document)?.profile} change={onChange} readOnly={readOnly} />
          </div>
          {!readOnly && netPlayOf(sport) && (
            <div className="mt-3">
              <RitualFields document={document} judgement={judgement} change={onChange} />
            </div>
          )}
        </div>
        <div className="min-w-0">
          <h3 className="text-lg font-semibold">Before it is climbed</h3>
          {judged ? (
            <>
              <TimeBudget document={document} judged={judged} />
              {!readOnly && (
                <div className="mt-2">
                  <IntervalChoices document={document} judged={judged} onChoose={(intervalS) => onChange({ intervalS })} />
                </div>
              )}
              <p className="mt-2 text-sm">
                {judged.ballsInAll} balls, {judged.hoppers === 1 ? 'one hopper' : `${judged.hoppers} hoppers`} · {judged.swingsEach} swings
                · {judged.pickUps === 0 ? 'no stop' : judged.pickUps === 1 ? 'one stop to pick up' : `${judged.pickUps} stops to pick up`}
                {judged.machine.needsS > 0 && ` · the machine needs ${judged.machine.needsS.toFixed(1)} s between two balls`}
              </p>
              <MachineNeeds judged={judged} />
              <div className="mt-3">
                <DemandAndShare judged={judged} />
              </div>
            </>
          ) : (
            <p className="mt-1">Without it there is no time and no demand to show. See below which ball it is, and aim it on the bench.</p>
          )}
          {!isTaken(document, sport) && (
            <div className="mt-5">
              <h3 className="text-lg font-semibold">Target</h3>
              <TargetPlan document={document} sport={sport} change={onChange} readOnly={readOnly} />
            </div>
          )}
          {hazards.length > 0 && (
            <div className="mt-2">
              <HazardList hazards={hazards} />
              <ManualFirst />
            </div>
          )}
        </div>
      </div>
      <div className="no-print mt-4 flex flex-wrap items-center gap-2">
        <Button look="primary" href={courtsideLink(rung.id, playerId)}>
          Run
        </Button>
        <Button href={`/bench?rung=${rung.id}`} aria-label={`Change rung ${number} on the bench`}>
          On the bench
        </Button>
        {!readOnly && (
          <>
            <Button aria-label={`Duplicate rung ${number}`} onClick={onDuplicate}>
              Duplicate
            </Button>
            <Button aria-label={`Mirror left and right: rung ${number}`} onClick={() => onChange(mirrorRung(document))}>
              Mirror left and right
            </Button>
            <Button aria-label={`Delete rung ${number}`} onClick={onDelete}>
              Delete
            </Button>
          </>
        )}
        <label className="ml-auto flex min-h-11 items-center gap-2">
          <input type="checkbox" className="checkbox" checked={compared} onChange={({ target }) => onCompare(target.checked)} />
          Compare
        </label>
      </div>
    </section>
  );
}
