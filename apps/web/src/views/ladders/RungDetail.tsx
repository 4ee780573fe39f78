import { hazardsOfRung, type Judgement, mirrorRung, netPlayOf, type RungDocument, type Sport, wholly } from '@good-arc/core';
import { useMemo } from 'react';
import type { Kit, RungRow } from '../../api/rows.ts';
import { HazardList, ManualFirst } from '../../ui/HazardList.tsx';
import { courtsideLink } from '../../ui/links.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { isTaken } from '../../ui/sayTarget.ts';
import { Feeds } from './Feeds.tsx';
import { DemandAndShare, IntervalChoices, MachineNeeds, TimeBudget } from './Judged.tsx';
import { RitualFields } from './RitualFields.tsx';
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
  playerId: string;
}

const whole = (value: number): number => Math.max(1, Math.round(value));

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
  const { gate, ballsPerRound } = document;
  const hazards = useMemo(() => hazardsOfRung(document, sport, judgement), [document, sport, judgement]);
  const judged = wholly(judgement);
  return (
    <section className="px-2 pt-1 pb-4 md:px-5" aria-label={`Rung ${number} opened`}>
      {!readOnly && (
        <div className="grid grid-cols-2 gap-3 md:grid-cols-4 lg:grid-cols-8">
          <Named
            label="Name"
            className="col-span-2"
            max={120}
            value={document.name}
            onChange={(name) => name.trim() && onChange({ name }, 'name')}
          />
          <Named
            label="Focal point"
            className="col-span-2"
            max={200}
            value={document.focalPoint}
            onChange={(focalPoint) => onChange({ focalPoint }, 'focal')}
          />
          <QuantityField
            label="Every"
            dimension="time"
            min={0.5}
            max={120}
            step={0.5}
            value={document.intervalS}
            onChange={(intervalS) => onChange({ intervalS }, 'interval')}
          />
          <QuantityField
            label="Balls a round"
            dimension="count"
            min={1}
            max={200}
            step={1}
            value={ballsPerRound}
            onChange={(balls) => onChange({ ballsPerRound: whole(balls) }, 'balls')}
          />
          <QuantityField
            label="Rounds"
            dimension="count"
            min={1}
            max={50}
            step={1}
            value={document.rounds}
            onChange={(rounds) => onChange({ rounds: whole(rounds) }, 'rounds')}
          />
          <Select
            className="col-span-2 md:col-span-1"
            label="Gate"
            value={'streak' in gate ? 'streak' : 'count'}
            onChange={(kind) =>
              onChange({ gate: kind === 'streak' ? { streak: 5 } : { hits: Math.ceil(ballsPerRound * 0.7), of: ballsPerRound } })
            }
            options={[
              ['count', 'so many of'],
              ['streak', 'in a row'],
            ]}
          />
          {'streak' in gate ? (
            <QuantityField
              label="In a row"
              dimension="count"
              min={1}
              max={50}
              step={1}
              value={gate.streak}
              onChange={(streak) => onChange({ gate: { streak: whole(streak) } }, 'gate')}
            />
          ) : (
            <>
              <QuantityField
                label="Hits"
                dimension="count"
                min={1}
                max={gate.of}
                step={1}
                value={gate.hits}
                onChange={(hits) => onChange({ gate: { ...gate, hits: whole(hits) } }, 'gate')}
              />
              <QuantityField
                label="of balls"
                dimension="count"
                min={gate.hits}
                max={200}
                step={1}
                value={gate.of}
                onChange={(of) => onChange({ gate: { ...gate, of: whole(of) } }, 'gate of')}
              />
            </>
          )}
          <Select
            label="Shadow swings"
            value={String(document.shadowSwings) as '0' | '1' | '2'}
            onChange={(count) => onChange({ shadowSwings: Number(count) as 0 | 1 | 2 })}
            options={[
              ['0', 'none'],
              ['1', 'one between'],
              ['2', 'two between'],
            ]}
          />
          <Select
            label="The machine turns"
            value={document.sweep?.kind ?? 'no'}
            onChange={(kind) => onChange({ sweep: kind === 'no' ? undefined : { kind, halfDeg: document.sweep?.halfDeg ?? 6 } })}
            options={[
              ['no', 'not at all'],
              ['two-line', 'to two lines'],
              ['wide', 'at random'],
            ]}
          />
          {document.sweep && (
            <QuantityField
              label="To each side"
              dimension="angle"
              min={0.5}
              max={45}
              step={0.5}
              value={document.sweep.halfDeg}
              onChange={(halfDeg) => document.sweep && onChange({ sweep: { ...document.sweep, halfDeg } }, 'sweep')}
            />
          )}
        </div>
      )}
      <div className="mt-4 grid gap-x-8 gap-y-5 lg:grid-cols-2">
        <div className="min-w-0">
          <h3 className="text-lg font-semibold">Balls</h3>
          <Feeds rungId={rung.id} document={document} sport={sport} kit={kit} change={onChange} readOnly={readOnly} />
          <div className="mt-3">
            <Sequence document={document} change={onChange} readOnly={readOnly} />
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
        <a className="btn btn-primary min-h-11" href={courtsideLink(rung.id, playerId)}>
          Run
        </a>
        <a className="btn btn-outline min-h-11" href={`/bench?rung=${rung.id}`} aria-label={`Change rung ${number} on the bench`}>
          On the bench
        </a>
        {!readOnly && (
          <>
            <button type="button" className="btn btn-outline min-h-11" aria-label={`Duplicate rung ${number}`} onClick={onDuplicate}>
              Duplicate
            </button>
            <button
              type="button"
              className="btn btn-outline min-h-11"
              aria-label={`Mirror rung ${number}`}
              onClick={() => onChange(mirrorRung(document))}
            >
              Mirror left and right
            </button>
            <button type="button" className="btn btn-outline min-h-11" aria-label={`Delete rung ${number}`} onClick={onDelete}>
              Delete
            </button>
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

/** A line of text that is changed as it is typed; an empty name is not taken. */
function Named({
  label,
  value,
  max,
  className,
  onChange,
}: {
  label: string;
  value: string;
  max: number;
  className: string;
  onChange: (value: string) => void;
}) {
  return (
    <label className={`min-w-0 ${className}`}>
      <span className="mb-0.5 block text-sm font-medium text-quiet">{label}</span>
      <input
        className="input h-11 w-full border-base-content/60 bg-base-100 text-base"
        maxLength={max}
        value={value}
        onChange={({ target }) => onChange(target.value)}
      />
    </label>
  );
}
