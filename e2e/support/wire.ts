import { connect, createServer, type Socket } from 'node:net';

/** The network between a device and the server: it can be cut and mended. */
export async function aWire(target: string): Promise<{ origin: string; cut: () => void; mend: () => void; end: () => Promise<void> }> {
  const { hostname, port } = new URL(target);
  const open = new Set<Socket>();
  let isCut = false;
  const server = createServer((near) => {
    if (isCut) {
      near.destroy();
      return;
    }
    const far = connect({ host: hostname, port: Number(port) });
    for (const [one, other] of [
      [near, far],
      [far, near],
    ] as const) {
      open.add(one);
      one.on('error', () => one.destroy());
      one.on('close', () => {
        open.delete(one);
        other.destroy();
      });
      one.pipe(other);
    }
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port: own } = server.address() as { port: number };
  const cut = (): void => {
    isCut = true;
    for (const socket of open) socket.destroy();
  };
  return {
    origin: `http://127.0.0.1:${own}`,
    cut,
    mend: () => {
      isCut = false;
    },
    end: () => {
      cut();
      return new Promise((resolve) => server.close(() => resolve()));
    },
  };
}
