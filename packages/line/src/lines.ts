import type { Socket } from 'node:net';
import { LONGEST_LINE } from './protocol.ts';

/**
 * Splits a socket's bytes into lines and hands over each as parsed JSON.
 * @param onLine gets the value, or undefined for a line that is not JSON
 */
export function readLines(socket: Socket, onLine: (value: unknown) => void): void {
  let rest = '';
  socket.setEncoding('utf8');
  socket.on('data', (chunk: string) => {
    rest += chunk;
    let end = rest.indexOf('\n');
    while (end >= 0) {
      const line = rest.slice(0, end).trim();
      rest = rest.slice(end + 1);
      if (line !== '') onLine(parse(line));
      end = rest.indexOf('\n');
    }
    if (rest.length > LONGEST_LINE) {
      rest = '';
      onLine(undefined);
    }
  });
}

function parse(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return undefined;
  }
}

export function writeLine(socket: Socket, value: unknown): void {
  if (socket.writable) socket.write(`${JSON.stringify(value)}\n`);
}
