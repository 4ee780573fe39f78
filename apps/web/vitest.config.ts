import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: { name: 'web', include: ['test/**/*.test.{ts,tsx}'], testTimeout: 30_000, hookTimeout: 30_000, fileParallelism: false },
});
