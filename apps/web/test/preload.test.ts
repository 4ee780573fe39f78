import { expect, test } from 'vitest';
import { closures, withPreloads } from '../src/server/preload.ts';

const known = closures({
  'src/views/Next.tsx': { file: '_astro/Next.a1.js', imports: ['_react.js', '_words.js'] },
  '_words.js': { file: '_astro/words.b2.js', imports: ['_react.js', '_next.js'] },
  // two that import one another
  '_next.js': { file: '_astro/next.c3.js', imports: ['_words.js'] },
  '_react.js': { file: '_astro/react.d4.js' },
  'before.js': { file: '_astro/before.f6.js' },
  'client.js': { file: '_astro/client.e5.js', imports: ['_react.js'] },
});
const page = `<html><head><title>Next</title></head><body><astro-island before-hydration-url="/_astro/before.f6.js" component-url="/_astro/Next.a1.js" renderer-url="/_astro/client.e5.js" client="only"></astro-island></body></html>`;

test('a page that its scripts draw names each of them once, before its head ends', () => {
  const html = withPreloads(page, known);
  const named = [...html.matchAll(/<link rel="modulepreload" href="([^"]+)">/g)].map(([, address]) => address);
  expect(named.sort()).toEqual([
    '/_astro/Next.a1.js',
    '/_astro/before.f6.js',
    '/_astro/client.e5.js',
    '/_astro/next.c3.js',
    '/_astro/react.d4.js',
    '/_astro/words.b2.js',
  ]);
  expect(html.indexOf('modulepreload')).toBeLessThan(html.indexOf('</head>'));
});
test('a page of scripts nobody knows stays as it is', () => {
  expect(withPreloads(page, new Map())).toBe(page);
});
