import { connect, createServer, type Server, type Socket } from 'node:net';
import { seededRandom } from '@good-arc/core';
import { machineEventSchema, type RadarReading, readLines, writeLine } from '@good-arc/line';

/** 1 σ of a reading, m/s (about ½ mph), and the share of balls it misses: our own figures for a hand-held gun. */
const NOISE_MPS = 0.22;
const MISSED = 0.04;
const RECONNECT_MS = 700;

export interface RadarOptions {
  port: number;
  machines: readonly { id: string; port: number }[];
  seed: number;
}

/** A simulated radar gun: watches the machines' releases and reads out speeds, as lines, to whoever listens. */
export function serveRadar({ port, machines, seed }: RadarOptions): Promise<Server> {
  const random = seededRandom(seed);
  const listeners = new Set<Socket>();
  let closing = false;
  const watched = new Set<Socket>();

  function watch(machine: { id: string; port: number }): void {
    if (closing) return;
    const socket = connect({ host: '127.0.0.1', port: machine.port });
    watched.add(socket);
    socket.on('error', () => socket.destroy());
    socket.on('close', () => {
      watched.delete(socket);
      setTimeout(() => watch(machine), RECONNECT_MS).unref();
    });
    socket.on('connect', () => writeLine(socket, { id: 'radar', do: 'hello', role: 'observer' }));
    readLines(socket, (value) => {
      const { data: event } = machineEventSchema.safeParse(value);
      if (event?.event !== 'release' || random() < MISSED) return;
      // three uniforms make a bell near enough for a reading
      const noise = (random() + random() + random() - 1.5) * 2 * NOISE_MPS;
      const reading: RadarReading = { event: 'reading', machineId: machine.id, seq: event.seq, speedMps: event.launch.speedMps + noise };
      for (const listener of listeners) writeLine(listener, reading);
    });
  }

  const server = createServer((socket) => {
    listeners.add(socket);
    socket.on('error', () => socket.destroy());
    socket.on('close', () => listeners.delete(socket));
  });
  server.on('close', () => {
    closing = true;
    for (const socket of [...watched, ...listeners]) socket.destroy();
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => {
      machines.forEach(watch);
      resolve(server);
    });
  });
}
