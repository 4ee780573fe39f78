import {
  bestPlace,
  closestToGame,
  type GameBall,
  isProposable,
  type MachineProfile,
  type Match,
  type SampledSpread,
  type Setup,
  type SpreadQuestion,
  sampledSpread,
} from '@good-arc/core';
import { expose } from 'comlink';

/** What takes longer than a frame, off the screen’s thread. */
const work = {
  spread: (question: SpreadQuestion, samples: number, seed: number): SampledSpread => sampledSpread(question, samples, seed),
  closest: (setup: Setup, machine: MachineProfile, ball: GameBall): Match | null =>
    closestToGame(setup, machine, ball, (each) => isProposable(each, machine)),
  bestPlace: (setup: Setup, machine: MachineProfile, ball: GameBall, onProgress: (share: number) => void): Match[] =>
    bestPlace(setup, machine, ball, { onProgress, allows: (each) => isProposable(each, machine) }),
};
export type BenchWork = typeof work;

expose(work);
