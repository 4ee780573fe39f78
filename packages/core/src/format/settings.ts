import { ballById } from '../catalog/index.ts';
import type { Feed, RungDocument } from '../drill/index.ts';
import { type Capability, capability, type DialledMachine } from '../machine/index.ts';

/** The launch of a rung's feed, the first unless another is asked for, as this machine's dials give it. */
export const settingsOf = (
  rung: Pick<RungDocument, 'feeds' | 'ballId' | 'intervalS'>,
  machine: DialledMachine,
  { launch }: Pick<Feed, 'launch'> = rung.feeds[0]!,
): Capability => capability(machine, launch, ballById(rung.ballId).radiusM, null, rung.intervalS);
