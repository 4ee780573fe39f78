import type { LadderId } from '@good-arc/core';
import {
  afterListening,
  type Clock,
  type CommandBody,
  type LinkEvent,
  MachineClient,
  type RadarReading,
  type Reply,
  realClock,
  type Status,
} from '@good-arc/line';
import { log } from './log.ts';

/** A run counts as attended for this long after the browser's last sign of life (four a second), ms: with the way to the machine under a second in all. */
const ATTENDED_MS = 800;
/** A machine that is ready, its wheels turning, is stowed when the page that armed it was not heard of for this long, ms. */
const READY_LAPSES_MS = 60_000;
const WATCH_EVERY_MS = 100;
/** Set where browsers are tested beside each other on a processor too busy for any of them to speak in time. */
const PATIENCE_MS = Number(process.env.GOODARC_PATIENCE_MS ?? 0);

/** Commands that make a machine move, or go on moving: whoever gives one that is taken drives it from then on. */
const DRIVES: readonly CommandBody['do'][] = ['arm', 'feed', 'resume'];

export type CourtsideEvent = LinkEvent | RadarReading;
export type Listener = (event: CourtsideEvent) => void;

/** The line of a machine, as pages see it: of this server, or of another. */
export interface Line {
  readonly address: string;
  /**
   * @param page the listening page’s own id
   * @returns a function that ends it; a moving machine is held when the page that drives it leaves, whoever else looks on
   */
  listen(listener: Listener, page: string): () => void;
  /** What was heard of the machine elsewhere, by this server. */
  tell(event: CourtsideEvent): void;
  /** A page says that somebody is there; that of an onlooker does not count. */
  attend(page: string): void;
  /** @param ladderId of the rung that is armed */
  send(command: CommandBody, page: string, ladderId?: string): Promise<Reply>;
  /** Aims it away and stops its wheels, if they turn for a rung of this ladder. */
  standDownFor(ladderId: LadderId): void;
  close(): void;
}

/** An address as the machine shows it, `127.0.0.1:7101#K7Q4MD`: where it is, and the code that only its own display tells. */
export function lineParts(address: string): { place: string; host: string; port: number; code: string } {
  const [place = '', code = ''] = address.split('#');
  const [host = '', port = ''] = place.split(':');
  return { place, host, port: Number(port), code };
}

export interface MachineLinkOptions {
  clock?: Clock | undefined;
  /** How long a page is waited for at least, ms. */
  patienceMs?: number | undefined;
  /** By which this server was given the machine, where several share it. */
  fence?: number;
  /** Hears what the machine says, too. */
  tap?: (event: LinkEvent) => void;
}

/** One machine's line, shared by every browser that looks at it. */
export class MachineLink implements Line {
  readonly address: string;
  /** Ladder whose rung was armed last; empty for test balls. */
  private ladderId = '';
  private readonly clock: Clock;
  private readonly attendedMs: number;
  private readonly tap: (event: LinkEvent) => void;
  private readonly client: MachineClient;
  private readonly listeners = new Map<Listener, string>();
  /** The page whose arm, feed or resume was taken last: the machine is its to attend to. */
  private driver = '';
  private attendedAt = 0;
  private status: Status | null = null;
  /** Commands to move on their way: until one is answered nobody knows whose machine it is. */
  private asking = 0;
  private cancelWatch = (): void => {};

  constructor(address: string, { clock = realClock, patienceMs = PATIENCE_MS, fence, tap = () => {} }: MachineLinkOptions = {}) {
    this.address = address;
    this.clock = clock;
    this.attendedMs = Math.max(ATTENDED_MS, patienceMs);
    this.tap = tap;
    const { host, port, code } = lineParts(address);
    const given = fence === undefined ? {} : { fence };
    this.client = new MachineClient({ host, port, code, ...given, patienceMs: PATIENCE_MS, onEvent: (event) => this.hear(event) });
    this.watch();
  }

  /** This server was given the machine anew. */
  givenAgain(fence: number): void {
    this.client.fence = fence;
  }

  /** How it stands: its link, and what it said of itself last. */
  get now(): LinkEvent[] {
    return this.status ? [this.client.link, this.status] : [this.client.link];
  }

  listen(listener: Listener, page: string): () => void {
    this.listeners.set(listener, page);
    for (const event of this.now) listener(event);
    return () => {
      this.listeners.delete(listener);
      // a page may listen twice: to a round, and to its first ball by itself
      const isGone = ![...this.listeners.values()].includes(page);
      if ((isGone && page === this.driver) || this.listeners.size === 0) this.holdIfMoving('the page was closed');
    };
  }

  tell(event: CourtsideEvent): void {
    for (const listener of this.listeners.keys()) listener(event);
  }

  attend(page: string): void {
    if (page !== this.driver) return;
    this.attendedAt = this.clock.nowMs();
    this.client.alive = true;
  }

  async send(command: CommandBody, page: string, ladderId = ''): Promise<Reply> {
    if (!DRIVES.includes(command.do)) return this.client.send(command);
    if (command.do !== 'arm' && this.isAnothers(page))
      return {
        re: '',
        ok: false,
        state: this.status?.state ?? 'held',
        code: 'driver-taken',
        text: 'Another page armed this machine and is still there. Arm it from here first.',
      };
    // what moves is told so only while somebody is there
    this.client.alive = true;
    this.asking++;
    try {
      const reply = await this.client.send(command);
      if (reply.ok) {
        this.driver = page;
        this.attendedAt = this.clock.nowMs();
        if (command.do === 'arm') this.ladderId = ladderId;
      }
      return reply;
    } finally {
      this.asking--;
    }
  }

  standDownFor(ladderId: LadderId): void {
    if (this.ladderId === ladderId && (this.moving || this.status?.state === 'ready' || this.status?.state === 'held'))
      this.standDown('its ladder was deleted');
  }

  private standDown(why: string): void {
    log.info({ address: this.address, why }, 'standing the machine down');
    this.driver = '';
    void this.client.send({ do: 'stow' });
  }

  close(): void {
    this.cancelWatch();
    void this.client.send({ do: 'hold' }).finally(() => this.client.close());
  }

  private hear(event: LinkEvent): void {
    if (event.event === 'status') this.status = event;
    if (event.event === 'link' && !event.up) this.status = null;
    this.tap(event);
    this.tell(event);
  }

  private get moving(): boolean {
    return this.status?.state === 'feeding' || this.status?.state === 'arming';
  }

  private silentMs(): number {
    return this.clock.nowMs() - this.attendedAt;
  }

  /** Whether another page drives it and is there: listening, and heard of a moment ago. */
  private isAnothers(page: string): boolean {
    if (this.driver === '' || page === this.driver) return false;
    return [...this.listeners.values()].includes(this.driver) && this.silentMs() <= this.attendedMs;
  }

  /** Looks again and again whether anybody is there; when this server itself did not run, a page's sign of life is read first. */
  private watch(): void {
    this.cancelWatch = afterListening(this.clock, WATCH_EVERY_MS, () => {
      if (this.asking === 0) {
        if (this.silentMs() > this.attendedMs) this.holdIfMoving('nobody is at the page');
        if (this.status?.state === 'ready' && this.silentMs() > READY_LAPSES_MS) this.standDown('nobody came to feed it');
      }
      this.watch();
    });
  }

  private holdIfMoving(why: string): void {
    if (!this.moving) return;
    log.info({ address: this.address, why }, 'holding the machine');
    void this.client.send({ do: 'hold' });
    // should the hold not arrive, the missing heartbeat stops the machine
    this.client.alive = false;
  }
}
