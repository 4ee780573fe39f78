import type { ReasonCode } from '../aim/index.ts';
import { conditionsOf, heldOf } from '../bench/index.ts';
import { netBetween, type Sport } from '../catalog/index.ts';
import type { Feed, LadderDocument, RungDocument } from '../drill/index.ts';
import type { CourtId, MachineId, SurfaceId } from '../ids.ts';
import { aimMachine, type DialledMachine, spinFor } from '../machine/index.ts';
import { MOST_OTHERS } from './card-limits.ts';
import type { Card } from './card-schema.ts';
import { settingsOf } from './settings.ts';

/** To the millimetre, the hundredth of a degree, a thousandth of anything else: a card is read back as it was written. */
function rounded<T>(value: T): T {
  if (typeof value === 'number') return (Math.round(value * 1000) / 1000) as T;
  if (Array.isArray(value)) return value.map(rounded) as T;
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, rounded(each)])) as T;
  return value;
}

const cardMachine = ({ name, profile }: DialledMachine & { name: string }): Card['machine'] => ({
  name,
  kind: profile.kind,
  safety: profile.safety,
});

/**
 * A ladder as a card, its dial values those of the day.
 * @param club the club’s machines, for rungs that need more than one; a ball of a machine that is not among them goes to the first
 */
export function makeCard(
  { name, sport, level, approach }: LadderDocument,
  rungs: readonly RungDocument[],
  court: Card['court'],
  machine: DialledMachine & { name: string },
  club: readonly (DialledMachine & { id: string; name: string })[] = [],
): Card {
  const needed = new Set(rungs.flatMap((rung) => rung.feeds.map((feed) => feed.machineId ?? rung.machineId)));
  const firstId = rungs[0]?.machineId;
  const others = club.filter(({ id }) => id !== firstId && needed.has(id)).slice(0, MOST_OTHERS);
  const dialsOf = (rung: Pick<RungDocument, 'feeds' | 'ballId' | 'intervalS'>, by: DialledMachine, feed: Feed) =>
    settingsOf(rung, by, feed).settings.map((each) => ({ name: each.name, reading: each.text }));
  return rounded({
    format: 'good-arc-card',
    version: 1,
    name,
    sport,
    level,
    approach,
    court: { name: court.name, surfaceId: court.surfaceId, indoor: court.indoor },
    machine: cardMachine(machine),
    ...(others.length > 0 && { others: others.map(cardMachine) }),
    rungs: rungs.map(({ courtId: _court, machineId, ...rung }) => {
      const throwers = rung.feeds.map((feed) => 1 + others.findIndex(({ id }) => id === (feed.machineId ?? machineId)));
      const balls = rung.feeds.map((feed, i) => ({
        machine: throwers[i]!,
        dials: dialsOf(rung, others[throwers[i]! - 1] ?? machine, feed),
      }));
      return {
        rung: { ...rung, feeds: rung.feeds.map(({ machineId: _own, ...feed }) => feed) },
        dials: balls[0]!.dials,
        ...((balls.length > 1 || throwers.some((each) => each > 0)) && { balls }),
      };
    }),
  });
}

/** What of a card could not be matched at this club, with its figures. */
export type Unmatched = {
  /** Rung, from 1; 0 for the card as a whole. */
  rung: number;
} & (
  | { code: 'kind'; figures: { made: string; machine: string; kind: string } }
  | { code: 'machine'; figures: { made: string } }
  | { code: 'surface'; figures: { court: string } }
  /** A second machine that is not here, its name and kind where they are known: which throws its balls, and whether that is the first. */
  | { code: 'second'; figures: { made: { name: string; kind: string } | null; machine: string; isFirst: boolean } }
  | { code: 'spin'; figures: { machine: string; wantedRpm: number; givenRpm: number } }
  | { code: 'reach'; figures: { machine: string; why: ReasonCode } }
  | { code: 'unaimed'; figures: { machine: string } }
);
/** Notes what could not be matched. */
type Say = (unmatched: Unmatched) => void;

/** What a card can be matched with. */
export interface ClubKit {
  machines: readonly (DialledMachine & { id: string; name: string })[];
  courts: readonly { id: string; name: string; sport: Sport; surfaceId: SurfaceId; indoor: boolean; ceilingM?: number | null }[];
}

/** A card of another club on this one’s kit: the rungs as they would be thrown here, and what could not be matched. */
export interface CardMatch {
  machineId: MachineId;
  courtId: CourtId;
  rungs: RungDocument[];
  unmatched: Unmatched[];
}

/**
 * A card from elsewhere on this club's machine and court: the same ball to the same spot, re-aimed from where this machine lets go of it.
 * @returns null when the club has no machine or no court for the sport
 */
export function matchCard(card: Card, kit: ClubKit, chosen: { machineId?: MachineId; courtId?: CourtId } = {}): CardMatch | null {
  const machines = kit.machines.filter(({ profile }) => profile.sports.includes(card.sport));
  const machine =
    machines.find(({ id }) => id === chosen.machineId) ??
    machines.find(({ name, profile }) => name === card.machine.name && profile.kind === card.machine.kind) ??
    machines.find(({ profile }) => profile.kind === card.machine.kind) ??
    machines[0];
  const courts = kit.courts.filter(({ sport }) => sport === card.sport);
  const court =
    courts.find(({ id }) => id === chosen.courtId) ??
    courts.find(({ name, surfaceId }) => name === card.court.name && surfaceId === card.court.surfaceId) ??
    courts.find(({ surfaceId }) => surfaceId === card.court.surfaceId) ??
    courts[0];
  if (!machine || !court) return null;
  const unmatched: Unmatched[] = [];
  const say: Say = (each) => void unmatched.push(each);
  if (machine.profile.kind !== card.machine.kind)
    say({ rung: 0, code: 'kind', figures: { made: card.machine.kind, machine: machine.name, kind: machine.profile.kind } });
  else if (machine.name !== card.machine.name) say({ rung: 0, code: 'machine', figures: { made: card.machine.name } });
  if (court.surfaceId !== card.court.surfaceId) say({ rung: 0, code: 'surface', figures: { court: court.name } });
  const own = secondMachines(card, machine, machines, say);
  const rungs = card.rungs.map((each, i) => {
    const throwers = each.rung.feeds.map((_, ball) => own.get(throwerOf(each, ball)) ?? machine);
    const kinds = each.rung.feeds.map((_, ball) => {
      const key = throwerOf(each, ball);
      return (key === '' ? card.machine : card.others?.[Number(key) - 1])?.kind ?? '';
    });
    return onMachine(each.rung, i + 1, card.sport, machine, throwers, kinds, court, say);
  });
  return { machineId: machine.id, courtId: court.id, rungs, unmatched };
}

type ClubMachine = ClubKit['machines'][number];

/** What a ball’s second machine goes by in a card: its place among the others; empty: the first. */
const throwerOf = ({ balls }: Card['rungs'][number], ball: number): string => String(balls?.[ball]?.machine || '');

/** The machine here for every second one of a card: itself when it is this club’s card, else one of its kind, else any other, else the first throws its balls, too. */
function secondMachines(card: Card, machine: ClubMachine, machines: readonly ClubMachine[], say: Say): Map<string, ClubMachine> {
  const own = new Map<string, ClubMachine>();
  card.rungs.forEach((each, i) => {
    for (const key of each.rung.feeds.map((_, ball) => throwerOf(each, ball))) {
      if (key === '' || own.has(key)) continue;
      const sent = card.others?.[Number(key) - 1];
      const free = machines.filter(({ id }) => id !== machine.id && ![...own.values()].some((taken) => taken.id === id));
      const here = free.find(({ name, profile }) => name === sent?.name && profile.kind === sent.kind);
      const other = here ?? free.find(({ profile }) => profile.kind === sent?.kind) ?? free[0] ?? machine;
      own.set(key, other);
      const made = sent ? { name: sent.name, kind: sent.kind } : null;
      if (other === machine || !here)
        say({ rung: i + 1, code: 'second', figures: { made, machine: other.name, isFirst: other === machine } });
    }
  });
  return own;
}

function onMachine(
  rung: Card['rungs'][number]['rung'],
  number: number,
  sport: Sport,
  first: ClubMachine,
  throwers: readonly ClubMachine[],
  kinds: readonly string[],
  court: ClubKit['courts'][number],
  say: Say,
): RungDocument {
  const feeds = rung.feeds.map(({ machineId: _sent, ...rest }, ball) => {
    const machine = throwers[ball]!;
    const feed = machine === first ? rest : { ...rest, machineId: machine.id };
    const { profile, name } = machine;
    const { launch, target } = feed;
    // the same kind lets go where it did; another where that one does
    const from = { x: launch.x, y: launch.y, z: kinds[ball] === profile.kind ? launch.z : profile.releaseHeightM };
    const spin = spinFor(profile.spin, launch, launch.speedMps);
    if (Math.abs(spin.topspinRpm - launch.topspinRpm) > 100 || Math.abs(spin.sidespinRpm - launch.sidespinRpm) > 100)
      say({ rung: number, code: 'spin', figures: { machine: name, wantedRpm: launch.topspinRpm, givenRpm: spin.topspinRpm } });
    const targetY = target.kind === 'landing' ? target.y : target.planeY;
    const net = netBetween(sport, from.y, targetY);
    const conditions = conditionsOf({ ...rung, surfaceId: court.surfaceId });
    const { hold, arc } = heldOf(feed, conditions, sport);
    const answer = aimMachine(profile, { conditions, from, target, net, ceilingM: court.ceilingM ?? null }, launch, hold, arc);
    const solution = answer.solutions.find((each) => each.arc === arc) ?? answer.solutions[0] ?? answer.reason?.nearest;
    if (!solution) {
      say({ rung: number, code: 'unaimed', figures: { machine: name } });
      return feed;
    }
    if (answer.solutions.length === 0)
      say({ rung: number, code: 'reach', figures: { machine: name, why: answer.reason?.code ?? 'out-of-reach' } });
    const { speedMps, elevationDeg, bearingDeg } = solution;
    return { ...feed, launch: { ...launch, ...from, speedMps, elevationDeg, bearingDeg, ...spinFor(profile.spin, launch, speedMps) } };
  });
  return { ...rung, feeds, courtId: court.id, machineId: first.id, surfaceId: court.surfaceId };
}
