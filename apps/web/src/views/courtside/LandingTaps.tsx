import { type PlayerTarget, type RungDocument, type Sport, targetsOf } from '@good-arc/core';
import { LandingPlan } from '../../ui/LandingPlan.tsx';
import { targetPlan } from '../../ui/sayTarget.ts';
import type { RunBall } from './run.ts';

/** Where the player’s ball came down, tapped on the court: it judges the ball, and tells the player’s own scatter sooner than hits and misses do. */
export function LandingTaps({
  document,
  sport,
  balls,
  targets,
  next,
  off,
  onTap,
}: {
  document: RungDocument;
  sport: Sport;
  balls: readonly RunBall[];
  /** What is to be hit to, where that is another goal than the card’s. */
  targets: readonly PlayerTarget[];
  /** Number of the ball that is judged next. */
  next: number;
  off: boolean;
  onTap: (spot: { x: number; y: number }) => void;
}) {
  const { launch } = document.feeds[0]!;
  const marks = balls.flatMap(({ seq, landXM, landYM, outcome }) =>
    landXM === null || landYM === null ? [] : [{ id: String(seq), x: landXM, y: landYM, label: String(seq), leftOut: outcome !== 'in' }],
  );
  return (
    <section aria-label="Where it came down" className="mt-2">
      <p className="font-medium">{off ? 'Nothing waits to be judged.' : `Tap where ball ${next} came down.`}</p>
      <LandingPlan
        plan={targetPlan(sport)}
        machine={launch}
        marks={marks}
        landed={null}
        zones={targets.length > 0 ? targets : targetsOf(document).map(({ target }) => target)}
        onMark={onTap}
        off={off}
      />
    </section>
  );
}
