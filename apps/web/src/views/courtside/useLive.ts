import { type ListChange, type RungDocument, scoreRound } from '@good-arc/core';
import { useEffect, useRef } from 'react';
import type { LiveAnswer, LiveShown } from '../../api/live.ts';
import type { MachineRow } from '../../api/rows.ts';
import { device } from '../../device/store.ts';
import { api } from '../../ui/api.ts';
import { toast } from '../../ui/toast.ts';
import { type Run, resultsOf, thrownOf, turnsIn } from './run.ts';

/** How often a round is shown, ms: while somebody follows it, and while nobody does. */
const EVERY_MS = { followed: 1000, alone: 5000 };
/** Changes that come together are shown together, ms. */
const TOGETHER_MS = 150;
const WITHIN_MS = 3000;
/** The wish that was taken up last, on the device: a page that is loaded again does not take it up twice. */
const TAKEN_KEY = 'wish';
/** As many coming balls are told. */
const COMING = 6;
/** A ball due later is none that anybody waits for, s. */
const LONGEST_WAIT_S = 600;

interface Shown {
  run: Run;
  /** As it is thrown now. */
  document: RungDocument;
  program: readonly { index: number }[];
  names: readonly string[];
  courtName: string;
  machine: MachineRow;
  second: MachineRow | null;
  state: string;
  everyS: number;
  /** `performance.now()` of the next release. */
  dueAt: number | null;
}

/** A round as its device shows it to others. @param now `performance.now()` */
export function shownOf(
  { run, document, program, names, courtName, machine, second, state, everyS, dueAt }: Shown,
  now: number,
): LiveShown {
  const thrown = thrownOf(run);
  const turns = turnsIn(run);
  const results = resultsOf(run.balls);
  const scores = names.map((_, i) => {
    const own = names.length === 1 ? results : results.filter(({ seq }) => turns[seq - 1] === i);
    const { hits, balls } = scoreRound(document, own);
    return { hits, balls };
  });
  const outcomes = results.map(({ outcome }) => outcome).filter((outcome) => outcome !== 'not-fed' && outcome !== 'not-judged');
  const lastMiss = outcomes.findLastIndex((outcome) => outcome !== 'in');
  const kinds = document.feeds.flatMap(({ on, name, variantOf }, index) =>
    on && variantOf === undefined && !run.out.includes(index) ? [{ index, name }] : [],
  );
  // whether it comes slower or quicker nobody is told
  const openly = (index: number): number => {
    const { id, variantOf = id } = document.feeds[index]!;
    return document.feeds.findIndex((each) => each.id === variantOf);
  };
  return {
    rungName: document.name,
    courtName,
    machines: [machine, ...(second ? [second] : [])].map(({ id, name, linkAddress }) => ({ name, lineOf: linkAddress === '' ? null : id })),
    players: [...names],
    scores,
    thrown,
    of: document.ballsPerRound,
    streak: outcomes.length - lastMiss - 1,
    last: outcomes.at(-1) ?? null,
    state,
    everyS,
    nextInS: dueAt === null ? null : Math.min(LONGEST_WAIT_S, Math.max(0, (dueAt - now) / 1000)),
    whose: names.length > 1 ? (names[turns[thrown] ?? 0] ?? '') : '',
    kinds,
    coming: program
      .slice(thrown, thrown + COMING)
      .map(({ index }) => ({ index: openly(index), machine: second !== null && document.feeds[index]!.machineId === second.id ? 1 : 0 })),
  };
}

/**
 * Shows the round of this device to others that follow it, and takes up what they ask for. Whether it gets through or not changes nothing here: it is no
 * letter, and a network that is away is no fault.
 */
export function useLive(shown: Shown | null, onWish: (change: ListChange) => void): void {
  const latest = useRef({ shown, onWish });
  latest.current = { shown, onWish };
  const roundId = shown?.run.roundId ?? null;
  const { run, state = '', everyS = 0 } = shown ?? {};

  const show = useRef<() => void>(() => {});
  useEffect(() => {
    if (roundId === null) return;
    let isOpen = true;
    let timer: ReturnType<typeof setTimeout>;
    let isOnTheWay = false;
    const later = (ms: number): void => {
      clearTimeout(timer);
      timer = setTimeout(() => void tell(), ms);
    };
    async function tell(): Promise<void> {
      const now = latest.current.shown;
      if (!isOpen || now?.run.roundId !== roundId) return;
      if (isOnTheWay) {
        later(TOGETHER_MS);
        return;
      }
      isOnTheWay = true;
      let every = EVERY_MS.alone;
      try {
        const { isFollowed, wish } = await api<LiveAnswer>('PUT', `rounds/${roundId}/live`, shownOf(now, performance.now()), {
          withinMs: WITHIN_MS,
        });
        if (isFollowed) every = EVERY_MS.followed;
        if (wish && isOpen && device().getItem(TAKEN_KEY) !== wish.id) {
          device().setItem(TAKEN_KEY, wish.id);
          toast('Another screen asked for other balls.');
          latest.current.onWish(wish.change);
        }
      } catch {
        // shown again later
      }
      isOnTheWay = false;
      if (isOpen) later(every);
    }
    show.current = () => later(TOGETHER_MS);
    return () => {
      isOpen = false;
      clearTimeout(timer);
      show.current = () => {};
    };
  }, [roundId]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: it is shown anew when one of these is another; when the next ball is due comes with the next showing
  useEffect(() => show.current(), [run, state, everyS]);
}
