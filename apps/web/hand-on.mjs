import { Agent, request as ask } from 'node:http';

const ONE_MOMENT =
  '<!doctype html><html lang="en"><meta charset="utf-8"><meta http-equiv="refresh" content="1"><title>One moment · Good Arc</title><h1>One moment</h1><p>This page tries again by itself.';

/**
 * Hands requests on to a process behind this one, over lines that are kept. A kept line that ended just as it was used again is no answer of that
 * process: what may be asked twice is asked again, on a line of its own. While nobody listens there, the answer is 503 and a page that tries again.
 * @param {() => number} portNow where it listens on loopback; 0 while it does not
 */
export function handOn(portNow) {
  const agent = new Agent({ keepAlive: true });
  /** @param {import('node:http').IncomingMessage} request @param {import('node:http').ServerResponse} response */
  const pass = (request, response, again = false) => {
    const away = () => {
      if (response.headersSent) response.destroy();
      else {
        response.writeHead(503, { 'content-type': 'text/html; charset=utf-8', 'retry-after': '1' });
        response.end(ONE_MOMENT);
      }
    };
    const port = portNow();
    if (port === 0) {
      away();
      return;
    }
    const { method, url: path, headers } = request;
    const far = ask({ host: '127.0.0.1', port, method, path, headers, agent: again ? false : agent }, (answer) => {
      response.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(response);
    });
    far.on('error', () => {
      if (response.destroyed) return;
      const mayAskTwice = method === 'GET' || method === 'HEAD';
      if (far.reusedSocket && mayAskTwice && !again && !response.headersSent) pass(request, response, true);
      else away();
    });
    response.on('close', () => far.destroy());
    request.pipe(far);
  };
  return pass;
}
