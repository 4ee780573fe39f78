import {
  bestPlace,
  closestToGame,
  type GameBall,
  type Match,
  type SampledSpread,
  type Setup,
  type SpreadQuestion,
  sampledSpread,
  type Thrower,
} from '@good-arc/core';
import { expose } from 'comlink';

/** What takes longer than a frame, off the screen’s thread. */
const work = {
  spread: (question: SpreadQuestion, samples: number, seed: number): SampledSpread => sampledSpread(question, samples, seed),
  closest: (setup: Setup, machine: Thrower, ball: GameBall): Match | null => closestToGame(setup, machine, ball),
  bestPlace: (setup: Setup, machine: Thrower, ball: GameBall, onProgress: (share: number) => void): Match[] =>
    bestPlace(setup, machine, ball, onProgress),
};
export type BenchWork = typeof work;

expose(work);
