import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../lib/paths.mjs';
import { wordsOf } from './languages.mjs';
import { translated } from './put.mjs';
import { textsOfSources } from './sources.mjs';

/**
 * Builds the app in another language: its texts are put into the sources as they are bundled, so that a page carries no words but its own.
 * @param {string} language a file of `apps/web/languages`, or `pseudo`
 * @returns {import('vite').Plugin}
 */
export function inLanguage(language) {
  const inOther = wordsOf(language);
  return {
    name: 'in-language',
    enforce: 'pre',
    load(id) {
      if (DEFAULT_LOCALE.test(id) && hasLocale(language))
        return `export { ${language.replace('-', '')} as defaultLocale } from 'date-fns/locale/${language}';`;
      const source = sourceOf(id);
      return source ? translated(source.code, source.texts, inOther) : null;
    },
  };
}

/** Looked through once for all builds of a run. @type {ReturnType<typeof textsOfSources> | undefined} */
let sources;

/** A source with its texts, looked through anew when it was changed meanwhile (live reload). @param {string} id */
function sourceOf(id) {
  sources ??= textsOfSources();
  if (sources.has(id) && sources.get(id)?.code !== readFileSync(id, 'utf8')) sources = textsOfSources();
  return sources.get(id);
}

/** Names of days and months are a library’s, which knows them in most languages. */
const DEFAULT_LOCALE = /\/date-fns\/_lib\/defaultLocale\.js$/;
const hasLocale = (/** @type {string} */ language) => existsSync(join(ROOT, 'node_modules/date-fns/locale', `${language}.js`));
