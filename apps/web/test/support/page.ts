import { cleanup } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, vi } from 'vitest';
import { emptyDevice } from './device.ts';

/** What a page asks of the server, and what it hears of machines: for tests of components with a DOM and without a browser. */

export interface Asked {
  method: string;
  path: string;
  // biome-ignore lint/suspicious/noExplicitAny: a body of whatever endpoint
  body: any;
  /** Version of the row that the page knows. */
  seen?: string;
}

type Reply = { status: number; body?: unknown } | undefined;

/** Stands in for the line’s event stream. */
export class FakeStream {
  static readonly open: FakeStream[] = [];
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
  onmessage: ((event: { data: string }) => void) | null = null;
  readonly url: string;
  closed = false;

  constructor(url: string) {
    this.url = url;
    FakeStream.open.push(this);
  }
  close(): void {
    this.closed = true;
  }
  hear(event: object): void {
    this.onmessage?.({ data: JSON.stringify(event) });
  }
}

/**
 * A page with a server of its own.
 * @param answer to a request; 204 when it has none
 */
export function aPage(answer: (asked: Asked) => Reply = () => undefined) {
  const asked: Asked[] = [];
  const shows: Asked[] = [];
  emptyDevice();
  FakeStream.open.length = 0;
  vi.stubGlobal('EventSource', FakeStream);
  vi.stubGlobal(
    'fetch',
    async (url: string, { method = 'GET', body, headers }: { method?: string; body?: string; headers?: Record<string, string> } = {}) => {
      const request = {
        method,
        path: url.replace(/^\/api\//, '').replace(/\?.*$/, ''),
        body: body === undefined ? undefined : JSON.parse(body),
        ...(headers?.['if-match'] !== undefined && { seen: headers['if-match'] }),
      };
      // signs of life, what a round shows to others, and what is only looked up go beside what a page asks for
      if (request.path.endsWith('/live') && method === 'PUT') shows.push(request);
      else if (!/\/(beat|half|spoiled)$/.test(request.path)) asked.push(request);
      const { status, body: said } = answer(request) ?? { status: 204 };
      return new Response(status === 204 ? null : JSON.stringify(said), { status });
    },
  );
  return { asked, shows, user: userEvent.setup() };
}

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
