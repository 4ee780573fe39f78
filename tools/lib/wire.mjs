import { connect, createServer } from 'node:net';

/**
 * A way to a port on loopback that can be cut, or go dead without a word as a pulled plug does.
 * @param {number} to
 * @returns {Promise<{ port: number, cut: () => void, die: () => void, mend: () => void, end: () => Promise<void> }>}
 */
export async function aWire(to) {
  /** @type {Set<import('node:net').Socket>} */
  const open = new Set();
  /** @type {'whole' | 'cut' | 'dead'} */
  let state = 'whole';
  const drop = () => {
    for (const socket of open) socket.destroy();
  };
  const server = createServer((near) => {
    if (state === 'cut') {
      near.destroy();
      return;
    }
    const far = connect({ host: '127.0.0.1', port: to });
    for (const [one, other] of /** @type {const} */ ([
      [near, far],
      [far, near],
    ])) {
      open.add(one);
      one.setNoDelay(true);
      one.on('error', () => one.destroy());
      one.on('close', () => {
        open.delete(one);
        other.destroy();
      });
      one.on('data', (data) => void (state === 'dead' || other.write(data)));
    }
  });
  await new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve(undefined)));
  return {
    port: /** @type {import('node:net').AddressInfo} */ (server.address()).port,
    /** What is open is closed, and nothing opens. */
    cut() {
      state = 'cut';
      drop();
    },
    /** Nothing gets through any more, and nobody is told. */
    die() {
      state = 'dead';
    },
    /** New connections get through again; the old ones are gone. */
    mend() {
      state = 'whole';
      drop();
    },
    async end() {
      drop();
      await new Promise((resolve) => server.close(() => resolve(undefined)));
    },
  };
}
