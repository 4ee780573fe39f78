import {
  arrange,
  type BALLS,
  conditionsOf,
  firstSetup,
  type Level,
  MACHINE_KINDS,
  type MachineProfile,
  type RungDocument,
  rungFromSetup,
  type Setup,
  type Sport,
  seededRandom,
  throwBall,
  type Weather,
} from '@good-arc/core';
import { count, eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Db } from '../server/db.ts';
import { DEMO_EMAIL } from '../server/session.ts';
import { ballStock, club, court, ladder, machine, membership, outing, person, player, result, round, rung, session } from './schema.ts';

/** Everything here is invented: the centre, its people, its machines' names. */
const ALTITUDE_M = 900;
const WEEKS = 4;
const DAY_MS = 86_400_000;

interface Made {
  id: string;
  name: string;
}

/** Whether the demo centre is there already. */
export async function isSeeded(db: Db): Promise<boolean> {
  const [row] = await db.select({ n: count() }).from(person).where(eq(person.email, DEMO_EMAIL));
  return (row?.n ?? 0) > 0;
}

/** Empties every table, children first. */
export async function wipe(db: Db): Promise<void> {
  for (const table of [result, round, outing, rung, ladder, machine, ballStock, court, player, session, membership, person, club])
    await db.delete(table);
}

/**
 * The demo centre: courts, machines, players, ladders and four weeks of rounds up to the day before `now`.
 * Results are drawn with a fixed seed; the same day gives the same history.
 */
export async function seedDemo(db: Db, now: Date): Promise<void> {
  const random = seededRandom(2026);
  const id = (): string => uuidv7({ msecs: now.getTime(), random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)) });
  const clubId = id();
  const coachId = id();
  await db.transaction(async (tx) => {
    await tx.insert(club).values({ id: clubId, name: 'Marrow Field Centre', altitudeM: ALTITUDE_M });
    await tx.insert(person).values({ id: coachId, name: 'Dara Fenwick-Oyelaran', email: DEMO_EMAIL, units: 'imperial' });
    await tx.insert(membership).values({ id: id(), clubId, personId: coachId, role: 'owner' });

    const courts = COURTS.map(([name, sport, surfaceId, indoor]) => ({ id: id(), clubId, name, sport, surfaceId, indoor }));
    await tx.insert(court).values(courts);
    const machines = MACHINES.map(([name, kind, notes]) => ({
      id: id(),
      clubId,
      name,
      notes,
      profile: MACHINE_KINDS.find((each) => each.kind === kind)!,
    }));
    await tx.insert(machine).values(machines);
    await tx
      .insert(ballStock)
      .values(STOCK.map(([name, ballId, howMany, condition]) => ({ id: id(), clubId, name, ballId, count: howMany, condition })));
    const players = PLAYERS.map(([name, level, hand, heightM, notes]) => ({ id: id(), clubId, name, level, hand, heightM, notes }));
    await tx.insert(player).values(players);

    const named = <T extends Made>(rows: readonly T[], name: string): T => rows.find((each) => each.name === name)!;
    const rungs: { id: string; document: RungDocument; players: readonly string[]; ease: number }[] = [];
    for (const plan of LADDERS) {
      const ladderId = id();
      await tx
        .insert(ladder)
        .values({ id: ladderId, clubId, name: plan.name, sport: plan.sport, level: plan.level, approach: plan.approach });
      const at = named(courts, plan.court);
      const on = named(machines, plan.machine);
      const made = plan.rungs.map((each, i) => ({
        id: id(),
        document: rungOf(plan, each, at, on),
        players: plan.players,
        ease: 0.8 - 0.13 * i,
      }));
      await tx
        .insert(rung)
        .values(made.map(({ id: rungId, document }, position) => ({ id: rungId, clubId, ladderId, position, document })));
      rungs.push(...made);
    }

    for (let day = WEEKS * 7; day >= 1; day--) {
      if (day % 7 === 0 || random() < 0.35) continue;
      const outingId = id();
      const start = new Date(now.getTime() - day * DAY_MS);
      start.setUTCHours(15 + Math.floor(random() * 3), Math.floor(random() * 50), 0, 0);
      await tx.insert(outing).values({ id: outingId, clubId, personId: coachId, startedAt: start });
      const climbed = 1 - day / (WEEKS * 7);
      const rounds = 2 + Math.floor(random() * 3);
      const first = Math.floor(random() * rungs.length);
      for (let n = 0; n < rounds; n++) {
        const chosen = rungs[(first + n) % rungs.length]!;
        const who = named(players, chosen.players[Math.floor(random() * chosen.players.length)]!);
        const startedAt = new Date(start.getTime() + n * 7 * 60_000);
        const weather: Weather = {
          ...chosen.document.weather,
          temperatureC: Math.round(14 + 10 * random()),
          windXMps: round1(2.5 * (random() - 0.5)),
          windYMps: round1(2 * (random() - 0.5)),
        };
        const roundId = id();
        const { document } = chosen;
        await tx.insert(round).values({
          id: roundId,
          clubId,
          outingId,
          rungId: chosen.id,
          playerId: who.id,
          machineId: document.machineId,
          courtId: document.courtId,
          card: document,
          weather,
          startedAt,
          finishedAt: new Date(startedAt.getTime() + document.ballsPerRound * document.intervalS * 1000 + 20_000),
        });
        const rate = Math.min(0.95, Math.max(0.1, chosen.ease - 0.12 + 0.25 * climbed));
        await tx.insert(result).values(
          Array.from({ length: document.ballsPerRound }, (_, i) => {
            const u = random();
            const launch = document.feeds[i % document.feeds.length]!.launch;
            return {
              id: id(),
              clubId,
              roundId,
              seq: i + 1,
              outcome: u < rate ? 'in' : u < rate + (1 - rate) * 0.5 ? 'near' : u < rate + (1 - rate) * 0.92 ? 'out' : 'let-go',
              speedMps: launch.speedMps * (1 + 0.018 * (random() + random() - 1)),
              elevationDeg: launch.elevationDeg + 0.5 * (random() + random() - 1),
              bearingDeg: launch.bearingDeg + 0.5 * (random() + random() - 1),
              radarMps: null,
            };
          }),
        );
      }
    }
  });
}

const round1 = (value: number): number => Math.round(value * 10) / 10;

interface PlanRung {
  name: string;
  focalPoint: string;
  change: (setup: Setup) => Partial<Setup>;
  balls?: number;
  rounds?: number;
  gate: { hits: number; of: number };
}

interface Plan {
  name: string;
  sport: Sport;
  level: Level;
  approach: 'sweet-spot' | 'earn-it' | 'in-a-row' | 'coachs-eye';
  court: string;
  machine: string;
  players: readonly string[];
  rungs: readonly PlanRung[];
}

function rungOf(
  plan: Plan,
  { name, focalPoint, change, balls = 10, rounds = 2, gate }: PlanRung,
  at: { id: string; sport: Sport; surfaceId: string },
  on: { id: string; profile: MachineProfile },
): RungDocument {
  const start = firstSetup(at, on, plan.level, ALTITUDE_M);
  const setup = { ...start, ...change(start) };
  const rungDocument = rungFromSetup(setup, arrange(setup, on.profile), { name, focalPoint, ballsPerRound: balls, rounds, gate });
  if (!rungDocument) throw new Error(`demo data: “${name}” cannot be thrown: ${arrange(setup, on.profile).reason?.text}`);
  const [feed] = rungDocument.feeds;
  if (!throwBall(conditionsOf(setup), feed!.launch, setup.player.y).arrival)
    throw new Error(`demo data: “${name}” does not reach the player`);
  return rungDocument;
}

const COURTS: readonly [name: string, sport: Sport, surfaceId: string, indoor: boolean][] = [
  ['Court 1', 'tennis', 'tennis-acrylic-medium', false],
  ['Court 2', 'tennis', 'tennis-clay', false],
  ['Orchard pickleball', 'pickleball', 'pickleball-acrylic', false],
  ['Hall pickleball', 'pickleball', 'pickleball-wood', true],
  ['Cage 1', 'baseball', 'baseball-turf', true],
  ['Long Meadow field', 'baseball', 'baseball-grass', false],
];

const MACHINES: readonly [name: string, kind: string, notes: string][] = [
  ['Bramble', 'Two-wheel portable', 'Left wheel squeaks when cold.'],
  ['Wren', 'One-wheel portable', 'Keep on charge between groups.'],
  ['Thistle', 'Holed-ball court machine', ''],
  ['Flint', 'Two-wheel pitching machine', 'Feeder holds fourteen.'],
  ['Heron', 'Programmable field machine', 'Two people to lift.'],
];

const STOCK: readonly [name: string, ballId: (typeof BALLS)[number]['id'], count: number, condition: 'new' | 'good' | 'worn'][] = [
  ['Standard, basket A', 'tennis-standard', 120, 'good'],
  ['Standard, old basket', 'tennis-standard', 80, 'worn'],
  ['Green for juniors', 'tennis-stage1-green', 60, 'good'],
  ['Outdoor pickleballs', 'pickleball-outdoor', 90, 'good'],
  ['Indoor pickleballs', 'pickleball-indoor', 40, 'new'],
  ['Cage baseballs', 'baseball', 72, 'good'],
];

const PLAYERS: readonly [name: string, level: Level, hand: 'left' | 'right', heightM: number, notes: string][] = [
  ['Ines Rookwood', 'Building', 'right', 1.68, 'Backhand first; easy on the left knee.'],
  ['Bo Tallowby', 'Starting', 'right', 1.79, ''],
  ['Sam Pellarin', 'Competing', 'left', 1.74, 'Likes to be told the number of balls.'],
  ['Mira Quistgaard-Lund', 'Advanced', 'right', 1.71, ''],
  ['Theo Larchmont', 'Building', 'right', 1.52, 'Thirteen: at most 60 swings a day.'],
  ['Juno Abasolo', 'Competing', 'right', 1.83, ''],
  ['Peregrine Ashdown-Whittlesea', 'Starting', 'left', 1.66, 'New this month.'],
  ['Nell Orrinsmith', 'Building', 'right', 1.6, ''],
];

const LADDERS: readonly Plan[] = [
  {
    name: 'Backhand: from kind to game',
    sport: 'tennis',
    level: 'Building',
    approach: 'sweet-spot',
    court: 'Court 1',
    machine: 'Bramble',
    players: ['Ines Rookwood', 'Bo Tallowby', 'Sam Pellarin'],
    rungs: [
      {
        name: 'Groove from the service line',
        focalPoint: 'Turn the shoulders before the bounce.',
        gate: { hits: 6, of: 10 },
        change: (s) => ({
          from: { ...s.from, x: 0.5, y: 3 },
          target: { kind: 'landing', x: -0.8, y: -4.2 },
          hold: { elevationDeg: 24 },
          topspinRpm: 0,
          player: { x: -0.8, y: -7.2 },
          intervalS: 3.5,
        }),
      },
      {
        name: 'Same ball, from the baseline',
        focalPoint: 'Let it drop to the waist.',
        gate: { hits: 6, of: 10 },
        change: (s) => ({
          from: { ...s.from, x: 0.5, y: 4.5 },
          target: { kind: 'landing', x: -1.2, y: -7.4 },
          hold: { elevationDeg: 26 },
          topspinRpm: 300,
          player: { x: -1.4, y: -11.6 },
        }),
      },
      {
        name: 'Across the net, deeper',
        focalPoint: 'Long finish over the shoulder.',
        gate: { hits: 5, of: 10 },
        change: (s) => ({
          from: { ...s.from, x: 1, y: 7 },
          target: { kind: 'landing', x: -1.6, y: -8.2 },
          hold: { elevationDeg: 20 },
          topspinRpm: 800,
          player: { x: -1.8, y: -12.2 },
        }),
      },
      {
        name: 'From the far baseline, with weight',
        focalPoint: 'Early racket, then move.',
        gate: { hits: 5, of: 10 },
        change: (s) => ({
          from: { ...s.from, x: 1.2, y: 11.6 },
          target: { kind: 'landing', x: -1.8, y: -8.8 },
          hold: { elevationDeg: 15 },
          topspinRpm: 1400,
          player: { x: -2, y: -12.4 },
          intervalS: 4.5,
        }),
      },
    ],
  },
  {
    name: 'Soft hands: drops off underspin',
    sport: 'pickleball',
    level: 'Building',
    approach: 'earn-it',
    court: 'Orchard pickleball',
    machine: 'Thistle',
    players: ['Nell Orrinsmith', 'Juno Abasolo', 'Peregrine Ashdown-Whittlesea'],
    rungs: [
      {
        name: 'High and slow to mid-court',
        focalPoint: 'Paddle under the ball, knees do the lift.',
        gate: { hits: 7, of: 10 },
        change: (s) => ({
          from: { ...s.from, y: 4.5 },
          target: { kind: 'landing', x: 0.4, y: -3.4 },
          hold: { elevationDeg: 30 },
          topspinRpm: 0,
          player: { x: 0.5, y: -4.8 },
        }),
      },
      {
        name: 'Deeper, a little underspin',
        focalPoint: 'Wait for it; it stays low.',
        gate: { hits: 7, of: 10 },
        change: () => ({
          target: { kind: 'landing', x: 0.6, y: -4.4 },
          hold: { elevationDeg: 24 },
          topspinRpm: -400,
          player: { x: 0.7, y: -6.2 },
        }),
      },
      {
        name: 'Deep return, from the baseline',
        focalPoint: 'First step forward after contact.',
        gate: { hits: 6, of: 10 },
        change: () => ({
          target: { kind: 'landing', x: 0.8, y: -5 },
          hold: { elevationDeg: 21 },
          topspinRpm: -700,
          player: { x: 0.9, y: -6.9 },
          intervalS: 4.5,
        }),
      },
    ],
  },
  {
    name: 'Cage climb: straight ball',
    sport: 'baseball',
    level: 'Building',
    approach: 'in-a-row',
    court: 'Cage 1',
    machine: 'Flint',
    players: ['Theo Larchmont', 'Mira Quistgaard-Lund'],
    rungs: [
      {
        name: 'Easy and true',
        focalPoint: 'Load when the ball drops into the feeder.',
        gate: { hits: 6, of: 8 },
        balls: 8,
        rounds: 3,
        change: () => ({ hold: { speedMps: 18 }, topspinRpm: -1000, intervalS: 7 }),
      },
      {
        name: 'Quicker hands',
        focalPoint: 'Short path to the ball.',
        gate: { hits: 5, of: 8 },
        balls: 8,
        rounds: 3,
        change: () => ({ hold: { speedMps: 22 }, topspinRpm: -1400, intervalS: 7 }),
      },
      {
        name: 'Game look',
        focalPoint: 'See it early, stay inside it.',
        gate: { hits: 4, of: 8 },
        balls: 8,
        rounds: 3,
        change: () => ({ hold: { speedMps: 26.5 }, topspinRpm: -1800, intervalS: 8 }),
      },
    ],
  },
];
