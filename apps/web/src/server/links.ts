import { connect } from 'node:net';
import {
  afterListening,
  type CommandBody,
  type LinkEvent,
  MachineClient,
  type RadarReading,
  type Reply,
  radarReadingSchema,
  readLines,
  realClock,
  type Status,
} from '@good-arc/machine-link';
import { log } from './log.ts';

/** A run counts as attended for this long after the browser's last sign of life, ms. */
const ATTENDED_MS = 3000;
const WATCH_EVERY_MS = 400;
/** Set where browsers are tested beside each other on a processor too busy for any of them to speak in time. */
const PATIENCE_MS = Number(process.env.GOODARC_PATIENCE_MS ?? 0);

export type CourtsideEvent = LinkEvent | RadarReading | { event: 'attended'; by: number };
type Listener = (event: CourtsideEvent) => void;

/** One machine's line, shared by every browser that looks at it. */
class MachineLink {
  readonly address: string;
  private readonly client: MachineClient;
  private readonly listeners = new Set<Listener>();
  /** The page that gave the last command: a moving machine is its to attend to. */
  private driver = '';
  private status: Status | null = null;
  private attendedAt = 0;
  private cancelWatch = (): void => {};

  constructor(address: string) {
    this.address = address;
    const [host = '', port = ''] = address.split(':');
    this.client = new MachineClient({ host, port: Number(port), patienceMs: PATIENCE_MS, onEvent: (event) => this.hear(event) });
    this.watch();
  }

  /**
   * @param page the listening page’s own id
   * @returns a function that ends it; a moving machine is held when the page that drives it leaves, whoever else looks on
   */
  listen(listener: Listener, page: string): () => void {
    this.listeners.add(listener);
    listener({ event: 'link', up: this.client.isUp });
    if (this.status) listener(this.status);
    return () => {
      this.listeners.delete(listener);
      if (page === this.driver || this.listeners.size === 0) this.holdIfMoving('the page was closed');
    };
  }

  tell(event: CourtsideEvent): void {
    for (const listener of this.listeners) listener(event);
  }

  /** A page says that somebody is there; for a moving machine that of an onlooker does not count. */
  attend(page: string): void {
    if (this.moving && page !== this.driver) return;
    this.attendedAt = Date.now();
    this.client.alive = true;
  }

  send(command: CommandBody, page: string): Promise<Reply> {
    this.driver = page;
    this.attend(page);
    return this.client.send(command);
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

  /** Looks again and again whether anybody is there; when this server itself did not run, a page's sign of life is read first. */
  private watch(): void {
    this.cancelWatch = afterListening(realClock, WATCH_EVERY_MS, () => {
      if (Date.now() - this.attendedAt > Math.max(ATTENDED_MS, PATIENCE_MS)) this.holdIfMoving('nobody is at the page');
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
  open(machineId: string, clubId: string): MachineLink | undefined {
    return this.clubOf.get(machineId) === clubId ? this.byMachine.get(machineId) : undefined;
  }

  /** The line of a machine; a changed address opens a new one. */
  of(machineId: string, clubId: string, address: string): MachineLink {
    this.clubOf.set(machineId, clubId);
    this.watchRadar();
    const known = this.byMachine.get(machineId);
    if (known?.address === address) return known;
    known?.close();
    const link = new MachineLink(address);
    this.byMachine.set(machineId, link);
    return link;
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
        if (data) [...this.byMachine].find(([id, link]) => id === data.machineId || link.address === data.machineId)?.[1].tell(data);
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
