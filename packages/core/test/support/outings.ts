import {
  type Approach,
  type AttemptRound,
  atHalf,
  gateFor,
  LEVEL_NEEDS,
  type Level,
  nextOuting,
  nextStep,
  normals,
  type OutingRung,
  ownScatter,
  type RoundCount,
  seededRandom,
  targetFor,
} from '../../src/index.ts';
import { drillOn } from './club.ts';

/** What a way of choosing came to: share of the balls at a true chance of 0.4 to 0.6, warm-up and test apart, and by how much log σ fell. */
export interface Tried {
  atHalf: number;
  gain: number;
}

const LEVEL: Level = 'Building';
const DISTANCE_M = 15;
const RUNGS = 9;
const BALLS = 10;
const ROUNDS = 10;
const OUTINGS = 12;
const DAYS = 4;
/** A ball teaches most where half succeed: so much of log σ there. */
const PER_BALL = 0.0003;

/** Sizes of the targets of a ladder, from kind to small. */
const SIZES = Array.from({ length: RUNGS }, (_, i) => {
  const first = targetFor(LEVEL_NEEDS[LEVEL].scatter, DISTANCE_M);
  const times = 2.2 * 0.82 ** i;
  return { widthM: first.widthM * times, depthM: first.depthM * times };
});

/** A player with Student’s errors, a bias, good and bad days, who learns by the true chance of each ball. */
class Learner {
  private readonly uniform: () => number;
  private readonly normal: () => number;
  private log: number;
  private readonly bias: readonly [number, number];
  private today = 0;
  private readonly began: number;
  balls = 0;
  atHalf = 0;

  constructor(seed: number) {
    this.uniform = seededRandom(seed);
    this.normal = normals(this.uniform);
    this.log = 0.35 * this.normal();
    this.began = this.log;
    this.bias = [0.3 * this.normal(), 0.3 * this.normal()];
  }
  wake(): void {
    this.today = 0.12 * this.normal();
  }
  get gain(): number {
    return this.began - this.log;
  }
  private isIn({ widthM, depthM }: { widthM: number; depthM: number }): boolean {
    const { sideDeg, depthShare } = LEVEL_NEEDS[LEVEL].scatter;
    const times = Math.exp(this.log + this.today);
    const [x, y] = [DISTANCE_M * Math.tan((sideDeg * Math.PI) / 180) * times, DISTANCE_M * depthShare * times];
    const error = (): number =>
      this.normal() / Math.sqrt((this.normal() ** 2 + this.normal() ** 2 + this.normal() ** 2 + this.normal() ** 2) / 4) / Math.SQRT2;
    return Math.abs(x * (error() + this.bias[0])) <= widthM / 2 && Math.abs(y * (error() + this.bias[1])) <= depthM / 2;
  }
  /** One round, counted; what was learnt of it goes by the true chance. */
  hit(size: { widthM: number; depthM: number }, isMain = true): RoundCount {
    const chance = Array.from({ length: 120 }, () => this.isIn(size)).filter(Boolean).length / 120;
    const all = Array.from({ length: BALLS }, () => this.isIn(size));
    if (isMain) this.balls += BALLS;
    if (isMain && chance >= 0.4 && chance <= 0.6) this.atHalf += BALLS;
    this.log -= BALLS * PER_BALL * 4 * chance * (1 - chance);
    const hits = all.filter(Boolean).length;
    let [run, longestRun] = [0, 0];
    for (const each of all) {
      run = each ? run + 1 : 0;
      longestRun = Math.max(longestRun, run);
    }
    return { hits, balls: BALLS, longestRun };
  }
}

const tried = (player: Learner): Tried => ({ atHalf: player.atHalf / player.balls, gain: player.gain });

/** One rung after the other, as an approach says after each round. */
export function byApproach(seed: number, approach: Approach): Tried {
  const player = new Learner(seed);
  const need = gateFor(approach, BALLS);
  let at = 2;
  let rounds: RoundCount[] = [];
  for (let outing = 0; outing < OUTINGS; outing++) {
    player.wake();
    for (let i = 0; i < ROUNDS; i++) {
      rounds = [player.hit(SIZES[at]!), ...rounds];
      const { verdict } = nextStep({ approach, need, roundsAsked: 2, rounds });
      const to = verdict === 'climb' ? Math.min(RUNGS - 1, at + 1) : verdict === 'loosen' ? Math.max(0, at - 1) : at;
      if (to !== at) rounds = [];
      at = to;
    }
  }
  return tried(player);
}

/** Each outing as `nextOuting` proposes it, its main part at the target for half. */
export function byNextOuting(seed: number): Tried {
  const player = new Learner(seed);
  const card = drillOn('tennis-baseline-groove', 'Two-wheel portable')[0]!;
  let own = ownScatter(LEVEL);
  const lastDay = Array<number | null>(RUNGS).fill(null);
  const attempt = (i: number, day: number) => ({ day, distanceM: DISTANCE_M, demand: 0, ...SIZES[i]! });
  for (let outing = 0; outing < OUTINGS; outing++) {
    const day = outing * DAYS;
    player.wake();
    const rungs = SIZES.map(
      (targetSize, i): OutingRung => ({
        rungId: String(i) as never,
        ladderId: 'ladder' as never,
        document: { ...card, targetSize, ballsPerRound: BALLS },
        isWeaker: false,
        players: [
          { playerId: 'p' as never, ...own.chance(attempt(i, day)), balls: 0, lastDay: lastDay[i]!, verdict: null, halfWidthM: null },
        ],
      }),
    );
    const { parts } = nextOuting({ rungs, playerIds: ['p' as never], minutes: 180, day, swingsLeft: ROUNDS * BALLS });
    const learnt: AttemptRound[] = [];
    const play = (i: number, isMain: boolean): void => {
      // as courtside asks before each round: what was hit today counts
      const now = own.learn(learnt);
      const rung = { ...card, targetSize: SIZES[i]! };
      const half = isMain ? atHalf(rung, 'tennis', ({ targetSize }) => now.chance({ ...attempt(i, day), ...targetSize }).share) : null;
      const { targetSize } = half ?? rung;
      learnt.push({ ...attempt(i, day), ...targetSize, ...player.hit(targetSize, isMain) });
      lastDay[i] = day;
    };
    for (const { rungId, rounds, role } of parts) for (let round = 0; round < rounds; round++) play(Number(rungId), role === 'main');
    own = own.learn(learnt);
  }
  return tried(player);
}

export const mean = (all: readonly Tried[]): Tried => ({
  atHalf: all.reduce((sum, { atHalf }) => sum + atHalf, 0) / all.length,
  gain: all.reduce((sum, { gain }) => sum + gain, 0) / all.length,
});
