import { type Feed, makeCard, printAngle, type RungDocument, type Sport, writeCardLink } from '@good-arc/core';
import type { LadderRow } from '../../api/rows.ts';
import { sayTargets } from '../../ui/sayTarget.ts';
import { type SetUpLines, sayArrival, setUpLines } from '../../ui/setUpLines.ts';
import type { useUnits } from '../../ui/Units.tsx';
import { sayGate } from '../../words/progress.ts';
import { asToday, type CardFacts, cautionsOf, feedsOf, machineFor, TAKE_CARE } from './describe.ts';

/** One rung on a sheet of its own: everything it takes, and the rung itself in a code. */
export interface RungSheetWords extends SetUpLines {
  number: number;
  name: string;
  focalPoint: string;
  arrives: string;
  target: string;
  balls: string;
  gate: string;
  /** Each ball of a rung that has several. */
  feeds: readonly { name: string; dials: string; turn: string }[];
  /** What has to be minded: of the machine, of this rung, of every machine. */
  safety: string;
  cautions: readonly string[];
  /** Carries the rung: no server need have it. */
  link: string;
  document: RungDocument;
  sport: Sport;
}

/** Decimals that a hand can set, so that a code stays small. */
const SET_DIGITS: Partial<Record<keyof Feed['launch'], number>> = { x: 2, y: 2, z: 2, speedMps: 2, elevationDeg: 2, bearingDeg: 2 };

/** The rung alone, as short as a code wants it. */
function linkOf(ladder: LadderRow, document: RungDocument, facts: CardFacts, origin: string): string {
  const rounded = (value: number, digits: number): number => Math.round(value * 10 ** digits) / 10 ** digits;
  const feeds = document.feeds.map((feed) => ({
    ...feed,
    launch: Object.fromEntries(
      Object.entries(feed.launch).map(([key, value]) => [key, rounded(value, SET_DIGITS[key as keyof Feed['launch']] ?? 0)]),
    ) as Feed['launch'],
  }));
  const { court, machines, day } = facts;
  const machine = machineFor(document, document.feeds[0]!, facts);
  const card = makeCard(
    ladder,
    [{ ...document, feeds }],
    court,
    asToday(machine, day),
    machines.map((each) => asToday(each, day)),
  );
  return writeCardLink({ ...card, name: document.name }, origin);
}

/** @param origin of this Good Arc */
export function sheetsOf(facts: CardFacts, units: ReturnType<typeof useUnits>, origin: string): RungSheetWords[] {
  const { ladder, court } = facts;
  const { sport } = ladder;
  return ladder.rungs.map(({ document }, i) => {
    const machine = machineFor(document, document.feeds[0]!, facts);
    const below = ladder.rungs[i - 1]?.document ?? null;
    const lines = setUpLines(document, { sport, machine, marksM: court.marksM, below }, units);
    const { elevationDeg } = machine.profile.repeatability;
    return {
      ...lines,
      elevation: `${lines.elevation} ± ${printAngle(elevationDeg, 1)}`,
      number: i + 1,
      name: document.name,
      focalPoint: document.focalPoint,
      arrives: sayArrival(document, sport, machine, units),
      target: sayTargets(document, sport, units.length),
      balls: `${document.rounds} × ${document.ballsPerRound}${document.hitters ? `, ${document.hitters} in turn` : ''}`,
      gate: sayGate(document),
      feeds: feedsOf(document, facts, units),
      safety: machine.profile.safety,
      cautions: [...cautionsOf(document, facts, units), TAKE_CARE],
      link: linkOf(ladder, document, facts, origin),
      document,
      sport,
    };
  });
}
