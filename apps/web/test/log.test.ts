import { DrizzleQueryError } from 'drizzle-orm';
import { expect, test } from 'vitest';
import { withoutParameters } from '../src/server/log.ts';

test('a query that failed is logged with its words and its cause, without what people typed', () => {
  const cause = Object.assign(new Error('Deadlock found'), { errno: 1213 });
  const logged = JSON.stringify(
    withoutParameters(new DrizzleQueryError('insert into player values (?, ?)', ['Ada Thorne', 'calm return'], cause)),
  );
  expect(logged).toContain('insert into player values (?, ?)');
  expect(logged).toContain('Deadlock found');
  expect(logged).toContain('1213');
  expect(logged).not.toMatch(/Ada Thorne|calm return/);
});
