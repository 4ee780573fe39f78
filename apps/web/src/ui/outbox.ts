import { useSyncExternalStore } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { alone } from '../device/alone.ts';
import { type DeviceStore, device } from '../device/store.ts';
import { ApiError, api, messageOf } from './api.ts';

/** A write that must reach the server, sooner or later, in order. Each is safe to send twice. */
export interface Letter {
  method: 'PUT' | 'POST' | 'PATCH' | 'DELETE';
  path: string;
  body?: unknown;
  /** In words, for the list of what waits. */
  what: string;
}

/** A letter on this device. */
export interface Kept extends Letter {
  id: string;
  /** Why the server did not take it; empty while it only waits. */
  refused: string;
}

/** When it was written: the first 48 bits of a UUIDv7 are the time (RFC 9562, 5.7). */
export const writtenAt = ({ id }: Kept): string => new Date(Number.parseInt(id.replaceAll('-', '').slice(0, 12), 16)).toISOString();

/** What the outbox needs of its surroundings; tests bring their own. */
export interface Post {
  storage: Pick<DeviceStore, 'getItem' | 'setItem' | 'removeItem' | 'keys'>;
  /** @throws ApiError when it was not acknowledged */
  send: (letter: Letter) => Promise<unknown>;
  /** One page at a time: runs when no other page of this device does. */
  alone: (run: () => Promise<void>) => Promise<void>;
  /** @returns a function that cancels it */
  later: (ms: number, run: () => void) => () => void;
  /** 0 to 1: devices that lost the server together do not come back together. */
  random: () => number;
}

const KEY = 'letter:';
/** The first wait for a server that is away; each further one is twice as long, up to the longest. */
const AWAY_MS = 2000;
const LONGEST_AWAY_MS = 60_000;
const SIGNED_OUT_MS = 15_000;
const REFUSED_MS = 60_000;
const SIGNED_OUT = 401;

/**
 * Keeps writes on the device until the server has acknowledged each of them: nothing but a good answer to a letter removes it. Every letter has a place of
 * its own, so that two pages add without disturbing one another; one page at a time sends.
 */
export class Outbox {
  private readonly post: Post;
  private readonly listeners = new Set<() => void>();
  private seen: readonly Kept[] = [];
  private cancel = (): void => {};
  private flushing: Promise<void> | null = null;
  private again = false;
  /** Times in a row that the server was away. */
  private away = 0;
  /** Nobody is signed in: nothing goes out until somebody is. */
  signedOut = false;

  constructor(post: Post) {
    this.post = post;
    this.look();
  }

  /** What waits, in the order it was written. */
  get waiting(): readonly Kept[] {
    return this.seen;
  }

  listen(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  add(letter: Letter): void {
    this.write({ ...letter, id: uuidv7(), refused: '' });
    this.look();
    void this.flush();
  }

  /** The person gives a letter up. */
  discard(id: string): void {
    this.post.storage.removeItem(KEY + id);
    this.look();
  }

  /** Reads again what waits: another page may have added to it or sent it. */
  look(): void {
    const found = this.post.storage.keys(KEY).flatMap((key) => this.readAt(key) ?? []);
    // ids are made in the order of time
    this.seen = found.sort((a, b) => (a.id < b.id ? -1 : 1));
    for (const listener of this.listeners) listener();
  }

  /** Sends what waits. @param all also what was refused before */
  flush(all = false): Promise<void> {
    if (this.flushing) {
      this.again = true;
      return this.flushing;
    }
    this.cancel();
    this.flushing = this.post
      .alone(() => this.sendAll(all))
      .finally(() => {
        this.flushing = null;
        if (!this.again) return;
        this.again = false;
        void this.flush();
      });
    return this.flushing;
  }

  /** Sends nothing more by itself; what waits is kept. */
  end(): void {
    this.cancel();
  }

  private async sendAll(all: boolean): Promise<void> {
    const tried = new Set<string>();
    let wait = REFUSED_MS;
    this.signedOut = false;
    for (;;) {
      this.look();
      const letter = this.seen.find(({ id, refused }) => !tried.has(id) && (all || refused === ''));
      if (!letter) break;
      tried.add(letter.id);
      try {
        await this.post.send(letter);
        this.post.storage.removeItem(KEY + letter.id);
        this.away = 0;
      } catch (error) {
        const isAway = error instanceof ApiError && error.isAway;
        this.signedOut = error instanceof ApiError && error.status === SIGNED_OUT;
        if (isAway || this.signedOut) {
          wait = isAway ? this.longer() : SIGNED_OUT_MS;
          break;
        }
        // thrown away meanwhile, it stays so
        if (this.post.storage.getItem(KEY + letter.id) !== null) this.write({ ...letter, refused: messageOf(error) });
      }
    }
    this.look();
    if (this.seen.length > 0) this.cancel = this.post.later(wait, () => void this.flush(true));
  }

  private longer(): number {
    const ms = Math.min(LONGEST_AWAY_MS, AWAY_MS * 2 ** this.away++);
    return ms * (0.75 + 0.5 * this.post.random());
  }

  private write(letter: Kept): void {
    this.post.storage.setItem(KEY + letter.id, JSON.stringify(letter));
  }

  private readAt(key: string): Kept | null {
    try {
      return JSON.parse(this.post.storage.getItem(key) ?? 'null') as Kept | null;
    } catch {
      return null;
    }
  }
}

const SEND_WITHIN_MS = 20_000;

/** The device's own. A browser without locks sends from each page; every letter is safe to send twice. */
const browserPost = (): Post => ({
  storage: device(),
  send: ({ method, path, body }) => api(method, path, body, { withinMs: SEND_WITHIN_MS }),
  alone: (run) => alone('outbox', run),
  later: (ms, run) => {
    const timer = setTimeout(run, ms);
    return () => clearTimeout(timer);
  },
  random: Math.random,
});

let made: { box: Outbox; on: DeviceStore } | null = null;

/** One for the page; it begins to send at once. */
export function outbox(): Outbox {
  if (made?.on === device()) return made.box;
  made?.box.end();
  const box = new Outbox(browserPost());
  made = { box, on: device() };
  device().listen(() => box.look());
  let isAsked = false;
  box.listen(() => {
    if (isAsked || box.waiting.length === 0) return;
    isAsked = true;
    // what waits must not be cleared when room gets short
    void navigator.storage?.persist?.().catch(() => false);
  });
  window.addEventListener('online', () => void box.flush(true));
  void device().ready.then(() => box.flush(true));
  return box;
}

/** Why this device can keep nothing more; empty when it can. */
export const useDeviceTrouble = (): string =>
  useSyncExternalStore(
    (listener) => device().listen(listener),
    () => device().trouble,
    () => '',
  );

const NONE: readonly Kept[] = [];

/** What waits on this device; nothing while the page is drawn on the server. */
export const useWaiting = (): readonly Kept[] =>
  useSyncExternalStore(
    (listener) => outbox().listen(listener),
    () => outbox().waiting,
    () => NONE,
  );
