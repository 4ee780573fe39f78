import {
  arrange,
  conditionsOf,
  curveFrom,
  type DrillId,
  feedsOf,
  firstDials,
  firstSetup,
  fitTuneUp,
  type LadderDocument,
  MACHINE_KINDS,
  type MachineProfile,
  type RungDocument,
  rungFromSetup,
  type SeasonDocument,
  type Setup,
  type Sport,
  type SurfaceId,
  scoreOf,
  seededRandom,
  setupToMeet,
  targetSpot,
  throwBall,
  type Weather,
} from '@good-arc/core';
import { count, eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Db } from '../server/db.ts';
import { DEMO_EMAIL } from '../server/session.ts';
import { SUMS } from '../server/sums.ts';
import { dayAfter } from '../ui/day.ts';
import {
  ALTITUDE_M,
  COURTS,
  type DemoLadder,
  type DemoRung,
  GAME_BALLS,
  GOAL,
  LADDERS,
  MACHINES,
  PLAYERS,
  SEASON,
  SQUADS,
  STOCK,
  TAKEN_UP,
} from './demo-centre.ts';
import { builtLadder, drillLadder, planFor } from './demo-ladders.ts';
import { demoTuneUp } from './demo-tune-ups.ts';
import {
  ballStock,
  club,
  correction,
  court,
  gameBall,
  ladder,
  live,
  machine,
  membership,
  outing,
  person,
  plan,
  player,
  result,
  round,
  rung,
  session,
  squad,
  tuneUp,
} from './schema.ts';

const WEEKS = 12;
/** One player’s last weeks went worse, in wind: there is something to find in the logbook. */
const WORSE = { name: 'Sam Pellarin', days: 24, by: 0.24, windMps: 4.5 };
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
  for (const table of [
    plan,
    squad,
    tuneUp,
    correction,
    live,
    result,
    round,
    outing,
    rung,
    ladder,
    machine,
    gameBall,
    ballStock,
    court,
    player,
    session,
    membership,
    person,
    club,
  ])
    await db.delete(table);
}

/**
 * The demo centre: courts, machines, players, ladders and twelve weeks of rounds up to the day before `now`.
 * Results are drawn with a fixed seed; the same day gives the same history.
 */
export async function seedDemo(db: Db, now: Date): Promise<void> {
  const random = seededRandom(2026);
  const id = (): string => uuidv7({ msecs: now.getTime(), random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)) });
  const today = now.toISOString().slice(0, 10);
  const clubId = id();
  const coachId = id();
  await db.transaction(async (tx) => {
    await tx.insert(club).values({ id: clubId, name: 'Marrow Field Centre', altitudeM: ALTITUDE_M });
    await tx.insert(person).values({ id: coachId, name: 'Dara Fenwick-Oyelaran', email: DEMO_EMAIL, units: 'imperial' });
    await tx.insert(membership).values({ id: id(), clubId, personId: coachId, role: 'owner' });

    const courts = COURTS.map(([name, sport, surfaceId, indoor, ceilingM = null]) => ({
      id: id(),
      clubId,
      name,
      sport,
      surfaceId,
      indoor,
      ceilingM,
    }));
    await tx.insert(court).values(courts);
    const machines = MACHINES.map(([name, kind, notes]) => ({
      id: id(),
      clubId,
      name,
      notes,
      profile: MACHINE_KINDS.find((each) => each.kind === kind)!,
      dials: firstDials({ kind }),
    }));
    await tx.insert(machine).values(machines);
    const stock = STOCK.map(([name, ballId, howMany, condition]) => ({ id: id(), clubId, name, ballId, count: howMany, condition }));
    await tx.insert(ballStock).values(stock);
    const players = PLAYERS.map(([name, level, hand, heightM, notes, goals = '', avoid = '', ageYears]) => ({
      id: id(),
      clubId,
      name,
      level,
      hand,
      heightM,
      notes,
      goals,
      avoid,
      bornYear: ageYears === undefined ? null : now.getFullYear() - ageYears - 1,
      aims: name === GOAL.player ? [{ ...GOAL.aim, by: dayAfter(today, GOAL.days) }] : null,
    }));
    await tx.insert(player).values(players);

    const named = <T extends Made>(rows: readonly T[], name: string): T => rows.find((each) => each.name === name)!;
    const rungs: { id: string; document: RungDocument; players: readonly string[]; ease: number }[] = [];
    for (const demo of LADDERS) {
      const ladderId = id();
      await tx
        .insert(ladder)
        .values({ id: ladderId, clubId, name: demo.name, sport: demo.sport, level: demo.level, approach: demo.approach });
      const at = named(courts, demo.court);
      const on = named(machines, demo.machine);
      const made = demo.rungs.map((each, i) => ({
        id: id(),
        document: rungOf(demo, each, at, on),
        players: demo.players,
        ease: 0.8 - 0.13 * i,
      }));
      await tx
        .insert(rung)
        .values(made.map(({ id: rungId, document }, position) => ({ id: rungId, clubId, ladderId, position, document })));
      rungs.push(...made);
      if (demo.name === SEASON.ladder) {
        const season: SeasonDocument = {
          ladderId: ladderId as SeasonDocument['ladderId'],
          ...SEASON.document,
          weekdays: [...SEASON.document.weekdays],
          from: dayAfter(today, -SEASON.since),
          to: dayAfter(today, SEASON.until),
        };
        await tx
          .update(player)
          .set({ season })
          .where(eq(player.id, named(players, SEASON.player).id));
      }
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
        const isWorse = who.name === WORSE.name && day <= WORSE.days;
        const weather: Weather = {
          ...chosen.document.weather,
          temperatureC: Math.round(14 + 10 * random()),
          windXMps: round1(2.5 * (random() - 0.5) + (isWorse ? WORSE.windMps : 0)),
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
        const feedOf = feedsOf(document);
        const rate = Math.min(0.95, Math.max(0.1, chosen.ease - 0.12 + 0.25 * climbed - (isWorse ? WORSE.by : 0)));
        await tx.insert(result).values(
          Array.from({ length: document.ballsPerRound }, (_, i) => {
            const u = random();
            const feed = feedOf({ seq: i + 1 })!;
            const { launch } = feed;
            const outcome = u < rate ? 'in' : u < rate + (1 - rate) * 0.5 ? 'near' : u < rate + (1 - rate) * 0.92 ? 'out' : 'let-go';
            const score = scoreOf(document, feed, outcome);
            return {
              id: id(),
              clubId,
              roundId,
              seq: i + 1,
              feedId: feed.id,
              outcome,
              hit: score === null ? null : score === 'hit',
              speedMps: launch.speedMps * (1 + 0.018 * (random() + random() - 1)),
              elevationDeg: launch.elevationDeg + 0.5 * (random() + random() - 1),
              bearingDeg: launch.bearingDeg + 0.5 * (random() + random() - 1),
              topspinRpm: launch.topspinRpm,
              sidespinRpm: launch.sidespinRpm,
              gyroRpm: launch.gyroRpm,
              radarMps: null,
            };
          }),
        );
      }
    }
    await tx.update(round).set(SUMS).where(eq(round.clubId, clubId));
    await tx.insert(gameBall).values(GAME_BALLS.map(([name, document, notes]) => ({ id: id(), clubId, name, document, notes })));

    // one machine whose dials were learnt, so that dial values show; the others wait to be tuned
    const tuned = named(machines, 'Bramble');
    const tunedAt = new Date(now.getTime() - 9 * DAY_MS);
    const documents = tuned.dials
      .filter(({ moves }) => moves !== 'topspin')
      .map((dial) => demoTuneUp(tuned, dial, { courtId: named(courts, 'Court 1').id, ballStockId: named(stock, 'Standard, basket A').id }));
    const dials = tuned.dials.map((dial) => {
      const document = documents.find(({ dialId }) => dialId === dial.id);
      const fit = document && fitTuneUp(document, dial, tuned.profile);
      return fit ? { ...dial, curve: curveFrom(fit, document, tunedAt.toISOString()) } : dial;
    });
    await tx.update(machine).set({ dials }).where(eq(machine.id, tuned.id));
    await tx
      .insert(tuneUp)
      .values(documents.map((document) => ({ id: id(), clubId, machineId: tuned.id, personId: coachId, document, tunedAt })));

    const keep = async (
      name: string,
      head: Omit<LadderDocument, 'name'>,
      built: readonly RungDocument[],
      drillId?: DrillId,
    ): Promise<string> => {
      const ladderId = id();
      const origin = drillId ? { drillId, rungs: [...built] } : null;
      await tx.insert(ladder).values({ id: ladderId, clubId, name, ...head, origin });
      await tx.insert(rung).values(built.map((document, position) => ({ id: id(), clubId, ladderId, position, document })));
      return ladderId;
    };
    const [court1, orchard, cage] = ['Court 1', 'Orchard pickleball', 'Cage 1'].map((name) => named(courts, name));
    const [bramble, thistle, flint, heron] = ['Bramble', 'Thistle', 'Flint', 'Heron'].map((name) => named(machines, name));
    await keep(
      'Sam: rally drive, forehand',
      { sport: 'tennis', level: 'Competing', approach: 'sweet-spot' },
      builtLadder(court1!, bramble!),
    );
    const lines = drillLadder('pickleball-two-lines', orchard!, thistle!);
    const linesId = await keep(
      'Two lines, three players',
      { sport: 'pickleball', level: 'Competing', approach: 'earn-it' },
      lines,
      'pickleball-two-lines',
    );
    const calls = drillLadder('baseball-two-machines-one-voice', cage!, heron!, flint!);
    await keep(
      'Two machines, one voice',
      { sport: 'baseball', level: 'Advanced', approach: 'earn-it' },
      calls,
      'baseball-two-machines-one-voice',
    );
    // last, so that what is drawn for the rest stays as it was
    for (const { court: name, sport, surfaceId, machine: on, profile, basket, ballId } of TAKEN_UP) {
      await tx.insert(court).values({ id: id(), clubId, name, sport, surfaceId, indoor: false, ceilingM: null });
      await tx.insert(machine).values({ id: id(), clubId, name: on, notes: '', profile, dials: firstDials(profile) });
      await tx.insert(ballStock).values({ id: id(), clubId, name: basket, ballId, count: 48, condition: 'good' });
    }
    const squads = SQUADS.map(([name, who, notes]) => ({
      id: id(),
      clubId,
      name,
      playerIds: who.map((each) => named(players, each).id),
      notes,
    }));
    await tx.insert(squad).values(squads);
    const inTwoDays = new Date(now.getTime() + 2 * DAY_MS).toISOString().slice(0, 10);
    const planned = planFor(linesId, squads[0]!.playerIds, inTwoDays);
    await tx.insert(plan).values({ id: id(), clubId, ladderId: linesId, startsAt: planned.startsAt, document: planned });
  });
}

const round1 = (value: number): number => Math.round(value * 10) / 10;

/** A demo coach brings every ball to where the level should meet it. */
function atGoodHeight(setup: Setup, profile: MachineProfile): Setup {
  const arrangement = arrange(setup, profile);
  const height = arrangement.comfort?.height;
  if (!height || height.word === 'good') return setup;
  return setupToMeet(setup, profile, arrangement, (height.band[0] + height.band[1]) / 2) ?? setup;
}

function rungOf(
  demo: DemoLadder,
  { name, focalPoint, change, balls = 10, rounds = 2, gate }: DemoRung,
  at: { id: string; sport: Sport; surfaceId: SurfaceId },
  on: { id: string; profile: MachineProfile },
): RungDocument {
  const start = firstSetup(at, on, demo.level, ALTITUDE_M);
  const setup = atGoodHeight({ ...start, ...change(start) }, on.profile);
  const rungDocument = rungFromSetup(setup, arrange(setup, on.profile), { name, focalPoint, ballsPerRound: balls, rounds, gate });
  if (!rungDocument) throw new Error(`demo data: “${name}” cannot be thrown: ${arrange(setup, on.profile).reason?.code}`);
  const [feed] = rungDocument.feeds;
  if (!throwBall(conditionsOf(setup), feed!.launch, setup.player.y).arrival)
    throw new Error(`demo data: “${name}” does not reach the player`);
  return demo.hit ? { ...rungDocument, targetAt: targetSpot(demo.sport, demo.hit, rungDocument.targetSize) } : rungDocument;
}
