import { defineConfig } from 'vitest/config';
import { coreForTests } from './lib/core-for-tests.mjs';

export default defineConfig({
  plugins: [await coreForTests()],
  test: {
    name: 'tools',
    include: ['test/**/*.test.ts'],
    testTimeout: 60_000,
    hookTimeout: 30_000,
  },
});
