import { connect } from 'node:net';
import type { ClubId, LadderId, MachineId } from '@good-arc/core';
import {
  afterListening,
  type Clock,
  type CommandBody,
  type LinkEvent,
  MachineClient,
  type RadarReading,
  type Reply,
  radarReadingSchema,
  readLines,
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

export type CourtsideEvent = LinkEvent | RadarReading | { event: 'attended'; by: number };
type Listener = (event: CourtsideEvent) => void;

/** An address as the machine shows it, `127.0.0.1:7101#K7Q4MD`: where it is, and the code that only its own display tells. */
function lineParts(address: string): { place: string; host: string; port: number; code: string } {
  const [place = '', code = ''] = address.split('#');
  const [host = '', port = ''] = place.split(':');
  return { place, host, port: Number(port), code };
}

/** One machine's line, shared by every browser that looks at it. */
export class MachineLink {
  readonly address: string;
  /** Ladder whose rung was armed last; empty for test balls. */
  private ladderId = '';
  private readonly clock: Clock;
  private readonly attendedMs: number;
  private readonly client: MachineClient;
  private readonly listeners = new Map<Listener, string>();
  /** The page whose arm, feed or resume was taken last: the machine is its to attend to. */
  private driver = '';
  private attendedAt = 0;
  private status: Status | null = null;
  /** Commands to move on their way: until one is answered nobody knows whose machine it is. */
  private asking = 0;
  private cancelWatch = (): void => {};

  constructor(address: string, clock: Clock = realClock, patienceMs = PATIENCE_MS) {
    this.address = address;
    this.clock = clock;
    this.attendedMs = Math.max(ATTENDED_MS, patienceMs);
    const { host, port, code } = lineParts(address);
    this.client = new MachineClient({ host, port, code, patienceMs: PATIENCE_MS, onEvent: (event) => this.hear(event) });
    this.watch();
  }

  /**
   * @param page the listening page’s own id
   * @returns a function that ends it; a moving machine is held when the page that drives it leaves, whoever else looks on
   */
  listen(listener: Listener, page: string): () => void {
    this.listeners.set(listener, page);
    listener(this.client.link);
    if (this.status) listener(this.status);
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

  /** A page says that somebody is there; that of an onlooker does not count. */
  attend(page: string): void {
    if (page !== this.driver) return;
    this.attendedAt = this.clock.nowMs();
    this.client.alive = true;
  }

  /** @param ladderId of the rung that is armed */
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

  /** Whether its wheels turn for a rung of this ladder. */
  isFor(ladderId: LadderId): boolean {
    return this.ladderId === ladderId && (this.moving || this.status?.state === 'ready' || this.status?.state === 'held');
  }

  /** Aims it away and stops its wheels. */
  standDown(why: string): void {
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

/** All lines of this server, one a machine. */
class Links {
  private readonly byMachine = new Map<string, MachineLink>();
  private readonly clubOf = new Map<string, string>();
  private radar = false;

  /** The open line of this club's machine, without asking the database: hold and stow must work while it is gone. */
  open(machineId: MachineId, clubId: ClubId): MachineLink | undefined {
    return this.clubOf.get(machineId) === clubId ? this.byMachine.get(machineId) : undefined;
  }

  /** The line of a machine; a changed address opens a new one. */
  of(machineId: MachineId, clubId: ClubId, address: string): MachineLink {
    this.clubOf.set(machineId, clubId);
    this.watchRadar();
    const known = this.byMachine.get(machineId);
    if (known?.address === address) return known;
    known?.close();
    const link = new MachineLink(address);
    this.byMachine.set(machineId, link);
    return link;
  }

  /** A machine was archived, or got this address: a line to another one holds it and is closed. */
  keepOnly(machineId: MachineId, clubId: ClubId, address: string): void {
    const known = this.open(machineId, clubId);
    if (!known || known.address === address) return;
    known.close();
    this.byMachine.delete(machineId);
  }

  /** A ladder was deleted: machines that are armed for it stand down. */
  standDownLadder(ladderId: LadderId, clubId: ClubId): void {
    for (const [machineId, link] of this.byMachine)
      if (this.clubOf.get(machineId) === clubId && link.isFor(ladderId)) link.standDown('its ladder was deleted');
  }

  closeAll(): void {
    for (const link of this.byMachine.values()) link.close();
    this.byMachine.clear();
  }

  private watchRadar(): void {
    const address = process.env.GOODARC_RADAR;
    if (this.radar || !address) return;
    this.radar = true;
    const [host = '', port = ''] = address.split(':');
    const open = (): void => {
      const socket = connect({ host, port: Number(port) });
      socket.on('error', () => socket.destroy());
      socket.on('close', () => setTimeout(open, 1000).unref());
      readLines(socket, (value) => {
        const { data } = radarReadingSchema.safeParse(value);
        // a spare machine is known to the gun by its address only
        if (data)
          [...this.byMachine]
            .find(([id, link]) => id === data.machineId || lineParts(link.address).place === data.machineId)?.[1]
            .tell(data);
      });
    };
    open();
  }
}

const KEY = Symbol.for('good-arc.links');
const shared = globalThis as { [KEY]?: Links };
/** One for the process, whichever bundle asks: the shutdown of the server finds it by the same symbol. */
export const links: Links = shared[KEY] ?? new Links();
shared[KEY] = links;

/** Lines of simulated machines that belong to no record yet; none but in the demo. */
export const spareLines = (): string[] => (process.env.GOODARC_SPARE_LINES ?? '').split(',').filter(Boolean);

/** The id that a page gives itself, from an address `…?page=`. */
export const pageOf = (url: URL): string => url.searchParams.get('page') ?? '';
