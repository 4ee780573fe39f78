import { diamondOf, SPORT_RECORDS } from '@good-arc/core';
import type { Kit } from '../../api/rows.ts';
import { Select } from '../../ui/Select.tsx';
import { levelChoices, levelLabel } from '../../words/level.ts';
import { ballChoices, type WhereState } from './useWhere.ts';

/** For whom, where and with what: the same fields for building and for the library. */
export function WhereFields({ state: { where, change, court, player }, kit }: { state: WhereState; kit: Kit }) {
  if (!where || !court) return null;
  const isDiamond = diamondOf(court.sport) !== null;
  const machines = kit.machines.filter(({ profile }) => profile.sports.includes(court.sport));
  const courts = kit.courts.filter(({ sport }) => kit.machines.some(({ profile }) => profile.sports.includes(sport)));
  return (
    <div className="grid grid-cols-2 gap-3">
      <Select
        className="col-span-2"
        label="For"
        value={where.playerId}
        onChange={(playerId) => change({ playerId })}
        options={[['', 'nobody in particular'] as const, ...kit.players.map(({ id, name }) => [id, name] as const)]}
      />
      {(player?.goals || player?.avoid) && (
        <p className="col-span-2 border-l-4 border-arrive pl-2.5 text-sm">
          {player.goals && `Goal: ${player.goals} `}
          {player.avoid && <b>Avoid: {player.avoid}</b>}
        </p>
      )}
      <Select
        label={levelLabel(court.sport)}
        value={where.level}
        onChange={(level) => change({ level })}
        options={levelChoices(court.sport)}
      />
      <Select
        label={isDiamond ? 'Bats' : 'Plays with the'}
        value={where.hand}
        onChange={(hand) => change({ hand })}
        options={[
          ['right', isDiamond ? 'right' : 'right hand'],
          ['left', isDiamond ? 'left' : 'left hand'],
        ]}
      />
      <Select
        className="col-span-2"
        label="Court"
        value={where.courtId}
        onChange={(courtId) => change({ courtId })}
        options={courts.map(({ id, name, sport }) => [id, `${name} (${sport})`] as const)}
      />
      <Select
        className="col-span-2"
        label="Machine"
        value={where.machineId}
        onChange={(machineId) => change({ machineId })}
        options={machines.map(({ id, name }) => [id, name] as const)}
      />
      <Select
        className="col-span-2"
        label="Balls"
        value={where.ballId}
        onChange={(ballId) => change({ ballId })}
        options={ballChoices(kit, court.sport)}
      />
      {SPORT_RECORDS[court.sport].balls.some(({ forStarters }) => forStarters) && where.level === 'Starting' && (
        <p className="col-span-2 text-sm text-quiet">
          Lower-compression balls take the sting and the spin off: a good choice for juniors and beginners.
        </p>
      )}
    </div>
  );
}
