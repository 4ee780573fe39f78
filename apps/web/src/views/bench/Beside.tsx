import { conditionsOf, type Hazard, isToFielders } from '@good-arc/core';
import { HazardList, ManualFirst } from '../../ui/HazardList.tsx';
import { later } from '../../ui/later.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { ArrivalBesideGame } from './ArrivalBesideGame.tsx';
import { BodyPicture } from './Body.tsx';
import { DialLine } from './DialLine.tsx';
import { FieldingFigures } from './Fielding.tsx';
import { Settings } from './Settings.tsx';
import type { BenchState } from './useBench.ts';

const PitchMovement = later(async () => (await import('./PitchMovement.tsx')).PitchMovement);

/** Beside the picture, or under it on a phone: what arrives beside the game's ball, what the machine is set to, and what to look out for. */
export function Beside({ bench, hazards }: { bench: BenchState; hazards: readonly Hazard[] }) {
  const { setup, now } = bench;
  const { arrangement } = now;
  const { ball } = conditionsOf(setup);
  const fielding = isToFielders(setup.sport, setup.target);
  return (
    <aside className="border-base-content px-3 pt-4 pb-10 md:px-6 lg:border-l" aria-label="Choices and arrival">
      {fielding ? (
        <>
          <h2 className="text-xl">What the fielders get</h2>
          <FieldingFigures bench={bench} />
        </>
      ) : (
        <>
          <h2 className="text-xl">Arrival beside game</h2>
          <BodyPicture now={now} onMeet={bench.meetAt} onDone={bench.close} />
          <ArrivalBesideGame arrangement={arrangement} />
          {setup.target.kind === 'plane' && arrangement.thrown && (
            <PitchMovement setup={setup} launch={arrangement.thrown.launch} game={arrangement.game} />
          )}
        </>
      )}
      {ball.confidence === 'low' && (
        <Notice tone="warning" className="mt-2 text-sm">
          The flight of this ball is known roughly only ({ball.sources.find(({ assumption }) => assumption)?.source}): take the figures as a
          starting point.
        </Notice>
      )}
      <Settings bench={bench} />
      <DialLine bench={bench} />
      <div className="mt-5">
        {hazards.length === 0 && <p>Nothing stands out in this set-up.</p>}
        <HazardList hazards={hazards} />
        <ManualFirst />
      </div>
    </aside>
  );
}
