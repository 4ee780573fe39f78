import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { LadderRow } from '../src/api/rows.ts';
import { mergedFields, mergedLadder } from '../src/ui/merge.ts';
import { rungDocument } from './support/rig.ts';

const document = rungDocument('01890000-0000-7000-8000-0000000000c1', '01890000-0000-7000-8000-0000000000a1');
const ladder = (names: Record<string, string>, head: Partial<LadderRow> = {}): LadderRow => ({
  id: 'l',
  version: 1,
  name: 'Climb',
  sport: 'tennis',
  level: 'Building',
  approach: 'earn-it',
  origin: null,
  rungs: Object.entries(names).map(([id, name], position) => ({ id, ladderId: 'l', position, document: { ...document, name } })),
  ...head,
});
const said = ({ rungs }: LadderRow): Record<string, string> => Object.fromEntries(rungs.map(({ id, document: each }) => [id, each.name]));
const base = ladder({ a: 'A', b: 'B', c: 'C' });

test('fields: mine where I changed something, theirs elsewhere', () => {
  expect(
    mergedFields({ name: 'x', level: 1, notes: '' }, { name: 'mine', level: 1, notes: '' }, { name: 'x', level: 2, notes: 'theirs' }),
  ).toEqual({
    name: 'mine',
    level: 2,
    notes: 'theirs',
  });
});
test.each([
  ['both changed another rung', { a: 'mine', b: 'B', c: 'C' }, { a: 'A', b: 'B', c: 'theirs' }, { a: 'mine', b: 'B', c: 'theirs' }],
  [
    'they added one in the middle',
    { a: 'mine', b: 'B', c: 'C' },
    { a: 'A', n: 'new', b: 'B', c: 'C' },
    { a: 'mine', n: 'new', b: 'B', c: 'C' },
  ],
  ['I removed one they left alone', { a: 'A', c: 'C' }, { a: 'A', b: 'B', c: 'theirs' }, { a: 'A', c: 'theirs' }],
  ['I removed one they changed: it stays', { a: 'A', c: 'C' }, { a: 'A', b: 'theirs', c: 'C' }, { a: 'A', b: 'theirs', c: 'C' }],
  ['they removed one I changed: it stays', { a: 'A', b: 'mine', c: 'C' }, { a: 'A', c: 'C' }, { a: 'A', b: 'mine', c: 'C' }],
  ['I put them in another order', { c: 'C', a: 'A', b: 'B' }, { a: 'theirs', b: 'B', c: 'C' }, { c: 'C', a: 'theirs', b: 'B' }],
  ['they put them in another order', { a: 'mine', b: 'B', c: 'C' }, { c: 'C', b: 'B', a: 'A' }, { c: 'C', b: 'B', a: 'mine' }],
])('rungs: %s', (_what, mine, theirs, both) => {
  const merged = mergedLadder(base, ladder(mine as never), ladder(theirs as never, { version: 2 }));
  expect(Object.entries(said(merged))).toEqual(Object.entries(both));
  expect(merged.rungs.map(({ position }) => position)).toEqual(merged.rungs.map((_, i) => i));
  expect(merged.version).toBe(2);
});
test('of one rung that both changed, each field is whose change it was; mine where both changed it', () => {
  const change = (part: object, version = 1): LadderRow => ({
    ...base,
    version,
    rungs: base.rungs.map((rung) => (rung.id === 'b' ? { ...rung, document: { ...rung.document, ...part } } : rung)),
  });
  const merged = mergedLadder(base, change({ name: 'mine', ballsPerRound: 12 }), change({ name: 'theirs', intervalS: 5.5 }, 2));
  expect(merged.rungs[1]!.document).toMatchObject({ name: 'mine', ballsPerRound: 12, intervalS: 5.5 });
});
test('whatever was done, nothing that only one side touched is lost', () => {
  const edits = fc.record({ removed: fc.subarray(['a', 'b', 'c']), added: fc.subarray(['x', 'y']), changed: fc.subarray(['a', 'b', 'c']) });
  fc.assert(
    fc.property(edits, edits, (my, their) => {
      const after = (who: string, { removed, added, changed }: typeof my): LadderRow =>
        ladder({
          ...Object.fromEntries(
            Object.entries(said(base))
              .filter(([id]) => !removed.includes(id))
              .map(([id, name]) => [id, changed.includes(id) ? `${name} ${who}` : name]),
          ),
          ...Object.fromEntries(added.map((id) => [`${who}-${id}`, `${who} ${id}`])),
        });
      const merged = said(mergedLadder(base, after('me', my), after('they', their)));
      for (const [who, own, other] of [
        ['me', my, their],
        ['they', their, my],
      ] as const) {
        for (const id of own.added) expect(merged[`${who}-${id}`]).toBe(`${who} ${id}`);
        for (const id of own.changed)
          if (!own.removed.includes(id) && !other.changed.includes(id)) expect(merged[id]).toBe(`${said(base)[id]} ${who}`);
        for (const id of own.removed) if (!other.changed.includes(id) || other.removed.includes(id)) expect(merged[id]).toBeUndefined();
      }
    }),
  );
});
