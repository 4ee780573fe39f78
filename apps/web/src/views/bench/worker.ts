import { type Remote, wrap } from 'comlink';
import type { BenchWork } from '../../workers/bench.worker.ts';

let shared: Remote<BenchWork> | null = null;

/** The one worker of the page, started when it is first needed. */
export function benchWorker(): Remote<BenchWork> {
  shared ??= wrap<BenchWork>(new Worker(new URL('../../workers/bench.worker.ts', import.meta.url), { type: 'module' }));
  return shared;
}
