import { defineConfig } from 'vitest/config';

// every core: the default keeps one free, which is half of a small machine
export default defineConfig({ test: { projects: ['packages/*', 'apps/web', 'tools'], maxWorkers: '100%' } });
