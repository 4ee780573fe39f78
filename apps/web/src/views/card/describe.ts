import {
  ballById,
  type Capability,
  type Checklist,
  type Feed,
  gameBallById,
  type Hazard,
  hazardsInSight,
  isIn,
  judgeRung,
  minutesOf,
  needsName,
  printAngle,
  printTime,
  type RungDocument,
  settingsOf,
  speedShareOn,
  surfaceById,
} from '@good-arc/core';
import type { BallRow, CourtRow, LadderRow, MachineRow } from '../../api/rows.ts';
import { aroundOf } from '../../ui/around.ts';
import { sayTargets } from '../../ui/sayTarget.ts';
import { sayCones, sayLanding, sayMachine, sayRecover, sayTurn } from '../../ui/setUpWords.ts';
import type { useUnits } from '../../ui/Units.tsx';
import { sayDay } from '../../ui/when.ts';
import { sayHazard } from '../../words/hazards.ts';
import { sayGate } from '../../words/progress.ts';

type U = ReturnType<typeof useUnits>;

/** What a card is made of. */
export interface CardFacts {
  ladder: LadderRow;
  machine: MachineRow;
  /** Every machine of the club, for rungs that need a second one. */
  machines: readonly MachineRow[];
  court: CourtRow;
  stock: readonly BallRow[];
  checks: Checklist;
  /** Day it is printed, `2026-03-14`: a shift of that day counts. */
  day: string;
}

/** One box a hand goes to. */
interface Box {
  name: string;
  value: string;
  under: string;
}

/** Everything a card says, in the person's units; drawn on paper by the browser, and as a PDF. */
export interface CardWords {
  title: string;
  under: string;
  places: readonly (readonly [what: string, where: string])[];
  boxes: readonly Box[];
  /** The hardest rung first, as one climbs. */
  rows: readonly {
    number: number;
    name: string;
    focalPoint: string;
    dials: string;
    turn: string;
    every: string;
    balls: string;
    gate: string;
    /** Each ball of a rung that has several: what it is, its dials, its turn. */
    feeds: readonly { name: string; dials: string; turn: string }[];
  }[];
  before: readonly string[];
  after: readonly string[];
  safety: string;
  care: string;
  scores: readonly string[];
}

/** On every card, whatever it is of. */
export const TAKE_CARE =
  'Nobody forward of the machine while it is armed. Stop to clear balls underfoot, and at the latest after 28. The machine’s manual and the club’s rules come first.';

export function describeCard(facts: CardFacts, units: U): CardWords {
  const { ladder, machine, court, stock, checks, day } = facts;
  const { rungs, sport, name } = ladder;
  const { document } = rungs[0]!;
  const { launch } = document.feeds[0]!;
  const cones = sayCones(document, sport, units.length);
  const recover = sayRecover(document, sport, units.length);
  const minutes = rungs.reduce((sum, rung) => sum + minutesOf(rung.document), 0);
  const basket = stock.find(({ ballId }) => ballId === document.ballId);
  const place = (spot: { x: number; y: number }): string => sayMachine(sport, spot, court.marksM, units.length);
  return {
    title: name,
    under: [
      court.name,
      `${machine.name}, ${machine.profile.kind.toLowerCase()}`,
      ballById(document.ballId).name + (basket ? ` (${basket.count}, ${basket.condition})` : ''),
      surfaceById(document.surfaceId).name.toLowerCase(),
      `${Math.round(minutes)} min`,
    ].join(' · '),
    places: [
      ['Machine:', `${place(launch)}; ball leaves at ${units.length(launch.z)}.`],
      ['Ball arrives:', `${sayLanding(document.feeds[0]!, sport, units.length)}.`],
      ...(cones ? ([['Hit to:', `${cones}.`]] as const) : []),
      ['Start:', `${place(document.player.start)}.`],
      ...(recover ? ([['Recover:', `${recover}.`]] as const) : []),
    ],
    boxes: boxesOf(settingsOf(document, asToday(machine, day)), launch, document.intervalS, units),
    rows: rungs
      .map(({ document: rung }, i) => {
        const { launch: thrown } = rung.feeds[0]!;
        return {
          number: i + 1,
          name: rung.name,
          focalPoint: rung.focalPoint,
          dials: dialsOf(rung, rung.feeds[0]!, machineFor(rung, rung.feeds[0]!, facts), day) || figuresOf(thrown, units),
          turn: sayTurn(thrown.bearingDeg),
          every: printTime(rung.intervalS, 1),
          balls: `${rung.rounds} × ${rung.ballsPerRound}${rung.hitters ? `, ${rung.hitters} in turn` : ''}`,
          gate: sayGate(rung),
          feeds: feedsOf(rung, facts, units),
        };
      })
      .reverse(),
    ...checks,
    safety: machine.profile.safety,
    care: [...warningsOf(facts, units), TAKE_CARE].join(' '),
    scores: rungs.map(({ document: { gate } }, i) => `${i + 1} ___/${'of' in gate ? gate.of : ladder.rungs[i]!.document.ballsPerRound}`),
  };
}

/** Hazards that a coach may answer for by name. */
const ASKS_NAME: readonly Hazard['code'][] = ['unsafe', 'not-judged'];

/** What has to be minded on one rung, each in a sentence. */
export function cautionsOf(
  document: RungDocument,
  { ladder, machine, machines, court }: Pick<CardFacts, 'ladder' | 'machine' | 'machines' | 'court'>,
  units: U,
): string[] {
  const { profile } = machines.find(({ id }) => id === document.machineId) ?? machine;
  const judged = judgeRung(document, { sport: ladder.sport, machine: profile, gameBall: gameBallById });
  const byName = needsName(document, judged) ? ' Only when a coach confirms it by name.' : '';
  const withName = ({ code }: Hazard): string => (ASKS_NAME.includes(code) ? byName : '');
  const around = aroundOf({ courts: [court], machines: [...machines, machine], players: [] }, document);
  return hazardsInSight(document, ladder.sport, judged, around).map(
    (hazard) => `${sayHazard(hazard, units.length).what}${withName(hazard)}`,
  );
}

/** Rungs that leave too little time, come where nobody should play them, or could not be judged, each in a sentence. */
function warningsOf(
  { ladder, machine, machines, court }: Pick<CardFacts, 'ladder' | 'machine' | 'machines' | 'court'>,
  units: U,
): string[] {
  const said = ladder.rungs.map(({ document }) => cautionsOf(document, { ladder, machine, machines, court }, units));
  // what holds for several rungs is said once
  return [...new Set(said.flat())].map((text) => {
    const rungs = said.flatMap((each, i) => (each.includes(text) ? [i + 1] : []));
    if (rungs.length === said.length && rungs.length > 1) return `Every rung: ${text}`;
    return `${rungs.length === 1 ? 'Rung' : 'Rungs'} ${rungs.join(', ')}: ${text}`;
  });
}

export const asToday = (machine: MachineRow, day: string) => ({ ...machine, speedShare: speedShareOn(machine.today, day) });

const figuresOf = ({ speedMps, elevationDeg }: Feed['launch'], units: U): string =>
  `${units.speed(speedMps)} · ${printAngle(elevationDeg)}`;

/** Where the dials stand for one ball, the interval apart; empty where none is tuned. */
const dialsOf = (rung: RungDocument, feed: Feed, machine: MachineRow, day: string): string =>
  settingsOf(rung, asToday(machine, day), feed)
    .settings.filter(({ moves }) => moves !== 'interval')
    .map(({ text }) => text)
    .join(' · ');

type Thrown = Pick<CardFacts, 'machine' | 'machines' | 'day'>;

/** The machine that throws a ball: its own, or the rung’s; the card’s when that was archived. */
export const machineFor = (rung: RungDocument, feed: Feed, { machine, machines }: Thrown): MachineRow =>
  machines.find(({ id }) => id === (feed.machineId ?? rung.machineId)) ?? machine;

/** The balls of a rung that has more than one. */
export function feedsOf(rung: RungDocument, facts: Thrown, units: U) {
  const thrown = rung.feeds.filter((feed) => isIn(feed, rung.absent));
  if (thrown.length < 2) return [];
  return thrown.map((feed) => {
    const machine = machineFor(rung, feed, facts);
    const where = machine.id === facts.machine.id ? '' : ` (${machine.name})`;
    return {
      name: `${rung.feeds.indexOf(feed) + 1} ${feed.name}${where}`,
      dials: dialsOf(rung, feed, machine, facts.day) || figuresOf(feed.launch, units),
      turn: sayTurn(feed.launch.bearingDeg),
    };
  });
}

/** The four boxes: the first rung's dials, or the figures where a dial is not tuned. */
function boxesOf(
  { settings, untuned }: Capability,
  launch: { speedMps: number; elevationDeg: number; bearingDeg: number },
  intervalS: number,
  units: U,
): Box[] {
  const box = (moves: readonly string[], name: string, figure: string, known: (first: Capability['settings'][number]) => string): Box => {
    const dials = settings.filter((each) => moves.includes(each.moves));
    const [first] = dials;
    if (first)
      return { name: dials.map((each) => each.name).join(', '), value: dials.map(({ text }) => text).join(' / '), under: known(first) };
    return { name, value: figure, under: untuned.some((each) => moves.includes(each.moves)) ? 'dial not tuned' : 'set in figures' };
  };
  const speed = units.speed(launch.speedMps);
  const [angle, every] = [printAngle(launch.elevationDeg), printTime(intervalS, 1)];
  return [
    box(['speed', 'wheel'], 'Speed', speed, ({ lo, hi }) => `${speed}, ± ${units.speed((hi - lo) / 2, 1)}`),
    box(['elevation'], 'Elevation', angle, () => angle),
    box(['interval'], 'Every', every, () => `every ${every}`),
    { name: 'Turn', value: sayTurn(launch.bearingDeg), under: 'from behind it' },
  ];
}

/** The same for a message, in lines for people. */
export function cardLines(facts: Omit<CardFacts, 'stock' | 'checks'>, units: U): string[] {
  const { ladder, machine, court, day } = facts;
  const [first] = ladder.rungs;
  return [
    `${ladder.name} – ${court.name}, ${machine.name}, printed ${sayDay(day)}`,
    `Machine: ${sayMachine(ladder.sport, first!.document.feeds[0]!.launch, court.marksM, units.length)}`,
    ...ladder.rungs.flatMap(({ document }, i) => {
      const { launch } = document.feeds[0]!;
      const dials = settingsOf(document, asToday(machineFor(document, document.feeds[0]!, facts), day))
        .settings.map(({ name, text }) => `${name} ${text}`)
        .join(', ');
      const balls = feedsOf(document, facts, units).map((feed) => `   ball ${feed.name}: ${feed.dials}, turn ${feed.turn}`);
      return [
        `${i + 1}. ${document.name}: ${dials || 'no dial tuned'} (${units.speed(launch.speedMps)}, ${printAngle(launch.elevationDeg)}), turn ${sayTurn(launch.bearingDeg)}, every ${printTime(document.intervalS, 1)}, climb at ${sayGate(document)}; target ${sayTargets(document, ladder.sport, units.length)}`,
        ...balls,
      ];
    }),
    ...warningsOf(facts, units),
    'The lines below rebuild it in Good Arc: Ladders, Read a card.',
  ];
}
