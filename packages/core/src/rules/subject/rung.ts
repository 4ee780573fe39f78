import { conditionsOf, throwBall } from '../../bench/index.ts';
import { diamondOf, type Sport } from '../../catalog/index.ts';
import { apartOf, balanceOf, isIn, isToFielders, isWayBlocked, programOf, type RungDocument, targetOf } from '../../drill/index.ts';
import type { JudgedRung, Judgement } from '../../ladder/index.ts';
import { fenceBehind } from './fence.ts';
import type { Around, Subject, SubjectBall, SubjectTime } from './subject.ts';

/** Met above this, m, it is an overhead. */
const OVER_HEAD_M = 1.9;
/** A fielder chases a ball that hangs so long, s, far enough to turn. */
const HANGS_LONG_S = 3;

/** A rung with its judgement as the rules see it: of one that was not judged whole, the balls that were. */
export function subjectOfRung(rung: RungDocument, sport: Sport, judgement: Judgement, around: Around): Subject {
  const judged = judgement.kind === 'judged' ? judgement : judgement.rest;
  const feeds = rung.feeds.filter((feed) => isIn(feed, rung.absent));
  const fielding = feeds.some(({ target }) => isToFielders(sport, target));
  const fenceY = fenceBehind(sport);
  const conditions = conditionsOf(rung);
  const balls = feeds.map((feed): SubjectBall => {
    const target = diamondOf(sport) || feed.counts === false ? null : targetOf(rung, feed);
    return {
      launch: feed.launch,
      target: feed.target,
      stroke: feed.stroke,
      meet: feed.meet ?? rung.player.start,
      flight: fenceY === null ? null : throwBall(conditions, feed.launch, fenceY).flight,
      pastMachine: target !== null && isWayBlocked(rung, feed, target),
    };
  });
  const sequence = programOf(rung).map(({ index }) => index);
  const { ball } = conditions;
  return {
    sport,
    level: rung.level,
    ball,
    fielding,
    balls,
    time: judged && timeOf(rung, judged, diamondOf(sport) !== null && !fielding),
    heights: heightsOf(rung, judged),
    around,
    weather: around.weather ?? rung.weather,
    fenceY,
    notJudged:
      judgement.kind === 'judged'
        ? []
        : judgement.why.map((why) => (why.code === 'does-not-arrive' ? { ...why, name: rung.feeds[why.feed]!.name } : why)),
    load: {
      swingsEach: judged?.swingsEach ?? 0,
      ballsPerRound: rung.ballsPerRound,
      longestRun: judged ? balanceOf(sequence, rung.feeds.length).longestRun.length : 0,
      feeds: feeds.length,
      behindM: Math.max(0, ...(judged?.balls ?? []).map(({ contact, feed }) => waits(rung, feed).y - contact.y)),
      overHead: judged?.arrivals.some((arrival) => arrival !== null && arrival.heightM > OVER_HEAD_M) ?? false,
      chasedFar: judged?.balls.some(({ pathM, flightS }) => pathM > 0 && flightS > HANGS_LONG_S) ?? false,
      apartM: apartOf(rung),
    },
  };
}

/** Of every feed once. */
function heightsOf({ feeds }: RungDocument, judged: JudgedRung | null): Subject['heights'] {
  const seen = new Map((judged?.balls ?? []).flatMap(({ feed, height }) => (height ? [[feed, height] as const] : [])));
  return [...seen].map(([feed, height]) => ({ ...height, name: feeds[feed]!.name }));
}

const waits = ({ feeds, player }: RungDocument, feed: number) => feeds[feed]!.meet ?? player.start;

function timeOf({ intervalS }: RungDocument, judged: JudgedRung, hitting: boolean): SubjectTime {
  const { flightS: timeS, needS, ownEase: ease } = judged.balls.reduce((a, b) => (b.ownEase < a.ownEase ? b : a));
  return {
    quickest: { timeS, needS, ease },
    unsafe: judged.unsafe,
    hitting,
    band: null,
    intervalS,
    spareS: Math.min(...judged.balls.map(({ spareS }) => spareS)),
    readyIntervalS: judged.readyIntervalS,
  };
}
