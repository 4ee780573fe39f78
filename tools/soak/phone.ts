import {
  ballById,
  type MachineProfile,
  makeCard,
  type ReadResult,
  type RungDocument,
  readFile,
  readSheet,
  seededRandom,
  writeBallList,
  writeCardJson,
  writeCardLink,
  writeCardText,
  writeMachineFile,
} from '@good-arc/core';

import { DeviceStore, type Shelf } from '../../apps/web/src/device/store.ts';
import { ApiError } from '../../apps/web/src/ui/api.ts';
import { type Letter, Outbox } from '../../apps/web/src/ui/outbox.ts';

export { seededRandom };

/** Every kind of file that Good Arc reads, whole, with what reads it: what is wrong, none where it is taken. */
export function filesToRead(
  document: RungDocument,
  profile: MachineProfile,
): { name: string; text: string; read: (text: string) => string[] }[] {
  const { sport } = ballById(document.ballId);
  const head = { name: 'Climb', sport, level: document.level, approach: 'earn-it' } as const;
  const court = { name: 'Court 1', surfaceId: document.surfaceId, indoor: false };
  const card = makeCard(head, [document], court, { name: 'Bramble', profile, dials: [] });
  const wrong = (read: ReadResult<unknown>): string[] =>
    read.ok ? [] : read.problems.map(({ pointer, detail }) => `${pointer} ${detail}`);
  const of = (what: 'card' | 'machine' | 'balls') => (text: string) => wrong(readFile(what, text));
  const players = [{ id: '01890000-0000-7000-8000-000000000001', name: 'Ines' }];
  const rungs = [{ id: '01890000-0000-7000-8000-000000000002', name: document.name, ladderName: 'Climb', document }];
  const sheet = `day,player,rung,hits,balls\n2026-11-20,Ines,"${document.name}",6,10\n2026-11-21,Ines,"${document.name}",7,10\n`;
  return [
    { name: 'card as JSON', text: writeCardJson(card), read: of('card') },
    { name: 'card as text', text: writeCardText(card), read: of('card') },
    { name: 'card as a link', text: writeCardLink(card, 'https://arc.example'), read: of('card') },
    { name: 'machine', text: writeMachineFile({ name: 'Bramble', notes: '', profile, dials: [] }), read: of('machine') },
    { name: 'ball list', text: writeBallList(document.feeds), read: of('balls') },
    {
      name: 'results',
      text: sheet,
      read: (text) =>
        readSheet(text, { players, rungs }, '2026-11-27', 2000).faults.map(({ line, column, detail }) => `${line} ${column}: ${detail}`),
    },
  ];
}

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
