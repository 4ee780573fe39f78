import {
  feedsOf,
  mphToMps,
  type RungDocument,
  SECRET_SPEEDS,
  type SecretSpeed,
  scoreRound,
  secretSpeedOf,
  type UnitSystem,
} from '@good-arc/core';

/** How much slower and quicker balls may come in secret, m/s: round in the person’s own units. */
export const SECRET_STEPS: Record<UnitSystem, readonly number[]> = {
  imperial: [2, 3, 5].map(mphToMps),
  metric: [3, 5, 8].map((kmh) => kmh / 3.6),
};

const SPEED_NAMES: Record<SecretSpeed, string> = { slower: 'slower', 'as-set': 'as set', quicker: 'quicker' };

/** `slower or quicker`: what else than as it is set a ball may come. */
export const sayOtherSpeeds = (speeds: readonly SecretSpeed[]): string =>
  SECRET_SPEEDS.filter((each) => each !== 'as-set' && speeds.includes(each))
    .map((each) => SPEED_NAMES[each])
    .join(' or ');

/** A ball of a round that is over: with its speed, where that was secret. */
export const sayFeed = (card: RungDocument, feed: RungDocument['feeds'][number] | undefined): string =>
  feed ? [feed.name, card.secret && SPEED_NAMES[secretSpeedOf(card, feed.id)]].filter(Boolean).join(', ') : '';

/** `Speeds in secret: slower 3 of 4, as set 2 of 3, quicker 1 of 3.`; empty for a card without, or before a ball counts. */
export function saySecret(card: RungDocument, results: Parameters<typeof scoreRound>[1]): string {
  if (!card.secret) return '';
  const feedOf = feedsOf(card);
  const speedOf = (result: (typeof results)[number]): SecretSpeed => secretSpeedOf(card, feedOf(result)?.id);
  const said = SECRET_SPEEDS.flatMap((speed) => {
    const { hits, balls } = scoreRound(
      card,
      results.filter((each) => speedOf(each) === speed),
    );
    return balls === 0 ? [] : [`${SPEED_NAMES[speed]} ${hits} of ${balls}`];
  });
  return said.length === 0 ? '' : `Speeds in secret: ${said.join(', ')}.`;
}
