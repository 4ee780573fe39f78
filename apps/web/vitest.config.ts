import { defineConfig } from 'vitest/config';
import { coreForTests } from '../../tools/lib/core-for-tests.mjs';
import { calendarOf } from '../../tools/words/calendar.mjs';
import { ENGLISH } from '../../tools/words/language-files.mjs';

export default defineConfig({
  plugins: [await coreForTests()],
  define: { CALENDAR: JSON.stringify(calendarOf(ENGLISH)) },
  test: {
    // a line waits as long as its page may be silent: a busy processor is no lost machine
    env: { GOODARC_PATIENCE_MS: '3000' },
    name: 'web',
    include: ['test/**/*.test.{ts,tsx}'],
    setupFiles: ['test/support/setup.ts'],
    testTimeout: 90_000,
    hookTimeout: 90_000,
  },
});
