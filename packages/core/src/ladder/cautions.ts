import type { Caution } from '../bench/index.ts';
import { ballById, diamondOf, netPlayOf, type Sport } from '../catalog/index.ts';
import {
  balanceOf,
  comfortOf,
  isIn,
  isToFielders,
  isWayBlocked,
  programOf,
  type RungDocument,
  targetOf,
  upToHalfS,
} from '../drill/index.ts';
import { shortTurnDeg } from '../quantity/index.ts';
import { CAP_BALLS, type Judgement, type NotJudged } from './judge.ts';

export type RungCaution = Omit<Caution, 'id'> & {
  id:
    | 'unsafe'
    | 'not-judged'
    | 'challenge'
    | 'too-quick'
    | 'survival'
    | 'back-pedal'
    | 'long-run'
    | 'long-round'
    | 'juniors'
    | 'non-volley'
    | 'helmets'
    | 'in-front'
    | 'machine-in-the-way'
    | 'fielders';
};

/** Steps back from a waiting place that are still a step, m. */
const STEP_BACK_M = 1.5;
/** Met above this, m, it is an overhead. */
const OVER_HEAD_M = 1.9;
/** The same ball so often running is a shoulder's work, not a player's (common practice, no source). */
const LONG_RUN = 10;
/** Swings, serves or throws of a young player in one rung before a coach should think (common practice, no source; editable by the club's own rule). */
const JUNIOR_SWINGS = 60;
const FORWARD_CONE_DEG = 25;
const FORWARD_M = { hard: 7.6, soft: 2.5 };

function sayNotJudged({ feeds }: RungDocument, reasons: readonly NotJudged[]): RungCaution {
  const unsaid = 'nothing here says that it is safe.';
  const missing = reasons.flatMap((each) => (each.code === 'does-not-arrive' ? [each.feed] : []));
  if (missing.length > 0) {
    const names = missing.map((index) => `ball ${index + 1} “${feeds[index]!.name}”`).join(', ');
    return {
      id: 'not-judged',
      grave: true,
      what: `Not judged: ${names} ${missing.length === 1 ? 'does' : 'do'} not arrive.`,
      why: `What never reaches the player has no time and no height, so ${unsaid}`,
      doThis: 'Move the player in, land it deeper or throw it harder, then look again.',
    };
  }
  const noMachine = reasons.some(({ code }) => code === 'no-machine');
  return {
    id: 'not-judged',
    grave: noMachine,
    what: noMachine ? 'Not judged: its machine is not in the kit.' : 'Not judged: no ball of it is switched on.',
    why: noMachine ? `Nobody knows what throws it, so ${unsaid}` : 'Without a ball there is nothing to judge.',
    doThis: noMachine ? 'Choose another machine for it.' : 'Switch one on.',
  };
}

/** What to think of before a rung is climbed: what, why, what to do. The machine's manual and local rules come first. */
export function rungCautions(rung: RungDocument, sport: Sport, judgement: Judgement): RungCaution[] {
  const judged = judgement.kind === 'judged' ? judgement : judgement.rest;
  const cautions: RungCaution[] = [];
  const { hard, name } = ballById(rung.ballId);
  const feeds = rung.feeds.filter((feed) => isIn(feed, rung.absent));
  const nonVolleyM = netPlayOf(sport)?.nonVolleyM ?? null;
  const fielding = feeds.some(({ target }) => isToFielders(sport, target));
  if (judgement.kind === 'not-judged') cautions.push(sayNotJudged(rung, judgement.why));
  if (judged) {
    const hitting = diamondOf(sport) !== null && !fielding;
    const quickest = judged.balls.reduce((a, b) => (b.ownEase < a.ownEase ? b : a));
    const why = hitting
      ? `It is there in ${quickest.flightS.toFixed(2)} s; the game of this age takes ${quickest.needS.toFixed(2)} s.`
      : `It is there in ${Math.round((quickest.flightS / quickest.needS) * 100)} % of the time that seeing and moving takes.`;
    const word = comfortOf(quickest.ownEase);
    if (judged.unsafe)
      cautions.push({
        id: 'unsafe',
        grave: true,
        what: hitting ? 'A hard ball and too little time for this age.' : 'A hard ball and too little time for this level.',
        why,
        doThis: 'Slow it down, stand farther back, or take a soft ball. A coach who wants it all the same confirms it by name.',
      });
    else if (word === 'too quick')
      cautions.push({
        id: 'too-quick',
        grave: false,
        what: 'Too little time to react for this level.',
        why,
        doThis: 'A slower or higher ball, or one that is known.',
      });
    else if (hitting && word === 'rushed')
      cautions.push({
        id: 'challenge',
        grave: hard,
        what: 'A challenge: quicker than the game of this age.',
        why,
        doThis: 'Few balls, a helmet, and back to the game’s own time.',
      });
    if (judged.survival) {
      const shortOf = Math.min(...judged.balls.map(({ spareS }) => spareS));
      cautions.push({
        id: 'survival',
        grave: false,
        what: 'This is survival pace: balls are survived, not practised.',
        why: hitting
          ? `${rung.intervalS.toFixed(1)} s from ball to ball leave no time to reset, breathe and look.`
          : `A ball leaves ${(-shortOf).toFixed(1)} s before the player is ready to see it.`,
        doThis: `Feed every ${upToHalfS(judged.readyIntervalS).toFixed(1)} s or slower, unless it is meant as work for heart and lungs.`,
      });
    }
    const behind = Math.max(...judged.balls.map(({ contact, feed }) => (rung.feeds[feed]!.meet ?? rung.player.start).y - contact.y));
    const high = judged.arrivals.some((arrival) => arrival !== null && arrival.heightM > OVER_HEAD_M);
    if (
      (!diamondOf(sport) && (behind > STEP_BACK_M || high)) ||
      (fielding && judged.balls.some(({ pathM, flightS }) => pathM > 0 && flightS > 3))
    )
      cautions.push({
        id: 'back-pedal',
        grave: true,
        what: 'A ball over the head: people run backwards for it.',
        why: 'Falls come from back-pedalling and from balls underfoot.',
        doThis: 'Turn and run, never backwards. Clear the ground behind first.',
      });
    if (rung.level === 'Starting' && judged.swingsEach > JUNIOR_SWINGS)
      cautions.push({
        id: 'juniors',
        grave: false,
        what: `${judged.swingsEach} swings each in this rung.`,
        why: `Young shoulders are counted: ${JUNIOR_SWINGS} is where to think.`,
        doThis: 'Fewer rounds, or another player in turn.',
      });
    const sequence = programOf(rung).map(({ index }) => index);
    const { longestRun } = balanceOf(sequence, rung.feeds.length);
    if (feeds.length > 1 && longestRun.length > LONG_RUN)
      cautions.push({
        id: 'long-run',
        grave: false,
        what: `The same ball ${longestRun.length} times running.`,
        why: 'It becomes a habit of the arm, and the feet go to sleep.',
        doThis: 'Smaller blocks, or a limit to the run.',
      });
  }
  if (rung.ballsPerRound > CAP_BALLS)
    cautions.push({
      id: 'long-round',
      grave: false,
      what: `${rung.ballsPerRound} balls without a stop.`,
      why: `After about ${CAP_BALLS} nobody corrects anything any more; balls lie underfoot.`,
      doThis: `Plan a stop at ${CAP_BALLS}: pick up, breathe, look at the count.`,
    });
  if (nonVolleyM !== null && feeds.some(({ stroke, meet }) => stroke === 'volley' && (meet ?? rung.player.start).y > -nonVolleyM - 0.6))
    cautions.push({
      id: 'non-volley',
      grave: false,
      what: 'Volleys close to the non-volley zone.',
      why: 'Touching the zone, or being carried into it by the swing, loses the ball.',
      doThis: 'Start a stride behind the line and finish balanced. Eye protection.',
    });
  if (hard && !fielding)
    cautions.push({
      id: 'helmets',
      grave: true,
      what: `${name}: helmets and a screen.`,
      why: 'A hit ball comes back faster than it was thrown.',
      doThis:
        'Helmet on the hitter and on a feeder without a screen; the screen close to the machine; nobody forward of it while it is armed.',
    });
  if (fielding && feeds.length > 0)
    cautions.push({
      id: 'fielders',
      grave: false,
      what: 'Several players look up at once.',
      why: 'Two who do not call run into each other.',
      doThis: 'One voice for each ball; agree who has the middle.',
    });
  const inTheWay =
    !diamondOf(sport) &&
    feeds.some((feed) => {
      const target = feed.counts === false ? null : targetOf(rung, feed);
      return target !== null && isWayBlocked(rung, feed, target);
    });
  if (inTheWay)
    cautions.push({
      id: 'machine-in-the-way',
      grave: false,
      what: 'The way to the target leads past the machine.',
      why: 'A ball hit well hits the machine, or whoever feeds it.',
      doThis: 'Hit to the other side of it, or move the machine; a feeder stands behind a screen.',
    });
  const inFront = feeds.find(({ launch, meet }) => {
    const spot = meet ?? rung.player.start;
    const [dx, dy] = [spot.x - launch.x, spot.y - launch.y];
    const off = Math.abs(shortTurnDeg((Math.atan2(dx, dy) * 180) / Math.PI - launch.bearingDeg));
    return Math.hypot(dx, dy) < (hard ? FORWARD_M.hard : FORWARD_M.soft) && off < FORWARD_CONE_DEG;
  });
  if (inFront)
    cautions.push({
      id: 'in-front',
      grave: true,
      what: 'Someone stands close in front of the muzzle.',
      why: 'A ball that leaves early or off its line cannot be dodged from there.',
      doThis: 'Move the player back, or feed by hand.',
    });
  return cautions;
}

const OF_TIME: readonly RungCaution['id'][] = ['unsafe', 'not-judged', 'challenge', 'too-quick'];

/** Those of the cautions that say that a ball leaves too little time, or that nobody knows: for wherever a rung is shown, and before it is armed. */
export const timeCautions = (rung: RungDocument, sport: Sport, judgement: Judgement): RungCaution[] =>
  rungCautions(rung, sport, judgement).filter(({ id }) => OF_TIME.includes(id));
