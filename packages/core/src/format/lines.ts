import { type ReadResult, refusedLine } from './read.ts';

/**
 * A JSON document as lines that survive a message: each says one value by its whole path, so that lost indentation, a quoted reply or a
 * wrapped comment does no harm. `rungs 2 feeds 1 launch speedMps = 17.4`. Lists count from 1. Lines that begin with `#` are for people.
 */
export function toLines(value: unknown, path: readonly string[] = []): string[] {
  if (Array.isArray(value)) {
    if (value.length === 0) return [`${path.join(' ')} = []`];
    return value.flatMap((each, i) => toLines(each, [...path, String(i + 1)]));
  }
  if (typeof value === 'object' && value !== null) return Object.entries(value).flatMap(([key, each]) => toLines(each, [...path, key]));
  return [`${path.join(' ')} = ${JSON.stringify(value)}`];
}

type Tree = { [key: string]: Tree } | { leaf: unknown; line: number };

const isLeaf = (tree: Tree): tree is { leaf: unknown; line: number } => Object.hasOwn(tree, 'leaf') && Object.hasOwn(tree, 'line');

/** Keys that would reach into the prototype of an object. */
const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype']);
const DEEPEST = 12;

/** Reads what `toLines` wrote; a bad line is named by its number (from 1, comments counted). */
export function fromLines(text: string): ReadResult<unknown> {
  const root: Tree = {};
  const lines = text.split(/\r?\n/);
  for (const [i, raw] of lines.entries()) {
    // a reply quotes with “>”
    const line = raw.replace(/^[>\s]+/, '').trim();
    if (line === '' || line.startsWith('#')) continue;
    const at = line.indexOf(' = ');
    if (at < 0) return refusedLine(i + 1, 'must read “name = value”. Was the text cut off?');
    const path = line.slice(0, at).split(' ');
    let leaf: unknown;
    try {
      leaf = JSON.parse(line.slice(at + 3));
    } catch {
      return refusedLine(i + 1, 'the value after “=” is cut off or changed.');
    }
    if (typeof leaf === 'object' && leaf !== null && !(Array.isArray(leaf) && leaf.length === 0))
      return refusedLine(i + 1, 'one value a line.');
    if (path.length > DEEPEST || path.some((part) => FORBIDDEN.has(part) || !/^[A-Za-z0-9]+$/.test(part)))
      return refusedLine(i + 1, 'this name is not one of a card.');
    const problem = put(root, path, leaf, i + 1);
    if (problem) return problem;
  }
  return { ok: true, value: toValue(root) };
}

function put(root: Tree, path: readonly string[], leaf: unknown, line: number): ReadResult<never> | null {
  let branch = root as { [key: string]: Tree };
  for (const part of path.slice(0, -1)) {
    branch[part] ??= {};
    const next = branch[part];
    if (isLeaf(next)) return refusedLine(line, 'says again what a line before it said.');
    branch = next;
  }
  const last = path.at(-1)!;
  if (branch[last]) return refusedLine(line, 'says again what a line before it said.');
  branch[last] = { leaf, line };
  return null;
}

/** Branches whose names count up from 1 are lists. */
function toValue(tree: Tree): unknown {
  if (isLeaf(tree)) return tree.leaf;
  const keys = Object.keys(tree);
  const branch = tree as { [key: string]: Tree };
  if (keys.length > 0 && keys.every((key) => /^\d+$/.test(key)))
    return keys.sort((a, b) => Number(a) - Number(b)).map((key) => toValue(branch[key]!));
  return Object.fromEntries(keys.map((key) => [key, toValue(branch[key]!)]));
}
