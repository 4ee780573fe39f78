import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { fromLines, toLines } from '../src/format/lines.ts';

/** Documents as cards are: keys of letters and digits, lists that are full, no empty branch. */
const key = fc.stringMatching(/^[a-z][A-Za-z0-9]{0,8}$/).filter((each) => !['constructor', 'prototype', 'leaf', 'line'].includes(each));
const leaf = fc.oneof(
  fc.string({ unit: 'binary' }),
  fc.double({ noNaN: true, noDefaultInfinity: true }).map((n) => n + 0),
  fc.boolean(),
  fc.constant(null),
);
const { tree } = fc.letrec((tie) => ({
  tree: fc.oneof(
    { maxDepth: 4 },
    leaf,
    fc.array(tie('tree'), { minLength: 1, maxLength: 4 }),
    fc.constant([]),
    fc.dictionary(key, tie('tree'), { minKeys: 1, maxKeys: 4, noNullPrototype: true }),
  ),
}));
const document = fc.dictionary(key, tree, { minKeys: 1, maxKeys: 5, noNullPrototype: true });

describe('a document as lines', () => {
  test('is read back the same', () => {
    fc.assert(
      fc.property(document, (each) => {
        expect(fromLines(toLines(each).join('\n'))).toEqual({ ok: true, value: each });
      }),
      { numRuns: 200 },
    );
  });
  test('in any order of its lines', () => {
    fc.assert(
      fc.property(document, fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })), (each, random) => {
        const shuffled = toLines(each)
          .map((line) => ({ line, at: random.next().value as number }))
          .sort((a, b) => a.at - b.at)
          .map(({ line }) => line);
        expect(fromLines(shuffled.join('\n'))).toEqual({ ok: true, value: each });
      }),
      { numRuns: 100 },
    );
  });
  test('one line a value, no line breaks inside', () => {
    fc.assert(fc.property(document, (each) => toLines(each).every((line) => !/[\r\n]/.test(line) && line.includes(' = '))));
  });
  test('more than nine things of a list keep their order', () => {
    const list = { rungs: Array.from({ length: 12 }, (_, i) => i) };
    expect(fromLines(toLines(list).join('\n'))).toEqual({ ok: true, value: list });
  });
  test.each([
    ['a = 1\nb', 'Line 2: must read'],
    ['a = 1\n\n# note\nb = {"c":1}', 'Line 4: one value'],
    ['a = "cut', 'Line 1: the value'],
    ['a b = 1\na = 2', 'Line 2: says again'],
    ['a = 1\na b = 2', 'Line 2: says again'],
    [`${Array.from({ length: 14 }, () => 'a').join(' ')} = 1`, 'Line 1: this name'],
    ['a constructor = 1', 'Line 1: this name'],
    ['ü = 1', 'Line 1: this name'],
  ])('%j is refused by its line', (text, said) => {
    const read = fromLines(text);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problems[0]!.detail).toContain(said);
  });
});
