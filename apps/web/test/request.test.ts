import { NodeApp } from 'astro/app/node';
import { expect, test } from 'vitest';
import { requestsFor } from '../src/server/request.ts';

/** As a club behind a proxy allows it. */
const OURS = [{ hostname: 'arc.example', protocol: 'https' }, { hostname: '127.0.0.1' }];
const HEADERS: Record<string, string>[] = [
  {},
  { host: '127.0.0.1:4321' },
  { host: 'elsewhere.example' },
  { host: 'arc.example', 'x-forwarded-proto': 'https' },
  { host: '127.0.0.1:4321', 'x-forwarded-proto': 'https, http', 'x-forwarded-host': 'arc.example' },
  { host: '127.0.0.1:4321', 'x-forwarded-proto': 'https', 'x-forwarded-host': 'elsewhere.example', 'x-forwarded-port': '8443' },
  { host: '127.0.0.1/..', 'x-forwarded-proto': 'gopher' },
  { host: '127.0.0.1', cookie: 'session=abc', origin: 'http://127.0.0.1', 'x-forwarded-for': '203.0.113.7' },
];
const URLS = ['/', '/api/rounds/ø?a=%20b&c', '//elsewhere.example/x', 'http://elsewhere.example/x', '*', '/a/../b'];

test('a request is the same as Astro would make of it: where it came to, and what it carries', () => {
  for (const allowedDomains of [[], OURS]) {
    const requestOf = requestsFor(allowedDomains);
    for (const headers of HEADERS)
      for (const url of URLS)
        for (const encrypted of [false, true]) {
          const asked = {
            method: url === '/' ? 'PUT' : 'GET',
            url,
            headers,
            socket: { remoteAddress: '203.0.113.1', ...(encrypted && { encrypted }) },
          };
          const as = NodeApp.createRequest(asked as never, { skipBody: true, allowedDomains });
          const own = requestOf(asked);
          expect([own.method, own.url, [...own.headers]], JSON.stringify([headers, url])).toEqual([as.method, as.url, [...as.headers]]);
        }
  }
});

test('nobody is told apart by what was told of another', () => {
  const requestOf = requestsFor(OURS);
  const at = (headers: Record<string, string>) => requestOf({ method: 'GET', url: '/kit', headers, socket: {} }).url;
  expect([at({ host: '127.0.0.1:4321' }), at({ host: 'elsewhere.example' }), at({ host: '127.0.0.1:4321' })]).toEqual([
    'http://127.0.0.1:4321/kit',
    'http://localhost/kit',
    'http://127.0.0.1:4321/kit',
  ]);
});
