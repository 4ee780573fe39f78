import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { askedBesides, keptSince } from '../src/device/drawn.ts';
import { keptAddress, NEVER_KEPT, toFetch } from '../src/device/pages.ts';
import { DeviceStore, indexedShelf, type Pages, type Shelf } from '../src/device/store.ts';
import { memoryShelf } from './support/device.ts';

/** Pages of one device hear one another a moment later. */
function oneDevice(): () => Pages {
  const listeners: Parameters<Pages['hear']>[0][] = [];
  return () => {
    let own: Parameters<Pages['hear']>[0] | undefined;
    return {
      tell: (changes) => {
        for (const each of listeners) if (each !== own) queueMicrotask(() => each(changes));
      },
      hear: (listener) => {
        own = listener;
        listeners.push(listener);
      },
    };
  };
}
const alone = oneDevice();

describe('what a device keeps', () => {
  beforeEach(() => vi.stubGlobal('indexedDB', new IDBFactory()));
  afterEach(() => vi.unstubAllGlobals());

  test('is there when a page opens again, in the browser’s own database', async () => {
    const first = new DeviceStore(indexedShelf(), alone());
    first.setItem('letter:1', 'one');
    first.setItem('letter:2', 'two');
    first.setItem('round:g', 'under way');
    first.removeItem('letter:1');
    await first.settled();
    const next = new DeviceStore(indexedShelf(), alone());
    expect(next.keys('')).toEqual([]);
    await next.ready;
    expect(next.keys('letter:')).toEqual(['letter:2']);
    expect([next.getItem('letter:2'), next.getItem('round:g'), next.getItem('letter:1')]).toEqual(['two', 'under way', null]);
  });
  test('what is done in one go is written in one go: a ball never without its letter', async () => {
    const shelf = memoryShelf();
    const written: string[][] = [];
    const store = new DeviceStore({ ...shelf, write: async (changes) => void written.push([...changes.keys()]) }, alone());
    await store.ready;
    store.setItem('round:g', 'ball 1');
    store.setItem('letter:1', 'ball 1');
    await store.settled();
    store.setItem('round:g', 'ball 2');
    await store.settled();
    expect(written).toEqual([['round:g', 'letter:1'], ['round:g']]);
  });
  test('what a page did before it knew the rest is newer than the rest', async () => {
    const shelf = memoryShelf();
    shelf.kept.set('a', 'old').set('b', 'old').set('c', 'old');
    const store = new DeviceStore(shelf, alone());
    store.setItem('a', 'new');
    store.removeItem('b');
    await store.settled();
    expect([store.getItem('a'), store.getItem('b'), store.getItem('c')]).toEqual(['new', null, 'old']);
    expect([...shelf.kept]).toEqual([
      ['a', 'new'],
      ['c', 'old'],
    ]);
  });
  test('pages of one device hear of each other’s changes', async () => {
    const [shelf, page] = [memoryShelf(), oneDevice()];
    const [one, other] = [new DeviceStore(shelf, page()), new DeviceStore(shelf, page())];
    await Promise.all([one.ready, other.ready]);
    let told = 0;
    other.listen(() => told++);
    one.setItem('letter:1', 'x');
    await one.settled();
    await Promise.resolve();
    expect([other.getItem('letter:1'), told]).toEqual(['x', 1]);
    other.removeItem('letter:1');
    await other.settled();
    await Promise.resolve();
    expect(one.keys('')).toEqual([]);
  });
  test('a device that can keep no more says why, keeps it in the page, and writes all of it once it can', async () => {
    const shelf = memoryShelf();
    let isFull = true;
    const full: Shelf = {
      load: shelf.load,
      write: (changes) => (isFull ? Promise.reject(new Error('no room left')) : shelf.write(changes)),
    };
    const store = new DeviceStore(full, alone());
    store.setItem('letter:1', 'x');
    await store.settled();
    expect([store.trouble, store.getItem('letter:1'), shelf.kept.size]).toEqual(['no room left', 'x', 0]);
    isFull = false;
    store.setItem('letter:2', 'y');
    await store.settled();
    expect([store.trouble, [...shelf.kept.keys()]]).toEqual(['', ['letter:1', 'letter:2']]);
  });
});

describe('pages that are kept', () => {
  test.each([
    ['/courtside?player=p&rung=r', '/courtside?rung=r'],
    ['http://127.0.0.1:4321/bench?s=abc&on=a', '/bench'],
    ['/bench?s=abc&rung=r&feed=2', '/bench?feed=2&rung=r'],
    ['/kit?at=machines', '/kit'],
    ['/logbook?round=3&player=p', '/logbook?player=p&round=3'],
    ['/ladders/0190f3a0', '/ladders/0190f3a0'],
  ])('%s is kept as %s', (address, kept) => {
    expect(keptAddress(address)).toBe(kept);
  });
  test('only what changed is fetched', () => {
    const pages = ['/', '/bench', '/kit'].map((address) => ({ address, tag: 'new' }));
    expect(toFetch(pages, { '/': 'new', '/bench': 'old' }).map(({ address }) => address)).toEqual(['/bench', '/kit']);
  });
  test('what answers a machine or a form, and the way in, never are', () => {
    for (const path of ['/api/machines/1/link', '/enter']) expect(NEVER_KEPT.some((each) => each.test(path))).toBe(true);
    for (const path of ['/', '/courtside', '/ladders']) expect(NEVER_KEPT.some((each) => each.test(path))).toBe(false);
  });
  test('a page from the device knows for whom it was drawn, and when', () => {
    const body = { dataset: { drawnFor: '/courtside?rung=r', drawnAt: '2026-05-01T10:00:00.000Z' } };
    vi.stubGlobal('document', { body });
    vi.stubGlobal('window', { location: { pathname: '/courtside', search: '?rung=r&player=p' } });
    try {
      expect(askedBesides()?.get('player')).toBe('p');
      window.location.search = '?rung=r';
      expect(askedBesides()).toBeNull();
      const drawn = Date.parse(body.dataset.drawnAt);
      expect(keptSince(drawn + 60_000)).toBeNull();
      expect(keptSince(drawn + 3_600_000)?.toISOString()).toBe(body.dataset.drawnAt);
    } finally {
      vi.unstubAllGlobals();
    }
  });
});
