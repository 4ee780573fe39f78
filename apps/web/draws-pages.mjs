import { parentPort } from 'node:worker_threads';

/** The thread that draws pages (`hand-on.mjs`), apart from the one that has the machines. */
const entry = new URL('./dist/server/entry.mjs', import.meta.url).href;
/** @type {ReturnType<typeof import('./src/adapter.ts').createExports>} */
const { answer } = await import(entry);

parentPort?.on('message', async ({ id, ...asked }) => {
  const { body, ...answered } = await answer(asked);
  parentPort?.postMessage({ id, body, ...answered }, [body.buffer]);
});
parentPort?.postMessage('ready');
