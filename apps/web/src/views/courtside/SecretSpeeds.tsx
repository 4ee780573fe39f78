import { type RungDocument, secretSpeedOf } from '@good-arc/core';
import { Button } from '../../ui/Button.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { SECRET_STEPS, sayOtherSpeeds } from '../../words/secret.ts';
import type { useSecret } from './useSecret.ts';

/** Before a round: its balls may come slower or quicker, and nobody is told which. */
export function SecretSpeeds({
  secret: { isOffered, byMps, take, rung },
  machineName,
}: {
  secret: ReturnType<typeof useSecret>;
  machineName: string;
}) {
  const units = useUnits();
  if (!isOffered) return null;
  return (
    <fieldset className="mb-3">
      <legend className="mb-1 text-quiet">Speeds in secret, for one round</legend>
      <div className="flex flex-wrap gap-2">
        <Button size="l" aria-pressed={byMps === null} onClick={() => take(null)}>
          As set
        </Button>
        {SECRET_STEPS[units.system].map((mps) => (
          <Button key={mps} size="l" aria-pressed={byMps === mps} onClick={() => take(mps)}>
            ± {units.speed(mps)}
          </Button>
        ))}
      </div>
      {byMps !== null && (
        <p role="status" className="mt-1">
          {rung ? (
            <>
              Each ball comes as it is set, {speedsIn(rung)}, always to its spot; how each of them went is told when the round is finished.{' '}
              <b>This round is for learning: it opens no gate.</b>
            </>
          ) : (
            `${machineName} cannot bring these balls to their spots at other speeds: they come as they are set.`
          )}
        </p>
      )}
    </fieldset>
  );
}

/** `slower or quicker`: what this machine has of it. */
const speedsIn = (rung: RungDocument): string => sayOtherSpeeds([...new Set(rung.feeds.map(({ id }) => secretSpeedOf(rung, id)))]);
