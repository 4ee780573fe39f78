import { deal, type Feed, isForLearning, isSlightTurn, MOST_FEEDS, type RungDocument } from '../drill/index.ts';
import type { Launch } from '../flight/index.ts';
import { aimMachine } from '../machine/index.ts';
import { seededRandom } from '../random.ts';
import { isTooQuick } from './hurry.ts';
import { questionOf, type Venue } from './venue.ts';

/** How a ball of a round with secret speeds was thrown. */
export const SECRET_SPEEDS = ['slower', 'as-set', 'quicker'] as const;
/** See `SECRET_SPEEDS`. */
export type SecretSpeed = (typeof SECRET_SPEEDS)[number];

/** One speed comes so often running at most: a hitter who has seen three alike waits for the fourth (our judgement). */
const LONGEST_RUN = 2;
/** Letters of a ball’s own id that its slower and quicker ones keep. */
const ID_LETTERS = 28;

/**
 * A rung whose balls come slower, as they are set, or quicker, at random and unannounced: each to the spot of its own ball, so that only its time differs.
 * The order of the balls stays; spare balls and those of another machine come as they are. A hard ball that a hitter could not react to is never among them.
 * @param byMps slower and quicker, m/s @param seed of which comes when
 * @returns the card of the round; null where the machine has no other speed for any of them, or for a card that is for learning already
 */
export function inSecret(rung: RungDocument, venue: Venue, byMps: number, seed: number): RungDocument | null {
  if (isForLearning(rung)) return null;
  const feeds = [...rung.feeds];
  const speeds = rung.feeds.map((feed, i) => {
    if (!feed.on || feed.counts === false || (feed.machineId ?? rung.machineId) !== rung.machineId) return [i];
    const others = (
      [
        ['slower', -byMps],
        ['quicker', byMps],
      ] as const
    ).flatMap(([name, moreMps]): Feed[] => {
      const launch = faster(feed, venue, moreMps);
      if (!launch || (moreMps > 0 && isTooQuick(rung, venue.sport, feed, launch))) return [];
      return [{ ...feed, id: `${feed.id.slice(0, ID_LETTERS)}-${name}` as Feed['id'], launch, variantOf: feed.id }];
    });
    return [i, ...others.map((other) => feeds.push(other) - 1)];
  });
  const dealt = deal(rung, rung.ballsPerRound);
  if (dealt.length === 0 || feeds.length === rung.feeds.length || feeds.length > MOST_FEEDS) return null;
  const random = seededRandom(seed);
  let last = '';
  let run = 0;
  const list = dealt.map((index) => {
    const may = speeds[index]!.filter((each) => run < LONGEST_RUN || speeds[index]!.length === 1 || speedOf(feeds[each]!) !== last);
    const chosen = may[Math.floor(random() * may.length)]!;
    const speed = speedOf(feeds[chosen]!);
    run = speed === last ? run + 1 : 1;
    last = speed;
    return chosen + 1;
  });
  return { ...rung, feeds, order: { kind: 'calls', list }, secret: { byMps, order: rung.order } };
}

/** The launch that brings a ball to its spot at another speed, no further turned than a trim; null where the machine has none. */
function faster({ launch, target }: Feed, venue: Venue, moreMps: number): Launch | null {
  const question = questionOf(venue, { x: launch.x, y: launch.y, z: launch.z }, target);
  const { solutions, spin } = aimMachine(venue.machine.profile, question, launch, { speedMps: launch.speedMps + moreMps });
  const turn = ({ elevationDeg }: { elevationDeg: number }): number => Math.abs(elevationDeg - launch.elevationDeg);
  const [nearest] = solutions.filter((each) => isSlightTurn(each, launch)).sort((a, b) => turn(a) - turn(b));
  if (!nearest) return null;
  const { speedMps, elevationDeg, bearingDeg } = nearest;
  return { ...launch, ...spin, speedMps, elevationDeg, bearingDeg };
}

/** How a ball of a card with secret speeds is thrown. */
export function secretSpeedOf({ feeds }: Pick<RungDocument, 'feeds'>, feedId: Feed['id'] | undefined): SecretSpeed {
  const feed = feeds.find(({ id }) => id === feedId);
  return feed ? speedOf(feed) : 'as-set';
}

const speedOf = ({ id, variantOf }: Feed): SecretSpeed =>
  variantOf === undefined ? 'as-set' : id.endsWith('-slower') ? 'slower' : 'quicker';
