import { defineConfig } from 'vitest/config';
import { coreForTests } from '../../tools/lib/core-for-tests.mjs';

export default defineConfig({
  plugins: [await coreForTests()],
  test: {
    // a line waits as long as its page may be silent: a busy processor is no lost machine
    env: { GOODARC_PATIENCE_MS: '3000' },
    name: 'web',
    include: ['test/**/*.test.{ts,tsx}'],
    setupFiles: ['test/support/setup.ts'],
    testTimeout: 90_000,
    hookTimeout: 90_000,
  },
});
