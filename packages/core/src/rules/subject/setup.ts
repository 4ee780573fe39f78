import { type Arrangement, conditionsOf, type Setup } from '../../bench/index.ts';
import { comfortOf, isToFielders } from '../../drill/index.ts';
import { fenceBehind } from './fence.ts';
import type { Around, Subject } from './subject.ts';

/** A solved set-up as the rules see it. @param widestBallM of the machine: a wider ball jams it */
export function subjectOfSetup(
  setup: Setup,
  { thrown, comfort, lowOverNet, reason, stroke }: Arrangement,
  { widestBallM = Number.POSITIVE_INFINITY, ...around }: { widestBallM?: number } & Around = {},
): Subject {
  const { sport, level, target, player, weather, intervalS, ceilingM = null } = setup;
  const { ball } = conditionsOf(setup);
  const fielding = isToFielders(sport, target);
  return {
    sport,
    level,
    ball,
    fielding,
    balls: thrown ? [{ launch: thrown.launch, target, stroke, meet: player, flight: thrown.flight, pastMachine: false }] : [],
    time: comfort && {
      quickest: { timeS: comfort.timeS, needS: comfort.needS, ease: comfort.ballEase },
      unsafe: ball.hard && comfortOf(comfort.ballEase) === 'too quick',
      hitting: comfort.band !== null,
      band: comfort.band,
      intervalS,
      spareS: comfort.spareS,
      readyIntervalS: comfort.shortestIntervalS,
    },
    heights: comfort?.height ? [{ ...comfort.height, name: '' }] : [],
    notJudged: !thrown ? [{ code: 'not-thrown' }] : !comfort && !fielding ? [{ code: 'does-not-arrive', feed: 0 }] : [],
    around,
    weather,
    fenceY: fenceBehind(sport),
    place: {
      widestBallM,
      ceilingM,
      touchesCeiling: reason?.code === 'ceiling',
      lowOverNet,
    },
  };
}
