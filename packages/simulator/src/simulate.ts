/**
 * Entry of the simulated machines or of the simulated radar gun, each a process of its own:
 * `simulate machines '[{"id","port","profile","seed","code","timeFactor","patienceMs"}…]'` or `simulate radar '{"port","machines":[{"id","port"}…],"seed"}'`.
 */
import type { Server } from 'node:net';
import { serveRadar } from './radar.ts';
import { serveMachine } from './server.ts';

const [what, json = ''] = process.argv.slice(2);
const servers: Server[] = what === 'radar' ? [await serveRadar(JSON.parse(json))] : await Promise.all(JSON.parse(json).map(serveMachine));
process.stdout.write(`${what} listening\n`);

for (const signal of ['SIGTERM', 'SIGINT'] as const) {
  process.on(signal, () => {
    for (const server of servers) server.close();
    // sockets that are still open must not keep it alive
    setTimeout(() => process.exit(0), 50);
  });
}
