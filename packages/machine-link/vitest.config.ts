import { defineConfig } from 'vitest/config';

export default defineConfig({ test: { name: 'machine-link', include: ['test/**/*.test.ts'], testTimeout: 180_000 } });
