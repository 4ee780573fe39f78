import { type DBSchema, openDB } from 'idb';

/** Where a device keeps things: all of them at once when a page opens, then what changes. */
export interface Shelf {
  load(): Promise<(readonly [string, string])[]>;
  /** All of it or nothing. A value of null removes. */
  write(changes: ReadonlyMap<string, string | null>): Promise<void>;
}

/** Between the pages of one device. */
export interface Pages {
  tell(changes: readonly (readonly [string, string | null])[]): void;
  hear(listener: (changes: readonly (readonly [string, string | null])[]) => void): void;
}

/**
 * What this device keeps of rounds, results, checks and test balls, shared by all its pages: read and changed at once in the page, written behind it in the
 * order of the changes. What is changed in one go is written in one transaction, so that a ball is never kept without its letter.
 */
export class DeviceStore {
  /** Everything is here that was kept before the page opened. */
  readonly ready: Promise<void>;
  /** Why this device cannot keep anything more; empty when it can. */
  trouble = '';
  private readonly shelf: Shelf;
  private readonly pages: Pages;
  private readonly kept = new Map<string, string>();
  private readonly listeners = new Set<() => void>();
  private changed = new Map<string, string | null>();
  private isDue = false;
  private writing: Promise<void> = Promise.resolve();
  /** Touched before this page knew what was kept: that is newer. */
  private touched: Set<string> | null = new Set();

  constructor(shelf: Shelf, pages: Pages) {
    this.shelf = shelf;
    this.pages = pages;
    pages.hear((changes) => {
      for (const [key, value] of changes) {
        this.put(key, value);
        this.touched?.add(key);
      }
      this.tell();
    });
    this.ready = shelf.load().then(
      (entries) => {
        for (const [key, value] of entries) if (!this.touched?.has(key)) this.kept.set(key, value);
        this.touched = null;
        this.tell();
      },
      (error: unknown) => this.fail(error),
    );
  }

  getItem(key: string): string | null {
    return this.kept.get(key) ?? null;
  }

  /** Keys that begin so. */
  keys(prefix: string): string[] {
    return [...this.kept.keys()].filter((key) => key.startsWith(prefix));
  }

  setItem(key: string, value: string): void {
    this.change(key, value);
  }

  removeItem(key: string): void {
    if (this.kept.has(key) || this.touched) this.change(key, null);
  }

  /** Hears of changes, those of other pages included. @returns a function that ends it */
  listen(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Everything that was changed so far is written, or cannot be. */
  async settled(): Promise<void> {
    await this.ready;
    await Promise.resolve();
    await this.writing;
  }

  private change(key: string, value: string | null): void {
    this.put(key, value);
    this.touched?.add(key);
    this.changed.set(key, value);
    // what comes in the same go joins it
    if (this.isDue) return;
    this.isDue = true;
    this.writing = this.writing.then(() => this.writeAll());
  }

  private async writeAll(): Promise<void> {
    this.isDue = false;
    const changes = this.changed;
    this.changed = new Map();
    try {
      await this.shelf.write(changes);
      this.pages.tell([...changes]);
      this.trouble = '';
    } catch (error) {
      // it is tried again with the next change; in this page nothing is lost
      this.changed = new Map([...changes, ...this.changed]);
      this.fail(error);
    }
  }

  private put(key: string, value: string | null): void {
    if (value === null) this.kept.delete(key);
    else this.kept.set(key, value);
  }

  private fail(error: unknown): void {
    this.trouble = error instanceof Error ? error.message || error.name : String(error);
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

interface Schema extends DBSchema {
  kept: { key: string; value: string };
}

/** The browser's database. @param name of it */
export function indexedShelf(name = 'good-arc'): Shelf {
  const open = openDB<Schema>(name, 1, { upgrade: (db) => void db.createObjectStore('kept') });
  return {
    async load() {
      const store = (await open).transaction('kept').store;
      const [keys, values] = await Promise.all([store.getAllKeys(), store.getAll()]);
      return keys.map((key, i) => [key, values[i]!] as const);
    },
    async write(changes) {
      const tx = (await open).transaction('kept', 'readwrite', { durability: 'strict' });
      for (const [key, value] of changes) void (value === null ? tx.store.delete(key) : tx.store.put(value, key));
      await tx.done;
    },
  };
}

/** Of a browser without a database for pages, such as some private windows. */
export const localShelf = (prefix = 'good-arc:'): Shelf => ({
  load: async () =>
    Object.keys(localStorage)
      .filter((key) => key.startsWith(prefix))
      .map((key) => [key.slice(prefix.length), localStorage.getItem(key) ?? ''] as const),
  write: async (changes) => {
    for (const [key, value] of changes)
      if (value === null) localStorage.removeItem(prefix + key);
      else localStorage.setItem(prefix + key, value);
  },
});

function channelPages(): Pages {
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('good-arc-device');
  return {
    tell: (changes) => channel?.postMessage(changes),
    hear: (listener) => channel?.addEventListener('message', ({ data }) => listener(data)),
  };
}

let made: DeviceStore | null = null;

/** The device's own, one for the page. */
export function device(): DeviceStore {
  made ??= new DeviceStore(typeof indexedDB === 'undefined' ? localShelf() : indexedShelf(), channelPages());
  return made;
}

/** Another in its place. @param store null for a new one the next time it is asked for */
export function replaceDevice(store: DeviceStore | null): void {
  made = store;
}
