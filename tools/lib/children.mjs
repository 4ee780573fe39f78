import { spawn } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:net';

/** @typedef {{ name: string, pid: number, child: import('node:child_process').ChildProcess, ended: Promise<void> }} Child */

/**
 * Starts a process that ends with this one: even after a SIGKILL of the parent the kernel sends it SIGTERM.
 * @param {string} name
 * @param {string[]} command
 * @param {{ env?: NodeJS.ProcessEnv, cwd?: string, log: import('node:fs').WriteStream | number }} options
 * @returns {Child}
 */
export function start(name, command, { env = process.env, cwd, log }) {
  const out = typeof log === 'number' ? log : /** @type {any} */ (log).fd;
  const child = spawn('setpriv', ['--pdeathsig', 'TERM', ...command], { env, cwd, stdio: ['ignore', out, out], detached: true });
  /** @type {Promise<void>} */
  const ended = new Promise((resolve) => {
    child.on('exit', () => resolve());
    child.on('error', () => resolve());
  });
  return { name, pid: child.pid ?? 0, child, ended };
}

/** SIGTERM, then SIGKILL after `patienceMs`. @param {Child} child */
export async function stop({ child, ended }, patienceMs = 12_000) {
  if (child.exitCode !== null || child.signalCode !== null) return;
  child.kill('SIGTERM');
  const late = setTimeout(() => child.kill('SIGKILL'), patienceMs);
  await ended;
  clearTimeout(late);
}

/** @param {number} pid */
export function alive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/** The command line of a process, or '' when it is gone. @param {number} pid */
export function commandOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
  } catch {
    return '';
  }
}

/** Ends a process of ours by its id and waits until it is gone. @param {number} pid */
export async function endById(pid, patienceMs = 12_000) {
  if (!alive(pid)) return;
  process.kill(pid, 'SIGTERM');
  const end = Date.now() + patienceMs;
  while (alive(pid)) {
    if (Date.now() > end) {
      process.kill(pid, 'SIGKILL');
      return;
    }
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

/** Ports that are handed out to whoever connects (Linux: 32768 and up); what is to be listened on lies below them, or a connection takes it meanwhile. */
const firstHandedOut = () => {
  try {
    return Number.parseInt(readFileSync('/proc/sys/net/ipv4/ip_local_port_range', 'utf8'), 10) || 32_768;
  } catch {
    return 32_768;
  }
};
const FIRST_PORT = 20_000;
const TRIES = 200;

/** What was given by this process is not given twice: who asked first may not listen yet. @type {Set<number>} */
const given = new Set();

/** @param {number} port @returns {Promise<number | undefined>} the port, or nothing when it is taken */
const ifFree = (port) =>
  new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(undefined));
    server.listen(port, '127.0.0.1', () => {
      const { port: free } = /** @type {import('node:net').AddressInfo} */ (server.address());
      server.close(() => resolve(free));
    });
  });

/** The wanted port if it is free on loopback, else any free one. @param {number} [wanted] @returns {Promise<number>} @throws Error when there is none */
export async function freePort(wanted = 0) {
  const asWanted = wanted === 0 ? undefined : await ifFree(wanted);
  if (asWanted !== undefined) return asWanted;
  const room = firstHandedOut() - FIRST_PORT;
  for (let tries = 0; tries < TRIES; tries++) {
    // where the kernel hands out all ports, it chooses
    const port = await ifFree(room > TRIES ? FIRST_PORT + randomInt(room) : 0);
    if (port === undefined || given.has(port)) continue;
    given.add(port);
    return port;
  }
  throw new Error('no free port');
}
