import { BALLS, type BallId, type CourtId, GAME_BOOK, gameBallLabel, type MachineId, type Setup } from '@good-arc/core';
import type { GameBallRow, Kit } from '../../api/rows.ts';
import { Select } from '../../ui/Select.tsx';
import { levelChoices, levelLabel, sayLevel } from '../../words/level.ts';

interface ChoicesProps {
  setup: Setup;
  kit: Kit;
  ownBalls: readonly GameBallRow[];
  courtId: CourtId;
  machineId: MachineId;
  onCourt: (id: string) => void;
  onMachine: (id: string) => void;
  onBall: (ball: { ballId: BallId; dragShare: number }) => void;
  onLevel: (level: Setup['level']) => void;
  onGameBall: (id: string) => void;
}

/** Where they stand. */
export const CHOICES = 'order-3 mt-3 md:order-1 md:mt-0 md:mb-2';

/** What the bench is set up with; above the ruler at a desk, below it on a phone. */
export function Choices({ setup, kit, ownBalls, courtId, machineId, onCourt, onMachine, onBall, onLevel, onGameBall }: ChoicesProps) {
  const ofSport = <T extends { sport: Setup['sport'] }>(list: readonly T[]): T[] => list.filter(({ sport }) => sport === setup.sport);
  // a basket whose drag was found flies differently from its kind
  const baskets = kit.balls.filter(({ ballId, dragShare }) => dragShare !== 1 && ofSport(BALLS).some(({ id }) => id === ballId));
  const basket = baskets.find(({ ballId, dragShare }) => ballId === setup.ballId && dragShare === setup.dragShare);
  const machines = kit.machines.filter(({ profile }) => profile.sports.includes(setup.sport));
  return (
    <div className={`${CHOICES} grid grid-cols-2 gap-2 md:grid-cols-[1.4fr_0.95fr_1.2fr_1fr_1.4fr]`}>
      <Select
        label="Court"
        value={courtId}
        onChange={onCourt}
        options={kit.courts.map(({ id, name, sport }) => [id, `${name} (${sport})`] as const)}
      />
      <Select label="Machine" value={machineId} onChange={onMachine} options={machines.map(({ id, name }) => [id, name] as const)} />
      <Select
        label="Ball"
        value={basket?.id ?? setup.ballId}
        onChange={(id) => {
          const chosen = baskets.find((each) => each.id === id);
          onBall(chosen ? { ballId: chosen.ballId, dragShare: chosen.dragShare } : { ballId: id, dragShare: 1 });
        }}
        options={[
          ...ofSport(BALLS).map(({ id, name }) => [id, name] as const),
          ...baskets.map(({ id, name, dragShare }) => [id, `${name} (drag ${dragShare.toFixed(2)})`] as const),
        ]}
      />
      <Select label={levelLabel(setup.sport)} value={setup.level} onChange={onLevel} options={levelChoices(setup.sport)} />
      <Select
        className="col-span-2 md:col-span-1"
        label="Game ball to compare"
        value={setup.gameBallId}
        onChange={onGameBall}
        options={[
          ...ownBalls
            .filter(({ document }) => document.sport === setup.sport)
            .map(({ id, name, document }) => [id, `${name}, ${sayLevel(setup.sport, document.level)} (own)`] as const),
          ...ofSport(GAME_BOOK).map((each) => [each.id, gameBallLabel(each)] as const),
          ['', 'none'] as const,
        ]}
      />
    </div>
  );
}
