import type { DrillBall, DrillRung } from '../../../drill.ts';

const FAR_BASE = { x: 0.3, y: 6.4 };
export const FAR_MID = { x: 0.3, y: 4.4 };
export const FAR_LINE = { x: 0.2, y: 2.4 };
export const AT_BASE = { x: 0, y: -7.1 };
const AT_LINE = { x: 0, y: -2.4 };
export const BETWEEN = { x: 0, y: -4.6 };
export const KITCHEN = 'No volley with a foot on the line or carried over it: step back first.';
export const EYES = 'Eye protection for everyone at the line.';

export const ball = (name: string, game: string, x: number, part: Partial<DrillBall> = {}): DrillBall => ({
  name,
  cue: 'Paddle up as it leaves',
  game,
  share: 0.5,
  x,
  ...part,
});
export const volley = (name: string, x: number, part: Partial<DrillBall> = {}): DrillBall =>
  ball(name, 'drive', x, { stroke: 'volley', share: 0.2, ...part });
export const rung = (name: string, focalPoint: string, balls: readonly DrillBall[], part: Partial<DrillRung> = {}): DrillRung => ({
  name,
  focalPoint,
  balls,
  from: FAR_BASE,
  start: AT_BASE,
  recover: AT_BASE,
  intervalS: 4,
  perRound: 10,
  rounds: 3,
  ...part,
});
export const atLine: Partial<DrillRung> = { start: AT_LINE, recover: AT_LINE };

export function threeBalls(share: number): DrillBall[] {
  return [
    ball('Return', 'drive', 0.5, { share, cue: 'Deep', thenS: 3.5 }),
    ball('Reset', 'drop', 0.3, {
      share,
      meet: BETWEEN,
      stroke: 'volley',
      contact: 'low-volley',
      cue: 'Soft',
      thenS: 3,
      hit: 'short-middle',
    }),
    ball('Finish', 'drop', 0.4, {
      share: 0,
      meet: { x: 0.3, y: -2.9 },
      stroke: 'volley',
      cue: 'Down',
      thenS: 7,
      hit: 'deep-right',
    }),
  ];
}

export function thirds(share: number): DrillBall[] {
  return [
    ball('Left third', 'drive', -1.9, { share }),
    ball('Middle third', 'drive', 0.2, { share }),
    ball('Right third', 'drive', 1.9, { share }),
  ];
}
