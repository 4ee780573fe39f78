import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import jStat from 'jstat';
import { ROOT } from './paths.mjs';

/** What the core says it uses of jStat, such as `normal.cdf`. @returns {string[]} */
export function lawsInUse() {
  const types = readFileSync(join(ROOT, 'packages/core/src/jstat.d.ts'), 'utf8');
  return [...types.matchAll(/^ +(\w+): \{(.*)\};$/gm)].flatMap(([, law, functions = '']) =>
    [...functions.matchAll(/(\w+)\(/g)].map(([, name]) => `${law}.${name}`),
  );
}

/**
 * jStat with these functions alone, and those they call: a seventh of what a page would load else. Each of its functions knows nothing but `jStat` and `Math`.
 * @param {string[]} wanted such as `normal.cdf` @returns {string} a module
 */
export function jStatWith(wanted) {
  /** @type {Map<string, string>} */
  const found = new Map();
  /** @param {string} path */
  const take = (path) => {
    if (found.has(path)) return;
    const [first = '', second] = path.split('.');
    const whole = /** @type {any} */ (jStat);
    const law = second === undefined ? whole[first] : whole[first]?.[second];
    if (typeof law !== 'function') throw new Error(`jStat has no ${path}.`);
    const source = String(law);
    found.set(path, source);
    for (const [, name = '', of] of source.matchAll(/\bjStat\.(\w+)(?:\.(\w+))?/g)) take(of ? `${name}.${of}` : name);
  };
  for (const path of wanted) take(path);
  const families = new Set([...found.keys()].flatMap((path) => (path.includes('.') ? [path.split('.')[0]] : [])));
  return [
    `const jStat = { ${[...families].map((law) => `${law}: {}`).join(', ')} };`,
    ...[...found].map(([path, source]) => `jStat.${path} = ${source};`),
    'export default jStat;',
  ].join('\n');
}
