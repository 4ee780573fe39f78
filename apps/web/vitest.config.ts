import { defineConfig } from 'vitest/config';
import { CORE_FOR_TESTS, coreForTests } from '../../tools/lib/core-for-tests.mjs';

export default defineConfig({
  plugins: [await coreForTests()],
  test: {
    server: { deps: { external: [CORE_FOR_TESTS] } },
    // a line waits as long as its page may be silent: a busy processor is no lost machine
    env: { GOODARC_PATIENCE_MS: '3000' },
    name: 'web',
    isolate: false,
    include: ['test/**/*.test.{ts,tsx}'],
    setupFiles: ['test/support/setup.ts'],
    testTimeout: 90_000,
    hookTimeout: 90_000,
  },
});
