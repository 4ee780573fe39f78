import { type AttemptRound, LEVEL_NEEDS, LEVELS, type Level, normals, seededRandom, targetFor } from '../../src/index.ts';

/** A made-up player’s rounds, and the chance of a new target on the day after them. */
export interface SimulatedPlayer {
  level: Level;
  rounds: AttemptRound[];
  ask: Omit<AttemptRound, 'hits' | 'balls'>;
  chance: number;
}

const BALLS = 10;
/** Balls by which the true chance is counted: its own error is under a hundredth. */
const COUNTED = 3000;

/**
 * A player drawn by another model than the one that is fitted: Student’s errors of 3 to 8 degrees of freedom, another σ to the side than in depth, a bias,
 * an own answer to demand, a curve of learning or a plateau, good and bad days; 5 to 15 days of 2 to 4 rounds of ten, with targets that follow the score.
 */
export function simulatedPlayer(seed: number): SimulatedPlayer {
  const uniform = seededRandom(seed);
  const normal = normals(uniform);
  const whole = (from: number, to: number): number => from + Math.floor(uniform() * (to - from + 1));
  const level = LEVELS[whole(0, 3)]!;
  const { sideDeg, depthShare } = LEVEL_NEEDS[level].scatter;
  const base = Math.exp(0.35 * normal());
  const [wider, deeper] = [Math.exp(0.15 * normal()), Math.exp(0.15 * normal())];
  const [biasX, biasY] = [0.4 * normal(), 0.4 * normal()];
  const perDemand = 0.35 + 0.2 * normal();
  const gain = [0.5, 0.15, 0.3][whole(0, 2)]!;
  const learnsIn = 5 + 15 * uniform();
  const degrees = whole(3, 8);
  const error = (): number => {
    let sum = 0;
    for (let i = 0; i < degrees; i++) sum += normal() ** 2;
    return (normal() / Math.sqrt(sum / degrees)) * Math.sqrt((degrees - 2) / degrees);
  };
  const distanceM = 6 + 14 * uniform();
  const [sigmaX, sigmaY] = [distanceM * Math.tan((sideDeg * Math.PI) / 180) * wider, distanceM * depthShare * deeper];
  let { widthM, depthM } = targetFor(LEVEL_NEEDS[level].scatter, distanceM);
  const usualDemand = uniform();
  const demandOf = (): number => Math.min(1, Math.max(0, usualDemand + 0.2 * normal()));
  let day = 0;
  let today = 0;
  const isIn = (width: number, depth: number, demand: number): boolean => {
    const times = base * Math.exp(-gain * (1 - Math.exp(-day / learnsIn)) + today + perDemand * demand);
    return Math.abs(sigmaX * times * (error() + biasX)) <= width / 2 && Math.abs(sigmaY * times * (error() + biasY)) <= depth / 2;
  };
  const count = (balls: number, width: number, depth: number, demand: number): number =>
    Array.from({ length: balls }, () => isIn(width, depth, demand)).filter(Boolean).length;
  const rounds: AttemptRound[] = [];
  for (let days = whole(5, 15); days > 0; days--) {
    today = 0.12 * normal();
    for (let left = whole(2, 4); left > 0; left--) {
      const demand = demandOf();
      const hits = count(BALLS, widthM, depthM, demand);
      rounds.push({ day, distanceM, widthM, depthM, demand, hits, balls: BALLS });
      const factor = hits >= 8 ? 0.8 : hits <= 3 ? 1.25 : 1;
      widthM *= factor;
      depthM *= factor;
    }
    day += whole(1, 6);
  }
  today = 0.12 * normal();
  const scale = Math.exp((uniform() - 0.5) * 0.9);
  const ask = { day, distanceM, widthM: widthM * scale, depthM: depthM * scale, demand: demandOf() };
  return { level, rounds, ask, chance: count(COUNTED, ask.widthM, ask.depthM, ask.demand) / COUNTED };
}
