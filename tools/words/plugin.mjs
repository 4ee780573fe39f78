import { existsSync } from 'node:fs';
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
  /** @type {ReturnType<typeof textsOfSources> | undefined} */
  let sources;
  return {
    name: 'in-language',
    enforce: 'pre',
    load(id) {
      if (DEFAULT_LOCALE.test(id) && hasLocale(language))
        return `export { ${language.replace('-', '')} as defaultLocale } from 'date-fns/locale/${language}';`;
      sources ??= textsOfSources();
      const source = sources.get(id);
      return source ? translated(source.code, source.texts, inOther) : null;
    },
  };
}

/** Names of days and months are a library’s, which knows them in most languages. */
const DEFAULT_LOCALE = /\/date-fns\/_lib\/defaultLocale\.js$/;
const hasLocale = (/** @type {string} */ language) => existsSync(join(ROOT, 'node_modules/date-fns/locale', `${language}.js`));
