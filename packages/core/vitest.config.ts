import { defineConfig } from 'vitest/config';
import { CORE_FOR_TESTS, coreForTests } from '../../tools/lib/core-for-tests.mjs';

export default defineConfig({
  plugins: [await coreForTests()],
  test: {
    server: { deps: { external: [CORE_FOR_TESTS] } },
    isolate: false,
    name: 'core',
    include: ['test/**/*.test.ts'],
    testTimeout: 180_000,
  },
});
