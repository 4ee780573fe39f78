import { defineConfig } from 'vitest/config';

export default defineConfig({ test: { name: 'simulator', include: ['test/**/*.test.ts'], testTimeout: 180_000 } });
