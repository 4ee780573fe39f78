import { connect } from 'node:net';
import { type Clock, realClock } from './clock.ts';
import { readLines, writeLine } from './lines.ts';
import { type Reply, replySchema } from './protocol.ts';

const REPLY_WITHIN_MS = 1000;

/**
 * Holds or stows a machine on a line of its own, past whoever drives it: everyone may.
 * @returns the machine’s reply; one with `ok: false` and code `link-lost` or `timeout` when none comes
 */
export function stopMachine(
  { host, port }: { host: string; port: number },
  what: 'hold' | 'stow',
  clock: Clock = realClock,
): Promise<Reply> {
  return new Promise((resolve) => {
    const socket = connect({ host, port });
    const end = (reply: Reply): void => {
      cancel();
      socket.destroy();
      resolve(reply);
    };
    const failed = (code: 'link-lost' | 'timeout', text: string): void => end({ re: what, ok: false, state: 'held', code, text });
    const cancel = clock.after(REPLY_WITHIN_MS, () => failed('timeout', 'The machine did not answer in a second.'));
    socket.setNoDelay(true);
    socket.on('error', () => failed('link-lost', 'The machine does not answer.'));
    socket.on('close', () => failed('link-lost', 'The link to the machine was lost.'));
    socket.on('connect', () => writeLine(socket, { id: what, do: what }));
    readLines(socket, (value) => {
      const { data } = replySchema.safeParse(value);
      if (data?.re === what) end(data);
    });
  });
}
