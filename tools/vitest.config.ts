import { defineConfig } from 'vitest/config';
import { CORE_FOR_TESTS, coreForTests } from './lib/core-for-tests.mjs';

export default defineConfig({
  plugins: [await coreForTests()],
  test: {
    server: { deps: { external: [CORE_FOR_TESTS] } },
    isolate: false,
    name: 'tools',
    include: ['test/**/*.test.ts'],
    testTimeout: 60_000,
    hookTimeout: 30_000,
  },
});
