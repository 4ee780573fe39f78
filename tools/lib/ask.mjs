/** Asks a server as its own pages do. @param {string} origin */
export const askAt =
  (origin) =>
  /** @param {string} method @param {string} path @param {unknown} [body] @param {{ raw?: string, withinMs?: number, headers?: Record<string, string> }} [how] */
  async (method, path, body, { raw, withinMs = 15_000, headers = {} } = {}) => {
    const response = await fetch(`${origin}${path}`, {
      method,
      signal: AbortSignal.timeout(withinMs),
      headers: { 'content-type': 'application/json', origin, ...headers },
      ...(body === undefined && raw === undefined ? {} : { body: raw ?? JSON.stringify(body) }),
    });
    return { status: response.status, text: await response.text() };
  };

/** Whether a server and its database answer. @param {string} origin */
export async function isUp(origin) {
  try {
    return (await fetch(`${origin}/api/health`, { signal: AbortSignal.timeout(1000) })).ok;
  } catch {
    return false;
  }
}
