import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { ROOT } from '../lib/paths.mjs';
import { pieceOf } from '../lib/pieces.mjs';

const sources = (folder: string): string[] =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' }).map((file) => join(ROOT, folder, file));

describe('the pieces in which the app’s scripts are sent', () => {
  test('what pages share is in few, what one of them loads late is dealt out by the bundler', () => {
    const at = (file: string) => pieceOf(join(ROOT, file));
    expect(at('node_modules/react-dom/client.js')).toBe('react');
    expect(at('apps/web/node_modules/lucide-react/dist/esm/icons/x.mjs')).toBe('page');
    expect(at('apps/web/src/ui/Button.tsx')).toBe('page');
    expect(at('packages/core/src/catalog/sports/tennis/record.ts')).toBe('sports');
    expect(at('packages/core/src/flight/fly.ts')).toBe('flight');
    expect(at('packages/core/src/rules/heat.ts')).toBe('judging');
    expect(at('packages/core/src/spread/normal.ts')).toBe('tuning');
    for (const late of [
      'packages/core/src/catalog/sports/tennis/drills/strokes.ts',
      'packages/core/src/tune/fit.ts',
      'node_modules/recharts/es6/index.js',
      'node_modules/@react-pdf/reconciler/node_modules/scheduler/index.js',
    ])
      expect(at(late), late).toBeUndefined();
  });
  test('nothing with the shapes of documents is in one: they are large, and few pages read any', () => {
    const shapes = [...sources('packages/core/src'), ...sources('apps/web/src')].filter((file) => /schemas?\.ts$|\/shapes\.ts$/.test(file));
    expect(shapes.length).toBeGreaterThan(10);
    expect(shapes.filter((file) => pieceOf(file) !== undefined)).toEqual([]);
  });
  test('every piece has something in it', () => {
    const found = new Set([...sources('packages/core/src'), ...sources('apps/web/src')].map(pieceOf));
    for (const piece of ['page', 'sports', 'flight', 'judging', 'tuning']) expect(found).toContain(piece);
  });
});
