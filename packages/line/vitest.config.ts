import { defineConfig } from 'vitest/config';

export default defineConfig({ test: { name: 'line', include: ['test/**/*.test.ts'], testTimeout: 180_000 } });
