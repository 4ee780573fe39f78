import {
  BALLS,
  type BallId,
  type CourtId,
  handOn,
  type Level,
  type MachineId,
  type PlayerId,
  SPORT_RECORDS,
  SPORTS,
  type Sport,
  type Venue,
} from '@good-arc/core';
import { useState } from 'react';
import type { CourtRow, Kit, MachineRow, PlayerRow, Viewer } from '../../api/rows.ts';
import { machineFor } from '../../ui/machineFor.ts';

/** Where, with what and for whom a ladder is made. */
export interface Where {
  courtId: CourtId;
  machineId: MachineId;
  /** A basket of the club’s, or a kind of ball. */
  ballId: BallId;
  playerId: PlayerId;
  level: Level;
  hand: 'left' | 'right';
}

/** Balls to choose from: the club’s baskets of the sport first, then every kind. */
export function ballChoices(kit: Kit, sport: Sport): (readonly [id: string, name: string])[] {
  const kinds = BALLS.filter((ball) => ball.sport === sport);
  const baskets = kit.balls.filter(({ ballId }) => kinds.some(({ id }) => id === ballId));
  return [
    ...baskets.map(({ id, name, count }) => [id, `${name} (${count})`] as const),
    ...kinds.map(({ id, name }) => [id, name] as const),
  ];
}

/** The ball to begin with: softer ones for a beginner, where the club has them. */
function firstBall(kit: Kit, sport: Sport, level: Level): string {
  const usual = BALLS.find((ball) => ball.sport === sport)?.id ?? '';
  const soft = SPORT_RECORDS[sport].balls.find(({ forStarters }) => forStarters)?.id;
  const wanted = level === 'Starting' ? (soft ?? usual) : usual;
  const basket =
    kit.balls.find(({ ballId, condition }) => ballId === wanted && condition !== 'worn') ??
    kit.balls.find(({ ballId }) => ballId === usual);
  return basket?.id ?? usual;
}

/** @param params of the address: what is named there is chosen */
export function useWhere(kit: Kit, viewer: Viewer, params: URLSearchParams, sport?: Sport, firstLevel: Level = 'Building') {
  const [where, setWhere] = useState<Where | null>(() => {
    const player = kit.players.find(({ id }) => id === params.get('player'));
    const level = player?.level ?? firstLevel;
    const court =
      kit.courts.find(({ id }) => id === params.get('court')) ??
      SPORTS.flatMap((each) => kit.courts.filter((one) => one.sport === each)).find(
        (each) => (sport === undefined || each.sport === sport) && machineFor(kit.machines, each.sport),
      );
    return court
      ? onCourt(kit, court, { playerId: player?.id ?? '', level, hand: player ? handOn(court.sport, player) : 'right' }, params)
      : null;
  });
  const court = kit.courts.find(({ id }) => id === where?.courtId);
  const machine = kit.machines.find(({ id }) => id === where?.machineId);

  function change(part: Partial<Where>): void {
    if (!where) return;
    const next = { ...where, ...part };
    const newCourt = kit.courts.find(({ id }) => id === next.courtId)!;
    // of a player who is chosen, and on another sport's court: a hand may bat from the other side
    const isElsewhere = newCourt.sport !== court?.sport;
    const player = kit.players.find(({ id }) => id === (isElsewhere ? next.playerId : part.playerId));
    if (player) next.hand = handOn(newCourt.sport, player);
    if (player && part.playerId) next.level = player.level;
    if (isElsewhere) setWhere(onCourt(kit, newCourt, next, new URLSearchParams()));
    else if (next.level !== where.level) setWhere({ ...next, ballId: firstBall(kit, newCourt.sport, next.level) });
    else setWhere(next);
  }

  const basket = kit.balls.find(({ id }) => id === where?.ballId);
  const venue: Venue | null = where && court && machine ? venueFor(where, court, machine, basket, viewer) : null;
  const player: PlayerRow | undefined = kit.players.find(({ id }) => id === where?.playerId);
  return { where, change, court, machine, player, venue };
}
export type WhereState = ReturnType<typeof useWhere>;

function onCourt(kit: Kit, court: CourtRow, who: Pick<Where, 'playerId' | 'level' | 'hand'>, params: URLSearchParams): Where | null {
  const machines = kit.machines.filter(({ profile }) => profile.sports.includes(court.sport));
  const machine = machines.find(({ id }) => id === params.get('machine')) ?? machineFor(machines, court.sport);
  if (!machine) return null;
  return { ...who, courtId: court.id, machineId: machine.id, ballId: params.get('ball') ?? firstBall(kit, court.sport, who.level) };
}

function venueFor(
  { level, ballId }: Where,
  court: CourtRow,
  machine: MachineRow,
  basket: { ballId: BallId; dragShare: number } | undefined,
  { altitudeM }: Viewer,
): Venue {
  return {
    sport: court.sport,
    court: { id: court.id, surfaceId: court.surfaceId, ceilingM: court.ceilingM },
    machine: { id: machine.id, profile: machine.profile },
    ballId: basket?.ballId ?? ballId,
    ...(basket && basket.dragShare !== 1 && { dragShare: basket.dragShare }),
    level,
    weather: { temperatureC: 22, altitudeM, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 },
  };
}
