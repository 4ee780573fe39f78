import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { log } from './log.ts';

/** What Vite writes of a build: each file with those it imports. */
const manifestSchema = z.record(z.string(), z.object({ file: z.string(), imports: z.array(z.string()).optional() }));
export type Manifest = z.infer<typeof manifestSchema>;

/** For each script of a build, by its address, all that it cannot run without, itself first. */
export function closures(manifest: Manifest): Map<string, string[]> {
  const of = (key: string, seen: Set<string>): Set<string> => {
    if (seen.has(key)) return seen;
    seen.add(key);
    for (const each of manifest[key]?.imports ?? []) of(each, seen);
    return seen;
  };
  return new Map(
    Object.entries(manifest).map(([key, { file }]) => [`/${file}`, [...of(key, new Set())].map((each) => `/${manifest[each]!.file}`)]),
  );
}

/**
 * A page of which a part is drawn by its scripts alone names all of them in its head: without it a browser learns of a file only when it has read the one
 * that imports it (at 80 ms a round trip 0.1 to 0.4 s). One that the server has drawn stays as it is: there the scripts would only be in the way of its paint.
 * @param known by `closures` @param more goes into the head behind them
 */
export function withPreloads(html: string, known: ReadonlyMap<string, readonly string[]>, more = ''): string {
  const asked = [...html.matchAll(/(?:component|renderer|before-hydration)-url="([^"]+)"/g)].map(([, address]) => address!);
  const files = new Set(asked.flatMap((address) => known.get(address) ?? []));
  const links = [...files].map((address) => `<link rel="modulepreload" href="${address}">`).join('');
  return html.replace('</head>', () => `${links}${more}</head>`);
}

let known: ReadonlyMap<string, readonly string[]> | null = null;

/** Of this build, which the server runs in; empty while one works on it, where there is none. */
export function scriptsOfBuild(): ReadonlyMap<string, readonly string[]> {
  if (known) return known;
  known = new Map();
  if (!import.meta.env.PROD) return known;
  try {
    known = closures(manifestSchema.parse(JSON.parse(readFileSync('dist/client/.vite/manifest.json', 'utf8'))));
  } catch (error) {
    // slower, and nothing else
    log.warn({ err: error }, 'the build’s manifest could not be read: scripts are not asked for ahead');
  }
  return known;
}
