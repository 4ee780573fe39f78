import type { IncomingMessage, ServerResponse } from 'node:http';
import type { SSRManifest } from 'astro';
import { NodeApp } from 'astro/app/node';
import { gather, whole } from './islands/apart.ts';
import { sendTo } from './server/answer.ts';
import { comesFrom } from './server/body.ts';
import { log } from './server/log.ts';
import { requestsFor } from './server/request.ts';

/** A request for a page, as one thread hands it to another. */
export interface Asked {
  method: string;
  url: string;
  headers: IncomingMessage['headers'];
  address: string | undefined;
}

/** Its answer; `body` has memory of its own, which may be given away. */
export interface Answer {
  status: number;
  headers: [name: string, value: string][];
  body: Uint8Array<ArrayBuffer>;
}

/** Anew each time: its memory is given away. */
const fault = (): Answer => ({
  status: 500,
  headers: [['content-type', 'text/plain; charset=utf-8']],
  body: new TextEncoder().encode('Something went wrong here. Please try again.'),
});

/**
 * What the build offers server.mjs (Astro's interface for adapters). `handler` answers a request of Node's server; `answer` draws a page for whoever asks
 * from another thread. Astro's own adapter for Node follows each promise of a request to name its address in errors, which costs every request a twentieth.
 */
export function createExports(manifest: SSRManifest) {
  const app = new NodeApp(manifest, false);
  const allowedDomains = app.getAllowedDomains() ?? [];
  const requestOf = requestsFor(allowedDomains);
  process.on('unhandledRejection', (error) => log.error({ err: error }, 'a promise was left that failed'));
  /** @param clientAddress who is connected; what a proxy says is looked at where one is ours (`server/tries.ts`) */
  const rendered = (request: Request, clientAddress = ''): Promise<Response> => {
    const routeData = app.match(request, true);
    return app.render(request, { addCookieHeader: true, clientAddress, ...(routeData && { routeData }) });
  };
  return {
    async handler(asked: IncomingMessage, response: ServerResponse): Promise<void> {
      try {
        const request = requestOf(asked);
        comesFrom(request, asked);
        await sendTo(response, await rendered(request, asked.socket.remoteAddress));
      } catch (error) {
        log.error({ err: error, url: asked.url }, 'no answer could be given');
        if (!response.headersSent) response.writeHead(500).end();
        else response.destroy();
      }
    },
    async answer({ method, url, headers, address }: Asked): Promise<Answer> {
      try {
        const request = requestOf({ method, url, headers, socket: {} });
        gather(request);
        const response = await rendered(request, address);
        const isPage = response.headers.get('content-type')?.startsWith('text/html');
        const body = isPage ? whole(request, await response.text()) : new Uint8Array(await response.arrayBuffer());
        // its length is another now
        response.headers.delete('content-length');
        return { status: response.status, headers: [...response.headers], body };
      } catch (error) {
        log.error({ err: error, url }, 'a page could not be drawn');
        return fault();
      }
    },
  };
}
