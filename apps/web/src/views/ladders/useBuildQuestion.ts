import {
  APPROACHES,
  type Approach,
  type BuildQuestion,
  buildLadder,
  type Comfort,
  firstGameBall,
  GAME_BOOK,
  gameBallAt,
  heightOf,
  SPORTS,
} from '@good-arc/core';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { Kit, Viewer } from '../../api/rows.ts';
import { gameBallFinder } from '../../ui/gameBalls.ts';
import { useOwnScatter } from '../../ui/useOwnScatter.ts';
import { FOCAL_POINTS } from '../../words/focal-points.ts';
import { useWhere } from './useWhere.ts';

/** What a ladder is built from, as chosen and as the address says it, and the ladder it gives. */
export function useBuildQuestion(kit: Kit, viewer: Viewer, search: string) {
  const [params] = useState(() => new URLSearchParams(search));
  const state = useWhere(kit, viewer, params);
  const { where, court, venue, player } = state;
  const sport = court?.sport ?? SPORTS[0];
  const find = gameBallFinder(kit.gameBalls);
  const [chosenBall, setChosenBall] = useState(params.get('game') ?? '');
  const [wing, setWing] = useState<'forehand' | 'backhand'>(params.get('wing') === 'backhand' ? 'backhand' : 'forehand');
  const [focal, setFocal] = useState(params.get('focal') ?? '');
  const [minutes, setMinutes] = useState(Number(params.get('minutes')) || 30);
  const [hopper, setHopper] = useState<number | null>(Number(params.get('hopper')) || null);
  const [approach, setApproach] = useState<Approach>(APPROACHES.find((each) => each === params.get('approach')) ?? 'sweet-spot');
  const [wanted, setWanted] = useState<Exclude<Comfort, 'too quick'>>(
    params.get('comfort') === 'calm' ? 'calm' : params.get('comfort') === 'rushed' ? 'rushed' : 'working',
  );
  const [name, setName] = useState('');
  const [saving, setSaving] = useState(false);

  const level = where?.level ?? 'Building';
  const ofSport = GAME_BOOK.filter((ball) => ball.sport === sport);
  const first = firstGameBall(sport, level, 'built');
  const chosen = find(chosenBall);
  // the same ball at the level that is chosen now
  const gameBall = chosen?.sport === sport ? (gameBallAt(chosen.id, level) ?? chosen) : first;
  const basket = kit.balls.find(({ id }) => id === where?.ballId);
  const hopperBalls = hopper ?? basket?.count ?? venue?.machine.profile.hopper ?? 60;
  const focalPoint = focal || FOCAL_POINTS[sport][0]!;

  const own = useOwnScatter(where?.playerId ?? '', sport);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the venue is made anew of these
  const question: BuildQuestion | null = useMemo(
    () =>
      venue && {
        ...venue,
        gameBall,
        hand: where?.hand ?? 'right',
        wing,
        heightM: player?.heightM ?? heightOf(sport, { level, gameBallId: gameBall.id }),
        focalPoint,
        minutes,
        hopperBalls,
        approach,
        wanted,
        scatter: own.scatter,
      },
    [where, gameBall, wing, player, focalPoint, minutes, hopperBalls, approach, wanted, own.balls],
  );
  const asked = useDeferredValue(question);
  const built = useMemo(() => asked && buildLadder(asked), [asked]);

  useEffect(() => {
    if (!where) return;
    const query = new URLSearchParams({
      ...(where.playerId && { player: where.playerId }),
      court: where.courtId,
      machine: where.machineId,
      ball: where.ballId,
      game: gameBall.id,
      wing,
      ...(focal && { focal }),
      minutes: String(minutes),
      approach,
      comfort: wanted,
    });
    window.history.replaceState(null, '', `/ladders/build?${query}`);
  }, [where, gameBall, wing, focal, minutes, approach, wanted]);

  return {
    state,
    where,
    venue,
    player,
    /** Balls by which the player’s own scatter is known; 0 where the level’s is taken. */
    ownBalls: own.balls,
    sport,
    ofSport,
    setChosenBall,
    wing,
    setWing,
    focal,
    setFocal,
    minutes,
    setMinutes,
    setHopper,
    approach,
    setApproach,
    wanted,
    setWanted,
    name,
    setName,
    saving,
    setSaving,
    level,
    gameBall,
    hopperBalls,
    question,
    asked,
    built,
  };
}
