import { type RungDocument, scoreRound } from '@good-arc/core';
import type { LiveShown } from '../../api/live.ts';
import type { MachineRow } from '../../api/rows.ts';
import { type Run, resultsOf, thrownOf, turnsIn } from './run.ts';

/** As many coming balls are told. */
const COMING = 6;
/** A ball due later is none that anybody waits for, s. */
const LONGEST_WAIT_S = 600;

/** Of what it is made. */
export interface Shown {
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
