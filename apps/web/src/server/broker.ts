import { Redis } from 'ioredis';
import { v7 as uuidv7 } from 'uuid';
import { log } from './log.ts';

/** A server that was not heard of for so long does not live, ms: what it had may be another's. */
export const LAPSES_MS = 800;
/** What the broker does not answer in so long, ms, it does not answer. */
const ANSWER_MS = 500;
const AGAIN_MS = 200;

/** Who has a machine: this server, by a fence that is higher than any before, or another one that lives. */
export type Taken = { fence: number } | { owner: string };

/** What several servers of one database know of each other. Every call fails while the broker is away. */
export interface Broker {
  /** This server, as the others know it: new with every start. */
  readonly self: string;
  /** Says that this server lives. @returns false when it had lapsed: what it has may be others’ by now */
  live(): Promise<boolean>;
  /**
   * The line of a machine, for this server if no other that lives has it.
   * @param line the machine’s id @param isHeld this server has it as far as it knows: of a broker that forgot everything it is believed
   * @returns the owner is empty when that is not known yet
   */
  take(line: string, isHeld?: boolean): Promise<Taken>;
  leave(line: string): Promise<void>;
  say(topic: string, message: unknown): Promise<void>;
  /** @returns a function that ends it */
  hear(topic: string, listener: (message: unknown) => void): () => void;
  close(): void;
}

const KEYS = 'good-arc:';
const aliveKey = (server: string): string => `${KEYS}server:${server}`;

/**
 * In one step: whose it is, if that one lives; else ours, with a fence by the broker's own clock, so that it rises even when the broker lost what it knew.
 * A broker that has just begun waits for those who have lines to say so.
 * KEYS: the line's owner, its last fence, our sign of life, when the broker began. ARGV: us, ms, what a sign of life begins with, whether we have it.
 */
const TAKE = `
local time = redis.call('TIME')
local now = time[1] * 1000 + math.floor(time[2] / 1000)
redis.call('SET', KEYS[4], string.format('%.0f', now), 'NX')
local owner = redis.call('GET', KEYS[1])
if owner and owner ~= ARGV[1] and redis.call('EXISTS', ARGV[3] .. owner) == 1 then return { owner, 0 } end
if not owner and ARGV[4] == '0' and now - redis.call('GET', KEYS[4]) < tonumber(ARGV[2]) then return { '', 0 } end
redis.call('SET', KEYS[3], '1', 'PX', ARGV[2])
redis.call('SET', KEYS[1], ARGV[1])
local fence = math.max(now, tonumber(redis.call('GET', KEYS[2]) or '0') + 1)
redis.call('SET', KEYS[2], string.format('%.0f', fence))
return { ARGV[1], fence }`;
const LEAVE = `if redis.call('GET', KEYS[1]) == ARGV[1] then redis.call('DEL', KEYS[1]) end`;

/** What was not asked in time is not asked later: a command that comes late would move a machine that nobody expects to move. */
export function redisAt(url: string): Redis {
  const redis = new Redis(url, {
    enableOfflineQueue: false,
    maxRetriesPerRequest: 0,
    commandTimeout: ANSWER_MS,
    connectTimeout: ANSWER_MS,
    retryStrategy: () => AGAIN_MS,
  });
  return said(redis);
}

/** Says once that it is away, and once that it is back. */
function said(redis: Redis): Redis {
  let isAway = false;
  redis.on('error', (error: Error) => {
    if (!isAway) log.warn({ why: error.message }, 'the broker is away');
    isAway = true;
  });
  redis.on('ready', () => {
    if (isAway) log.info('the broker is back');
    isAway = false;
  });
  return redis;
}

/** A broker that is Redis, or speaks as it does. @param url such as `redis://127.0.0.1:6379` */
export function redisBroker(url: string): Broker {
  const self = uuidv7();
  const redis = redisAt(url);
  // a line that listens says nothing else; what is to be heard is asked for again whenever it is back
  const hearing = said(new Redis(url, { maxRetriesPerRequest: null, retryStrategy: () => AGAIN_MS }));
  const listeners = new Map<string, Set<(message: unknown) => void>>();
  /** What is asked first may come before there is a connection. */
  const begun = new Promise<void>((resolve) => {
    redis.once('ready', resolve);
    redis.once('error', () => resolve());
  });
  hearing.on('message', (topic: string, text: string) => {
    for (const listener of listeners.get(topic) ?? []) listener(JSON.parse(text));
  });
  return {
    self,
    live: () => begun.then(async () => (await redis.set(aliveKey(self), '1', 'PX', LAPSES_MS, 'GET')) !== null),
    async take(line, isHeld = false) {
      await begun;
      const keys = [`${KEYS}line:${line}`, `${KEYS}fence:${line}`, aliveKey(self), `${KEYS}begun`];
      const [owner, fence] = (await redis.eval(TAKE, keys.length, ...keys, self, LAPSES_MS, aliveKey(''), Number(isHeld))) as [
        string,
        number,
      ];
      return owner === self ? { fence } : { owner };
    },
    leave: async (line) => void (await redis.eval(LEAVE, 1, `${KEYS}line:${line}`, self)),
    say: (topic, message) => begun.then(async () => void (await redis.publish(KEYS + topic, JSON.stringify(message)))),
    hear(name, listener) {
      const topic = KEYS + name;
      const known = listeners.get(topic) ?? new Set();
      if (known.size === 0) void hearing.subscribe(topic).catch(() => {});
      listeners.set(topic, known.add(listener));
      return () => {
        known.delete(listener);
        if (known.size > 0) return;
        listeners.delete(topic);
        void hearing.unsubscribe(topic).catch(() => {});
      };
    },
    close() {
      redis.disconnect();
      hearing.disconnect();
    },
  };
}
