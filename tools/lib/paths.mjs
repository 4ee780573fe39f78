import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('../../', import.meta.url));
export const DATA = process.env.GOODARC_DATA ?? join(ROOT, '.data');
export const CACHE = join(ROOT, '.cache');
export const WEB = join(ROOT, 'apps/web');
export const TASKS = join(WEB, 'dist/tasks.mjs');
export const SIMULATE = join(ROOT, 'packages/simulator/dist/simulate.mjs');
