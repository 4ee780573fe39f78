const ONE_MOMENT =
  '<!doctype html><html lang="en"><meta charset="utf-8"><meta http-equiv="refresh" content="1"><title>One moment · Good Arc</title><h1>One moment</h1><p>This page tries again by itself.';

/** After so long another thread is started where one ended, ms. */
const AGAIN_MS = 200;

/** @typedef {import('node:http').IncomingMessage} Request @typedef {import('node:http').ServerResponse} Response */

/** @param {Response} response */
function away(response) {
  response.writeHead(503, { 'content-type': 'text/html; charset=utf-8', 'retry-after': '1' });
  response.end(ONE_MOMENT);
}

/**
 * Hands requests for pages to a thread that draws them, and their answers back. A thread that ends is followed by another; whoever waited for it, and whoever
 * asks while none is ready, gets 503 and a page that tries again.
 * @param {() => import('node:worker_threads').Worker} start a thread that says `ready`, and answers each `{ id, method, url, headers, address }` by `{ id, status, headers, body }`
 */
export function handOn(start) {
  /** @type {import('node:worker_threads').Worker | null} */
  let drawing = null;
  /** @type {import('node:worker_threads').Worker | undefined} */
  let newest;
  let ended = false;
  let last = 0;
  /** @type {Map<number, Response>} */
  const waiting = new Map();
  /** @param {() => void} done */
  const begin = (done) => {
    const thread = start();
    newest = thread;
    thread.on('message', (/** @type {'ready' | ({ id: number } & import('./src/adapter.ts').Answer)} */ said) => {
      if (said === 'ready') {
        drawing = thread;
        done();
        return;
      }
      const response = waiting.get(said.id);
      waiting.delete(said.id);
      if (!response || response.destroyed) return;
      response.statusCode = said.status;
      for (const [name, value] of said.headers) response.appendHeader(name, value);
      if (said.body.byteLength > 0) response.setHeader('content-length', said.body.byteLength);
      response.end(said.body);
    });
    thread.on('error', (error) => console.error('The thread that draws pages failed.', error));
    thread.on('exit', () => {
      drawing = null;
      for (const response of waiting.values()) if (!response.destroyed) away(response);
      waiting.clear();
      if (!ended) setTimeout(() => ended || begin(done), AGAIN_MS);
    });
  };
  return {
    /** @returns when pages are drawn for the first time */
    ready: /** @type {Promise<void>} */ (new Promise((done) => begin(done))),
    /** @param {Request} request @param {Response} response */
    pass(request, response) {
      const { method = 'GET', url = '/', headers, socket } = request;
      if (method !== 'GET' && method !== 'HEAD') {
        response.writeHead(405, { allow: 'GET, HEAD' }).end();
        return;
      }
      if (!drawing) {
        away(response);
        return;
      }
      const id = ++last;
      waiting.set(id, response);
      response.on('close', () => waiting.delete(id));
      drawing.postMessage({ id, method, url, headers, address: socket.remoteAddress });
    },
    async end() {
      ended = true;
      await newest?.terminate();
    },
  };
}
