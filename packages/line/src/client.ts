import { connect, type Socket } from 'node:net';
import type { z } from 'zod';
import { afterListening, type Clock, realClock } from './clock.ts';
import { readLines, writeLine } from './lines.ts';
import {
  type Command,
  HEARTBEAT_EVERY_MS,
  type MachineEvent,
  machineEventSchema,
  PROTOCOL_VERSION,
  type Program,
  type Reply,
  replySchema,
} from './protocol.ts';

/** The machine is taken as gone when nothing was heard for this long, ms: under the second and a half a person may wait to see it. */
const SILENT_MS = 1100;
const RECONNECT_MS = 700;
/** After a wrong code: it stays wrong until somebody reads the display again. */
const WRONG_CODE_RETRY_MS = 10_000;
const REPLY_WITHIN_MS = 1000;
const NOT_UP = {
  silent: 'The machine does not answer.',
  'driver-taken': 'Another program drives this machine.',
  'wrong-code': 'The machine does not take this code: read it off its display again.',
  'other-version': 'The machine speaks another version of the line.',
};

/** `why` a machine that answers does not let itself be driven. */
export type LinkEvent = MachineEvent | { event: 'link'; up: boolean; why?: Refused };
export type Refused = 'driver-taken' | 'wrong-code' | 'other-version';
/** A command without its id: the client numbers them. */
export type CommandBody = Command extends infer C ? (C extends Command ? Omit<C, 'id'> : never) : never;

export interface MachineClientOptions {
  host: string;
  port: number;
  /** Read off the machine; one without a code takes any. */
  code?: string;
  /** Where several servers share the machines: who was given this one later says a higher number. */
  fence?: number;
  onEvent: (event: LinkEvent) => void;
  clock?: Clock;
  /** How long a silent machine is waited for at least, ms, where the test rig is too busy to speak in time. */
  patienceMs?: number;
}

/**
 * Drives one machine: keeps the link, sends the heartbeat, matches replies to commands.
 * A heartbeat is sent only while `alive` is true, so that whoever stands behind the client can let the machine stop by itself.
 */
export class MachineClient {
  alive = true;
  /** Said in every greeting from now on. */
  fence: number | undefined;
  private readonly options: MachineClientOptions;
  private readonly clock: Clock;
  private socket: Socket | null = null;
  private up = false;
  /** Why it does not let itself be driven, by its last greeting. */
  private refused: Refused | null = null;
  /** What the machine has besides the protocol, by its greeting. */
  private extensions: readonly string[] = [];
  private closed = false;
  private counter = 0;
  private readonly waiting = new Map<string, (reply: Reply) => void>();
  private cancelTick: (() => void) | null = null;
  private cancelSilence: (() => void) | null = null;

  constructor(options: MachineClientOptions) {
    this.options = options;
    this.fence = options.fence;
    this.clock = options.clock ?? realClock;
    this.open();
    this.tick();
  }

  get isUp(): boolean {
    return this.up;
  }

  /** How the link stands. */
  get link(): Extract<LinkEvent, { event: 'link' }> {
    return { event: 'link', up: this.up, ...(!this.up && this.refused && { why: this.refused }) };
  }

  /** @returns the machine's reply; one with `ok: false` and code `link-lost` or `timeout` when none comes */
  send(body: CommandBody): Promise<Reply> {
    if (!this.up || !this.socket) return Promise.resolve(this.failed('link-lost', NOT_UP[this.refused ?? 'silent']));
    if (body.do === 'extra' && !this.extensions.includes(body.of))
      return Promise.resolve(this.failed('cannot', `This machine has no “${body.of}”.`));
    return this.exchange(this.socket, body.do === 'arm' ? { ...body, program: this.understood(body.program) } : body);
  }

  close(): void {
    this.closed = true;
    this.cancelTick?.();
    this.cancelSilence?.();
    this.socket?.destroy();
  }

  /** Without what is meant for extensions that this machine does not have. */
  private understood({ extra, ...program }: Program): Program {
    const known = Object.entries(extra ?? {}).filter(([name]) => this.extensions.includes(name));
    return known.length === 0 ? program : { ...program, extra: Object.fromEntries(known) };
  }

  private exchange(socket: Socket, body: CommandBody): Promise<Reply> {
    return new Promise((resolve) => this.ask(socket, body, resolve));
  }

  /** @param settle is called as the reply is read, before the line after it */
  private ask(socket: Socket, body: CommandBody, settle: (reply: Reply) => void): void {
    const id = `c${++this.counter}`;
    const cancel = afterListening(this.clock, this.atLeast(REPLY_WITHIN_MS), () => {
      this.waiting.delete(id);
      settle(this.failed('timeout', 'The machine did not answer in a second.'));
    });
    this.waiting.set(id, (reply) => {
      cancel();
      settle(reply);
    });
    writeLine(socket, { id, ...body });
  }

  private atLeast(ms: number): number {
    return Math.max(ms, this.options.patienceMs ?? 0);
  }

  private failed(code: 'timeout' | 'link-lost' | 'cannot', text: string): Reply {
    return { re: '', ok: false, state: 'held', code, text };
  }

  private open(): void {
    if (this.closed) return;
    const socket = connect({ host: this.options.host, port: this.options.port });
    this.socket = socket;
    socket.setNoDelay(true);
    socket.on('error', () => socket.destroy());
    socket.on('connect', () =>
      this.ask(socket, this.greeting(), (reply) => {
        // an answer that was waited for on a line that is gone says nothing of this one
        if (socket !== this.socket) return;
        // a machine that speaks another version is not driven; one that does not answer is not there
        const isTaken = reply.ok && reply.version === PROTOCOL_VERSION;
        const refused = isTaken ? null : this.refusal(reply);
        if (isTaken) {
          this.extensions = reply.extensions ?? [];
          this.setUp(true);
        } else socket.destroy();
        if (refused === this.refused) return;
        this.refused = refused;
        if (!this.up) this.options.onEvent(this.link);
      }),
    );
    socket.on('close', () => {
      this.setUp(false);
      this.clock.after(this.refused === 'wrong-code' ? WRONG_CODE_RETRY_MS : RECONNECT_MS, () => this.open());
    });
    readLines(socket, (value) => this.hear(value));
  }

  private greeting(): Extract<CommandBody, { do: 'hello' }> {
    const { code } = this.options;
    return { do: 'hello', role: 'driver', ...(code && { code }), ...(this.fence !== undefined && { fence: this.fence }) };
  }

  /** Why it does not let itself be driven; one that did not answer has said nothing new. */
  private refusal({ ok, code }: Reply): Refused | null {
    if (ok) return 'other-version';
    return code === 'driver-taken' || code === 'wrong-code' ? code : this.refused;
  }

  private hear(value: unknown): void {
    this.listen();
    const reply = replySchema.safeParse(value);
    if (reply.success) {
      this.waiting.get(reply.data.re)?.(reply.data);
      this.waiting.delete(reply.data.re);
      return;
    }
    const event: z.ZodSafeParseResult<MachineEvent> = machineEventSchema.safeParse(value);
    // what a machine says before it has taken us as its driver is no state to act on: a command would not reach it
    if (event.success && this.up) this.options.onEvent(event.data);
  }

  private tick(): void {
    this.cancelTick = this.clock.after(HEARTBEAT_EVERY_MS, () => {
      if (this.up && this.socket && this.alive) void this.exchange(this.socket, { do: 'heartbeat' });
      this.tick();
    });
  }

  /** Begins to wait for the machine's next word. */
  private listen(): void {
    this.cancelSilence?.();
    this.cancelSilence = afterListening(this.clock, this.atLeast(SILENT_MS), () => this.socket?.destroy());
  }

  private setUp(up: boolean): void {
    if (!up) this.cancelSilence?.();
    if (up === this.up) return;
    this.up = up;
    for (const [id, settle] of this.waiting) {
      if (!up) settle(this.failed('link-lost', 'The link to the machine was lost.'));
      if (!up) this.waiting.delete(id);
    }
    this.options.onEvent(this.link);
  }
}
