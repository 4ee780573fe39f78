import { seededRandom } from '../random.ts';
import { type Approach, gateFor } from './gate.ts';
import { nextStep, type RoundCount } from './next.ts';

/** What an approach does to players whose true rate is known. */
export interface Operating {
  /** Chance of a ball to be in. */
  rate: number;
  /** Shares of players who are sent up within three rounds, and up or down within six. */
  climbsInThree: number;
  sentUpInSix: number;
  sentDownInSix: number;
}

/** True rates that the table is made for: too hard, where one learns, and too easy. */
const RATES = [0.3, 0.5, 0.65, 0.8, 0.9] as const;
const PLAYERS = 1000;
const BALLS = 10;
const ROUNDS = 6;

/**
 * The operating table of an approach: simulated players of known rates in rounds of ten, each judged by `nextStep` after every round. Seeded, so that it
 * is the same each time.
 */
export function operatingTable(approach: Approach): Operating[] {
  const random = seededRandom(17);
  const need = gateFor(approach, BALLS);
  const round = (rate: number): RoundCount => {
    let [hits, run, longestRun] = [0, 0, 0];
    for (let ball = 0; ball < BALLS; ball++) {
      run = random() < rate ? run + 1 : 0;
      hits += Number(run > 0);
      longestRun = Math.max(longestRun, run);
    }
    return { hits, balls: BALLS, longestRun };
  };
  return RATES.map((rate) => {
    let [early, up, down] = [0, 0, 0];
    for (let player = 0; player < PLAYERS; player++) {
      const rounds: RoundCount[] = [];
      for (let i = 1; i <= ROUNDS; i++) {
        rounds.unshift(round(rate));
        const { verdict } = nextStep({ approach, need, roundsAsked: 1, rounds });
        if (verdict === 'stay') continue;
        if (verdict === 'loosen') down++;
        else {
          up++;
          early += Number(i <= 3);
        }
        break;
      }
    }
    return { rate, climbsInThree: early / PLAYERS, sentUpInSix: up / PLAYERS, sentDownInSix: down / PLAYERS };
  });
}
