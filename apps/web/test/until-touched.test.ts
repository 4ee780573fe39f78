import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Marks, Scope } from '../src/server/scope.ts';
import { Store } from '../src/server/store.ts';
import { untilTouched, type Whose } from '../src/server/touched.ts';

/** A club's rounds by a clock of its own, s: what is written is seen later by up to a minute, and pages see what is seen. */
interface Round {
  id: string;
  playerId: string;
  hasMoved: boolean;
  isDeleted: boolean;
  /** When it was touched last, and how often. */
  at: number;
  times: number;
}
const LOOKED_BACK_S = 120;
const SETTLED_S = 60;
const momentOf = (s: number): string => new Date(Date.UTC(2026, 0, 1) + s * 1000).toISOString().replace('T', ' ').replace('Z', '');

let clubs = 0;
function aClub() {
  const clubId = `club-${clubs++}`;
  const seen = new Map<string, Round>();
  const onTheirWay: { at: number; round: Round }[] = [];
  let now = 1000;
  const arrive = (): void => {
    for (const each of onTheirWay.sort((a, b) => a.at - b.at).splice(0, onTheirWay.filter(({ at }) => at <= now).length))
      seen.set(each.round.id, each.round);
  };
  const reads = { count: 0 };
  const answers = [
    { of: {}, keep: untilTouched<{ told: string[] }>(9) },
    { of: { playerId: 'p1' }, keep: untilTouched<{ told: string[] }>(9) },
    { of: { ids: ['r1', 'r3'] }, keep: untilTouched<{ told: string[] }>(9) },
    {
      of: {},
      // puts those that were touched in their place
      keep: untilTouched<{ told: string[] }>(9, (_, { told }, touched) => {
        const others = told.filter((each) => !touched.some(({ id }) => each.startsWith(`${id} `)));
        return { told: [...others, ...tell({ ids: touched.map(({ id }) => id) })].sort() };
      }),
    },
  ] satisfies { of: Whose; keep: unknown }[];
  /** What a reading finds. */
  function tell({ playerId, ids }: Whose): string[] {
    return [...seen.values()]
      .filter((each) => !each.isDeleted && (playerId === undefined || each.playerId === playerId) && (ids?.includes(each.id) ?? true))
      .map(({ id, playerId: whose, times }) => `${id} ${whose} ${times}`)
      .sort();
  }
  /** A page's marks, as the database gives them. */
  function aPage(): Store {
    arrive();
    const all = [...seen.values()];
    const lately = all.filter(({ at }) => at > now - LOOKED_BACK_S);
    const before = all.filter(({ at }) => at <= now - LOOKED_BACK_S).map(({ at }) => at);
    const marks = {
      touched: lately
        .map(({ id, playerId, hasMoved, isDeleted, at }) =>
          [id, playerId, 'a-rung', Number(hasMoved), Number(isDeleted), momentOf(at)].join(' '),
        )
        .join(),
      touchedBefore: before.length > 0 ? momentOf(Math.max(...before)) : '',
      settled: momentOf(now - SETTLED_S),
    };
    return new Store(null as never, { clubId } as Scope, { marks: marks as Marks });
  }
  const ask = (store: Store): Promise<boolean[]> =>
    Promise.all(
      answers.map(async ({ of, keep }, i) => {
        const { told } = await keep(store, { key: `${i}`, of }, async () => {
          reads.count++;
          return { told: tell(of) };
        });
        return JSON.stringify(told) === JSON.stringify(tell(of));
      }),
    );
  return {
    reads,
    wait(s: number): void {
      now += s;
    },
    touch(id: string, lateS: number, how: Partial<Pick<Round, 'playerId' | 'isDeleted'>> = {}): void {
      // none is touched twice in a millisecond with a page in between
      now += 0.001;
      const last = [...onTheirWay].reverse().find(({ round }) => round.id === id)?.round ?? seen.get(id);
      // who writes to a round waits for whoever does already
      const held = Math.max(0, ...onTheirWay.filter(({ round }) => round.id === id).map(({ at }) => at));
      const round = { id, playerId: 'p1', isDeleted: false, ...last, ...how, at: now, times: (last?.times ?? 0) + 1 };
      const hasMoved = last !== undefined && (last.hasMoved || round.playerId !== last.playerId);
      onTheirWay.push({ at: Math.max(held, Math.min(now + SETTLED_S - 1, now + lateS)), round: { ...round, hasMoved } });
    },
    aPage,
    ask,
  };
}

const step = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.record({
      do: fc.constant('wait' as const),
      s: fc.oneof(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 1, max: 400 })),
    }),
  },
  {
    weight: 5,
    arbitrary: fc.record({
      do: fc.constant('touch' as const),
      id: fc.constantFrom('r1', 'r2', 'r3', 'r4'),
      lateS: fc.oneof(fc.constant(0), fc.integer({ min: 0, max: 59 })),
      how: fc.record({ playerId: fc.constantFrom('p1', 'p2'), isDeleted: fc.boolean() }, { requiredKeys: [] }),
    }),
  },
  { weight: 5, arbitrary: fc.record({ do: fc.constant('page' as const) }) },
);

test('whatever is touched, whenever it is seen and however long nobody looks: each page is told what a reading finds', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 5, maxLength: 60 }), async (steps) => {
      const club = aClub();
      for (const each of steps) {
        if (each.do === 'wait') club.wait(each.s);
        else if (each.do === 'touch') club.touch(each.id, each.lateS, each.how);
        else if ((await club.ask(club.aPage())).includes(false)) return false;
      }
      return true;
    }),
    { numRuns: 300 },
  );
});

test('what nobody touches is read once, over hours without a page and while others play', async () => {
  const club = aClub();
  club.touch('r1', 0);
  club.wait(300);
  await club.ask(club.aPage());
  expect(club.reads.count).toBe(4);
  for (const s of [1, 30, 90, 3600, 86_400]) {
    club.wait(s);
    await club.ask(club.aPage());
  }
  expect(club.reads.count).toBe(4);
  for (let ball = 1; ball <= 20; ball++) {
    club.touch('r2', 0, { playerId: 'p2' });
    club.wait(10);
    await club.ask(club.aPage());
  }
  // of all rounds each time; of others' none, and none where the touched one is put in its place
  expect(club.reads.count).toBe(24);
});

test('a page that was asked earlier, and comes later, makes no other show what was before', async () => {
  const club = aClub();
  club.touch('r1', 0);
  club.wait(1);
  const [early] = [club.aPage()];
  club.touch('r1', 0);
  const late = club.aPage();
  expect(await club.ask(late)).not.toContain(false);
  await club.ask(early);
  expect(await club.ask(late)).not.toContain(false);
  expect(await club.ask(club.aPage())).not.toContain(false);
});

test('what had to be set aside is said each time, though something else on the page had said it before', async () => {
  const club = aClub();
  const keep = untilTouched<{ told: string }>(9);
  const torn = { what: 'round', id: 'r1', name: '', problem: 'torn' };
  let reads = 0;
  const told = (page: Store) =>
    keep(page, { key: '', of: {} }, async (own) => {
      reads++;
      own.leaveOut([torn]);
      return { told: 'the others' };
    });
  const first = club.aPage();
  first.leaveOut([torn]);
  await Promise.all([told(first), told(first)]);
  const second = club.aPage();
  await told(second);
  expect([reads, first.setAside, second.setAside]).toEqual([1, [torn], [torn]]);
});

test('what was read of a node that was behind is read once more a minute later', async () => {
  const club = aClub();
  const keep = untilTouched<{ told: string }>(9);
  const reads: string[] = [];
  const told = async (finds: string) => {
    const { told: now } = await keep(club.aPage(), { key: '', of: {} }, async () => {
      reads.push(finds);
      return { told: finds };
    });
    return now;
  };
  club.touch('r1', 0);
  expect(await told('what was before')).toBe('what was before');
  club.wait(30);
  expect(await told('the touched one')).toBe('what was before');
  club.wait(31);
  expect(await told('the touched one')).toBe('the touched one');
  club.wait(3600);
  expect(await told('the same')).toBe('the touched one');
  expect(reads).toHaveLength(2);
});

test('where more are touched at once than are told apart, all are read', async () => {
  const club = aClub();
  for (let n = 0; n < 100; n++) club.touch(`n${n}`, 0);
  for (let i = 1; i <= 2; i++) {
    expect(await club.ask(club.aPage())).not.toContain(false);
    expect(club.reads.count).toBe(4 * i);
  }
  club.wait(121);
  expect(await club.ask(club.aPage())).not.toContain(false);
  expect(await club.ask(club.aPage())).not.toContain(false);
  expect(club.reads.count).toBe(12);
});
