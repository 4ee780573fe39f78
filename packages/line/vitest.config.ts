import { defineConfig } from 'vitest/config';
import { coreForTests } from '../../tools/lib/core-for-tests.mjs';

export default defineConfig({
  plugins: [await coreForTests()],
  test: {
    name: 'line',
    include: ['test/**/*.test.ts'],
    testTimeout: 180_000,
  },
});
