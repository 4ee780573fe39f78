import { gameBallId, shaped } from '../../game-ball.ts';
import type { GameBall, ServeGameBall } from '../../record.ts';
import { LEVELS } from '../../types.ts';

function serve(slug: string, name: string, y: number, z: number, cells: readonly (readonly [mph: number, rpm: number])[]): ServeGameBall[] {
  return LEVELS.map((level, i) => {
    const [speedMph, topspinRpm] = cells[i]!;
    return {
      kind: 'serve',
      id: gameBallId('tennis', slug, level),
      sport: 'tennis',
      name,
      level,
      from: { y, z },
      speedMph,
      topspinRpm,
      landsPastM: 5.2,
    };
  });
}

export const gameBalls: readonly GameBall[] = [
  ...shaped('tennis', 'rally-drive', 'Rally drive', 11.5, 0.9, [
    [200, 5.5, 1.8, 35],
    [900, 7.5, 1.4, 46],
    [1600, 8.8, 1.0, 59],
    [2400, 9.8, 0.8, 73],
  ]),
  ...shaped('tennis', 'heavy-topspin', 'Heavy topspin', 11.5, 0.9, [
    [700, 6.0, 2.2, 36],
    [1500, 8.0, 2.0, 45],
    [2400, 9.3, 1.6, 55],
    [3200, 10.2, 1.3, 67],
  ]),
  ...shaped('tennis', 'slice-rally', 'Slice rally', 11.5, 0.9, [
    [-300, 5.5, 1.3, 36],
    [-900, 7.5, 0.9, 46],
    [-1500, 8.8, 0.6, 54],
    [-2200, 9.8, 0.4, 60],
  ]),
  ...shaped('tennis', 'short-ball', 'Short ball', 11.5, 0.7, [
    [0, 3.5, 1.5, 30],
    [300, 4.0, 1.1, 34],
    [700, 4.5, 0.9, 38],
    [1000, 5.0, 0.7, 44],
  ]),
  ...shaped(
    'tennis',
    'passing-ball',
    'Passing ball at a volleyer',
    11.5,
    0.8,
    [
      [200, 8.0, 1.4, 44],
      [900, 8.5, 1.0, 54],
      [1600, 9.2, 0.7, 67],
      [2200, 9.8, 0.5, 82],
    ],
    { metAtNet: true },
  ),
  ...shaped('tennis', 'lob', 'Lob', 11.5, 0.8, [
    [0, 8.5, 4.0, 36],
    [200, 9.5, 4.0, 38],
    [1000, 10.3, 4.0, 42],
    [1800, 10.8, 4.0, 45],
  ]),
  ...serve('second-serve', 'Second serve', 11.8, 2.5, [
    [45, 400],
    [60, 1200],
    [75, 2200],
    [90, 3200],
  ]),
  ...serve('first-serve', 'First serve', 11.8, 2.6, [
    [55, 200],
    [78, 600],
    [98, 1200],
    [118, 1800],
  ]),
];
