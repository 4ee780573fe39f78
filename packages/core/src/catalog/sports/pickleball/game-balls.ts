import { shaped } from '../../game-ball.ts';
import type { GameBall } from '../../record.ts';

export const gameBalls: readonly GameBall[] = [
  ...shaped('pickleball', 'drive', 'Drive', 6.5, 0.7, [
    [100, 3.5, 1.0, 26],
    [400, 4.6, 0.7, 33],
    [800, 5.4, 0.45, 43],
    [1200, 5.8, 0.25, 55],
  ]),
  ...shaped('pickleball', 'deep-return', 'Deep return, underspin', 6.5, 0.7, [
    [-100, 4.0, 1.3, 26],
    [-400, 5.0, 1.0, 29],
    [-800, 5.6, 0.8, 31],
    [-1100, 6.0, 0.6, 33],
  ]),
  ...shaped('pickleball', 'serve', 'Serve', 6.9, 0.7, [
    [100, 3.8, 1.2, 27],
    [400, 4.8, 1.0, 33],
    [700, 5.5, 0.7, 40],
    [1000, 6.0, 0.45, 50],
  ]),
  ...shaped(
    'pickleball',
    'speed-up',
    'Speed-up at the line',
    2.4,
    0.7,
    [
      [100, 4.0, 0.45, 20],
      [200, 4.6, 0.35, 23],
      [500, 5.0, 0.25, 26],
      [800, 5.4, 0.18, 30],
    ],
    { metAtNet: true },
  ),
  // flat, at the chest, 30 to 45 mph (common practice, no source)
  ...shaped(
    'pickleball',
    'fast-exchange',
    'Fast exchange at the line',
    2.4,
    1.0,
    [
      [0, 5.6, 0.3, 30],
      [0, 5.8, 0.25, 32],
      [0, 6.2, 0.15, 39],
      [0, 6.4, 0.08, 45],
    ],
    { metAtNet: true },
  ),
  ...shaped(
    'pickleball',
    'dink',
    'Dink',
    2.4,
    0.45,
    [
      [0, 1.6, 0.6, 14],
      [0, 1.6, 0.4, 14],
      [100, 1.6, 0.25, 14],
      [200, 1.6, 0.15, 14],
    ],
    { soft: true },
  ),
  ...shaped(
    'pickleball',
    'drop',
    'Drop',
    6.5,
    0.6,
    [
      [0, 1.8, 0.9, 22],
      [0, 1.7, 0.6, 22],
      [200, 1.6, 0.4, 22],
      [400, 1.5, 0.25, 23],
    ],
    { soft: true },
  ),
  ...shaped('pickleball', 'lob', 'Lob', 4.5, 0.6, [
    [0, 5.0, 2.2, 24],
    [100, 5.5, 2.2, 25],
    [400, 5.9, 2.2, 26],
    [600, 6.2, 2.2, 27],
  ]),
];
