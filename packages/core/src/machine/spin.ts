import type { SpinLaw } from './profile.ts';

/** Keeps a wanted spin to what the machine can make at this speed. */
export function spinFor(
  law: SpinLaw,
  wanted: { topspinRpm: number; sidespinRpm: number },
  speedMps: number,
): { topspinRpm: number; sidespinRpm: number; gyroRpm: 0 } {
  const within = (rpm: number, max: number): number => Math.min(max, Math.max(-max, rpm));
  switch (law.kind) {
    case 'none':
      return { topspinRpm: law.topspinRpm, sidespinRpm: 0, gyroRpm: 0 };
    case 'tied':
      return { topspinRpm: law.rpmPerMps * speedMps, sidespinRpm: 0, gyroRpm: 0 };
    case 'topspin':
      return { topspinRpm: within(wanted.topspinRpm, law.maxRpm), sidespinRpm: 0, gyroRpm: 0 };
    case 'any':
      return { topspinRpm: within(wanted.topspinRpm, law.maxRpm), sidespinRpm: within(wanted.sidespinRpm, law.maxRpm), gyroRpm: 0 };
  }
}
