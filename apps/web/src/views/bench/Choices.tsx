import { BALLS, GAME_BOOK, gameBallLabel, LEVELS, type Setup } from '@good-arc/core';
import type { Kit } from '../../api/rows.ts';
import { Select } from '../../ui/Select.tsx';

interface ChoicesProps {
  setup: Setup;
  kit: Kit;
  courtId: string;
  machineId: string;
  onCourt: (id: string) => void;
  onMachine: (id: string) => void;
  onBall: (id: string) => void;
  onLevel: (level: Setup['level']) => void;
  onGameBall: (id: string) => void;
}

/** What the bench is set up with; above the ruler at a desk, below it on a phone. */
export function Choices({ setup, kit, courtId, machineId, onCourt, onMachine, onBall, onLevel, onGameBall }: ChoicesProps) {
  const ofSport = <T extends { sport: Setup['sport'] }>(list: readonly T[]): T[] => list.filter(({ sport }) => sport === setup.sport);
  const machines = kit.machines.filter(({ profile }) => profile.sports.includes(setup.sport));
  return (
    <div className="order-3 mt-3 grid grid-cols-2 gap-2 md:order-1 md:mt-0 md:mb-2 md:grid-cols-[1.4fr_0.95fr_1.2fr_1fr_1.4fr]">
      <Select
        label="Court"
        value={courtId}
        onChange={onCourt}
        options={kit.courts.map(({ id, name, sport }) => [id, `${name} (${sport})`] as const)}
      />
      <Select label="Machine" value={machineId} onChange={onMachine} options={machines.map(({ id, name }) => [id, name] as const)} />
      <Select label="Ball" value={setup.ballId} onChange={onBall} options={ofSport(BALLS).map(({ id, name }) => [id, name] as const)} />
      <Select label="Level" value={setup.level} onChange={onLevel} options={LEVELS.map((level) => [level, level] as const)} />
      <Select
        className="col-span-2 md:col-span-1"
        label="Game ball to compare"
        value={setup.gameBallId}
        onChange={onGameBall}
        options={ofSport(GAME_BOOK).map((each) => [each.id, gameBallLabel(each)] as const)}
      />
    </div>
  );
}
