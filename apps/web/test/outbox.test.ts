import { describe, expect, test } from 'vitest';
import { ApiError } from '../src/ui/api.ts';
import { type Letter, Outbox, type Post } from '../src/ui/outbox.ts';

/** What the browser keeps, for as many pages as a test opens. */
function storage(): Post['storage'] {
  const kept = new Map<string, string>();
  return {
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => void kept.set(key, value),
    removeItem: (key) => void kept.delete(key),
    keys: (prefix) => [...kept.keys()].filter((key) => key.startsWith(prefix)),
  };
}

/** A device: its storage, its lock, a server that answers as it is told, and timers that run when the test says so. */
function device() {
  const shared = storage();
  const arrived: string[] = [];
  const timers = new Set<() => void>();
  const waits: number[] = [];
  let chain: Promise<void> = Promise.resolve();
  const server = { answer: (_letter: Letter): number => 204 };
  const page = (): Outbox =>
    new Outbox({
      storage: shared,
      async send(letter) {
        await Promise.resolve();
        const status = server.answer(letter);
        if (status === 0 || status >= 300) throw new ApiError({ type: 'about:blank', title: `said ${status}`, status, errors: [] });
        arrived.push(letter.path);
      },
      alone(run) {
        chain = chain.then(run);
        return chain;
      },
      later(ms, run) {
        waits.push(ms);
        timers.add(run);
        return () => timers.delete(run);
      },
      random: () => 0.5,
    });
  /** All timers that are set come due. */
  const wait = async (): Promise<void> => {
    for (const run of [...timers]) {
      timers.delete(run);
      run();
    }
    await idle();
  };
  const idle = async (): Promise<void> => {
    for (let i = 0; i < 200; i++) await Promise.resolve();
    await chain;
    for (let i = 0; i < 200; i++) await Promise.resolve();
  };
  return { page, arrived, server, wait, waits, idle, shared };
}

const ball = (seq: number): Letter => ({ method: 'PUT', path: `rounds/r/results/${seq}`, body: { seq }, what: `Ball ${seq}` });

describe('the outbox', () => {
  test.each([500, 401, 403, 404, 409, 429, 503, 0])(
    'after an answer of %s nothing is dropped, and all of it arrives later, in order',
    async (status) => {
      const { page, arrived, server, wait, idle } = device();
      server.answer = () => status;
      const box = page();
      for (let seq = 1; seq <= 10; seq++) box.add(ball(seq));
      await idle();
      expect(arrived).toEqual([]);
      expect(box.waiting.map(({ what }) => what)).toEqual(Array.from({ length: 10 }, (_, i) => `Ball ${i + 1}`));
      server.answer = () => 204;
      await wait();
      expect(arrived).toEqual(Array.from({ length: 10 }, (_, i) => `rounds/r/results/${i + 1}`));
      expect(box.waiting).toEqual([]);
    },
  );
  test('a letter that is refused keeps its reason and does not hold up the others', async () => {
    const { page, arrived, server, idle } = device();
    server.answer = ({ path }) => (path.endsWith('/2') ? 403 : 204);
    const box = page();
    for (let seq = 1; seq <= 3; seq++) box.add(ball(seq));
    await idle();
    expect(arrived).toEqual(['rounds/r/results/1', 'rounds/r/results/3']);
    expect(box.waiting.map(({ what, refused }) => [what, refused])).toEqual([['Ball 2', 'said 403']]);
  });
  test('signed out, it waits and says so; what was written meanwhile is sent after signing in again', async () => {
    const { page, arrived, server, wait, idle } = device();
    server.answer = () => 401;
    const box = page();
    box.add(ball(1));
    await idle();
    expect(box.signedOut).toBe(true);
    expect(box.waiting[0]!.refused).toBe('');
    server.answer = () => 204;
    await wait();
    expect(arrived).toEqual(['rounds/r/results/1']);
    expect(box.signedOut).toBe(false);
  });
  test('two pages of one device add and send without disturbing one another: each letter arrives once', async () => {
    const { page, arrived, idle } = device();
    const [one, other] = [page(), page()];
    for (let seq = 1; seq <= 20; seq++) (seq % 2 ? one : other).add(ball(seq));
    await idle();
    one.look();
    other.look();
    expect([...arrived].sort()).toEqual(Array.from({ length: 20 }, (_, i) => `rounds/r/results/${i + 1}`).sort());
    expect(one.waiting).toEqual([]);
    expect(other.waiting).toEqual([]);
  });
  test('what waits survives the page, and is sent by the next one, whichever it is', async () => {
    const { page, arrived, server, idle } = device();
    server.answer = () => 503;
    page().add(ball(1));
    await idle();
    server.answer = () => 204;
    const next = page();
    expect(next.waiting).toHaveLength(1);
    await next.flush(true);
    expect(arrived).toEqual(['rounds/r/results/1']);
  });
  test('a server that stays away is asked more and more seldom, and at once again after it took something', async () => {
    const { page, server, wait, waits, idle } = device();
    server.answer = () => 429;
    const box = page();
    box.add(ball(1));
    await idle();
    for (let times = 0; times < 6; times++) await wait();
    expect(waits).toEqual([2000, 4000, 8000, 16_000, 32_000, 60_000, 60_000]);
    server.answer = ({ path }) => (path.endsWith('/1') ? 204 : 503);
    box.add(ball(2));
    await idle();
    expect(waits.at(-1)).toBe(2000);
    expect(box.waiting.map(({ what }) => what)).toEqual(['Ball 2']);
  });
  test('only a person gives a refused letter up', async () => {
    const { page, server, wait, idle } = device();
    server.answer = () => 404;
    const box = page();
    box.add(ball(1));
    await idle();
    for (let times = 0; times < 3; times++) await wait();
    expect(box.waiting).toHaveLength(1);
    box.discard(box.waiting[0]!.id);
    await wait();
    expect(box.waiting).toEqual([]);
  });
});
