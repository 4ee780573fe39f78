import { afterEach } from 'vitest';

// with a file of its own for each environment the library does this by itself; files that share their modules would see the page of the one before
if (typeof document !== 'undefined') {
  const { cleanup } = await import('@testing-library/react');
  afterEach(cleanup);
}
