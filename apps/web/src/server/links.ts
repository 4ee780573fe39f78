import { connect } from 'node:net';
import type { ClubId, LadderId, MachineId } from '@good-arc/core';
import { radarReadingSchema, readLines, realClock } from '@good-arc/line';
import { machine } from '../db/schema.ts';
import { type Broker, LAPSES_MS, redisBroker } from './broker.ts';
import { type Line, lineParts, MachineLink } from './machine-link.ts';
import { noLine } from './problem.ts';
import type { Scope } from './scope.ts';
import { SharedLink } from './shared-link.ts';
import type { Store } from './store.ts';

/** Several times before it would lapse. */
const LIVE_EVERY_MS = LAPSES_MS / 4;
const EVERYBODY = 'everybody';

/** What concerns whichever server has a line. */
type Said =
  | { from: string; do: 'keep-only'; machineId: MachineId; clubId: ClubId; address: string }
  | { from: string; do: 'stand-down'; ladderId: LadderId; clubId: ClubId };

/** All lines of this server, one a machine. */
export class Links {
  private readonly byMachine = new Map<string, Line>();
  private readonly clubOf = new Map<string, string>();
  private readonly reach: () => Broker | null;
  /** Undefined until it is asked for. */
  private broker: Broker | null | undefined;
  private radar = false;
  private cancelLive = (): void => {};

  /** @param reach where servers share the machines; asked for with the first line, since whoever draws pages has none */
  constructor(reach: () => Broker | null) {
    this.reach = reach;
  }

  /** The open line of this club's machine, without asking the database: hold and stow must work while it is gone. */
  open(machineId: MachineId, clubId: ClubId): Line | undefined {
    return this.clubOf.get(machineId) === clubId ? this.byMachine.get(machineId) : undefined;
  }

  /** The line of a machine; a changed address opens a new one. */
  of(machineId: MachineId, clubId: ClubId, address: string): Line {
    this.clubOf.set(machineId, clubId);
    this.watchRadar();
    const known = this.byMachine.get(machineId);
    if (known?.address === address) return known;
    known?.close();
    const broker = this.shared();
    const link = broker ? new SharedLink({ id: machineId, address, broker }) : new MachineLink(address);
    this.byMachine.set(machineId, link);
    return link;
  }

  /** A machine was archived, or got this address: a line to another one holds it and is closed, whichever server has it. */
  keepOnly(machineId: MachineId, clubId: ClubId, address: string): void {
    this.sayToAll({ do: 'keep-only', machineId, clubId, address });
    this.keepOnlyHere(machineId, clubId, address);
  }

  /** A ladder was deleted: machines that are armed for it stand down, whichever server has them. */
  standDownLadder(ladderId: LadderId, clubId: ClubId): void {
    this.sayToAll({ do: 'stand-down', ladderId, clubId });
    this.standDownHere(ladderId, clubId);
  }

  closeAll(): void {
    this.cancelLive();
    for (const link of this.byMachine.values()) link.close();
    this.byMachine.clear();
  }

  private keepOnlyHere(machineId: MachineId, clubId: ClubId, address: string): void {
    const known = this.open(machineId, clubId);
    if (!known || known.address === address) return;
    known.close();
    this.byMachine.delete(machineId);
  }

  private standDownHere(ladderId: LadderId, clubId: ClubId): void {
    for (const [machineId, link] of this.byMachine) if (this.clubOf.get(machineId) === clubId) link.standDownFor(ladderId);
  }

  private shared(): Broker | null {
    if (this.broker !== undefined) return this.broker;
    const broker = this.reach();
    this.broker = broker;
    if (!broker) return null;
    broker.hear(EVERYBODY, (message) => {
      const said = message as Said;
      if (said.from === broker.self) return;
      if (said.do === 'keep-only') this.keepOnlyHere(said.machineId, said.clubId, said.address);
      else this.standDownHere(said.ladderId, said.clubId);
    });
    this.live(broker);
    return broker;
  }

  /** Says again and again that this server lives; when it had lapsed, it looks which machines it still has. */
  private live(broker: Broker): void {
    void broker
      .live()
      .then((isKept) => {
        if (!isKept) for (const link of this.byMachine.values()) if (link instanceof SharedLink) void link.lapsed();
      })
      .catch(() => {});
    this.cancelLive = realClock.after(LIVE_EVERY_MS, () => this.live(broker));
  }

  /** A server without lines yet has no broker either, but what it changes may concern another's. */
  private sayToAll(said: Said extends infer S ? (S extends Said ? Omit<S, 'from'> : never) : never): void {
    const broker = this.shared();
    void broker?.say(EVERYBODY, { from: broker.self, ...said }).catch(() => {});
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
export const links: Links =
  shared[KEY] ??
  new Links(() => {
    const { GOODARC_BROKER } = process.env;
    return GOODARC_BROKER ? redisBroker(GOODARC_BROKER) : null;
  });
shared[KEY] = links;

/** The line of a machine of the club. @throws Refusal 404 without such a machine, 409 for one without a line */
export async function lineOf(store: Store, id: MachineId, { clubId }: Scope): Promise<Line> {
  const { linkAddress } = await store.one(machine, id, 'machine');
  if (linkAddress === '') throw noLine();
  return links.of(id, clubId, linkAddress);
}

/** Lines of simulated machines that belong to no record yet; none but in the demo. */
export const spareLines = (): string[] => (process.env.GOODARC_SPARE_LINES ?? '').split(',').filter(Boolean);

/** The id that a page gives itself, from an address `…?page=`. */
export const pageOf = (url: URL): string => url.searchParams.get('page') ?? '';
