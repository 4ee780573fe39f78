import { readFileSync } from 'node:fs';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

const hasPage = ({ moduleId }: TestSpecification): boolean => readFileSync(moduleId, 'utf8').startsWith('// @vitest-environment');

/** Files with a page after one another, then those without: a worker that changes from one to the other begins anew. */
class PagesTogether extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const sorted = await super.sort(files);
    return [...sorted.filter(hasPage), ...sorted.filter((file) => !hasPage(file))];
  }
}

export default defineConfig({
  test: {
    projects: ['packages/*', 'apps/web', 'tools'],
    // every core: the default keeps one free, which is half of a small machine
    maxWorkers: '100%',
    sequence: { sequencer: PagesTogether },
  },
});
