import type { PlayerId } from '@good-arc/core';
import { useState } from 'react';
import { MOST_HITTERS } from '../../api/limits.ts';
import type { PlayerRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';
import { Choice } from './Choice.tsx';
import { hittersOf, placesIn, type Run } from './run.ts';

interface Props {
  run: Run;
  /** Of those who hit in turn, in the order in which they came. */
  names: readonly string[];
  players: readonly PlayerRow[];
  onIn: (playerId: PlayerId, place: number) => void;
}

/** A third who waits comes in for one of those who hit: one press, while the machine goes on. Who picks up longest is named first. */
export function ComesIn({ run, names, players, onIn }: Props) {
  const [chosen, setChosen] = useState<PlayerId>('');
  const places = placesIn(run);
  const hitters = hittersOf(run);
  const isFull = hitters.length >= MOST_HITTERS;
  const isIn = (id: PlayerId): boolean => places.some((who) => hitters[who]?.playerId === id);
  const isKnown = (id: PlayerId): boolean => hitters.some(({ playerId }) => playerId === id);
  const waiting = players.filter(({ id }) => !isIn(id) && (isKnown(id) || !isFull));
  // who hit last longest ago
  const lastBall = (who: number): number => (run.turns ?? []).lastIndexOf(who, run.balls.length - 1);
  const resting = hitters.map((_, who) => who).filter((who) => !places.includes(who));
  const [longest] = resting.sort((a, b) => lastBall(a) - lastBall(b));
  const comes =
    waiting.find(({ id }) => id === chosen) ?? waiting.find(({ id }) => longest !== undefined && id === hitters[longest]!.playerId);
  if (waiting.length === 0) return null;
  return (
    <Choice name="Comes in from picking up">
      <Select
        label="Who comes in"
        value={comes?.id ?? ''}
        onChange={setChosen}
        options={[...(comes ? [] : [['', 'choose'] as const]), ...waiting.map(({ id, name }) => [id, name] as const)]}
      />
      {places.map((who, place) => (
        <Button
          key={who}
          size="l"
          className="self-end"
          disabled={!comes}
          onClick={() => {
            if (comes) onIn(comes.id, place);
            setChosen('');
          }}
        >
          for {names[who]}
        </Button>
      ))}
    </Choice>
  );
}
