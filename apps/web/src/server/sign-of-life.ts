import type { IncomingMessage, ServerResponse } from 'node:http';
import type { MachineId } from '@good-arc/core';
import { badInput } from '@good-arc/core/calc';
import { z } from 'zod';
import { knownTokens } from './known.ts';
import { links } from './links.ts';
import { isFromElsewhere, publicOrigin } from './origin.ts';
import { isDemo, SESSION_COOKIE } from './session.ts';

const PATH = /^\/api\/machines\/([^/?]+)\/beat\?page=([\w-]+)$/;
const BODY = '{}';
const COOKIE = new RegExp(`(?:^|; )${SESSION_COOKIE}=([^;]+)`);
/** Names of this machine itself; any other name is the proxy's. */
const HERE = /^(127\.0\.0\.1|localhost)(:\d+)?$/;
const uuid = z.uuid();

/** The origin that was asked; null for a name that nobody told us. */
function ownOrigin(host: string): string | null {
  if (HERE.test(host)) return `http://${host}`;
  const known = publicOrigin();
  return known !== '' && new URL(known).host === host ? known : null;
}

/** Who was signed in a moment ago; see `KnownTokens`. */
function clubThatAsks({ headers }: IncomingMessage) {
  const token = isDemo() ? 'demo' : COOKIE.exec(headers.cookie ?? '')?.[1];
  return token === undefined ? undefined : knownTokens.believed(token)?.clubId;
}

/**
 * Takes a page's sign of life before anything else looks at it: four times a second from each page that drives is three of four requests of a large
 * federation (docs/scale.md). Only what is beyond question: this site's page, somebody who was signed in a moment ago, a line that is open. Whatever else
 * goes the long way, to be looked up or refused there.
 * @returns whether it is answered here
 */
export function takeSignOfLife(request: IncomingMessage, response: ServerResponse): boolean {
  const { method, url = '', headers } = request;
  if (method !== 'POST') return false;
  const [, id, page] = PATH.exec(url) ?? [];
  if (id === undefined || page === undefined || !uuid.safeParse(id).success) return false;
  const own = ownOrigin(headers.host ?? '');
  const { origin } = headers;
  const site = headers['sec-fetch-site'];
  if (own === null || origin === undefined || isFromElsewhere(origin, typeof site === 'string' ? site : null, own)) return false;
  if (!headers['content-type']?.startsWith('application/json') || headers['content-length'] !== String(BODY.length)) return false;
  const clubId = clubThatAsks(request);
  const line = clubId && links.open(id as MachineId, clubId);
  if (!line) return false;
  let body = '';
  request.setEncoding('utf8');
  request.on('data', (part: string) => {
    body += part;
  });
  request.on('end', () => {
    if (body === BODY) {
      line.attend(page);
      response.writeHead(204).end();
      return;
    }
    const { status, ...told } = badInput([{ pointer: '', detail: `The body must be ${BODY}.` }]);
    response.writeHead(status, { 'content-type': 'application/problem+json' }).end(JSON.stringify({ status, ...told }));
  });
  return true;
}

// found by the server that stands before Astro (server.mjs)
(globalThis as { [key: symbol]: unknown })[Symbol.for('good-arc.sign-of-life')] = takeSignOfLife;
