import type { IncomingMessage } from 'node:http';
import { NodeApp } from 'astro/app/node';
import { LRUCache } from 'lru-cache';

/** What is looked at of what Node's server was asked; a thread that draws pages is told as much of it. */
interface AskedOfNode extends Pick<IncomingMessage, 'method' | 'url' | 'headers'> {
  socket: { remoteAddress?: string | undefined; encrypted?: boolean };
}
type Domains = NonNullable<NonNullable<Parameters<typeof NodeApp.createRequest>[1]>['allowedDomains']>;

/** What tells where a request came to, besides whether it came encrypted. */
const TOLD_BY = ['host', ':authority', 'x-forwarded-proto', 'x-forwarded-host', 'x-forwarded-port'] as const;
const MOST_KEPT = 100;

/** Where a request came to, as Astro finds it: a host or proxy that is not ours is not believed. */
function originOf({ headers, socket: { encrypted = false } }: AskedOfNode, allowedDomains: Domains): string {
  const told = Object.fromEntries(TOLD_BY.flatMap((name) => (headers[name] === undefined ? [] : [[name, headers[name]]])));
  const asked = { method: 'GET', url: '/', headers: told, socket: encrypted ? { encrypted } : {} };
  const { protocol, host } = new URL(NodeApp.createRequest(asked as unknown as IncomingMessage, { skipBody: true, allowedDomains }).url);
  return `${protocol}//${host}`;
}

/**
 * Makes a Request of what Node's server was asked, without its body (`comesFrom`), and without a signal that tells when its line is closed. Astro's own finds
 * out anew each time where it came to, copies its headers twice and listens to its line, which cost four times as much.
 * @param allowedDomains those that the build believes
 */
export function requestsFor(allowedDomains: Domains): (asked: AskedOfNode) => Request {
  const origins = new LRUCache<string, string>({ max: MOST_KEPT });
  return (asked) => {
    const { method = 'GET', url = '/', headers, socket } = asked;
    const key = JSON.stringify([socket.encrypted ?? false, ...TOLD_BY.map((name) => headers[name])]);
    const origin = origins.get(key) ?? originOf(asked, allowedDomains);
    origins.set(key, origin);
    const address = URL.canParse(`${origin}${url}`) ? `${origin}${url}` : origin;
    // only answers have headers of several values
    return new Request(address, { method, headers: headers as Record<string, string> });
  };
}
