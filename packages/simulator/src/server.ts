import { createServer, type Server, type Socket } from 'node:net';
import type { MachineProfile } from '@good-arc/core';
import { seededRandom } from '@good-arc/core';
import {
  type Command,
  commandSchema,
  HEARTBEAT_LOST_MS,
  PROTOCOL_VERSION,
  type Reply,
  readLines,
  realClock,
  STATUS_EVERY_MS,
  writeLine,
} from '@good-arc/line';
import { dialLaw } from './dial-law.ts';
import { faultOf, SIMULATION } from './extension.ts';
import { SimulatedMachine } from './machine.ts';

/** How long a machine that is told to fall silent says nothing: long enough to be noticed on a busy page. */
const SILENCE_MS = 6000;

export interface MachineServerOptions {
  port: number;
  profile: Pick<MachineProfile, 'hopper' | 'repeatability'>;
  seed: number;
  /** Shown on its display: whoever is to drive it says it. Without one it takes any driver. */
  code?: string;
  timeFactor?: number;
  patienceMs?: number;
}

/** Puts a simulated machine behind a TCP port on loopback. One driver at a time; any number of observers. */
export function serveMachine({ port, profile, seed, code, timeFactor = 1, patienceMs = 0 }: MachineServerOptions): Promise<Server> {
  const listeners = new Set<Socket>();
  let driver: Socket | null = null;
  /** The highest that a driver said. */
  let fence = 0;
  /** Whether the driver that it has said one. */
  let hasFence = false;
  /** When the driver was heard of last: a line that is half open says nothing, and nobody is told that it is gone. */
  let driverHeardMs = 0;
  const isGone = (): boolean => realClock.nowMs() - driverHeardMs > Math.max(HEARTBEAT_LOST_MS, patienceMs);
  let silentUntilMs = 0;
  const speak = (socket: Socket, value: unknown): void => {
    if (realClock.nowMs() >= silentUntilMs) writeLine(socket, value);
  };
  const speakToAll = (value: unknown): void => {
    for (const socket of listeners) speak(socket, value);
  };
  const machine = new SimulatedMachine({
    profile,
    clock: realClock,
    random: seededRandom(seed),
    timeFactor,
    patienceMs,
    law: dialLaw(seed),
    emit: (event) => speakToAll(event),
  });

  /** @returns the reply, or null when the link itself was told to fail */
  function answer(socket: Socket, command: Command): Reply | null {
    const reply = (ok: boolean, rest: Partial<Reply> = {}): Reply => ({ re: command.id, ok, state: machine.state, ...rest });
    if (command.do === 'hello') {
      if (command.role === 'driver' && code !== undefined && command.code !== code)
        return reply(false, { code: 'wrong-code', text: 'This is not the code on its display.' });
      const { role, fence: said } = command;
      if (role === 'driver' && said !== undefined && said < fence)
        return reply(false, { code: 'driver-taken', text: 'This machine was given to another server since.' });
      // one with a fence has been given the machine by whoever gave it to the one before
      const isGiven = said !== undefined && hasFence && said > fence;
      if (role === 'driver' && driver !== null && driver !== socket && (isGone() || isGiven)) {
        const gone = driver;
        driver = null;
        gone.destroy();
        machine.linkLost();
      }
      if (role === 'driver' && driver !== null && driver !== socket)
        return reply(false, { code: 'driver-taken', text: 'Another driver has this machine.' });
      if (role === 'driver') {
        driver = socket;
        hasFence = said !== undefined;
        fence = Math.max(fence, said ?? 0);
        driverHeardMs = realClock.nowMs();
      }
      listeners.add(socket);
      return reply(true, { version: PROTOCOL_VERSION, extensions: [SIMULATION] });
    }
    if (socket !== driver && command.do !== 'hold' && command.do !== 'stow') {
      return reply(false, { code: 'not-driver', text: 'Only the driver may do that; anyone may hold or stow.' });
    }
    const fault = faultOf(command);
    if (fault === 'drop-link') {
      socket.destroy();
      return null;
    }
    if (fault === 'silence') {
      silentUntilMs = realClock.nowMs() + SILENCE_MS;
      return null;
    }
    const done = machine.handle(command);
    return reply(done.ok, done.ok ? {} : { code: done.code, text: done.text });
  }

  const server = createServer((socket) => {
    socket.setNoDelay(true);
    socket.on('error', () => socket.destroy());
    socket.on('close', () => {
      listeners.delete(socket);
      if (socket !== driver) return;
      driver = null;
      machine.linkLost();
    });
    readLines(socket, (value) => {
      if (socket === driver) driverHeardMs = realClock.nowMs();
      const parsed = commandSchema.safeParse(value);
      if (parsed.success) {
        const reply = answer(socket, parsed.data);
        if (reply) speak(socket, reply);
        if (reply?.ok && parsed.data.do === 'hello') speak(socket, machine.status());
        return;
      }
      const re = typeof value === 'object' && value !== null && 'id' in value ? String(value.id) : '';
      speak(socket, {
        re,
        ok: false,
        state: machine.state,
        code: 'bad-line',
        text: parsed.error.issues[0]?.message ?? 'not understood',
      } satisfies Reply);
    });
  });
  const beat = setInterval(() => speakToAll(machine.status()), STATUS_EVERY_MS);
  server.on('close', () => clearInterval(beat));
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}
