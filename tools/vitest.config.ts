import { defineConfig } from 'vitest/config';

export default defineConfig({ test: { name: 'tools', include: ['test/**/*.test.ts'], testTimeout: 60_000, hookTimeout: 30_000 } });
