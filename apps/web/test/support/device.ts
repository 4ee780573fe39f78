import { DeviceStore, replaceDevice, type Shelf } from '../../src/device/store.ts';

/** What a device keeps, in memory; written in one go, as a database does. */
export function memoryShelf(): Shelf & { kept: Map<string, string> } {
  const kept = new Map<string, string>();
  return {
    kept,
    load: async () => [...kept],
    write: async (changes) => {
      for (const [key, value] of changes)
        if (value === null) kept.delete(key);
        else kept.set(key, value);
    },
  };
}

/** A device on which nothing is kept yet, as the page’s own. */
export function emptyDevice(): DeviceStore {
  const store = new DeviceStore(memoryShelf(), { tell: () => {}, hear: () => {} });
  replaceDevice(store);
  return store;
}
