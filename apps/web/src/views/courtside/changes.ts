import {
  type Goal,
  type ListChange,
  nudged,
  type PlayerId,
  type RungDocument,
  redeal,
  retakeTurns,
  type TodayChange,
} from '@good-arc/core';
import { v7 as uuidv7 } from 'uuid';
import type { MachineRow } from '../../api/rows.ts';
import type { CourtsideCommand } from '../../api/schemas.ts';
import { toast } from '../../ui/toast.ts';
import { goalChange } from './goal.ts';
import { hittersOf, isOnLines, placesIn, programIn, type Run, thrownOf, turnsIn } from './run.ts';
import type { useRound } from './useRound.ts';
import { venueOf, type Where } from './useToday.ts';

type Part = Partial<Pick<Run, 'dealt' | 'turns' | 'out' | 'gone' | 'nudged'>>;

const LIST_WORDS: Record<Exclude<ListChange['kind'], 'next'>, string> = {
  again: 'the last one again',
  skip: 'one skipped',
  stay: 'one ball over and over',
  deal: 'in the order of the card',
};
/** A way to nudge a ball. */
export type Nudge = 'longer' | 'shorter' | 'higher' | 'lower' | 'left' | 'right';
/** How far a ball goes with one press, m: on the ground, and over a plate. */
export const NUDGE_M = { landing: 0.3, plane: 0.05 } as const;

/** Toggles a number in a list. */
const toggled = (list: readonly number[], one: number): number[] =>
  list.includes(one) ? list.filter((each) => each !== one) : [...list, one];

/** What a round that goes on may be changed by. */
export interface Changing {
  current: ReturnType<typeof useRound>['current'];
  tell: ReturnType<typeof useRound>['tell'];
  /** As it is thrown now. */
  document: RungDocument;
  machine: MachineRow;
  where: Where;
  hasLine: boolean;
  hasTwoLines: boolean;
  state: string;
  everyS: number;
  rungId: string;
  confirmedBy: string;
  /** Gives the machine a command. @returns whether it was taken */
  give: (body: CourtsideCommand) => Promise<boolean>;
  /** `performance.now()` of the next release. */
  dueAt: () => number | null;
  nameOf: (playerId: string) => string;
  length: (m: number) => string;
}

/**
 * What may be changed while a round goes on, without leaving it. What a machine on a line does not take is not shown either. It comes with the parts that nobody
 * sees before a round (`inRound.ts`).
 */
export function changesOn({
  current,
  tell,
  document,
  machine,
  where,
  hasLine,
  hasTwoLines,
  state,
  everyS,
  rungId,
  confirmedBy,
  give,
  dueAt,
  nameOf,
  length,
}: Changing) {
  /** Tells the machine, when it has the round in it, and then the round. */
  async function change(part: Part, about: string, said: string): Promise<void> {
    const now = current.current;
    if (!now) return;
    const changed = { ...now, ...part };
    const isArmed = hasLine && ['arming', 'ready', 'feeding', 'held'].includes(state);
    const from = thrownOf(now);
    // two machines that were held are armed anew, with the list as it is then
    if (isArmed && !(hasTwoLines && state === 'held') && ('dealt' in part || 'nudged' in part)) {
      const taken = await give({
        do: 'rest',
        rungId,
        roundId: now.roundId,
        from,
        armedFrom: now.offset,
        document: changed.nudged ?? now.card,
        dealt: programIn(changed).map(({ index }) => index),
        intervalS: everyS,
        nextInS: dueAt() === null ? null : Math.max(0, (dueAt()! - performance.now()) / 1000),
        playerId: now.playerId,
        ...(confirmedBy && { confirmedBy }),
      });
      if (!taken) return;
    }
    tell({ kind: 'changed', part, about, said });
  }

  const dealtOf = (run: Run): number[] => programIn(run).map(({ index }) => index);

  return {
    /** Other balls, from the next one on. */
    list(by: ListChange): void {
      const now = current.current;
      const chosen = by.kind === 'next' ? document.feeds[by.index] : null;
      // another screen may ask for a ball that this round does not have
      if (!now || chosen === undefined) return;
      const said = by.kind === 'next' ? `${chosen?.name} by choice` : LIST_WORDS[by.kind];
      void change({ dealt: redeal(now.card, dealtOf(now), thrownOf(now), by, now.out) }, by.kind, said);
    },
    /** A kind of ball goes out for the rest of the round, or comes back. */
    feed(index: number): void {
      const now = current.current;
      if (!now) return;
      const out = toggled(now.out, index);
      const on = document.feeds.filter((each, i) => each.on && !out.includes(i));
      if (on.length === 0) {
        toast.error('One ball has to stay: a round throws something.');
        return;
      }
      const dealt = redeal(now.card, dealtOf(now), thrownOf(now), { kind: 'deal' }, out);
      void change({ dealt, out }, `feed ${index}`, `${out.includes(index) ? 'without' : 'again with'} ${document.feeds[index]!.name}`);
    },
    /** Somebody goes out for the rest of the round, or comes back. */
    hitter(index: number): void {
      const now = current.current;
      if (!now) return;
      const gone = toggled(now.gone, index);
      const places = placesIn(now);
      if (places.every((who) => gone.includes(who))) {
        toast.error('Somebody has to hit: finish the round instead.');
        return;
      }
      const turns = retakeTurns(places, turnsIn(now), thrownOf(now), gone, isOnLines(now));
      const name = nameOf(hittersOf(now)[index]!.playerId);
      void change({ turns, gone }, `hitter ${index}`, `${name} ${gone.includes(index) ? 'out' : 'back in'}`);
    },
    /** Somebody comes in for who has a place in the turns, and who had it picks up. The machine throws what it threw. */
    comesIn(playerId: PlayerId, place: number): void {
      const now = current.current;
      const leaves = now && hittersOf(now)[placesIn(now)[place] ?? -1];
      if (!leaves) return;
      const playerName = nameOf(playerId);
      const said = `${playerName} in for ${nameOf(leaves.playerId)}`;
      tell({ kind: 'joined', place, playerId, playerName, roundId: uuidv7(), startedAt: new Date().toISOString(), said });
    },
    /** Another goal from the next ball on: a step of it, or the target wider or narrower. The machine throws what it threw. */
    goal(goal: Goal): void {
      if (current.current) tell(goalChange(current.current, goal));
    },
    /** A kind of ball, or all of them, a step elsewhere. @param index null for all */
    nudge(index: number | null, by: Nudge): void {
      const now = current.current;
      if (!now) return;
      const venue = venueOf(now.card, where, now.weather);
      const each = index === null ? document.feeds.flatMap(({ on }, i) => (on ? [i] : [])) : [index];
      const step = NUDGE_M[document.feeds[each[0] ?? 0]!.target.kind];
      const shift: TodayChange['miss'] = {
        longM: by === 'longer' || by === 'higher' ? step : by === 'shorter' || by === 'lower' ? -step : 0,
        rightM: by === 'right' ? step : by === 'left' ? -step : 0,
      };
      const moved = each.reduce<RungDocument | null>((rung, i) => rung && nudged(rung, now.card, i, shift, venue), document);
      if (!moved) {
        toast.error(`${machine.name} cannot do that with a trim: it would be another ball. Change the rung on the bench instead.`);
        return;
      }
      const what = index === null ? '' : `${document.feeds[index]!.name} `;
      void change({ nudged: moved }, `nudge ${index} ${by}`, `${what}${length(step)} ${by}`);
    },
  };
}
