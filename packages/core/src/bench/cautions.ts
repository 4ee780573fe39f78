import { ballById, diamondOf, SPORT_RECORDS } from '../catalog/index.ts';
import { isToFielders } from '../drill/index.ts';
import { ftToM } from '../quantity/index.ts';
import type { Arrangement } from './arrange.ts';
import type { Setup } from './setup.ts';

/** Something to think of before a ball is thrown. */
export interface Caution {
  id: 'too-quick' | 'challenge' | 'survival' | 'not-judged' | 'jam' | 'in-front' | 'fence' | 'ceiling' | 'too-far' | 'windy' | 'low-net';
  /** Whether somebody could be hurt, or only the drill suffers. */
  grave: boolean;
  what: string;
  why: string;
  doThis: string;
}

/** Said under every list of cautions. */
export const MANUAL_FIRST = 'The machine’s manual and local rules come first.';

/** A player this close to the muzzle, inside this angle of the throw, is forward of the machine (common practice, no source). */
const CLOSE_M = { hard: ftToM(25), soft: 3 };
const CONE_DEG = 25;
/** A fence as most courts have it: this far behind the far line of the drawing, m high; our assumption. */
const FENCE_HEIGHT_M = 3;

const inMetres = (m: number): string => `${m.toFixed(1)} m`;

export interface CautionOptions {
  /** y of the fence behind the player, m; null for a field without one. */
  fenceY?: number | null;
  /** Of the machine: a wider ball jams it. */
  widestBallM?: number;
  /** Writes a length as the person reads it; metres without. */
  length?: (m: number) => string;
}

/**
 * Dangers and nuisances of a set-up. The list is not complete and says so by `MANUAL_FIRST`.
 */
export function cautionsOf(
  setup: Setup,
  { thrown, comfort, lowOverNet, reason }: Arrangement,
  { fenceY = null, widestBallM = Number.POSITIVE_INFINITY, length = inMetres }: CautionOptions = {},
): Caution[] {
  const ball = ballById(setup.ballId);
  const cautions: Caution[] = [];
  if (2 * ball.radiusM > widestBallM)
    cautions.push({
      id: 'jam',
      grave: false,
      what: 'This ball jams the machine.',
      why: `It is ${length(2 * ball.radiusM)} across; the machine takes ${length(widestBallM)}.`,
      doThis: 'Take a ball of the usual size; lower-compression ones of that size are soft as well.',
    });
  const fielding = isToFielders(setup.sport, setup.target);
  if (thrown && !comfort && !fielding)
    cautions.push({
      id: 'not-judged',
      grave: true,
      what: 'Not judged: this ball does not arrive.',
      why: 'What never reaches the player has no time and no height, so nothing here says that it is safe.',
      doThis: 'Move the player in, land it deeper or throw it harder.',
    });
  if (comfort) {
    const { ofBall, timeS, needS, band, spareS } = comfort;
    const why = band
      ? `It is there in ${timeS.toFixed(2)} s; the game of this age (${band}) takes ${needS.toFixed(2)} s.`
      : `It is there in ${timeS.toFixed(2)} s; seeing and getting there takes ${needS.toFixed(2)} s.`;
    if (ofBall === 'too quick')
      cautions.push({
        id: 'too-quick',
        grave: ball.hard,
        what: ball.hard ? 'Unsafe: a hard ball with too little time for this level.' : 'Too little time for this level.',
        why,
        doThis: ball.hard
          ? 'Slow it down, stand the machine farther back, or use a soft ball; helmet on. Courtside asks for a name before it is armed.'
          : 'Slow it down, or stand the machine farther back.',
      });
    else if (band && ofBall === 'rushed')
      cautions.push({
        id: 'challenge',
        grave: ball.hard,
        what: 'A challenge: quicker than the game of this age.',
        why,
        doThis: 'Few balls, a helmet, and back to the game’s own time.',
      });
    if (spareS !== null && spareS < 0)
      cautions.push({
        id: 'survival',
        grave: false,
        what: 'This is survival pace: balls are survived, not practised.',
        why: band
          ? `${setup.intervalS.toFixed(1)} s from ball to ball leave no time to reset, breathe and look.`
          : `The next ball leaves ${(-spareS).toFixed(1)} s before the player is ready to see it.`,
        doThis: 'A longer interval, unless it is meant as work for heart and lungs.',
      });
  }
  if (thrown) {
    const { launch } = thrown;
    const [dx, dy] = [setup.player.x - launch.x, setup.player.y - launch.y];
    const away = Math.hypot(dx, dy);
    const off = (Math.atan2(dx, dy) * 180) / Math.PI - launch.bearingDeg;
    const angle = Math.abs(off - 360 * Math.round(off / 360));
    if (away < (ball.hard ? CLOSE_M.hard : CLOSE_M.soft) && angle < CONE_DEG)
      cautions.push({
        id: 'in-front',
        grave: true,
        what: 'Someone stands forward of the machine, close to it.',
        why: 'A ball that leaves early or off its line cannot be dodged from there.',
        doThis: ball.hard ? 'Move them to the plate or behind a screen before it is fed.' : 'Move the player back, or feed by hand.',
      });
    const over = fenceY === null ? null : thrown.flight.path.find(([, , y]) => (launch.y > fenceY ? y <= fenceY : y >= fenceY));
    if (over && over[3] > FENCE_HEIGHT_M)
      cautions.push({
        id: 'fence',
        grave: true,
        what: 'A ball that is missed goes over the fence.',
        why: `It is ${length(over[3])} up there; a fence is taken to be ${length(FENCE_HEIGHT_M)} high (our assumption).`,
        doThis: 'A flatter arc, more topspin, or a lower net of people behind: look what lies beyond.',
      });
    if (setup.ceilingM !== undefined && thrown.flight.apex.z > setup.ceilingM - 0.5)
      cautions.push({
        id: 'ceiling',
        grave: false,
        what: 'The ball passes close under the ceiling.',
        why: `Its highest point is ${length(thrown.flight.apex.z)}; the ceiling is at ${length(setup.ceilingM)}.`,
        doThis: 'A flatter arc; mind lamps and beams.',
      });
    const farthestM = diamondOf(setup.sport)?.farthestY_m;
    if (farthestM !== undefined && setup.target.kind === 'plane' && launch.y > farthestM + 0.01)
      cautions.push({
        id: 'too-far',
        grave: true,
        what: `The machine stands beyond ${length(farthestM)}.`,
        why: 'From there a small error of the wheels is a ball at the hitter.',
        doThis: `Bring it to ${length(farthestM)} or nearer and use the pace chart for the speed.`,
      });
  }
  if (reason?.code === 'ceiling')
    cautions.push({
      id: 'ceiling',
      grave: false,
      what: 'This arc would touch the ceiling.',
      why: `The court has ${length(setup.ceilingM ?? 0)}.`,
      doThis: 'Take a flatter arc from the slider.',
    });
  const wind = Math.hypot(setup.weather.windXMps, setup.weather.windYMps) + (setup.weather.gustMps ?? 0);
  if (wind > SPORT_RECORDS[setup.sport].windyMps)
    cautions.push({
      id: 'windy',
      grave: false,
      what: 'Too much wind for this ball.',
      why: 'The spread is wider than what a player can learn from.',
      doThis: 'Feed with the wind at the machine’s back, lower and faster, or come indoors.',
    });
  if (lowOverNet)
    cautions.push({
      id: 'low-net',
      grave: false,
      what: 'Low over the net for a feed at this level.',
      why: 'Every ball that clips the net breaks the rhythm.',
      doThis: 'A higher arc, or hold the net clearance.',
    });
  return cautions;
}
