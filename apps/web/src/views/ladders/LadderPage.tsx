import { ballsToCount, ballsToStreak, gateOf, type Judgement, type RungDocument, stepBetween, tellsEnough, wholly } from '@good-arc/core';
import { Fragment, useMemo, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Kit, LadderRow, RungRow, Viewer } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { ChangedSince } from '../../ui/ChangedSince.tsx';
import { judge, judgedElsewhere, machineOf } from '../../ui/judge.ts';
import { later } from '../../ui/later.tsx';
import { moved } from '../../ui/moved.ts';
import { drawnElsewhere, type Thumb } from '../../ui/thumb.ts';
import { toast } from '../../ui/toast.ts';
import { Units } from '../../ui/Units.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { LadderHead, loadWhole } from './LadderHead.tsx';
import { GapLine, RungLine } from './RungLine.tsx';
import type { RecentRate } from './rates.ts';
import { useDragged } from './useDragged.ts';
import { useLadder } from './useLadder.ts';

const CompareRungs = later(async () => (await import('./CompareRungs.tsx')).CompareRungs);

interface Props {
  viewer: Viewer;
  kit: Kit;
  ladder: LadderRow;
  rates: RecentRate[];
  /** Of each of its rungs, as the server gave them; null for one that is to be given here. */
  verdicts: readonly (Judgement | null)[];
  /** And their drawings. */
  thumbs: readonly Thumb[];
  /** Of the library, that it was made of. */
  drill: { id: string; name: string } | null;
}

/** One ladder: its rungs, easiest at the bottom, judged as they change. */
export default function LadderPage(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <LadderView {...props} />
    </Units>
  );
}

function LadderView({ viewer, kit, ladder: initial, rates, verdicts, thumbs, drill }: Props) {
  useState(() => knownFromServer(kit, initial, verdicts, thumbs));
  const state = useLadder(initial);
  const { ladder, putRungs, undo, redo } = state;
  const { rungs, sport } = ladder;
  const readOnly = !viewer.canPlan;
  const [open, setOpen] = useState<string | null>(null);
  const [compared, setCompared] = useState<string[]>([]);
  const [comparing, setComparing] = useState(false);
  const [players, setPlayers] = useState(1);
  const [playerId, setPlayerId] = useState(rates[0]?.playerId ?? '');
  const [said, setSaid] = useState('');
  const list = useRef<HTMLOListElement>(null);

  const judged = useMemo(() => new Map(rungs.map(({ id, document }) => [id as string, judge(kit, sport, document)])), [rungs, kit, sport]);

  useKeys({ '$mod+z': undo, '$mod+Shift+z': redo }, { repeats: true });

  /** Rungs are counted from the bottom. */
  function move(from: number, to: number): void {
    const next = moved(rungs, from, to);
    const now = next.findIndex(({ id }) => id === rungs[from]!.id);
    if (now === from) return;
    putRungs(next);
    setSaid(`“${rungs[from]!.document.name}” is rung ${now + 1} of ${rungs.length} now.`);
  }
  // the hardest is on top
  useDragged(list, !readOnly && rungs.length > 1, (from, to) => move(rungs.length - 1 - from, rungs.length - 1 - to));

  function duplicate(rung: RungRow, index: number): void {
    const copy: RungRow = { ...rung, id: uuidv7(), document: { ...rung.document, name: `${rung.document.name.slice(0, 113)} (copy)` } };
    putRungs(rungs.toSpliced(index + 1, 0, copy));
  }

  function remove(rung: RungRow): void {
    putRungs(rungs.filter(({ id }) => id !== rung.id));
    toast(`“${rung.document.name}” was deleted. Undo brings it back.`);
  }

  /** Fills the gap below a rung, or every gap of the ladder. */
  async function even(index: number | null): Promise<void> {
    const filled = (await loadWhole())?.evened(ladder, kit, index);
    if (!filled) return;
    if (filled.length === rungs.length) toast('Nothing in between can be aimed on this machine that would make it smaller.');
    else putRungs([...filled]);
  }

  const rate = rates.find((each) => each.playerId === playerId);
  const toClimb = (document: RungDocument): number | null => {
    const gate = gateOf(document);
    if (!rate || gate === null || !tellsEnough(gate, rate.balls)) return null;
    const share = (rate.hits + 0.5) / (rate.balls + 1);
    return 'streak' in gate ? hopeful(ballsToStreak(share, gate.streak)) : ballsToCount(share, gate.hits, gate.of);
  };

  const topFirst = [...rungs].reverse();
  const chosen = compared.flatMap((id) => {
    const index = rungs.findIndex((rung) => rung.id === id);
    return index < 0 ? [] : [{ rung: rungs[index]!, number: index + 1, judged: wholly(judged.get(id)!) }];
  });
  const stepUp = (index: number) => {
    const [a, b] = [rungs[index - 1], rungs[index]!];
    const [below, above] = [a && wholly(judged.get(a.id)!), wholly(judged.get(b.id)!)];
    if (!a || !below || !above) return null;
    const step = stepBetween({ document: a.document, demand: below.demand.total }, { document: b.document, demand: above.demand.total });
    return step.kind === 'step' ? null : { ...step, kind: step.kind };
  };
  const gaps = rungs.filter((_, i) => stepUp(i)?.kind === 'gap').length;

  return (
    <div className="px-4 pt-4 pb-12 md:px-6">
      {state.isStale && <ChangedSince className="no-print mb-3" what="this ladder" onSettle={state.settle} />}
      <LadderHead
        drill={drill}
        state={state}
        viewer={viewer}
        kit={kit}
        judgements={rungs.map(({ id }) => judged.get(id)!)}
        rates={rates}
        playerId={playerId}
        onPlayer={setPlayerId}
        players={players}
        onPlayers={setPlayers}
        gaps={gaps}
        onEven={() => even(null)}
      />
      {rungs.length === 0 ? (
        <div className="py-10">
          <h2 className="text-2xl">No rungs yet</h2>
          <p className="mt-2 max-w-xl text-lg">
            Set up a kind ball on the bench and add it here. The easiest rung stands at the bottom; each one above asks a little more.
          </p>
          <div className="mt-4 flex flex-wrap gap-3">
            <Button look="primary" size="l" href="/bench">
              Open the bench
            </Button>
            <Button size="l" href="/ladders/build">
              Build one to a game ball
            </Button>
          </div>
        </div>
      ) : (
        <ol ref={list} className="border-b-2 border-base-content" aria-label="Rungs, hardest first">
          {topFirst.map((rung) => {
            const index = rungs.indexOf(rung);
            const step = stepUp(index);
            return (
              <Fragment key={rung.id}>
                <RungLine
                  rung={rung}
                  number={index + 1}
                  count={rungs.length}
                  sport={sport}
                  kit={kit}
                  judgement={judged.get(rung.id)!}
                  open={open === rung.id}
                  compared={compared.includes(rung.id)}
                  readOnly={readOnly}
                  toClimb={toClimb(rung.document)}
                  playerId={playerId}
                  onOpen={() => setOpen(open === rung.id ? null : rung.id)}
                  onMove={(by) => move(index, index + by)}
                  onChange={(part, key) => state.putRung(rung.id, part, key)}
                  onDuplicate={() => duplicate(rung, index)}
                  onDelete={() => remove(rung)}
                  onCompare={(on) => setCompared((now) => (on ? [...now, rung.id].slice(-2) : now.filter((id) => id !== rung.id)))}
                />
                {step && <GapLine {...step} onEven={readOnly ? null : () => even(index)} />}
              </Fragment>
            );
          })}
        </ol>
      )}
      <div className="no-print mt-3 flex flex-wrap items-center justify-between gap-3 text-sm text-quiet">
        <div className="flex flex-wrap gap-2">
          <Button look="ghost" href="/bench">
            + Rung from the bench
          </Button>
          <Button look="ghost" href="/ladders/build">
            Build a ladder to a game ball
          </Button>
        </div>
        {compared.length > 0 && (
          <Button disabled={chosen.length < 2} onClick={() => setComparing(true)}>
            {chosen.length < 2 ? 'Tick a second rung to compare' : `Compare rungs ${chosen.map(({ number }) => number).join(' and ')}`}
          </Button>
        )}
        <p>drag a rung by its grip, or Alt ↑ ↓ on it</p>
        <p role="status" className="sr-only">
          {said}
        </p>
      </div>
      {comparing && chosen.length === 2 && (
        <CompareRungs pair={[chosen[0]!, chosen[1]!]} sport={ladder.sport} onClose={() => setComparing(false)} />
      )}
    </div>
  );
}

/** Before anything is judged or drawn here. */
function knownFromServer(kit: Kit, { sport, rungs }: LadderRow, verdicts: Props['verdicts'], thumbs: Props['thumbs']): void {
  for (const [i, { document }] of rungs.entries()) {
    const [machine, verdict, thumb] = [machineOf(kit, document), verdicts[i], thumbs[i]];
    if (machine && verdict) judgedElsewhere(document, { sport, profile: machine.profile, gameBalls: kit.gameBalls }, verdict);
    if (thumb) drawnElsewhere(document, sport, thumb);
  }
}

/** More balls than this is no hope. */
const NO_HOPE = 2000;
const hopeful = (balls: number): number => (balls > NO_HOPE ? Number.POSITIVE_INFINITY : balls);
