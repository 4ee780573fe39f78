import { printShare, type RungDocument, type Sport } from '@good-arc/core';
import { Button } from '../../ui/Button.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { isWorthSaying, saySpoiled } from '../../words/spoiled.ts';
import type { useHalf } from './useHalf.ts';

/** Before a round: what of it is the machine’s, where that is worth a word, so that no player is blamed for it. */
export function MachinePart({ target: { spoiled }, sport }: { target: ReturnType<typeof useHalf>; sport: Sport }) {
  return spoiled && isWorthSaying(spoiled) ? <p className="mb-3">{saySpoiled(spoiled, sport)}</p> : null;
}

/** Before a round: the target at which half would be hit, for this round alone. */
export function HalfTarget({ target, rung, name }: { target: ReturnType<typeof useHalf>; rung: RungDocument; name: string }) {
  const units = useUnits();
  const { half, isTaken, take } = target;
  if (!half) return null;
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1" role="group" aria-label="Target for half">
      <p className="min-w-0 grow basis-72">
        By {half.balls} balls of their own, {name} hits about {printShare(half.share)} here. Half would be in a target{' '}
        {units.length(half.targetSize.widthM)} wide and {units.length(half.targetSize.depthM)} deep.
        {isTaken && <b> This round is for learning: it opens no gate.</b>}
      </p>
      <Button look={isTaken ? 'primary' : 'outline'} size="l" aria-pressed={isTaken} onClick={() => take(!isTaken)}>
        {isTaken ? `Back to ${units.length(rung.targetSize.widthM)} wide` : `Take ${units.length(half.targetSize.widthM)} for this round`}
      </Button>
    </div>
  );
}
