import {
  areaTarget,
  cardGoal,
  GOAL_TIMES,
  type Goal,
  type ListChange,
  netPlayOf,
  type RungDocument,
  type Sport,
  targetsOf,
} from '@good-arc/core';
import { useState } from 'react';
import type { MachineRow, PlayerRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { dialWords } from '../../ui/dialWords.ts';
import { Select } from '../../ui/Select.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { sayGoal } from '../../words/goals.ts';
import { Choice } from './Choice.tsx';
import { ComesIn } from './ComesIn.tsx';
import { type Changing, changesOn, NUDGE_M, type Nudge } from './changes.ts';
import { goalIn, placesIn, type Run } from './run.ts';

/** As many coming balls are named. */
const NAMED = 6;
const NUDGES: Record<'landing' | 'plane', readonly (readonly [Nudge, string])[]> = {
  landing: [
    ['shorter', 'Shorter'],
    ['longer', 'Longer'],
    ['left', 'Left'],
    ['right', 'Right'],
  ],
  plane: [
    ['lower', 'Lower'],
    ['higher', 'Higher'],
    ['left', 'Left'],
    ['right', 'Right'],
  ],
};

/** What comes, and what may be changed of it without leaving the round: taken by the machine at the next ball. */
export function NextBalls({
  run,
  document,
  program,
  thrown,
  changing,
  machine,
  sport,
  hasLine,
  names,
  players,
}: {
  run: Run;
  /** As it is thrown now. */
  document: RungDocument;
  program: readonly { index: number }[];
  thrown: number;
  changing: Changing;
  machine: MachineRow;
  sport: Sport;
  hasLine: boolean;
  /** Of those who hit in turn, in the order in which they came. */
  names: readonly string[];
  players: readonly PlayerRow[];
}) {
  const units = useUnits();
  const [nudged, setNudged] = useState('');
  const { feeds } = document;
  // which of them comes slower or quicker nobody is told
  const kinds = feeds.flatMap(({ on, name, variantOf }, index) => (on && variantOf === undefined ? [{ index, name }] : []));
  const coming = program.slice(thrown, thrown + NAMED);
  const isStaying = coming.length > 1 && program.slice(thrown).every(({ index }) => index === coming[0]!.index);
  const changes = changesOn(changing);
  const list = (by: ListChange) => () => changes.list(by);
  const plane = feeds[Number(nudged) || 0]!.target.kind === 'plane';
  return (
    <details className="open:w-full">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">Change what comes</summary>
      {kinds.length > 1 && (
        <ol className="flex flex-wrap gap-x-4 gap-y-1" aria-label="Coming balls">
          {coming.map(({ index }, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the number of the ball is its identity
            <li key={i} className={i === 0 ? 'font-semibold' : ''}>
              <span className="dial">{thrown + 1 + i}</span> {feeds[index]!.name}
            </li>
          ))}
        </ol>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <Button size="l" disabled={thrown === 0} onClick={list({ kind: 'again' })}>
          That one again
        </Button>
        {kinds.length > 1 && (
          <>
            <Button size="l" onClick={list({ kind: 'skip' })}>
              Skip the next
            </Button>
            <Button size="l" aria-pressed={isStaying} onClick={list({ kind: isStaying ? 'deal' : 'stay' })}>
              {isStaying ? 'On with the others' : 'Stay on this one'}
            </Button>
          </>
        )}
      </div>
      {kinds.length > 1 && !document.secret && (
        <>
          <Choice name="Next">
            {kinds.map(({ index, name }) => (
              <Button key={index} size="l" aria-pressed={coming[0]?.index === index} onClick={list({ kind: 'next', index })}>
                {name}
              </Button>
            ))}
          </Choice>
          <Choice name="In this round">
            {kinds.map(({ index, name }) => (
              <Tick key={index} name={name} isOn={!run.out.includes(index)} onChange={() => changes.feed(index)} />
            ))}
          </Choice>
        </>
      )}
      {names.length > 1 && (
        <Choice name="Hitting">
          {placesIn(run).map((who) => (
            <Tick key={who} name={names[who] ?? ''} isOn={!run.gone.includes(who)} onChange={() => changes.hitter(who)} />
          ))}
        </Choice>
      )}
      {names.length > 1 && netPlayOf(sport) && <ComesIn {...{ run, names, players }} onIn={changes.comesIn} />}
      <Choice name={`Nudge by ${units.length(NUDGE_M[plane ? 'plane' : 'landing'])}, as the machine sees it`}>
        {kinds.length > 1 && (
          <Select
            label="Which ball"
            value={nudged}
            onChange={setNudged}
            options={[['', 'all of them'] as const, ...kinds.map(({ index, name }) => [String(index), name] as const)]}
          />
        )}
        {NUDGES[plane ? 'plane' : 'landing'].map(([by, name]) => (
          <Button key={by} size="l" className="self-end" onClick={() => changes.nudge(nudged === '' ? null : Number(nudged), by)}>
            {name}
          </Button>
        ))}
      </Choice>
      {targetsOf(document).length > 0 && (
        <Goals document={document} goal={goalIn(run, thrown + 1)} hasAreas={areaTarget(sport, 'anywhere') !== null} onGoal={changes.goal} />
      )}
      {run.nudged && !hasLine && <SetNow document={document} was={run.card} machine={machine} />}
    </details>
  );
}

/** What is asked of the balls from the next one on; the machine throws what it threw. */
function Goals({
  goal,
  document,
  hasAreas,
  onGoal,
}: {
  goal: Goal | null;
  document: RungDocument;
  hasAreas: boolean;
  onGoal: (goal: Goal) => void;
}) {
  const onCard = cardGoal(document);
  const now = goal ?? onCard;
  const sized = (by: number): Goal => ({ step: now.step === 'spin' ? 'spin' : 'target', times: Math.round(now.times * by * 100) / 100 });
  const [wider, narrower] = [sized(GOAL_TIMES.by), sized(1 / GOAL_TIMES.by)];
  const isOn = ({ step, times }: Goal): boolean => step === now.step && times === now.times;
  return (
    <Choice name="What counts as in, from the next ball on">
      {hasAreas &&
        (['anywhere', 'side'] as const).map((step) => (
          <Button key={step} size="l" aria-pressed={now.step === step} onClick={() => onGoal({ step, times: 1 })}>
            {step === 'anywhere' ? 'Anywhere in' : 'The right side'}
          </Button>
        ))}
      {[...(onCard.step === 'spin' ? [{ step: 'target', times: 1 } as const] : []), onCard].map((each) => (
        <Button key={each.step} size="l" aria-pressed={isOn(each)} onClick={() => onGoal(each)}>
          {each.step === 'spin' ? `Target with ${document.hitWith}` : 'Target of the card'}
        </Button>
      ))}
      <Button size="l" disabled={wider.times > GOAL_TIMES.most} onClick={() => onGoal(wider)}>
        Wider
      </Button>
      <Button size="l" disabled={narrower.times < GOAL_TIMES.least} onClick={() => onGoal(narrower)}>
        Narrower
      </Button>
      {goal && <p className="w-full">Now {sayGoal(goal, document)}: a hit to it opens no gate, and is learnt from as what it was.</p>}
    </Choice>
  );
}

/** What a hand sets for a ball that was nudged. */
function SetNow({ document, was, machine }: { document: RungDocument; was: RungDocument; machine: MachineRow }) {
  const at = document.feeds.findIndex(({ launch }, i) => JSON.stringify(launch) !== JSON.stringify(was.feeds[i]!.launch));
  if (at < 0) return null;
  const [to, from] = [document.feeds[at]!.launch, was.feeds[at]!.launch];
  const turn = to.bearingDeg - from.bearingDeg;
  const words = [
    dialWords({ ...document, feeds: [document.feeds[at]!] }, machine),
    `elevation ${to.elevationDeg.toFixed(1)}°`,
    Math.abs(turn) > 0.2 && `turned ${Math.abs(turn).toFixed(1)}° ${turn > 0 ? 'right' : 'left'} of the card`,
  ].filter(Boolean);
  return (
    <p role="status" className="mt-2 font-semibold">
      Set now: {words.join(' · ')}.
    </p>
  );
}

const Tick = ({ name, isOn, onChange }: { name: string; isOn: boolean; onChange: () => void }) => (
  <label className="flex min-h-11 items-center gap-2.5 pr-4">
    <input type="checkbox" className="checkbox" checked={isOn} onChange={onChange} />
    <span className={isOn ? '' : 'line-through'}>{name}</span>
  </label>
);
