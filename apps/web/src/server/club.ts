import { demandTimes, once, type PlayerId, type RungId, speedShareOn } from '@good-arc/core';
import { and, count, countDistinct, eq, gt, max, type SQL, sql, sum } from 'drizzle-orm';
import type { ClubPlayer, ClubWeek, Kit, KitWorry, LadderRow, WrongRung } from '../api/rows.ts';
import { machine, round, tuneUp } from '../db/schema.ts';
import { learnAnswers, readLearnt } from './comers.ts';
import type { Db } from './db.ts';
import { beganSince } from './list-rounds.ts';
import { standingsOf } from './standings.ts';
import { ofClub, type Store } from './store.ts';
import { type Touched, untilTouched } from './touched.ts';
import { unlessChanged } from './unchanged.ts';

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;
/** Who was here lately, and what rungs came to: so many days back. */
const LATELY_DAYS = 28;
const RUNGS_DAYS = 84;
/** Players whose whole record is looked through; those who were here last. */
const MOST_LOOKED_THROUGH = 30;
/** A rung is wrong for everybody from so few players and rounds on, below or above such a rate. */
const WRONG = { players: 2, rounds: 6, hard: 0.35, easy: 0.85 };
/** From then on a machine wants a test ball, and a basket another look (common practice, no source). */
const TUNED_DAYS = 60;
const OPENED_DAYS = 60;
const DRAG_SHARE = 1.08;
/** From so few players on what harder balls cost in the club is worth a word. */
const TOLD_BY_PLAYERS = 3;

const COUNTS = { rounds: count(), balls: sum(round.balls).mapWith(Number), hits: sum(round.hits).mapWith(Number) };
interface Counted {
  rounds: number;
  balls: number;
  hits: number;
}
interface Since<R> {
  from: Date;
  rows: readonly R[];
}
type Here = { playerId: PlayerId; last: Date | null } & Counted;
const WERE_HERE = (db: Db, where?: SQL) =>
  db
    .select({ playerId: round.playerId, last: max(round.startedAt), ...COUNTS })
    .from(round)
    .where(and(beganSince(), where))
    .groupBy(round.playerId);
const ALL_HERE = once((db: Db) => WERE_HERE(db).prepare());
const ONE_HERE = once((db: Db) => WERE_HERE(db, eq(round.playerId, sql.placeholder('playerId'))).prepare());
const lately = untilTouched<Since<Here>>(100, (store, before, touched) =>
  ofTouched('playerId', before, touched, (playerId) => store.ask(ONE_HERE, { from: before.from, playerId })),
);

type Ran = { rungId: RungId; players: number } & Counted;
const RAN = (db: Db, where?: SQL) =>
  db
    .select({ rungId: round.rungId, players: countDistinct(round.playerId), ...COUNTS })
    .from(round)
    .where(and(beganSince(), eq(round.forLearning, false), gt(round.balls, 0), where))
    .groupBy(round.rungId);
const ALL_RAN = once((db: Db) => RAN(db).prepare());
const ONE_RAN = once((db: Db) => RAN(db, eq(round.rungId, sql.placeholder('rungId'))).prepare());
const ran = untilTouched<Since<Ran>>(100, (store, before, touched) =>
  ofTouched('rungId', before, touched, (rungId) => store.ask(ONE_RAN, { from: before.from, rungId })),
);

/** The rows of those of whom a round was touched, counted again; undefined where one may be somebody else’s now. */
async function ofTouched<K extends 'playerId' | 'rungId', R extends Record<K, string>>(
  by: K,
  { from, rows }: Since<R>,
  touched: readonly Touched[],
  count: (id: string) => Promise<R[]>,
): Promise<Since<R> | undefined> {
  if (touched.some(({ hasMoved }) => hasMoved)) return undefined;
  const ids = [...new Set(touched.map((each) => each[by]))];
  const counted = (await Promise.all(ids.map(count))).flat();
  return { from, rows: [...rows.filter((each) => !ids.includes(each[by])), ...counted] };
}
const TUNED = once((db: Db) =>
  db
    .select({ machineId: tuneUp.machineId, last: max(tuneUp.tunedAt) })
    .from(tuneUp)
    .innerJoin(machine, and(eq(machine.id, tuneUp.machineId), ofClub(machine)))
    .where(ofClub(tuneUp))
    .groupBy(tuneUp.machineId)
    .prepare(),
);
/** A tune-up changes its machine, too. */
const tunedLast = unlessChanged('kit', (store) => store.ask(TUNED));

/** What a club should know this week: who was here, who stands still, which rungs are wrong, what of its kit wants a look. */
export async function readClub(store: Store, kit: Kit, ladders: readonly LadderRow[], now: Date): Promise<ClubWeek> {
  // by the hour: what is kept stands as long
  const since = (days: number): Date => new Date(Math.floor(now.getTime() / HOUR_MS) * HOUR_MS - days * DAY_MS);
  const [fromLately, fromRuns] = [since(LATELY_DAYS), since(RUNGS_DAYS)];
  const all = async <R>(own: Store, from: Date, statement: Parameters<typeof own.ask<R[]>>[0]): Promise<Since<R>> => ({
    from,
    rows: await own.ask(statement, { from }),
  });
  const [here, { rows: rungs }, tuned] = await Promise.all([
    lately(store, { key: fromLately.toISOString(), of: {} }, (own) => all(own, fromLately, ALL_HERE)),
    ran(store, { key: fromRuns.toISOString(), of: {} }, (own) => all(own, fromRuns, ALL_RAN)),
    tunedLast(store),
  ]);
  const newestFirst = [...here.rows].sort((a, b) => Number(b.last) - Number(a.last));
  const present = newestFirst.flatMap(({ playerId, last, ...counts }) => {
    const player = kit.players.find(({ id }) => id === playerId);
    return player && last ? [{ player, last: last.toISOString(), ...counts }] : [];
  });
  const { comers, answers: before } = await readLearnt(
    store,
    kit,
    present.slice(0, MOST_LOOKED_THROUGH).map(({ player }) => player),
  );
  const { answers, players: told } = await learnAnswers(store, comers, before);
  const players = present.map(({ player, last, rounds, balls, hits }): ClubPlayer => {
    const comer = comers.find((each) => each.player.id === player.id);
    const trends = comer?.progress.strokes.filter(({ trend }) => trend === 'better' || trend === 'worse') ?? [];
    return {
      id: player.id as PlayerId,
      name: player.name,
      last,
      rounds,
      balls,
      hits,
      trends: trends.map(({ sport, stroke, trend }) => ({ sport, stroke, trend })),
      stalled: comer ? standingsOf(comer.rounds, ladders, now).filter(({ isStalled }) => isStalled) : [],
    };
  });
  const wrong = rungs.flatMap(({ rungId, players: many, rounds, balls, hits }): WrongRung[] => {
    const ladder = ladders.find((each) => each.rungs.some(({ id }) => id === rungId));
    const rung = ladder?.rungs.find(({ id }) => id === rungId);
    const rate = hits / balls;
    if (!ladder || !rung || many < WRONG.players || rounds < WRONG.rounds || balls === 0) return [];
    if (rate > WRONG.hard && rate < WRONG.easy) return [];
    const counts = { players: many, rounds, balls, hits };
    return [{ rungId, ladderId: ladder.id, name: rung.document.name, ladderName: ladder.name, ...counts, isHard: rate <= WRONG.hard }];
  });
  return {
    players,
    away: kit.players.filter(({ id }) => !players.some((each) => each.id === id)).map(({ name }) => name),
    wrong,
    demand: told >= TOLD_BY_PLAYERS ? { times: demandTimes(answers), players: told } : null,
    kit: kitWorries(kit, new Map(tuned.map(({ machineId, last }) => [machineId as string, last])), now),
  };
}

function kitWorries({ machines, balls }: Kit, tuned: ReadonlyMap<string, Date | null>, now: Date): KitWorry[] {
  const daysSince = (then: Date): number => Math.floor((now.getTime() - then.getTime()) / DAY_MS);
  const ofMachines = machines.flatMap(({ id, name, today }): KitWorry[] => {
    const head = { what: 'machine', id, name } as const;
    const last = tuned.get(id);
    const share = speedShareOn(today, now.toISOString().slice(0, 10));
    if (Math.abs(share - 1) >= 0.03) return [{ ...head, code: share < 1 ? 'slow-today' : 'fast-today', share }];
    if (!last) return [{ ...head, code: 'never-tuned' }];
    return daysSince(last) >= TUNED_DAYS ? [{ ...head, code: 'tuned-long-ago', days: daysSince(last) }] : [];
  });
  const ofBaskets = balls.flatMap(({ id, name, condition, openedOn, dragShare }): KitWorry[] => {
    const head = { what: 'basket', id, name } as const;
    if (condition === 'worn') return [{ ...head, code: 'worn' }];
    if (dragShare >= DRAG_SHARE) return [{ ...head, code: 'drag', share: dragShare }];
    const days = openedOn === '' ? 0 : daysSince(new Date(openedOn));
    return days >= OPENED_DAYS ? [{ ...head, code: 'opened-long-ago', days }] : [];
  });
  return [...ofMachines, ...ofBaskets];
}
