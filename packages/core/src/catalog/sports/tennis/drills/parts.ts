import type { DrillBall, DrillRung } from '../../../drill.ts';

export const NEAR = { x: 0.4, y: -1.2 };
const SERVICE = { x: 0.4, y: 6.6 };
export const BASE = { x: 0, y: 11.6 };
export const BEHIND_SERVICE = { x: 0, y: -7.1 };
const AT_BASE = { x: 0, y: -12.2 };
export const AT_NET = { x: 0, y: -2.8 };
const READY = 'Small hop as it leaves the machine';

export const drive = (name: string, x: number, part: Partial<DrillBall> = {}): DrillBall => ({
  name,
  cue: READY,
  game: 'rally-drive',
  share: 0.5,
  x,
  ...part,
});
export const volley = (name: string, x: number, part: Partial<DrillBall> = {}): DrillBall => ({
  name,
  cue: 'Hands in front',
  game: 'passing-ball',
  share: 0.3,
  x,
  stroke: 'volley',
  ...part,
});
/** A ball lobbed to the hand of a server, who tosses it: no stroke is played at it. */
export const toHand = (cue: string): DrillBall => ({
  name: 'To the hand',
  cue,
  share: 0,
  x: 0.8,
  stroke: 'volley',
  high: 0.2,
  elevationDeg: 55,
});
/** Beside the server and a little in front, out of the way of the swing. */
export const BESIDE_SERVER = { from: { x: 3.6, y: -9.4 }, start: { x: 1, y: -11.6 }, recover: null, intervalS: 9 };
/** A rung of a drill, with what most of them share. */
export const rung = (name: string, focalPoint: string, balls: readonly DrillBall[], part: Partial<DrillRung> = {}): DrillRung => ({
  name,
  focalPoint,
  balls,
  from: SERVICE,
  start: AT_BASE,
  recover: AT_BASE,
  intervalS: 4,
  perRound: 10,
  rounds: 3,
  ...part,
});

export function fiveMarkers(count: number, share: number): DrillBall[] {
  const markers = [
    ['left sideline', { x: -2.6, y: -11 }],
    ['right sideline', { x: 2.6, y: -11 }],
    ['behind', { x: 0, y: -13.4 }],
    ['left of the service line', { x: -1.6, y: -9.6 }],
    ['right of the service line', { x: 1.6, y: -9.6 }],
  ] as const;
  return markers
    .slice(0, count)
    .map(([where, marker], i) => drive(`After the marker: ${where}`, 0.6, { share, marker, cue: `Marker ${i + 1}: ${where}` }));
}
