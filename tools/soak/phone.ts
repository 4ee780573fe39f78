export { seededRandom } from '@good-arc/core';

import { DeviceStore, type Shelf } from '../../apps/web/src/device/store.ts';
import { ApiError } from '../../apps/web/src/ui/api.ts';
import { type Letter, Outbox } from '../../apps/web/src/ui/outbox.ts';

/** A phone with the app's own store and outbox; what is switched off is only what was not written yet. @param origin of the server */
export function aPhone(origin: string) {
  const kept = new Map<string, string>();
  const shelf: Shelf = {
    load: async () => [...kept],
    write: async (changes) => {
      for (const [key, value] of changes)
        if (value === null) kept.delete(key);
        else kept.set(key, value);
    },
  };
  const phone = { isOnline: true };
  const away = (status: number): ApiError => new ApiError({ type: 'about:blank', title: 'away', status, errors: [] });
  async function send({ method, path, body }: Letter): Promise<void> {
    if (!phone.isOnline) throw away(0);
    const response = await fetch(`${origin}/api/${path}`, {
      method,
      headers: { 'content-type': 'application/json', origin },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    }).catch(() => null);
    await response?.arrayBuffer();
    if (!response?.ok) throw away(response?.status ?? 0);
  }
  const start = (): { store: DeviceStore; box: Outbox } => {
    const store = new DeviceStore(shelf, { tell: () => {}, hear: () => {} });
    return { store, box: new Outbox({ storage: store, send, alone: (run) => run(), later: () => () => {}, random: Math.random }) };
  };
  let now = start();
  return Object.assign(phone, {
    add: (letter: Letter): void => now.box.add(letter),
    settled: (): Promise<void> => now.store.settled(),
    async reboot(): Promise<void> {
      await now.store.settled();
      now = start();
      await now.store.ready;
      now.box.look();
    },
    async sendAll(): Promise<void> {
      while (now.box.waiting.length > 0) await now.box.flush(true);
      await now.store.settled();
    },
    get waiting(): number {
      return kept.size;
    },
  });
}
