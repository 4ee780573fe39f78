import { afterEach } from 'vitest';

// files that run beside each other have a database each, named after the worker (tools/lib/test.mjs makes them)
const { DATABASE_URL, VITEST_POOL_ID } = process.env;
if (DATABASE_URL) process.env.DATABASE_URL = DATABASE_URL.replace(/_unit(?=$|\?)/, `_unit_${VITEST_POOL_ID}`);

if (typeof document !== 'undefined') {
  const { cleanup, configure } = await import('@testing-library/react');
  configure({
    // a failed query says what it looked for; the whole page with it buries that
    getElementError: (message) => new Error(message?.split('\n')[0] ?? 'not found'),
    // what comes late on a busy processor still comes
    asyncUtilTimeout: 15_000,
  });
  // with a file of its own for each environment the library does this by itself; files that share their modules would see the page of the one before
  afterEach(cleanup);
}
