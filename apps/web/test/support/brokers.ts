import type { Broker } from '../../src/server/broker.ts';

type Listener = (message: unknown) => void;

/** A broker for servers in one process, on no clock: a server lapses when the test says so, and may be cut off from the others. */
export function aPostOffice() {
  const owners = new Map<string, string>();
  const alive = new Set<string>();
  const topics = new Map<string, Set<Listener>>();
  let fences = 0;
  let hasForgotten = false;
  const post = (topic: string, message: unknown): void => {
    const text = JSON.stringify(message);
    for (const listener of topics.get(topic) ?? []) queueMicrotask(() => listener(JSON.parse(text)));
  };
  return {
    fences: () => fences,
    /** It begins anew, and waits for those who have lines to say so. */
    forget: (): void => {
      owners.clear();
      alive.clear();
      hasForgotten = true;
    },
    owner: (line: string) => owners.get(line),
    server(self: string) {
      let isCut = false;
      const reached = (): void => {
        if (isCut) throw new Error('cut off');
      };
      const broker: Broker = {
        self,
        async live() {
          reached();
          const isKept = alive.has(self);
          alive.add(self);
          return isKept;
        },
        async take(line, isHeld = false) {
          reached();
          const owner = owners.get(line);
          if (owner === undefined && hasForgotten && !isHeld) return { owner: '' };
          if (owner !== undefined && owner !== self && alive.has(owner)) return { owner };
          alive.add(self);
          owners.set(line, self);
          return { fence: ++fences };
        },
        async leave(line) {
          reached();
          if (owners.get(line) === self) owners.delete(line);
        },
        async say(topic, message) {
          reached();
          post(topic, message);
        },
        hear(topic, listener) {
          const hears: Listener = (message) => {
            if (!isCut) listener(message);
          };
          topics.set(topic, (topics.get(topic) ?? new Set()).add(hears));
          return () => void topics.get(topic)?.delete(hears);
        },
        close() {},
      };
      return {
        broker,
        /** It is not heard of any more, and hears nothing, until it is back. */
        cutOff: (): void => {
          isCut = true;
        },
        lapse: (): void => void alive.delete(self),
        back: (): void => {
          isCut = false;
        },
      };
    },
  };
}
