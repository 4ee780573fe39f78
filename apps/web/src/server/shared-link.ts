import type { LadderId, MachineId } from '@good-arc/core';
import {
  afterListening,
  type Clock,
  type CommandBody,
  type LinkEvent,
  type Reply,
  realClock,
  type Status,
  stopMachine,
} from '@good-arc/line';
import { v7 as uuidv7 } from 'uuid';
import type { Broker } from './broker.ts';
import { type CourtsideEvent, type Line, type Listener, lineParts, MachineLink } from './machine-link.ts';

/** How often a server looks whose a machine is that its pages listen to, and says which pages those are, ms. */
export const LOOK_EVERY_MS = 200;
/** Pages of a server that was not heard of for so long are gone, ms. */
const GONE_MS = 1000;
/** The server that has the machine answers in so long, ms: the machine itself takes a second at most. */
const ASKED_MS = 1500;

const DOWN: LinkEvent = { event: 'link', up: false };

/** What a server says to the one that has the machine. */
type Asked =
  | { do: 'pages'; from: string; pages: string[] }
  | { do: 'attend'; page: string }
  /** `to` that server and no other: one that was away for a while may not know yet that it has the machine no more. */
  | { do: 'send'; from: string; to: string; re: string; command: CommandBody; page: string; ladderId: string };

export interface SharedLinkOptions {
  id: MachineId;
  address: string;
  broker: Broker;
  clock?: Clock;
  patienceMs?: number;
}

/**
 * The line of a machine that several servers share: one of them has it, the others hear what it says and pass on what they are asked. Hold and stow go
 * straight to the machine from whichever server is asked. When the one that has it dies, the next whose pages listen takes it, by a higher fence: the
 * machine takes no lower one again.
 */
export class SharedLink implements Line {
  readonly address: string;
  private readonly options: SharedLinkOptions;
  private readonly broker: Broker;
  private readonly clock: Clock;
  /** While this server has the machine. */
  private own: MachineLink | null = null;
  private readonly pages = new Map<Listener, { page: string; end: () => void }>();
  /** Of other servers, while this one has it. */
  private readonly guests = new Map<string, { heardAt: number; ends: Map<string, () => void> }>();
  /** What the server that has it said last. */
  private link: LinkEvent = DOWN;
  private status: Status | null = null;
  private readonly waiting = new Map<string, (reply: Reply) => void>();
  private settling: Promise<string> | null = null;
  private isClosed = false;
  private cancelLook = (): void => {};
  private readonly ends: (() => void)[];

  constructor(options: SharedLinkOptions) {
    this.options = options;
    this.address = options.address;
    this.broker = options.broker;
    this.clock = options.clock ?? realClock;
    this.ends = [
      this.broker.hear(this.topic('ask'), (message) => this.asked(message as Asked)),
      this.broker.hear(this.topic('tell'), (message) => this.told(message as { from: string; event: LinkEvent })),
      this.broker.hear(this.topic(this.broker.self), (message) => {
        const { re, reply } = message as { re: string; reply: Reply };
        this.waiting.get(re)?.(reply);
      }),
    ];
    this.look();
  }

  listen(listener: Listener, page: string): () => void {
    const entry = { page, end: (): void => {} };
    this.pages.set(listener, entry);
    if (this.own) entry.end = this.own.listen(listener, page);
    else {
      listener(this.link);
      if (this.status) listener(this.status);
      void this.settle().then(() => this.sayPages());
    }
    return () => {
      this.pages.delete(listener);
      entry.end();
      if (!this.own) this.sayPages();
    };
  }

  tell(event: CourtsideEvent): void {
    for (const listener of this.pages.keys()) listener(event);
  }

  attend(page: string): void {
    if (this.own) this.own.attend(page);
    else this.say({ do: 'attend', page });
  }

  async send(command: CommandBody, page: string, ladderId = ''): Promise<Reply> {
    if (!this.own && (command.do === 'hold' || command.do === 'stow')) {
      const reply = await stopMachine(lineParts(this.address), command.do, this.clock);
      if (reply.ok) return reply;
    }
    const owner = await this.settle();
    if (this.own) return this.own.send(command, page, ladderId);
    return this.ask(owner, command, page, ladderId);
  }

  standDownFor(ladderId: LadderId): void {
    this.own?.standDownFor(ladderId);
  }

  /** Looks whose it is: this server may have been away for so long that another took it. */
  async lapsed(): Promise<void> {
    if (!this.own) return;
    try {
      const taken = await this.broker.take(this.options.id, true);
      if ('fence' in taken) this.own?.givenAgain(taken.fence);
      else this.giveUp();
    } catch {
      // the broker is away: nobody else can be given the machine, so it stays here
    }
  }

  close(): void {
    this.isClosed = true;
    this.cancelLook();
    for (const end of this.ends) end();
    // pages that listen here do not hear of it from another server any more
    if (!this.own) this.tell(DOWN);
    else void this.broker.leave(this.options.id).catch(() => {});
    this.own?.close();
    this.own = null;
  }

  private topic(name: string): string {
    return `line:${this.options.id}:${name}`;
  }

  private look(): void {
    // when this server itself did not run, what the others said meanwhile is read first
    this.cancelLook = afterListening(this.clock, LOOK_EVERY_MS, () => {
      if (this.own) this.dropGuests();
      else if (this.pages.size > 0) void this.settle().then(() => this.sayPages());
      this.look();
    });
  }

  /** Takes the machine if nobody has it. @returns the server that has it; empty when that is this one, or nobody knows */
  private settle(): Promise<string> {
    if (this.own || this.isClosed) return Promise.resolve('');
    this.settling ??= this.broker
      .take(this.options.id)
      .then(
        (taken) => {
          if ('owner' in taken) return taken.owner;
          if (this.isClosed) void this.broker.leave(this.options.id).catch(() => {});
          else this.begin(taken.fence);
          return '';
        },
        () => '',
      )
      .finally(() => {
        this.settling = null;
      });
    return this.settling;
  }

  private begin(fence: number): void {
    const { clock, patienceMs } = this.options;
    this.own = new MachineLink(this.address, { clock, patienceMs, fence, tap: (event) => this.sayEvent(event) });
    for (const [listener, entry] of this.pages) entry.end = this.own.listen(listener, entry.page);
  }

  private giveUp(): void {
    const own = this.own;
    this.own = null;
    this.guests.clear();
    own?.close();
    this.link = DOWN;
    this.status = null;
    for (const [listener, entry] of this.pages) {
      entry.end = () => {};
      listener(DOWN);
    }
  }

  private sayEvent(event: LinkEvent): void {
    void this.broker.say(this.topic('tell'), { from: this.broker.self, event }).catch(() => {});
  }

  private say(asked: Asked): void {
    // what is not said is missed: pages and signs of life come again, and without them the machine is held
    void this.broker.say(this.topic('ask'), asked).catch(() => {});
  }

  private sayPages(): void {
    if (!this.own) this.say({ do: 'pages', from: this.broker.self, pages: [...this.pages.values()].map(({ page }) => page) });
  }

  /** What the server says that has it. */
  private told({ from, event }: { from: string; event: LinkEvent }): void {
    if (this.own || from === this.broker.self) return;
    if (event.event === 'link') this.link = event;
    if (event.event === 'link' && !event.up) this.status = null;
    if (event.event === 'status') this.status = event;
    // it says how its line stands only when that changes, and we may not have listened yet
    if (event.event === 'status' && !(this.link.event === 'link' && this.link.up)) this.told({ from, event: { event: 'link', up: true } });
    this.tell(event);
  }

  private asked(asked: Asked): void {
    if (!this.own) return;
    if (asked.do === 'attend') this.own.attend(asked.page);
    else if (asked.do === 'pages') this.hearPages(asked.from, asked.pages);
    else if (asked.to === this.broker.self) {
      const { from, re, command, page, ladderId } = asked;
      void this.own
        .send(command, page, ladderId)
        .then((reply) => this.broker.say(this.topic(from), { re, reply }))
        .catch(() => {});
    }
  }

  /** Pages of another server listen here, too, so that a machine is held when the one that drives it leaves. */
  private hearPages(from: string, pages: readonly string[]): void {
    const { own } = this;
    if (!own || from === this.broker.self) return;
    const isNew = !this.guests.has(from);
    const guest = this.guests.get(from) ?? { heardAt: 0, ends: new Map() };
    guest.heardAt = this.clock.nowMs();
    for (const page of pages)
      if (!guest.ends.has(page))
        guest.ends.set(
          page,
          own.listen(() => {}, page),
        );
    for (const [page, end] of guest.ends) {
      if (pages.includes(page)) continue;
      guest.ends.delete(page);
      end();
    }
    if (pages.length > 0) this.guests.set(from, guest);
    else this.guests.delete(from);
    if (isNew) for (const event of own.now) this.sayEvent(event);
  }

  private dropGuests(): void {
    for (const [server, { heardAt }] of this.guests) if (this.clock.nowMs() - heardAt > GONE_MS) this.hearPages(server, []);
  }

  private async ask(owner: string, command: CommandBody, page: string, ladderId: string): Promise<Reply> {
    const re = uuidv7();
    const failed = (code: 'timeout' | 'link-lost', text: string): Reply => ({
      re,
      ok: false,
      state: this.status?.state ?? 'held',
      code,
      text,
    });
    if (owner === '')
      return failed('link-lost', 'The servers do not reach each other, so nobody knows who has this machine. Hold and stow work.');
    const answered = new Promise<Reply>((resolve) => {
      const cancel = this.clock.after(ASKED_MS, () => resolve(failed('timeout', 'The server that has this machine does not answer.')));
      this.waiting.set(re, (reply) => {
        cancel();
        resolve(reply);
      });
    });
    try {
      await this.broker.say(this.topic('ask'), {
        do: 'send',
        from: this.broker.self,
        to: owner,
        re,
        command,
        page,
        ladderId,
      } satisfies Asked);
      return await answered;
    } catch {
      return failed('link-lost', 'The server that has this machine is not reached. Hold and stow work.');
    } finally {
      this.waiting.delete(re);
    }
  }
}
