import { LIBRARY } from '@good-arc/core';
import type { Findable } from '../api/rows.ts';
import { sayDay } from '../ui/when.ts';
import { readKit } from './kit.ts';
import { readLadders } from './ladders.ts';
import { readPlans } from './plans.ts';
import { readRounds } from './read-rounds.ts';
import type { Store } from './store.ts';

/** Newest rounds that are found by a word. */
const ROUNDS = 40;
/** Plans are found by a word from so many days ago on. */
const PLANS_DAYS = 60;

/** Everything of a club that is found by a word, with where it is opened. */
export async function findables(store: Store): Promise<Findable[]> {
  const [kit, ladders, plans, rounds] = await Promise.all([
    readKit(store),
    readLadders(store),
    readPlans(store, { from: new Date(Date.now() - PLANS_DAYS * 86_400_000).toISOString().slice(0, 10) }),
    readRounds(store, { most: ROUNDS }),
  ]);
  return [
    ...kit.players.map(({ id, name, level }): Findable => ({ what: 'player', name, more: level, href: `/logbook?player=${id}` })),
    ...ladders.map(({ id, name, sport }): Findable => ({ what: 'ladder', name, more: sport, href: `/ladders/${id}` })),
    ...ladders.flatMap(({ name: ladder, rungs }) =>
      rungs.map(({ id, document }): Findable => ({ what: 'rung', name: document.name, more: ladder, href: `/courtside?rung=${id}` })),
    ),
    ...plans.map(
      ({ id, document: { name, startsAt } }): Findable => ({
        what: 'plan',
        name,
        more: startsAt.replace('T', ' '),
        href: `/plan?id=${id}`,
      }),
    ),
    ...kit.machines.map(({ id, name, profile }): Findable => ({ what: 'machine', name, more: profile.kind, href: `/machines/${id}` })),
    ...kit.courts.map(({ name, sport }): Findable => ({ what: 'place', name, more: sport, href: '/kit?at=courts' })),
    ...kit.balls.map(({ name }): Findable => ({ what: 'balls', name, more: '', href: '/kit?at=balls' })),
    ...LIBRARY.map(({ id, name, sport }): Findable => ({ what: 'drill', name, more: sport, href: `/ladders/library?drill=${id}` })),
    ...rounds.map(
      ({ id, playerName, card, startedAt }): Findable => ({
        what: 'round',
        name: `${playerName}, ${card.name}`,
        more: sayDay(startedAt),
        href: `/rounds/${id}`,
      }),
    ),
  ];
}
